"""What a pair measures with a meter on its own bench: the volts at a leg, the current in a part."""

from pydantic import Field, model_validator

from verifex.core.exercise.base import Frozen


class Probe(Frozen):
    """One measurement: `volts` at a leg (`U1.out`) against ground while a step of the plan is held (the first one where none is
    named), or `amps` in a part (`D1`) while it is on."""

    volts: str = Field(default="", pattern=r"^([A-Z]+[0-9]+\.[a-z0-9]+)?$")
    amps: str = Field(default="", pattern=r"^([A-Z]+[0-9]+)?$")
    step: str = ""

    @model_validator(mode="after")
    def names_one_thing(self) -> "Probe":
        if bool(self.volts) == bool(self.amps):
            raise ValueError("measure names either volts at a leg (U1.out) or amps in a part (D1)")
        return self

    @property
    def at(self) -> str:
        return self.volts or self.amps

    @property
    def ref(self) -> str:
        return self.at.split(".")[0]
