"""The machine a program runs on: pins, serial line and a virtual clock, with budgets for everything.

It owns the clock: time moves only when a call takes time or a pass of the loop ends. It never touches
the host: a program sees its pins through `Surroundings` and nothing else.
"""

import logging
import math
from collections import Counter
from collections.abc import Callable
from dataclasses import dataclass
from typing import Any

from verifex.core.failures import note_failure
from verifex.core.parts import Board
from verifex.core.program.boards import pin_numbers
from verifex.core.program.devices import Declared
from verifex.core.program.runtime.agenda import Agenda, Edge, Handler, Paused, Timer, Watch
from verifex.core.program.runtime.observed import Observed
from verifex.core.program.runtime.run_result import Budget, Ended, PinUse, RunResult, Surroundings
from verifex.core.program.runtime.serial_line import Line
from verifex.core.program.tree import At

__all__ = ["Budget", "Ended", "Machine", "Paused", "PinUse", "RunResult", "Surroundings"]

LOG = logging.getLogger(__name__)
WRAPS = 1 << 32  # where a clock in whole units begins again
UNSEEN_DISPLAY_MS = 15.0  # a display is written letter by letter; the eye sees what stands
MOST_EVENTS, MOST_PICTURES = 50_000, 20_000
THROTTLE_US = 200.0
STEPS_AT_ONCE_SHARE, STEPS_BY_THE_END_SHARE = 0.15, 0.8  # of the steps of a run: at once, and by its end
CLEAN_UP_US = 5e6  # what a program may take to clear up after it has been stopped


@dataclass(slots=True)
class Pass:
    """How the machine stood before a pass of a loop, to tell whether the pass did anything."""

    activity: int
    shown: tuple[int, int, int, int]
    began_us: float
    unsteady: int
    time_asked: int


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
        pause_us: float = math.inf,
        paused: Paused | None = None,
    ) -> None:
        """`serial_blocks`: printing takes time at the baud rate once its 64-byte buffer is full. `paused` is called
        when the run has come to `pause_us`, and says when to pause next; what it does takes no time of the run."""
        self.board, self.surroundings = board, surroundings
        self.budget = budget or Budget()
        self.serial_blocks = serial_blocks
        self.numbers = pin_numbers(board)
        self.channels = sorted(n for n, name in self.numbers.items() if name.startswith("A"))
        self.now_us = 0.0
        self.end_us = seconds * 1e6
        self.steps = 0
        self.soft_steps = self._soft_steps()
        self.depth = 0
        self.cells = 0  # of texts and lists made, for the budget of memory
        self.changes = 0  # of pins, tones, references: what a pass has done that shows
        self.unsteady = 0  # readings that come out another way each time: noise, random numbers, micros()
        self.time_asked = 0  # calls of millis() that may come out as anything
        self.flip_us = math.inf  # when a comparison with the clock next comes out otherwise
        self.activity = 0  # calls other than millis(); a pass without any may be idle
        self.modes: dict[str, str] = {}
        self.levels: dict[str, int] = {}
        self.pwm: dict[str, int] = {}
        self.tones: dict[str, int] = {}
        self.reference = "rail"
        self.baud: int | None = None
        self.random_state = 1
        self.returned: object = None
        self.stopping = False  # stopped from outside: what is done now is clearing up, and no part of the run
        self.functions: dict[str, Callable[..., object]] = {}  # of the program
        self.globals: Callable[[], dict[str, object]] = dict  # its variables that last, by name, as they are now
        self.declared = Declared()  # what the exercise says of its libraries
        self.own: dict[str, object] = {}  # what a dialect's libraries keep of their own for a run
        self.storage: dict[int, int] = {}  # what outlives a reset
        self.written_registers: dict[tuple[int, int], int] = {}  # by address and register, of modules on the bus
        self.result = RunResult()
        self.overflows: Counter[At] = Observed(self)
        self.runtime_faults: Counter[tuple[str, At]] = Observed(self)
        self.divisions: dict[At, list[int]] = {}
        self.line = Line(sorted(surroundings.typed))
        self.agenda = Agenda(pause_us=pause_us, paused=paused)
        self.stop_us = self.agenda.next_us(self)
        self._set_before: set[str] = set()  # pins that were written while they were no outputs
        self._written: set[str] = set()  # the first write of a pin is an event even when nothing changes

    # -- time and budgets --------------------------------------------------------------------------

    def spend_us(self, us: float) -> None:
        until = self.now_us + us
        if until < self.stop_us:
            self.now_us = until
        else:
            self._pass_to(until)

    def _pass_to(self, until: float) -> None:
        """Time runs on to `until`, stopping at whatever happens before."""
        while self.stop_us <= until:
            self.now_us = max(self.now_us, self.stop_us)
            if self.now_us >= self.end_us:
                self.now_us = self.end_us
                raise Ended("time")
            self.agenda.happen(self)
            self.stop_us = self.agenda.next_us(self)
        self.now_us = max(self.now_us, until)

    def next_change_us(self, since_us: float) -> float:
        """When anything a program can read first changes after `since_us`."""
        return min(self.surroundings.next_change_us(since_us), self.line.next_typed_us(since_us))

    def write_registers(self, address: int, register: int, values: list[int]) -> None:
        """Bytes sent to the registers of a module on the bus, from one on."""
        for place, value in enumerate(values):
            self.written_registers[(address, register + place)] = value

    def watch(self, pin: str, edge: Edge, handler: Handler, dead_us: float = 0.0) -> Watch:
        """Call `handler` whenever the level on a pin changes so."""
        watch = Watch(edge, handler, self.surroundings.level(self, pin), dead_us)
        self.agenda.watches.setdefault(pin, []).append(watch)
        self.stop_us = self.agenda.next_us(self)
        return watch

    def unwatch(self, pin: str) -> None:
        self.agenda.watches.pop(pin, None)
        self.stop_us = self.agenda.next_us(self)

    def forget(self, pin: str, watch: Watch) -> None:
        """This one is not called any more; others of the pin are."""
        self.agenda.watches[pin] = [other for other in self.agenda.watches.get(pin, ()) if other is not watch]

    def call_after(self, after_us: float, handler: Handler, every_us: float = math.inf) -> Timer:
        timer = Timer(self.now_us + max(1.0, after_us), max(1.0, every_us), handler)
        self.agenda.timers.append(timer)
        self.stop_us = self.agenda.next_us(self)
        return timer

    def cancel(self, timer: Timer) -> None:
        self.agenda.timers = [other for other in self.agenda.timers if other is not timer]
        self.stop_us = self.agenda.next_us(self)

    def stop(self) -> None:
        """The run is over and the program is stopped: it has a little time to clear up, which shows nowhere."""
        self.stopping = True
        self.result.ended_ms = round(self.now_us / 1000, 3)
        self.end_us = self.now_us + CLEAN_UP_US
        self.agenda = Agenda()
        self.stop_us = self.end_us

    def throttle(self) -> None:
        """A program that never pauses does more in a second than can be followed: once it is ahead of what a run may
        take, what it calls takes longer, so that the whole time is covered with fewer turns."""
        self.spend_us(THROTTLE_US)
        self.soft_steps = self._soft_steps()

    def _soft_steps(self) -> float:
        return self.budget.steps * (
            STEPS_AT_ONCE_SHARE + (STEPS_BY_THE_END_SHARE - STEPS_AT_ONCE_SHARE) * self.now_us / self.end_us
        )

    def wait_for_next_ms(self) -> None:
        """Idle until millis() changes; nothing else could tell the times between apart."""
        self.spend_us(1000.0 - self.now_us % 1000.0)

    def wait(self, us: float, at: At) -> None:
        """A pause that the program asks for."""
        self.waited(us, at)
        self.spend_us(us)

    def waited(self, us: float, at: At) -> None:
        """A pause, or a loop that only looked at the clock, took so long."""
        if us / 1000 > self.result.longest_wait[0] and not self.stopping:
            self.result.longest_wait = (us / 1000, at)

    def step(self, at: At) -> None:
        self.steps += 1
        if self.steps > self.budget.steps:
            raise Ended("steps", at)

    def take(self, cells: int, at: At) -> None:
        """Memory for a text or a list of so many cells."""
        self.cells += cells
        if cells > self.budget.cells_at_once or self.cells > self.budget.cells:
            raise Ended("memory", at)

    def enter(self, at: At) -> None:
        self.depth += 1
        if self.depth > self.budget.depth:
            raise Ended("depth", at)

    def ask(self, function: str, *values: object) -> object:
        """What a function of the program gives for these values."""
        act = self.functions.get(function)
        if act is not None:
            act(*values)
        return self.returned

    def call_named(self, function: str) -> None:
        """Call a function of the program by its name, as an interrupt does."""
        act = self.functions.get(function)
        if act is not None:
            kept = self.returned  # what the statement it came into was about to give back
            act()
            self.returned = kept

    # -- pins --------------------------------------------------------------------------------------

    def pin(self, number: int, at: At) -> str | None:
        name = self.numbers.get(number)
        if name is None:
            self.runtime_faults[("no-such-pin", at)] += 1
        return name

    def use(self, pin: str) -> PinUse:
        return self.result.pins.setdefault(pin, PinUse())

    def set_mode(self, pin: str, mode: str, at: At) -> None:
        if not self.stopping:
            use = self.use(pin)
            use.mode, use.mode_at = mode, use.mode_at or at
        self.changes += self.modes.get(pin) != mode
        was_output, self.modes[pin] = self.modes.get(pin) == "output", mode
        if mode == "output":
            self.levels.setdefault(pin, 0)
            if not was_output and pin in self._set_before:  # what was written beforehand shows now
                self._written.add(pin)
                self.event(pin, str(self.levels[pin]))
        elif self.board.writes_switch_pull_ups and mode in ("input", "pull-up"):
            self.levels[pin] = int(mode == "pull-up")
        self.pins_changed()

    def _write_input(self, pin: str, level: int) -> None:
        """A pin that is no output is written: its level is kept until it is one, and on small boards switches its pull-up."""
        self._set_before.add(pin)
        self.changes += self.levels.get(pin) != level
        self.levels[pin] = level
        if self.board.writes_switch_pull_ups:
            mode = "pull-up" if level else "input"
            if self.modes.get(pin, "input") != mode:
                self.event(pin, mode)
            self.modes[pin] = mode
            self.pins_changed()

    def write(self, pin: str, level: int, at: At, pwm: int | None = None) -> None:
        use = self.use(pin)
        use.written_at = use.written_at or at
        if pwm is None and self.modes.get(pin) != "output":
            self._write_input(pin, level)
            return
        shown = f"pwm:{pwm}" if pwm is not None else str(level)
        before = f"pwm:{self.pwm[pin]}" if pin in self.pwm else str(self.levels.get(pin, ""))
        if shown != before or pin not in self._written:
            self._written.add(pin)
            self.event(pin, shown)
        elif self.modes.get(pin) == "output":
            return  # nothing is other than it was
        self.levels[pin] = level
        if pwm is None:
            self.pwm.pop(pin, None)
        else:
            self.pwm[pin] = pwm
        self.pins_changed()

    def pins_changed(self) -> None:
        """Tell the bench, and those who watch a pin that the program itself may have moved."""
        if self.stopping:
            return
        self.surroundings.pins_changed(self)
        if self.agenda.watches and not self.agenda.within:
            self.agenda.look(self)
            self.stop_us = self.agenda.next_us(self)

    def event(self, pin: str, what: str) -> None:
        if self.stopping:
            return
        self.result.events.append((round(self.now_us / 1000, 3), pin, what))
        if len(self.result.events) > MOST_EVENTS:
            raise Ended("output")

    def displayed(self, name: str, rows: list[str]) -> None:
        """A display shows something; what stands for no time at all is not kept."""
        shown = self.result.displays
        now = round(self.now_us / 1000, 3)
        last = next((entry for entry in reversed(shown) if entry[1] == name), None)
        if self.stopping or (last is not None and last[2] == rows):
            return
        if last is not None and now - last[0] < UNSEEN_DISPLAY_MS and shown[-1] is last:
            shown.pop()
        shown.append((now, name, rows))
        if len(shown) > MOST_PICTURES:
            raise Ended("output")

    def emit(self, text: str, at: At) -> None:
        self.line.emit(self, text, at)

    # -- passes that repeat themselves -------------------------------------------------------------

    def shown(self) -> tuple[int, int, int, int]:
        """What a pass may have added: output, changes of pins, events, pictures on displays."""
        return self.line.bytes_sent, self.changes, len(self.result.events), len(self.result.displays)

    def pass_begins(self) -> Pass:
        self.flip_us = math.inf
        return Pass(self.activity, self.shown(), self.now_us, self.unsteady, self.time_asked)

    def clock_compared(self, clock: Any, other: Any, unit_us: float, *, asked: bool) -> None:
        """A comparison with the clock was made: `clock` runs on by one in `unit_us`, `other` stands still."""
        if not isinstance(clock, int | float) or not isinstance(other, int | float) or other < 0:
            return  # what asking it may come to is not known
        missing = other - clock
        if isinstance(clock, int):
            missing = missing if missing >= 0 else WRAPS - clock
            # The clock may have been read a moment ago, in the unit before.
            flip = (self.now_us // unit_us + missing - 1) * unit_us
        else:
            flip = self.now_us + missing * unit_us if missing >= 0 else math.inf
        self.time_asked -= asked
        self.flip_us = min(self.flip_us, flip) if flip == flip else self.now_us

    def was_quiet(self, since: Pass) -> bool:
        """Whether nothing shows of the pass, and nothing it read comes out another way each time."""
        return since.shown == self.shown() and since.unsteady == self.unsteady

    def skip_repeats(self, since: Pass, *, clock: bool = True) -> None:
        """The pass just done changed nothing, so the next ones do the same as long as what they read stays as it is:
        as many whole passes as fit before that are passed over, with their time. With `clock` what asked the time is
        taken to come out otherwise in the next millisecond.
        """
        length = self.now_us - since.began_us
        # What changed while the pass was on its way may not have been read by it yet: counted from its beginning.
        until = min(self.stop_us, self.flip_us, self.next_change_us(since.began_us))
        if clock and since.time_asked != self.time_asked:
            until = min(until, since.began_us - since.began_us % 1000.0 + 1000.0)
        count = int((until - self.now_us) / length) - 1
        if count > 0:
            self.spend_us(count * length)

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

        def whole() -> None:
            before: object = None
            start(self)
            setup(self)
            while True:
                self.steps += 1
                self.result.passes += 1
                since = self.pass_begins()
                loop(self)
                after = snapshot() if self.was_quiet(since) else None
                repeats = after is not None and after == before
                if repeats and self.activity == since.activity:
                    ahead = self.flip_us - self.now_us if self.time_asked == since.time_asked else 0.0
                    self.wait_for_next_ms() if not 1.0 <= ahead < math.inf else self.spend_us(ahead)
                else:
                    self.spend_us(1)
                    if self.steps > self.soft_steps:
                        self.throttle()
                    if repeats:
                        self.skip_repeats(since)
                before = after

        return self.finish(whole)

    def finish(self, whole: Callable[[], None]) -> RunResult:
        """Run to an end, and give what was seen."""
        try:
            whole()
            self.result.ended = "time" if self.stopping else "finished"
        except Ended as end:
            self.result.ended, self.result.ended_at = end.reason, end.at
            self.result.ended_with = end.what
        except RecursionError:
            self.result.ended = "depth"
        except MemoryError:
            raise  # the limit on a check's memory, reported as such
        except Exception:  # an error of ours: logged, and never shown as an error of the program
            note_failure(LOG, "a program could not be run to its end")
            self.result.ended = "failed"
        result, line = self.result, self.line
        if line.begun:
            result.lines.append((result.ended_ms or round(self.now_us / 1000, 3), "".join(line.begun)))
        result.serial = "".join(line.pieces)
        if not self.stopping:
            result.ended_ms = round(self.now_us / 1000, 3)
        result.overflows, result.runtime_faults = dict(self.overflows), dict(self.runtime_faults)
        result.divisions = {at: (seen[0], seen[1], seen[2]) for at, seen in self.divisions.items()}
        result.baud, result.reference = self.baud, self.reference
        return result
