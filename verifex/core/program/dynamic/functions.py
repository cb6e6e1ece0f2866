"""Calls, functions made where they stand, and comprehensions of the Python dialect as closures."""

from collections.abc import Callable
from typing import Any

from verifex.core.program import tree as t
from verifex.core.program.dynamic.calling import all_of, call, each, entries
from verifex.core.program.dynamic.effort import walk
from verifex.core.program.dynamic.expressions import Expressions
from verifex.core.program.dynamic.names import ForwardReferences, Names, Value, class_key, targets
from verifex.core.program.dynamic.running import method
from verifex.core.program.dynamic.values import UNSET, Above, Class, Frame, Function, FunctionKind, Instance, error
from verifex.core.program.operands import constant


class Functions:
    """What a call runs, and what a function keeps of the place where it is made."""

    def __init__(self, names: Names, expressions: Expressions, later: ForwardReferences) -> None:
        self.names, self.expressions, self.later = names, expressions, later

    def call(self, node: t.Call) -> Value:
        holder, at, name = self.names.machine, node.at, node.name
        args = [
            (self.expressions.value(a.value if isinstance(a, t.Star) else a), isinstance(a, t.Star)) for a in node.args
        ]
        named = [(keyword.name, self.expressions.value(keyword.value)) for keyword in node.keywords]
        plain = [value for value, _ in args]
        spreads = any(spread for _, spread in args)

        def given(frame: Frame) -> tuple[Any, ...]:
            if not spreads:
                return tuple([value(frame) for value in plain])
            found: list[Any] = []
            for value, spread in args:
                found.extend(all_of(holder[0], value(frame), at)) if spread else found.append(value(frame))
            return tuple(found)

        def keywords(frame: Frame) -> dict[str, Any]:
            found: dict[str, Any] = {}
            for key, value in named:
                found.update({key: value(frame)} if key else entries(holder[0], value(frame), at))
            return found

        on = node.on if node.on is not None else t.Name(at, name)
        if name and (node.receiver or node.on is not None):
            owner = self.expressions.read(t.Name(at, node.receiver)) if node.receiver else self.expressions.value(on)
            return lambda frame: method(holder[0], owner(frame), name, given(frame), keywords(frame), at)
        if name == "super":
            return self._above(at, given)
        f = self.expressions.read(t.Name(at, name)) if name else self.expressions.value(on)
        return lambda frame: call(holder[0], f(frame), given(frame), keywords(frame), at)

    def _above(self, at: t.At, given: Callable[[Frame], tuple[Any, ...]]) -> Value:
        """`super()`: the object of the method it stands in, looked at from above the class that this method is written in."""
        scope, holder = self.names.scope, self.names.machine
        if scope is None or scope.outer is None or not scope.outer.is_class or not scope.slots:
            self.names.program.unsupported.append(t.Unsupported(at, "`super` outside a method"))
            return constant(None)
        key, slot = class_key(scope.outer), next(iter(scope.slots.values()))

        def above(frame: Frame) -> Above:
            args = given(frame)
            of, owner = args if len(args) == 2 else (holder[0].own[key], frame[slot])
            if not isinstance(of, Class) or not isinstance(owner, Instance):
                raise error("TypeError", "super() wants a class and an object of it", at)
            return Above(of, owner)

        return above

    def function(self, node: t.Function | t.Lambda, name: str) -> Value:
        """Makes the function where it is come to."""
        params = [p for p in node.params if not p.rest]
        star = next((i for i, p in enumerate(node.params) if p.rest == "*"), len(params))
        required = next((i for i, p in enumerate(params) if p.default is not None), len(params))
        defaults = [
            self.expressions.value(p.default) if p.default is not None else constant(UNSET) for p in params[required:]
        ]
        rest = next((p.name for p in node.params if p.rest == "*"), None)
        rest_named = next((p.name for p in node.params if p.rest == "**"), None)
        names, at, inside = tuple(p.name for p in params), node.at, self.names.scope is not None
        action, slots = self.later.body(node)
        kind = FunctionKind(node.runs) if isinstance(node, t.Function) else FunctionKind.PLAIN

        def make(frame: Frame) -> Function:
            values = tuple(default(frame) for default in defaults)
            return Function(
                name, names, star, required, values, rest, rest_named, action, slots, frame if inside else None, at,
                kind,
            )  # fmt: skip

        return make

    def comprehension(self, node: t.Comprehension) -> Value:
        values, holder, at = self.expressions.value(node.values), self.names.machine, node.at
        hidden = self._hidden(node.target)
        write = self.later.write_to(node.target)
        conditions = [self.expressions.truth(condition) for condition in node.conditions]
        made, paired = (
            self.expressions.value(node.item),
            self.expressions.value(node.value) if node.value is not None else None,
        )
        hidden()

        def run(frame: Frame) -> Any:
            machine = holder[0]
            found: list[Any] = []
            for value in each(machine, values(frame), at):
                machine.step(at)
                machine.cells += 1
                write(frame, value)
                if not all(condition(frame) for condition in conditions):
                    continue
                if node.flat:
                    found.extend(made(frame))
                else:
                    found.append((made(frame), paired(frame)) if paired else made(frame))
            if node.kind in ("set", "pairs"):
                walk(machine, found, at)
            return dict(found) if node.kind == "pairs" else set(found) if node.kind == "set" else found

        return run

    def _hidden(self, target: t.Expr) -> Callable[[], None]:
        """The loop's own names, which nothing outside it sees; gives what takes them away again."""
        if self.names.scope is not None:
            scope = self.names.scope
            scope.renamed.append({name: scope.new() for name in targets(target)})
            return lambda: (scope.renamed.pop(), None)[1]
        kept = {name: self.names.indices.get(name) for name in targets(target)}
        for name in kept:
            self.names.indices.pop(name, None)
            self.names.cell(name)

        def back() -> None:
            for name, index in kept.items():
                del self.names.indices[name]
                if index is not None:
                    self.names.indices[name] = index

        return back
