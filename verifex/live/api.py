"""Live readings in the API: the helper's door, which needs a code and no log-in, and events for who looks."""

import json
from typing import Any

from django.http import HttpRequest, HttpResponse
from ninja import Router

from verifex.acts import clock
from verifex.acts.refusals import Refused
from verifex.api.http import Id
from verifex.dockets.access import docket_for_staff, own_docket
from verifex.dockets.models import Docket
from verifex.live import services
from verifex.live.present import feed_shown
from verifex.live.schemas import MOST_LINES, FeedOut, LinesIn, LiveVerdictOut, MarkIn, TakenOut
from verifex.people.access import reader
from verifex.people.throttles import note_miss, refuse_guessing

"""Live readings in the API: the helper's door, which needs a code and no log-in, and events for who looks."""


router = Router(tags=["live readings"])


RETRY_MS = 700  # after which the browser asks again: a held connection would keep a thread of the server


@router.post("/live/{code}/lines", response=TakenOut, auth=None)
def take(request: HttpRequest, code: str, data: LinesIn) -> TakenOut:
    """What the board printed since; the same lines twice are kept once."""
    refuse_guessing(request, "live-code")
    try:
        return TakenOut(received=services.take_lines(code[:16], data.first, data.lines).received)
    except Refused:
        note_miss(request, "live-code")
        raise


@router.post("/my/dockets/{docket_id}/live", response=FeedOut)
def listen_to_mine(request: HttpRequest, docket_id: Id) -> FeedOut:
    return feed_shown(services.open_feed(reader(request), own_docket(request, docket_id).pk))


@router.post("/my/dockets/{docket_id}/live/mark", response=FeedOut)
def mark_mine(request: HttpRequest, docket_id: Id, data: MarkIn) -> FeedOut:
    return feed_shown(services.mark_step(own_docket(request, docket_id), data.step))


@router.post("/my/dockets/{docket_id}/live/stop", response=FeedOut)
def stop_mine(request: HttpRequest, docket_id: Id) -> FeedOut:
    return _stopped(request, own_docket(request, docket_id))


@router.get("/my/dockets/{docket_id}/live")
def stream_my_lines(request: HttpRequest, docket_id: Id, after: int = 0) -> HttpResponse:
    """Server-sent events: the lines after those that were received."""
    return _events(request, own_docket(request, docket_id), after)


@router.get("/my/dockets/{docket_id}/live/said", response=LiveVerdictOut)
def my_verdict(request: HttpRequest, docket_id: Id) -> dict[str, Any]:
    """Whether something is off so far."""
    said = _verdict(request, own_docket(request, docket_id))
    return {**said, "steps": [{**step, "low": None, "high": None} for step in said["steps"]]}


@router.post("/dockets/{docket_id}/live", response=FeedOut)
def listen(request: HttpRequest, docket_id: Id) -> FeedOut:
    return feed_shown(services.open_feed(reader(request), docket_for_staff(request, docket_id).pk))


@router.post("/dockets/{docket_id}/live/mark", response=FeedOut)
def mark(request: HttpRequest, docket_id: Id, data: MarkIn) -> FeedOut:
    return feed_shown(services.mark_step(docket_for_staff(request, docket_id), data.step))


@router.post("/dockets/{docket_id}/live/stop", response=FeedOut)
def stop(request: HttpRequest, docket_id: Id) -> FeedOut:
    return _stopped(request, docket_for_staff(request, docket_id))


@router.get("/dockets/{docket_id}/live")
def stream_lines(request: HttpRequest, docket_id: Id, after: int = 0) -> HttpResponse:
    """Server-sent events: the lines after those that were received."""
    return _events(request, docket_for_staff(request, docket_id), after)


@router.get("/dockets/{docket_id}/live/said", response=LiveVerdictOut)
def verdict(request: HttpRequest, docket_id: Id) -> dict[str, Any]:
    """Whether something is off so far."""
    return _verdict(request, docket_for_staff(request, docket_id))


def _stopped(request: HttpRequest, docket: Docket) -> FeedOut:
    services.close_feed(reader(request), docket.pk)
    feed = services.feed_of(docket)
    return feed_shown(feed) if feed else FeedOut(code="", lines=0, open=False)


def _verdict(request: HttpRequest, docket: Docket) -> dict[str, Any]:
    return services.verdict_of(reader(request), docket)


def _events(request: HttpRequest, docket: Docket, after: int) -> HttpResponse:
    """One event with what is new; the browser comes again by itself after `RETRY_MS`, with the number of the last line."""
    heard = request.headers.get("Last-Event-ID", "")
    after = int(heard) if heard.isdigit() else max(0, after)
    feed = services.feed_of(docket)
    after = min(after, feed.lines if feed else 0)
    new = services.lines_after(feed, after, MOST_LINES) if feed else []
    event = {
        "lines": new,
        "open": bool(feed and feed.closed_at is None),
        "code": feed.code if feed and feed.closed_at is None else "",
        "quiet": bool(feed and (feed.heard_at is None or clock.now() - feed.heard_at > services.QUIET)),
        "heard": bool(feed and feed.heard_at),
    }
    body = f"retry: {RETRY_MS}\nid: {after + len(new)}\ndata: {json.dumps(event)}\n\n"
    answer = HttpResponse(body, content_type="text/event-stream")
    answer["Cache-Control"] = "no-store"
    return answer
