"""Courses, their sections and staff."""

from django.http import HttpRequest
from ninja import Router

from verifex.api.http import Id
from verifex.exercises.services import add_version, release
from verifex.people.access import courses_of, reader
from verifex.people.models import Staff, User
from verifex.people.services import courses, staff
from verifex.set_up.access import course_of, section_of
from verifex.set_up.present import course_json
from verifex.set_up.refusals import SampleAlreadyInCourse, UnknownSampleExercise
from verifex.set_up.samples import samples
from verifex.set_up.schemas.common import MadeOut, NameIn, SavedOut
from verifex.set_up.schemas.courses import (
    ClosedIn,
    CourseIn,
    CourseOut,
    CourseRowOut,
    NewCourseIn,
    NewLogInOut,
    RoleIn,
    SampleIn,
    ShippedOut,
    StaffIn,
    UserIn,
)

router = Router(tags=["set-up"])


@router.get("/set-up/courses", response=list[CourseRowOut])
def list_courses(request: HttpRequest) -> list[CourseRowOut]:
    """The courses the reader instructs, the one founded last first."""
    own = courses_of(reader(request), Staff.Role.INSTRUCTOR)
    return [CourseRowOut(id=c.pk, title=c.title, closed=c.closed_at is not None) for c in reversed(own)]


@router.post("/set-up/courses", response=MadeOut)
def found_course(request: HttpRequest, data: NewCourseIn) -> MadeOut:
    course = courses.found_course(reader(request), data.title, data.zone, data.sections)
    return MadeOut(id=course.pk, message=f"{course.title} is set up.")


@router.get("/set-up/courses/{course_id}", response=CourseOut)
def get_course(request: HttpRequest, course_id: Id) -> CourseOut:
    """A course with what it still lacks before its first lab day."""
    return course_json(course_of(request, course_id), reader(request))


@router.put("/set-up/courses/{course_id}", response=SavedOut)
def change_course(request: HttpRequest, course_id: Id, data: CourseIn) -> SavedOut:
    course = course_of(request, course_id)
    courses.change_course(reader(request), course, **data.model_dump())
    return SavedOut(message="Saved.")


@router.post("/set-up/courses/{course_id}/closed", response=SavedOut)
def close_course(request: HttpRequest, course_id: Id, data: ClosedIn) -> SavedOut:
    courses.close_course(reader(request), course_of(request, course_id), closed=data.closed)
    return SavedOut(message="The course is closed." if data.closed else "The course is open again.")


@router.post("/set-up/courses/{course_id}/sections", response=MadeOut)
def add_section(request: HttpRequest, course_id: Id, data: NameIn) -> MadeOut:
    section = courses.add_section(reader(request), course_of(request, course_id), data.name)
    return MadeOut(id=section.pk, message=f"{section.name} is added.")


@router.put("/set-up/sections/{section_id}", response=SavedOut)
def rename_section(request: HttpRequest, section_id: Id, data: NameIn) -> SavedOut:
    courses.rename_section(reader(request), section_of(request, section_id), data.name)
    return SavedOut(message="Saved.")


@router.delete("/set-up/sections/{section_id}", response=SavedOut)
def remove_section(request: HttpRequest, section_id: Id) -> SavedOut:
    section = section_of(request, section_id)
    courses.remove_section(reader(request), section)
    return SavedOut(message=f"{section.name} is removed.")


@router.post("/set-up/sections/{section_id}/staff", response=NewLogInOut)
def add_staff(request: HttpRequest, section_id: Id, data: StaffIn) -> NewLogInOut:
    """Somebody new by name, or somebody who has an account by log-in; one of another course is invited."""
    added = staff.add_staff(reader(request), section_of(request, section_id), data.who, data.role)
    if added.user is None:
        return NewLogInOut(name="", log_in=added.log_in, password="", invited=True)
    return _log_in(added.user, added.password)


@router.delete("/set-up/sections/{section_id}/invitations/{invitation_id}", response=SavedOut)
def withdraw_invitation(request: HttpRequest, section_id: Id, invitation_id: Id) -> SavedOut:
    staff.withdraw_invitation(reader(request), section_of(request, section_id), invitation_id)
    return SavedOut(message="The invitation is withdrawn.")


@router.put("/set-up/sections/{section_id}/staff/{user_id}", response=SavedOut)
def change_role(request: HttpRequest, section_id: Id, user_id: Id, data: RoleIn) -> SavedOut:
    """Another role; none takes the person off the staff."""
    staff.change_role(reader(request), section_of(request, section_id), user_id, data.role)
    return SavedOut(message="Saved.")


@router.post("/set-up/sections/{section_id}/password", response=NewLogInOut)
def reset_password(request: HttpRequest, section_id: Id, data: UserIn) -> NewLogInOut:
    """A new first password for a student or a member of staff, by whoever made the account."""
    return _log_in(*staff.reset_password(reader(request), section_of(request, section_id), data.user))


def _log_in(user: User, password: str) -> NewLogInOut:
    return NewLogInOut(name=user.get_full_name(), log_in=user.username, password=password)


@router.get("/set-up/courses/{course_id}/samples", response=list[ShippedOut])
def list_samples(request: HttpRequest, course_id: Id) -> list[ShippedOut]:
    """Exercises that ship with the application, and whether the course has them already."""
    held = set(course_of(request, course_id).exercises.values_list("slug", flat=True))
    return [
        ShippedOut(
            slug=slug,
            title=sample.file.title,
            summary=sample.file.summary,
            minutes=sample.file.minutes,
            parts=[part.title or part.part for part in sample.file.recipe],
            taken=slug in held,
        )
        for slug, sample in samples().items()
    ]


@router.post("/set-up/courses/{course_id}/samples", response=MadeOut)
def take_sample(request: HttpRequest, course_id: Id, data: SampleIn) -> MadeOut:
    """Take a shipped exercise into the course, released: it can be handed out at once."""
    course = course_of(request, course_id)
    sample = samples().get(data.slug)
    if sample is None:
        raise UnknownSampleExercise()
    if course.exercises.filter(slug=data.slug).exists():
        raise SampleAlreadyInCourse(sample.file.title)
    version = add_version(reader(request), course, sample.text, program=sample.program)
    release(reader(request), version)
    return MadeOut(id=version.exercise_id, message=f"{sample.file.title} is in the course and can be handed out.")
