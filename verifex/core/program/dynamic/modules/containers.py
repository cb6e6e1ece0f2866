"""`collections`, `dataclasses`, `enum`, `typing` and their like: values of several parts."""

from collections.abc import Callable, Sequence
from typing import Any

from verifex.core.program.dynamic.calling import all_of, call
from verifex.core.program.dynamic.values import (
    UNSET,
    Builtin,
    Class,
    Counted,
    DefaultDict,
    Deque,
    Hint,
    Instance,
    Named,
    Thing,
    error,
)
from verifex.core.program.runtime.machine import Machine
from verifex.core.program.tree import At


def _deque(m: Machine, at: At, values: Any = (), maxlen: int | None = None) -> Deque:
    found = Deque(all_of(m, values, at))
    found.maxlen = maxlen
    found.shorten()
    return found


def _default_dict(m: Machine, at: At, factory: Any = None, values: Any = ()) -> DefaultDict:
    found = DefaultDict(values if isinstance(values, dict) else all_of(m, values, at))
    found.factory = factory
    return found


def _counter(m: Machine, at: At, values: Any = ()) -> Counted:
    found = Counted()
    for value in all_of(m, values, at):
        found[value] = found.get(value, 0) + 1
    return found


def _ordered(m: Machine, at: At, values: Any = ()) -> dict[Any, Any]:
    return dict(values if isinstance(values, dict) else all_of(m, values, at))


def _named_tuple(m: Machine, at: At, name: str, fields: Any, **_: Any) -> Builtin:
    names = tuple(fields.replace(",", " ").split() if isinstance(fields, str) else all_of(m, fields, at))
    return Builtin(name, lambda m_, at_, *args, **named: _record(name, names, args, named, at_))


def _record(title: str, names: Sequence[str], args: Sequence[Any], named: dict[str, Any], at: At) -> Named:
    given = {**dict(zip(names, args, strict=False)), **named}
    if len(args) > len(names) or set(given) != set(names):
        raise error("TypeError", f"{title} takes {len(names)} values, {len(args) + len(named)} are given", at)
    found = Named(given[one] for one in names)
    found.title, found.names = title, tuple(names)
    return found


class _Factory(Thing):
    """What a field of a data class begins with, made anew for each object."""

    name = "field"

    def __init__(self, default: Any, factory: Any) -> None:
        self.default, self.factory = default, factory

    def made(self, m: Machine, at: At) -> Any:
        return call(m, self.factory, (), {}, at) if self.factory is not None else self.default


def _field(m: Machine, at: At, *, default: Any = UNSET, default_factory: Any = None, **_: Any) -> _Factory:
    return _Factory(default, default_factory)


def _data_class(m: Machine, at: At, of: Any = None, **_: Any) -> Any:
    """A class whose objects are made with its fields in their order."""
    if of is None:
        return Builtin("dataclass", lambda m_, at_, own: _data_class(m_, at_, own))
    if not isinstance(of, Class):
        raise error("TypeError", "dataclass() is put before a class", at)
    of.begin = _begin_fields
    return of


def _begin_fields(m: Machine, at: At, made: Instance, args: tuple[Any, ...], named: dict[str, Any]) -> None:
    fields = {name: default for of in reversed(made.of.line()) for name, default in of.annotated}
    given = {**dict(zip(fields, args, strict=False)), **named}
    strange = next((name for name in named if name not in fields), None)
    if strange is not None or len(args) > len(fields):
        raise error("TypeError", f"{made.of.name}() does not take these values", at)
    for name, default in fields.items():
        value = given.get(name, default)
        value = value.made(m, at) if isinstance(value, _Factory) else value
        if value is UNSET:
            raise error("TypeError", f"{made.of.name}() misses a value for '{name}'", at)
        made.fields[name] = value
    after = made.of.find("__post_init__")
    if after is not UNSET:
        call(m, after, (made,), {}, at)


class _Auto(Thing):
    """The next number of a list of names."""

    name = "auto"


def listed(m: Machine, of: Class) -> None:
    """Each constant of an `Enum` as an object with a name and a value."""
    number = 0
    for name, value in list(of.members.items()):
        if name.startswith("_") or not (value is None or isinstance(value, bool | int | float | str | tuple | _Auto)):
            continue
        number = number + 1 if isinstance(value, _Auto) else value if isinstance(value, int) else number
        given = number if isinstance(value, _Auto) else value
        if of.is_a(INT_ENUM):
            of.members[name] = given
        else:
            of.members[name] = Instance(of, {"name": name, "value": given})


ENUM = Class("Enum", None, {})
INT_ENUM = Class("IntEnum", ENUM, {})
ENUM.made = INT_ENUM.made = listed


def _named_class(m: Machine, of: Class) -> Builtin:
    """`class Reading(NamedTuple):` makes values with names."""
    names, usual = [name for name, _ in of.annotated], {n: v for n, v in of.annotated if v is not UNSET}

    def made(m_: Machine, at: At, *args: Any, **named: Any) -> Named:
        given = {**usual, **dict(zip(names, args, strict=False)), **named}
        return _record(of.name, names, (), given, at)

    return Builtin(of.name, made)


NAMED = Class("NamedTuple", None, {})
NAMED.made = _named_class


def _copied(m: Machine, at: At, value: Any, deep: bool = False) -> Any:
    """A list, a dictionary or an object of its own with the same in it; `deep` copies that too."""
    m.step(at)

    def inner(one: Any) -> Any:
        return _copied(m, at, one, True) if deep else one

    if isinstance(value, list):
        m.take(len(value), at)
        made = Deque(inner(one) for one in value) if isinstance(value, Deque) else [inner(one) for one in value]
        if isinstance(made, Deque) and isinstance(value, Deque):
            made.maxlen = value.maxlen
        return made
    if isinstance(value, dict) and type(value) is dict:
        return {key: inner(one) for key, one in value.items()}
    if isinstance(value, set):
        return set(value)
    if isinstance(value, Instance):
        return Instance(value.of, {name: inner(one) for name, one in value.fields.items()})
    return value


COPIES: dict[str, Any] = {
    "copy": Builtin("copy", lambda m, at, value: _copied(m, at, value)),
    "deepcopy": Builtin("deepcopy", lambda m, at, value: _copied(m, at, value, True)),
}
HINTED = """
Any Optional Union List Dict Tuple Set Callable Iterator Iterable Generator Sequence Mapping Final Literal ClassVar TypeVar NoReturn
Self TextIO Type TypeAlias cast
"""
HINTS: dict[str, Any] = {"NamedTuple": NAMED, **{name: Hint() for name in HINTED.split()}}


def _same(m: Machine, at: At, function: Any) -> Any:
    return function


def _kept(m: Machine, at: At, function: Any = None, **_: Any) -> Any:
    """`lru_cache`: the function is asked again, which only takes longer."""
    return function if function is not None else Builtin("lru_cache", _same)


def _partial(m: Machine, at: At, function: Any, *args: Any, **named: Any) -> Builtin:
    return Builtin(
        "partial", lambda m_, at_, *more, **others: call(m_, function, (*args, *more), {**named, **others}, at_)
    )


def _reduce(m: Machine, at: At, function: Any, values: Any, *start: Any) -> Any:
    given = [*start, *all_of(m, values, at)]
    if not given:
        raise error("TypeError", "reduce() of nothing", at)
    result = given[0]
    for value in given[1:]:
        result = call(m, function, (result, value), {}, at)
    return result


def _members(table: dict[str, Callable[..., Any]]) -> dict[str, Any]:
    return {name: Builtin(name, act) for name, act in table.items()}


COLLECTIONS = _members(
    {
        "deque": _deque,
        "namedtuple": _named_tuple,
        "defaultdict": _default_dict,
        "Counter": _counter,
        "OrderedDict": _ordered,
    }
)
DATA_CLASSES = _members({"dataclass": _data_class, "field": _field})
ENUMS: dict[str, Any] = {"Enum": ENUM, "IntEnum": INT_ENUM, "auto": Builtin("auto", lambda m, at: _Auto())}
FUNCTIONS = _members(
    {
        "wraps": lambda m, at, *_: Builtin("wraps", _same),
        "partial": _partial,
        "reduce": _reduce,
        "lru_cache": _kept,
        "cache": _kept,
    }
)
ABSTRACT: dict[str, Any] = {"ABC": Class("ABC", None, {}), "abstractmethod": Builtin("abstractmethod", _same)}
