"""Long work with progress that a person waits for and can cancel; it is worked through by the queue."""

import logging
from collections.abc import Callable, Generator
from dataclasses import dataclass
from datetime import timedelta
from typing import Any

from django.db import transaction

from verifex.acts import clock
from verifex.acts.refusals import Refused
from verifex.people.models import User
from verifex.work import queue
from verifex.work.models import State, Work
from verifex.work.pool import OverLimit, runs_in_process

logger = logging.getLogger(__name__)
WORK = "work"
KEPT_FOR = timedelta(days=1)
AGAIN_AFTER = timedelta(seconds=10)


@dataclass(frozen=True, slots=True)
class Made:
    """What work ends with: a file of any kind."""

    name: str
    content: bytes
    content_type: str


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
    """Ask for work: it begins at once where nothing else waits, and again after a restart that cut it off."""
    with transaction.atomic():
        Work.objects.filter(asked_at__lt=clock.now() - KEPT_FOR).delete()
        work = Work.objects.create(kind=kind, by=by, detail=detail)
        queue.put(WORK, work.pk)
    if not runs_in_process():
        queue.run_pending()
    return work


def cancel(work: Work) -> None:
    """Ask running work to stop at its next step."""
    Work.objects.filter(pk=work.pk, state__in=[State.WAITING, State.RUNNING]).update(wants_cancel=True)


@queue.handles(WORK)
def run(work_id: int) -> None:
    """Do the work, to its end, in this thread."""
    work = Work.objects.defer("file").filter(pk=work_id, state__in=[State.WAITING, State.RUNNING]).first()
    if work is not None:
        run_now(work)


def run_now(work: Work) -> None:
    mine = Work.objects.filter(pk=work.pk)
    mine.update(state=State.RUNNING, message="")
    steps = JOBS[work.kind](work.detail)
    try:
        while True:
            if mine.filter(wants_cancel=True).exists():
                steps.close()
                mine.update(state=State.CANCELLED, message="Cancelled.")
                return
            done, total = next(steps)
            mine.update(done=done, total=total)
    except StopIteration as end:
        made: Made = end.value
        mine.update(state=State.DONE, file_name=made.name, file=made.content, file_type=made.content_type)
    except OverLimit:
        # The machine could not do it now: it waits its turn, with what it has done so far forgotten.
        mine.update(state=State.WAITING, done=0, message="The machine is busy; this waits its turn.")
        queue.put(WORK, work.pk, after=AGAIN_AFTER)
    except Refused as refused:
        mine.update(state=State.FAILED, message=str(refused)[:300])
    except Exception:
        logger.exception("work %s of kind %s failed", work.pk, work.kind)
        mine.update(state=State.FAILED, message="It could not be finished. Nothing was changed; try again.")
