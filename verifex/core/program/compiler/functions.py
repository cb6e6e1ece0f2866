"""Calls of the program's own functions as closures."""

from dataclasses import dataclass
from typing import Any

from verifex.core.program import tree as t
from verifex.core.program.compiler.expressions import Expressions
from verifex.core.program.compiler.names import Action, CompileContext, Frame, Typed, Value
from verifex.core.program.compiler.places import Place, Places
from verifex.core.program.compiler.templates import bound_by, made_for
from verifex.core.program.types import FLOAT, PORT, TEXT, Array, Int, Object, Pointer, Routine, Struct, Type, is_chars

NOTHING: Value = lambda frame: 0  # noqa: E731


@dataclass(frozen=True, slots=True)
class Closure:
    """A function without a name, with what it took of its surroundings when it was made."""

    action: Action
    slots: int
    taken: Frame


class Functions:
    """The function a call means, and its values turned into what the function takes."""

    def __init__(self, names: CompileContext, places: Places, expressions: Expressions) -> None:
        self.names, self.places, self.expressions = names, places, expressions
        #: Bodies by key, with the slots they need; filled while statements are compiled.
        self.bodies: dict[str, tuple[Action, int]] = {}
        #: Functions of templates by key, made for the types of a call.
        self.made: dict[str, t.Function] = {}

    def call(self, own: list[tuple[str, t.Function]], node: t.Call, before: tuple[t.Expr, ...] = ()) -> Typed:
        """A call of one of these functions; `before` is what comes in front of the values that are written, to those that take
        the record they are called on."""
        if not any(param.name == "this" for _, f in own for param in f.params[:1]):
            before = ()
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
        if function.open:
            kinds = [self.expressions.type_of(value) for value in values]
            bound = bound_by(function, kinds, node.types)
            if bound is None:
                self.names.program.unsupported.append(t.Unsupported(node.at, f"the call `{node.name}` without types"))
                return NOTHING, self.names.widths.int
            key, function = f"{key}<{', '.join(map(str, bound.values()))}>", made_for(function, bound)
            self.made.setdefault(key, function)
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

        return self._result(run, function, at)

    def _result(self, run: Value, function: t.Function, at: t.At) -> Typed:
        """What a call gives: a value, or what lies at the place that comes out."""
        if not function.gives_place:
            return run, function.result
        place = Place(function.result, pair=run, name=f"{function.name}()")
        read = self.places.read(place, at)

        def value(frame: Frame) -> Any:
            return read(frame)

        vars(value)["where"] = run
        return value, function.result

    def kept(self, node: t.Call, value: Value, kind: Routine) -> Typed:
        """A call of a function that a variable keeps."""
        if len(node.args) != len(kind.takes):
            said = wants(node.name or "it", len(kind.takes), len(kind.takes), len(node.args))
            self.names.refuse("call-arguments", node.at, said)
            return NOTHING, kind.result
        args = [self.expressions.as_type(arg, taken) for arg, taken in zip(node.args, kind.takes, strict=True)]
        bodies, holder, at = self.bodies, self.names.machine, node.at

        def run(frame: Frame) -> Any:
            machine = holder[0]
            machine.step(at)
            called = value(frame)
            if called is None:
                machine.runtime_faults[("points-nowhere", at)] += 1
                return 0
            machine.enter(at)
            if isinstance(called, Closure):
                action, slots, taken = called.action, called.slots, called.taken
            else:
                (action, slots), taken = bodies[called], []
            inner: Frame = [arg(frame) for arg in args] + taken
            machine.returned = 0
            action(inner + [0] * (slots - len(inner)))
            machine.depth -= 1
            return machine.returned

        return run, kind.result

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
        if param.type == PORT and isinstance(arg, t.Name) and arg.name == "Serial":
            return NOTHING
        place = self.places.place_of(arg)
        if param.type == PORT and place is not None and isinstance(place.kind, Object):
            self.names.program.unsupported.append(t.Unsupported(arg.at, f"`{place.name}` in place of the serial port"))
            return NOTHING
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
    if kind == TEXT and is_chars(wanted):
        return 3
    if TEXT in (kind, wanted) and (isinstance(kind, Int) or isinstance(wanted, Int) or FLOAT in (kind, wanted)):
        return -4
    if isinstance(kind, Array) and isinstance(wanted, Pointer):
        return 4 if kind.of == wanted.of else 1
    if isinstance(kind, Int) and isinstance(wanted, Int):
        return 2
    if kind == FLOAT or wanted == FLOAT:
        return 1
    return -4 if isinstance(kind, Struct) or isinstance(wanted, Struct) or TEXT in (kind, wanted) else 0
