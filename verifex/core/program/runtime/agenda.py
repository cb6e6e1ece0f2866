"""What happens of itself while a program's time passes: watched pins, timers, a pause of the whole run."""

import math
from collections.abc import Callable
from dataclasses import dataclass, field
from typing import Any, Literal

from verifex.core.program.runtime.run_result import Running

Edge = Literal["rising", "falling", "change", "low"]
Handler = Callable[[Any], None]  # takes the machine itself
#: Told when a run has come to a time it was to pause at; gives the next such time in µs, infinity for none.
Paused = Callable[[Any], float]


@dataclass(slots=True)
class Watch:
    """A pin whose changes call a function of the program; the last level seen on it."""

    edge: Edge
    handler: Handler
    level: bool
    dead_us: float = 0.0  # after one change others are not noticed for so long
    deaf_until_us: float = -1.0

    def triggers(self, level: bool) -> bool:
        before, self.level = self.level, level
        if self.edge == "low":
            return not level and before
        return before != level and (self.edge == "change" or level == (self.edge == "rising"))


@dataclass(slots=True)
class Timer:
    """A function called at `due_us`, and again every `every_us` after that; infinity for once."""

    due_us: float
    every_us: float
    handler: Handler


@dataclass(slots=True)
class Agenda:
    """Keeps the next time at which anything of this happens, so that time can otherwise run straight on."""

    watches: dict[str, list[Watch]] = field(default_factory=dict)
    timers: list[Timer] = field(default_factory=list)
    pause_us: float = math.inf
    paused: Paused | None = None
    held_back: bool = False  # noInterrupts()
    within: bool = False  # a handler is running: nothing interrupts it
    _waiting: list[Handler] = field(default_factory=list)

    def next_us(self, machine: Running) -> float:
        """The next time something happens; the end of the run when nothing does before."""
        found = min(machine.end_us, self.pause_us)
        if self.within:
            return found
        for timer in self.timers:
            found = min(found, timer.due_us)
        if self.watches:
            found = min(found, machine.next_change_us(machine.now_us))
        return found

    def happen(self, machine: Running) -> None:
        """Everything that is due now."""
        if machine.now_us >= self.pause_us and self.paused is not None:
            self.pause_us = self.paused(machine)
        if self.within:
            return
        for timer in [timer for timer in self.timers if timer.due_us <= machine.now_us]:
            timer.due_us += timer.every_us
            self._waiting.append(timer.handler)
        self.timers = [timer for timer in self.timers if timer.due_us < math.inf]
        self.look(machine)

    def look(self, machine: Running) -> None:
        """Notice changes of the watched pins, and answer them."""
        for pin, watches in self.watches.items():
            level = machine.surroundings.level(machine, pin)
            for watch in watches:
                if watch.triggers(level) and machine.now_us >= watch.deaf_until_us:
                    watch.deaf_until_us = machine.now_us + watch.dead_us
                    # A pin that waits to call while calls are held back is remembered once, however often it changes.
                    if not self.held_back or watch.handler not in self._waiting:
                        self._waiting.append(watch.handler)
        self.answer(machine)

    def answer(self, machine: Running) -> None:
        if self.held_back or self.within:
            return
        while self._waiting:
            handler = self._waiting.pop(0)
            machine.activity += 1
            machine.changes += 1  # whatever it does, the pass it came into is not one like the others
            self.within = True
            try:
                handler(machine)
            finally:
                self.within = False
