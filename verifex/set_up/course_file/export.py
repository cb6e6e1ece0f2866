"""A course taken out: the files of its zip, the same for the same course."""

import io
import zipfile
from typing import Any

import yaml

from verifex.marks.models import ClosedMark
from verifex.people.models import Course, Pair, PairMember, Section
from verifex.plan.models import Session
from verifex.set_up.course_file.export_stores import batches, drawers, kit_file, kits_of, modules
from verifex.set_up.course_file.shapes import (
    BenchPart,
    CourseFile,
    ExercisePart,
    MarkedStudentPart,
    MarkPart,
    MemberPart,
    PairPart,
    PlacePart,
    RoomPart,
    SchemePart,
    SectionPart,
    SessionPart,
    StaffPart,
    StudentPart,
    VersionPart,
)

Files = dict[str, str]


def course_files(course: Course, *, people: bool) -> Files:
    """Every file by its name, as text."""
    file = course_file(course, people=people)
    return dict(sorted({"course.yaml": _yaml(file.model_dump(mode="json")), **exercise_files(course)}.items()))


def course_file(course: Course, *, people: bool) -> CourseFile:
    """What stands in `course.yaml`."""
    return CourseFile(
        title=course.title,
        zone=course.zone,
        starts_on=course.starts_on,
        ends_on=course.ends_on,
        holidays=course.holidays,
        closed_at=course.closed_at,
        rooms=[_room(room) for room in course.rooms.order_by("name").prefetch_related("benches")],
        exercises=[_exercise(e) for e in course.exercises.order_by("slug").prefetch_related("versions__schemes", "constants")],
        sections=[_section(s, people=people) for s in course.sections.order_by("name")],
        kits=[kit_file(k) for k in kits_of(course)],
        drawers=drawers(),
        batches=batches(course),
        modules=modules(course),
        sessions=[
            _session(s, people=people)
            for s in Session.objects.filter(section__course=course).select_related("section", "room").order_by("starts_at", "section__name")
        ],
    )  # fmt: skip


def exercise_files(course: Course) -> Files:
    """Each version's exercise file and program."""
    files = {}
    for exercise in course.exercises.prefetch_related("versions"):
        for version in exercise.versions.all():
            files[f"exercises/{exercise.slug}/{version.number}.yaml"] = version.text
            if version.reference_program:
                files[f"exercises/{exercise.slug}/{version.number}.program"] = version.reference_program
    return files


def as_zip(files: Files) -> bytes:
    """The files as one zip; their dates are fixed, so that the same files are the same zip."""
    out = io.BytesIO()
    with zipfile.ZipFile(out, "w", zipfile.ZIP_DEFLATED) as book:
        for name, text in files.items():
            book.writestr(
                zipfile.ZipInfo(name, (2000, 1, 1, 0, 0, 0)),
                text.encode("utf-8", "surrogatepass"),
                zipfile.ZIP_DEFLATED,
            )
    return out.getvalue()


def _yaml(data: Any) -> str:
    return str(yaml.safe_dump(data, sort_keys=False, allow_unicode=True, width=120))


def _room(room: Any) -> RoomPart:
    benches = [BenchPart(number=b.number, row=b.row, column=b.column, name=b.name) for b in room.benches.all()]
    return RoomPart(name=room.name, columns=room.columns, archived_at=room.archived_at, benches=benches)


def _exercise(exercise: Any) -> ExercisePart:
    versions = [
        VersionPart(
            number=v.number,
            released_at=v.released_at,
            schemes=[SchemePart(number=s.number, criteria=s.criteria, step=s.step) for s in v.schemes.all()],
        )
        for v in exercise.versions.all()
    ]
    constants = {c.name: c.explanation for c in exercise.constants.all()}
    return ExercisePart(slug=exercise.slug, title=exercise.title, constants=constants, versions=versions)


def _section(section: Section, *, people: bool) -> SectionPart:
    if not people:
        return SectionPart(name=section.name)
    staff = [
        StaffPart(log_in=s.user.username, first=s.user.first_name, last=s.user.last_name, role=s.role)
        for s in section.staff.select_related("user").order_by("user__username")
    ]
    students = [
        StudentPart(
            log_in=s.user.username, first=s.user.first_name, last=s.user.last_name,
            number=s.number, group=s.group, since=s.since, until=s.until,
        )
        for s in section.students.select_related("user").order_by("user__username", "since")
    ]  # fmt: skip
    return SectionPart(name=section.name, staff=staff, students=students, pairs=[_pair(p) for p in section.pairs.order_by("badge")])  # fmt: skip


def _pair(pair: Pair) -> PairPart:
    rows = PairMember.objects.filter(pair=pair).select_related("user").order_by("since", "user__username")
    members = [
        MemberPart(log_in=m.user.username, first=m.user.first_name, last=m.user.last_name, since=m.since, until=m.until)
        for m in rows
    ]
    return PairPart(badge=pair.badge, name=pair.name, archived_at=pair.archived_at, members=members)


def _session(session: Session, *, people: bool) -> SessionPart:
    planned = sorted(p.exercise.slug for p in session.planned.select_related("exercise"))
    bare = SessionPart(
        section=session.section.name, room=session.room.name, starts_at=session.starts_at, ends_at=session.ends_at,
        late_minutes=session.late_minutes, exercises=planned,
    )  # fmt: skip
    if not people:
        return bare
    benches = dict(session.seats.values_list("pair__badge", "bench"))
    does = dict(session.assignments.values_list("pair__badge", "exercise__slug"))
    badges = sorted({*benches, *does})
    return bare.model_copy(
        update={
            "staff": sorted(session.staff.values_list("username", flat=True)),
            "places": [PlacePart(badge=b, bench=benches.get(b), exercise=does.get(b)) for b in badges],
            "absent": sorted(session.absences.values_list("user__username", flat=True)),
            "marks": _marks(session),
        }
    )


def _marks(session: Session) -> list[MarkPart]:
    rows = ClosedMark.objects.filter(docket__session=session, reopened_at=None).select_related(
        "docket__pair", "docket__version__exercise", "scheme", "by"
    )
    names = dict(PairMember.objects.filter(pair__section=session.section_id).values_list("user_id", "user__username"))
    return [
        MarkPart(
            badge=m.docket.pair.badge,
            exercise=m.docket.version.exercise.slug,
            version=m.docket.version.number,
            scheme=m.scheme.number,
            opened_at=m.docket.opened_at,
            at=m.at,
            by=m.by.username if m.by else "",
            rules_version=m.rules_version,
            catalogue=m.catalogue,
            criteria=m.criteria,
            total=m.total,
            of=m.of,
            second_look=m.second_look,
            judged_with=m.judged_with,
            students=[MarkedStudentPart.model_validate({**s, "id": names.get(s["id"], "")}) for s in m.students],
        )
        for m in rows.order_by("docket__pair__badge", "docket__version__exercise__slug")
    ]
