"""Shapes of dockets on the wire: for staff, and the narrower ones for a pair."""

from datetime import datetime
from typing import Annotated, Any

from ninja import Schema
from pydantic import Field

from verifex.dockets.models import Act
from verifex.dockets.schemas_program import CheckOut, ProgramOut
from verifex.exercises.schemas import BenchOut, ExerciseOut, FindingOut, HintOut, NetOut, RecipeOut, SheetOut


class StationOut(Schema):
    station: str
    state: str | None
    since: datetime | None


class MemberOut(Schema):
    id: int
    name: str


class SubstitutionOut(Schema):
    ref: str
    ohms: float
    reason: str


class KitOut(Schema):
    tag: str
    issued_at: datetime
    returned: bool
    leg_orders: dict[str, str]
    substitutions: list[SubstitutionOut]


class ChangeOut(Schema):
    """One difference to the attempt before: added, removed, moved or changed."""

    kind: str
    what: str
    before: str
    after: str
    line: int | None


class AttemptOut(Schema):
    """A hand-in for staff. Until it is `judged` there are no findings yet, and nothing else that follows from it."""

    number: int
    text: str
    by: str
    at: datetime
    cut: bool  # only the beginning of the text is here
    judged: bool
    rules_version: str
    findings: list[FindingOut]


class WiringOut(AttemptOut):
    """`changes` is None for a first attempt, `bench` while it is being judged or could not be."""

    bench: BenchOut | None = None
    nets: list[NetOut] = []
    changes: list[ChangeOut] | None = None


class StepVerdictOut(Schema):
    name: str
    readings: int
    centre: float | None
    spread: float | None
    drift: float | None
    verdict: str
    values: list[float]


class ExplanationOut(Schema):
    fault: str
    title: str
    likelihood: str
    share: float
    look_at: str
    program_says: str = ""  # what the program check says of that same fault
    program_line: int | None = None


class ReadingsAttemptOut(Schema):
    """One attempt at the readings with its verdict, empty while it is judged."""

    number: int
    at: datetime
    verdict: str


class SharedWithOut(Schema):
    """Another bench whose log shares so many readings in a row; `first` says that it was handed in earlier."""

    docket: int
    bench: int | None
    pair: str
    readings: int
    first: bool


class ReadingsOut(AttemptOut):
    steps: list[StepVerdictOut] = []
    verdict: str = ""
    diagnosis: list[ExplanationOut] = []
    notes: list[str] = []
    intended: dict[str, str] = {}
    attempts: list[ReadingsAttemptOut] = []
    shared: list[SharedWithOut] = []


class ClearanceOut(Schema):
    wiring_attempt: int
    kit: str
    by: str
    at: datetime
    overruled: list[str]
    reason: str


class DecisionOut(Schema):
    """A decision: its act of the table of transitions, and whether it passed over a Stop."""

    station: str
    act: Act
    overruled: bool
    reason: str
    by: str
    at: datetime
    undone: bool = False


class ActOut(Schema):
    """An act that this person could begin now."""

    act: str
    station: str
    needs_reason: bool


class HistoryOut(Schema):
    """One entry of the event log."""

    at: datetime
    by: str
    what: str


class MeasurementOut(Schema):
    name: str
    value: float
    unit: str
    instrument: str
    at: datetime


class MeasurableOut(Schema):
    """Something worth measuring on this bench, and how it is done."""

    name: str
    label: str
    unit: str
    how: str


class PredictedOut(Schema):
    step: str
    reading: str
    value: float
    verdict: str


class PredictionOut(Schema):
    """What the pair predicted before it measured, judged by its own sheet."""

    number: int
    by: str
    at: datetime
    predictions: list[PredictedOut]


class DocketOut(Schema):
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


class SheetsOut(Schema):
    built: SheetOut
    intended: SheetOut


class PairAttemptOut(Schema):
    """A hand-in as its own pair sees it: the text and hints; none until it is `judged`."""

    number: int
    text: str
    by: str
    at: datetime
    cut: bool  # only the beginning of the text is here
    judged: bool
    hints: list[HintOut]


class PairWiringOut(PairAttemptOut):
    bench: BenchOut | None = None
    changes: list[ChangeOut] | None = None


class PairReadingsOut(PairAttemptOut):
    notes: list[str] = []  # what of the log could not be used


class PairReadingOut(Schema):
    """A column the pair's program prints."""

    key: str
    name: str
    unit: str
    says: str
    decimals: int


class PairPredictedOut(Schema):
    """A predicted value; its verdict comes after the readings are handed in."""

    step: str
    reading: str
    value: float
    verdict: str | None


class PairPredictionOut(Schema):
    number: int
    text: str
    by: str
    at: datetime
    predictions: list[PairPredictedOut]


class PairExerciseOut(Schema):
    """What a pair is told of its exercise: no sheet, no reference, no windows."""

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


class MarkLineOut(Schema):
    title: str
    of: str
    counts: str
    evidence: list[str]
    reason: str


class MyDocketOut(Schema):
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
    program: PairAttemptOut | None
    checklist: list[CheckOut]  # before the program runs
    readings: PairReadingsOut | None
    prediction: PairPredictionOut | None
    steps: list[StepVerdictOut]
    sheet: SheetOut | None
    judging: bool
    cleared: bool
    voided: str
    passed_over_stop: list[str]  # stations an instructor passed although a Stop stands
    messages: list[DecisionOut]
    measurements: list[MeasurementOut]
    measurables: list[MeasurableOut]


class DocketLineOut(Schema):
    """One of a pair's dockets, to choose it by."""

    id: int
    title: str
    opened_at: datetime


Short = Annotated[str, Field(max_length=200)]
Reason = Annotated[str, Field(max_length=2000)]
Counter = Annotated[int, Field(ge=0, le=2**31)]


class HandInIn(Schema):
    """`token` makes a hand-in sent twice be stored once; `based_on_attempt` is the last attempt seen (0: none)."""

    kind: Short
    text: str
    token: Short
    based_on_attempt: Counter


class StationIn(Schema):
    station: Short
    based_on: Counter | None = None
    reason: Reason = ""


class PassIn(StationIn):
    """`overrule_reason` is needed where a Stop is open."""

    overrule_reason: Reason = ""


class ClearIn(Schema):
    based_on: Counter | None = None
    wiring_attempt: Counter
    compared: bool
    overrule_reason: Reason = ""


class MeasureIn(Schema):
    name: Short
    value: Annotated[float, Field(allow_inf_nan=False)]
    instrument: Short = ""


class UndoIn(Schema):
    based_on: Counter | None = None


class ClaimIn(Schema):
    release: bool = False


class TextIn(Schema):
    text: str


class WiringCheckOut(Schema):
    """A live check, not stored. `problems` are lines that are no statement."""

    problems: list[dict[str, Any]]
    findings: list[FindingOut]
    bench: BenchOut
    nets: list[NetOut]


class PairCheckOut(Schema):
    problems: list[dict[str, Any]]
    hints: list[HintOut]
    bench: BenchOut


class DoneOut(Schema):
    revision: int
