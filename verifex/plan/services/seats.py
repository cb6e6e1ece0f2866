"""Who sits where in a session, who does which exercise, and who is absent."""

from collections.abc import Mapping

from django.db import transaction

from verifex.acts import clock
from verifex.acts.events import record, session_scope
from verifex.exercises.models import Exercise
from verifex.people.access import require_staff
from verifex.people.membership import during
from verifex.people.models import Pair, PairMember, Section, User
from verifex.plan.models import Absence, Assignment, Seat, Session
from verifex.plan.refusals import (
    BenchFull,
    ExerciseNotPlanned,
    NoSuchBench,
    PairOfOtherSection,
    SessionEnded,
    StudentInThatPair,
    StudentWithoutPair,
)

MOST_AT_A_BENCH = 4


def pairs_here(session: Session) -> list[Pair]:
    """The pairs of the section, those that ended only where they have a seat."""
    own = Pair.objects.filter(section=session.section_id)
    seated = session.seats.values("pair")
    return list((own.filter(archived_at=None) | own.filter(pk__in=seated)).distinct().order_by("badge"))


def keep_seats_from_last_time(session: Session) -> None:
    """Each pair at the bench it had in the section's last session in this room; the others on free benches in turn."""
    numbers = list(session.room.benches.values_list("number", flat=True))
    before = Session.objects.filter(section=session.section_id, room=session.room_id, starts_at__lt=session.starts_at)
    last = before.exclude(seats=None).order_by("-starts_at").first()
    held = dict(last.seats.values_list("pair_id", "bench")) if last else {}
    pairs = [pair for pair in pairs_here(session) if not session.seats.filter(pair=pair).exists()]
    taken = set(session.seats.values_list("bench", flat=True))
    chosen: dict[int, int] = {}
    for pair in pairs:
        bench = held.get(pair.pk)
        if bench in numbers and bench not in taken:
            chosen[pair.pk] = bench
            taken.add(bench)
    free = (number for number in numbers if number not in taken)
    for pair in pairs:
        if pair.pk not in chosen and (bench := next(free, None)) is not None:
            chosen[pair.pk] = bench
    Seat.objects.bulk_create(Seat(session=session, pair_id=pair, bench=bench) for pair, bench in chosen.items())


def seat_and_assign(session: Session, *, only: Exercise) -> None:
    """Everybody who has no exercise yet does the only one."""
    held = set(session.assignments.values_list("pair_id", flat=True))
    Assignment.objects.bulk_create(
        Assignment(session=session, pair=pair, exercise=only) for pair in pairs_here(session) if pair.pk not in held
    )


def settle_seats(section: Section) -> None:
    """After pairs were made, changed or ended: in every session to come a new pair gets a seat, and the exercise where there
    is one only; a pair that ended leaves both."""
    for session in Session.objects.filter(section=section, starts_at__gt=clock.now()).order_by("starts_at"):
        for rows in (session.seats.all(), session.assignments.all()):
            rows.exclude(pair__archived_at=None).delete()
        keep_seats_from_last_time(session)
        planned = [p.exercise for p in session.planned.select_related("exercise")[:2]]
        if len(planned) == 1:
            seat_and_assign(session, only=planned[0])


@transaction.atomic
def take_seats(actor: User, session: Session, benches: Mapping[int, int | None]) -> None:
    """Pairs by id at benches by number; None leaves a pair without a seat. A pair whose bench is asked for by another one
    changes places with it. Later sessions that had the same seats follow. Raises Refused for a bench that the room lacks."""
    require_staff(actor, session.section)
    here = {pair.pk: pair for pair in pairs_here(session)}
    numbers = set(session.room.benches.values_list("number", flat=True))
    now: dict[int, int] = dict(session.seats.values_list("pair_id", "bench"))
    as_they_were = dict(now)
    for pair_id, bench in benches.items():
        if pair_id not in here:
            raise PairOfOtherSection()
        if bench is None:
            now.pop(pair_id, None)
            continue
        if numbers and bench not in numbers:
            raise NoSuchBench(session.room.name, bench)
        sitting = next((other for other, held in now.items() if held == bench and other != pair_id), None)
        before = now.get(pair_id)
        if sitting is not None:
            if before is None:
                del now[sitting]
            else:
                now[sitting] = before
        now[pair_id] = bench
    later = Session.objects.filter(section=session.section_id, room=session.room_id, starts_at__gt=session.starts_at)
    following = [s for s in later if dict(s.seats.values_list("pair_id", "bench")) == as_they_were]
    for one in (session, *following):
        one.seats.all().delete()
        Seat.objects.bulk_create(Seat(session=one, pair_id=pair, bench=bench) for pair, bench in now.items())
    record(actor, "changed the seats", f"session:{session.pk}", scope=session_scope(session.pk))


@transaction.atomic
def assign(actor: User, session: Session, exercises: Mapping[int, int | None]) -> None:
    """Which pair does which of the session's exercises, by ids; None leaves it open until a kit goes out. Raises Refused."""
    require_staff(actor, session.section)
    here = {pair.pk for pair in pairs_here(session)}
    planned = set(session.planned.values_list("exercise", flat=True))
    for pair_id, exercise_id in exercises.items():
        if pair_id not in here:
            raise PairOfOtherSection()
        if exercise_id is None:
            session.assignments.filter(pair=pair_id).delete()
        elif exercise_id not in planned:
            raise ExerciseNotPlanned()
        else:
            Assignment.objects.update_or_create(session=session, pair_id=pair_id, defaults={"exercise_id": exercise_id})
    record(actor, "changed who does what", f"session:{session.pk}", scope=session_scope(session.pk))


@transaction.atomic
def mark_absent(actor: User, session: Session, user_id: int, *, absent: bool) -> None:
    """A student is not there today, or is there after all."""
    require_staff(actor, session.section)
    member = PairMember.objects.filter(pair__section=session.section_id, user=user_id).select_related("user").first()
    if member is None:
        raise StudentWithoutPair()
    if absent:
        Absence.objects.get_or_create(session=session, user_id=user_id)
    else:
        session.absences.filter(user=user_id).delete()
    record(actor, "absent" if absent else "here after all", f"user:{user_id}", scope=session_scope(session.pk))


@transaction.atomic
def join_pair(actor: User, session: Session, user_id: int, pair_id: int) -> None:
    """A student whose partner is away works with another pair, for this session only; the marks of that pair's docket count
    for them too. Raises Refused."""
    require_staff(actor, session.section)
    pair = Pair.objects.filter(pk=pair_id, section=session.section_id, archived_at=None).first()
    if pair is None:
        raise PairOfOtherSection()
    if not PairMember.objects.filter(pair__section=session.section_id, user=user_id, until=None).exists():
        raise StudentWithoutPair()
    since = min(clock.now(), session.starts_at)
    if session.ends_at <= clock.now():
        raise SessionEnded()
    here = PairMember.objects.filter(during(session.starts_at, session.ends_at), pair=pair)
    if here.filter(user=user_id).exists():
        raise StudentInThatPair()
    if here.count() >= MOST_AT_A_BENCH:
        raise BenchFull(str(pair), MOST_AT_A_BENCH)
    PairMember.objects.create(pair=pair, user_id=user_id, since=since, until=session.ends_at)
    record(actor, f"works with {pair.badge} for a session", f"user:{user_id}", scope=session_scope(session.pk))
