"""Calls, and going through the values in a value."""

from collections.abc import Callable, Iterator
from functools import cmp_to_key
from typing import Any

from verifex.core.program.dynamic.values import (
    ERRORS,
    UNSET,
    Bound,
    Builtin,
    Class,
    Function,
    FunctionKind,
    Instance,
    Raised,
    Thing,
    Unset,
    error,
    kind_name,
)
from verifex.core.program.runtime.machine import Machine
from verifex.core.program.runtime.run_result import Ended
from verifex.core.program.tree import At


def call(m: Machine, f: Any, args: tuple[Any, ...], named: dict[str, Any], at: At) -> Any:
    """Call whatever can be called."""
    kind = type(f)
    if kind is Bound:
        return run_function(m, f.function, (f.owner, *args), named, at)
    if kind is Function:
        return run_function(m, f, args, named, at)
    m.step(at)
    if kind is Builtin:
        return f.act(m, at, *args, **named) if not named else _with_names(m, f, args, named, at)
    if kind is Class:
        return _made(m, f, args, named, at)
    if isinstance(f, Instance) and not isinstance(own := f.of.find("__call__"), Unset):
        return call(m, Bound(own, f), args, named, at)
    if isinstance(f, Thing) and (act := getattr(f, "called", None)):
        return act(m, at, *args, **named)
    raise error("TypeError", f"'{kind_name(f)}' cannot be called", at)


def _with_names(m: Machine, f: Builtin, args: tuple[Any, ...], named: dict[str, Any], at: At) -> Any:
    """A call with values by name. A name that the language knows and we do not is no mistake of the program."""
    try:
        return f.act(m, at, *args, **named)
    except TypeError as wrong:
        unknown = next((name for name in named if f"unexpected keyword argument '{name}'" in str(wrong)), None)
        if unknown is None:
            raise
        raise Ended("unsupported", at, f"`{f.name}` with `{unknown}`") from None


def _made(m: Machine, of: Class, args: tuple[Any, ...], named: dict[str, Any], at: At) -> Instance:
    made = Instance(of)
    if args and of.base is not None and of.base.made is not None:  # a constant of a list by its value
        return _of_value(of, args[0], at)
    own_way = next((one.begin for one in of.line() if one.begin is not None), None)
    if own_way is not None and isinstance(of.find("__init__"), Unset):
        own_way(m, at, made, args, named)
        return made
    if of.is_a(ERRORS["BaseException"]):
        made.fields["args"] = args
    begin = of.find("__init__")
    if isinstance(begin, Function):
        run_function(m, begin, (made, *args), named, at)
    elif args and not of.is_a(ERRORS["BaseException"]):
        raise error("TypeError", f"{of.name}() takes no values", at)
    return made


def _of_value(of: Class, value: Any, at: At) -> Instance:
    for one in of.members.values():
        if isinstance(one, Instance) and one.fields.get("value") == value:
            return one
    raise error("ValueError", f"{value!r} is not a valid {of.name}", at)


def run_function(m: Machine, f: Function, args: tuple[Any, ...], named: dict[str, Any], at: At) -> Any:
    if f.kind is not FunctionKind.PLAIN:
        later = LATER[f.kind]
        bound = _bound(f, args, named, at)
        return later(m, lambda: _run_bound(m, f, bound, at))
    return _run_bound(m, f, _bound(f, args, named, at), at)


def _run_bound(m: Machine, f: Function, bound: list[Any], at: At) -> Any:
    m.step(at)
    m.enter(at)
    frame = [f.outer, *bound]
    frame += [UNSET] * (f.slots() - len(frame))
    m.returned = None
    f.action(frame)
    m.depth -= 1
    value, m.returned = m.returned, None
    return value


#: What a call of a function gives that runs later; entered by the strands, which need calls themselves.
LATER: dict[FunctionKind, Callable[[Machine, Callable[[], Any]], Any]] = {}


def _bound(f: Function, args: tuple[Any, ...], named: dict[str, Any], at: At) -> list[Any]:
    """The parameters' values in order, the rest of the values behind them."""
    count, most = len(f.names), f.positional
    if len(args) == count == most and not named and f.rest is None and f.rest_named is None:
        return list(args)
    values: list[Any] = list(args[:most]) + [UNSET] * (count - min(most, len(args)))
    if len(args) > most and f.rest is None:
        raise error("TypeError", f"{f.name}() takes {most} values, {len(args)} are given", at)
    further: dict[str, Any] = {}
    for name, value in named.items():
        if name in f.names:
            values[f.names.index(name)] = value
        elif f.rest_named is not None:
            further[name] = value
        else:
            raise error("TypeError", f"{f.name}() has no parameter '{name}'", at)
    missing = [name for name, value in zip(f.names[: f.required], values, strict=False) if value is UNSET]
    for index in range(f.required, count):
        if values[index] is UNSET:
            values[index] = f.defaults[index - f.required]
    missing += [
        name for name, value in zip(f.names[f.required :], values[f.required :], strict=False) if value is UNSET
    ]
    if missing:
        raise error("TypeError", f"{f.name}() misses a value for '{missing[0]}'", at)
    return [*values, *([args[most:]] if f.rest else []), *([further] if f.rest_named else [])]


def special(m: Machine, value: Any, name: str, args: tuple[Any, ...], at: At) -> Any:
    """What one of the program's own objects does where the language asks for it, such as `__neg__`; UNSET where it says nothing."""
    own = value.of.find(name) if isinstance(value, Instance) else UNSET
    return run_function(m, own, (value, *args), {}, at) if isinstance(own, Function) else UNSET


def _of_an_object(m: Machine, value: Instance, at: At) -> Iterator[Any]:
    """The values that one of the program's own objects gives, one by one."""
    found = special(m, value, "__iter__", (), at)
    if found is not UNSET and found is not value and not isinstance(found, Instance):
        yield from each(m, found, at)
        return
    giver, asks, end = (value, "__getitem__", "IndexError") if found is UNSET else (found, "__next__", "StopIteration")
    index = 0
    while True:
        try:
            one = special(m, giver, asks, (index,) if found is UNSET else (), at)
        except Raised as wrong:
            if wrong.value.of.is_a(ERRORS[end]):
                return
            raise
        if one is UNSET:
            raise error("TypeError", f"'{kind_name(value)}' is not made of values", at)
        m.take(1, at)
        yield one
        index += 1


def each(m: Machine, value: Any, at: At) -> Iterator[Any]:
    """The values in a value, one after the other; those of a set in an order that is the same in every run."""
    if isinstance(value, Instance):
        return _of_an_object(m, value, at)
    if isinstance(value, Thing) and (values := getattr(value, "values", None)) is not None:
        found: Iterator[Any] = values(m, at)
        return found
    if isinstance(value, Class) and value.made is None and value.base is not None and value.base.made is not None:
        return iter([one for one in value.members.values() if isinstance(one, Instance)])
    if isinstance(value, set):
        return iter(sorted(value, key=lambda v: (kind_name(v), v if isinstance(v, int | float | str) else 0)))
    if isinstance(value, list | tuple | str | dict | set | range | bytes | bytearray):
        return iter(value)
    raise error("TypeError", f"'{kind_name(value)}' is not made of values", at)


def all_of(m: Machine, value: Any, at: At) -> list[Any]:
    """Every value in a value, as a list of its own."""
    if hasattr(value, "__len__") and not isinstance(value, Thing | Instance):
        m.take(len(value), at)
    return list(each(m, value, at))


def entries(m: Machine, value: Any, at: At) -> dict[Any, Any]:
    """A dictionary whose entries are put into another. Raises the program's TypeError for anything else."""
    if not isinstance(value, dict):
        raise error("TypeError", f"`**` wants a dictionary, not '{kind_name(value)}'", at)
    m.take(len(value), at)
    return value


def in_order(m: Machine, key: Any, at: At) -> Callable[[Any], Any]:
    """What is sorted by: `key`, if one is given; the program's own objects by their own `__lt__`."""

    def less(a: Any, b: Any) -> bool:
        found = special(m, a, "__lt__", (b,), at)
        found = special(m, b, "__gt__", (a,), at) if found is UNSET else found
        if found is UNSET:
            raise error("TypeError", f"'{kind_name(a)}' and '{kind_name(b)}' have no order", at)
        return bool(found)

    def compared(a: Any, b: Any) -> int:
        return -1 if less(a, b) else 1 if less(b, a) else 0

    by = cmp_to_key(compared)

    def of(value: Any) -> Any:
        found = value if key is None else call(m, key, (value,), {}, at)
        return by(found) if isinstance(found, Instance) else found

    return of
