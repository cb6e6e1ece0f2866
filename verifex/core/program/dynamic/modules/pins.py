"""Pins as Python programs name them, and what every way of using them shares."""

from typing import Any

from verifex.core.program.dynamic.calling import call
from verifex.core.program.dynamic.values import Thing, error
from verifex.core.program.runtime.agenda import Edge, Watch
from verifex.core.program.runtime.machine import Machine
from verifex.core.program.tree import At

PIN_US = 4.0  # what looking at a pin takes from this language
PIN_STEPS = 6  # what it costs us beside a sum
FULL_DUTY = 255  # a dimmed pin is reported in these steps, whatever the library counts in


def pin_named(m: Machine, number: Any, at: At, *, header: bool = False) -> str:
    """The board's name of a pin given by GPIO number, by header position, or as a name. Raises ValueError in the program."""
    name = f"P{number}" if header else f"GPIO{number}"
    if isinstance(number, str):
        text = number.upper().removeprefix("GPIO").removeprefix("BCM").removeprefix("GP")
        name = f"P{number.upper().removeprefix('BOARD')}" if number.upper().startswith("BOARD") else f"GPIO{text}"
    elif isinstance(number, Thing) and hasattr(number, "pin"):
        return str(number.pin)
    pin = m.board.pin(name)
    if pin is None or not pin.is_signal:
        m.runtime_faults[("no-such-pin", at)] += 1
        where = f"header position {number}" if header else f"GPIO {number}"
        raise error("ValueError", f"{where} is no signal pin of this board", at)
    return pin.name


def listen(m: Machine, pin: str, at: At) -> bool:
    """The level on a pin, noted as read."""
    m.activity += 1
    m.steps += PIN_STEPS
    m.spend_us(PIN_US)
    m.use(pin).read_at = m.use(pin).read_at or at
    return m.surroundings.level(m, pin)


def drive(m: Machine, pin: str, on: bool, at: At) -> None:
    m.activity += 1
    m.spend_us(PIN_US)
    m.write(pin, int(on), at)


def dim(m: Machine, pin: str, share: float, at: At) -> None:
    """A share of the time on; nothing and all of it are plain levels."""
    m.activity += 1
    duty = round(max(0.0, min(1.0, share)) * FULL_DUTY)
    m.modes[pin] = m.use(pin).mode = "output"
    m.write(pin, int(duty > 0), at, pwm=duty if 0 < duty < FULL_DUTY else None)


def sound(m: Machine, pin: str, hertz: int | None, at: At) -> None:
    """A tone on a pin, or its end."""
    m.activity += 1
    if m.tones.get(pin) == hertz:
        return
    m.modes[pin] = m.use(pin).mode = "output"
    m.use(pin).written_at = m.use(pin).written_at or at
    m.changes += 1
    if hertz:
        m.tones[pin] = hertz
    elif m.tones.pop(pin, None) is None:
        return
    m.event(pin, f"tone:{hertz}" if hertz else "tone:off")
    m.pins_changed()


def until(m: Machine, pin: str, level: bool, seconds: float | None, at: At) -> bool:
    """Wait until a pin is at a level, at most so long; gives whether it came to be."""
    end = m.end_us if seconds is None else m.now_us + seconds * 1e6
    while listen(m, pin, at) != level:
        m.step(at)
        ahead = min(end, m.next_change_us(m.now_us))
        if m.now_us >= end:
            return False
        m.spend_us(max(1.0, ahead - m.now_us))
    return True


def on_edge(m: Machine, pin: str, edge: Edge, f: Any, args: tuple[Any, ...], at: At, dead_us: float = 0.0) -> Watch:
    """Call a function of the program at each such change of a pin."""
    m.use(pin).read_at = m.use(pin).read_at or at
    return m.watch(pin, edge, lambda machine: called_back(machine, f, args, at), dead_us)


def called_back(m: Machine, f: Any, args: tuple[Any, ...], at: At) -> None:
    kept = m.returned  # what the statement it came into was about to give back
    call(m, f, args, {}, at)
    m.returned = kept
