"""What the language itself brings: print, len, range, conversions and their like."""

from collections.abc import Callable
from typing import Any

from verifex.core.program.dynamic.arithmetic import applied
from verifex.core.program.dynamic.calling import all_of, call, each, in_order, special
from verifex.core.program.dynamic.effort import walk
from verifex.core.program.dynamic.running import attribute, method, truth
from verifex.core.program.dynamic.showing import formatted, shown
from verifex.core.program.dynamic.values import (
    ERRORS,
    UNSET,
    Act,
    Bound,
    Builtin,
    Class,
    Function,
    Instance,
    Raised,
    Thing,
    error,
    kind_name,
)
from verifex.core.program.runtime.machine import Machine
from verifex.core.program.runtime.run_result import Ended
from verifex.core.program.tree import At

BUILTINS: dict[str, Any] = dict(ERRORS)
MOST_DIGITS = 4300

#: Names the language has that are not supported yet; never the pair's mistake.
_NOT_YET = """
exec eval compile globals locals vars dir memoryview complex frozenset slice property
staticmethod classmethod object delattr setattr breakpoint help ascii hash aiter anext NotImplemented Ellipsis __import__ __file__ __doc__
"""
NOT_SUPPORTED_YET = frozenset(_NOT_YET.split())


def _enter(name: str, kind: type | tuple[type, ...] | None = None) -> Callable[[Act], Act]:
    def entered(act: Act) -> Act:
        BUILTINS[name] = Builtin(name, act, kind)
        return act

    return entered


@_enter("print")
def print_(
    m: Machine,
    at: At,
    /,
    *values: Any,
    sep: str | None = " ",
    end: str | None = "\n",
    file: Any = None,
    flush: Any = None,
) -> None:
    m.activity += 1
    text = (" " if sep is None else sep).join(shown(m, value, at) for value in values) + ("\n" if end is None else end)
    if isinstance(file, Thing) and (write := getattr(file, "do_write", None)) is not None:
        write(m, at, text)
        return
    m.emit(text, at)
    m.spend_us(20.0)


@_enter("input")
def input_(m: Machine, at: At, /, prompt: Any = "") -> str:
    m.emit(shown(m, prompt, at), at)
    out: list[str] = []
    while True:
        letter = m.line.read(m)
        if letter == "\n":
            return "".join(out).rstrip("\r")
        if letter is not None:
            out.append(letter)
            continue
        m.spend_us(min(m.line.next_typed_us(m.now_us), m.end_us) - m.now_us)


@_enter("len")
def len_(m: Machine, at: At, /, value: Any) -> int:
    if isinstance(value, Instance):
        return int(method(m, value, "__len__", (), {}, at))
    if isinstance(value, Thing):
        raise error("TypeError", f"'{value.name}' has no length", at)
    if isinstance(value, Class):
        return len(all_of(m, value, at))
    return len(value)


@_enter("range", range)
def range_(m: Machine, at: At, /, *ends: int) -> range:
    return range(*ends)


@_enter("int", int)
def int_(m: Machine, at: At, /, value: Any = 0, base: int | None = None) -> int:
    if isinstance(value, str | bytes | bytearray) and len(value) > MOST_DIGITS:
        raise error("ValueError", "a number of too many digits", at)
    if (own := special(m, value, "__int__", (), at)) is not UNSET:
        return int(own)
    given: Any = value
    if not isinstance(value, int | float | str | bool | bytes | bytearray):
        raise error("TypeError", f"int() takes a number or a text, not '{kind_name(value)}'", at)
    return int(given) if base is None else int(given, base)


@_enter("float", float)
def float_(m: Machine, at: At, /, value: Any = 0.0) -> float:
    if (own := special(m, value, "__float__", (), at)) is not UNSET:
        return float(own)
    if not isinstance(value, int | float | str | bool | bytes | bytearray):
        raise error("TypeError", f"float() takes a number or a text, not '{kind_name(value)}'", at)
    return float(value)


@_enter("str", str)
def str_(m: Machine, at: At, /, value: Any = "", *_: Any) -> str:
    return value.decode("utf-8", "replace") if _ and isinstance(value, bytes) else shown(m, value, at)


@_enter("repr")
def repr_(m: Machine, at: At, /, value: Any) -> str:
    return shown(m, value, at, quoted=True)


@_enter("format")
def format_(m: Machine, at: At, /, value: Any, form: str = "") -> str:
    return formatted(m, value, form, "", at)


@_enter("bool", bool)
def bool_(m: Machine, at: At, /, value: Any = False) -> bool:
    return truth(m, value, at)


@_enter("list", list)
def list_(m: Machine, at: At, /, values: Any = ()) -> list[Any]:
    return all_of(m, values, at)


@_enter("tuple", tuple)
def tuple_(m: Machine, at: At, /, values: Any = ()) -> tuple[Any, ...]:
    return tuple(all_of(m, values, at))


@_enter("set", set)
def set_(m: Machine, at: At, /, values: Any = ()) -> set[Any]:
    found = all_of(m, values, at)
    walk(m, found, at)
    return set(found)


@_enter("dict", dict)
def dict_(m: Machine, at: At, /, values: Any = (), **named: Any) -> dict[Any, Any]:
    found = values if isinstance(values, dict) else all_of(m, values, at)
    walk(m, found, at)
    return dict(found, **named)


@_enter("bytes", bytes)
def bytes_(m: Machine, at: At, /, values: Any = 0) -> bytes:
    return bytes(_bytes(m, values, at))


@_enter("bytearray", bytearray)
def bytearray_(m: Machine, at: At, /, values: Any = 0) -> bytearray:
    return bytearray(_bytes(m, values, at))


def _bytes(m: Machine, values: Any, at: At) -> Any:
    if isinstance(values, int):
        m.take(max(0, values), at)
        return values
    return all_of(m, values, at)


@_enter("abs")
def abs_(m: Machine, at: At, /, value: Any) -> Any:
    own = special(m, value, "__abs__", (), at)
    return abs(value) if own is UNSET else own


@_enter("round")
def round_(m: Machine, at: At, /, value: Any, digits: int | None = None) -> Any:
    own = special(m, value, "__round__", () if digits is None else (digits,), at)
    if own is not UNSET:
        return own
    return round(value) if digits is None else round(value, max(-400, min(400, digits)))


def _choice(name: str, act: Any) -> None:
    @_enter(name)
    def chosen(m: Machine, at: At, /, *values: Any, key: Any = None, default: Any = None) -> Any:
        given = all_of(m, values[0], at) if len(values) == 1 else list(values)
        if not given and default is not None:
            return default
        walk(m, given, at)
        return act(given, key=in_order(m, key, at))


_choice("min", min)
_choice("max", max)


@_enter("sum")
def sum_(m: Machine, at: At, /, values: Any, start: Any = 0) -> Any:
    if isinstance(start, str | list):
        raise error("TypeError", "sum() adds numbers", at)
    add = applied("+")
    for value in each(m, values, at):
        m.step(at)
        if not isinstance(value, int | float | Instance):
            raise error("TypeError", f"sum() adds numbers, not '{kind_name(value)}'", at)
        start = add(m, start, value, at)
    return start


@_enter("sorted")
def sorted_(m: Machine, at: At, /, values: Any, key: Any = None, reverse: Any = False) -> list[Any]:
    found = all_of(m, values, at)
    walk(m, found, at)
    return sorted(found, key=in_order(m, key, at), reverse=bool(reverse))


@_enter("reversed")
def reversed_(m: Machine, at: At, /, values: Any) -> list[Any]:
    return all_of(m, values, at)[::-1]


@_enter("enumerate")
def enumerate_(m: Machine, at: At, /, values: Any, start: int = 0) -> list[tuple[int, Any]]:
    return list(enumerate(all_of(m, values, at), start))


@_enter("zip")
def zip_(m: Machine, at: At, /, *values: Any) -> list[tuple[Any, ...]]:
    return list(zip(*(all_of(m, value, at) for value in values), strict=False))


@_enter("map")
def map_(m: Machine, at: At, /, f: Any, *values: Any) -> list[Any]:
    return [call(m, f, given, {}, at) for given in zip_(m, at, *values)]


@_enter("filter")
def filter_(m: Machine, at: At, /, f: Any, values: Any) -> list[Any]:
    return [v for v in all_of(m, values, at) if truth(m, v if f is None else call(m, f, (v,), {}, at), at)]


@_enter("any")
def any_(m: Machine, at: At, /, values: Any) -> bool:
    return any(_true(m, value, at) for value in each(m, values, at))


@_enter("all")
def all_(m: Machine, at: At, /, values: Any) -> bool:
    return all(_true(m, value, at) for value in each(m, values, at))


def _true(m: Machine, value: Any, at: At) -> bool:
    m.step(at)
    return truth(m, value, at)


@_enter("ord")
def ord_(m: Machine, at: At, /, letter: str) -> int:
    return ord(letter)


@_enter("chr")
def chr_(m: Machine, at: At, /, code: int) -> str:
    return chr(code)


for _name, _act in {"hex": hex, "oct": oct, "bin": bin}.items():
    BUILTINS[_name] = Builtin(_name, lambda m, at, value, /, _act=_act: _act(value))


@_enter("divmod")
def divmod_(m: Machine, at: At, /, a: float, b: float) -> tuple[float, float]:
    return divmod(a, b)


@_enter("pow")
def pow_(m: Machine, at: At, /, a: float, b: float, *modulus: int) -> Any:
    return pow(int(a), int(b), modulus[0]) if modulus else applied("**")(m, a, b, at)


@_enter("callable")
def callable_(m: Machine, at: At, /, value: Any) -> bool:
    if isinstance(value, Instance):
        return value.of.find("__call__") is not UNSET
    return isinstance(value, Builtin | Function | Bound | Class)


@_enter("isinstance")
def isinstance_(m: Machine, at: At, /, value: Any, kinds: Any) -> bool:
    for kind in kinds if isinstance(kinds, tuple) else (kinds,):
        if isinstance(kind, Class) and isinstance(value, Instance) and value.of.is_a(kind):
            return True
        if isinstance(kind, Builtin) and kind.kind is not None and isinstance(value, kind.kind):
            return True
    return False


@_enter("issubclass")
def issubclass_(m: Machine, at: At, /, one: Any, kinds: Any) -> bool:
    if not isinstance(one, Class):
        raise error("TypeError", "issubclass() asks about a class", at)
    return any(isinstance(kind, Class) and one.is_a(kind) for kind in (kinds if isinstance(kinds, tuple) else (kinds,)))


@_enter("type")
def type_(m: Machine, at: At, /, value: Any) -> Any:
    if isinstance(value, Instance):
        return value.of
    found = BUILTINS.get(kind_name(value))
    return found if found is not None else Class(kind_name(value), None, {})


@_enter("id")
def id_(m: Machine, at: At, /, value: Any) -> int:
    raise Ended("unsupported", at, "`id`")


@_enter("hasattr")
def hasattr_(m: Machine, at: At, /, value: Any, name: str) -> bool:
    try:
        attribute(m, value, name, at)
    except Raised:
        return False
    return True


@_enter("getattr")
def getattr_(m: Machine, at: At, /, value: Any, name: str, *default: Any) -> Any:
    try:
        return attribute(m, value, name, at)
    except Raised:
        if default:
            return default[0]
        raise


def leave(m: Machine, at: At, /, *_: Any) -> None:
    raise Raised(Instance(ERRORS["SystemExit"], {"args": ()}), at)


BUILTINS |= {"exit": Builtin("exit", leave), "quit": Builtin("quit", leave)}
