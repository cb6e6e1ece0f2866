"""Worker processes for whatever depends on a student's text: killed and replaced when over a limit.

Four pools: for judging hand-ins, for answers while someone types, for papers, and for files that people send, so that no
long log, no class of papers and no strange file keeps a live check waiting.
"""

import logging
import multiprocessing
import os
import signal
import threading
from collections.abc import Callable, Iterator
from concurrent.futures import CancelledError, TimeoutError
from concurrent.futures.process import BrokenProcessPool
from contextlib import contextmanager
from contextvars import ContextVar
from dataclasses import dataclass, replace
from typing import Any
from weakref import WeakSet

from django.conf import settings
from pebble import ProcessExpired, ProcessFuture, ProcessPool

from verifex.work.limits import OUT_OF_MEMORY_EXIT, begin_worker, run_limited
from verifex.work.newest import claim, is_newest

logger = logging.getLogger(__name__)
MB = 1024 * 1024


@dataclass(frozen=True, slots=True)
class Limit:
    """What one call may use, and the pool it runs in. Processor time counts, as the kernel measures it; `wall_seconds` only
    ends a call that waits for something that never comes, however busy the machine is."""

    cpu_seconds: float
    memory_bytes: int = 700 * MB
    pool: str = "judging"

    @property
    def wall_seconds(self) -> float:
        return 60 + 30 * self.cpu_seconds

    def times(self, factor: int) -> "Limit":
        """The same with so many times the processor time."""
        return replace(self, cpu_seconds=self.cpu_seconds * factor)


LIVE = Limit(2, 500 * MB, pool="live")
PAPER = Limit(30, 1200 * MB, pool="papers")
#: Workers by pool. Judging leaves a core to the answers; the other pools may not keep it waiting.
WORKERS = {"judging": max(1, (os.cpu_count() or 2) - 1), "live": 1, "papers": 1, "files": 1}
LOOK_SECONDS = 0.5
MOST_STUCK_SECONDS = 30.0  # a busy machine may let a free worker wait for so long
QUIET_TRACKER = "ignore::UserWarning:multiprocessing.resource_tracker"
WORKER_NAME = "pebble_pool_worker"
MOST_TRIES = 3  # of a call whose worker was killed from outside
MOST_BREAKS = 6  # of a pool under one call: on a busy machine it may lose sight of a worker that a limit has ended
MOST_WAITING_LIVE = 5  # threads of the server that may wait for live answers at once


_here: ContextVar[bool] = ContextVar("checks_run_here", default=False)


@contextmanager
def checks_run_here() -> Iterator[None]:
    """Within the block checks run in this very thread, without limits: for loading texts of our own in one transaction."""
    token = _here.set(True)
    try:
        yield
    finally:
        _here.reset(token)


def runs_in_process() -> bool:
    return _here.get() or not settings.CHECKS_IN_WORKERS


class OverLimit(Exception):
    """A call was ended: `reason` is 'time', 'memory', or 'failed' where its worker kept dying through no limit of ours."""

    def __init__(self, reason: str) -> None:
        super().__init__(reason)
        self.reason = reason


class Superseded(Exception):
    """A newer live check of the same editor took this one's place."""


class TooBusy(Exception):
    """So many live checks are waiting that this one was not begun."""


def compute(function: Callable[..., Any], *args: Any, limit: Limit) -> Any:
    """What `function(*args)` (of a module, with arguments that can be pickled) returns or raises. Raises OverLimit."""
    if runs_in_process():
        return function(*args)
    killed = broken = 0
    while killed < MOST_TRIES and broken < MOST_BREAKS:
        try:
            return _outcome(_begin(function, args, limit), limit.pool)
        except TimeoutError:
            raise OverLimit("failed") from None  # the wall: it waited for something
        except ProcessExpired as gone:
            if reason := _reason(gone):
                raise OverLimit(reason) from None
            killed += 1
            logger.warning("a worker was killed from outside; its call is begun again")
        except (BrokenProcessPool, RuntimeError):
            broken += 1
            logger.exception("the pool of workers broke; another one is made")
    raise OverLimit("failed")


_live: "dict[object, ProcessFuture[Any]]" = {}
_live_lock = threading.Lock()
_waiting = threading.BoundedSemaphore(MOST_WAITING_LIVE)


def compute_live(editor: object, function: Callable[..., Any], *args: Any) -> Any:
    """As `compute`, for an answer while someone types: a newer call of the same `editor` drops an older one, at once in this
    process, else when the older one is looked at next.

    Raises OverLimit, Superseded, or TooBusy.
    """
    if runs_in_process():
        return function(*args)
    if not _waiting.acquire(blocking=False):
        raise TooBusy
    try:
        token = claim(editor)
        future = _begin(function, args, LIVE)
        with _live_lock:
            if older := _live.get(editor):
                older.cancel()
            _live[editor] = future
        try:
            return _outcome(future, LIVE.pool, is_wanted=lambda: is_newest(editor, token))
        except CancelledError:
            raise Superseded from None
        except TimeoutError:
            raise OverLimit("time") from None
        except ProcessExpired as gone:
            raise OverLimit(_reason(gone) or "failed") from None
        except (BrokenProcessPool, RuntimeError):
            logger.exception("the pool of live workers broke; another one is made")
            raise OverLimit("failed") from None
        finally:
            with _live_lock:
                if _live.get(editor) is future:
                    del _live[editor]
    finally:
        _waiting.release()


def warm_up(name: str) -> None:
    """Start a pool and wait for its first answer, so that nobody else has to wait for it."""
    _begin(os.getpid, (), Limit(10, pool=name)).result()


def stop() -> None:
    """End every worker. Calls that are under way are lost; the queue knows them still."""
    with _pool_lock:
        for pool in _pools.values():
            pool.stop()
            pool.join()
        _pools.clear()


def worker_ids() -> list[int]:
    """Process ids of the workers that judge."""
    return [worker.pid for worker in multiprocessing.active_children() if worker.pid]


def _outcome(future: "ProcessFuture[Any]", name: str, is_wanted: Callable[[], bool] = lambda: True) -> Any:
    """What a call came to. A worker that is killed from outside between two calls can leave the pool's own locks taken:
    then nothing is begun although workers are free, and the pool is given up."""
    stuck_seconds = 0.0
    while True:
        try:
            return future.result(timeout=LOOK_SECONDS)
        except TimeoutError:
            if future.done():
                raise
        if not is_wanted():
            future.cancel()
        begun = sum(other.running() for other in list(_futures[name]))
        stuck_seconds = 0.0 if future.running() or begun >= WORKERS[name] else stuck_seconds + LOOK_SECONDS
        if stuck_seconds > MOST_STUCK_SECONDS:
            _give_up(name)
            raise BrokenProcessPool("calls wait although workers are free")


def _give_up(name: str) -> None:
    """Leave a pool that does nothing any more, and end the workers; the next call makes another one."""
    with _pool_lock:
        pool = _pools.pop(name, None)
    for worker in multiprocessing.active_children() if pool else ():
        if worker.name.startswith(WORKER_NAME):
            worker.kill()


def _reason(gone: ProcessExpired) -> str:
    """Which limit ended a worker; empty where it was something else."""
    if gone.exitcode in (-signal.SIGXCPU, 128 + signal.SIGXCPU):
        return "time"
    return "memory" if gone.exitcode in (OUT_OF_MEMORY_EXIT, -signal.SIGSEGV, -signal.SIGABRT) else ""


def _begin(function: Callable[..., Any], args: tuple[Any, ...], limit: Limit) -> "ProcessFuture[Any]":
    future: ProcessFuture[Any] = _pool(limit.pool).schedule(
        run_limited, args=(function, args, limit.cpu_seconds, limit.memory_bytes), timeout=limit.wall_seconds
    )
    _futures[limit.pool].add(future)
    return future


_pools: dict[str, ProcessPool] = {}
_futures: "dict[str, WeakSet[ProcessFuture[Any]]]" = {name: WeakSet() for name in WORKERS}
_pool_lock = threading.Lock()


def _pool(name: str) -> ProcessPool:
    with _pool_lock:
        if name not in _pools or not _pools[name].active:
            _pools[name] = _made_pool(name)
        return _pools[name]


def _made_pool(name: str) -> ProcessPool:
    # Of a pool that ends with its process the tracker of Python clears away what is left, as it should, and need not report it.
    os.environ.setdefault("PYTHONWARNINGS", QUIET_TRACKER)
    # One thread of linear algebra a worker: more would only ask for address space.
    os.environ.setdefault("OPENBLAS_NUM_THREADS", "1")
    # Forked from a server process of their own that has the core loaded: quick to replace, and free of our threads.
    context = multiprocessing.get_context("forkserver")
    context.set_forkserver_preload(["verifex.core.assess"])
    return ProcessPool(
        max_workers=WORKERS[name], max_tasks=500, initializer=begin_worker, initargs=[name], context=context
    )
