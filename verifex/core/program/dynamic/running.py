"""Names and items of values, and methods on them, while a program runs."""

from typing import Any

from verifex.core.program.dynamic.calling import all_of, call, run_function, special
from verifex.core.program.dynamic.effort import CONTAINERS, as_key, walk
from verifex.core.program.dynamic.methods import METHODS, OF_TYPES, REAL
from verifex.core.program.dynamic.values import (
    ERRORS,
    UNSET,
    Above,
    Bound,
    Builtin,
    Class,
    Counted,
    DefaultDict,
    Function,
    Hint,
    Instance,
    Member,
    Named,
    Thing,
    error,
    kind_name,
)
from verifex.core.program.runtime.machine import Machine
from verifex.core.program.runtime.run_result import Ended
from verifex.core.program.tree import At


def attribute(m: Machine, value: Any, name: str, at: At) -> Any:
    """`value.name`."""
    if isinstance(value, Instance):
        if name in value.fields:
            return value.fields[name]
        member = _member(m, value.of.find(name), value.of, value, at)
        if member is not UNSET:
            return member
        if name == "__class__":
            return value.of
        if name == "__dict__":
            return value.fields
        if (found := special(m, value, "__getattr__", (name,), at)) is not UNSET:
            return found
        raise error("AttributeError", f"'{value.of.name}' has no '{name}'", at)
    if isinstance(value, Above):
        base = value.of.base
        member = _member(m, base.find(name) if base else UNSET, value.owner.of, value.owner, at)
        if member is not UNSET:
            return member
        if name == "__init__":
            return Builtin(name, lambda m_, at_, *args: _begin(m_, at_, value.owner, *args))
        raise error("AttributeError", f"nothing above '{value.of.name}' has '{name}'", at)
    if isinstance(value, Class):
        member = value.find(name)
        if isinstance(member, Member):
            return Bound(member.function, value) if member.kind == "classmethod" else member.function
        if member is not UNSET:
            return member
        if name == "__name__":
            return value.name
        if name == "__init__":
            return Builtin(name, _begin)
        raise error("AttributeError", f"'{value.name}' has no '{name}'", at)
    if isinstance(value, Builtin | Function) and name == "__name__":
        return value.name
    if isinstance(value, Builtin) and (value.name, name) in OF_TYPES:
        return Builtin(name, OF_TYPES[value.name, name])
    if isinstance(value, Builtin) and isinstance(value.kind, type) and hasattr(value.kind, name):
        raise Ended("unsupported", at, f"`{value.name}.{name}`")
    if isinstance(value, Thing):
        return value.get(m, name, at)
    if isinstance(value, Named) and name in value.names:
        return value[value.names.index(name)]
    known = METHODS.get(type(value))
    if known is not None:
        act = known.get(name)
        if act is not None:
            return Builtin(name, lambda m_, at_, *args, **named: act(m_, at_, value, *args, **named))
        if name in REAL[type(value)]:
            raise Ended("unsupported", at, f"`{name}` of a {kind_name(value)}")
    if isinstance(value, int | float) and name in ("real", "imag"):
        return value if name == "real" else 0
    raise error("AttributeError", f"'{kind_name(value)}' has no '{name}'", at)


def _member(m: Machine, member: Any, of: Class, owner: Instance, at: At) -> Any:
    """What a member of a class is on one of its objects; UNSET stays."""
    if isinstance(member, Function):
        return Bound(member, owner)
    if not isinstance(member, Member):
        return member
    if member.kind == "property":
        return run_function(m, member.function, (owner,), {}, at)
    return member.function if member.kind == "staticmethod" else Bound(member.function, of)


def _begin(m: Machine, at: At, /, owner: Instance, *args: Any) -> None:
    """What the classes of the language do with a new object: an error keeps what it is made with."""
    if owner.of.is_a(ERRORS["BaseException"]):
        owner.fields["args"] = args


def set_attribute(m: Machine, value: Any, name: str, given: Any, at: At) -> None:
    if isinstance(value, Instance) and isinstance(member := value.of.find(name), Member) and member.kind == "property":
        if member.setter is None:
            raise error("AttributeError", f"'{name}' of '{value.of.name}' cannot be set", at)
        run_function(m, member.setter, (value, given), {}, at)
    elif isinstance(value, Instance):
        value.fields[name] = given
    elif isinstance(value, Class):
        value.members[name] = given
    elif isinstance(value, Thing):
        value.set(m, name, given, at)
    else:
        raise error("AttributeError", f"'{kind_name(value)}' cannot be given '{name}'", at)


def method(m: Machine, value: Any, name: str, args: tuple[Any, ...], named: dict[str, Any], at: At) -> Any:
    """`value.name(…)`, by the shortest way."""
    known = METHODS.get(type(value))
    if known is not None and (act := known.get(name)) is not None:
        m.step(at)
        return act(m, at, value, *args, **named)
    if type(value) is Instance and name not in value.fields:
        member = value.of.find(name)
        if type(member) is Function:
            return run_function(m, member, (value, *args), named, at)
    if isinstance(value, Thing):
        return call(m, value.method(m, name, at), args, named, at)
    return call(m, attribute(m, value, name, at), args, named, at)


def item(m: Machine, value: Any, index: Any, at: At) -> Any:
    """`value[index]`; a stretch of a text or a list counts as made anew."""
    if isinstance(value, DefaultDict | Counted) and as_key(m, index, at) not in value:
        if isinstance(value, Counted):
            return 0
        if value.factory is not None:
            value[index] = call(m, value.factory, (), {}, at)
    if isinstance(value, Hint):
        return value
    if isinstance(value, Class) and isinstance(value.members.get(index), Instance):
        return value.members[index]
    if isinstance(value, str | list | tuple | bytes | bytearray | dict | range):
        found = value[as_key(m, index, at)]
        if isinstance(index, slice):
            m.take(len(found), at)
        return found
    if isinstance(value, Instance) and isinstance(own := value.of.find("__getitem__"), Function):
        return run_function(m, own, (value, index), {}, at)
    raise error("TypeError", f"'{kind_name(value)}' has no places", at)


def set_item(m: Machine, value: Any, index: Any, given: Any, at: At) -> None:
    if isinstance(value, list | dict | bytearray):
        if isinstance(index, slice):
            given = all_of(m, given, at)
        value[as_key(m, index, at)] = given
        m.take(1, at)
    elif isinstance(value, Instance) and isinstance(own := value.of.find("__setitem__"), Function):
        run_function(m, own, (value, index, given), {}, at)
    else:
        raise error("TypeError", f"places of '{kind_name(value)}' cannot be given a value", at)


def truth(m: Machine, value: Any, at: At) -> bool:
    if isinstance(value, Instance):
        for name in ("__bool__", "__len__"):
            if isinstance(own := value.of.find(name), Function):
                return bool(run_function(m, own, (value,), {}, at))
        return True
    return isinstance(value, Thing) or bool(value)


def _special(m: Machine, one: Any, name: str, other: Any, at: At) -> Any:
    own = one.of.find(name) if isinstance(one, Instance) else UNSET
    return run_function(m, own, (one, other), {}, at) if isinstance(own, Function) else UNSET


def equal(m: Machine, one: Any, other: Any, at: At) -> bool:
    if isinstance(one, Instance):
        found = _special(m, one, "__eq__", other, at)
        return one is other if found is UNSET else bool(found)
    if type(one) in CONTAINERS:
        walk(m, one, at)
        walk(m, other, at)
    return bool(one == other)
