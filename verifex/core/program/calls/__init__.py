"""The board's call set, one file a subject; importing this package knows them all."""

from verifex.core.program.calls import bits, buses, interrupts, maths, pins, serial, storage, texts, timing  # noqa: F401
from verifex.core.program.calls.registry import CALLS, Spec

__all__ = ["CALLS", "Spec"]
