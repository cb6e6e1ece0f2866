"""Work that waits in the database: what is put here is done once, also across a crash, by the runner that feeds the workers.

One entry a kind and key: putting it again while it is under way has it done once more afterwards.
"""

import logging
import os
import threading
from collections.abc import Callable

from django.db import connection, transaction
from django.db.models import Q

from verifex.acts import clock
from verifex.work.models import Queued
from verifex.work.pool import runs_here

logger = logging.getLogger(__name__)
LOOK_SECONDS = 0.2  # how often an idle runner looks for what was put here: one look into one small table
MOST_TRIES = 3
Handler = Callable[[int], None]
HANDLERS: dict[str, Handler] = {}


def handles(kind: str) -> Callable[[Handler], Handler]:
    """Registers what does a kind of work. It gets the key, and must do no harm when it is called twice."""

    def register(function: Handler) -> Handler:
        HANDLERS[kind] = function
        return function

    return register


def put(kind: str, key: int) -> None:
    """Ask for work on `key`; call it inside the transaction whose outcome the work is about, and `kick` after it."""
    waiting, made = Queued.objects.get_or_create(kind=kind, key=key, defaults={"asked_at": clock.now()})
    if not made:
        Queued.objects.filter(pk=waiting.pk).update(again=True, tries=0)


def kick() -> None:
    """Have the queue worked through: at once in this thread where checks run in process; else the runner looks soon."""
    if runs_here():
        work_through()


def serve_until(ended: threading.Event) -> None:
    """Work the queue until `ended` is set; what a process that is gone had taken is taken up again."""
    while not ended.is_set():
        try:
            work_through()
        except Exception:
            logger.exception("the queue could not be read; it is looked at again in a moment")
            connection.close()
        ended.wait(LOOK_SECONDS)


def work_through() -> None:
    """Do everything that waits, in this thread."""
    while (item := _take()) is not None:
        _do(item)


def _take() -> Queued | None:
    """The next entry, marked as this process's; whoever changes the row has it."""
    if not Queued.objects.exists():
        return None
    mine = os.getpid()
    free = Queued.objects.filter(tries__lt=MOST_TRIES).filter(Q(taken_by=None) | ~Q(taken_by__in=_alive()))
    for item in free.order_by("asked_at")[:8]:
        if Queued.objects.filter(pk=item.pk, taken_by=item.taken_by).update(taken_by=mine, again=False):
            return item
    return None


def _alive() -> list[int]:
    """Processes that have entries and still run."""
    owners = Queued.objects.exclude(taken_by=None).values_list("taken_by", flat=True).distinct()
    return [pid for pid in owners if pid is not None and _runs(pid)]


def _runs(pid: int) -> bool:
    try:
        os.kill(pid, 0)
    except ProcessLookupError:
        return False
    except PermissionError:
        return True
    return True


def _do(item: Queued) -> None:
    try:
        HANDLERS[item.kind](item.key)
    except Exception:
        logger.exception("%s of %s failed", item.kind, item.key)
        Queued.objects.filter(pk=item.pk).update(taken_by=None, tries=item.tries + 1)
        return
    with transaction.atomic():
        # Put again meanwhile: it stays, and is done once more.
        if not Queued.objects.filter(pk=item.pk, again=False).delete()[0]:
            Queued.objects.filter(pk=item.pk).update(taken_by=None, tries=0)


def release_own() -> None:
    """Give back what an earlier process with this very id had taken."""
    Queued.objects.filter(taken_by=os.getpid()).update(taken_by=None)
