"""Shapes of a course, its sections, staff and exercises."""

from datetime import date, datetime
from typing import Annotated

from pydantic import Field

from verifex.api.shape import Shape
from verifex.set_up.schemas.common import Name, Number
from verifex.set_up.schemas.rooms import RoomOut


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
    resets: bool  # whether the reader may give this person a new first password


class InvitedOut(Shape):
    """Somebody of another course who was offered a part and has not answered yet; the name is theirs to give."""

    id: int
    log_in: str
    role: str


class SetUpSectionOut(Shape):
    id: int
    name: str
    mine: bool  # whether the reader instructs it
    students: int
    pairs: int
    staff: list[StaffOut]
    invited: list[InvitedOut]


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


class StaffIn(Shape):
    """`who` is a log-in that is there, or first and last name of somebody new."""

    who: Name
    role: Name


class RoleIn(Shape):
    role: Name | None = None


class UserIn(Shape):
    user: Number


class NewLogInOut(Shape):
    """A log-in with its first password, shown this once; empty where somebody has their own. Who is `invited` has a part
    only when they accept it."""

    name: str
    log_in: str
    password: str
    invited: bool = False


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
