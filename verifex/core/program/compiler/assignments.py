"""Assignments as closures, the ones that count a place on among them."""

from typing import Any

from verifex.core.program import tree as t
from verifex.core.program.compiler.expressions import Expressions
from verifex.core.program.compiler.names import CompileContext, Frame, Typed, Value, Variable
from verifex.core.program.compiler.places import Places
from verifex.core.program.types import CHAR, OPAQUE, TEXT, Array


class Assignments:
    """Puts values where they belong."""

    def __init__(self, names: CompileContext, places: Places, expressions: Expressions) -> None:
        self.names, self.places, self.expressions = names, places, expressions

    def step(self, node: t.Step) -> Typed:
        one = t.Number(node.at, 1, self.names.widths.int)
        assign = t.Assign(node.at, node.op[0] + "=", node.target, one)
        if node.prefix:
            return self.assign(assign)
        if not isinstance(node.target, t.Name):
            return self._to_place(assign, gives_old=True)
        before, kind = self.expressions.value(node.target)
        after, _ = self.assign(assign)

        def post(frame: Frame) -> Any:
            value = before(frame)
            after(frame)
            return value

        return post, kind

    def assign(self, node: t.Assign) -> Typed:
        if node.op != "=" and (own := self.expressions.own_assignment(node)) is not None:
            return self.expressions.value(own)
        if isinstance(node.target, t.Name):
            return self._to_name(node, node.target)
        return self._to_place(node, gives_old=False)

    def _to_place(self, node: t.Assign, *, gives_old: bool) -> Typed:
        target = node.target
        if isinstance(target, t.Index):
            base = self.expressions.value(target.base)
            if base[1] == TEXT:
                return self._to_letter(target, node, gives_old=gives_old)
            place = self.places.of_item(target, base)
        else:
            place = self.places.place_of(target)
        if place is None:
            if not isinstance(target, t.Field):  # that one is refused already
                compares = isinstance(target, t.Binary) and node.op == "="
                self.names.refuse(
                    "not-assignable", node.at, "a comparison" if compares else "this", "==" if compares else None
                )
            return (lambda frame: 0), self.names.widths.int
        if place.kind == OPAQUE:
            return self.expressions.value(node.value)[0], self.names.widths.int
        if place.fixed:
            self.names.refuse("not-assignable", node.at, place.name)
        if node.op == "=":
            return self.places.write(place, self.expressions.as_type(node.value, place.kind), node.at), place.kind
        current: Frame = [None]
        binary = t.Binary(node.at, node.op[:-1], target, node.value)
        made = self.expressions.binary(
            binary, (lambda frame: current[0], place.kind), self.expressions.value(node.value)
        )
        value = self.expressions.converted_to(made, place.kind, node.at)
        return self.places.update(place, current, value, node.at, gives_old=gives_old), place.kind

    def _to_name(self, node: t.Assign, target: t.Name) -> Typed:
        value_node = _whole(node)
        variable = self.names.find(target.name)
        if variable is None and (own := self.names.own_field(target.name)) is not None:
            place = self.places.place_of(own)
            assert place is not None
            return self.places.write(place, self.expressions.as_type(value_node, place.kind), node.at), place.kind
        if variable is None:
            if target.name in self.names.constants:
                self.names.refuse("not-assignable", target.at, target.name)
            else:
                self.names.refuse_unknown(target.name, target.at)
            return (lambda frame: 0), self.names.widths.int
        self.expressions.refuse_early(variable, target)
        was_used = variable.used
        if variable.constant or isinstance(variable.kind, Array):
            self.names.refuse("not-assignable", target.at, target.name)
        value = self.expressions.as_type(value_node, variable.kind)
        variable.used = was_used  # being written to is no use of a value
        if variable.reference:
            place = self.places.of_name(target)
            assert place is not None
            return self.places.write(place, value, node.at), variable.kind
        return self._store(variable, value), variable.kind

    def _to_letter(self, target: t.Index, node: t.Assign, *, gives_old: bool) -> Typed:
        """One letter of a text: the text is put back with it changed, and the letter is come to once."""
        place = self.places.place_of(target.base)
        if place is None or place.constant:
            self.names.refuse("not-assignable", target.at, "[ ]")
            return (lambda frame: 0), CHAR
        index = self.places.position(target.index)
        current: Frame = [0]
        if node.op == "=":
            value = self.expressions.as_type(node.value, CHAR)
        else:
            binary = t.Binary(node.at, node.op[:-1], target, node.value)
            made = self.expressions.binary(binary, (lambda frame: current[0], CHAR), self.expressions.value(node.value))
            value = self.expressions.converted_to(made, CHAR, node.at)
        whole: Frame = [""]
        holder, at = self.names.machine, target.at

        def changed(frame: Frame) -> str:
            text, position = str(whole[0]), int(index(frame))
            inside = 0 <= position < len(text)
            old = current[0] = CHAR.wrap(ord(text[position])) if inside else 0
            current[0] = letter = int(value(frame))
            if gives_old:
                current[0] = old
            if inside:
                return text[:position] + chr(letter & 0xFF) + text[position + 1 :]
            holder[0].runtime_faults[("outside-array", at)] += 1
            return text

        put = self.places.update(place, whole, changed, target.at, gives_old=False)

        def letter_of(frame: Frame) -> int:
            put(frame)
            return int(current[0])

        return letter_of, CHAR

    def _store(self, variable: Variable, value: Value) -> Value:
        index, cells = variable.index, self.names.globals

        def store_global(frame: Frame) -> Any:
            cells[index] = result = value(frame)
            return result

        def store_local(frame: Frame) -> Any:
            frame[index] = result = value(frame)
            return result

        return store_global if variable.is_global else store_local


def _whole(node: t.Assign) -> t.Expr:
    """The value that is put there, written out: `a += 1` puts `a + 1` there."""
    return node.value if node.op == "=" else t.Binary(node.at, node.op[:-1], node.target, node.value)
