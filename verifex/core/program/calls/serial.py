"""The serial line: begin, print, read."""

import math
from typing import Any

from verifex.core.program.calls.registry import At, Machine, call
from verifex.core.program.types import BOOL, CHAR, FLOAT, TEXT, ULONG, VOID, Int, Type, as_float32

INT = Int(16, True)


@call("Serial.begin", (ULONG,), VOID)
def begin(m: Machine, at: At, _: Any, baud: int) -> None:
    m.baud = baud or None


def as_printed(kind: Type, value: Any, form: int | None = None) -> str:
    """What `print` sends for a value; `form` is the decimals of a float or the base of an integer."""
    if kind == TEXT:
        return str(value)
    if kind == FLOAT:
        return float_printed(float(value), 2 if form is None else max(0, min(20, form)))
    if kind == CHAR and form is None:
        return chr(value & 0xFF)
    if kind == BOOL:
        return str(int(value))
    base = form or 10
    if base == 10 or not 2 <= base <= 36:
        return str(value)
    if value < 0:
        value &= 0xFFFFFFFF  # other bases print the bits of a long
    digits = ""
    while True:
        digits = "0123456789ABCDEFGHIJKLMNOPQRSTUVWXYZ"[value % base] + digits
        value //= base
        if value == 0:
            return digits


def float_printed(value: float, decimals: int) -> str:
    """A float as the small boards print it: rounded by adding half a last digit, then cut, all in 32 bits."""
    if math.isnan(value):
        return "nan"
    if math.isinf(value):
        return "inf"
    if abs(value) > 4294967040.0:
        return "ovf"
    sign, value = ("-", -value) if value < 0 else ("", value)
    rounding = 0.5
    for _ in range(decimals):
        rounding = as_float32(rounding / 10)
    value = as_float32(value + rounding)
    whole = int(value)
    rest = as_float32(value - whole)
    digits = []
    for _ in range(decimals):
        rest = as_float32(rest * 10)
        digits.append(str(int(rest)))
        rest = as_float32(rest - int(rest))
    return sign + str(whole) + ("." + "".join(digits) if decimals else "")


def _send(m: Machine, at: At, kinds: tuple[Type, ...], args: tuple[Any, ...], end: str) -> None:
    if m.baud is None:
        m.slips[("printed-before-begin", at)] += 1
    text = as_printed(kinds[0], args[0], args[1] if len(args) > 1 else None) if args else ""
    m.emit(text + end, at)


@call("Serial.print", ("any", INT), VOID, least=1)
def print_(m: Machine, at: At, kinds: tuple[Type, ...], *args: Any) -> None:
    _send(m, at, kinds, args, "")


@call("Serial.println", ("any", INT), VOID, least=0)
def println(m: Machine, at: At, kinds: tuple[Type, ...], *args: Any) -> None:
    _send(m, at, kinds, args, "\r\n")


@call("Serial.available", (), INT)
def available(m: Machine, at: At, _: Any) -> int:
    return 0


@call("Serial.read", (), INT)
def read(m: Machine, at: At, _: Any) -> int:
    return -1


@call("Serial.flush", (), VOID)
def flush(m: Machine, at: At, _: Any) -> None:
    return None


@call("String", ("any", INT), TEXT, least=1)
def string(m: Machine, at: At, kinds: tuple[Type, ...], *args: Any) -> str:
    return as_printed(kinds[0], args[0], args[1] if len(args) > 1 else None)
