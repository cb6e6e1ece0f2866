"""Times by the clock of a course, wherever the server is."""

from datetime import UTC, date, datetime, time, timedelta
from zoneinfo import ZoneInfo

from verifex.acts import clock
from verifex.people.models import Course

FARTHEST_EAST = timedelta(hours=14)


def local(at: datetime, course: Course) -> datetime:
    return at.astimezone(ZoneInfo(course.zone))


def midnight(day: date, course: Course) -> datetime:
    """When a day begins by the clock of a course."""
    return datetime.combine(day, time.min, ZoneInfo(course.zone))


def today(course: Course | None) -> date:
    """The day it is in a course; by UTC where there is none."""
    return local(clock.now(), course).date() if course else clock.now().astimezone(UTC).date()


def latest_day() -> date:
    """The latest day it is anywhere: what is after it is still to come."""
    return (clock.now().astimezone(UTC) + FARTHEST_EAST).date()
