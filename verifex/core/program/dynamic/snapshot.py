"""How everything a program can change stands, to tell whether a turn of a loop changed anything."""

from typing import Any

from verifex.core.program.dynamic.values import Bound, Class, Frame, Function, Instance, Thing

MOST = 400  # values; a program that keeps more is simply run turn by turn


class _TooMany(Exception):
    pass


class _Same:
    """Equal only to itself for one and the same object, which it keeps: an address may be given to another one later."""

    __slots__ = ("value",)

    def __init__(self, value: object) -> None:
        self.value = value

    def __eq__(self, other: object) -> bool:
        return isinstance(other, _Same) and other.value is self.value


def snapshot(cells: Frame, frame: Frame) -> object | None:
    """The values of the program and of the frames from here outwards; None when there are too many."""
    left = [MOST]
    known: set[int] = set()
    try:
        return tuple(_frozen(cell, left, known) for cell in cells), _frozen(frame, left, known)
    except _TooMany:
        return None


def _frozen(value: Any, left: list[int], known: set[int]) -> Any:
    left[0] -= 1
    if left[0] < 0:
        raise _TooMany
    if value is None or isinstance(value, bool | int | float | str | bytes):
        return value
    if id(value) in known:
        return _Same(value)
    known.add(id(value))
    if isinstance(value, list | tuple):
        return (type(value).__name__, *(_frozen(v, left, known) for v in value))
    if isinstance(value, dict):
        return ("dict", *((_frozen(k, left, known), _frozen(v, left, known)) for k, v in value.items()))
    if isinstance(value, set):
        return ("set", len(value), *(sorted(repr(v) for v in value if isinstance(v, int | float | str))))
    if isinstance(value, bytearray):
        return bytes(value)
    if isinstance(value, Instance):
        return (_Same(value), *((k, _frozen(v, left, known)) for k, v in value.fields.items()))
    if isinstance(value, Class):
        return (_Same(value), *(_frozen(v, left, known) for v in value.members.values() if not isinstance(v, Function)))
    if isinstance(value, Thing):
        return (_Same(value), value.state())
    if isinstance(value, Function):
        return (_Same(value), _frozen(value.outer, left, known))
    if isinstance(value, Bound):
        return (_Same(value.function), _frozen(value.owner, left, known))
    return _Same(value)
