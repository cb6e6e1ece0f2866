"""What stands in the files of a course: each is YAML, held against one of these. Times are UTC, dates ISO."""

from datetime import date, datetime
from decimal import Decimal
from typing import Any
from zoneinfo import available_timezones

from pydantic import BaseModel, ConfigDict, Field, field_serializer, field_validator, model_validator

from verifex.core.exercise import MARK_STEP, Criterion

FORMAT = 1
MOST_NUMBER = 2**31 - 1
FIRST_YEAR, LAST_YEAR = 2000, 2100
MOST_SECTIONS, MOST_ROWS = 200, 5000
MOST_MARKS = Decimal(99999)


class Part(BaseModel):
    """Nothing is taken that is not named here: a mistyped field is reported. Numbers are finite and fit the database, times lie
    in years that a course can have."""

    model_config = ConfigDict(extra="forbid", allow_inf_nan=False)

    @field_validator("*")
    @classmethod
    def fits(cls, value: Any) -> Any:
        if isinstance(value, int) and not isinstance(value, bool) and abs(value) > MOST_NUMBER:
            raise ValueError(f"a number up to {MOST_NUMBER} was expected")
        if isinstance(value, datetime) and value.tzinfo is None:
            raise ValueError("a time with its zone was expected, such as 2031-03-03T09:00:00Z")
        if isinstance(value, date) and not FIRST_YEAR <= value.year <= LAST_YEAR:
            raise ValueError(f"a date from {FIRST_YEAR} to {LAST_YEAR} was expected")
        return value


class StaffPart(Part):
    log_in: str = Field(max_length=150)
    first: str = Field(max_length=150)
    last: str = Field("", max_length=150)
    role: str = Field(pattern="^(instructor|assistant)$")


class StudentPart(Part):
    log_in: str = Field(max_length=150)
    first: str = Field(max_length=150)
    last: str = Field("", max_length=150)
    number: str = Field("", max_length=40)
    group: str = Field("", max_length=40)
    since: datetime
    until: datetime | None = None


class MemberPart(Part):
    """Named as well: who left the class list before it was kept is on none."""

    log_in: str = Field(max_length=150)
    first: str = Field("", max_length=150)
    last: str = Field("", max_length=150)
    since: datetime
    until: datetime | None = None


class PairPart(Part):
    badge: str = Field(max_length=40)
    name: str = Field(max_length=80)
    archived_at: datetime | None = None
    members: list[MemberPart] = []


class SectionPart(Part):
    """`staff`, `students` and `pairs` are empty in a file without people."""

    name: str = Field(max_length=60)
    staff: list[StaffPart] = []
    students: list[StudentPart] = []
    pairs: list[PairPart] = []


class BenchPart(Part):
    number: int = Field(ge=1, le=999)
    row: int = Field(ge=0, lt=20)
    column: int = Field(ge=0, lt=20)
    name: str = Field("", max_length=20)


class RoomPart(Part):
    name: str = Field(max_length=60)
    columns: int = Field(ge=1, le=20)
    archived_at: datetime | None = None
    benches: list[BenchPart] = []


class SchemePart(Part):
    number: int = Field(ge=1)
    criteria: list[Criterion] = Field(min_length=1)
    step: Decimal = MARK_STEP


class VersionPart(Part):
    """The exercise file itself stands beside, in `exercises/SLUG/NUMBER.yaml`, its program in `NUMBER.program`."""

    number: int = Field(ge=1)
    released_at: datetime | None = None
    schemes: list[SchemePart]


class ExercisePart(Part):
    slug: str = Field(pattern=r"^[a-z0-9][a-z0-9-]*$", max_length=50)
    title: str = Field(max_length=120)
    constants: dict[str, float | str] = {}
    versions: list[VersionPart]


class KitPartPart(Part):
    ref: str = Field(max_length=8)
    part: str = Field(max_length=40)
    title: str = Field(max_length=80)
    settings: dict[str, str] = {}
    present: bool = True
    module: str = Field("", max_length=20)  # its tag


class KitPartFile(Part):
    tag: str = Field(max_length=20)
    exercise: str
    in_repair: bool = False
    repair_note: str = Field("", max_length=200)
    leg_orders: dict[str, str] = {}
    settings: dict[str, dict[str, str]] = {}
    parts: list[KitPartPart]


class ResistorPart(Part):
    ohms: float = Field(gt=0)
    tolerance_percent: float = 5.0
    rated_watts: float = Field(0.25, gt=0)
    count: int = Field(ge=0)
    drawer: str = Field("", max_length=40)


class DrawerPart(Part):
    """A counted thing. `resistors` of older files are the same for resistors only."""

    part: str = Field("", max_length=40)
    title: str = Field(max_length=80)
    ohms: float = Field(0.0, ge=0)
    colour: str = Field("", max_length=20)
    tolerance_percent: float = 5.0
    rated_watts: float = Field(0.25, gt=0)
    count: int = Field(ge=0)
    least: int = Field(0, ge=0)
    drawer: str = Field("", max_length=40)
    supplier: str = Field("", max_length=80)
    lead_days: int = Field(14, ge=0)
    price: str | None = None


class BatchPart(Part):
    name: str = Field(max_length=40)
    part: str = Field(max_length=40)
    marking: str = Field("", max_length=80)
    leg_order: str = Field("", max_length=120)
    figures: dict[str, float] = {}
    price: str | None = None
    supplier: str = Field("", max_length=80)
    lead_days: int = Field(14, ge=0)
    bought_on: date | None = None


class CalibrationPart(Part):
    kind: str = Field(max_length=24)
    quantity: str = Field("", max_length=16)
    values: dict[str, float]
    found: list[dict[str, Any]]
    words: str = Field(max_length=200)
    with_what: str = Field("", max_length=80)
    on: date
    days: int = Field(ge=0)


class ModulePart(Part):
    tag: str = Field(max_length=20)
    part: str = Field(max_length=40)
    batch: str = Field("", max_length=40)
    settings: dict[str, str] = {}
    headers: bool | None = None
    bought_on: date | None = None
    note: str = Field("", max_length=200)
    calibrations: list[CalibrationPart] = []


class PlacePart(Part):
    """A pair in a session, by its badge."""

    badge: str
    bench: int | None = None
    exercise: str | None = None


class MarkRowPart(Part):
    """A criterion as it was closed: marks as decimals in text, None where there were none."""

    name: str = Field(max_length=40)
    title: str = Field(max_length=120)
    of: Decimal = Field(ge=0, le=MOST_MARKS)
    proposed: Decimal | None = Field(None, ge=0, le=MOST_MARKS)
    given: Decimal | None = Field(None, ge=0, le=MOST_MARKS)
    counts: Decimal | None = Field(None, ge=0, le=MOST_MARKS)
    evidence: list[str] = []
    reason: str = ""
    by: str = ""
    to_decide: bool = False

    @field_serializer("of", "proposed", "given", "counts")
    def in_text(self, marks: Decimal | None) -> str | None:
        return None if marks is None else f"{marks.normalize():f}"


class MarkedStudentPart(Part):
    """A student's own line; `id` is the log-in."""

    id: str = Field(max_length=150)
    name: str = Field(max_length=310)
    absent: bool = False
    adjustment: str = Field("0", max_length=20)
    reason: str = ""
    total: str = Field("", max_length=20)


class MarkPart(Part):
    """A marking as it was closed, whole: criteria, total, each student's own line (by log-in)."""

    badge: str
    exercise: str
    version: int
    scheme: int
    opened_at: datetime
    at: datetime
    by: str = ""
    rules_version: str
    catalogue: str
    criteria: list[MarkRowPart] = Field(min_length=1, max_length=60)
    total: Decimal = Field(ge=0, max_digits=7, decimal_places=2)
    of: Decimal = Field(ge=0, max_digits=7, decimal_places=2)
    judged_with: dict[str, Any] = {}
    students: list[MarkedStudentPart] = []
    second_look: str = Field("", max_length=2000)


class SessionPart(Part):
    """`places`, `absent`, `staff` and `marks` are empty in a file without people."""

    section: str
    room: str
    starts_at: datetime
    ends_at: datetime
    late_minutes: int | None = None
    exercises: list[str] = []
    staff: list[str] = []
    places: list[PlacePart] = []
    absent: list[str] = []
    marks: list[MarkPart] = []

    @model_validator(mode="after")
    def ends_after_it_begins(self) -> "SessionPart":
        if self.ends_at <= self.starts_at:
            raise ValueError("the session ends before it begins")
        return self


class CourseFile(Part):
    """`course.yaml`: the course and all that is small in it."""

    format: int = Field(default=FORMAT, ge=1)
    title: str = Field(min_length=1, max_length=120)
    zone: str
    starts_on: date | None = None
    ends_on: date | None = None
    holidays: list[date] = []
    closed_at: datetime | None = None
    rooms: list[RoomPart] = []
    exercises: list[ExercisePart] = []
    sections: list[SectionPart] = Field(min_length=1, max_length=MOST_SECTIONS)
    kits: list[KitPartFile] = []
    resistors: list[ResistorPart] = []  # of files before there were drawers
    drawers: list[DrawerPart] = []
    batches: list[BatchPart] = []
    modules: list[ModulePart] = []
    sessions: list[SessionPart] = Field([], max_length=MOST_ROWS)

    @field_validator("zone")
    @classmethod
    def is_a_zone(cls, zone: str) -> str:
        if zone not in available_timezones():
            raise ValueError(f"there is no time zone “{zone[:40]}”; it is written as Europe/Dublin")
        return zone

    @field_validator("title")
    @classmethod
    def is_a_title(cls, title: str) -> str:
        if not title.strip():
            raise ValueError("the course has no title")
        return title
