"""Parts of a docket that staff and pair see alike."""

from datetime import datetime

from verifex.api.shape import Shape


class StationOut(Shape):
    station: str
    state: str | None
    since: datetime | None


class MemberOut(Shape):
    id: int
    name: str


class SubstitutionOut(Shape):
    ref: str
    ohms: float
    reason: str


class KitOut(Shape):
    """What was handed out: `modules` are their tags by the exercise's reference (`board`: the board's), `calibrations` what is known of
    them, in words."""

    tag: str
    issued_at: datetime
    returned: bool
    leg_orders: dict[str, str]
    modules: dict[str, str]
    calibrations: dict[str, list[str]]
    substitutions: list[SubstitutionOut]


class ChangeOut(Shape):
    """One difference to the attempt before: added, removed, moved or changed."""

    kind: str
    what: str
    before: str
    after: str
    line: int | None


class FiguresOut(Shape):
    """How one reading lies at a step; `said` is what was printed in words, or the id that was printed."""

    readings: int
    centre: float | None
    spread: float | None
    drift: float | None
    verdict: str
    said: str


class ReadingVerdictOut(FiguresOut):
    """A further reading at a step."""

    ref: str
    quantity: str
    name: str
    unit: str


class StepVerdictOut(FiguresOut):
    """A step of a log: the figures of the exercise's first reading, and the verdict of all of them together."""

    name: str
    values: list[float]
    lines: list[int] = []
    first_verdict: str
    others: list[ReadingVerdictOut]


class ClearanceOut(Shape):
    wiring_attempt: int
    kit: str
    by: str
    at: datetime
    overruled: list[str]
    reason: str


class MeasurementOut(Shape):
    name: str
    value: float
    unit: str
    instrument: str
    at: datetime


class MeasurableOut(Shape):
    """Something worth measuring on this bench, and how it is done."""

    name: str
    label: str
    unit: str
    how: str
    agrees: bool | None = None  # whether what was measured is what the bench should read
    said: str = ""
