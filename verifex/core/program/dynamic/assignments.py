"""Assignments of the Python dialect as closures: to names, items, fields and groups of them."""

from typing import Any

from verifex.core.program import tree as t
from verifex.core.program.dynamic.arithmetic import in_place
from verifex.core.program.dynamic.calling import all_of
from verifex.core.program.dynamic.expressions import Expressions, quick
from verifex.core.program.dynamic.names import Names, Place, Value, Write
from verifex.core.program.dynamic.running import attribute, item, set_attribute, set_item
from verifex.core.program.dynamic.values import Frame, error


class Assignments:
    """Puts values where they belong."""

    def __init__(self, names: Names, expressions: Expressions) -> None:
        self.names, self.expressions = names, expressions

    def assign(self, node: t.Assign) -> Value:
        if node.op != "=":
            return self._changed(node)
        value, write = self.expressions.value(node.value), self.write_to(node.target)
        if isinstance(node.target, t.Name) and not (self.names.scope and self.names.scope.is_class):
            self.names.first_written.setdefault(node.target.name, node.at)

        def run(frame: Frame) -> Any:
            found = value(frame)
            write(frame, found)
            return found

        return run

    def _changed(self, node: t.Assign) -> Value:
        act, value, holder, at = in_place(node.op[:-1]), self.expressions.value(node.value), self.names.machine, node.at
        target = node.target
        if isinstance(target, t.Name):
            read, put = self.expressions.read(target), self.write_to(target)
            self.names.read_names.discard(target.name)
            two = quick(node.op[:-1], act, read, value, holder, at)

            def of_name(frame: Frame) -> None:
                put(frame, two(frame))

            return of_name
        if isinstance(target, t.Index):
            base, index = self.expressions.value(target.base), self.expressions.value(target.index)

            def of_item(frame: Frame) -> None:
                m, owner, place = holder[0], base(frame), index(frame)
                set_item(m, owner, place, act(m, item(m, owner, place, at), value(frame), at), at)

            return of_item
        if isinstance(target, t.Field):
            base, name = self.expressions.value(target.base), target.name

            def of_field(frame: Frame) -> None:
                m, owner = holder[0], base(frame)
                set_attribute(m, owner, name, act(m, attribute(m, owner, name, at), value(frame), at), at)

            return of_field
        raise TypeError(target)

    def write_to(self, target: t.Expr) -> Write:
        holder, at = self.names.machine, target.at
        match target:
            case t.Name():
                place: Place = self.names.target(target.name)
                write: Write = place.write(self.names.cells)
                return write
            case t.Field(name=name):
                base = self.expressions.value(target.base)
                return lambda frame, value: set_attribute(holder[0], base(frame), name, value, at)
            case t.Index():
                owner, index = self.expressions.value(target.base), self.expressions.value(target.index)
                return lambda frame, value: set_item(holder[0], owner(frame), index(frame), value, at)
            case t.Group():
                return self._write_group(target)
        self.names.program.unsupported.append(t.Unsupported(at, "this target"))
        return lambda frame, value: None

    def _write_group(self, target: t.Group) -> Write:
        writes, holder, at = [], self.names.machine, target.at
        star = next((i for i, one in enumerate(target.items) if isinstance(one, t.Star)), None)
        for one in target.items:
            writes.append(self.write_to(one.value if isinstance(one, t.Star) else one))
        count = len(writes)

        def run(frame: Frame, value: Any) -> None:
            values = all_of(holder[0], value, at)
            if star is not None and len(values) >= count - 1:
                behind = len(values) - (count - star - 1)
                values = [*values[:star], values[star:behind], *values[behind:]]
            if len(values) != count:
                raise error("ValueError", f"{len(values)} values for {count} names", at)
            for write, one in zip(writes, values, strict=True):
                write(frame, one)

        return run
