"""The event log of a course, as its instructors may read it."""

import csv
import io
from dataclasses import dataclass
from datetime import date, timedelta

from django.db.models import Q, QuerySet

from verifex.acts.events import session_scope
from verifex.acts.models import Event
from verifex.dockets.models import Docket
from verifex.people.access import sections_of
from verifex.people.models import Course, Pair, Staff, Student, User
from verifex.people.times import local, midnight
from verifex.plan.models import Session
from verifex.set_up.schemas.events import EventOut
from verifex.stores.models import Kit
from verifex.tables.cells import safe

MOST_IN_A_TABLE = 20_000
#: Days beyond these leave nothing out, and their midnight may have no date elsewhere in the world.
EARLIEST_DAY = date(1970, 1, 1)
LATEST_DAY = date(9000, 1, 1)


@dataclass(frozen=True)
class EventSearch:
    """Which events are wanted: every word, from the first day to the last one, both included, by the course's clock."""

    word: str = ""
    first: date | None = None
    last: date | None = None


def events_of(user: User, course: Course, search: EventSearch) -> "QuerySet[Event]":
    """The events of the user's own sections and of the course that match a search, the newest first."""
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
    if search.first and search.first > EARLIEST_DAY:
        found = found.filter(at__gte=midnight(search.first, course))
    if search.last and search.last < LATEST_DAY:
        found = found.filter(at__lt=midnight(search.last + timedelta(days=1), course))
    for part in search.word.split()[:5]:
        who = Q(actor__first_name__icontains=part) | Q(actor__last_name__icontains=part)
        found = found.filter(who | Q(verb__icontains=part[:80]) | Q(subject__icontains=part[:60]))
    return found.select_related("actor").order_by("-id")


def events_json(rows: list[Event]) -> list[EventOut]:
    """Who did what to what, in words."""
    ids = [int(row.subject.split(":", 1)[1]) for row in rows if row.subject.startswith("docket:")]
    dockets = Docket.objects.filter(pk__in=ids).select_related("pair", "version__exercise")
    named = {f"docket:{d.pk}": f"{d.pair}, {d.version.exercise}" for d in dockets}
    users = [int(row.subject.split(":", 1)[1]) for row in rows if row.subject.startswith("user:")]
    named |= {f"user:{user.pk}": user.get_full_name() for user in User.objects.filter(pk__in=users)}
    return [
        EventOut(
            id=row.pk,
            at=row.at,
            by=row.actor.get_full_name() if row.actor else "Verifex",
            what=row.verb,
            about=named.get(row.subject, row.subject.split(":", 1)[1] if row.subject.startswith("kit:") else ""),
        )
        for row in rows
    ]


def events_csv(user: User, course: Course, search: EventSearch) -> str:
    """The event log as CSV, safe to open in a spreadsheet."""
    out = io.StringIO()
    writer = csv.writer(out)
    writer.writerow([f"when ({course.zone})", "who", "what", "about"])
    for row in events_json(list(events_of(user, course, search)[:MOST_IN_A_TABLE])):
        cells = (f"{local(row.at, course):%Y-%m-%d %H:%M:%S}", row.by, row.what, row.about)
        writer.writerow([safe(cell) for cell in cells])
    return "\ufeff" + out.getvalue()
