"""Records with constructors and methods, as closures."""

from typing import Any

from verifex.core.program import tree as t
from verifex.core.program.compiler.expressions import Expressions
from verifex.core.program.compiler.names import Frame, Value
from verifex.core.program.types import Struct, Type
from verifex.core.program.values import fresh


class Records(Expressions):
    """Makes records; their methods are functions whose first parameter is the record they are called on."""

    def _own_call(
        self, own: list[tuple[str, t.Function]], node: t.Call, before: tuple[t.Expr, ...] = ()
    ) -> tuple[Value, Type]:
        raise NotImplementedError

    def _methods(self, record: Struct, name: str) -> list[tuple[str, t.Function]]:
        return self.program.named(f"{record.name}::{name}")

    def _built(self, record: Struct, node: t.Call) -> tuple[Value, Type]:
        """A record made by its own constructor."""
        make = self._fresh(record)
        own = self._methods(record, record.name)
        if not own:
            if node.args:
                self._refuse("call-arguments", node.at, f"{record.name} takes no values, {len(node.args)} are given")
            return make, record
        box: list[Any] = [None]
        begin, _ = self._own_call(own, node, (t.Held(node.at, box, record),))

        def run(frame: Frame) -> Any:
            outer, made = box[0], make(frame)
            box[0] = made
            begin(frame)
            box[0] = outer
            return made

        return run, record

    def _fresh(self, kind: Type) -> Value:
        """An empty value of a type, with the values its fields begin with."""
        blank = fresh(kind)
        if not isinstance(kind, Struct):
            return lambda frame: blank()
        begins = [
            (index, self._as(value, own))
            for index, (name, own) in enumerate(kind.fields)
            if (value := self.program.begins.get((kind.name, name))) is not None
        ]

        def made(frame: Frame) -> Any:
            cells = blank()
            for index, value in begins:
                cells[index] = value(frame)
            return cells

        return made
