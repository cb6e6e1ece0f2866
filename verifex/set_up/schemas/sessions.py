"""Shapes of sessions: when, where, who sits where and does what."""

from datetime import date, datetime, time
from typing import Annotated

from pydantic import Field

from verifex.api.shape import Shape
from verifex.set_up.schemas.common import NamedUserOut, Number
from verifex.set_up.schemas.rooms import RoomOut


class PlanIn(Shape):
    """Sessions of a section: on `first`, or every week to `until`; times are the course's own."""

    room: Number
    first: date
    begins: time
    ends: time
    until: date | None = None
    exercises: Annotated[list[Number], Field(max_length=40)] = []


class SessionIn(Shape):
    room: Number
    day: date
    begins: time
    ends: time
    exercises: Annotated[list[Number], Field(max_length=40)] = []
    late_minutes: Annotated[int, Field(ge=0, le=100_000)] | None = None
    staff: Annotated[list[Number], Field(max_length=60)] = []


class PlannedOut(Shape):
    id: int
    title: str


class SessionRowOut(Shape):
    """`state` is to come, running, paused or over; day and times are the course's own."""

    id: int
    section: int
    section_name: str
    room: int
    room_name: str
    day: date
    begins: time
    ends: time
    state: str
    code: str
    late_minutes: int | None
    exercises: list[PlannedOut]
    staff: list[int]
    kits_out: int


class PlaceOut(Shape):
    """A pair in a session: its bench and its exercise, as far as they are set; `absent` are members by user."""

    pair: int
    name: str
    badge: str
    bench: int | None
    exercise: int | None
    docket: int | None
    members: list[NamedUserOut]
    absent: list[int]
    guests: list[NamedUserOut]  # who works with the pair in this session only


class SessionPlanOut(Shape):
    session: SessionRowOut
    room: RoomOut
    places: list[PlaceOut]
    kits: dict[int, int]  # by exercise how many are ready


class SeatsIn(Shape):
    benches: dict[Number, Annotated[int, Field(ge=1, le=999)] | None]


class AssignIn(Shape):
    exercises: dict[Number, Number | None]


class AbsentIn(Shape):
    user: Number
    absent: bool


class JoinIn(Shape):
    """A student who works with another pair for this session."""

    user: Number
    pair: Number


class SessionPapersIn(Shape):
    """`slips`: with log-in slips and new first passwords for who never logged in; the file can then be fetched once."""

    slips: bool = False


class ControlIn(Shape):
    act: Annotated[str, Field(pattern="^(start|pause|resume|end)$")]


class JoinOut(Shape):
    """What a code on the wall leads to; `qr` is a picture of the address as SVG."""

    section: str
    room: str
    starts_at: datetime
    ends_at: datetime
    zone: str
