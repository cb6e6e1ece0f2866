"""The pins of a small board as objects: a pin, a converter, pulses, a bus, a timer."""

from collections.abc import Callable
from typing import Any

from verifex.core.program.dynamic.modules import buses, pins
from verifex.core.program.dynamic.values import Builtin, Thing, error
from verifex.core.program.runtime.agenda import Edge
from verifex.core.program.runtime.agenda import Timer as Due
from verifex.core.program.runtime.machine import Machine
from verifex.core.program.tree import At

READ_US = 112.0
MOST_U16, MOST_DUTY = 65535, 1023
RISING, FALLING = 1, 2


class Pin(Thing):
    name = "Pin"
    is_IN, is_OUT, is_OPEN_DRAIN, is_PULL_UP, is_PULL_DOWN = 1, 3, 7, 2, 1
    is_IRQ_RISING, is_IRQ_FALLING = RISING, FALLING

    def __init__(
        self, m: Machine, at: At, number: Any, mode: int = -1, pull: int | None = -1, *, value: Any = None
    ) -> None:
        self.pin = pins.pin_named(m, number, at)
        self._set(m, at, mode, pull)
        if value is not None:
            pins.drive(m, self.pin, bool(value), at)

    def _set(self, m: Machine, at: At, mode: int, pull: int | None) -> None:
        if mode == Pin.is_OUT:
            kind = m.board.pin(self.pin)
            if kind is not None and not kind.digital_out:
                raise error("ValueError", f"{self.pin} is an input only", at)
            m.set_mode(self.pin, "output", at)
        elif mode != -1:
            m.set_mode(self.pin, "pull-up" if pull == Pin.is_PULL_UP else "input", at)

    def do_init(self, m: Machine, at: At, mode: int = -1, pull: int | None = -1, *, value: Any = None) -> None:
        self._set(m, at, mode, pull)
        if value is not None:
            pins.drive(m, self.pin, bool(value), at)

    def do_value(self, m: Machine, at: At, *level: Any) -> int | None:
        if level:
            pins.drive(m, self.pin, bool(level[0]), at)
            return None
        return int(pins.listen(m, self.pin, at))

    called = do_value

    def do_on(self, m: Machine, at: At) -> None:
        pins.drive(m, self.pin, True, at)

    def do_off(self, m: Machine, at: At) -> None:
        pins.drive(m, self.pin, False, at)

    do_high, do_low = do_on, do_off

    def do_toggle(self, m: Machine, at: At) -> None:
        pins.drive(m, self.pin, not m.levels.get(self.pin, 0), at)

    def do_irq(self, m: Machine, at: At, handler: Any = None, trigger: int = RISING | FALLING, **_: Any) -> None:
        edge: Edge = "change" if trigger == RISING | FALLING else "rising" if trigger == RISING else "falling"
        if handler is not None:
            pins.on_edge(m, self.pin, edge, handler, (self,), at)

    def shown(self) -> str:
        return f"Pin({self.pin.removeprefix('GPIO')})"


class Converter(Thing):
    """`ADC` on a pin."""

    name = "ADC"
    is_ATTN_0DB, is_ATTN_2_5DB, is_ATTN_6DB, is_ATTN_11DB, is_WIDTH_12BIT, is_WIDTH_10BIT = 0, 1, 2, 3, 3, 1

    def __init__(self, m: Machine, at: At, pin: Any, *, atten: int | None = None, **_: Any) -> None:
        self.pin = pins.pin_named(m, pin, at)

    def do_atten(self, m: Machine, at: At, *_: Any) -> None:
        return None

    do_width = do_init = do_atten

    def do_read(self, m: Machine, at: At) -> int:
        m.activity += 1
        m.spend_us(READ_US)
        m.use(self.pin).measured_at = m.use(self.pin).measured_at or at
        kind = m.board.pin(self.pin)
        if kind is None or not kind.analogue_in:
            m.runtime_faults[("no-converter", at)] += 1
            raise error("ValueError", f"{self.pin} has no converter", at)
        return m.surroundings.analogue_count(m, self.pin)

    def do_read_u16(self, m: Machine, at: At) -> int:
        return round(self.do_read(m, at) * MOST_U16 / m.board.full_count)

    def do_read_uv(self, m: Machine, at: At) -> int:
        return round(self.do_read(m, at) / m.board.full_count * m.board.rail_volts * 1e6)


class Pulses(Thing):
    """`PWM` on a pin: a dimmed light, or a tone for what sounds."""

    name = "PWM"

    def __init__(
        self, m: Machine, at: At, pin: Any, freq: int = 5000, duty: int | None = None, duty_u16: int | None = None
    ) -> None:
        self.pin, self.hertz, self.share = pins.pin_named(m, pin, at), freq, 0.0
        if duty is not None or duty_u16 is not None:
            self._set(m, at, duty / MOST_DUTY if duty is not None else (duty_u16 or 0) / MOST_U16)

    def _set(self, m: Machine, at: At, share: float) -> None:
        self.share = max(0.0, min(1.0, share))
        pins.dim(m, self.pin, self.share, at)

    def do_freq(self, m: Machine, at: At, *hertz: int) -> int | None:
        if not hertz:
            return self.hertz
        if hertz[0] <= 0:
            raise error("ValueError", "the frequency is above 0", at)
        self.hertz = hertz[0]
        m.activity += 1
        return None

    def do_duty(self, m: Machine, at: At, *duty: int) -> int | None:
        if not duty:
            return round(self.share * MOST_DUTY)
        self._set(m, at, duty[0] / MOST_DUTY)
        return None

    def do_duty_u16(self, m: Machine, at: At, *duty: int) -> int | None:
        if not duty:
            return round(self.share * MOST_U16)
        self._set(m, at, duty[0] / MOST_U16)
        return None

    def do_init(
        self, m: Machine, at: At, freq: int | None = None, duty: int | None = None, duty_u16: int | None = None
    ) -> None:
        self.hertz = freq or self.hertz
        if duty is not None or duty_u16 is not None:
            self._set(m, at, duty / MOST_DUTY if duty is not None else (duty_u16 or 0) / MOST_U16)

    def do_deinit(self, m: Machine, at: At) -> None:
        self._set(m, at, 0.0)

    def state(self) -> Any:
        return (self.hertz, self.share)


class Timer(Thing):
    """Calls a function by itself, once or again and again."""

    name = "Timer"
    is_ONE_SHOT, is_PERIODIC = 0, 1

    def __init__(self, m: Machine, at: At, number: int = -1, **named: Any) -> None:
        self.due: Due | None = None
        if named:
            self.do_init(m, at, **named)

    def do_init(
        self,
        m: Machine,
        at: At,
        *,
        period: float = 1000,
        freq: float | None = None,
        mode: int = 1,
        callback: Any = None,
    ) -> None:
        self.do_deinit(m, at)
        every = 1e6 / freq if freq else period * 1000.0
        if callback is not None:
            again = every if mode == Timer.is_PERIODIC else float("inf")
            self.due = m.call_after(every, lambda machine: pins.called_back(machine, callback, (self,), at), again)

    def do_deinit(self, m: Machine, at: At) -> None:
        if self.due is not None:
            m.cancel(self.due)
            self.due = None


def _pulse(m: Machine, at: At, pin: Any, level: int, timeout_us: int = 1_000_000) -> int:
    name = pins.pin_named(m, pin, at)
    m.use(name).read_at = m.use(name).read_at or at
    us = m.surroundings.pulse_us(m, name)
    m.activity += 1
    m.spend_us(timeout_us if us == 0 or us > timeout_us else us)
    return -1 if us == 0 or us > timeout_us else us


class Kind(Thing):
    """A class of this library: makes its objects, and has constants of its own."""

    def __init__(self, kind: type[Thing]) -> None:
        self.kind, self.name = kind, kind.name
        self.make: Callable[..., Thing] = kind

    def get(self, m: Machine, name: str, at: At) -> Any:
        found = getattr(self.kind, f"is_{name}", None)
        return found if found is not None else super().get(m, name, at)

    def called(self, m: Machine, at: At, *args: Any, **named: Any) -> Thing:
        return self.make(m, at, *args, **named)


OFFERED: dict[str, Any] = {
    "Pin": Kind(Pin), "ADC": Kind(Converter), "Timer": Kind(Timer), "I2C": Kind(buses.SmallBus), "SoftI2C": Kind(buses.SmallBus),
    "SMBus": Kind(buses.NumberedBus), "time_pulse_us": Builtin("time_pulse_us", _pulse),
    "const": Builtin("const", lambda m, at, value: value),
    "freq": Builtin("freq", lambda m, at, *_: 240_000_000), "reset": Builtin("reset", lambda m, at: m.spend_us(m.end_us - m.now_us)),
}  # fmt: skip
