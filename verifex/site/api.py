"""The API: every router, and the one place where refusals and errors become answers."""

import logging
from typing import Any

from django.core.exceptions import ObjectDoesNotExist
from django.db import OperationalError
from django.http import Http404, HttpRequest, HttpResponse
from ninja import NinjaAPI
from ninja.errors import AuthenticationError, HttpError, Throttled, ValidationError
from ninja.security import django_auth

from verifex.acts.refusals import NotAllowed, Refused, Stale
from verifex.api.errors import ErrorOut
from verifex.core.problems import UnusableInput
from verifex.dockets.api.hatch import router as hatch
from verifex.dockets.api.kit_parts import router as kit_parts
from verifex.dockets.api.pair import router as my_bench
from verifex.dockets.api.staff import router as dockets
from verifex.dockets.api.wiring import router as wiring
from verifex.exercises.api import router as exercises
from verifex.floor.api import router as floor
from verifex.live.api import router as live
from verifex.marks.api import router as marks
from verifex.papers.api import ROUTERS as PAPERS
from verifex.people.api import router as people
from verifex.set_up.api.course_file import router as set_up_course_file
from verifex.set_up.api.courses import router as set_up_courses
from verifex.set_up.api.events import router as set_up_events
from verifex.set_up.api.people import router as set_up_people
from verifex.set_up.api.rooms import router as set_up_rooms
from verifex.set_up.api.sessions import router as set_up_sessions
from verifex.stores.api import ROUTERS as STORES
from verifex.sums.api import router as sums
from verifex.work.api import router as work
from verifex.work.pool import OverLimit, Superseded, TooBusy

api = NinjaAPI(title="Verifex", version="1", auth=django_auth, docs_url=None)
SET_UP = (set_up_courses, set_up_people, set_up_rooms, set_up_sessions, set_up_events, set_up_course_file)
for router in (
    people,
    floor,
    dockets,
    wiring,
    hatch,
    kit_parts,
    my_bench,
    *STORES,
    exercises,
    marks,
    sums,
    *PAPERS,
    work,
    live,
    *SET_UP,
):
    api.add_router("", router)


logger = logging.getLogger(__name__)


def _answer(request: HttpRequest, status: int, message: str, **more: Any) -> HttpResponse:
    return api.create_response(request, ErrorOut(message=message, **more).dict(), status=status)


@api.exception_handler(NotAllowed)
def not_allowed(request: HttpRequest, wrong: NotAllowed) -> HttpResponse:
    return _answer(request, 403, str(wrong))


@api.exception_handler(Refused)
def refused(request: HttpRequest, wrong: Refused) -> HttpResponse:
    return _answer(request, 422, str(wrong), reason=type(wrong).__name__)


@api.exception_handler(Stale)
def stale(request: HttpRequest, wrong: Stale) -> HttpResponse:
    return _answer(request, 409, str(wrong), changes=wrong.changes)


@api.exception_handler(UnusableInput)
def unusable(request: HttpRequest, wrong: UnusableInput) -> HttpResponse:
    first = wrong.problems[0]
    # A cell of a table has no line that its writer knows.
    said = f"Line {first.line}: {first.message}." if first.line else f"{first.message[:1].upper()}{first.message[1:]}."
    return _answer(request, 422, said, problems=[p.as_json() for p in wrong.problems])


@api.exception_handler(AuthenticationError)
def logged_out(request: HttpRequest, wrong: AuthenticationError) -> HttpResponse:
    return _answer(request, 401, "You are not logged in.")


@api.exception_handler(ValidationError)
def misshapen(request: HttpRequest, wrong: ValidationError) -> HttpResponse:
    first = wrong.errors[0]
    field = str(first.get("loc", ["input"])[-1])
    return _answer(request, 422, f"“{field}”: {first.get('msg', 'not understood')}.")


@api.exception_handler(Throttled)
def too_often(request: HttpRequest, wrong: Throttled) -> HttpResponse:
    return _answer(request, 429, "Too many tries. Wait a minute and try again.")


@api.exception_handler(Http404)
@api.exception_handler(ObjectDoesNotExist)
def absent(request: HttpRequest, wrong: Exception) -> HttpResponse:
    return _answer(request, 404, "There is nothing here by that number.")


@api.exception_handler(OverLimit)
def over_limit(request: HttpRequest, wrong: OverLimit) -> HttpResponse:
    return _answer(
        request,
        503,
        "This could not be done just now: the machine is busy. Nothing is wrong with it as far as we know; try again.",
    )


@api.exception_handler(Superseded)
def superseded(request: HttpRequest, wrong: Superseded) -> HttpResponse:
    return _answer(request, 409, "A newer check took this one's place.")


@api.exception_handler(TooBusy)
def too_busy(request: HttpRequest, wrong: TooBusy) -> HttpResponse:
    return _answer(request, 503, "Many checks are running just now; this one is tried again in a moment.")


@api.exception_handler(HttpError)
def refused_by_the_library(request: HttpRequest, wrong: HttpError) -> HttpResponse:
    if wrong.status_code == 403:  # the token that shows that a request comes from our own page
        return _answer(
            request,
            403,
            "This page was opened too long ago, or by somebody else. Load it again, then repeat what you did.",
        )
    return _answer(request, wrong.status_code, "This request cannot be read; JSON was expected.")


@api.exception_handler(Exception)
def unforeseen(request: HttpRequest, wrong: Exception) -> HttpResponse:
    """An error of the server: logged whole, answered in one sentence."""
    logger.error("%s %s failed", request.method, request.path, exc_info=wrong)
    return _answer(request, 500, "Something went wrong here; it is written down. Nothing was changed; try again.")


@api.exception_handler(OperationalError)
def busy(request: HttpRequest, wrong: OperationalError) -> HttpResponse:
    said = str(wrong)
    if "disk is full" in said or "disk I/O" in said:
        logger.error("%s %s: %s", request.method, request.path, wrong)
        return _answer(
            request, 507, "The disk of this server is full, so nothing was stored. Whoever runs it has to make room."
        )
    if "readonly" in said or "unable to open" in said:
        logger.error("%s %s: %s", request.method, request.path, wrong)
        return _answer(
            request, 500, "This server cannot write its data. Whoever runs it has to look at the data folder."
        )
    return _answer(request, 503, "The database was busy; nothing was lost. Try again.")
