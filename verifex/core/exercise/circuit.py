"""What an exercise says of the circuit: its parts, how it may be fed, what must reach what, what resistors are for."""

from typing import Literal

from pydantic import Field, model_validator

from verifex.core.exercise.base import Frozen


class RecipePart(Frozen):
    """One part of the recipe, by the reference the exercise uses for it."""

    ref: str = Field(pattern=r"^[A-Z]+[0-9]+$")
    part: str
    title: str = ""
    settings: dict[str, str] = Field(default_factory=dict)


class Variant(Frozen):
    """An allowed school of feeding the sensor: supply volts and the converter's reference."""

    id: str
    title: str
    supply_volts: float = Field(gt=0, le=30)
    reference: Literal["rail", "internal", "external"]
    reference_volts: float | None = Field(default=None, gt=0, le=5.5)  # at AREF, as the formula puts it in


Reach = Literal[
    "analogue-input", "digital-input", "digital-output", "pwm-output", "two-wire", "spi", "own-ground"
]  # fmt: skip


class Function(Frozen):
    """A connection the circuit must have, by electrical function: never hole for hole."""

    leg: str | None = None
    part: str | None = None
    reaches: Reach

    @model_validator(mode="after")
    def names_one_thing(self) -> "Function":
        if (self.leg is None) == (self.part is None):
            raise ValueError("a function names either a leg (U1.out) or a part (D1)")
        if self.leg is not None and "." not in self.leg:
            raise ValueError(f"'{self.leg}' is no leg; U1.out was expected")
        return self

    @property
    def ref(self) -> str:
        return self.part or (self.leg or "").split(".")[0]

    @property
    def leg_name(self) -> str | None:
        return self.leg.split(".", 1)[1] if self.leg else None


class ResistorJob(Frozen):
    """What a resistor is for, and the ohms it may have; values inside the window are as good as the nominal.

    Without `low_ohms` and `high_ohms` the window follows from the job and the bench.
    """

    ref: str
    job: Literal["led-series", "base", "pull-up", "pull-down", "divider", "level-divider", "contrast", "other"]
    nominal_ohms: float = Field(gt=0)
    low_ohms: float | None = Field(default=None, gt=0)
    high_ohms: float | None = Field(default=None, gt=0)
