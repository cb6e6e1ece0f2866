"""Runs long work in threads of the server: progress, cancel, and taking up again what a restart cut off."""

import logging
import threading
from collections.abc import Callable, Generator
from dataclasses import dataclass
from datetime import timedelta
from typing import Any

from django.db import connection, transaction

from verifex.people import clock
from verifex.people.models import User
from verifex.work.models import State, Work

logger = logging.getLogger(__name__)
SILENT_AFTER = timedelta(seconds=30)  # work that gave no sign for so long was cut off
KEPT_FOR = timedelta(days=1)


@dataclass(frozen=True, slots=True)
class Made:
    """What work ends with: a file."""

    name: str
    content: bytes


Progress = Generator[tuple[int, int], None, Made]  # yields (done, total), returns what was made
Job = Callable[[dict[str, Any]], Progress]
JOBS: dict[str, Job] = {}


def job(kind: str) -> Callable[[Job], Job]:
    """Registers a kind of work. The function may be begun anew after a restart, so it must do no harm twice."""

    def register(function: Job) -> Job:
        JOBS[kind] = function
        return function

    return register


def start(kind: str, by: User, detail: dict[str, Any]) -> Work:
    """Ask for work; it begins once the transaction is through."""
    Work.objects.filter(asked_at__lt=clock.now() - KEPT_FOR).delete()
    work = Work.objects.create(kind=kind, by=by, detail=detail)
    transaction.on_commit(lambda: _begin(work.pk))
    return work


def take_up_again() -> None:
    """Begin work anew that was cut off by a restart."""
    silent = clock.now() - SILENT_AFTER
    cut_off = Work.objects.filter(state=State.RUNNING, beat__lt=silent) | Work.objects.filter(
        state=State.WAITING, asked_at__lt=silent
    )
    for pk in cut_off.values_list("pk", flat=True):
        _begin(pk)


def cancel(work: Work) -> None:
    """Ask running work to stop at its next step."""
    Work.objects.filter(pk=work.pk, state__in=[State.WAITING, State.RUNNING]).update(wants_cancel=True)


def _begin(pk: int) -> None:
    # Whoever changes the row does the work: two threads never do it both.
    taken = Work.objects.filter(pk=pk, state__in=[State.WAITING, State.RUNNING]).update(
        state=State.RUNNING, beat=clock.now()
    )
    if taken:
        threading.Thread(target=_run, args=(pk,), daemon=True, name=f"work-{pk}").start()


def _run(pk: int) -> None:
    try:
        run_now(Work.objects.get(pk=pk))
    finally:
        connection.close()


def run_now(work: Work) -> None:
    """Do the work in this thread, to its end."""
    mine = Work.objects.filter(pk=work.pk)
    steps = JOBS[work.kind](work.detail)
    try:
        while True:
            done, total = next(steps)
            mine.update(done=done, total=total, beat=clock.now())
            if mine.filter(wants_cancel=True).exists():
                steps.close()
                mine.update(state=State.CANCELLED, message="Cancelled.")
                return
    except StopIteration as end:
        made: Made = end.value
        mine.update(state=State.DONE, file_name=made.name, file=made.content, beat=clock.now())
    except Exception:
        logger.exception("work %s of kind %s failed", work.pk, work.kind)
        mine.update(state=State.FAILED, message="It could not be finished. Nothing was changed; try again.")
