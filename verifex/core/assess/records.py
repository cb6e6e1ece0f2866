"""What an assessment comes to, as typed records that are kept: each with its format, readable years later.

A record is written in today's format. One of an older format is upgraded when it is read (`upgrade.py`), never in place.
"""

from typing import Any, ClassVar, Literal

from pydantic import BaseModel, ConfigDict, Field

from verifex.core.findings import Finding, Severity, Where

FORMAT = 2  # of every record below


class Record(BaseModel):
    """Frozen; what a newer format has besides is passed over."""

    model_config = ConfigDict(frozen=True, extra="ignore")


class WhereRecord(Record):
    parts: tuple[str, ...] = ()
    places: tuple[str, ...] = ()
    nets: tuple[str, ...] = ()
    line: int | None = None
    column: int | None = None


class FindingRecord(Record):
    """A finding as it was worded. `value` and `limit` are in `unit`."""

    rule: str
    severity: Severity
    seen: str
    why: str
    remedy: str
    hint: str
    criterion: str
    where: WhereRecord = WhereRecord()
    value: float | None = None
    limit: float | None = None
    unit: str | None = None
    explains: tuple[str, ...] = ()
    moment_ms: float | None = None  # when it was seen in the run on the twin
    unchecked: bool = False  # what we could not check: no judgement of the hand-in

    @classmethod
    def of(cls, finding: Finding) -> "FindingRecord":
        return cls.model_validate(finding.as_json())

    def finding(self) -> Finding:
        """The core's own type again."""
        data = {name: getattr(self, name) for name in type(self).model_fields if name != "where"}
        return Finding(**data, where=Where(**self.where.model_dump()))


class StationRecord(Record):
    """What every station's record has. `overrun` names the limit the check came to ('time', 'memory', 'failed'); empty for none.

    `DETAILS` names the large fields that only a closer look needs, so that they can be kept apart.
    """

    DETAILS: ClassVar[frozenset[str]] = frozenset()

    format: Literal[2] = 2
    findings: tuple[FindingRecord, ...] = ()
    overrun: str = ""

    def of_severity(self, *severities: Severity) -> tuple[FindingRecord, ...]:
        return tuple(finding for finding in self.findings if finding.severity in severities)


class ChangeRecord(Record):
    kind: str
    what: str
    before: str
    after: str
    line: int | None = None


class StepDoneRecord(Record):
    """What a bench without a program does in a step of the plan, and what is asked of it, by output."""

    step: str
    asked: dict[str, str]
    seen: dict[str, str]
    agrees: bool


class WalkStepRecord(Record):
    """One measurement before power: what it should read in `unit`, from `low` to `high` (None for an end that is open), and how
    many single mistakes it shows that those before it do not."""

    name: str
    text: str
    unit: str
    low: float | None
    high: float | None
    should: str
    range: str
    catches: int

    def fits(self, value: float | None) -> bool | None:
        """Whether a measured value is what it should be; None where nothing was measured."""
        if value is None:
            return None
        return (self.low is None or value >= self.low) and (self.high is None or value <= self.high)


class WalkRecord(Record):
    """The meter walk of a bench: its measurements, and how many single mistakes they show, of all and of those that do harm."""

    steps: tuple[WalkStepRecord, ...]
    shown: int
    mistakes: int
    harm_shown: int
    harmful: int


class WiringRecord(StationRecord):
    """A wiring: what the map draws, nets with volts, resistors with their jobs, the comparison with the exercise's bench.

    `changes` is None for a first attempt. `bench`, `nets`, `resistors`, `comparison` and `handles` are the JSON of the
    core's own types.
    """

    DETAILS = frozenset({"bench", "nets", "changes", "resistors", "comparison", "handles", "walk"})

    kind: Literal["wiring"] = "wiring"
    board: str | None = None
    bench: dict[str, Any] | None = None
    nets: tuple[dict[str, Any], ...] = ()
    changes: tuple[ChangeRecord, ...] | None = None
    resistors: tuple[dict[str, Any], ...] = ()
    roles: dict[str, str] = Field(default_factory=dict)  # the bench's reference → the exercise's
    comparison: tuple[dict[str, Any], ...] = ()
    handles: tuple[dict[str, Any], ...] = ()
    walk: WalkRecord | None = None  # None while a Stop is open, and where the exercise wants none
    by_itself: tuple[StepDoneRecord, ...] = ()  # of a bench without a program, step by step


class CheckRecord(Record):
    """One thing to look at before a program runs; `needs` when it is known not to be right yet."""

    text: str
    needs: bool


class ProgramRecord(StationRecord):
    """A program: whether it compiles and can be run here, its run through the plan, and where that differs from what is asked.

    `not_run` says in words why there is no run, or why it is not held against the program.
    """

    DETAILS = frozenset({"trace", "behaviour", "flow", "checklist"})

    kind: Literal["program"] = "program"
    dialect: str = "cpp"
    compiles: bool = False
    #: Constants of libraries that the program works with, and whose value nobody has entered.
    unknown_constants: tuple[str, ...] = ()
    unknown_methods: tuple[str, ...] = ()
    runnable: bool = False
    not_run: str = ""
    checklist: tuple[CheckRecord, ...] = ()
    trace: dict[str, Any] | None = None
    behaviour: dict[str, Any] | None = None
    flow: tuple[dict[str, Any], ...] = ()
    #: Stops that appear on the bench only because of what this program drives.
    new_stops: tuple[FindingRecord, ...] = ()


class FiguresRecord(Record):
    """How one reading lies at a step; `said` is what was printed in words, or the id that was printed."""

    readings: int
    centre: float | None
    spread: float | None
    drift: float | None
    verdict: str
    values: tuple[float, ...] = ()
    lines: tuple[int, ...] = ()  # where the values stand in the log, from 1
    said: str = ""


class ReadingStepRecord(FiguresRecord):
    """One further reading of a step."""

    ref: str
    quantity: str
    name: str
    unit: str


class StepRecord(FiguresRecord):
    """A step of the log: the figures of the exercise's first reading, the verdict of all; `others` are the further ones.

    `first_verdict` is that of the first reading alone; empty in records from before others were judged.
    """

    name: str
    first_verdict: str = ""
    others: tuple[ReadingStepRecord, ...] = ()


class TieRecord(Record):
    """A fault that no log tells from the one it stands with."""

    fault: str
    title: str
    look_at: str


class ExplanationRecord(Record):
    """A fault that may explain the readings. `program_says` is what the program check says of that same fault, with its
    line where it has one; empty where it found none.

    `evidence` is what speaks for it, `against` what does not fit; `ties` are faults that print the same. `printed` is what
    it would print of each reading at each step (`{"step", "reading", "value"}`, value None for no number). `parts` and
    `places` are what it concerns on the bench.
    """

    fault: str
    title: str
    likelihood: str
    share: float
    look_at: str
    where: str = ""
    evidence: str = ""
    against: str = ""
    ties: tuple[TieRecord, ...] = ()
    printed: tuple[dict[str, Any], ...] = ()
    parts: tuple[str, ...] = ()
    places: tuple[str, ...] = ()
    program_says: str = ""
    program_line: int | None = None


class ActRecord(Record):
    """Something to do at the bench that tells faults apart. With a `unit` its result is a number on the meter's `range`, else the
    number of one of the `choices`. `shows` says what each fault would give, by its title. `result` is what came of it.
    """

    name: str
    kind: str
    text: str
    unit: str = ""
    choices: tuple[str, ...] = ()
    seconds: int = 0
    range: str = ""
    places: tuple[str, ...] = ()
    shows: tuple[tuple[str, str], ...] = ()
    result: float | None = None


class SharedRun(Record):
    """So many readings in a row are the same as in another pair's log."""

    other: str
    readings: int


class ColumnRecord(Record):
    """A column of a log: how a person would point at it, some of its values, for which reading (by its place in the exercise) it
    was taken and why."""

    key: int
    title: str
    values: tuple[float, ...]
    taken_for: int | None = None
    because: str = ""


class BeginRecord(Record):
    """The line on which a step of the log begins (None: not found); `name` is what it is kept under when a person moves it."""

    step: str
    name: str
    line: int | None
    is_moved: bool


class ReadingsRecord(StationRecord):
    """A log against the sheet of the pair's own bench; its findings are the second look, which no pair sees.

    `verdict` is 'in-limits', 'out', 'incomplete' or 'not-judged'. `intended` maps a step to its verdict on the exercise's
    own sheet, `follows_program` are steps that read just what the program prints. `acts` are what was done to tell the faults
    apart, then what tells most now. `runs` are the hashes that other
    logs are compared by, `read` how many readings there were.
    """

    DETAILS = frozenset({"runs", "drawn"})

    kind: Literal["readings"] = "readings"
    steps: tuple[StepRecord, ...] = ()
    verdict: str = "not-judged"
    diagnosis: tuple[ExplanationRecord, ...] = ()
    acts: tuple[ActRecord, ...] = ()
    columns: tuple[ColumnRecord, ...] = ()
    begins: tuple[BeginRecord, ...] = ()
    drawn: tuple[tuple[int, float], ...] = ()  # (line, value) of the first reading through the whole log, not every one
    notes: tuple[str, ...] = ()
    log_notes: tuple[str, ...] = ()  # of the log itself: what was left out of it, marks that belong to no step
    intended: dict[str, str] = Field(default_factory=dict)
    follows_program: tuple[str, ...] = ()
    shared: tuple[SharedRun, ...] = ()
    runs: tuple[int, ...] = ()
    read: int = 0


class PredictedRecord(Record):
    """A predicted value; `verdict` is likely, in-limits, out, or unjudged where there is no sheet."""

    step: str
    reading: str
    value: float
    verdict: str


class PredictionRecord(StationRecord):
    kind: Literal["prediction"] = "prediction"
    predictions: tuple[PredictedRecord, ...] = ()


class MeasurableRecord(Record):
    """Something to measure on this bench: its name, what stands beside the field, its unit, how, and what is plausible."""

    name: str
    label: str
    unit: str
    how: str = ""
    low: float
    high: float
    plan: float | None = None  # the plan's value of a step; a pair is not shown it
    beyond: str = ""  # why a value outside cannot be, in words
    offered: bool = True  # worth measuring; others are taken when they are given
    should: tuple[float, float, float] | None = None  # what a sound bench reads: low, expected, high


class SheetsRecord(StationRecord):
    """The expected sheets of a bench, as built and as intended, and what follows for the person at it."""

    kind: Literal["sheets"] = "sheets"
    board: str = ""
    language: str = "cpp"
    built: dict[str, Any] = Field(default_factory=dict)
    intended: dict[str, Any] = Field(default_factory=dict)
    measurables: tuple[MeasurableRecord, ...] = ()
    checklist: tuple[CheckRecord, ...] = ()


AnyRecord = WiringRecord | ProgramRecord | ReadingsRecord | PredictionRecord | SheetsRecord


class Assessment(Record):
    """All stations of a case; None where nothing is handed in."""

    sheets: SheetsRecord
    wiring: WiringRecord | None = None
    program: ProgramRecord | None = None
    readings: ReadingsRecord | None = None
    prediction: PredictionRecord | None = None
