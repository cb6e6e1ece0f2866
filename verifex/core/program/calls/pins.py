"""Digital and analogue pins, tones and pulses."""

from typing import Any

from verifex.core.program.boards import MODES, REFERENCES
from verifex.core.program.calls.registry import At, Machine, call
from verifex.core.program.runtime.agenda import Timer
from verifex.core.program.types import BYTE, ULONG, VOID, Int

INT = Int(16, True)
MEASURE_STEPS = 20  # a circuit is looked up


@call("pinMode", (BYTE, BYTE), VOID)
def pin_mode(m: Machine, at: At, _: Any, number: int, mode: int) -> None:
    if (pin := m.pin(number, at)) is not None:
        m.set_mode(pin, MODES.get(mode, "input"), at)


@call("digitalWrite", (BYTE, BYTE), VOID)
def digital_write(m: Machine, at: At, _: Any, number: int, level: int) -> None:
    if (pin := m.pin(number, at)) is not None:
        m.write(pin, int(level != 0), at)


@call("digitalRead", (BYTE,), INT)
def digital_read(m: Machine, at: At, _: Any, number: int) -> int:
    pin = m.pin(number, at)
    if pin is None:
        return 0
    m.use(pin).read_at = m.use(pin).read_at or at
    return int(m.surroundings.level(m, pin))


@call("analogRead", (BYTE,), INT, us=112.0)
def analogue_read(m: Machine, at: At, _: Any, number: int) -> int:
    # The dialect takes a channel (0) as well as a pin (A0).
    if number < len(m.channels):
        number = m.channels[number]
    m.steps += MEASURE_STEPS
    pin = m.pin(number, at)
    if pin is None:
        return 0
    m.use(pin).measured_at = m.use(pin).measured_at or at
    kind = m.board.pin(pin)
    if kind is None or not kind.analogue_in:
        m.runtime_faults[("no-converter", at)] += 1
        return 0
    return m.surroundings.analogue_count(m, pin)


@call("analogWrite", (BYTE, INT), VOID)
def analogue_write(m: Machine, at: At, _: Any, number: int, duty: int) -> None:
    pin = m.pin(number, at)
    if pin is None:
        return
    kind = m.board.pin(pin)
    m.modes[pin] = m.use(pin).mode = "output"  # these calls make the pin an output themselves
    if not 0 <= duty <= 255:
        m.runtime_faults[("duty-beyond", at)] += 1
    if duty <= 0 or duty >= 255:
        m.write(pin, int(duty >= 255), at)
    elif kind and kind.pwm:
        m.write(pin, 1, at, pwm=duty)
    else:
        m.runtime_faults[("plain-pin-dimmed", at)] += 1
        m.write(pin, int(duty >= 128), at)


@call("analogReference", (BYTE,), VOID)
def analogue_reference(m: Machine, at: At, _: Any, kind: int) -> None:
    chosen = REFERENCES.get(kind, "rail")
    m.changes += chosen != m.reference
    m.reference = chosen


@call("tone", (BYTE, Int(16, False), ULONG), VOID, least=2)
def tone(m: Machine, at: At, _: Any, number: int, hertz: int, ms: int = 0) -> None:
    """A tone until it is ended, or for `ms`. One timer makes all tones: while it plays on one pin, another pin gets none."""
    if (pin := m.pin(number, at)) is None:
        return
    m.use(pin).written_at = m.use(pin).written_at or at
    m.modes[pin] = m.use(pin).mode = "output"  # these calls make the pin an output themselves
    if any(other != pin for other in m.tones):
        m.pins_changed()
        return
    if m.tones.get(pin) != hertz:
        m.event(pin, f"tone:{hertz}")
        m.changes += 1
    m.tones[pin] = hertz
    end_of_tone(m, pin, ms * 1000.0)
    m.pins_changed()


def end_of_tone(m: Machine, pin: str, after_us: float) -> None:
    """The tone on a pin ends by itself after so long; 0 for never. The end that an earlier call set is forgotten."""
    key = f"tone on {pin}"
    earlier = m.own.pop(key, None)
    if isinstance(earlier, Timer):
        m.cancel(earlier)
    if after_us:
        m.own[key] = m.call_after(after_us, lambda machine: silence(machine, pin))


def silence(m: Machine, pin: str) -> None:
    if m.tones.pop(pin, None) is not None:
        m.event(pin, "tone:off")
        m.changes += 1
        m.pins_changed()


@call("noTone", (BYTE,), VOID)
def no_tone(m: Machine, at: At, _: Any, number: int) -> None:
    if (pin := m.pin(number, at)) is not None:
        end_of_tone(m, pin, 0)
        silence(m, pin)


@call("pulseInLong", (BYTE, BYTE, ULONG), ULONG, least=2)
@call("pulseIn", (BYTE, BYTE, ULONG), ULONG, least=2)
def pulse_in(m: Machine, at: At, _: Any, number: int, level: int, timeout_us: int = 1_000_000) -> int:
    pin = m.pin(number, at)
    us = m.surroundings.pulse_us(m, pin) if pin else 0
    if us == 0 or us > timeout_us:
        m.spend_us(timeout_us)
        return 0
    m.spend_us(us)
    return us
