"""Pins by functions: choose a numbering, set up, put out, read, and release at the end."""

from collections.abc import Callable
from typing import Any

from verifex.core.program.dynamic.modules import pins
from verifex.core.program.dynamic.modules.micro import Pulses
from verifex.core.program.dynamic.values import Builtin, Thing, error
from verifex.core.program.runtime.agenda import Edge
from verifex.core.program.runtime.machine import Machine
from verifex.core.program.runtime.own_state import own_state
from verifex.core.program.tree import At

BY_POSITION, BY_GPIO = 10, 11
OUT, IN = 0, 1
PULL_OFF, PULL_DOWN, PULL_UP = 20, 21, 22
RISING, FALLING, BOTH = 31, 32, 33
EDGES: dict[int, Edge] = {RISING: "rising", FALLING: "falling", BOTH: "change"}


def _pin(m: Machine, channel: Any, at: At) -> str:
    numbering = m.own.get("numbering")
    if numbering is None:
        m.runtime_faults[("numbering-not-set", at)] += 1
        raise error("RuntimeError", "no numbering is set: call setmode() first", at)
    return pins.pin_named(m, channel, at, header=numbering == BY_POSITION)


def _each(channels: Any) -> list[Any]:
    return list(channels) if isinstance(channels, list | tuple) else [channels]


def setmode(m: Machine, at: At, numbering: int) -> None:
    if numbering not in (BY_POSITION, BY_GPIO):
        raise error("ValueError", "the numbering is BOARD or BCM", at)
    m.own["numbering"] = numbering


def setup(
    m: Machine, at: At, channels: Any, direction: int, pull_up_down: int = PULL_OFF, initial: int | None = None
) -> None:
    for channel in _each(channels):
        pin = _pin(m, channel, at)
        m.own["set-up"] = True
        if direction == OUT:
            m.set_mode(pin, "output", at)
            if initial is not None:
                pins.drive(m, pin, bool(initial), at)
        else:
            m.set_mode(pin, {PULL_UP: "pull-up", PULL_DOWN: "pull-down"}.get(pull_up_down, "input"), at)


def output(m: Machine, at: At, channels: Any, levels: Any) -> None:
    given = _each(levels)
    for index, channel in enumerate(_each(channels)):
        pin = _pin(m, channel, at)
        if m.modes.get(pin) != "output":
            m.runtime_faults[("not-set-up", at)] += 1
            raise error("RuntimeError", f"channel {channel} is not set up as an output", at)
        pins.drive(m, pin, bool(given[min(index, len(given) - 1)]), at)


def read(m: Machine, at: At, channel: Any) -> int:
    pin = _pin(m, channel, at)
    if pin not in m.modes:
        m.runtime_faults[("not-set-up", at)] += 1
        raise error("RuntimeError", f"channel {channel} is not set up", at)
    return int(pins.listen(m, pin, at))


def cleanup(m: Machine, at: At, channels: Any = None) -> None:
    m.activity += 1
    m.own["released"] = True
    for pin in list(m.modes) if channels is None else [_pin(m, channel, at) for channel in _each(channels)]:
        m.agenda.watches.pop(pin, None)
        m.set_mode(pin, "input", at)


def add_event_detect(m: Machine, at: At, channel: Any, edge: int, callback: Any = None, bouncetime: float = 0) -> None:
    pin = _pin(m, channel, at)
    if pin not in m.modes:
        raise error("RuntimeError", f"channel {channel} is not set up", at)
    edges = own_state(m, "edges", set[str])
    m.watch(pin, EDGES.get(edge, "change"), lambda machine: edges.add(pin), bouncetime * 1000.0)
    if callback is not None:
        add_event_callback(m, at, channel, callback, edge, bouncetime)


def add_event_callback(
    m: Machine, at: At, channel: Any, callback: Any, edge: int = BOTH, bouncetime: float = 0
) -> None:
    pin = _pin(m, channel, at)
    own = m.agenda.watches.get(pin)
    chosen = own[0].edge if own else EDGES.get(edge, "change")
    pins.on_edge(m, pin, chosen, callback, (channel,), at, bouncetime * 1000.0)


def event_detected(m: Machine, at: At, channel: Any) -> bool:
    m.activity += 1
    seen, pin = m.own.setdefault("edges", set()), _pin(m, channel, at)
    assert isinstance(seen, set)
    found = pin in seen
    m.changes += found
    seen.discard(pin)
    return found


def wait_for_edge(
    m: Machine, at: At, channel: Any, edge: int, timeout: float | None = None, bouncetime: float = 0
) -> Any:
    pin = _pin(m, channel, at)
    seconds = None if timeout is None else timeout / 1000
    level = not pins.listen(m, pin, at) if edge == BOTH else edge == RISING
    ahead = m.now_us
    if not pins.until(m, pin, not level, seconds, at):
        return None
    left = None if seconds is None else seconds - (m.now_us - ahead) / 1e6
    return channel if pins.until(m, pin, level, left, at) else None


def _nothing(m: Machine, at: At, *_: Any) -> None:
    return None


class Dimmed(Thing):
    """A pin switched fast: `duty` in percent at `hertz`."""

    name = "PWM"

    def __init__(self, pin: str, hertz: float) -> None:
        self.pin, self.hertz, self.duty, self.running = pin, hertz, 0.0, False

    def _show(self, m: Machine, at: At) -> None:
        pins.dim(m, self.pin, self.duty / 100 if self.running else 0.0, at)

    def do_start(self, m: Machine, at: At, duty: float) -> None:
        self.duty, self.running = duty, True
        self._show(m, at)

    def do_ChangeDutyCycle(self, m: Machine, at: At, duty: float) -> None:
        if not 0 <= duty <= 100:
            raise error("ValueError", "the duty goes from 0.0 to 100.0", at)
        self.duty = duty
        self._show(m, at)

    def do_ChangeFrequency(self, m: Machine, at: At, hertz: float) -> None:
        if hertz <= 0:
            raise error("ValueError", "the frequency is above 0", at)
        self.hertz = hertz
        m.activity += 1

    def do_stop(self, m: Machine, at: At) -> None:
        self.running = False
        self._show(m, at)

    def state(self) -> Any:
        return (self.hertz, self.duty, self.running)


def switched_fast(m: Machine, at: At, channel: Any, hertz: float = 1000, **named: Any) -> Any:
    """`PWM`: of a channel and a frequency here, of a pin object in the other style."""
    if isinstance(channel, Thing):
        return Pulses(m, at, channel, **{"freq": int(hertz), **named})
    return Dimmed(_pin(m, channel, at), hertz)


_FUNCTIONS: dict[str, Callable[..., Any]] = {
            "setmode": setmode, "setwarnings": _nothing, "getmode": lambda m, at: m.own.get("numbering"), "setup": setup, "output": output,
            "input": read, "cleanup": cleanup, "add_event_detect": add_event_detect, "add_event_callback": add_event_callback,
            "remove_event_detect": lambda m, at, channel: m.unwatch(_pin(m, channel, at)), "event_detected": event_detected,
            "wait_for_edge": wait_for_edge, "PWM": switched_fast,
}  # fmt: skip

OFFERED: dict[str, Any] = {
    "BOARD": BY_POSITION, "BCM": BY_GPIO, "OUT": OUT, "IN": IN, "HIGH": 1, "LOW": 0, "PUD_OFF": PULL_OFF, "PUD_DOWN": PULL_DOWN,
    "PUD_UP": PULL_UP, "RISING": RISING, "FALLING": FALLING, "BOTH": BOTH,
    **{name: Builtin(name, act) for name, act in _FUNCTIONS.items()},
}  # fmt: skip
