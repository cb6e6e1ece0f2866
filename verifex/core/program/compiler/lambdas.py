"""Functions without a name as closures, with what they take of their surroundings."""

from dataclasses import replace
from typing import Any

from verifex.core.program import tree as t
from verifex.core.program.compiler.expressions import Expressions
from verifex.core.program.compiler.functions import Closure
from verifex.core.program.compiler.names import CompileContext, Frame, Scope, Typed, Value, Variable
from verifex.core.program.compiler.places import Places
from verifex.core.program.compiler.statements import Statements
from verifex.core.program.types import AUTO, VOID, Routine


class Lambdas:
    """Makes a function where it is written; its frame begins with its values, then with what it took."""

    def __init__(self, names: CompileContext, places: Places, expressions: Expressions, statements: Statements) -> None:
        self.names, self.places = names, places
        self.expressions, self.statements = expressions, statements

    def lambda_(self, node: t.InlineFunction) -> Typed:
        function, names = node.function, self.names
        taken = self._taken(node)
        before = (names.scope, names.slots, names.most_slots, names.clocks)
        results = (self.statements.result, self.statements.gives_place)
        names.scope, names.clocks = Scope(names.scope.outermost), {}
        names.slots = names.most_slots = 0
        self.statements.result, self.statements.gives_place = function.result, False
        for param in function.params:
            variable = names.new_variable(param.name, param.type, node.at, is_global=False, constant=False)
            variable.used, variable.reference = True, param.reference
        for name, outer, _ in taken:
            inner = names.new_variable(name, outer.kind, outer.at, is_global=False, constant=outer.constant)
            inner.used, inner.reference = True, node.by == "&" and name != "this"
        action, slots = self.statements.block(function.body), names.most_slots
        result = VOID if self.statements.result == AUTO else self.statements.result
        names.scope, names.slots, names.most_slots, names.clocks = before
        self.statements.result, self.statements.gives_place = results
        kind = Routine(tuple(param.type for param in function.params), result)
        key = f"{function.name} of the program"
        if not taken:
            self.statements.functions.bodies[key] = (action, slots)
            return (lambda frame: key), kind
        values = [value for _, _, value in taken]

        def made(frame: Frame) -> Any:
            return Closure(action, slots, [value(frame) for value in values])

        return made, kind

    def _taken(self, node: t.InlineFunction) -> list[tuple[str, Variable, Value]]:
        """The names of the surroundings that the body uses, with what is taken: a value, or where it lies."""
        used = {one.name for one in t.walk(node.function.body) if isinstance(one, t.Name)}
        used |= {one.receiver for one in t.walk(node.function.body) if isinstance(one, t.Call) and one.receiver}
        used |= {one.name for one in t.walk(node.function.body) if isinstance(one, t.Call) and not one.receiver}
        if self.names.owner is not None:
            used.add("this")
        own = {param.name for param in node.function.params}
        found = []
        for name in sorted(used - own):
            variable = self.names.scope.find(name)
            if variable is None or variable.is_global:
                continue
            variable.used = True
            place = self.places.of_name(t.Name(node.at, name))
            if place is None or (not node.by and name != "this"):
                continue
            by_place = node.by == "&" and name != "this"
            taken = self.places.address_of(place) if by_place else self.places.read(place, node.at)
            found.append((name, replace(variable), taken))
        return found
