"""Rooms and their benches, drawn as the room is."""

from collections.abc import Sequence
from typing import NamedTuple

from django.db import transaction

from verifex.acts import clock
from verifex.acts.events import record
from verifex.people.access import require_course_instructor
from verifex.people.models import Course, User
from verifex.plan.models import Bench, Room
from verifex.plan.refusals import (
    BenchesOverlap,
    BenchHasSeat,
    BenchNumberTwice,
    RoomHasSessions,
    RoomNameMissing,
    RoomNameTaken,
    RoomSize,
    RoomTooLarge,
    RoomWithoutBench,
)

MOST_ROWS, MOST_COLUMNS = 20, 20


class Drawn(NamedTuple):
    """A bench where it is drawn; rows and columns count from 0."""

    number: int
    row: int
    column: int
    name: str = ""


def grid(rows: int, columns: int) -> list[Drawn]:
    """A plain room: benches numbered along the rows."""
    return [Drawn(row * columns + column + 1, row, column) for row in range(rows) for column in range(columns)]


@transaction.atomic
def make_room(actor: User, course: Course, name: str, rows: int, columns: int) -> Room:
    """A room with a bench in every place of its grid; gaps are made by taking benches out."""
    require_course_instructor(actor, course)
    if not (1 <= rows <= MOST_ROWS and 1 <= columns <= MOST_COLUMNS):
        raise RoomSize(MOST_ROWS, MOST_COLUMNS)
    room = Room.objects.create(course=course, name=_free_name(course, name), columns=columns)
    Bench.objects.bulk_create(Bench(room=room, **bench._asdict()) for bench in grid(rows, columns))
    record(actor, f"drew room {room.name}"[:120], f"course:{course.pk}")
    return room


@transaction.atomic
def draw_room(actor: User, room: Room, name: str, columns: int, benches: Sequence[Drawn]) -> None:
    """The room as it is drawn now. Raises Refused for benches on one place or with one number, and for taking out a bench
    where somebody sits in a session to come."""
    require_course_instructor(actor, room.course)
    if not benches:
        raise RoomWithoutBench()
    if len({(b.row, b.column) for b in benches}) < len(benches):
        raise BenchesOverlap()
    numbers = [b.number for b in benches]
    if twice := sorted({n for n in numbers if numbers.count(n) > 1}):
        raise BenchNumberTwice(twice[0])
    if any(not (0 <= b.row < MOST_ROWS and 0 <= b.column < MOST_COLUMNS and 1 <= b.number <= 999) for b in benches):
        raise RoomTooLarge(MOST_ROWS, MOST_COLUMNS)
    gone = set(room.benches.values_list("number", flat=True)) - set(numbers)
    sat_at = room.session_set.filter(ends_at__gt=clock.now(), seats__bench__in=gone).values_list(
        "seats__bench", flat=True
    )
    if held := sorted(set(sat_at) & gone):
        raise BenchHasSeat(held[0])
    room.name, room.columns = _free_name(room.course, name, room), columns
    room.save(update_fields=["name", "columns"])
    room.benches.all().delete()
    Bench.objects.bulk_create(Bench(room=room, **bench._asdict()) for bench in benches)
    record(actor, f"drew room {room.name} anew"[:120], f"course:{room.course_id}")


@transaction.atomic
def remove_room(actor: User, room: Room) -> str:
    """Remove a room nobody worked in; archive it otherwise. Returns which, 'removed' or 'archived'."""
    require_course_instructor(actor, room.course)
    if room.session_set.filter(ends_at__gt=clock.now()).exists():
        raise RoomHasSessions(room.name)
    if room.session_set.exists():
        room.archived_at = clock.now()
        room.save(update_fields=["archived_at"])
        record(actor, f"archived room {room.name}"[:120], f"course:{room.course_id}")
        return "archived"
    record(actor, f"removed room {room.name}"[:120], f"course:{room.course_id}")
    room.delete()
    return "removed"


def _free_name(course: Course, name: str, own: Room | None = None) -> str:
    words = " ".join(name.split())[:60]
    if not words:
        raise RoomNameMissing()
    if course.rooms.filter(name__iexact=words).exclude(pk=own.pk if own else 0).exists():
        raise RoomNameTaken(words)
    return words
