"""A docket as staff see it."""

from datetime import datetime

from verifex.api.bench import BenchOut, NetOut
from verifex.api.errors import ProblemOut
from verifex.api.exercise import ExerciseOut
from verifex.api.findings import FindingOut
from verifex.api.shape import Shape
from verifex.api.sheet import SheetOut
from verifex.dockets.schemas.acts import ActOut, DecisionOut
from verifex.dockets.schemas.parts import (
    ChangeOut,
    ClearanceOut,
    KitOut,
    MeasurableOut,
    MeasurementOut,
    MemberOut,
    StationOut,
    StepVerdictOut,
)
from verifex.dockets.schemas.program import ProgramOut


class AttemptOut(Shape):
    """A hand-in for staff. Until it is `judged` there are no findings yet, and nothing else that follows from it."""

    number: int
    text: str
    by: str
    at: datetime
    cut: bool  # only the beginning of the text is here
    judged: bool
    rules_version: str
    findings: list[FindingOut]


class StepDoneOut(Shape):
    """What a bench without a program does in a step, and what is asked of it, by output."""

    step: str
    asked: dict[str, str]
    seen: dict[str, str]
    agrees: bool


class WalkStepOut(Shape):
    """One measurement before power: `fits` is None until it is measured."""

    name: str
    text: str
    unit: str
    should: str
    range: str
    catches: int
    fits: bool | None


class WalkOut(Shape):
    """The meter walk, and how many single mistakes it shows: of all, and of those that do harm."""

    steps: list[WalkStepOut]
    required: bool
    shown: int
    mistakes: int
    harm_shown: int
    harmful: int


class WiringOut(AttemptOut):
    """`changes` is None for a first attempt, `bench` while it is being judged or could not be. `by_itself` is what a bench
    without a program does through the plan."""

    bench: BenchOut | None = None
    nets: list[NetOut] = []
    changes: list[ChangeOut] | None = None
    by_itself: list[StepDoneOut] = []
    walk: WalkOut | None = None


class TieOut(Shape):
    fault: str
    title: str
    look_at: str


class WouldPrintOut(Shape):
    """What a fault prints of one reading at a step; `value` is None where no number comes."""

    step: str
    reading: int
    name: str
    value: float | None
    wanders: bool


class ExplanationOut(Shape):
    """A fault that may explain the readings, with what speaks for and against it."""

    fault: str
    title: str
    likelihood: str
    share: float
    look_at: str
    where: str = ""
    evidence: str = ""
    against: str = ""
    ties: list[TieOut] = []
    printed: list[WouldPrintOut] = []
    parts: list[str] = []
    places: list[str] = []
    program_says: str = ""  # what the program check says of that same fault
    program_line: int | None = None


class ShowsOut(Shape):
    """What one fault would give where an act is done."""

    title: str
    says: str


class BenchActOut(Shape):
    """Something to do at the bench that tells faults apart; its result is entered under `name`."""

    name: str
    kind: str
    text: str
    unit: str
    choices: list[str]
    seconds: int
    range: str
    places: list[str]
    shows: list[ShowsOut]
    result: float | None


class ReadingsAttemptOut(Shape):
    """One attempt at the readings with its verdict, empty while it is judged."""

    number: int
    at: datetime
    verdict: str


class SharedWithOut(Shape):
    """Another bench whose log shares so many readings in a row; `first` says that it was handed in earlier."""

    docket: int
    bench: int | None
    pair: str
    readings: int
    first: bool


class LogColumnOut(Shape):
    """A column of the log; `taken_for` is the place of the reading it was taken for."""

    key: int
    title: str
    values: list[float]
    taken_for: int | None
    because: str


class StepBeginOut(Shape):
    """The line on which a step of the log begins (null: not found); `name` is what it is kept under when it is moved."""

    step: str
    name: str
    line: int | None
    is_moved: bool


class LogPointOut(Shape):
    """A reading on its line of the log."""

    line: int
    value: float


class ReadingsOut(AttemptOut):
    steps: list[StepVerdictOut] = []
    verdict: str = ""
    diagnosis: list[ExplanationOut] = []
    acts: list[BenchActOut] = []
    columns: list[LogColumnOut] = []
    begins: list[StepBeginOut] = []
    drawn: list[LogPointOut] = []
    notes: list[str] = []
    intended: dict[str, str] = {}
    attempts: list[ReadingsAttemptOut] = []
    shared: list[SharedWithOut] = []


class PredictedOut(Shape):
    step: str
    reading: str
    value: float
    verdict: str


class PredictionOut(Shape):
    """What the pair predicted before it measured, judged by its own sheet."""

    number: int
    by: str
    at: datetime
    predictions: list[PredictedOut]


class DocketOut(Shape):
    """A docket as staff see it."""

    id: int
    revision: int
    bench: int | None
    pair: str
    members: list[MemberOut]
    session: int
    exercise: ExerciseOut
    scheme: int
    kit: KitOut | None
    stations: list[StationOut]
    current: str
    judging: bool
    judging_failed: bool  # given up after several tries: staff can have it judged again
    claimed_by: str
    may_overrule: bool
    acts: list[ActOut]
    undo: DecisionOut | None
    wiring: WiringOut | None
    program: ProgramOut | None
    readings: ReadingsOut | None
    clearance: ClearanceOut | None
    voided: str
    measurements: list[MeasurementOut]
    measurables: list[MeasurableOut]
    prediction: PredictionOut | None
    decisions: list[DecisionOut]


class SheetsOut(Shape):
    built: SheetOut
    intended: SheetOut


class WiringCheckOut(Shape):
    """A live check, not stored. `problems` are lines that are no statement."""

    problems: list[ProblemOut]
    findings: list[FindingOut]
    bench: BenchOut
    nets: list[NetOut]
