"""Pins that follow a script: CSV with `time_ms,pin,value`; the pin `serial` takes a text that is typed."""

import csv
import io
import math
from bisect import bisect_right
from dataclasses import dataclass, field

from verifex.core.parts import Board
from verifex.core.problems import Problem, UnusableInput
from verifex.core.program.runtime.run_result import Running

SHOT_TO_ECHO_US = 450.0  # as in the twin
SERIAL = "serial"  # the name under which a script types at the other end of the line


@dataclass(slots=True)
class ScriptedPins:
    """Values that hold until changed. An undriven input reads 0, or 1 with its pull-up on."""

    #: pin → (times in ms ascending, values)
    values: dict[str, tuple[list[float], list[float]]] = field(default_factory=dict)
    pulses: dict[str, tuple[list[float], list[float]]] = field(default_factory=dict)
    #: What is typed at the other end of the serial line: (ms, text).
    typed: list[tuple[float, str]] = field(default_factory=list)
    #: The outputs as they last were, and when one of them last fell: a range module is fired so.
    _levels: dict[str, int] = field(default_factory=dict)
    _fired_us: float = -math.inf

    def _now(self, table: dict[str, tuple[list[float], list[float]]], machine: Running, pin: str) -> float | None:
        if pin not in table:
            return None
        times, values = table[pin]
        at = bisect_right(times, machine.now_us / 1000) - 1
        return values[at] if at >= 0 else None

    def analogue_count(self, machine: Running, pin: str) -> int:
        volts = self._now(self.values, machine, pin) or 0.0
        board = machine.board
        reference = board.rail_volts
        if machine.reference == "internal" and board.internal_reference_volts:
            reference = board.internal_reference_volts[1]
        return max(0, min(board.counts - 1, int(volts / reference * board.counts)))

    def level(self, machine: Running, pin: str) -> bool:
        if pin in self.pulses:
            begins = self._fired_us + SHOT_TO_ECHO_US
            return begins <= machine.now_us < begins + self.pulse_us(machine, pin)
        value = self._now(self.values, machine, pin)
        if machine.modes.get(pin) == "output":
            return bool(machine.levels.get(pin))
        return machine.modes.get(pin) == "pull-up" if value is None else value >= 0.5

    def pulse_us(self, machine: Running, pin: str) -> int:
        return int(self._now(self.pulses, machine, pin) or 0)

    def measured(
        self, machine: Running, pins: list[str], quantity: str, *, in_order: bool = False, read_as: str = ""
    ) -> float:
        """No module is on scripted pins."""
        return math.nan

    def conversion_us(self, machine: Running, pins: list[str], quantity: str) -> float:
        return 0.0

    def registers(self, machine: Running, address: int, register: int, count: int) -> list[int] | None:
        return None

    def is_on_bus(self, machine: Running, address: int) -> bool:
        return True  # a script defines nothing on a bus: whoever is addressed is there

    def tag(self, machine: Running, pins: list[str], *, in_order: bool = False) -> str:
        return ""

    def next_change_us(self, since_us: float) -> float:
        """The next time in the script."""
        now = since_us / 1000
        times = [table[pin][0] for table in (self.values, self.pulses) for pin in table]
        ahead = [t[at] for t in times if (at := bisect_right(t, now)) < len(t)]
        found = min(ahead) * 1000 if ahead else math.inf
        begins = self._fired_us + SHOT_TO_ECHO_US
        for pin in self.pulses if self._fired_us > -math.inf else ():
            last = [value for time, value in zip(*self.pulses[pin], strict=True) if time <= now]
            found = min([found, *(us for us in (begins, begins + (last[-1] if last else 0)) if us > since_us)])
        return found

    def pins_changed(self, machine: Running) -> None:
        if self.pulses:
            if any(level and not machine.levels.get(pin) for pin, level in self._levels.items()):
                self._fired_us = machine.now_us
            self._levels = dict(machine.levels)


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
        if pin_text == SERIAL:
            try:
                pins.typed.append((float(time_text), row[2].strip().replace("\\n", "\n").replace("\\r", "\r")))
            except ValueError:
                problems.append(Problem(number, 1, f"'{time_text}' is no number"))
            continue
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
