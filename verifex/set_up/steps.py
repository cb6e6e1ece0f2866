"""What a course still lacks before its first lab day: a short list that ticks itself off, in the order the work comes."""

from dataclasses import dataclass

from verifex.acts import clock
from verifex.exercises.models import Exercise
from verifex.people.models import Course, Pair, PairMember, Student
from verifex.plan.models import Bench, Session
from verifex.stores.models import Kit


@dataclass(frozen=True, slots=True)
class Step:
    """One step; `said` is where it stands in words, `next` the one act that comes next."""

    name: str
    done: bool
    said: str
    next: str


def steps(course: Course) -> list[Step]:
    """People, pairs, room, exercise, kits, session."""
    listed = Student.objects.filter(section__course=course, until=None)
    students = listed.count()
    paired = PairMember.objects.filter(pair__section__course=course, pair__archived_at=None, until=None)
    alone = listed.exclude(user__in=paired.values("user")).count()
    pairs = Pair.objects.filter(section__course=course, archived_at=None).count()
    rooms = course.rooms.filter(archived_at=None).count()
    benches = Bench.objects.filter(room__course=course, room__archived_at=None).count()
    released = Exercise.objects.filter(course=course, versions__released_at__isnull=False).distinct().count()
    kits = Kit.objects.filter(exercise__course=course).count()
    to_come = Session.objects.filter(section__course=course, ends_at__gt=clock.now()).order_by("starts_at")
    first = to_come.first()
    bare = first is not None and not first.planned.exists()
    left_over = f", {many(alone, 'student')} in none" if alone else ""
    sessions = many(to_come.count(), "session", " to come") + (", the next without an exercise" if bare else "")
    return [
        Step("people", students > 0, many(students, "student") or "nobody on the list", "Import the class list"),
        Step(
            "pairs",
            pairs > 0 and alone == 0,
            (many(pairs, "pair") or "no pair") + left_over,
            "Pair who is left" if pairs else "Make the pairs",
        ),
        Step(
            "room",
            benches > 0,
            f"{many(rooms, 'room')}, {many(benches, 'bench')}" if benches else "no room",
            "Draw the room",
        ),
        Step("exercise", released > 0, many(released, "exercise", " ready") or "none is ready", "Choose an exercise"),
        Step("kits", kits >= max(1, pairs), many(kits, "kit") or "no kit", "Make the kits"),
        Step(
            "session",
            first is not None and not bare,
            sessions or "none is planned",
            "Choose its exercise" if bare else "Plan a session",
        ),
    ]


def many(count: int, what: str, after: str = "") -> str:
    """`3 pairs`; empty for none."""
    if not count:
        return ""
    ending = "es" if what.endswith("ch") else "s"
    return f"{count} {what}{ending if count != 1 else ''}{after}"
