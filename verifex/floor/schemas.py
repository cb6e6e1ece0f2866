"""What the Floor answers: the room, the Round, and the pairs of a session."""

from datetime import datetime

from verifex.api.fields import Counter
from verifex.api.shape import Shape
from verifex.dockets.schemas.parts import StationOut


class SessionOut(Shape):
    id: int
    section: str
    room: str
    starts_at: datetime
    ends_at: datetime
    zone: str
    paused: bool


class BenchCardOut(Shape):
    """One bench, at `row` and `column` of the room's grid (from 0) where it is drawn; a pair without a seat has no `bench`.

    `line` is its state in words; `asks` whether it waits for a person, `off` whether its power must be off, `clean` whether
    what it asks for can be passed without a look.
    """

    bench: int | None
    row: int | None
    column: int | None
    place: str  # what the room calls the bench, where it has a name
    exercise: str
    pair: str
    badge: str
    docket: int | None
    revision: int
    stations: list[StationOut]
    station: str
    state: str | None
    since: datetime | None
    asks: bool
    off: bool
    clean: bool
    line: str
    last_value: str
    findings: dict[str, int]
    claimed_by: str


class VisitOut(Shape):
    """One entry of the Round, with the reason to go there."""

    docket: int
    bench: int | None
    pair: str
    station: str
    since: datetime
    revision: int
    reason: str
    severity: str | None
    seen: str
    claimed_by: str
    mine: bool


class PairOut(Shape):
    """A pair of a session, to find it by a name; without a kit it has no `docket`, without a seat no `bench`."""

    pair: str
    members: list[str]
    bench: int | None
    docket: int | None


class FloorOut(Shape):
    session: SessionOut
    columns: int
    title: str
    exercises: int
    benches: list[BenchCardOut]
    round: list[VisitOut]
    hatch: list[str]


class CleanOut(Shape):
    """What was passed: the pairs, and those that had changed meanwhile."""

    passed: list[str]
    changed: list[str]


class CleanIn(Shape):
    """Dockets to pass, each with the revision that was looked at."""

    dockets: dict[int, Counter]
