"""The values a program can print at all: the program run once for each count of the converter."""

import numpy as np

from verifex.core.parts.outputs import FloatArray
from verifex.core.program import ProgramReport, Running, ScriptedPins
from verifex.core.program.runtime.machine import Budget, Ended
from verifex.core.quantity import numbers_in


class _EveryCount(ScriptedPins):
    """Gives the next count of the converter with every reading."""

    reads = 0

    def analogue_count(self, machine: Running, pin: str) -> int:
        if self.reads >= machine.board.counts:
            raise Ended("time")
        self.reads += 1
        machine.unsteady += 1  # every reading is another count, so no pass is like the one before
        return self.reads - 1


def printable_values(program: ProgramReport) -> list[str] | None:
    """Every line the program can print, or None where that cannot be known: it averages, or is not runnable.

    One reading a line is the sign of a program that does not average.
    """
    counts = program.board.counts
    if not program.runnable or not counts:
        return None
    pins = _EveryCount()
    run = program.run(pins, 1e6, budget=Budget(steps=400_000, output_bytes=60 * counts))
    lines = [text for _, text in run.lines if len(numbers_in(text)) == 1]
    return lines if pins.reads == counts and abs(len(lines) - counts) <= 1 else None


def printed_by_count(lines: list[str], counts: int) -> FloatArray | None:
    """What `printable_values` says, as one number for each count; None where a count is missing."""
    numbers = [numbers_in(text) for text in lines]
    if len(lines) != counts or any(len(found) != 1 for found in numbers):
        return None
    return np.array([found[0] for found in numbers])
