"""A process that ends when the one that started it is gone, whenever and however that happens."""

import ctypes
import os
import signal

_PR_SET_PDEATHSIG = 1  # of the kernel's prctl


def end_with_starter(started_by: int | None = None, number: int = signal.SIGTERM) -> None:
    """Have the kernel send `number` to this process when its parent ends.

    `started_by` is the process that should be the parent: it may have ended before the kernel was asked, and then this
    process ends at once. Looking up the parent here instead would take whoever has adopted it for the starter.
    """
    ctypes.CDLL(None, use_errno=True).prctl(_PR_SET_PDEATHSIG, number, 0, 0, 0)
    if started_by is not None and os.getppid() != started_by:
        os.kill(os.getpid(), number)
