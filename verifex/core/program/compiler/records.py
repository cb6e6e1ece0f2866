"""Records with constructors and methods, as closures."""

from typing import Any

from verifex.core.program import tree as t
from verifex.core.program.compiler.expressions import Expressions
from verifex.core.program.compiler.functions import Functions
from verifex.core.program.compiler.names import Frame, Names, Typed, Value
from verifex.core.program.types import Struct, Type
from verifex.core.program.values import fresh


class Records:
    """Makes records; their methods are functions whose first parameter is the record they are called on."""

    def __init__(self, names: Names, expressions: Expressions, functions: Functions) -> None:
        self.names, self.expressions, self.functions = names, expressions, functions

    def methods_of(self, record: Struct, name: str) -> list[tuple[str, t.Function]]:
        return self.names.program.named(f"{record.name}::{name}")

    def built(self, record: Struct, node: t.Call) -> Typed:
        """A record made by its own constructor."""
        make = self.fresh(record)
        own = self.methods_of(record, record.name)
        if not own:
            if node.args:
                self.names.refuse(
                    "call-arguments", node.at, f"{record.name} takes no values, {len(node.args)} are given"
                )
            return make, record
        box: list[Any] = [None]
        begin, _ = self.functions.call(own, node, (t.Held(node.at, box, record),))

        def run(frame: Frame) -> Any:
            outer, made = box[0], make(frame)
            box[0] = made
            begin(frame)
            box[0] = outer
            return made

        return run, record

    def fresh(self, kind: Type) -> Value:
        """An empty value of a type, with the values its fields begin with."""
        blank = fresh(kind)
        if not isinstance(kind, Struct):
            return lambda frame: blank()
        with self.names.outside_functions(owner=kind):
            begins = [
                (index, self.expressions.as_type(value, own))
                for index, (name, own) in enumerate(kind.fields)
                if (value := self.names.program.begins.get((kind.name, name))) is not None
            ]

        def made(frame: Frame) -> Any:
            cells = blank()
            own_frame: Frame = [([cells], 0)]
            for index, value in begins:
                cells[index] = value(own_frame)
            return cells

        return made
