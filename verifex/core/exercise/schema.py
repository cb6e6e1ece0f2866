"""What an exercise file states. The JSON Schema in docs/ is generated from these classes."""

from decimal import Decimal
from typing import Annotated, Literal

from pydantic import BaseModel, BeforeValidator, ConfigDict, Field, model_validator

from verifex.core.exercise.statements import When, read_when


class Frozen(BaseModel):
    model_config = ConfigDict(frozen=True, extra="forbid", json_schema_serialization_defaults_required=True)


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


class Step(Frozen):
    """One step of the stimulus plan: a quantity at a part, its value with uncertainty, and how to make it safely."""

    name: str
    ref: str
    quantity: str
    value: float
    uncertainty: float = Field(ge=0)
    dwell_seconds: float = Field(gt=0, le=3600)
    how: str = ""


class Conventions(Frozen):
    """Where schools differ: the divisor of the conversion, the unit printed, the baud rate, the reference assumed."""

    divisor: Literal[1023, 1024]
    unit: Literal["celsius"]
    baud: int
    formula_reference: Literal["nominal", "measured"] = "nominal"


class Behaviour(Frozen):
    """One behaviour statement: which outputs are on while the condition holds, and which otherwise."""

    when: Annotated[When, BeforeValidator(read_when)]
    then: dict[str, bool]
    otherwise: dict[str, bool] = Field(default_factory=dict)


class Criterion(Frozen):
    """One criterion of the mark scheme, worth `of` marks."""

    name: str = Field(pattern=r"^[a-z][a-z-]*$")
    title: str
    of: Decimal = Field(gt=0)


class Exercise(Frozen):
    """A whole exercise. `plot_low` and `plot_high` bound the stimulus axis, in the steps' unit."""

    id: str = Field(pattern=r"^[a-z0-9][a-z0-9-]*$")
    title: str
    summary: str
    board: str
    minutes: int = Field(gt=0, le=600)
    recipe: list[RecipePart] = Field(min_length=1)
    variants: list[Variant] = Field(min_length=1)
    functions: list[Function] = Field(default_factory=list)
    resistor_jobs: list[ResistorJob] = Field(default_factory=list)
    steps: list[Step] = Field(min_length=1)
    conventions: Conventions
    behaviour: list[Behaviour] = Field(default_factory=list)
    criteria: list[Criterion] = Field(min_length=1)
    cautions: list[str] = Field(default_factory=list)
    plot_low: float
    plot_high: float

    @model_validator(mode="after")
    def refers_to_its_own_parts(self) -> "Exercise":
        known = {part.ref for part in self.recipe}
        named = [
            *((step.ref, "a step") for step in self.steps),
            *((job.ref, "a resistor job") for job in self.resistor_jobs),
            *((statement.when.ref, "a behaviour statement") for statement in self.behaviour),
            *((ref, "a behaviour statement") for s in self.behaviour for ref in (*s.then, *s.otherwise)),
            *((f.ref, "a function") for f in self.functions),
        ]
        for ref, user in named:
            if ref not in known:
                raise ValueError(f"{user} names {ref}, which is not in the recipe ({', '.join(sorted(known))})")
        return self

    def is_clear_of_thresholds(self) -> bool:
        """Whether, for each threshold, the plan has a step clear of it (by its uncertainty) on each side."""
        for statement in self.behaviour:
            values = [(s.value, s.uncertainty) for s in self.steps if s.ref == statement.when.ref]
            above = any(value - u > statement.when.threshold for value, u in values)
            below = any(value + u < statement.when.threshold for value, u in values)
            if not (above and below):
                return False
        return True

    @property
    def total(self) -> Decimal:
        return sum((criterion.of for criterion in self.criteria), Decimal(0))
