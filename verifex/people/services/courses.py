"""Courses and their sections: founded, changed, archived, closed."""

from collections.abc import Sequence
from datetime import date
from zoneinfo import available_timezones

from django.db import transaction

from verifex.acts import clock
from verifex.acts.events import record
from verifex.acts.refusals import NotAllowed
from verifex.people.access import may_found, require_course_instructor, require_instructor
from verifex.people.models import Course, Section, Staff, User
from verifex.people.refusals import (
    LastSection,
    NameMissing,
    NameTooLong,
    SectionInUse,
    SectionNameTaken,
    TermEndsBeforeStart,
    TooManyHolidays,
    UnknownTimeZone,
)

MOST_HOLIDAYS = 400


@transaction.atomic
def found_course(actor: User, title: str, zone: str, sections: Sequence[str]) -> Course:
    """A new course; who founds it instructs all of its sections. Raises NotAllowed, Refused."""
    if not may_found(actor):
        raise NotAllowed("Only an instructor may set up a course.")
    course = Course.objects.create(title=_named(title, "course", 120), zone=_known_zone(zone))
    names = [name.strip() for name in sections if name.strip()] or ["Section 1"]
    for name in names:
        section = Section.objects.create(course=course, name=_free_section(course, name))
        Staff.objects.create(section=section, user=actor, role=Staff.Role.INSTRUCTOR)
    record(actor, "founded a course", _subject(course), title=course.title)
    return course


@transaction.atomic
def change_course(
    actor: User,
    course: Course,
    *,
    title: str,
    zone: str,
    starts_on: date | None,
    ends_on: date | None,
    holidays: list[date],
) -> None:
    """What a course is called, its time zone, its term and the days without a session."""
    require_course_instructor(actor, course)
    if starts_on and ends_on and ends_on < starts_on:
        raise TermEndsBeforeStart()
    if len(holidays) > MOST_HOLIDAYS:
        raise TooManyHolidays(MOST_HOLIDAYS)
    course.title, course.zone = _named(title, "course", 120), _known_zone(zone)
    course.starts_on, course.ends_on = starts_on, ends_on
    course.holidays = sorted({day.isoformat() for day in holidays})
    course.save()
    record(actor, "changed the course", _subject(course))


@transaction.atomic
def add_section(actor: User, course: Course, name: str) -> Section:
    """Another section; the instructors of the course's other sections are not in it by themselves, its maker is."""
    require_course_instructor(actor, course)
    section = Section.objects.create(course=course, name=_free_section(course, name))
    Staff.objects.create(section=section, user=actor, role=Staff.Role.INSTRUCTOR)
    record(actor, f"added section {section.name}"[:120], _subject(course))
    return section


@transaction.atomic
def rename_section(actor: User, section: Section, name: str) -> None:
    require_instructor(actor, section)
    if name.strip() != section.name:
        section.name = _free_section(section.course, name)
        section.save(update_fields=["name"])
        record(actor, f"renamed a section to {section.name}"[:120], _subject(section.course))


@transaction.atomic
def remove_section(actor: User, section: Section) -> None:
    """Raises Refused where something kept points to it, and for the last one of a course."""
    require_instructor(actor, section)
    if section.course.sections.count() < 2:
        raise LastSection()
    held = [
        f"{count} {what if count == 1 else what + 's'}"
        for what, count in (
            ("student", section.students.filter(until=None).count()),
            ("pair", section.pairs.count()),
            ("session", section.sessions.count()),
        )
        if count
    ]
    if held:
        raise SectionInUse(section.name, tuple(held))
    record(actor, f"removed section {section.name}"[:120], _subject(section.course))
    section.delete()


@transaction.atomic
def close_course(actor: User, course: Course, *, closed: bool) -> None:
    """A closed course is kept to look at and no longer worked in; it can be opened again. Both are for an instructor of all
    its sections, or for the first instructor of the installation: what is closed is everybody's. Raises NotAllowed."""
    require_course_instructor(actor, course)
    own = Staff.objects.filter(user=actor, role=Staff.Role.INSTRUCTOR).values("section")
    others = course.sections.exclude(pk__in=own)
    if not actor.is_superuser and others.exists():
        names = ", ".join(others.order_by("name").values_list("name", flat=True)[:3])
        raise NotAllowed(
            f"The course has sections of other instructors ({names}); only an instructor of all may do that."
        )
    course.closed_at = clock.now() if closed else None
    course.save(update_fields=["closed_at"])
    record(actor, "closed the course" if closed else "opened the course again", _subject(course))


def _subject(course: Course) -> str:
    return f"course:{course.pk}"


def _named(name: str, what: str, most: int) -> str:
    words = " ".join(name.split())
    if not words:
        raise NameMissing(what)
    if len(words) > most:
        raise NameTooLong(what, most)
    return words


def _free_section(course: Course, name: str) -> str:
    words = _named(name, "section", 60)
    if course.sections.filter(name__iexact=words).exists():
        raise SectionNameTaken(words)
    return words


def _known_zone(zone: str) -> str:
    if zone not in available_timezones():
        raise UnknownTimeZone(zone)
    return zone
