"""Sessions: one or a weekly row of them, their exercises, and what is done with the one that runs."""

import secrets
from collections.abc import Collection, Sequence
from datetime import date, datetime, time, timedelta
from zoneinfo import ZoneInfo

from django.db import transaction

from verifex.acts import clock
from verifex.acts.events import record, session_scope
from verifex.exercises.models import Exercise
from verifex.people.access import require_instructor
from verifex.people.models import Section, User
from verifex.plan.models import PlannedExercise, Room, Session
from verifex.plan.refusals import (
    AllDaysAreHolidays,
    CourseClosedForPlanning,
    ExerciseInUse,
    ExerciseNotReleased,
    ExerciseOfOtherCourse,
    LastDayBeforeFirst,
    OnlyRunningSessionPauses,
    RoomOfOtherCourse,
    RoomRemoved,
    RoomTaken,
    SectionHasSession,
    SessionAlreadyPaused,
    SessionAlreadyRunning,
    SessionEndsBeforeStart,
    SessionHasKitsOut,
    SessionNotPaused,
    SessionNotRunning,
    TooManyWeeks,
)
from verifex.plan.services.seats import keep_seats_from_last_time, seat_and_assign

MOST_WEEKS = 60
A_LITTLE_EARLY = timedelta(hours=1)
_CODE_LETTERS = "ABCDEFGHJKMNPQRSTUVWXYZ23456789"  # none that is taken for another one on a wall


def days(first: date, until: date | None, holidays: Collection[str]) -> tuple[list[date], list[date]]:
    """The days of a weekly row, and those left out as holidays; only `first` where there is no `until`."""
    if until is None:
        return [first], []
    weeks = (until - first).days // 7 + 1
    if weeks < 1:
        raise LastDayBeforeFirst()
    if weeks > MOST_WEEKS:
        raise TooManyWeeks(MOST_WEEKS)
    every = [first + timedelta(weeks=week) for week in range(weeks)]
    return [d for d in every if d.isoformat() not in holidays], [d for d in every if d.isoformat() in holidays]


@transaction.atomic
def plan_sessions(
    actor: User,
    section: Section,
    room: Room,
    first: date,
    begins: time,
    ends: time,
    *,
    until: date | None = None,
    exercises: Sequence[Exercise] = (),
) -> list[Session]:
    """A session on a day, or one every week to `until` with the course's holidays left out; times are the course's own.

    Seats are kept from the section's last session in this room; with one exercise everybody does that. Raises Refused.
    """
    require_instructor(actor, section)
    if room.course_id != section.course_id or room.archived_at:
        raise RoomRemoved(room.name)
    if section.course.closed_at:
        raise CourseClosedForPlanning()
    if ends <= begins:
        raise SessionEndsBeforeStart()
    zone = ZoneInfo(section.course.zone)
    wanted, _ = days(first, until, section.course.holidays)
    if not wanted:
        raise AllDaysAreHolidays()
    made = []
    for day in wanted:
        starts_at, ends_at = (datetime.combine(day, at, zone) for at in (begins, ends))
        _refuse_clash(section, room, starts_at, ends_at)
        session = Session.objects.create(
            section=section, room=room, starts_at=starts_at, ends_at=ends_at, code=free_code()
        )
        session.staff.set(section.staff.values_list("user", flat=True))
        _set_exercises(session, exercises)
        keep_seats_from_last_time(session)
        made.append(session)
    record(actor, f"planned {len(made)} session{'s' if len(made) != 1 else ''}", f"section:{section.pk}")
    return made


@transaction.atomic
def change_session(
    actor: User,
    session: Session,
    *,
    room: Room,
    starts_at: datetime,
    ends_at: datetime,
    exercises: Sequence[Exercise],
    late_minutes: int | None,
    staff: Collection[int],
) -> None:
    """Another time, room, exercises or staff. Raises Refused where a docket is open for an exercise that is taken out."""
    require_instructor(actor, session.section)
    if ends_at <= starts_at:
        raise SessionEndsBeforeStart()
    if room.course_id != session.section.course_id:
        raise RoomOfOtherCourse()
    _refuse_clash(session.section, room, starts_at, ends_at, own=session)
    session.room, session.starts_at, session.ends_at, session.late_minutes = room, starts_at, ends_at, late_minutes
    session.save()
    session.staff.set(session.section.staff.filter(user__in=staff).values_list("user", flat=True))
    _set_exercises(session, exercises)
    record(actor, "changed the session", f"session:{session.pk}", scope=session_scope(session.pk))


@transaction.atomic
def remove_session(actor: User, session: Session) -> None:
    """Raises Refused for one in which a kit went out: what was done in it is kept."""
    require_instructor(actor, session.section)
    if session.kit_issues.exists():
        raise SessionHasKitsOut()
    record(actor, f"removed the session of {session.starts_at:%d %b %Y}", f"section:{session.section_id}")
    session.delete()


def start_now(actor: User, session: Session) -> None:
    """Begin before the planned time, or go on after the end. A little early keeps the planned end; else the length is kept."""
    now = clock.now()
    _require_hand(actor, session)
    length = session.ends_at - session.starts_at
    if session.is_running(now):
        raise SessionAlreadyRunning()
    if session.ends_at <= now or session.starts_at - now > A_LITTLE_EARLY:
        session.ends_at = now + length
    session.starts_at = min(session.starts_at, now)
    _say(actor, session, "started the session")


def pause(actor: User, session: Session) -> None:
    """Everybody leaves the benches: nobody is cleared for power until the session goes on."""
    _require_hand(actor, session)
    if session.paused_at:
        raise SessionAlreadyPaused()
    if not session.is_running(clock.now()):
        raise OnlyRunningSessionPauses()
    session.paused_at = clock.now()
    _say(actor, session, "paused the session: power off at every bench")


def resume(actor: User, session: Session) -> None:
    """Go on; the end moves by as long as the pause was."""
    _require_hand(actor, session)
    if not session.paused_at:
        raise SessionNotPaused()
    session.ends_at += clock.now() - session.paused_at
    session.paused_at = None
    _say(actor, session, "the session goes on")


def end_now(actor: User, session: Session) -> None:
    """End before the planned time."""
    _require_hand(actor, session)
    if not session.is_running(clock.now()):
        raise SessionNotRunning()
    session.ends_at, session.paused_at = clock.now(), None
    _say(actor, session, "ended the session")


def _require_hand(actor: User, session: Session) -> None:
    require_instructor(actor, session.section)


@transaction.atomic
def _say(actor: User, session: Session, verb: str) -> None:
    session.save(update_fields=["starts_at", "ends_at", "paused_at"])
    record(actor, verb, f"session:{session.pk}", scope=session_scope(session.pk))


def _set_exercises(session: Session, exercises: Sequence[Exercise]) -> None:
    wanted = {exercise.pk: exercise for exercise in exercises}
    for exercise in wanted.values():
        if exercise.course_id != session.section.course_id:
            raise ExerciseOfOtherCourse(str(exercise))
        if not exercise.versions.filter(released_at__isnull=False).exists():
            raise ExerciseNotReleased(str(exercise))
    gone = session.planned.exclude(exercise__in=list(wanted))
    for planned in gone.select_related("exercise"):
        if session.dockets.filter(version__exercise=planned.exercise_id).exists():
            raise ExerciseInUse(str(planned.exercise))
    session.assignments.filter(exercise__in=gone.values("exercise")).delete()
    gone.delete()
    held = set(session.planned.values_list("exercise", flat=True))
    PlannedExercise.objects.bulk_create(
        PlannedExercise(session=session, exercise=exercise) for pk, exercise in wanted.items() if pk not in held
    )
    if len(wanted) == 1:
        seat_and_assign(session, only=next(iter(wanted.values())))


def _refuse_clash(
    section: Section, room: Room, starts_at: datetime, ends_at: datetime, own: Session | None = None
) -> None:
    overlapping = Session.objects.filter(starts_at__lt=ends_at, ends_at__gt=starts_at).exclude(pk=own.pk if own else 0)
    local = starts_at.astimezone(ZoneInfo(section.course.zone))
    if overlapping.filter(section=section).exists():
        raise SectionHasSession(section.name, local)
    if overlapping.filter(room=room).exists():
        raise RoomTaken(room.name, local)


def free_code() -> str:
    """A code for the wall that no session has."""
    while True:
        code = "".join(secrets.choice(_CODE_LETTERS) for _ in range(5))
        if not Session.objects.filter(code=code).exists():
            return code
