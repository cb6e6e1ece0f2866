"""The board's call set, one file a subject; importing this package knows them all."""

from verifex.core.program.calls import (  # noqa: F401
    bits,
    buses,
    chars,
    interrupts,
    letters,
    maths,
    memory,
    pins,
    program_memory,
    serial,
    storage,
    timing,
)
from verifex.core.program.calls.registry import CALLS, Spec

__all__ = ["CALLS", "Spec"]
