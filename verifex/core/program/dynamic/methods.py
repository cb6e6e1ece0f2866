"""Methods of texts, lists, dictionaries and sets: those a program may call, each with its memory accounted for."""

from collections.abc import Callable
from typing import Any

from verifex.core.program.dynamic.calling import all_of, in_order
from verifex.core.program.dynamic.effort import as_key, looked_through, searched, walk
from verifex.core.program.dynamic.showing import by_braces
from verifex.core.program.dynamic.values import Counted, DefaultDict, Deque, Named
from verifex.core.program.runtime.machine import Machine
from verifex.core.program.tree import At

Act = Callable[..., Any]


def _plain(kind: type, names: str) -> dict[str, Act]:
    """Methods of the host's own that can do no harm and make nothing larger than what they are given."""

    def one(name: str) -> Act:
        act = getattr(kind, name)

        def run(m: Machine, at: At, value: Any, /, *args: Any, **named: Any) -> Any:
            if not isinstance(value, int | float):
                searched(m, value, args[0] if args else None, at)
                walk(m, value if isinstance(value, list | tuple) and args else None, at)
            for arg in args:
                walk(m, arg, at)
            found = act(value, *args, **named)
            if isinstance(found, str | list):
                m.take(len(found), at)
            return found

        return run

    return {name: one(name) for name in names.split()}


def _padded(name: str) -> Act:
    act = getattr(str, name)

    def run(m: Machine, at: At, text: str, width: int, *fill: str) -> Any:
        m.take(max(0, int(width)), at)
        return act(text, width, *fill)

    return run


def _replace(m: Machine, at: At, text: Any, old: Any, new: Any, *count: int) -> Any:
    searched(m, text, old, at)
    m.take(len(text) + max(0, text.count(old)) * len(new), at)
    return text.replace(old, new, *count)


def _join(m: Machine, at: At, text: Any, values: Any) -> Any:
    pieces = all_of(m, values, at)
    m.take(sum(len(p) for p in pieces if isinstance(p, str | bytes)) + len(text) * len(pieces), at)
    return text.join(pieces)


def _format(m: Machine, at: At, text: str, /, *args: Any, **named: Any) -> str:
    return by_braces(m, text, args, named, at)


def _encode(m: Machine, at: At, text: str, *_: str) -> bytes:
    return text.encode("utf-8", "replace")


def _decode(m: Machine, at: At, value: bytes, *_: str) -> str:
    return value.decode("utf-8", "replace")


def _append(m: Machine, at: At, values: Any, value: Any) -> None:
    m.take(1, at)
    values.append(value)


def _insert(m: Machine, at: At, values: list[Any], index: int, value: Any) -> None:
    m.take(1, at)
    looked_through(m, values, at)  # all that comes behind it is moved
    values.insert(index, value)


def _extend(m: Machine, at: At, values: list[Any], more: Any) -> None:
    values.extend(all_of(m, more, at))


def _append_last(m: Machine, at: At, values: Deque, value: Any) -> None:
    _append(m, at, values, value)
    values.shorten()


def _append_first(m: Machine, at: At, values: Deque, value: Any) -> None:
    _insert(m, at, values, 0, value)
    values.shorten(at_the_end=True)


def _pop_first(m: Machine, at: At, values: Deque) -> Any:
    return values.pop(0)


def _extend_last(m: Machine, at: At, values: Deque, more: Any) -> None:
    _extend(m, at, values, more)
    values.shorten()


def _rotate(m: Machine, at: At, values: Deque, by: int = 1) -> None:
    looked_through(m, values, at)
    by = by % len(values) if values else 0
    values[:] = values[-by:] + values[:-by] if by else values


def _most_common(m: Machine, at: At, value: dict[Any, int], count: int | None = None) -> list[tuple[Any, int]]:
    return sorted(value.items(), key=lambda entry: -entry[1])[:count]


def _as_dict(m: Machine, at: At, value: Named) -> dict[str, Any]:
    return dict(zip(value.names, value, strict=True))


def _replaced(m: Machine, at: At, value: Named, **named: Any) -> Named:
    found = Named(named.get(name, own) for name, own in zip(value.names, value, strict=True))
    found.title, found.names = value.title, value.names
    return found


def _sort(m: Machine, at: At, values: list[Any], key: Any = None, reverse: bool = False) -> None:
    walk(m, values, at)
    values[:] = sorted(values, key=in_order(m, key, at), reverse=bool(reverse))


def _entries(name: str) -> Act:
    act = getattr(dict, name)

    def run(m: Machine, at: At, value: dict[Any, Any]) -> list[Any]:
        m.take(len(value), at)
        return list(act(value))

    return run


def _update(m: Machine, at: At, value: Any, other: Any = None, /, **named: Any) -> None:
    m.take(len(other or ()), at)
    value.update(other if isinstance(other, dict) else all_of(m, other, at) if other is not None else {}, **named)


def _set_default(m: Machine, at: At, value: dict[Any, Any], key: Any, given: Any = None) -> Any:
    m.take(1, at)
    return value.setdefault(as_key(m, key, at), given)


def _add(m: Machine, at: At, value: set[Any], given: Any) -> None:
    m.take(1, at)
    value.add(as_key(m, given, at))


def _to_bytes(
    m: Machine, at: At, value: int, length: int = 1, byteorder: Any = "big", *, signed: bool = False
) -> bytes:
    m.take(max(0, int(length)), at)
    return value.to_bytes(length, byteorder, signed=signed)


def _from_bytes(m: Machine, at: At, given: Any, byteorder: Any = "big", *, signed: bool = False) -> int:
    return int.from_bytes(bytes(all_of(m, given, at)), byteorder, signed=signed)


def _from_keys(m: Machine, at: At, keys: Any, value: Any = None) -> dict[Any, Any]:
    return dict.fromkeys(all_of(m, keys, at), value)


#: Functions of a type itself, such as `int.from_bytes`.
OF_TYPES: dict[tuple[str, str], Act] = {("int", "from_bytes"): _from_bytes, ("dict", "fromkeys"): _from_keys}

BYTES = "hex startswith endswith find rfind index count split rsplit strip lstrip rstrip upper lower isdigit isalpha"

METHODS: dict[type, dict[str, Act]] = {
    str: _plain(
        str,
        "upper lower strip lstrip rstrip split rsplit splitlines startswith endswith find rfind index rindex count isdigit isalpha "
        "isalnum isspace isupper islower isnumeric isdecimal title capitalize swapcase partition rpartition removeprefix removesuffix",
    )
    | {name: _padded(name) for name in ("ljust", "rjust", "center", "zfill")}
    | {"replace": _replace, "join": _join, "format": _format, "encode": _encode},
    bytes: _plain(bytes, BYTES) | {"decode": _decode, "replace": _replace, "join": _join},
    bytearray: _plain(bytearray, BYTES) | {"decode": _decode, "append": _append, "extend": _extend},
    list: _plain(list, "remove pop clear index count reverse copy")
    | {"append": _append, "insert": _insert, "extend": _extend, "sort": _sort},
    tuple: _plain(tuple, "index count"),
    dict: _plain(dict, "get pop clear copy popitem")
    | {name: _entries(name) for name in ("keys", "values", "items")}
    | {"update": _update, "setdefault": _set_default},
    set: _plain(set, "remove discard pop clear copy union intersection difference issubset issuperset")
    | {"add": _add, "update": _update},
    int: _plain(int, "bit_length") | {"to_bytes": _to_bytes},
    float: _plain(float, "is_integer"),
    bool: {},
    range: {},
}
METHODS |= {
    Deque: _plain(list, "remove pop clear index count reverse copy")
    | {
        "append": _append_last,
        "appendleft": _append_first,
        "popleft": _pop_first,
        "extend": _extend_last,
        "rotate": _rotate,
    },
    DefaultDict: METHODS[dict],
    Counted: METHODS[dict] | {"most_common": _most_common},
    Named: METHODS[tuple] | {"_asdict": _as_dict, "_replace": _replaced},
}

#: What the language has for these kinds. A name of these that METHODS lacks is reported as not supported; any other is an error.
REAL = {kind: frozenset(name for name in dir(kind) if not name.startswith("_")) for kind in METHODS}
