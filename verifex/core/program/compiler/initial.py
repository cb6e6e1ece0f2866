"""What variables begin with, as closures: numbers, lists for arrays and records, libraries' objects."""

from typing import Any

from verifex.core.program import tree as t
from verifex.core.program.compiler.expressions import Expressions
from verifex.core.program.compiler.names import CompileContext, Frame, Typed, Value
from verifex.core.program.compiler.places import Places
from verifex.core.program.compiler.records import Records
from verifex.core.program.devices import Device
from verifex.core.program.types import BYTE, CHAR, PORT, Array, Object, Pointer, Struct, Type, is_chars, size_of
from verifex.core.program.values import chars_made

MOST_BYTES = 1 << 16  # more than the small boards have


class InitialValues:
    """Makes the value of a declaration."""

    def __init__(self, names: CompileContext, places: Places, expressions: Expressions, records: Records) -> None:
        self.names, self.places, self.expressions, self.records = names, places, expressions, records

    def reference(self, node: t.Declare) -> Value:
        """What another name stands for."""
        if node.type == PORT:
            return lambda frame: None
        place = self.places.place_of(node.value) if node.value is not None else None
        if place is None:
            self.names.refuse(
                "wrong-types", node.at, f"{node.name} is to be another name for a variable; none is given"
            )
            return lambda frame: None
        return self.places.address_of(place)

    def filled(self, kind: Type, node: t.Expr | None) -> Value:
        """A new value of a type, filled from what is given: lists for arrays and records, a text for characters."""
        if isinstance(kind, Object):
            return self._made(kind, node)
        if (
            isinstance(kind, Struct)
            and self.records.methods_of(kind, kind.name)
            and not isinstance(node, t.Call | t.Name | t.Index | t.Unary)
        ):
            given = node.items if isinstance(node, t.Items) else (node,) if node is not None else ()
            return self.records.built(kind, t.Call(node.at if node is not None else t.At(0, 0), kind.name, given))[0]
        blank = self.records.fresh(kind)
        if node is None:
            return self._each_built(kind) if isinstance(kind, Array) else blank
        if isinstance(kind, Array) and isinstance(node, t.Text) and is_chars(kind):
            text, length = node.value, kind.length
            return lambda frame: chars_made(text, length)
        if isinstance(node, t.Items) and isinstance(kind, Array | Struct):
            owns = [kind.of] * kind.length if isinstance(kind, Array) else [own for _, own in kind.fields]
            if len(node.items) > len(owns):
                self.names.refuse("wrong-types", node.at, f"{len(node.items)} values for {len(owns)} places")
            parts = self._placed(kind, node, owns)

            def fill(frame: Frame) -> Any:
                made = blank(frame)
                for position, part in parts:
                    made[position] = part(frame)
                return made

            return fill
        if isinstance(kind, Array):
            self.names.refuse("wrong-types", node.at, "an array is filled with a list in braces")
            return blank
        if kind == CHAR and isinstance(node, t.Number) and CHAR.high < node.value <= BYTE.high:
            # A byte of 128 to 255 put into a character is the same eight bits: nothing is lost.
            node = t.Number(node.at, CHAR.wrap(int(node.value)), CHAR)
        return self.expressions.as_type(node, kind)

    def _placed(self, kind: Array | Struct, node: t.Items, owns: list[Type]) -> list[tuple[int, Value]]:
        """Each value of a list in braces with the place it belongs to."""
        if not node.names or not isinstance(kind, Struct):
            return [(i, self.filled(own, item)) for i, (own, item) in enumerate(zip(owns, node.items, strict=False))]
        found = []
        for name, item in zip(node.names, node.items, strict=True):
            field = kind.field(name)
            if field is None:
                self.names.refuse("no-field", item.at, name)
                continue
            found.append((field[0], self.filled(field[1], item)))
        return found

    def new(self, node: t.New) -> Typed:
        """Values made where they are asked for, as many as fit into the board's memory."""
        kind = node.type
        if node.length is None:
            begins: t.Expr | None = t.Items(node.at, node.args) if isinstance(kind, Struct) else (*node.args, None)[0]
            one = self.filled(kind, begins)
            return (lambda frame: ([one(frame)], 0)), Pointer(kind)
        make, (length, _) = self.filled(kind, None), self.expressions.value(node.length)
        most = MOST_BYTES // max(1, size_of(kind))

        def made(frame: Frame) -> Any:
            count = int(length(frame))
            return ([make(frame) for _ in range(count)], 0) if 0 < count <= most else None

        return made, Pointer(kind)

    def _each_built(self, kind: Array) -> Value:
        """An array whose records have each begun as records of their kind do."""
        if not isinstance(kind.of, Struct):
            return self.records.fresh(kind)
        one, length = self.filled(kind.of, None), kind.length
        return lambda frame: [one(frame) for _ in range(length)]

    def _made(self, kind: Object, node: t.Expr | None) -> Value:
        """A library's object, made with its values where its declaration is come to."""
        if isinstance(node, t.Call) and node.name != kind.class_name:
            value, own = self.expressions.value(node)
            if isinstance(own, Object):
                return value  # a record that a library gives
        self.names.in_library += 1
        given = node.items if isinstance(node, t.Items) else node.args if isinstance(node, t.Call) else ()
        args = [self.expressions.value(arg)[0] for arg in given]
        self.names.in_library -= 1
        declared = self.names.program.declared.classes.get(kind.class_name)
        if declared and declared.values is not None and len(args) != declared.values:
            at = node.at if node is not None else t.At(1, 1)
            self.names.refuse(
                "call-arguments", at, f"{kind} is made with {declared.values} values, {len(args)} are given"
            )
        return lambda frame: Device(kind.class_name, "", [arg(frame) for arg in args])
