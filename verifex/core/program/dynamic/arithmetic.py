"""Operators of the Python dialect on values of any kind, kept from growing without bound."""

import operator
from collections.abc import Callable
from typing import Any

from verifex.core.program.dynamic.calling import all_of, call, special
from verifex.core.program.dynamic.effort import CONTAINERS, searched, walk
from verifex.core.program.dynamic.running import equal
from verifex.core.program.dynamic.showing import by_percent
from verifex.core.program.dynamic.values import UNSET, Function, Instance, error, kind_name
from verifex.core.program.runtime.machine import Machine
from verifex.core.program.tree import At

MOST_BITS = 4096
NUMBERS = (int, float, bool)
SEQUENCES = (str, list, tuple, bytes, bytearray)
Two = Callable[[Machine, Any, Any, At], Any]

SPECIAL = {
    "+": "__add__", "-": "__sub__", "*": "__mul__", "/": "__truediv__", "//": "__floordiv__", "%": "__mod__", "**": "__pow__",
    "<": "__lt__", ">": "__gt__", "<=": "__le__", ">=": "__ge__", "<<": "__lshift__", ">>": "__rshift__", "&": "__and__",
    "|": "__or__", "^": "__xor__",
}  # fmt: skip
REFLECTED = {special: f"__r{special[2:]}" for special in SPECIAL.values()} | {
    "__lt__": "__gt__", "__gt__": "__lt__", "__le__": "__ge__", "__ge__": "__le__",
}  # fmt: skip
HOST: dict[str, Callable[[Any, Any], Any]] = {
    "+": operator.add, "-": operator.sub, "*": operator.mul, "/": operator.truediv, "//": operator.floordiv, "%": operator.mod,
    "**": operator.pow, "<<": operator.lshift, ">>": operator.rshift, "&": operator.and_, "|": operator.or_, "^": operator.xor,
    "<": operator.lt, ">": operator.gt, "<=": operator.le, ">=": operator.ge,
}  # fmt: skip
GROWS = ("*", "**", "<<", "+")


def applied(op: str) -> Two:
    """The operator as a function of the machine and two values."""
    if op in ("==", "!="):
        return lambda m, a, b, at: equal(m, a, b, at) == (op == "==")
    if op in ("is", "is not"):
        return lambda m, a, b, at: _is(a, b) == (op == "is")
    if op in ("in", "not in"):
        return lambda m, a, b, at: _within(m, a, b, at) == (op == "in")
    act, special = HOST[op], SPECIAL[op]
    careful = op in GROWS

    def run(m: Machine, a: Any, b: Any, at: At) -> Any:
        if isinstance(a, Instance) and isinstance(own := a.of.find(special), Function):
            return call(m, own, (a, b), {}, at)
        if isinstance(b, Instance) and isinstance(own := b.of.find(REFLECTED[special]), Function):
            return call(m, own, (b, a), {}, at)
        if careful:
            _weigh(m, op, a, b, at)
        elif type(a) in CONTAINERS:
            walk(m, a, at)
            walk(m, b, at)
        if op == "%" and isinstance(a, str):
            return by_percent(m, a, b, at)
        found = act(a, b)
        if type(found) is complex:
            raise error("ValueError", "a root of a negative number", at)
        return found

    return run


def _is(a: Any, b: Any) -> bool:
    return a is b or (isinstance(a, NUMBERS) and type(a) is type(b) and a == b)


def _within(m: Machine, a: Any, b: Any, at: At) -> bool:
    if isinstance(b, Instance) and (own := b.of.find("__contains__")) is not UNSET:
        return bool(call(m, own, (b, a), {}, at))
    if not isinstance(b, (*SEQUENCES, dict, set, range)):
        raise error("TypeError", f"'{kind_name(b)}' is not made of values", at)
    if isinstance(b, range):
        return isinstance(a, int | float) and a == int(a) and int(a) in b
    if isinstance(b, SEQUENCES):
        searched(m, b, a, at)
    walk(m, a, at)
    walk(m, b if isinstance(b, list | tuple) else None, at)
    if isinstance(b, list | tuple) and any(isinstance(one, Instance) for one in (a, *b)):
        return any(one is a or equal(m, one, a, at) for one in b)
    return a in b


def _weigh(m: Machine, op: str, a: Any, b: Any, at: At) -> None:
    """What would come out too large is not even begun."""
    if isinstance(a, int) and isinstance(b, int):
        size = a.bit_length()
        if op == "*":
            size += b.bit_length()
        elif op == "**":
            size *= max(0, b)
        elif op == "<<":
            size += max(0, b)
        if size > MOST_BITS:
            raise error("OverflowError", "a number of more than 1200 digits", at)
    elif isinstance(a, SEQUENCES) or isinstance(b, SEQUENCES):
        if op == "*":
            values, times = (a, b) if isinstance(a, SEQUENCES) else (b, a)
            if isinstance(times, int):
                m.take(len(values) * max(0, times), at)
        elif op == "+" and isinstance(a, SEQUENCES) and isinstance(b, SEQUENCES):
            m.take(len(a) + len(b), at)


def in_place(op: str) -> Two:
    """`a op= b`; a list is added to where it is."""
    two = applied(op)
    own = f"__i{SPECIAL[op][2:]}" if op in SPECIAL else ""

    def run(m: Machine, a: Any, b: Any, at: At) -> Any:
        if op == "+" and isinstance(a, list):
            a.extend(all_of(m, b, at))
            return a
        found = special(m, a, own, (b,), at)
        return two(m, a, b, at) if found is UNSET else found

    return run


SIGNS: dict[str, tuple[str, Callable[[Any], Any]]] = {
    "-": ("__neg__", operator.neg), "+": ("__pos__", operator.pos), "~": ("__invert__", operator.invert),
}  # fmt: skip


def signed(op: str) -> Callable[[Machine, Any, At], Any]:
    """`-x`, `+x`, `~x` as a function of the machine and a value."""
    name, act = SIGNS[op]

    def run(m: Machine, value: Any, at: At) -> Any:
        found = special(m, value, name, (), at)
        return act(value) if found is UNSET else found

    return run
