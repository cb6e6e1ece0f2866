"""What runs inside a worker process: one call, under limits of processor time and memory that the system enforces.

A call over its time is ended by the kernel (SIGXCPU), one over its memory ends itself; either way the worker is gone
and the pool starts another. Nothing here trusts the code that is called to count its own cost.
"""

import os
import resource
import signal
from collections.abc import Callable
from math import ceil
from typing import Any

from verifex.work.parents import end_with_starter

OUT_OF_MEMORY_EXIT = 77
#: Answers to people come before checks; the answers while someone types are such answers. The other pools give way when a
#: request comes in, and still get on where the machine is busy with something else: what waits for idle time may wait for ever.
ANSWERS_SOON = ("live",)
SOON_NICENESS = 2
LATER_NICENESS = 14

_base_bytes = 0


def begin_worker(pool: str) -> None:
    """Called once in every new worker of a pool."""
    global _base_bytes
    signal.signal(signal.SIGINT, signal.SIG_IGN)  # Ctrl C ends the server, which ends its workers
    # The fork server ends with the process whose pool it serves, and this worker with the fork server.
    end_with_starter(number=signal.SIGKILL)
    if pool in ANSWERS_SOON:
        os.nice(SOON_NICENESS)
    else:
        os.nice(LATER_NICENESS)
    _base_bytes = _address_space_bytes()


def run_limited(function: Callable[..., Any], args: tuple[Any, ...], cpu_seconds: float, memory_bytes: int) -> Any:
    """`function(*args)` within so much more processor time (whole seconds, rounded up) and memory than now."""
    used = resource.getrusage(resource.RUSAGE_SELF)
    most_seconds = ceil(used.ru_utime + used.ru_stime + cpu_seconds)
    _limit(resource.RLIMIT_CPU, most_seconds)
    _limit(resource.RLIMIT_AS, _base_bytes + memory_bytes)
    try:
        return function(*args)
    except MemoryError:
        # What was allocated may not come back; a new worker is surer than a used one.
        os._exit(OUT_OF_MEMORY_EXIT)
    finally:
        # The worker itself, between two calls, is under no limit.
        _limit(resource.RLIMIT_CPU, resource.RLIM_INFINITY)
        _limit(resource.RLIMIT_AS, resource.RLIM_INFINITY)


def _limit(which: int, most: int) -> None:
    _, hard = resource.getrlimit(which)
    resource.setrlimit(which, (hard if most == resource.RLIM_INFINITY else most, hard))


def _address_space_bytes() -> int:
    """The address space of this process now."""
    with open("/proc/self/statm") as file:
        return int(file.read().split()[0]) * resource.getpagesize()
