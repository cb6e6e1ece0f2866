"""Functions that are described for any type, made for the types they are called with."""

from collections.abc import Mapping, Sequence
from dataclasses import fields, is_dataclass, replace
from typing import Any

from verifex.core.program import tree as t
from verifex.core.program.types import Array, Open, Pointer, Routine, Struct, Type, decayed

Bound = Mapping[str, Type]


def bound_by(function: t.Function, kinds: Sequence[Type], said: Sequence[Type]) -> Bound | None:
    """The type for each name that the function leaves open, as given in pointed brackets or by the values; None where that
    does not say."""
    found: dict[str, Type] = dict(zip(function.open, said, strict=False))
    for param, kind in zip(function.params, kinds, strict=False):
        _match(param.type, decayed(kind), found)
    return found if all(name in found for name in function.open) else None


def _match(wanted: Type, kind: Type, found: dict[str, Type]) -> None:
    if isinstance(wanted, Open):
        found.setdefault(wanted.name, kind)
    elif isinstance(wanted, Pointer) and isinstance(kind, Pointer):
        _match(wanted.of, kind.of, found)


def made_for(function: t.Function, bound: Bound) -> t.Function:
    """The function with those types in place of the open ones."""
    made: t.Function = _closed(function, bound)
    return replace(made, open=())


def _closed(value: Any, bound: Bound) -> Any:
    """The same tree with every open type put in; what holds none stays the very same object."""
    match value:
        case Open():
            return bound.get(value.name, value)
        case Array() | Pointer():
            of = _closed(value.of, bound)
            return value if of is value.of else replace(value, of=of)
        case Routine():
            return replace(value, takes=_closed(value.takes, bound), result=_closed(value.result, bound))
        case Struct():
            return value
        case tuple():
            items = tuple(_closed(item, bound) for item in value)
            return value if all(a is b for a, b in zip(items, value, strict=True)) else items
    if not is_dataclass(value) or isinstance(value, type | t.At):
        return value
    changed = {}
    for field in fields(value):
        old = getattr(value, field.name)
        new = _closed(old, bound)
        if new is not old:
            changed[field.name] = new
    return replace(value, **changed) if changed else value
