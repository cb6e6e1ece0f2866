"""Shapes of a program handed in: findings, the run on the twin, the flow chart."""

from datetime import datetime

from verifex.api.findings import FindingOut
from verifex.api.shape import Shape


class LineOut(Shape):
    ms: float
    text: str


class BehaviourOutcomeOut(Shape):
    name: str
    kind: str
    start_ms: float
    end_ms: float
    stimulus: float
    text: str = ""  # the id of the tag in a step with a reader
    asked: dict[str, str]
    seen: dict[str, str]
    printed: float | None
    limits: list[float] | None
    switched_at: dict[str, float]
    agrees: bool


class BehaviourOut(Shape):
    outcomes: list[BehaviourOutcomeOut]
    first_divergence_ms: float | None
    reading: list[list[float]] = []  # (ms, value) of the column that is the reading


class IndicatorOut(Shape):
    ms: float
    ref: str
    on: bool


class LookOut(Shape):
    """What an output shows from a time on: on, off, a colour, a pitch, a brightness."""

    ms: float
    ref: str
    text: str


class SampleOut(Shape):
    ms: float
    pin: str
    stimulus: float
    count: int


class StimulusOut(Shape):
    """What was done around the bench: a line through corners (ms, value), or ids held to a reader."""

    ref: str
    quantity: str
    unit: str
    points: list[list[float]]
    texts: list[LineOut]


class PictureOut(Shape):
    """What a display shows from a time on."""

    ms: float
    name: str
    rows: list[str]


class TraceOut(Shape):
    """A run on the twin: what was given, printed lines, lights and sounders, displays, samples of the converter."""

    stimulus: list[StimulusOut] = []
    displays: list[PictureOut] = []
    lines: list[LineOut]
    indicators: list[IndicatorOut]
    looks: list[LookOut] = []
    samples: list[SampleOut]
    ended: str
    ended_ms: float


class LineValueOut(Shape):
    name: str
    before: str
    after: str


class LineRowOut(Shape):
    """One time that a line was come to in the run: when (ms), in which step of the plan, and its variables."""

    ms: float
    step: str
    values: list[LineValueOut]


class LineInRunOut(Shape):
    """A line of the program through the run on its bench; `times` is how often it was come to, `rows` those around the moment."""

    line: int
    text: str
    times: int
    names: list[str]
    rows: list[LineRowOut]


class CheckOut(Shape):
    """One thing to look at before the program runs; `needs` when it is known not to be right yet."""

    text: str
    needs: bool


class ConstantOut(Shape):
    """A constant or a method (`Class.method`) of a library; `stands_for` is empty while nobody has said it, `purposes` what a
    method may be for."""

    name: str
    stands_for: str
    purposes: list[str] = []


class ProgramOut(Shape):
    """A program for staff; until it is `judged` there is nothing that follows from it."""

    number: int
    text: str
    by: str
    at: datetime
    cut: bool
    judged: bool
    rules_version: str
    findings: list[FindingOut]
    compiles: bool = False
    runnable: bool = False
    not_run: str = ""
    dialect: str = "cpp"
    constants: list[ConstantOut] = []
    checklist: list[CheckOut] = []
    trace: TraceOut | None = None
    behaviour: BehaviourOut | None = None


class FlowBoxOut(Shape):
    """One box of a flow chart: middle top (x, y), size, text, and the lines of the program it stands for."""

    kind: str
    x: float
    y: float
    width: float
    height: float
    text: list[str]
    first_line: int
    last_line: int


class FlowWayOut(Shape):
    points: list[list[float]]
    label: str
    arrow: bool


class FlowOut(Shape):
    """The flow chart of one function, placed."""

    name: str
    width: float
    height: float
    boxes: list[FlowBoxOut]
    ways: list[FlowWayOut]
