"""Shifting bytes out and in, bit by bit, and words of two bytes."""

from typing import Any

from verifex.core.program.calls.registry import At, Machine, call
from verifex.core.program.types import BYTE, LONG, VOID, Int

WORD = Int(16, False)

MOST_SIGNIFICANT_FIRST = 1


@call("shiftOut", (BYTE, BYTE, BYTE, BYTE), VOID, us=0.0)
def shift_out(m: Machine, at: At, _: Any, data: int, clock: int, order: int, value: int) -> None:
    """Eight bits on a data pin, each with a pulse on the clock pin."""
    data_pin, clock_pin = m.pin(data, at), m.pin(clock, at)
    if data_pin is None or clock_pin is None:
        return
    for n in range(8):
        bit = 7 - n if order == MOST_SIGNIFICANT_FIRST else n
        m.write(data_pin, value >> bit & 1, at)
        m.write(clock_pin, 1, at)
        m.spend_us(8)
        m.write(clock_pin, 0, at)


@call("shiftIn", (BYTE, BYTE, BYTE), BYTE, us=0.0)
def shift_in(m: Machine, at: At, _: Any, data: int, clock: int, order: int) -> int:
    """Eight bits from a data pin, each with a pulse on the clock pin."""
    data_pin, clock_pin = m.pin(data, at), m.pin(clock, at)
    if data_pin is None or clock_pin is None:
        return 0
    value = 0
    for n in range(8):
        m.write(clock_pin, 1, at)
        m.spend_us(8)
        bit = int(m.surroundings.level(m, data_pin))
        value |= bit << (7 - n if order == MOST_SIGNIFICANT_FIRST else n)
        m.write(clock_pin, 0, at)
    return value


def _enter_word(name: str) -> None:
    @call(name, (LONG, BYTE), WORD, least=1)
    def act(m: Machine, at: At, _: Any, high: int, low: int | None = None) -> int:
        return WORD.wrap(high if low is None else high << 8 | low)


for _name in ("word", "makeWord"):
    _enter_word(_name)
