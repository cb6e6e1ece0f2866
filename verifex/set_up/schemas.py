"""Shapes of setting up a course in the API."""

from datetime import date, datetime, time
from typing import Annotated

from pydantic import Field

from verifex.api.shape import Shape

Name = Annotated[str, Field(max_length=200)]
Number = Annotated[int, Field(ge=0, le=2**63 - 1)]
Small = Annotated[int, Field(ge=0, le=10_000)]
Data = Annotated[str, Field(max_length=1_500_000)]  # base64 of a file of 1 MB


class SetUpStepOut(Shape):
    """`said` is where the step stands, `next` the act that comes next."""

    name: str
    done: bool
    said: str
    next: str


class StaffOut(Shape):
    user: int
    name: str
    log_in: str
    role: str


class SetUpSectionOut(Shape):
    id: int
    name: str
    mine: bool  # whether the reader instructs it
    students: int
    pairs: int
    staff: list[StaffOut]


class PlaceInRoomOut(Shape):
    """Where it stands in the grid; rows and columns count from 0."""

    number: int
    row: int
    column: int
    name: str


class RoomOut(Shape):
    id: int
    name: str
    columns: int
    archived: bool
    benches: list[PlaceInRoomOut]


class SetUpExerciseOut(Shape):
    """An exercise of the course: `version` is the newest, `released` whether one can be handed out."""

    id: int
    slug: str
    title: str
    summary: str
    version: int
    released: bool
    kits: int
    ready_kits: int
    prefix: str


class CourseRowOut(Shape):
    id: int
    title: str
    closed: bool


class CourseOut(Shape):
    id: int
    title: str
    zone: str
    starts_on: date | None
    ends_on: date | None
    holidays: list[date]
    closed: bool
    steps: list[SetUpStepOut]
    sections: list[SetUpSectionOut]
    rooms: list[RoomOut]
    exercises: list[SetUpExerciseOut]
    last_backup: datetime | None
    backup_is_old: bool


class CourseIn(Shape):
    title: Name
    zone: Name
    starts_on: date | None = None
    ends_on: date | None = None
    holidays: Annotated[list[date], Field(max_length=400)] = []


class NewCourseIn(Shape):
    title: Name
    zone: Name
    sections: Annotated[list[Name], Field(max_length=40)] = []


class ClosedIn(Shape):
    closed: bool


class NameIn(Shape):
    name: Name


class StaffIn(Shape):
    """`who` is a log-in that is there, or first and last name of somebody new."""

    who: Name
    role: Name


class RoleIn(Shape):
    role: Name | None = None


class UserIn(Shape):
    user: Number


class NewLogInOut(Shape):
    """A log-in with its first password, shown this once; empty where somebody has their own."""

    name: str
    log_in: str
    password: str


class SavedOut(Shape):
    message: str


class MadeOut(Shape):
    id: int
    message: str


class ListedOut(Shape):
    user: int
    name: str
    number: str
    group: str
    log_in: str
    has_logged_in: bool
    pair: int | None


class SetUpPairOut(Shape):
    id: int
    name: str
    badge: str
    members: list[int]


class PeopleOut(Shape):
    """A section's class list and its pairs."""

    students: list[ListedOut]
    pairs: list[SetUpPairOut]


class ListFileIn(Shape):
    """A file as base64."""

    data: Data


class ListReadOut(Shape):
    """The first rows of a class list and what its columns seem to be."""

    rows: list[list[str]]
    count: int
    first_row: int
    meanings: dict[str, int]


class ListIn(Shape):
    data: Data
    first_row: Small
    meanings: dict[str, Small]


class ImportIn(ListIn):
    """`seen` is the digest of the preview; `take` rows of doubtful ones done all the same; `take_off` users who leave."""

    seen: Name
    take: Annotated[list[Number], Field(max_length=5000)] = []
    take_off: Annotated[list[Number], Field(max_length=5000)] = []


class ListChangeOut(Shape):
    """`kind` is added, changed, same, doubtful, wrong or missing; `row` is the file's, `user` who is meant."""

    kind: str
    row: int | None
    name: str
    number: str
    section: str
    user: int | None
    why: str
    what: list[str]


class PreviewOut(Shape):
    changes: list[ListChangeOut]
    new_sections: list[str]
    digest: str


class ImportedOut(Shape):
    added: int
    changed: int
    taken_off: int


class ListedIn(Shape):
    name: Name
    number: Annotated[str, Field(max_length=40)] = ""


class WayIn(Shape):
    way: Annotated[str, Field(pattern="^(list|random|alike|mixed)$")]
    seed: Small = 1


class NamedUserOut(Shape):
    user: int
    name: str


class GroupsOut(Shape):
    groups: list[list[NamedUserOut]]


class GroupsIn(Shape):
    groups: Annotated[list[Annotated[list[Number], Field(max_length=3)]], Field(max_length=500)]


class MembersIn(Shape):
    members: Annotated[list[Number], Field(max_length=3)]


class NewRoomIn(Shape):
    name: Name
    rows: Small
    columns: Small


class BenchIn(Shape):
    number: Small
    row: Small
    column: Small
    name: Annotated[str, Field(max_length=20)] = ""


class RoomIn(Shape):
    name: Name
    columns: Small
    benches: Annotated[list[BenchIn], Field(max_length=400)]


class KitsIn(Shape):
    prefix: Name
    count: Small


class ShippedOut(Shape):
    """An exercise that ships with the application, to begin with."""

    slug: str
    title: str
    summary: str
    minutes: int
    parts: list[str]
    taken: bool


class SampleIn(Shape):
    slug: Name


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
