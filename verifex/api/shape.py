"""The base of every shape in the API."""

from pydantic import BaseModel, ConfigDict


class Shape(BaseModel):
    """A plain pydantic model: the router's own base class wraps each nested dict for attribute access, which costs more
    than the rest of an answer."""

    model_config = ConfigDict(from_attributes=True)
