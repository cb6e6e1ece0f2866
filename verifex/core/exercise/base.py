"""What every class of the exercise file has in common."""

from pydantic import BaseModel, ConfigDict


class Frozen(BaseModel):
    model_config = ConfigDict(
        frozen=True, extra="forbid", allow_inf_nan=False, json_schema_serialization_defaults_required=True
    )
