"""Parts as objects: a lamp that is switched on, a button that is asked or that calls back, a motion or a range module."""

import math
from collections.abc import Callable
from typing import Any

from verifex.core.program.dynamic.modules import clock, pins
from verifex.core.program.dynamic.values import Builtin, Thing, error
from verifex.core.program.runtime.agenda import Edge, Timer, Watch
from verifex.core.program.runtime.machine import Machine
from verifex.core.program.tree import At

CM_PER_METRE = 100.0
SHOT_US = 25_000.0


class Output(Thing):
    """A lamp, a sounder or any pin that is switched."""

    name = "output"

    def __init__(
        self, m: Machine, at: At, pin: Any, active_high: bool = True, initial_value: Any = False, **_: Any
    ) -> None:
        self.pin, self.active_high = pins.pin_named(m, pin, at), active_high
        self.level: float = 0.0
        self.blinking: Timer | None = None
        m.set_mode(self.pin, "output", at)
        self._set(m, at, float(initial_value or 0))

    def _set(self, m: Machine, at: At, level: float) -> None:
        self.level = level
        pins.drive(m, self.pin, (level >= 0.5) == self.active_high, at)

    def _still(self, m: Machine) -> None:
        if self.blinking is not None:
            m.cancel(self.blinking)
            self.blinking = None

    def do_on(self, m: Machine, at: At) -> None:
        self._still(m)
        self._set(m, at, 1.0)

    def do_off(self, m: Machine, at: At) -> None:
        self._still(m)
        self._set(m, at, 0.0)

    def do_toggle(self, m: Machine, at: At) -> None:
        self._still(m)
        self._set(m, at, 1.0 - self.level)

    def do_blink(
        self, m: Machine, at: At, on_time: float = 1, off_time: float = 1, n: int | None = None, background: bool = True
    ) -> None:
        """On and off again by itself; `n` times, or until it is set otherwise."""
        self._still(m)
        if not background:
            for _ in range(n or 0):
                self._set(m, at, 1.0)
                m.spend_us(on_time * 1e6)
                self._set(m, at, 0.0)
                m.spend_us(off_time * 1e6)
            return
        left = [2 * n - 1] if n else None
        self._set(m, at, 1.0)

        def turn(machine: Machine) -> None:
            self._set(machine, at, 1.0 - self.level)
            if left:
                left[0] -= 1
            if not left or left[0] > 0:
                self.blinking = machine.call_after((on_time if self.level else off_time) * 1e6, turn)

        self.blinking = m.call_after(on_time * 1e6, turn)

    do_beep = do_blink

    def do_close(self, m: Machine, at: At) -> None:
        self._still(m)
        m.set_mode(self.pin, "input", at)

    def get_value(self, m: Machine, at: At) -> float:
        return int(self.level) if self.level in (0, 1) else self.level

    def set_value(self, m: Machine, at: At, value: Any) -> None:
        self._still(m)
        self._set(m, at, float(value))

    def get_is_lit(self, m: Machine, at: At) -> bool:
        return self.level > 0

    get_is_active = get_is_lit

    def state(self) -> Any:
        return self.level


class Dimmable(Output):
    """A lamp with a share of the time on."""

    name = "dimmable output"

    def _set(self, m: Machine, at: At, level: float) -> None:
        if not 0 <= level <= 1:
            raise error("ValueError", "the value goes from 0 to 1", at)
        self.level = level
        pins.dim(m, self.pin, level if self.active_high else 1 - level, at)


class Input(Thing):
    """A button, a switch or a module with two states."""

    name = "input"
    pulled = True

    def __init__(
        self, m: Machine, at: At, pin: Any, pull_up: Any = None, bounce_time: float | None = None, **_: Any
    ) -> None:
        self.pin = pins.pin_named(m, pin, at)
        up = self.pulled if pull_up is None else bool(pull_up)
        self.active_high = not up
        self.called: dict[bool, Watch] = {}  # what is called when it becomes active, and when it no longer is
        self.dead_us = (bounce_time or 0) * 1e6
        m.set_mode(self.pin, "pull-up" if up else "input", at)

    def _active(self, m: Machine, at: At) -> bool:
        return pins.listen(m, self.pin, at) == self.active_high

    get_is_pressed = get_is_active = get_is_held = get_motion_detected = _active

    def get_value(self, m: Machine, at: At) -> int:
        return int(self._active(m, at))

    def _wait(self, m: Machine, at: At, timeout: float | None = None) -> bool:
        return pins.until(m, self.pin, self.active_high, timeout, at)

    def _wait_off(self, m: Machine, at: At, timeout: float | None = None) -> bool:
        return pins.until(m, self.pin, not self.active_high, timeout, at)

    do_wait_for_press = do_wait_for_active = do_wait_for_motion = _wait
    do_wait_for_release = do_wait_for_inactive = do_wait_for_no_motion = _wait_off

    def _when(self, m: Machine, at: At, f: Any, *, active: bool) -> None:
        if before := self.called.pop(active, None):
            m.forget(self.pin, before)
        if f is None:
            return
        wants = 0 if isinstance(f, Builtin) or not hasattr(f, "required") else f.required
        edge: Edge = "rising" if active == self.active_high else "falling"
        self.called[active] = pins.on_edge(m, self.pin, edge, f, (self,) * min(1, wants), at, self.dead_us)

    def _when_on(self, m: Machine, at: At, f: Any) -> None:
        self._when(m, at, f, active=True)

    def _when_off(self, m: Machine, at: At, f: Any) -> None:
        self._when(m, at, f, active=False)

    set_when_pressed = set_when_motion = set_when_activated = _when_on
    set_when_released = set_when_no_motion = set_when_deactivated = _when_off

    def do_close(self, m: Machine, at: At) -> None:
        m.unwatch(self.pin)


class Sensing(Input):
    """An input that its module drives both ways."""

    pulled = False


class Range(Thing):
    """An ultrasonic range module with its two pins; the distance comes in metres."""

    name = "range module"

    def __init__(self, m: Machine, at: At, echo: Any, trigger: Any, max_distance: float = 1.0, **_: Any) -> None:
        self.echo, self.trigger = pins.pin_named(m, echo, at), pins.pin_named(m, trigger, at)
        self.most = max_distance
        m.set_mode(self.echo, "input", at)
        m.set_mode(self.trigger, "output", at)

    def get_distance(self, m: Machine, at: At) -> float:
        m.activity += 1
        m.use(self.echo).read_at = m.use(self.echo).read_at or at
        m.use(self.trigger).written_at = m.use(self.trigger).written_at or at
        m.spend_us(SHOT_US)
        cm = m.surroundings.measured(m, [self.echo, self.trigger], "cm")
        return self.most if math.isnan(cm) else min(self.most, cm / CM_PER_METRE)

    def get_value(self, m: Machine, at: At) -> float:
        return self.get_distance(m, at) / self.most


def _maker(kind: type[Thing]) -> Builtin:
    make: Callable[..., Thing] = kind
    return Builtin(kind.__name__, lambda m, at, *args, **named: make(m, at, *args, **named))


OFFERED: dict[str, Any] = {
    **{name: _maker(Output) for name in ("LED", "Buzzer", "DigitalOutputDevice", "OutputDevice")},
    **{name: _maker(Dimmable) for name in ("PWMLED", "PWMOutputDevice")},
    "Button": _maker(Input),
    **{name: _maker(Sensing) for name in ("MotionSensor", "LineSensor", "DigitalInputDevice", "InputDevice")},
    "DistanceSensor": _maker(Range),
    "pause": clock.PAUSE,
}
