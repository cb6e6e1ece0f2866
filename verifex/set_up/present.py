"""A course and its parts as Set-up shows them."""

from collections import Counter
from collections.abc import Collection
from datetime import timedelta
from zoneinfo import ZoneInfo

from django.conf import settings
from django.db.models import Q, QuerySet

from verifex.acts import clock
from verifex.dockets.models import Docket
from verifex.people.accounts import accounts_to_change
from verifex.people.membership import during
from verifex.people.models import Course, PairMember, Section, Staff, User
from verifex.plan.models import Room, Session
from verifex.plan.services.seats import pairs_here
from verifex.set_up.schemas.common import NamedUserOut
from verifex.set_up.schemas.courses import (
    CourseOut,
    InvitedOut,
    SetUpExerciseOut,
    SetUpSectionOut,
    SetUpStepOut,
    StaffOut,
)
from verifex.set_up.schemas.people import ListedOut, PeopleOut, SetUpPairOut
from verifex.set_up.schemas.rooms import PlaceInRoomOut, RoomOut
from verifex.set_up.schemas.sessions import PlaceOut, PlannedOut, SessionPlanOut, SessionRowOut
from verifex.set_up.steps import steps
from verifex.stores.models import Kit
from verifex.stores.readiness import readiness, recipes, whole_kits
from verifex.stores.services.filling import proposed_prefix
from verifex.work.backups import copies, made_at

OLD_COPY = timedelta(days=2)


def course_json(course: Course, reader: User) -> CourseOut:
    sections = course.sections.order_by("name").prefetch_related(
        "staff__user", "students", "pairs", "invitations__user"
    )
    exercises = list(course.exercises.order_by("title").prefetch_related("versions"))
    kits = kits_by_exercise(course)
    tags = dict(Kit.objects.filter(exercise__in=exercises).order_by("pk").values_list("exercise", "tag"))
    roles = dict(Staff.objects.filter(user=reader, section__in=sections).values_list("section", "role"))
    staff = [row.user for section in sections for row in section.staff.all()]
    resets = accounts_to_change(reader, course.pk, staff)
    copied_at = next((made_at(copy) for copy in copies(settings.BACKUP_DIR)), None)
    return CourseOut(
        id=course.pk,
        title=course.title,
        zone=course.zone,
        starts_on=course.starts_on,
        ends_on=course.ends_on,
        holidays=course.holidays,
        closed=course.closed_at is not None,
        steps=[SetUpStepOut.model_validate(step) for step in steps(course)],
        sections=[section_json(section, roles.get(section.pk), resets) for section in sections],
        rooms=[room_json(room) for room in course.rooms.prefetch_related("benches")],
        exercises=[
            SetUpExerciseOut(
                id=exercise.pk,
                slug=exercise.slug,
                title=exercise.title,
                summary=newest.file.summary,
                version=newest.pk,
                released=any(v.released_at for v in exercise.versions.all()),
                kits=kits[exercise.pk]["all"],
                ready_kits=kits[exercise.pk]["ready"],
                prefix=proposed_prefix(exercise, tags.get(exercise.pk, "")),
            )
            for exercise in exercises
            if (newest := max(exercise.versions.all(), key=lambda v: v.number, default=None))
        ],
        last_backup=copied_at,
        backup_is_old=copied_at is None or clock.now() - copied_at > OLD_COPY,
    )


def kits_by_exercise(course: Course) -> dict[int, Counter[str]]:
    """By exercise how many kits there are (`all`) and how many can go out now (`ready`)."""
    kits = whole_kits().filter(exercise__course=course)
    asked = recipes(course.exercises.values_list("pk", flat=True))
    found: dict[int, Counter[str]] = {pk: Counter() for pk in course.exercises.values_list("pk", flat=True)}
    for kit in kits:
        found[kit.exercise_id]["all"] += 1
        found[kit.exercise_id]["ready"] += readiness(kit, recipe=asked.get(kit.exercise_id, ())).state == "ready"
    return found


def section_json(section: Section, role: str | None, resets: Collection[int]) -> SetUpSectionOut:
    """A section for somebody who has this role in it, and may make the passwords of these users anew."""
    return SetUpSectionOut(
        id=section.pk,
        name=section.name,
        mine=role == Staff.Role.INSTRUCTOR,
        students=sum(student.until is None for student in section.students.all()),
        pairs=sum(pair.archived_at is None for pair in section.pairs.all()),
        staff=[
            StaffOut(
                user=s.user_id,
                name=s.user.get_full_name(),
                log_in=s.user.username,
                role=s.role,
                resets=s.user_id in resets,
            )
            for s in sorted(section.staff.all(), key=lambda s: (s.role != "instructor", s.user.last_name))
        ],
        invited=[InvitedOut(id=i.pk, log_in=i.user.username, role=i.role) for i in section.invitations.all()],
    )


def room_json(room: Room) -> RoomOut:
    return RoomOut(
        id=room.pk,
        name=room.name,
        columns=room.columns,
        archived=room.archived_at is not None,
        benches=[PlaceInRoomOut(number=b.number, row=b.row, column=b.column, name=b.name) for b in room.benches.all()],
    )


def people_json(section: Section) -> PeopleOut:
    pairs = section.pairs.filter(archived_at=None).order_by("badge")
    members = PairMember.objects.filter(pair__in=pairs, until=None).order_by("id").values_list("pair_id", "user_id")
    by_pair: dict[int, list[int]] = {}
    for pair_id, user_id in members:
        by_pair.setdefault(pair_id, []).append(user_id)
    pair_of = {user: pair for pair, users in by_pair.items() for user in users}
    students = section.students.filter(until=None).select_related("user")
    return PeopleOut(
        students=[
            ListedOut(
                user=s.user_id,
                name=s.user.get_full_name(),
                number=s.number,
                group=s.group,
                log_in=s.user.username,
                has_logged_in=s.user.last_login is not None,
                pair=pair_of.get(s.user_id),
            )
            for s in students
        ],
        pairs=[SetUpPairOut(id=p.pk, name=p.name, badge=p.badge, members=by_pair.get(p.pk, [])) for p in pairs],
    )


def state_of_session(session: Session) -> str:
    now = clock.now()
    if session.paused_at:
        return "paused"
    if session.is_running(now):
        return "running"
    return "to come" if session.starts_at > now else "over"


def session_json(session: Session) -> SessionRowOut:
    zone = ZoneInfo(session.section.course.zone)
    starts, ends = session.starts_at.astimezone(zone), session.ends_at.astimezone(zone)
    return SessionRowOut(
        id=session.pk,
        section=session.section_id,
        section_name=session.section.name,
        room=session.room_id,
        room_name=session.room.name,
        day=starts.date(),
        begins=starts.time().replace(second=0, microsecond=0),
        ends=ends.time().replace(second=0, microsecond=0),
        state=state_of_session(session),
        code=session.code,
        late_minutes=session.late_minutes,
        exercises=[PlannedOut(id=p.exercise_id, title=p.exercise.title) for p in session.planned.all()],
        staff=[person.pk for person in session.staff.all()],
        kits_out=sum(issue.returned_at is None for issue in session.kit_issues.all()),
    )


def sessions_json(sessions: "QuerySet[Session]") -> list[SessionRowOut]:
    """Sessions in their order, with as many queries for thirty as for three."""
    related = ("planned__exercise", "staff", "kit_issues")
    return [session_json(s) for s in sessions.select_related("section__course", "room").prefetch_related(*related)]


def session_plan_json(session: Session) -> SessionPlanOut:
    benches = dict(session.seats.values_list("pair_id", "bench"))
    does = dict(session.assignments.values_list("pair_id", "exercise_id"))
    dockets = dict(Docket.objects.filter(session=session).order_by("id").values_list("pair_id", "pk"))
    absent = set(session.absences.values_list("user_id", flat=True))
    pairs = pairs_here(session)
    rows = PairMember.objects.filter(pair__in=pairs, until=None).select_related("user").order_by("id")
    members: dict[int, list[User]] = {}
    for row in rows:
        members.setdefault(row.pair_id, []).append(row.user)
    guests: dict[int, list[User]] = {}
    held = during(session.starts_at, session.ends_at) & Q(until__lte=session.ends_at)
    for row in PairMember.objects.filter(held, pair__in=pairs).select_related("user").order_by("id"):
        guests.setdefault(row.pair_id, []).append(row.user)
    kits = kits_by_exercise(session.section.course)
    places = [
        PlaceOut(
            pair=pair.pk,
            name=pair.name,
            badge=pair.badge,
            bench=benches.get(pair.pk),
            exercise=does.get(pair.pk),
            docket=dockets.get(pair.pk),
            members=[NamedUserOut(user=u.pk, name=u.get_full_name()) for u in members.get(pair.pk, [])],
            absent=[u.pk for u in members.get(pair.pk, []) if u.pk in absent],
            guests=[NamedUserOut(user=u.pk, name=u.get_full_name()) for u in guests.get(pair.pk, [])],
        )
        for pair in pairs
    ]
    return SessionPlanOut(
        session=session_json(session),
        room=room_json(session.room),
        places=sorted(places, key=lambda row: (row.bench is None, row.bench or 0, row.badge)),
        kits={exercise: counts["ready"] for exercise, counts in kits.items()},
    )
