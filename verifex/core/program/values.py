"""The forms values have in the machine: records and arrays as lists of cells, pointers as (cells, index) or None."""

from collections.abc import Callable
from typing import Any

from verifex.core.program.overlay import Overlay
from verifex.core.program.types import FLOAT, KIND_FIELD, TEXT, Array, Pointer, Routine, Struct, Type, Union


def fresh(kind: Type) -> Callable[[], Any]:
    """Makes an empty value of a type: zeros, empty texts, records and arrays of those."""
    match kind:
        case Array():
            inner, length = fresh(kind.of), kind.length
            return lambda: [inner() for _ in range(length)]
        case Union():
            return lambda: Overlay.of(kind)
        case Struct():
            fields = [fresh(own) if name != KIND_FIELD else (lambda: kind.name) for name, own in kind.fields]
            return lambda: [make() for make in fields]
        case Pointer() | Routine():
            return lambda: None
    if kind == TEXT:
        return lambda: ""
    return (lambda: 0.0) if kind == FLOAT else (lambda: 0)


def copied(value: Any) -> Any:
    """A record or an array with cells of its own; what is a single value stays as it is."""
    if isinstance(value, Overlay):
        return value.copied()
    return [copied(cell) for cell in value] if isinstance(value, list) else value


def chars_read(where: Any) -> str:
    """The C string at a pointer or in an array, up to its closing NUL."""
    if where is None:
        return ""
    cells, index = where if isinstance(where, tuple) else (where, 0)
    out = []
    while 0 <= index < len(cells) and cells[index]:
        out.append(chr(int(cells[index]) & 0xFF))
        index += 1
    return "".join(out)


def chars_made(text: str, length: int | None = None) -> list[int]:
    """Cells of a C string, with its closing NUL, filled up to `length`."""
    codes = [ord(c) if ord(c) < 128 else ord(c) % 256 - 256 for c in text] + [0]
    if length is not None:
        codes = (codes + [0] * length)[:length]
    return codes
