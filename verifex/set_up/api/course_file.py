"""A course as one file, a copy of it for another year, and copies of all the data."""

import base64
from typing import Annotated

from django.conf import settings
from django.db import connection
from django.http import HttpRequest, HttpResponse
from django.utils import timezone
from ninja import Router
from pydantic import Field

from verifex.acts.refusals import NotAllowed
from verifex.api.http import Id
from verifex.api.shape import Shape
from verifex.people.access import may_found, reader, sections_of
from verifex.people.models import Staff
from verifex.set_up.access import course_of
from verifex.set_up.course_file.bring_in import copy_for_next_year, put_in
from verifex.set_up.course_file.export import as_zip, course_files
from verifex.set_up.course_file.unpack import unpack
from verifex.set_up.refusals import CourseFileNotReadable
from verifex.set_up.schemas.common import MadeOut, SavedOut
from verifex.work.backups import BackupFailed, backup
from verifex.work.files import read_file
from verifex.work.refusals import FileIncomplete

router = Router(tags=["set-up"])


class CourseZipIn(Shape):
    """A course's zip as base64."""

    data: Annotated[str, Field(max_length=28_000_000)]
    without_kits: bool = False
    again: bool = False  # although the reader has a course of that title already


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
def import_course(request: HttpRequest, data: CourseZipIn) -> MadeOut:
    """Put a course in from its zip: all of it, or nothing."""
    user = reader(request)
    if not may_found(user):
        raise NotAllowed("Only an instructor may put a course in.")
    try:
        content = base64.b64decode(data.data, validate=True)
    except ValueError:
        raise FileIncomplete() from None
    unpacked = read_file(unpack, content)
    course = put_in(user, unpacked, kits=not data.without_kits, again=data.again)
    return MadeOut(id=course.pk, message=f"{course.title} is here.")


@router.post("/set-up/courses/{course_id}/copy", response=MadeOut)
def copy_course(request: HttpRequest, course_id: Id, data: CopyIn) -> MadeOut:
    """The structure of a course for another year, without its people."""
    made = copy_for_next_year(reader(request), course_of(request, course_id), data.title.strip())
    return MadeOut(id=made.pk, message=f"{made.title} has the exercises, rooms and sections of the other one.")


@router.post("/set-up/backup", response=SavedOut)
def back_up(request: HttpRequest) -> SavedOut:
    """Copy the database now; it goes on working meanwhile."""
    user = reader(request)
    if not user.is_superuser and not Staff.objects.filter(user=user, role=Staff.Role.INSTRUCTOR).exists():
        raise NotAllowed("Only an instructor may do that.")
    connection.ensure_connection()
    try:
        made = backup(connection.connection, settings.BACKUP_DIR, timezone.now())
    except BackupFailed as wrong:
        raise CourseFileNotReadable(str(wrong)) from None
    return SavedOut(message=f"Copied, {made.stat().st_size / 1000000.0:.1f} MB.")
