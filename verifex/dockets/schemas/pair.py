"""A docket as its own pair sees it: hints instead of findings."""

from datetime import datetime

from verifex.api.bench import BenchOut
from verifex.api.errors import ProblemOut
from verifex.api.exercise import PairReadingOut, RecipeOut
from verifex.api.findings import HintOut, SteppedHintOut
from verifex.api.shape import Shape
from verifex.api.sheet import SheetOut
from verifex.dockets.schemas.acts import DecisionOut
from verifex.dockets.schemas.parts import (
    ChangeOut,
    MeasurableOut,
    MeasurementOut,
    StationOut,
    StepVerdictOut,
    SubstitutionOut,
)
from verifex.dockets.schemas.program import CheckOut


class PairAttemptOut(Shape):
    """A hand-in as its own pair sees it: the text and hints; none until it is `judged`."""

    number: int
    text: str
    by: str
    at: datetime
    cut: bool  # only the beginning of the text is here
    judged: bool
    hints: list[HintOut]
    to_come: list[str] = []  # what is not there yet, while parts are missing


class PairWiringOut(PairAttemptOut):
    bench: BenchOut | None = None
    changes: list[ChangeOut] | None = None


class PairProgramOut(PairAttemptOut):
    """`hints_left` is how many steps may still be opened (null: any number), `hint_cost` what the next one takes off the marks."""

    stepped: list[SteppedHintOut] = []
    hints_left: int | None = None
    hint_cost: str = "0"


class PairReadingsOut(PairAttemptOut):
    notes: list[str] = []  # what of the log could not be used


class PairPredictedOut(Shape):
    """A predicted value; its verdict comes after the readings are handed in."""

    step: str
    reading: str
    value: float
    verdict: str | None


class PairPredictionOut(Shape):
    number: int
    text: str
    by: str
    at: datetime
    predictions: list[PairPredictedOut]


class PairExerciseOut(Shape):
    """What a pair is shown of its exercise: no sheet, no reference, no windows."""

    title: str
    summary: str
    version: int
    board: str
    minutes: int
    recipe: list[RecipeOut]
    variants: list[str]
    steps: list[dict[str, str]]
    readings: list[PairReadingOut]
    own_threshold: bool  # the threshold comes from two readings of the pair's own bench
    behaviour: list[str]
    criteria: list[dict[str, str]]
    cautions: list[str]
    baud: int
    language: str  # cpp or python, as the board on the bench takes it


class MarkLineOut(Shape):
    title: str
    of: str
    counts: str
    evidence: list[str]
    reason: str


class MyDocketOut(Shape):
    """A docket as its own pair sees it. `sheet` has the steps that the pair has read and handed in, and no other."""

    id: int
    bench: int | None
    pair: str
    members: list[str]
    exercise: PairExerciseOut
    kit: str
    substitutions: list[SubstitutionOut]
    stations: list[StationOut]
    current: str
    wiring: PairWiringOut | None
    program: PairProgramOut | None
    checklist: list[CheckOut]  # before the program runs
    readings: PairReadingsOut | None
    prediction: PairPredictionOut | None
    steps: list[StepVerdictOut]
    sheet: SheetOut | None
    judging: bool
    judging_failed: bool  # given up after several tries: staff can have it judged again
    cleared: bool
    voided: str
    passed_over_stop: list[str]  # stations an instructor passed although a Stop stands
    messages: list[DecisionOut]
    measurements: list[MeasurementOut]
    measurables: list[MeasurableOut]


class DocketLineOut(Shape):
    """One of a pair's dockets, to choose it by."""

    id: int
    title: str
    opened_at: datetime


class PairCheckOut(Shape):
    problems: list[ProblemOut]
    hints: list[HintOut]
    to_come: list[str] = []
    bench: BenchOut
