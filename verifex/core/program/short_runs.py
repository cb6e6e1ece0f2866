"""Short runs without a bench, to see what a program does with its pins and its numbers.

Three seconds each with every analogue pin held at the bottom, the middle and the top of the converter, and a last one in
which they move. On a board without a converter it is every pin that is read, low, as it is by itself, and high.
"""

from collections.abc import Callable
from dataclasses import dataclass

from verifex.core.parts import Board
from verifex.core.program.runtime.pin_script import ScriptedPins
from verifex.core.program.runtime.run_result import Budget, Running, RunResult

SECONDS = 3.0
BUDGET = Budget(steps=300_000, output_bytes=50_000)
HELD = (0.0, 0.4995, 0.9999)  # of the reference
MOVING = (0.9999, 0.11, 0.4995, 0.0)  # one after the other, so that long numbers become short ones

#: What modules with libraries give: at the lower end, in the room, at the upper end.
READINGS = {
    "celsius": (2.0, 21.0, 45.0),
    "percent": (20.0, 45.0, 90.0),
    "cm": (4.0, 60.0, 300.0),
    "hpa": (950.0, 1013.0, 1050.0),
}
MOST_BYTE = 127  # so that two of them are a large positive number


@dataclass(slots=True)
class _DryPins(ScriptedPins):
    """Scripted pins whose modules answer, each share of the reference for an equal part of the run."""

    shares: tuple[float, ...] = (0.0,)

    def _share(self, machine: Running) -> float:
        turn = int(machine.now_us / (SECONDS * 1e6) * len(self.shares))
        return self.shares[min(turn, len(self.shares) - 1)]

    def measured(
        self, machine: Running, pins: list[str], quantity: str, *, in_order: bool = False, read_as: str = ""
    ) -> float:
        return READINGS.get(quantity, (0.0, 0.5, 1.0))[round(2 * self._share(machine))]

    def registers(self, machine: Running, address: int, register: int, count: int) -> list[int] | None:
        return [round(MOST_BYTE * self._share(machine))] * count


def dry_runs(run: Callable[..., RunResult], board: Board) -> list[RunResult]:
    """The runs, up to the first that had to be ended; `run(pins, seconds, budget=…)` runs the program."""
    runs = []
    names = [(name, pin) for name in board.pin_names() if (pin := board.pin(name))]
    converters = [name for name, pin in names if pin.analogue_in]
    for shares in (*((share,) for share in HELD), MOVING):
        times = [n * SECONDS * 1000 / len(shares) for n in range(len(shares))]
        held = {pin: (times, [share * board.rail_volts for share in shares]) for pin in converters}
        if not converters and shares != (0.4995,):
            held = {name: (times, [float(round(s)) for s in shares]) for name, pin in names if pin.digital_in}
        runs.append(run(_DryPins(held, shares=shares), SECONDS, budget=BUDGET))
        if runs[-1].ended in ("steps", "output", "depth", "memory", "failed"):
            break
    return runs
