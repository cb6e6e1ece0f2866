"""Pins that follow a script: CSV with `time_ms,pin,value`."""

import csv
import io
from bisect import bisect_right
from dataclasses import dataclass, field

from verifex.core.parts import Board
from verifex.core.problems import Problem, UnusableInput
from verifex.core.program.machine import Machine


@dataclass(slots=True)
class ScriptedPins:
    """Values that hold until changed. An undriven input reads 0, or 1 with its pull-up on."""

    #: pin → (times in ms ascending, values)
    values: dict[str, tuple[list[float], list[float]]] = field(default_factory=dict)
    pulses: dict[str, tuple[list[float], list[float]]] = field(default_factory=dict)

    def _now(self, table: dict[str, tuple[list[float], list[float]]], machine: Machine, pin: str) -> float | None:
        if pin not in table:
            return None
        times, values = table[pin]
        at = bisect_right(times, machine.now_us / 1000) - 1
        return values[at] if at >= 0 else None

    def analogue_count(self, machine: Machine, pin: str) -> int:
        volts = self._now(self.values, machine, pin) or 0.0
        board = machine.board
        reference = board.rail_volts
        if machine.reference == "internal" and board.internal_reference_volts:
            reference = board.internal_reference_volts[1]
        return max(0, min(board.counts - 1, int(volts / reference * board.counts)))

    def level(self, machine: Machine, pin: str) -> bool:
        value = self._now(self.values, machine, pin)
        if machine.modes.get(pin) == "output":
            return bool(machine.levels.get(pin))
        return machine.modes.get(pin) == "pull-up" if value is None else value >= 0.5

    def pulse_us(self, machine: Machine, pin: str) -> int:
        return int(self._now(self.pulses, machine, pin) or 0)

    def pins_changed(self, machine: Machine) -> None:
        return None


def read_script(text: str, board: Board) -> ScriptedPins:
    """The script in `text`. Raises UnusableInput with every bad line."""
    rows = list(csv.reader(io.StringIO(text)))
    if not rows or [cell.strip() for cell in rows[0]] != ["time_ms", "pin", "value"]:
        raise UnusableInput([Problem(1, 1, "the first line must read time_ms,pin,value")])
    pins = ScriptedPins()
    problems: list[Problem] = []
    entries: list[tuple[float, int, str, bool, float]] = []
    for number, row in enumerate(rows[1:], start=2):
        if not row or (len(row) == 1 and not row[0].strip()):
            continue
        if len(row) != 3:
            problems.append(Problem(number, 1, f"{len(row)} values stand here; time_ms,pin,value were expected"))
            continue
        time_text, pin_text, value_text = (cell.strip() for cell in row)
        pin = board.pin(pin_text)
        if pin is None or not pin.is_signal:
            problems.append(
                Problem(number, len(row[0]) + 2, f"the {board.title} has no signal pin called '{pin_text}'")
            )
            continue
        pulse = value_text.startswith("pulse:")
        try:
            entries.append((float(time_text), number, pin.name, pulse, float(value_text.removeprefix("pulse:"))))
        except ValueError:
            problems.append(Problem(number, 1, f"'{time_text}' or '{value_text}' is no number"))
    if problems:
        raise UnusableInput(problems)
    for ms, _, name, pulse, value in sorted(entries):
        times, values = (pins.pulses if pulse else pins.values).setdefault(name, ([], []))
        times.append(ms)
        values.append(value)
    return pins
