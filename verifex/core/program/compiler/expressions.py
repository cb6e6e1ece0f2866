"""Expressions as closures: names, operators, assignments, items of arrays, calls."""

from typing import Any

from verifex.core.program import arithmetic
from verifex.core.program import tree as t
from verifex.core.program.calls import CALLS, Spec
from verifex.core.program.compiler.names import Action, Frame, Names, Value, Variable
from verifex.core.program.machine import Ended
from verifex.core.program.types import FLOAT, TEXT, Array, Int, Type, as_float32


class Expressions(Names):
    """Each expression becomes a function of the frame, with its type known beforehand."""

    #: Bodies of the program's own functions with the slots they need; filled while statements are compiled.
    bodies: dict[str, tuple[Action, int]]

    def _truth(self, node: t.Expr) -> Value:
        return self._expr(node)[0]

    def _as(self, node: t.Expr, kind: Type) -> Value:
        """The expression converted to `kind`."""
        value, own = self._expr(node)
        return arithmetic.converted(value, own, kind, node.at, self.machine)

    def _expr(self, node: t.Expr) -> tuple[Value, Type]:
        match node:
            case t.Number():
                number = as_float32(node.value) if node.type == FLOAT else node.value
                return (lambda frame: number), node.type
            case t.Text():
                text = node.value
                return (lambda frame: text), TEXT
            case t.Name():
                return self._read_name(node)
            case t.Unary():
                return self._unary(node)
            case t.Binary():
                left, right = self._expr(node.left), self._expr(node.right)
                return arithmetic.binary(node.op, left, right, node.at, self.machine, self.widths)
            case t.Assign():
                return self._assign(node)
            case t.Step():
                one = t.Number(node.at, 1, self.widths.int)
                if node.prefix:
                    return self._assign(t.Assign(node.at, node.op[0] + "=", node.target, one))
                before, kind = self._expr(node.target)
                after, _ = self._assign(t.Assign(node.at, node.op[0] + "=", node.target, one))

                def post(frame: Frame) -> Any:
                    value = before(frame)
                    after(frame)
                    return value

                return post, kind
            case t.Choice():
                return self._choice(node)
            case t.Index():
                return self._read_item(node)
            case t.Cast():
                return self._as(node.operand, node.type), node.type
            case t.Call():
                return self._call(node)
        raise TypeError(node)

    def _read_name(self, node: t.Name) -> tuple[Value, Type]:
        variable = self.scope.find(node.name)
        if variable is not None:
            variable.used = True
            index = variable.index
            if variable.is_global:
                cells = self.globals
                return (lambda frame: cells[index]), variable.kind
            return (lambda frame: frame[index]), variable.kind
        if node.name in self.constants:
            value, kind = self.constants[node.name]
            return (lambda frame: value), kind
        self._unknown(node.name, node.at)
        return (lambda frame: 0), self.widths.int

    def _unary(self, node: t.Unary) -> tuple[Value, Type]:
        value, kind = self._expr(node.operand)
        return arithmetic.unary(node.op, value, kind, self.widths, node.at, self.machine)

    def _choice(self, node: t.Choice) -> tuple[Value, Type]:
        condition = self._truth(node.condition)
        yes, no = self._expr(node.yes), self._expr(node.no)
        kind = TEXT if TEXT in (yes[1], no[1]) else self.widths.common(yes[1], no[1])
        a = arithmetic.converted(yes[0], yes[1], kind, node.at, self.machine)
        b = arithmetic.converted(no[0], no[1], kind, node.at, self.machine)
        return (lambda frame: a(frame) if condition(frame) else b(frame)), kind

    def _assign(self, node: t.Assign) -> tuple[Value, Type]:
        target = node.target
        value_node: t.Expr = node.value
        if node.op != "=":
            value_node = t.Binary(node.at, node.op[:-1], target, node.value)
        if isinstance(target, t.Name):
            variable = self.scope.find(target.name)
            if variable is None:
                if target.name in self.constants:
                    self._refuse("not-assignable", target.at, target.name)
                else:
                    self._unknown(target.name, target.at)
                return (lambda frame: 0), self.widths.int
            was_used = variable.used
            if variable.constant:
                self._refuse("not-assignable", target.at, target.name)
            value = self._as(value_node, variable.kind)
            variable.used = was_used  # being written to is no use of a value
            return self._store(variable, value), variable.kind
        if isinstance(target, t.Index):
            return self._store_item(target, value_node)
        self._refuse("not-assignable", node.at, "this")
        return (lambda frame: 0), self.widths.int

    def _store(self, variable: Variable, value: Value) -> Value:
        index, cells = variable.index, self.globals

        def store_global(frame: Frame) -> Any:
            cells[index] = result = value(frame)
            return result

        def store_local(frame: Frame) -> Any:
            frame[index] = result = value(frame)
            return result

        return store_global if variable.is_global else store_local

    def _item(self, node: t.Index) -> tuple[Value, Value, Type]:
        base, kind = self._expr(node.base)
        index, _ = self._expr(node.index)
        if isinstance(kind, Array):
            return base, index, kind.of
        self._refuse("not-assignable", node.at, "[ ]")
        return base, index, self.widths.int

    def _read_item(self, node: t.Index) -> tuple[Value, Type]:
        base, index, kind = self._item(node)
        holder, at = self.machine, node.at

        def read(frame: Frame) -> Any:
            cells, position = base(frame), index(frame)
            if isinstance(cells, list) and 0 <= position < len(cells):
                return cells[position]
            holder[0].slips[("outside-array", at)] += 1
            return 0

        return read, kind

    def _store_item(self, node: t.Index, value_node: t.Expr) -> tuple[Value, Type]:
        base, index, kind = self._item(node)
        value = self._as(value_node, kind)
        holder, at = self.machine, node.at

        def store(frame: Frame) -> Any:
            cells, position, result = base(frame), index(frame), value(frame)
            if isinstance(cells, list) and 0 <= position < len(cells):
                cells[position] = result
            else:
                holder[0].slips[("outside-array", at)] += 1
            return result

        return store, kind

    def _call(self, node: t.Call) -> tuple[Value, Type]:
        name = f"{node.receiver}.{node.name}" if node.receiver else node.name
        if not node.receiver and node.name in self.program.functions:
            return self._own_call(self.program.functions[node.name], node)
        spec = CALLS.get(name)
        if spec is None:
            known_receiver = node.receiver is None or node.receiver == "Serial" or self.scope.find(node.receiver)
            self._unknown(name if known_receiver else node.receiver or "", node.at)
            for arg in node.args:
                self._expr(arg)  # its arguments may hold more to refuse
            return (lambda frame: 0), self.widths.int
        return self._board_call(spec, node)

    def _own_call(self, function: t.Function, node: t.Call) -> tuple[Value, Type]:
        if len(node.args) != len(function.params):
            self._refuse(
                "call-arguments",
                node.at,
                f"{function.name} takes {len(function.params)} values, {len(node.args)} are given",
            )
            return (lambda frame: 0), function.result
        args = [self._as(arg, param.type) for arg, param in zip(node.args, function.params, strict=True)]
        bodies, holder, name, at = self.bodies, self.machine, function.name, node.at

        def run(frame: Frame) -> Any:
            machine = holder[0]
            machine.step(at)
            machine.enter(at)
            action, slots = bodies[name]
            inner: Frame = [arg(frame) for arg in args] + [0] * (slots - len(args))
            machine.returned = 0
            action(inner)
            machine.depth -= 1
            return machine.returned

        return run, function.result

    def _board_call(self, spec: Spec, node: t.Call) -> tuple[Value, Type]:
        if not spec.least <= len(node.args) <= len(spec.takes):
            wants = str(spec.least) if spec.least == len(spec.takes) else f"{spec.least} to {len(spec.takes)}"
            self._refuse("call-arguments", node.at, f"{spec.name} takes {wants} values, {len(node.args)} are given")
            return (lambda frame: 0), self.widths.int
        values, kinds = [], []
        for arg, taken in zip(node.args, spec.takes, strict=False):
            value, kind = self._expr(arg)
            # Pins and levels are bytes to the board; what a student writes there is no overflow.
            values.append(value if taken == "any" else arithmetic.converted(value, kind, taken, arg.at, None))
            kinds.append(kind)
        gives: Type
        if spec.gives == "common":
            gives = kinds[0]
            for kind in kinds[1:]:
                gives = self.widths.common(gives, kind)
            values = [arithmetic.converted(v, k, gives, node.at, None) for v, k in zip(values, kinds, strict=True)]
        else:
            gives = spec.gives
        if gives == Int(16, True):
            gives = self.widths.int
        act, us, at, types, holder = spec.act, spec.us, node.at, tuple(kinds), self.machine
        waits = spec.name == "millis"

        def run(frame: Frame) -> Any:
            machine = holder[0]
            machine.steps += 1
            machine.activity += not waits
            if machine.steps > machine.budget.steps:
                raise Ended("steps", at)
            if us:
                machine.spend_us(us)
            return act(machine, at, types, *[value(frame) for value in values])

        return run, gives
