"""The values a program can print at all: the program run once for each count of the converter."""

import math

from verifex.core.program import Machine, ProgramReport
from verifex.core.program.machine import Budget, Ended
from verifex.core.quantity import numbers_in


class _EveryCount:
    """Gives the next count of the converter with every reading."""

    def __init__(self) -> None:
        self.reads = 0
        self.typed: list[tuple[float, str]] = []

    def analogue_count(self, machine: Machine, pin: str) -> int:
        if self.reads >= machine.board.counts:
            raise Ended("time")
        self.reads += 1
        return self.reads - 1

    def level(self, machine: Machine, pin: str) -> bool:
        return False

    def pulse_us(self, machine: Machine, pin: str) -> int:
        return 0

    def measured(self, machine: Machine, pins: list[str], quantity: str) -> float:
        return math.nan

    def conversion_us(self, machine: Machine, pins: list[str], quantity: str) -> float:
        return 0.0

    def registers(self, machine: Machine, address: int, register: int, count: int) -> list[int] | None:
        return None

    def tag(self, machine: Machine, pins: list[str]) -> str:
        return ""

    def next_change_us(self, since_us: float) -> float:
        return since_us  # every reading is another count

    def pins_changed(self, machine: Machine) -> None:
        return None


def printable_values(program: ProgramReport) -> list[str] | None:
    """Every line the program can print, or None where that cannot be said: it averages, or is not runnable.

    One reading a line is the sign of a program that does not average.
    """
    counts = program.board.counts
    if not program.runnable or not counts:
        return None
    pins = _EveryCount()
    run = program.run(pins, 1e6, budget=Budget(steps=400_000, output_bytes=60 * counts))
    lines = [text for _, text in run.lines if len(numbers_in(text)) == 1]
    return lines if pins.reads == counts and abs(len(lines) - counts) <= 1 else None
