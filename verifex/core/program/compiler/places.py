"""Where values lie: cells that can be read, written and pointed to."""

import re
from collections.abc import Callable
from dataclasses import dataclass
from typing import Any

from verifex.core.program import tree as t
from verifex.core.program.calls.devices import in_event
from verifex.core.program.compiler.names import CompileContext, ForwardReferences, Frame, Typed, Value
from verifex.core.program.devices import TAG_BYTES, meaning_of
from verifex.core.program.types import BOOL, BYTE, FLOAT, OPAQUE, Array, Int, Object, Pointer, Struct, Type
from verifex.core.program.values import fresh

#: The id that a tag reader's object keeps, and the words it is asked by.
TAG = Struct("tag id", (("size", BYTE), ("bytes", Array(BYTE, TAG_BYTES))))
NOWHERE = (None, 0)
_ID, _LENGTH = re.compile(r"(?i)uid|tag|^id$"), re.compile(r"(?i)size|len")


def nothing(frame: Frame) -> Any:
    return None


@dataclass(frozen=True, slots=True)
class Place:
    """A place in a program, as one function for both (`pair`), or one for its cells and one for the position in them.

    `name` is for messages."""

    kind: Type
    cells: Value = nothing
    index: Value = nothing
    pair: Value | None = None  # None when it is come to: it points nowhere
    constant: bool = False
    name: str = "this"
    fixed: bool = False  # what lies there may only be read, whoever it is handed to


class Places:
    """Finds the place an expression names; what has none gives None."""

    def __init__(self, names: CompileContext, later: ForwardReferences) -> None:
        self.names, self.later = names, later

    def place_of(self, node: t.Expr) -> Place | None:
        match node:
            case t.Name():
                return self.of_name(node)
            case t.Index():
                return self.of_item(node, self.later.value(node.base))
            case t.Field():
                return self._of_field(node)
            case t.Unary(op="*"):
                return self._pointed_to(node.operand)
            case t.Call():
                return self._given_by(node)
            case t.Cast():
                return None
        return None

    def _given_by(self, node: t.Call) -> Place | None:
        """The place that a function gives; None for one that gives a value."""
        value, kind = self.later.value(node)
        where: Value | None = getattr(value, "where", None)
        return Place(kind, pair=where, name=f"{node.name}()") if where is not None else None

    def of_name(self, node: t.Name) -> Place | None:
        variable = self.names.find(node.name)
        if variable is None:
            own = self.names.own_field(node.name)
            return self._of_field(own) if own is not None else None
        index, cells = variable.index, self.names.globals
        if variable.reference:
            if variable.is_global:
                return Place(variable.kind, pair=lambda f: cells[index], constant=variable.constant, name=node.name)
            return Place(variable.kind, pair=lambda f: f[index], constant=variable.constant, name=node.name)
        home: Value = (lambda frame: cells) if variable.is_global else (lambda frame: frame)
        return Place(variable.kind, home, lambda frame: index, constant=variable.constant, name=node.name)

    def of_item(self, node: t.Index, base: Typed) -> Place | None:
        """An item of `base`, which is made already: it may have been looked at for its type."""
        cells, kind = base
        if kind == OPAQUE:
            self.position(node.index)
            return Place(OPAQUE, lambda frame: [0], lambda frame: 0, name="[ ]")
        if not isinstance(kind, Array | Pointer):
            return None
        index = self.position(node.index)
        if isinstance(kind, Array):
            return Place(kind.of, cells, index, name="[ ]", fixed=kind.fixed)

        def pair(frame: Frame) -> Any:
            where, position = cells(frame), int(index(frame))
            return (where[0], where[1] + position) if where is not None else None

        return Place(kind.of, pair=pair, name="[ ]", fixed=kind.fixed)

    def position(self, node: t.Expr) -> Value:
        """A place in a list or a text, counted with a whole number."""
        index, kind = self.later.value(node)
        if not isinstance(kind, Int) and kind != BOOL:
            self.names.refuse("wrong-types", node.at, "a place in a list is counted with a whole number; this is none")
            return lambda frame: 0
        return index

    def _of_field(self, node: t.Field) -> Place | None:
        base, kind = self.later.value(node.base)
        if node.arrow and isinstance(kind, Pointer):
            holder, at, inner = self.names.machine, node.at, base

            def pointed(frame: Frame) -> Any:
                where = inner(frame)
                if where is None or not 0 <= where[1] < len(where[0]):
                    holder[0].runtime_faults[("points-nowhere", at)] += 1
                    return None
                return where[0][where[1]]

            base, kind = pointed, self.names.whole(kind.of)
        if isinstance(kind, Object) and _ID.search(node.name):
            device = base
            return Place(TAG, lambda frame: [device(frame).tag], lambda frame: 0, name=node.name)
        if isinstance(kind, Object) and (meaning := meaning_of(node.name)) and meaning.does == "measures":
            event = base
            return Place(FLOAT, lambda frame: [in_event(event(frame), meaning)], lambda frame: 0, name=node.name)
        if kind == TAG:
            bytes_of = _LENGTH.search(node.name) is None
            return Place(TAG.fields[int(bytes_of)][1], base, lambda frame: int(bytes_of), name=node.name)
        if isinstance(kind, Object):
            return Place(OPAQUE, lambda frame: [0], lambda frame: 0, name=node.name)
        if not isinstance(kind, Struct):
            self.names.refuse("no-field", node.at, node.name)
            return None
        found = kind.field(node.name)
        if found is None:
            known = [own for own, _ in kind.fields]
            near = next((k for k in known if k.lower() == node.name.lower()), None)
            self.names.refuse("no-field", node.at, node.name, near)
            return None
        index, own = found
        return Place(own, base, lambda frame: index, name=node.name)

    def _pointed_to(self, operand: t.Expr) -> Place | None:
        pointer, kind = self.later.value(operand)
        if isinstance(kind, Array):
            return Place(kind.of, pointer, lambda frame: 0, name="*", fixed=kind.fixed)
        whole = self.names.whole(kind.of) if isinstance(kind, Pointer) else None
        return Place(whole, pair=pointer, name="*", fixed=kind.fixed) if whole and isinstance(kind, Pointer) else None

    def read(self, place: Place, at: t.At) -> Value:
        """The value in a place; one outside its cells is a fault of the run and reads as 0."""
        find, holder, blank = _found(place), self.names.machine, fresh(place.kind)

        def read(frame: Frame) -> Any:
            held, position = find(frame)
            if held is not None and 0 <= position < len(held):
                return held[position]
            holder[0].runtime_faults[_outside(held, at)] += 1
            return blank()

        return read

    def write(self, place: Place, value: Value, at: t.At) -> Value:
        """Puts a value into a place; one outside its cells is a fault of the run and nothing is written."""
        find, holder = _found(place), self.names.machine

        def write(frame: Frame) -> Any:
            held, position = find(frame)
            result = value(frame)
            if held is not None and 0 <= position < len(held):
                held[position] = result
            else:
                holder[0].runtime_faults[_outside(held, at)] += 1
            return result

        return write

    def update(self, place: Place, current: Frame, value: Value, at: t.At, *, gives_old: bool) -> Value:
        """Changes what is in a place, which is come to once; `value` finds what was there in `current[0]`."""
        find, holder, blank = _found(place), self.names.machine, fresh(place.kind)

        def update(frame: Frame) -> Any:
            held, position = find(frame)
            inside = held is not None and 0 <= position < len(held)
            current[0] = old = held[position] if inside else blank()
            result = value(frame)
            if inside:
                held[position] = result
            else:
                holder[0].runtime_faults[_outside(held, at)] += 1
            return old if gives_old else result

        return update

    def address_of(self, place: Place) -> Value:
        """A pointer to a place."""
        find = _found(place)

        def where(frame: Frame) -> Any:
            held, position = find(frame)
            return None if held is None else (held, position)

        return where


def _found(place: Place) -> Callable[[Frame], tuple[Any, int]]:
    """The cells and the position of a place, each worked out once."""
    if place.pair is not None:
        pair = place.pair
        return lambda frame: pair(frame) or NOWHERE
    cells, index = place.cells, place.index
    return lambda frame: (cells(frame), index(frame))


def _outside(held: object, at: t.At) -> tuple[str, t.At]:
    return ("points-nowhere" if held is None else "outside-array", at)
