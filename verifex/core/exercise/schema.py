"""What an exercise file states as a whole. The JSON Schema in docs/ is generated from these classes."""

import re
from decimal import Decimal
from typing import Annotated, Literal

from pydantic import BeforeValidator, Field, field_validator, model_validator

from verifex.core.exercise.base import Frozen
from verifex.core.exercise.circuit import Function, RecipePart, ResistorJob, Variant
from verifex.core.exercise.conventions import Conventions
from verifex.core.exercise.drivers import Driver, LibraryConstant, Purpose
from verifex.core.exercise.output_states import OutputState, State
from verifex.core.exercise.plan import Reading, Step
from verifex.core.exercise.probes import Probe
from verifex.core.exercise.statements import When, read_when
from verifex.core.parts import Output, catalogue

PLOT_MARGIN = 0.25  # of the plan's span, where the file does not say what the plot shows


class Behaviour(Frozen):
    """One behaviour statement: the state of each output while the condition holds, and otherwise."""

    when: Annotated[When, BeforeValidator(read_when)]
    then: dict[str, State]
    otherwise: dict[str, State] = Field(default_factory=dict)

    @property
    def outputs(self) -> list[str]:
        """The references of all outputs it is about."""
        return list(dict.fromkeys([*self.then, *self.otherwise]))

    @model_validator(mode="after")
    def names_the_state_outside(self) -> "Behaviour":
        if self.when.side == "between" and (open_ := [ref for ref in self.then if ref not in self.otherwise]):
            raise ValueError(f"'between' needs the state outside too: say under 'otherwise' what {open_[0]} is there")
        return self

    def plain(self) -> list["Behaviour"]:
        """The same with one threshold each: between two is over the lower one, and over the upper one as otherwise again."""
        if self.when.side != "between":
            return [self]
        lower = self.when.model_copy(update={"side": "over"})
        upper = lower.model_copy(update={"threshold": self.when.upper})
        return [self.model_copy(update={"when": lower}), Behaviour(when=upper, then=self.otherwise)]


class Follow(Frozen):
    """An output whose pitch or brightness rises or falls with a quantity, from step to step of the plan."""

    output: str
    of: str
    by: Literal["pitch", "brightness"]
    way: Literal["rising", "falling"] = "rising"

    @model_validator(mode="after")
    def names_a_quantity(self) -> "Follow":
        if not re.fullmatch(r"[A-Z]+[0-9]+\.[a-z]+", self.of):
            raise ValueError(f"'{self.of}' names no quantity of a part; U1.celsius was expected")
        return self

    @property
    def key(self) -> tuple[str, str]:
        ref, _, quantity = self.of.partition(".")
        return ref, quantity


class HintRule(Frozen):
    """Hints on the program come in three steps: where to look, which idea, nearly the answer. The first is always shown; each
    further one is opened by the pair. `opens` is how many a pair may open (none given: any number), `free` how many of them cost
    nothing, `cost` how many marks each further one takes off the program."""

    opens: int | None = Field(default=None, ge=0, le=1000)
    free: int = Field(default=0, ge=0, le=1000)
    cost: Decimal = Field(default=Decimal(0), ge=0, le=100)

    def marks(self, opened: int) -> Decimal:
        return self.cost * max(0, opened - self.free)


#: The step that marks are given in where an exercise names none.
MARK_STEP = Decimal("0.5")
MARK_STEPS = (Decimal("0.1"), Decimal("0.25"), MARK_STEP, Decimal(1))


class Criterion(Frozen):
    """One criterion of the mark scheme, worth `of` marks."""

    name: str = Field(pattern=r"^[a-z][a-z-]*$")
    title: str
    of: Decimal = Field(gt=0)


class Exercise(Frozen):
    """A whole exercise.

    `references` holds, by board, the instructor's own bench in bench notation: the boards that suit it. `readings` are
    the columns a program prints. `plot_low` and `plot_high` bound the stimulus axis, in the first step's unit.
    """

    id: str = Field(pattern=r"^[a-z0-9][a-z0-9-]*$")
    title: str
    summary: str
    board: str
    program: bool = True  # whether the pair writes one; without, the bench works by itself
    minutes: int = Field(gt=0, le=600)
    recipe: list[RecipePart] = Field(min_length=1)
    variants: list[Variant] = Field(default_factory=list)
    functions: list[Function] = Field(default_factory=list)
    resistor_jobs: list[ResistorJob] = Field(default_factory=list)
    steps: list[Step] = Field(min_length=1)
    readings: list[Reading] = Field(default_factory=list)
    conventions: Conventions = Conventions()
    drivers: list[Driver] = Field(default_factory=list)
    library_constants: dict[str, LibraryConstant] = Field(default_factory=dict)
    library_methods: dict[str, Purpose] = Field(default_factory=dict)  # by `Class.method`
    behaviour: list[Behaviour] = Field(default_factory=list)
    follows: list[Follow] = Field(default_factory=list)
    measure: list[Probe] = Field(default_factory=list)
    meter_walk: Literal["required", "offered", "none"] = "offered"  # measurements on the real bench before power
    criteria: list[Criterion] = Field(min_length=1)
    mark_step: Decimal = MARK_STEP  # what marks are multiples of
    hints: HintRule = HintRule()
    cautions: list[str] = Field(default_factory=list)
    references: dict[str, str] = Field(default_factory=dict)
    plot_low: float | None = None
    plot_high: float | None = None

    @field_validator("mark_step")
    @classmethod
    def is_a_usual_step(cls, step: Decimal) -> Decimal:
        if step not in MARK_STEPS:
            raise ValueError(f"marks go in steps of {', '.join(map(str, MARK_STEPS[:-1]))} or {MARK_STEPS[-1]}")
        return step

    @model_validator(mode="after")
    def fills_in_what_follows(self) -> "Exercise":
        """A variant where none is named, and the readings where the steps say what is measured."""
        board = catalogue().boards.get(self.board)
        if not self.variants:
            volts = board.rail_volts if board else 5.0
            usual = Variant(id="rail", title=f"{volts:g} V supply", supply_volts=volts, reference="rail")
            object.__setattr__(self, "variants", [usual])
        if not self.readings:
            seen = dict.fromkeys((v.ref, v.quantity) for step in self.steps for v in step.values())
            named = [Reading(ref=ref, quantity=quantity) for ref, quantity in seen]
            if self.conventions.unit:
                named[0] = named[0].model_copy(update={"print": self.conventions.unit})
            object.__setattr__(self, "readings", named)
        return self

    @property
    def reading_keys(self) -> list[tuple[str, str]]:
        """By reading its part and quantity; one of a quantity that another reading has already says its unit as well
        (`cm/inch`)."""
        keys: list[tuple[str, str]] = []
        for reading in self.readings:
            key = (reading.ref, reading.quantity)
            keys.append((reading.ref, f"{reading.quantity}/{reading.print}") if key in keys else key)
        return keys

    @property
    def boards(self) -> list[str]:
        """The boards that suit it, the usual one first."""
        return list(dict.fromkeys([self.board, *self.references]))

    def reference_wiring(self, board: str | None = None) -> str:
        """The instructor's own bench on a board (the usual one); empty where there is none."""
        return self.references.get(board or self.board, "")

    def baud(self, board: str | None = None) -> int:
        """Bits a second of the log: as the exercise says, else the board's usual rate."""
        return self.conventions.baud or catalogue().boards[board or self.board].usual_baud

    def states_of(self, ref: str) -> list[OutputState]:
        """Every state that the behaviour asks of an output."""
        return [side[ref] for s in self.behaviour for side in (s.then, s.otherwise) if ref in side]

    def part_of(self, ref: str) -> RecipePart | None:
        return next((part for part in self.recipe if part.ref == ref), None)

    def sensed(self, ref: str, quantity: str) -> Output | None:
        """What the recipe's part gives of a quantity; None where there is no such part, or it does not answer to that."""
        part = self.part_of(ref)
        return catalogue().parts[part.part].sensing(quantity) if part else None

    @property
    def plot_range(self) -> tuple[float, float]:
        """The ends of the stimulus axis: as the file says, else the plan with a margin."""
        first = self.steps[0]
        values = [v.value for step in self.steps if (v := step.value_of(first.ref, first.quantity))]
        margin = PLOT_MARGIN * (max(values) - min(values)) or 1.0
        low = self.plot_low if self.plot_low is not None else min(values) - margin
        return low, self.plot_high if self.plot_high is not None else max(values) + margin

    @property
    def total(self) -> Decimal:
        return sum((criterion.of for criterion in self.criteria), Decimal(0))
