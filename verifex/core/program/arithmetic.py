"""Operators as closures: conversions, wrap-around, truncation, 32-bit floats."""

import math
import operator
from collections.abc import Callable
from typing import Any

from verifex.core.program.operands import constant, pair
from verifex.core.program.runtime.machine import Machine
from verifex.core.program.tree import At
from verifex.core.program.types import (
    BOOL,
    FLOAT,
    PORT,
    TEXT,
    VOID,
    Array,
    Int,
    Pointer,
    Routine,
    Struct,
    Type,
    Widths,
    as_float32,
    decayed,
    is_chars,
)
from verifex.core.program.values import chars_made, chars_read, copied

Value = Callable[[list[Any]], Any]
Typed = tuple[Value, Type]

NOWHERE = At(0, 0)  # a place that is never reported
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
    if isinstance(wanted, Struct) and own == wanted:
        return lambda frame: copied(value(frame))
    if own == wanted or wanted in (VOID, PORT):
        return value
    if isinstance(wanted, Pointer):
        return _as_pointer(value, own, wanted)
    if isinstance(wanted, Routine):
        return value if isinstance(own, Routine) else lambda frame: None
    if isinstance(own, Routine):
        return lambda frame: int(value(frame) is not None)
    if isinstance(own, Array | Pointer) and wanted == BOOL:
        return lambda frame: int(value(frame) is not None)
    if is_chars(own) and wanted == TEXT:
        return lambda frame: chars_read(value(frame))
    if isinstance(wanted, Array) or isinstance(own, Array | Pointer | Struct):
        return value
    if wanted == TEXT:
        from verifex.core.program.calls.serial import as_printed

        return lambda frame: as_printed(own, value(frame))
    if own == TEXT:
        return lambda frame: 0
    known = getattr(value, "const", None)
    if wanted == FLOAT:
        if isinstance(known, int | float):
            return constant(as_float32(float(known)))
        if isinstance(own, Int) and own.bits <= 16:
            return lambda frame: float(value(frame))  # a float holds every whole number of 24 bits
        return lambda frame: as_float32(float(value(frame)))
    if wanted == BOOL:
        return lambda frame: int(value(frame) != 0)
    assert isinstance(wanted, Int)
    if isinstance(own, Int) and wanted.low <= own.low and own.high <= wanted.high:
        return value
    if own == BOOL:
        return lambda frame: int(value(frame))
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


def _as_pointer(value: Value, own: Type, wanted: Pointer) -> Value:
    """An array as a pointer to its first item, a text as characters of its own, 0 as a pointer to nowhere."""
    if isinstance(own, Array):
        return lambda frame: (value(frame), 0)
    if own == TEXT and is_chars(wanted):
        return lambda frame: (chars_made(value(frame)), 0)
    if isinstance(own, Pointer):
        return value
    return lambda frame: None


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
    kinds = (left[1], right[1])
    if TEXT not in kinds and any(isinstance(kind, Array | Pointer) for kind in kinds):
        return _pointers(op, left, right, widths)
    if TEXT in (left[1], right[1]):
        return _texts(op, left, right, at, machine)
    if op in ("<<", ">>"):
        return _shift(op, left, right, widths)
    kind = widths.common(left[1], right[1])
    a = converted(left[0], left[1], kind, at, None)
    b = converted(right[0], right[1], kind, at, None)
    if op in COMPARISONS:
        # A comparison gives Python's True and False, which count as 1 and 0 wherever they are used.
        return pair(COMPARISONS[op], a, b), BOOL
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


def _pointers(op: str, left: Typed, right: Typed, widths: Widths) -> Typed:
    """A pointer moved by a number, the distance of two, or which comes first."""
    one, other = decayed(left[1]), decayed(right[1])
    if (isinstance(one, Pointer) and isinstance(other, Pointer)) or op in COMPARISONS:
        kind = one if isinstance(one, Pointer) else other
        a, b = converted(*left, kind, NOWHERE, None), converted(*right, kind, NOWHERE, None)
        if op == "-":
            return (lambda frame: _spot(a(frame)) - _spot(b(frame))), widths.int
        if op in ("==", "!="):
            same = op == "=="
            return (lambda frame: int(_same(a(frame), b(frame)) == same)), BOOL
        compare = COMPARISONS.get(op, operator.eq)
        return (lambda frame: int(compare(_spot(a(frame)), _spot(b(frame))))), BOOL
    if isinstance(other, Pointer):  # 1 + p
        left, right, one = right, left, other
    pointer, steps = converted(*left, one, NOWHERE, None), right[0]
    sign = -1 if op == "-" else 1

    def moved(frame: list[Any]) -> Any:
        where = pointer(frame)
        return None if where is None else (where[0], where[1] + sign * int(steps(frame)))

    return moved, one


def _spot(where: Any) -> int:
    return where[1] if where is not None else 0


def _same(one: Any, other: Any) -> bool:
    if one is None or other is None:
        return one is other
    return one[0] is other[0] and one[1] == other[1]


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
        both = pair(WRAPPING[op], a, b)
        return lambda frame: as_float32(both(frame))

    def divide(frame: list[Any]) -> float:
        above, below = a(frame), b(frame)
        if below == 0:
            return math.nan if above == 0 or math.isnan(above) else math.copysign(math.inf, above)
        return as_float32(above / below)

    return divide


def _wrapping(act: Callable[[int, int], int], a: Value, b: Value, kind: Int, at: At, machine: list[Machine]) -> Value:
    low, high, wrap, signed = kind.low, kind.high, kind.wrap, kind.signed
    both = pair(act, a, b)

    def run(frame: list[Any]) -> int:
        number: int = both(frame)
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
            machine[0].runtime_faults[("division-by-zero", at)] += 1
            return wrap(-1) if op == "/" else above
        whole = abs(above) // abs(below)
        if (above < 0) != (below < 0):
            whole = -whole
        rest = above - whole * below
        if op == "%":
            return rest
        seen = machine[0].divisions.setdefault(at, [0, 0, 0])
        if above and not seen[0]:
            machine[0].result.first_ms.setdefault(at, round(machine[0].now_us / 1000, 3))
        seen[0] += above != 0
        seen[1] += whole != 0
        seen[2] += rest != 0
        return wrap(whole)

    return run
