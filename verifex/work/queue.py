"""Work that waits in the database: what is put here is done once, also across a crash, by the runner that feeds the workers.

One entry a kind and key: putting it again while it is under way has it done once more afterwards. Who takes an entry has a
lease on it and renews that for as long as it works; an entry whose lease ran out is taken up by somebody else.
"""

import logging
import secrets
import threading
from collections.abc import Callable, Iterator
from contextlib import contextmanager
from datetime import timedelta

from django.db import connection, transaction
from django.db.models import Model, Q

from verifex.acts import clock
from verifex.work import wake
from verifex.work.models import Queued
from verifex.work.pool import runs_in_process

logger = logging.getLogger(__name__)
LOOK_SECONDS = 20.0  # how often an idle runner looks for what is due, besides when it is woken
LEASE = timedelta(seconds=20)
RENEW_SECONDS = 5.0
MOST_TRIES = 3
Handler = Callable[[int], None]
HANDLERS: dict[str, Handler] = {}
WHEN_FAILED: dict[str, Handler] = {}
#: By kind the table whose rows its keys are, where a row can be removed while work on it waits.
ABOUT: dict[str, type[Model]] = {}
#: Who takes entries in this run of this program: made anew at each start, and never given to another run.
OWNER = secrets.token_hex(16)


def handles(kind: str, about: type[Model] | None = None) -> Callable[[Handler], Handler]:
    """Registers what does a kind of work. It gets the key, and must do no harm when it is called twice. Work on a row of
    `about` that is removed meanwhile is done."""

    def register(function: Handler) -> Handler:
        HANDLERS[kind] = function
        if about is not None:
            ABOUT[kind] = about
        return function

    return register


def when_failed(kind: str) -> Callable[[Handler], Handler]:
    """Registers what is done when a kind of work failed too often and is given up until a person asks for it again."""

    def register(function: Handler) -> Handler:
        WHEN_FAILED[kind] = function
        return function

    return register


def put(kind: str, key: int, *, after: timedelta = timedelta(0)) -> None:
    """Ask for work on `key`, not before `after` has passed; call it inside the transaction whose outcome the work is about,
    and `run_pending` after it. What failed before begins anew."""
    due_at = clock.now() + after
    waiting, made = Queued.objects.get_or_create(
        kind=kind, key=key, defaults={"asked_at": clock.now(), "due_at": due_at}
    )
    if not made:
        # The time of an entry that failed, or is being done, is over: what counts is when it is to be done next.
        over = waiting.failed_at or (waiting.owner and not waiting.again)
        due_at = due_at if over else min(due_at, waiting.due_at)
        Queued.objects.filter(pk=waiting.pk).update(again=True, tries=0, failed_at=None, due_at=due_at)


def run_pending() -> None:
    """Have the queue worked through: at once in this thread where checks run in process; else the runner is woken."""
    if runs_in_process():
        work_through()
    else:
        wake.up()


def serve_until(ended: threading.Event) -> None:
    """Work the queue until `ended` is set; what a run that is gone had taken is taken up again."""
    while not ended.is_set():
        since = wake.wake_count()
        try:
            work_through()
        except Exception:
            logger.exception("the queue could not be read; it is looked at again in a moment")
            connection.close()
            ended.wait(1.0)
        wake.wait(_seconds_to_next(), since)


def _seconds_to_next() -> float:
    """How long there is nothing to do as far as is known now: until the next entry is due, or a lease runs out."""
    try:
        waiting = Queued.objects.filter(failed_at=None).order_by()
        times = [*waiting.filter(owner="").values_list("due_at", flat=True)]
        times += [at for at in waiting.exclude(owner="").values_list("leased_until", flat=True) if at]
    except Exception:
        logger.exception("the queue could not be read")
        return 1.0
    if not times:
        return LOOK_SECONDS
    return min(LOOK_SECONDS, max(0.05, (min(times) - clock.now()).total_seconds()))


def renew_until(ended: threading.Event) -> None:
    """Renew the leases of this run while it works on something."""
    while not ended.wait(RENEW_SECONDS):
        try:
            renew()
        except Exception:
            logger.exception("leases could not be renewed")
        finally:
            connection.close()


def renew() -> None:
    """What this run works on stays its own for another while."""
    if _under_way:
        Queued.objects.filter(owner=OWNER).update(leased_until=clock.now() + LEASE)


def work_through() -> None:
    """Do everything that is due, in this thread."""
    while (item := _take()) is not None:
        with _counted():
            _do(item)


_under_way: list[object] = []  # a mark for each entry that a thread of this process works on


@contextmanager
def _counted() -> Iterator[None]:
    mark = object()
    _under_way.append(mark)
    try:
        yield
    finally:
        _under_way.remove(mark)


def _take() -> Queued | None:
    """The next entry that is due and nobody's, marked as this run's; whoever changes the row has it."""
    now = clock.now()
    free = Queued.objects.filter(failed_at=None, due_at__lte=now).filter(Q(owner="") | Q(leased_until__lt=now))
    for item in free.order_by("asked_at")[:8]:
        mine = Queued.objects.filter(pk=item.pk, owner=item.owner, leased_until=item.leased_until, again=item.again)
        if mine.update(owner=OWNER, leased_until=now + LEASE, again=False):
            return item
    return None


def _do(item: Queued) -> None:
    own = Queued.objects.filter(pk=item.pk, owner=OWNER)
    try:
        HANDLERS[item.kind](item.key)
    except Exception:
        about = ABOUT.get(item.kind)
        if about is not None and not about._default_manager.filter(pk=item.key).exists():
            own.delete()
            return
        logger.exception("%s of %s failed", item.kind, item.key)
        failed = item.tries + 1 >= MOST_TRIES
        own.update(owner="", leased_until=None, tries=item.tries + 1, failed_at=clock.now() if failed else None)
        if failed and item.kind in WHEN_FAILED:
            WHEN_FAILED[item.kind](item.key)
        return
    with transaction.atomic():
        # Put again meanwhile: it stays, and is done once more.
        if not own.filter(again=False).delete()[0]:
            own.update(owner="", leased_until=None, tries=0)


def release_own() -> None:
    """Give back what this run has taken and cannot finish."""
    Queued.objects.filter(owner=OWNER).update(owner="", leased_until=None)
