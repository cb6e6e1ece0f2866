"""Records with constructors and methods, as closures."""

from typing import Any

from verifex.core.program import tree as t
from verifex.core.program.compiler.expressions import Expressions
from verifex.core.program.compiler.functions import Functions
from verifex.core.program.compiler.names import CompileContext, Frame, Typed, Value
from verifex.core.program.types import KIND_FIELD, Struct, Type
from verifex.core.program.values import fresh


class Records:
    """Makes records; their methods are functions whose first parameter is the record they are called on."""

    def __init__(self, names: CompileContext, expressions: Expressions, functions: Functions) -> None:
        self.names, self.expressions, self.functions = names, expressions, functions

    def methods_of(self, record: Struct, name: str) -> list[tuple[str, t.Function]]:
        """Those of the record itself, else of the nearest one it is made from; a constructor is each record's own."""
        for one in record.line if name != record.name else [record]:
            if found := self.names.program.named(f"{one.name}::{name}"):
                return found
        return []

    def own_ways(self, record: Struct, name: str) -> list[Struct]:
        """The records whose own way of a virtual method a call may find: those made from `record`, and itself. Empty for a method
        that is not virtual."""
        if not any((one.name, name) in self.names.program.virtual for one in record.line):
            return []
        made = dict.fromkeys(one for one in self.names.program.records.values() if record in one.line)
        return [one for one in made if self.methods_of(one, name)]

    def found_at_run(self, record: Struct, node: t.Call, where: Value) -> Typed:
        """A call of a virtual method: which one is found by what kind of record lies there."""
        box: list[Any] = [None]
        ways = {
            one.name: self.functions.call(self.methods_of(one, node.name), node, (t.Held(node.at, box, one),))
            for one in self.own_ways(record, node.name)
        }
        position, holder, at = record.field(KIND_FIELD), self.names.machine, node.at
        kind = next(iter(ways.values()))[1]

        def run(frame: Frame) -> Any:
            held = where(frame)
            if held is None or not 0 <= held[1] < len(held[0]):
                holder[0].runtime_faults[("points-nowhere", at)] += 1
                return 0
            cells = held[0][held[1]]
            way = ways.get(cells[position[0]]) if position and isinstance(cells, list) else None
            if way is None:
                holder[0].runtime_faults[("points-nowhere", at)] += 1
                return 0
            outer, box[0] = box[0], cells
            given = way[0](frame)
            box[0] = outer
            return given

        return run, kind

    def built(self, record: Struct, node: t.Call) -> Typed:
        """A record made by its own constructor."""
        make = self.fresh(record)
        own = next((found for one in record.line if (found := self.methods_of(one, one.name))), [])
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
