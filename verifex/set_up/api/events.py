"""The event log of a course."""

from datetime import date

from django.http import HttpRequest, HttpResponse
from ninja import Router

from verifex.api.http import Id
from verifex.people.access import reader
from verifex.set_up.access import course_of
from verifex.set_up.events import EventSearch, events_csv, events_json, events_of
from verifex.set_up.schemas.events import EventsOut

router = Router(tags=["set-up"])
AT_ONCE = 100


@router.get("/set-up/courses/{course_id}/events", response=EventsOut)
def events(
    request: HttpRequest,
    course_id: Id,
    word: str = "",
    before: int = 0,
    first: date | None = None,
    last: date | None = None,
) -> EventsOut:
    """The event log of the reader's own sections and of the course, the newest first."""
    found = events_of(reader(request), course_of(request, course_id), EventSearch(word, first, last))
    if 0 < before < 2**63:
        found = found.filter(pk__lt=before)
    rows = list(found[: AT_ONCE + 1])
    return EventsOut(events=events_json(rows[:AT_ONCE]), more=len(rows) > AT_ONCE)


@router.get("/set-up/courses/{course_id}/events.csv")
def events_table(
    request: HttpRequest, course_id: Id, word: str = "", first: date | None = None, last: date | None = None
) -> HttpResponse:
    """The event log as CSV, safe to open in a spreadsheet."""
    course = course_of(request, course_id)
    table = events_csv(reader(request), course, EventSearch(word, first, last))
    answer = HttpResponse(table, content_type="text/csv; charset=utf-8")
    answer["Content-Disposition"] = f'attachment; filename="events-{course.pk}.csv"'
    return answer
