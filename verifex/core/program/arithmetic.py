"""Operators as closures: conversions, wrap-around, truncation, 32-bit floats."""

import math
import operator
from collections.abc import Callable
from typing import Any

from verifex.core.program.machine import Machine
from verifex.core.program.tree import At
from verifex.core.program.types import BOOL, FLOAT, TEXT, VOID, Array, Int, Type, Widths, as_float32

Value = Callable[[list[Any]], Any]
Typed = tuple[Value, Type]

COMPARISONS = {
    "<": operator.lt,
    ">": operator.gt,
    "<=": operator.le,
    ">=": operator.ge,
    "==": operator.eq,
    "!=": operator.ne,
}
BITWISE = {"&": operator.and_, "|": operator.or_, "^": operator.xor}
WRAPPING = {"+": operator.add, "-": operator.sub, "*": operator.mul}


def converted(value: Value, own: Type, wanted: Type, at: At, machine: list[Machine] | None) -> Value:
    """`value` converted from its own type to the wanted one; a signed value that does not fit is noted on `machine`."""
    if own == wanted or wanted == VOID or isinstance(wanted, Array) or isinstance(own, Array):
        return value
    if wanted == TEXT:
        from verifex.core.program.calls.serial import as_printed

        return lambda frame: as_printed(own, value(frame))
    if own == TEXT:
        return lambda frame: 0
    if wanted == FLOAT:
        return lambda frame: as_float32(float(value(frame)))
    if wanted == BOOL:
        return lambda frame: int(value(frame) != 0)
    assert isinstance(wanted, Int)
    if isinstance(own, Int) and wanted.low <= own.low and own.high <= wanted.high:
        return value
    if own == BOOL:
        return value
    low, high, wrap = wanted.low, wanted.high, wanted.wrap
    noted = wanted.signed and machine is not None

    def convert(frame: list[Any]) -> int:
        number = value(frame)
        if isinstance(number, float):
            number = int(number) if math.isfinite(number) else 0
        if low <= number <= high:
            return int(number)
        if noted and machine:
            machine[0].overflows[at] += 1
        return wrap(number)

    return convert


def unary(op: str, value: Value, kind: Type, widths: Widths, at: At, machine: list[Machine]) -> Typed:
    """`-x`, `+x`, `!x`, `~x`."""
    if op == "!":
        return (lambda frame: int(not value(frame))), BOOL
    promoted = widths.promoted(kind)
    if op == "-":
        if promoted == FLOAT:
            return (lambda frame: -value(frame)), FLOAT
        wrap = promoted.wrap if isinstance(promoted, Int) else int
        return (lambda frame: wrap(-value(frame))), promoted
    if op == "~" and isinstance(promoted, Int):
        wrap_bits = promoted.wrap
        return (lambda frame: wrap_bits(~value(frame))), promoted
    return value, promoted


def binary(op: str, left: Typed, right: Typed, at: At, machine: list[Machine], widths: Widths) -> Typed:
    """Any two-sided operator, after the usual arithmetic conversions."""
    if op in ("&&", "||", "and", "or"):
        return _logical(op in ("&&", "and"), left[0], right[0]), BOOL
    if TEXT in (left[1], right[1]):
        return _texts(op, left, right, at, machine)
    if op in ("<<", ">>"):
        return _shift(op, left, right, widths)
    kind = widths.common(left[1], right[1])
    a = converted(left[0], left[1], kind, at, None)
    b = converted(right[0], right[1], kind, at, None)
    if op in COMPARISONS:
        compare = COMPARISONS[op]
        return (lambda frame: int(compare(a(frame), b(frame)))), BOOL
    if kind == FLOAT:
        return _floating(op, a, b), FLOAT
    assert isinstance(kind, Int)
    if op in BITWISE:
        bits, wrap = BITWISE[op], kind.wrap
        return (lambda frame: wrap(bits(a(frame), b(frame)))), kind
    if op in WRAPPING:
        return _wrapping(WRAPPING[op], a, b, kind, at, machine), kind
    return _dividing(op, a, b, kind, at, machine), kind


def _logical(both: bool, a: Value, b: Value) -> Value:
    if both:
        return lambda frame: int(bool(a(frame)) and bool(b(frame)))
    return lambda frame: int(bool(a(frame)) or bool(b(frame)))


def _texts(op: str, left: Typed, right: Typed, at: At, machine: list[Machine]) -> Typed:
    a = converted(*left, TEXT, at, machine)
    b = converted(*right, TEXT, at, machine)
    if op == "+":
        return (lambda frame: (a(frame) + b(frame))[:2048]), TEXT
    compare = COMPARISONS.get(op, operator.eq)
    return (lambda frame: int(compare(a(frame), b(frame)))), BOOL


def _shift(op: str, left: Typed, right: Typed, widths: Widths) -> Typed:
    kind = widths.promoted(left[1])
    a, b = left[0], right[0]
    if not isinstance(kind, Int):
        return (lambda frame: 0), widths.int
    wrap = kind.wrap
    if op == "<<":
        return (lambda frame: wrap(int(a(frame)) << min(63, max(0, int(b(frame)))))), kind
    return (lambda frame: wrap(int(a(frame)) >> min(63, max(0, int(b(frame)))))), kind


def _floating(op: str, a: Value, b: Value) -> Value:
    if op in WRAPPING:
        act = WRAPPING[op]
        return lambda frame: as_float32(act(a(frame), b(frame)))

    def divide(frame: list[Any]) -> float:
        above, below = a(frame), b(frame)
        if below == 0:
            return math.nan if above == 0 or math.isnan(above) else math.copysign(math.inf, above)
        return as_float32(above / below)

    return divide


def _wrapping(act: Callable[[int, int], int], a: Value, b: Value, kind: Int, at: At, machine: list[Machine]) -> Value:
    low, high, wrap, signed = kind.low, kind.high, kind.wrap, kind.signed

    def run(frame: list[Any]) -> int:
        number: int = act(a(frame), b(frame))
        if low <= number <= high:
            return number
        if signed:
            machine[0].overflows[at] += 1
        return wrap(number)

    return run


def _dividing(op: str, a: Value, b: Value, kind: Int, at: At, machine: list[Machine]) -> Value:
    """Division cuts towards zero; by zero gives all ones, as the small boards' routine does."""
    wrap = kind.wrap

    def run(frame: list[Any]) -> int:
        above: int = a(frame)
        below: int = b(frame)
        if below == 0:
            machine[0].slips[("division-by-zero", at)] += 1
            return wrap(-1) if op == "/" else above
        whole = abs(above) // abs(below)
        if (above < 0) != (below < 0):
            whole = -whole
        rest = above - whole * below
        if op == "%":
            return rest
        seen = machine[0].divisions.setdefault(at, [0, 0, 0])
        seen[0] += above != 0
        seen[1] += whole != 0
        seen[2] += rest != 0
        return wrap(whole)

    return run
