"""Copies of the data, and the event log of a course."""

import base64
import csv
import io
from datetime import datetime
from typing import Annotated, Any

from django.conf import settings
from django.db import connection
from django.db.models import Q, QuerySet
from django.http import HttpRequest, HttpResponse
from django.utils import timezone
from ninja import Router
from pydantic import Field

from verifex.acts.events import session_scope
from verifex.acts.models import Event
from verifex.acts.refusals import NotAllowed, Refused
from verifex.api.http import Id
from verifex.api.shape import Shape
from verifex.dockets.models import Docket
from verifex.marks.csv_out import safe
from verifex.people.access import may_found, reader, sections_of
from verifex.people.models import Course, Pair, Staff, Student, User
from verifex.plan.models import Session
from verifex.set_up.access import course_of
from verifex.set_up.course_file.bring_in import copy_for_next_year, put_in
from verifex.set_up.course_file.export import as_zip, course_files
from verifex.set_up.course_file.unpack import unpack
from verifex.set_up.schemas.common import MadeOut, SavedOut
from verifex.stores.models import Kit
from verifex.work.backups import BackupFailed, backup

router = Router(tags=["set-up"])
AT_ONCE = 100
MOST_IN_A_TABLE = 20_000


class EventOut(Shape):
    """Who did what; `about` is what it was done to, in words."""

    id: int
    at: datetime
    by: str
    what: str
    about: str


class EventsOut(Shape):
    events: list[EventOut]
    more: bool


@router.post("/set-up/backup", response=SavedOut)
def back_up(request: HttpRequest) -> dict[str, str]:
    """Copy the database now; it goes on working meanwhile."""
    user = reader(request)
    if not user.is_superuser and not Staff.objects.filter(user=user, role=Staff.Role.INSTRUCTOR).exists():
        raise NotAllowed("Only an instructor may do that.")
    connection.ensure_connection()
    try:
        made = backup(connection.connection, settings.BACKUP_DIR, timezone.now())
    except BackupFailed as wrong:
        raise Refused(str(wrong)) from None
    return {"message": f"Copied, {made.stat().st_size / 1e6:.1f} MB."}


@router.get("/set-up/courses/{course_id}/events", response=EventsOut)
def events(request: HttpRequest, course_id: Id, word: str = "", before: int = 0) -> dict[str, Any]:
    """The event log of the reader's own sections and of the course, the newest first."""
    found = _events(reader(request), course_of(request, course_id), word)
    if 0 < before < 2**63:
        found = found.filter(pk__lt=before)
    rows = list(found.order_by("-id")[: AT_ONCE + 1])
    return {"events": _told(rows[:AT_ONCE]), "more": len(rows) > AT_ONCE}


@router.get("/set-up/courses/{course_id}/events.csv")
def events_table(request: HttpRequest, course_id: Id, word: str = "") -> HttpResponse:
    """The event log as CSV, safe to open in a spreadsheet."""
    course = course_of(request, course_id)
    out = io.StringIO()
    writer = csv.writer(out)
    writer.writerow(["when (UTC)", "who", "what", "about"])
    for row in _told(list(_events(reader(request), course, word).order_by("-id")[:MOST_IN_A_TABLE])):
        cells = (row["at"].strftime("%Y-%m-%d %H:%M:%S"), row["by"], row["what"], row["about"])
        writer.writerow([safe(cell) for cell in cells])
    answer = HttpResponse("\ufeff" + out.getvalue(), content_type="text/csv; charset=utf-8")
    answer["Content-Disposition"] = f'attachment; filename="events-{course.pk}.csv"'
    return answer


class CourseZipIn(Shape):
    """A course's zip as base64."""

    data: Annotated[str, Field(max_length=28_000_000)]
    without_kits: bool = False


class CopyIn(Shape):
    title: Annotated[str, Field(min_length=1, max_length=120)]


@router.get("/set-up/courses/{course_id}/export.zip")
def export_course(request: HttpRequest, course_id: Id, people: bool = True) -> HttpResponse:
    """The course as one zip of open files. With people only where the reader instructs all of its sections."""
    course = course_of(request, course_id)
    own = {section.pk for section in sections_of(reader(request), Staff.Role.INSTRUCTOR)}
    if people and course.sections.exclude(pk__in=own).exists():
        raise NotAllowed("The people of other sections are not yours to take out; take the course out without people.")
    answer = HttpResponse(as_zip(course_files(course, people=people)), content_type="application/zip")
    answer["Content-Disposition"] = f'attachment; filename="course-{course.pk}.zip"'
    return answer


@router.post("/set-up/import", response=MadeOut)
def import_course(request: HttpRequest, data: CourseZipIn) -> dict[str, Any]:
    """Put a course in from its zip: all of it, or nothing."""
    user = reader(request)
    if not may_found(user):
        raise NotAllowed("Only an instructor may put a course in.")
    try:
        content = base64.b64decode(data.data, validate=True)
    except ValueError:
        raise Refused("This file did not arrive whole; choose it again.") from None
    course = put_in(user, unpack(content), kits=not data.without_kits)
    return {"id": course.pk, "message": f"{course.title} is here."}


@router.post("/set-up/courses/{course_id}/copy", response=MadeOut)
def copy_course(request: HttpRequest, course_id: Id, data: CopyIn) -> dict[str, Any]:
    """The structure of a course for another year, without its people."""
    made = copy_for_next_year(reader(request), course_of(request, course_id), data.title.strip())
    return {"id": made.pk, "message": f"{made.title} has the exercises, rooms and sections of the other one."}


def _events(user: User, course: Course, word: str) -> "QuerySet[Event]":
    own = [section.pk for section in sections_of(user) if section.course_id == course.pk]
    sessions = Session.objects.filter(section__in=own).values_list("pk", flat=True)
    subjects = [
        f"course:{course.pk}",
        *(f"section:{pk}" for pk in own),
        *(f"session:{pk}" for pk in sessions),
        *(f"pair:{pk}" for pk in Pair.objects.filter(section__in=own).values_list("pk", flat=True)),
        *(f"user:{pk}" for pk in Staff.objects.filter(section__in=own).values_list("user", flat=True)),
        *(f"user:{pk}" for pk in Student.objects.filter(section__in=own).values_list("user", flat=True)),
        *(f"exercise:{slug}" for slug in course.exercises.values_list("slug", flat=True)),
        *(f"kit:{tag}" for tag in Kit.objects.filter(exercise__course=course).values_list("tag", flat=True)),
    ]
    found = Event.objects.filter(Q(scope__in=[session_scope(pk) for pk in sessions]) | Q(subject__in=subjects))
    for part in word.split()[:5]:
        who = Q(actor__first_name__icontains=part) | Q(actor__last_name__icontains=part)
        found = found.filter(who | Q(verb__icontains=part[:80]) | Q(subject__icontains=part[:60]))
    return found.select_related("actor")


def _told(rows: list[Event]) -> list[dict[str, Any]]:
    ids = [int(row.subject.split(":", 1)[1]) for row in rows if row.subject.startswith("docket:")]
    dockets = Docket.objects.filter(pk__in=ids).select_related("pair", "version__exercise")
    named = {f"docket:{d.pk}": f"{d.pair}, {d.version.exercise}" for d in dockets}
    users = [int(row.subject.split(":", 1)[1]) for row in rows if row.subject.startswith("user:")]
    named |= {f"user:{user.pk}": user.get_full_name() for user in User.objects.filter(pk__in=users)}
    return [
        {
            "id": row.pk,
            "at": row.at,
            "by": row.actor.get_full_name() if row.actor else "Verifex",
            "what": row.verb,
            "about": named.get(row.subject, row.subject.split(":", 1)[1] if row.subject.startswith("kit:") else ""),
        }
        for row in rows
    ]
