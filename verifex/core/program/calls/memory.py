"""Bytes set, copied and compared, whatever kind of values they belong to."""

from collections.abc import Iterator
from functools import cmp_to_key
from struct import pack, unpack
from typing import Any

from verifex.core.program.calls.registry import At, Machine, call
from verifex.core.program.types import BOOL, FLOAT, FUNCTION, VOID, Array, Int, Pointer, Struct, Type, size_of

INT, WORD = Int(16, True), Int(16, False)
Cells = list[Any]
Leaf = tuple[Cells, int, Type]  # a single value: its cells, its place in them, its type
WIDEST = 1 << 16  # more bytes than any board has


def _leaves(where: Any, kind: Type) -> Iterator[Leaf]:
    """The single values from a place on, in the order in which they lie."""
    if where is None:
        return
    cells, first = where if isinstance(where, tuple) else (where, 0)
    inner = kind.of if isinstance(kind, Array | Pointer) else kind
    for index in range(max(0, first), len(cells)):
        if isinstance(inner, Array):
            yield from _leaves(cells[index], inner)
        elif isinstance(inner, Struct):
            for position, (_, own) in enumerate(inner.fields):
                yield from (
                    _leaves((cells[index], position), own)
                    if isinstance(own, Array | Struct)
                    else [(cells[index], position, own)]
                )
        else:
            yield cells, index, inner


def _as_bytes(kind: Type, value: Any) -> bytes:
    if kind == FLOAT:
        return pack("<f", value)
    if isinstance(kind, Int):
        return (int(value) & ((1 << kind.bits) - 1)).to_bytes(kind.bits // 8, "little")
    if kind == BOOL:
        return bytes([int(bool(value))])
    return bytes(size_of(kind))  # an address or a text: its bytes say nothing here


def _from_bytes(kind: Type, data: bytes) -> Any:
    if kind == FLOAT:
        return unpack("<f", data)[0]
    if isinstance(kind, Int):
        return kind.wrap(int.from_bytes(data, "little"))
    if kind == BOOL:
        return int(any(data))
    return None if isinstance(kind, Pointer) else ""


def read_bytes(where: Any, kind: Type, count: int) -> bytes:
    """So many bytes from a place on; fewer where no more lie there."""
    out = bytearray()
    for cells, index, own in _leaves(where, kind):
        if len(out) >= count:
            break
        out += _as_bytes(own, cells[index])
    return bytes(out[:count])


def write_to(m: Machine, at: At, where: Any, kind: Type, data: bytes) -> None:
    """Bytes from a place on; what does not fit would overwrite something else."""
    done = 0
    for cells, index, own in _leaves(where, kind):
        if done >= len(data):
            return
        size = size_of(own)
        new = data[done : done + size]
        cells[index] = _from_bytes(own, new + _as_bytes(own, cells[index])[len(new) :])
        done += size
    if done < len(data):
        m.runtime_faults[("points-nowhere" if where is None else "outside-array", at)] += 1


@call("free", ("any",), VOID)
def free(m: Machine, at: At, _: Any, where: Any) -> None:
    """What lies there may be given to somebody else; nobody else is there."""


@call("qsort", ("where", WORD, WORD, FUNCTION), VOID, us=100.0)
def sort(m: Machine, at: At, kinds: Any, where: Any, count: int, size: int, function: str) -> None:
    """Put in the order that the function says of two of them."""
    cells, first = where if isinstance(where, tuple) else (where, 0)

    def order(one: Any, other: Any) -> int:
        m.step(at)
        given: Any = m.ask(function, ([one], 0), ([other], 0))
        return int(given)

    cells[first : first + count] = sorted(cells[first : first + count], key=cmp_to_key(order))


@call("memset", ("where", INT, WORD), VOID)
def memset(m: Machine, at: At, kinds: tuple[Type, ...], where: Any, byte: int, count: int) -> None:
    write_to(m, at, where, kinds[0], bytes([byte & 0xFF]) * min(count, WIDEST))


def _copy(m: Machine, at: At, kinds: tuple[Type, ...], to: Any, source: Any, count: int) -> None:
    pairs, left = [], count
    for here, there in zip(_leaves(source, kinds[1]), _leaves(to, kinds[0]), strict=False):
        if left <= 0 or here[2] != there[2] or size_of(here[2]) > left:
            break
        pairs.append((there, here[0][here[1]]))
        left -= size_of(here[2])
    if left <= 0:  # like to like: also what has no bytes of its own here, such as a text
        for (cells, index, _), value in pairs:
            cells[index] = value
        return
    write_to(m, at, to, kinds[0], read_bytes(source, kinds[1], count))


@call("memcpy", ("where", "where", WORD), VOID)
def memcpy(m: Machine, at: At, kinds: tuple[Type, ...], to: Any, source: Any, count: int) -> None:
    _copy(m, at, kinds, to, source, count)


@call("memmove", ("where", "where", WORD), VOID)
def memmove(m: Machine, at: At, kinds: tuple[Type, ...], to: Any, source: Any, count: int) -> None:
    _copy(m, at, kinds, to, source, count)


@call("memcmp", ("where", "where", WORD), INT)
def memcmp(m: Machine, at: At, kinds: tuple[Type, ...], one: Any, other: Any, count: int) -> int:
    first, second = read_bytes(one, kinds[0], count), read_bytes(other, kinds[1], count)
    return (first > second) - (first < second)
