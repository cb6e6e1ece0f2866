"""Functions of the program that a changing pin calls."""

from typing import Any

from verifex.core.program.calls.registry import At, Machine, call
from verifex.core.program.runtime.agenda import Edge
from verifex.core.program.types import BYTE, FUNCTION, VOID, Int

INT = Int(16, True)
EDGES: dict[int, Edge] = {0: "low", 1: "change", 2: "falling", 3: "rising"}
NONE = 255  # what digitalPinToInterrupt gives for a pin that has none


def _pins(m: Machine) -> list[str]:
    """Pins that can call, in the order of their interrupt numbers."""
    return list(m.board.pins.interrupts) or [name for _, name in sorted(m.numbers.items())]


@call("digitalPinToInterrupt", (BYTE,), INT, us=0.0)
def to_interrupt(m: Machine, at: At, _: Any, number: int) -> int:
    pin, pins = m.pin(number, at), _pins(m)
    return pins.index(pin) if pin in pins else NONE


@call("attachInterrupt", (BYTE, FUNCTION, BYTE), VOID)
def attach(m: Machine, at: At, _: Any, number: int, function: str, mode: int) -> None:
    pins = _pins(m)
    if number >= len(pins):
        m.runtime_faults[("no-interrupt", at)] += 1
        return
    m.unwatch(pins[number])
    m.use(pins[number]).read_at = m.use(pins[number]).read_at or at
    m.watch(pins[number], EDGES.get(mode, "change"), lambda machine: machine.call_named(function))


@call("detachInterrupt", (BYTE,), VOID)
def detach(m: Machine, at: At, _: Any, number: int) -> None:
    pins = _pins(m)
    if number < len(pins):
        m.unwatch(pins[number])


@call("noInterrupts", (), VOID)
def hold_back(m: Machine, at: At, _: Any) -> None:
    m.agenda.held_back = True


@call("interrupts", (), VOID)
def let_through(m: Machine, at: At, _: Any) -> None:
    m.agenda.held_back = False
    m.agenda.answer(m)


@call("cli", (), VOID)
def hold_back_short(m: Machine, at: At, _: Any) -> None:
    m.agenda.held_back = True


@call("sei", (), VOID)
def let_through_short(m: Machine, at: At, _: Any) -> None:
    m.agenda.held_back = False
    m.agenda.answer(m)
