"""A course put in from its files: all of it, or nothing."""

from collections.abc import Mapping
from typing import Any

from django.contrib.auth.hashers import make_password
from django.db import transaction

from verifex.acts.events import record
from verifex.acts.refusals import NotAllowed, Stale
from verifex.dockets.models import Docket, State, Station
from verifex.dockets.stations import set_state
from verifex.exercises.models import Exercise, ExerciseVersion, ExplainedConstant, MarkScheme
from verifex.marks.models import ClosedMark
from verifex.people.access import courses_of, may_found
from verifex.people.models import Course, Invitation, Pair, PairMember, Section, Staff, Student, User
from verifex.people.user_names import log_in_for
from verifex.plan.models import Absence, Assignment, Bench, PlannedExercise, Room, Seat, Session
from verifex.plan.services.sessions import free_code
from verifex.set_up.course_file.bring_in_stores import StoresBringer
from verifex.set_up.course_file.export import course_file, exercise_files
from verifex.set_up.course_file.shapes import (
    CourseFile,
    ExercisePart,
    MarkPart,
    SectionPart,
    SessionPart,
    StaffPart,
)
from verifex.set_up.course_file.unpack import Unpacked
from verifex.set_up.refusals import KitTagsTaken, MarksWithoutVersion
from verifex.stores.models import Kit


@transaction.atomic
def put_in(actor: User | None, unpacked: Unpacked, *, title: str = "", kits: bool = True, again: bool = True) -> Course:
    """The course of these files; `title` calls it otherwise, without `kits` those stay out. Who puts it in instructs the
    sections that bring no staff. Raises NotAllowed, Refused where a kit's tag is taken, and Stale where they have a course
    of this title already, unless it is put in `again`."""
    if actor is not None and not may_found(actor):
        raise NotAllowed("Only an instructor may put a course in.")
    file, files = unpacked
    if actor and not again and any(own.title == file.title for own in courses_of(actor, Staff.Role.INSTRUCTOR)):
        raise Stale(
            [f"You have a course called “{file.title}” already. Put it in once more only if you want two of them."]
        )
    if kits and (taken := Kit.objects.filter(tag__in=[kit.tag for kit in file.kits]).values_list("tag", flat=True)[:3]):
        raise KitTagsTaken(tuple(taken))
    course = _Bringer(file, files, actor).bring(title, kits=kits)
    record(actor, "put a course in", f"course:{course.pk}", title=course.title)
    return course


class _Bringer:
    def __init__(self, file: CourseFile, files: Mapping[str, str], actor: User | None) -> None:
        self.file, self.files, self.actor = file, files, actor
        self.users: dict[str, User] = {}
        self.exercises: dict[str, Exercise] = {}
        self.pairs: dict[tuple[str, str], Pair] = {}

    def bring(self, title: str, *, kits: bool) -> Course:
        file = self.file
        self.course = Course.objects.create(
            title=title or file.title,
            zone=file.zone,
            starts_on=file.starts_on,
            ends_on=file.ends_on,
            holidays=[day.isoformat() for day in file.holidays],
            closed_at=file.closed_at,
        )
        self.rooms = {room.name: self._room(room) for room in file.rooms}
        for exercise in file.exercises:
            self._exercise(exercise)
        self.sections = {section.name: self._section(section) for section in file.sections}
        if kits:
            StoresBringer(file, self.exercises).bring()
        for session in file.sessions:
            self._session(session)
        return self.course

    def _room(self, part: Any) -> Room:
        room = Room.objects.create(course=self.course, **part.model_dump(exclude={"benches"}))
        Bench.objects.bulk_create(Bench(room=room, **bench.model_dump()) for bench in part.benches)
        return room

    def _exercise(self, part: ExercisePart) -> None:
        exercise = Exercise.objects.create(course=self.course, slug=part.slug, title=part.title)
        self.exercises[part.slug] = exercise
        for version in part.versions:
            stem = f"exercises/{part.slug}/{version.number}"
            made = ExerciseVersion.objects.create(
                exercise=exercise,
                number=version.number,
                text=self.files[f"{stem}.yaml"],
                reference_program=self.files.get(f"{stem}.program", ""),
                released_at=version.released_at,
            )
            MarkScheme.objects.bulk_create(
                MarkScheme(
                    version=made,
                    number=scheme.number,
                    step=scheme.step,
                    criteria=[criterion.model_dump(mode="json") for criterion in scheme.criteria],
                )
                for scheme in version.schemes
            )
        for name, stands_for in part.constants.items():
            number, module = (None, stands_for) if isinstance(stands_for, str) else (stands_for, "")
            ExplainedConstant.objects.create(exercise=exercise, name=name, number=number, module=module)

    def _user(self, log_in: str, first: str, last: str) -> User:
        """The person of this file with a log-in: one who is there already where name and log-in agree and the actor may
        act for them, else a new account."""
        if log_in in self.users:
            return self.users[log_in]
        held = User.objects.filter(username=log_in).first()
        if held is None or (held.first_name, held.last_name) != (first, last) or not self._is_ours(held):
            taken = set(User.objects.values_list("username", flat=True))
            name = log_in_for(first, last, taken) if log_in in taken else log_in
            held = User.objects.create(
                username=name, first_name=first, last_name=last, password=make_password(None),
                made_in=self.course, made_by=self.actor,
            )  # fmt: skip
        self.users[log_in] = held
        return held

    def _is_ours(self, held: User) -> bool:
        """Whether a file may name this account: anybody could write a file that names somebody else's."""
        if self.actor is None or held == self.actor:
            return True
        own = Staff.objects.filter(user=self.actor, role=Staff.Role.INSTRUCTOR).values("section__course")
        return held.made_in_id is not None and Course.objects.filter(pk=held.made_in_id, pk__in=own).exists()

    def _staff(self, section: Section, one: StaffPart) -> None:
        """A part for the actor or a new account; somebody who has an account is invited, as by hand."""
        held = User.objects.filter(username=one.log_in, first_name=one.first, last_name=one.last).first()
        if self.actor is None or held is None or held == self.actor:
            user = self._user(one.log_in, one.first, one.last)
            Staff.objects.create(section=section, user=user, role=one.role)
        else:
            Invitation.objects.create(section=section, user=held, role=one.role, by=self.actor)

    def _section(self, part: SectionPart) -> Section:
        section = Section.objects.create(course=self.course, name=part.name)
        for one in part.staff:
            self._staff(section, one)
        if self.actor and not section.staff.filter(role=Staff.Role.INSTRUCTOR).exists():
            Staff.objects.update_or_create(section=section, user=self.actor, defaults={"role": Staff.Role.INSTRUCTOR})
        for student in part.students:
            user = self._user(student.log_in, student.first, student.last)
            Student.objects.create(
                section=section, user=user, **student.model_dump(exclude={"log_in", "first", "last"})
            )
        for pair in part.pairs:
            made = Pair.objects.create(section=section, **pair.model_dump(exclude={"members"}))
            self.pairs[(part.name, pair.badge)] = made
            for member in pair.members:
                user = self._user(member.log_in, member.first, member.last)
                PairMember.objects.create(pair=made, user=user, since=member.since, until=member.until)
        return section

    def _session(self, part: SessionPart) -> None:
        session = Session.objects.create(
            section=self.sections[part.section],
            room=self.rooms[part.room],
            starts_at=part.starts_at,
            ends_at=part.ends_at,
            late_minutes=part.late_minutes,
            code=free_code(),
        )
        session.staff.set([self.users[log_in] for log_in in part.staff if log_in in self.users])
        PlannedExercise.objects.bulk_create(
            PlannedExercise(session=session, exercise=self.exercises[slug]) for slug in part.exercises
        )
        for place in part.places:
            pair = self.pairs[(part.section, place.badge)]
            if place.bench is not None:
                Seat.objects.create(session=session, pair=pair, bench=place.bench)
            if place.exercise is not None:
                Assignment.objects.create(session=session, pair=pair, exercise=self.exercises[place.exercise])
        for log_in in part.absent:
            if log_in in self.users:
                Absence.objects.create(session=session, user=self.users[log_in])
        for mark in part.marks:
            self._mark(session, self.pairs[(part.section, mark.badge)], mark)

    def _mark(self, session: Session, pair: Pair, part: MarkPart) -> None:
        """A closed docket with its marks; what was handed in stays with the installation it was handed in to."""
        version = ExerciseVersion.objects.filter(exercise=self.exercises[part.exercise], number=part.version).first()
        scheme = version.schemes.filter(number=part.scheme).first() if version else None
        if version is None or scheme is None:
            raise MarksWithoutVersion(part.badge, part.exercise)
        docket = Docket.objects.create(
            pair=pair, session=session, version=version, scheme=scheme, opened_at=part.opened_at
        )
        for station in Station:
            set_state(docket, station, State.PASSED)
        students = [
            {**s.model_dump(mode="json"), "id": self.users[s.id].pk} for s in part.students if s.id in self.users
        ]
        by = self.users.get(part.by)
        ClosedMark.objects.create(
            docket=docket, scheme=scheme, rules_version=part.rules_version, catalogue=part.catalogue,
            criteria=[row.model_dump(mode="json") for row in part.criteria], total=part.total, of=part.of,
            judged_with=part.judged_with, students=students, second_look=part.second_look, by=by, at=part.at,
        )  # fmt: skip


def copy_for_next_year(actor: User, course: Course, title: str) -> Course:
    """The structure of a course without its people: exercises, rooms, sections. Kits stay where they are."""
    bare: dict[str, Any] = {
        "sessions": [],
        "closed_at": None,
        "starts_on": None,
        "ends_on": None,
        "holidays": [],
        "kits": [],
        "modules": [],
        "batches": [],
    }
    file = course_file(course, people=False).model_copy(update=bare)
    made = put_in(actor, (file, exercise_files(course)), title=title, kits=False)
    record(actor, f"copied {course.title} for another year"[:120], f"course:{made.pk}")
    return made
