"""Where values lie: cells that can be read, written and pointed to."""

import re
from dataclasses import dataclass
from typing import Any

from verifex.core.program import tree as t
from verifex.core.program.compiler.names import Frame, Names, Value
from verifex.core.program.devices import TAG_BYTES
from verifex.core.program.types import BYTE, Array, Object, Pointer, Struct, Type
from verifex.core.program.values import fresh

#: The id that a tag reader's object keeps, and the words it is asked by.
TAG = Struct("tag id", (("size", BYTE), ("bytes", Array(BYTE, TAG_BYTES))))
_ID, _LENGTH = re.compile(r"(?i)uid|tag|^id$"), re.compile(r"(?i)size|len")


@dataclass(frozen=True, slots=True)
class Place:
    """A place in a program: `cells` and `index` give where it lies when it is come to. `name` for messages."""

    cells: Value
    index: Value
    kind: Type
    constant: bool = False
    name: str = "this"


class Places(Names):
    """Finds the place an expression names; what has none gives None."""

    def _expr(self, node: t.Expr) -> tuple[Value, Type]:
        raise NotImplementedError

    def _place(self, node: t.Expr) -> Place | None:
        match node:
            case t.Name():
                return self._place_of_name(node)
            case t.Index():
                return self._place_of_item(node)
            case t.Field():
                return self._place_of_field(node)
            case t.Unary(op="*"):
                return self._place_pointed_to(node.operand)
            case t.Cast():
                return None
        return None

    def _place_of_name(self, node: t.Name) -> Place | None:
        variable = self.scope.find(node.name)
        if variable is None:
            own = self._own_field(node.name)
            return self._place_of_field(own) if own is not None else None
        index, cells = variable.index, self.globals
        if variable.reference:
            if variable.is_global:
                return Place(
                    lambda f: cells[index][0], lambda f: cells[index][1], variable.kind, variable.constant, node.name
                )
            return Place(lambda f: f[index][0], lambda f: f[index][1], variable.kind, variable.constant, node.name)
        home: Value = (lambda frame: cells) if variable.is_global else (lambda frame: frame)
        return Place(home, lambda frame: index, variable.kind, variable.constant, node.name)

    def _place_of_item(self, node: t.Index) -> Place | None:
        base, kind = self._expr(node.base)
        index, _ = self._expr(node.index)
        if isinstance(kind, Array):
            return Place(base, index, kind.of, name="[ ]")
        if isinstance(kind, Pointer):

            def cells(frame: Frame) -> Any:
                where = base(frame)
                return where[0] if where is not None else None

            def at(frame: Frame) -> int:
                where = base(frame)
                return (where[1] if where is not None else 0) + int(index(frame))

            return Place(cells, at, kind.of, name="[ ]")
        return None

    def _place_of_field(self, node: t.Field) -> Place | None:
        base, kind = self._expr(node.base)
        if node.arrow and isinstance(kind, Pointer):
            holder, at, inner = self.machine, node.at, base

            def pointed(frame: Frame) -> Any:
                where = inner(frame)
                if where is None or not 0 <= where[1] < len(where[0]):
                    holder[0].runtime_faults[("points-nowhere", at)] += 1
                    return None
                return where[0][where[1]]

            base, kind = pointed, kind.of
        if isinstance(kind, Object) and _ID.search(node.name):
            device = base
            return Place(lambda frame: [device(frame).tag], lambda frame: 0, TAG, name=node.name)
        if kind == TAG:
            bytes_of = _LENGTH.search(node.name) is None
            return Place(base, lambda frame: int(bytes_of), TAG.fields[int(bytes_of)][1], name=node.name)
        if not isinstance(kind, Struct):
            self._refuse("no-field", node.at, node.name)
            return None
        found = kind.field(node.name)
        if found is None:
            known = [own for own, _ in kind.fields]
            near = next((k for k in known if k.lower() == node.name.lower()), None)
            self._refuse("no-field", node.at, node.name, near)
            return None
        index, own = found
        return Place(base, lambda frame: index, own, name=node.name)

    def _place_pointed_to(self, operand: t.Expr) -> Place | None:
        pointer, kind = self._expr(operand)
        if isinstance(kind, Array):
            return Place(pointer, lambda frame: 0, kind.of, name="*")
        if not isinstance(kind, Pointer):
            return None

        def cells(frame: Frame) -> Any:
            where = pointer(frame)
            return where[0] if where is not None else None

        def index(frame: Frame) -> int:
            where = pointer(frame)
            return where[1] if where is not None else 0

        return Place(cells, index, kind.of, name="*")

    def _read(self, place: Place, at: t.At) -> Value:
        """The value in a place; one outside its cells is a slip and reads as 0."""
        cells, index, holder = place.cells, place.index, self.machine
        blank = fresh(place.kind)

        def read(frame: Frame) -> Any:
            held, position = cells(frame), index(frame)
            if held is not None and 0 <= position < len(held):
                return held[position]
            holder[0].runtime_faults[("points-nowhere" if held is None else "outside-array", at)] += 1
            return blank()

        return read

    def _write(self, place: Place, value: Value, at: t.At) -> Value:
        """Puts a value into a place; one outside its cells is a slip and nothing is written."""
        cells, index, holder = place.cells, place.index, self.machine

        def write(frame: Frame) -> Any:
            held, position, result = cells(frame), index(frame), value(frame)
            if held is not None and 0 <= position < len(held):
                held[position] = result
            else:
                holder[0].runtime_faults[("points-nowhere" if held is None else "outside-array", at)] += 1
            return result

        return write

    def _where(self, place: Place) -> Value:
        """A pointer to a place."""
        cells, index = place.cells, place.index

        def where(frame: Frame) -> Any:
            held = cells(frame)
            return None if held is None else (held, index(frame))

        return where
