"""Calls of the program's own functions as closures."""

from typing import Any

from verifex.core.program import tree as t
from verifex.core.program.compiler.expressions import Expressions
from verifex.core.program.compiler.names import Action, Frame, Names, Typed, Value
from verifex.core.program.compiler.places import Places
from verifex.core.program.types import FLOAT, TEXT, Array, Int, Pointer, Struct, Type

NOTHING: Value = lambda frame: 0  # noqa: E731


class Functions:
    """The function a call means, and its values turned into what the function takes."""

    def __init__(self, names: Names, places: Places, expressions: Expressions) -> None:
        self.names, self.places, self.expressions = names, places, expressions
        #: Bodies by key, with the slots they need; filled while statements are compiled.
        self.bodies: dict[str, tuple[Action, int]] = {}

    def call(self, own: list[tuple[str, t.Function]], node: t.Call, before: tuple[t.Expr, ...] = ()) -> Typed:
        """A call of one of these functions; `before` is what comes in front of the values that are written."""
        hidden, values = len(before), (*before, *node.args)
        fitting = [(key, f) for key, f in own if self._least(f) <= len(values) <= len(f.params)]
        if not fitting:
            function = own[0][1]
            least, most = self._least(function) - hidden, len(function.params) - hidden
            self.names.refuse(
                "call-arguments", node.at, wants(function.name.split("::")[-1], least, most, len(node.args))
            )
            return NOTHING, function.result
        key, function = self._best(fitting, values)
        given, left = function.params[: len(values)], function.params[len(values) :]
        args = [self.argument(param, arg) for param, arg in zip(given, values, strict=True)]
        args += [self.default(param) for param in left]
        bodies, holder, at = self.bodies, self.names.machine, node.at

        def run(frame: Frame) -> Any:
            machine = holder[0]
            machine.step(at)
            machine.enter(at)
            action, slots = bodies[key]
            inner: Frame = [arg(frame) for arg in args] + [0] * (slots - len(args))
            machine.returned = 0
            action(inner)
            machine.depth -= 1
            return machine.returned

        return run, function.result

    def default(self, param: t.Param) -> Value:
        """What a parameter is when a call gives nothing for it."""
        assert param.default is not None
        with self.names.outside_functions():
            return self.argument(param, param.default)

    def _least(self, function: t.Function) -> int:
        return sum(1 for param in function.params if param.default is None)

    def _best(self, fitting: list[tuple[str, t.Function]], values: tuple[t.Expr, ...]) -> tuple[str, t.Function]:
        """Of functions with one name, the one whose parameters are most like what is given."""
        if len(fitting) == 1:
            return fitting[0]
        kinds = [self.expressions.type_of(arg) for arg in values]

        def likeness(entry: tuple[str, t.Function]) -> int:
            return sum(_likeness(kind, param.type) for kind, param in zip(kinds, entry[1].params, strict=False))

        return max(fitting, key=likeness)

    def argument(self, param: t.Param, arg: t.Expr) -> Value:
        if not param.reference:
            return self.expressions.as_type(arg, param.type)
        place = self.places.place_of(arg)
        if place is None or place.constant:
            self.names.refuse("wrong-types", arg.at, f"{param.name} stands for a variable; a plain value is given")
            return NOTHING
        if isinstance(arg, t.Name) and (variable := self.names.find(arg.name)):
            variable.used = True
        return self.places.address_of(place)


def wants(name: str, least: int, most: int, given: int) -> str:
    wants = str(least) if least == most else f"{least} to {most}"
    return f"{name} takes {wants} values, {given} are given"


def _likeness(kind: Type, wanted: Type) -> int:
    if kind == wanted:
        return 4
    if isinstance(kind, Array) and isinstance(wanted, Pointer):
        return 4 if kind.of == wanted.of else 1
    if isinstance(kind, Int) and isinstance(wanted, Int):
        return 2
    if kind == FLOAT or wanted == FLOAT:
        return 1
    return -4 if isinstance(kind, Struct) or isinstance(wanted, Struct) or TEXT in (kind, wanted) else 0
