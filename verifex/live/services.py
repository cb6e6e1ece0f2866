"""Listening to a board: open, take lines, mark a step, close."""

import secrets
from collections.abc import Sequence
from dataclasses import replace
from datetime import timedelta
from typing import Any

from django.db import transaction
from django.db.models import QuerySet

from verifex.acts import clock
from verifex.core.assess.live import readings_now
from verifex.core.hand_ins import HandIn
from verifex.core.printed.lines import MARK_SIGNS
from verifex.core.problems import UnusableInput
from verifex.dockets.act import begin, enter, finish
from verifex.dockets.inputs import DocketInputs
from verifex.dockets.models import Docket, Station
from verifex.dockets.transitions import DocketAct
from verifex.live.models import LiveFeed, LiveLine
from verifex.live.refusals import LiveCodeExpired, LiveLogTooLarge, NobodyListens, UnknownPlanStep
from verifex.live.window import last_of_each_step
from verifex.people.models import User
from verifex.work.pool import compute_live

LETTERS = "abcdefghjkmnpqrstuvwxyz23456789"  # none that looks like another
CODE_LENGTH = 10
MOST_LETTERS = 1_000_000
MOST_LINE = 400
OPEN_FOR = timedelta(hours=4)
QUIET = timedelta(seconds=6)  # without a word from the helper: the screen then shows that nothing comes


@transaction.atomic
def open_feed(by: User, docket_id: int) -> LiveFeed:
    """Begin to listen. What was open for this docket is closed. Refused before the bench is cleared for power, and for a docket
    whose marking is closed."""
    docket = begin(docket_id, None)
    enter(by, docket, DocketAct.LISTEN, Station.READINGS)
    _open(docket).update(closed_at=clock.now())
    code = "".join(secrets.choice(LETTERS) for _ in range(CODE_LENGTH))
    feed = LiveFeed.objects.create(docket=docket, code=code, by=by)
    finish(docket, by, "began live readings")
    return feed


@transaction.atomic
def close_feed(by: User, docket_id: int) -> None:
    """Listen no longer. Nothing happens where nobody listens."""
    docket = begin(docket_id, None)
    if _open(docket).update(closed_at=clock.now()):
        finish(docket, by, "ended live readings")


def _open(docket: Docket) -> "QuerySet[LiveFeed]":
    return LiveFeed.objects.filter(docket=docket, closed_at=None)


def feed_of(docket: Docket) -> LiveFeed | None:
    """The feed that is open, else the last one."""
    return LiveFeed.objects.filter(docket=docket).order_by("-id").first()


@transaction.atomic
def take_lines(code: str, first: int, lines: Sequence[str]) -> LiveFeed:
    """Lines from the helper; `first` is the number of the first of them among all it sent, from 0, so that sending the same
    twice keeps it once. Refused for a code that is none, or not any more."""
    feed = LiveFeed.objects.select_for_update().filter(code=code, closed_at=None).first()
    if feed is None or clock.now() - feed.opened_at > OPEN_FOR:
        raise LiveCodeExpired()
    new = [line[:MOST_LINE] for line in lines[max(0, feed.received - first) :]]
    feed.heard_at = clock.now()
    feed.received = max(feed.received, first + len(lines))
    _append(feed, new)
    return feed


@transaction.atomic
def mark_step(docket: Docket, step: str) -> LiveFeed:
    """A mark before what comes next. Refused for what is no step of the plan, and while nobody listens."""
    feed = LiveFeed.objects.select_for_update().filter(docket=docket, closed_at=None).first()
    if feed is None:
        raise NobodyListens()
    if step not in {one.name for one in docket.version.file.steps}:
        raise UnknownPlanStep(step)
    _append(feed, [f"# {step}"])
    return feed


def _append(feed: LiveFeed, lines: Sequence[str]) -> None:
    clean = [line.replace("\x00", "").rstrip("\r\n") for line in lines]
    letters = sum(len(line) + 1 for line in clean)
    if clean and letters + feed.letters > MOST_LETTERS:
        raise LiveLogTooLarge()
    LiveLine.objects.bulk_create(
        LiveLine(feed=feed, number=feed.lines + place, text=line, is_mark=line.startswith(MARK_SIGNS))
        for place, line in enumerate(clean)
    )
    feed.letters += letters
    feed.lines += len(clean)
    feed.save(update_fields=["letters", "lines", "received", "heard_at"])


def lines_after(feed: LiveFeed, number: int, most: int) -> list[str]:
    """At most so many lines, from the one of this number on."""
    return list(feed.rows.filter(number__gte=number).values_list("text", flat=True)[:most])


def verdict_of(by: User, docket: Docket) -> dict[str, Any]:
    """How the steps so far lie on this bench, by the last lines of each, and what is off; nothing is kept."""
    feed = feed_of(docket)
    text = last_of_each_step(feed) if feed else ""
    if not text.strip():
        return {"steps": [], "notes": []}
    case = replace(DocketInputs(docket).case((HandIn.WIRING,)), log=text)
    try:
        found: dict[str, Any] = compute_live(("live readings", by.pk, docket.pk), readings_now, case)
    except UnusableInput as wrong:
        return {"steps": [], "notes": [f"{p.message[:1].upper()}{p.message[1:]}." for p in wrong.problems]}
    return found
