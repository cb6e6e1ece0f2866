"""The machine a program runs on: pins, serial line and a virtual clock, with budgets for everything.

It owns the clock: time moves only when a call takes time or a pass of the loop ends. It never touches
the host: a program sees its pins through `Surroundings` and nothing else.
"""

from collections import Counter
from collections.abc import Callable
from dataclasses import dataclass, field
from typing import Protocol

from verifex.core.parts import Board
from verifex.core.program.boards import pin_numbers
from verifex.core.program.tree import At

SERIAL_BUFFER_BYTES = 64


class Surroundings(Protocol):
    """What the pins meet: a script, or the twin of a bench."""

    def analogue_count(self, machine: "Machine", pin: str) -> int:
        """The converter's count on `pin` now."""

    def level(self, machine: "Machine", pin: str) -> bool:
        """The logic level on an input pin now."""

    def pulse_us(self, machine: "Machine", pin: str) -> int:
        """The length in µs of the next pulse on `pin`; 0 for none."""

    def pins_changed(self, machine: "Machine") -> None:
        """Called after a mode or an output level has changed."""


@dataclass(frozen=True, slots=True)
class Budget:
    """What one run may use before it is ended with a finding."""

    steps: int = 3_000_000
    output_bytes: int = 400_000
    depth: int = 60


class Ended(Exception):
    """The run is over: `reason` is 'time', 'steps', 'output', 'depth' or 'not-read'."""

    def __init__(self, reason: str, at: At | None = None) -> None:
        super().__init__(reason)
        self.reason, self.at = reason, at


@dataclass(slots=True)
class PinUse:
    """What a program did with one pin, with the place of the first time of each."""

    mode: str | None = None
    mode_at: At | None = None
    written_at: At | None = None
    read_at: At | None = None
    measured_at: At | None = None


@dataclass(slots=True)
class RunResult:
    """A finished run. Times in ms; `serial` is all that was printed, `lines` each line with its time.

    `overflows`, `divisions`, `slips` are observations by place: how often a value did not fit, how an
    integer division came out (runs, results that were not 0, remainders lost), other slips by kind.
    """

    serial: str = ""
    lines: list[tuple[float, str]] = field(default_factory=list)
    events: list[tuple[float, str, str]] = field(default_factory=list)
    ended: str = "time"
    ended_at: At | None = None
    ended_ms: float = 0.0
    pins: dict[str, PinUse] = field(default_factory=dict)
    overflows: dict[At, int] = field(default_factory=dict)
    divisions: dict[At, tuple[int, int, int]] = field(default_factory=dict)
    slips: dict[tuple[str, At], int] = field(default_factory=dict)
    baud: int | None = None
    reference: str = "rail"


class Machine:
    """State of one run. `now_us` is read by everyone and moved by `spend_us` alone."""

    def __init__(
        self,
        board: Board,
        surroundings: Surroundings,
        seconds: float,
        *,
        budget: Budget | None = None,
        serial_blocks: bool = False,
    ) -> None:
        """`serial_blocks`: printing takes time at the baud rate once its 64-byte buffer is full."""
        self.board, self.surroundings = board, surroundings
        self.budget = budget or Budget()
        self.serial_blocks = serial_blocks
        self.numbers = pin_numbers(board)
        self.now_us = 0.0
        self.end_us = seconds * 1e6
        self.steps = 0
        self.depth = 0
        self.activity = 0  # calls other than millis(); a pass without any may be idle
        self.modes: dict[str, str] = {}
        self.levels: dict[str, int] = {}
        self.pwm: dict[str, int] = {}
        self.tones: dict[str, int] = {}
        self.reference = "rail"
        self.baud: int | None = None
        self.random_state = 1
        self.returned: object = None
        self.result = RunResult()
        self.overflows: Counter[At] = Counter()
        self.slips: Counter[tuple[str, At]] = Counter()
        self.divisions: dict[At, list[int]] = {}
        self._written: set[str] = set()  # the first write of a pin is an event even when nothing changes
        self._serial: list[str] = []
        self._line: list[str] = []
        self._serial_bytes = 0
        self._serial_free_us = 0.0  # when the line has sent all that was handed to it

    # -- time and budgets --------------------------------------------------------------------------

    def spend_us(self, us: float) -> None:
        self.now_us += us
        if self.now_us >= self.end_us:
            self.now_us = self.end_us
            raise Ended("time")

    def wait_for_next_ms(self) -> None:
        """Idle until millis() changes; nothing else could tell the times between apart."""
        self.spend_us(1000.0 - self.now_us % 1000.0)

    def step(self, at: At) -> None:
        self.steps += 1
        if self.steps > self.budget.steps:
            raise Ended("steps", at)

    def enter(self, at: At) -> None:
        self.depth += 1
        if self.depth > self.budget.depth:
            raise Ended("depth", at)

    # -- pins --------------------------------------------------------------------------------------

    def pin(self, number: int, at: At) -> str | None:
        name = self.numbers.get(number)
        if name is None:
            self.slips[("no-such-pin", at)] += 1
        return name

    def use(self, pin: str) -> PinUse:
        return self.result.pins.setdefault(pin, PinUse())

    def set_mode(self, pin: str, mode: str, at: At) -> None:
        use = self.use(pin)
        use.mode, use.mode_at = mode, use.mode_at or at
        self.modes[pin] = mode
        if mode == "output" and pin not in self.levels:
            self.levels[pin] = 0
        self.surroundings.pins_changed(self)

    def write(self, pin: str, level: int, at: At, pwm: int | None = None) -> None:
        use = self.use(pin)
        use.written_at = use.written_at or at
        shown = f"pwm:{pwm}" if pwm is not None else str(level)
        before = f"pwm:{self.pwm[pin]}" if pin in self.pwm else str(self.levels.get(pin, ""))
        if shown != before or pin not in self._written:
            self._written.add(pin)
            self.event(pin, shown)
        self.levels[pin] = level
        if pwm is None:
            self.pwm.pop(pin, None)
        else:
            self.pwm[pin] = pwm
        self.surroundings.pins_changed(self)

    def event(self, pin: str, what: str) -> None:
        self.result.events.append((round(self.now_us / 1000, 3), pin, what))
        if len(self.result.events) > 50_000:
            raise Ended("output")

    # -- serial ------------------------------------------------------------------------------------

    def emit(self, text: str, at: At) -> None:
        if self.baud is None:
            return  # nothing leaves the board before the line is begun
        self._serial_bytes += len(text)
        if self._serial_bytes > self.budget.output_bytes:
            raise Ended("output", at)
        self._serial.append(text)
        for piece in text.splitlines(keepends=True):
            self._line.append(piece.rstrip("\r\n"))
            if piece.endswith("\n"):
                self.result.lines.append((round(self.now_us / 1000, 3), "".join(self._line)))
                self._line = []
        if self.serial_blocks:
            byte_us = 10e6 / self.baud  # a byte is ten bits on the line
            self._serial_free_us = max(self._serial_free_us, self.now_us) + len(text) * byte_us
            waiting = self._serial_free_us - self.now_us - SERIAL_BUFFER_BYTES * byte_us
            if waiting > 0:
                self.spend_us(waiting)

    # -- the run -----------------------------------------------------------------------------------

    def run(
        self,
        start: Callable[["Machine"], None],
        setup: Callable[["Machine"], None],
        loop: Callable[["Machine"], None],
        snapshot: Callable[[], object],
    ) -> RunResult:
        """Run `start` (globals), `setup` once and `loop` until something ends the run.

        `snapshot` gives the globals as they are: a pass that called nothing but millis() and left them as the
        pass before did can only be changed by time, so the clock goes on to the next whole millisecond.
        """
        before: object = None
        try:
            start(self)
            setup(self)
            while True:
                self.steps += 1
                acts = self.activity
                loop(self)
                after = snapshot() if self.activity == acts else None
                if after is not None and after == before:
                    self.wait_for_next_ms()
                else:
                    self.spend_us(1)
                before = after
        except Ended as end:
            self.result.ended, self.result.ended_at = end.reason, end.at
        except RecursionError:
            self.result.ended = "depth"
        result = self.result
        if self._line:
            result.lines.append((round(self.now_us / 1000, 3), "".join(self._line)))
        result.serial = "".join(self._serial)
        result.ended_ms = round(self.now_us / 1000, 3)
        result.overflows, result.slips = dict(self.overflows), dict(self.slips)
        result.divisions = {at: (seen[0], seen[1], seen[2]) for at, seen in self.divisions.items()}
        result.baud, result.reference = self.baud, self.reference
        return result
