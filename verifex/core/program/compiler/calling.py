"""Calls as closures: the program's own functions, the board's call set, methods of texts."""

from difflib import get_close_matches
from typing import Any

from verifex.core.program import arithmetic
from verifex.core.program import tree as t
from verifex.core.program.boards import OWN_HEADERS
from verifex.core.program.calls import CALLS, Spec, devices
from verifex.core.program.calls.texts import METHODS, Method
from verifex.core.program.compiler.names import Action, Frame, Value
from verifex.core.program.compiler.records import Records
from verifex.core.program.devices import meaning_of
from verifex.core.program.machine import Ended
from verifex.core.program.types import FLOAT, FUNCTION, TEXT, VOID, Array, Int, Object, Pointer, Struct, Type, is_chars
from verifex.core.program.values import chars_read

UNPLAYED = ("SPI.transfer",)  # no module of ours answers to single bytes so
PRINTS = ("Serial.print", "Serial.println")
CALL_STEPS = 6  # what a call of the board costs us beside a sum
NOTHING: Value = lambda frame: 0  # noqa: E731


class Calling(Records):
    """What a call runs, with its arguments converted to what is taken."""

    #: Bodies of the program's own functions by key, with the slots they need; filled while statements are compiled.
    bodies: dict[str, tuple[Action, int]]

    def _call(self, node: t.Call) -> tuple[Value, Type]:
        name = f"{node.receiver}.{node.name}" if node.receiver else node.name
        if node.on is not None:
            return self._method(node, node.on)
        if not node.receiver and (own := self.program.named(node.name)):
            return self._own_call(own, node)
        if not node.receiver and self.owner and (own := self._methods(self.owner, node.name)):
            return self._own_call(own, node, (t.Name(node.at, "this"),))
        if not node.receiver and node.name in self.program.records:
            return self._built(self.program.records[node.name], node)
        if name in UNPLAYED:
            self.program.unsupported.append(t.Unsupported(node.at, f"`{name}` to a module, byte by byte"))
        spec = CALLS.get(name)
        if spec is not None and spec.int_bits <= self.widths.int_bits:
            if node.receiver in OWN_HEADERS and not self.program.includes:
                self._refuse("include-missing", node.at, node.receiver, OWN_HEADERS[node.receiver])
            return self._board_call(spec, node)
        if node.receiver and self.scope.find(node.receiver):
            return self._method(node, t.Name(node.at, node.receiver))
        known_receiver = node.receiver is None or node.receiver == "Serial"
        self._unknown(name if known_receiver else node.receiver or "", node.at)
        for arg in node.args:
            self._expr(arg)  # its arguments may hold more to refuse
        return NOTHING, self.widths.int

    # -- the program's own functions ---------------------------------------------------------------

    def _own_call(
        self, own: list[tuple[str, t.Function]], node: t.Call, before: tuple[t.Expr, ...] = ()
    ) -> tuple[Value, Type]:
        """A call of one of these functions; `before` is what comes in front of the values that are written."""
        hidden, values = len(before), (*before, *node.args)
        fitting = [(key, f) for key, f in own if self._least(f) <= len(values) <= len(f.params)]
        if not fitting:
            function = own[0][1]
            least, most = self._least(function) - hidden, len(function.params) - hidden
            self._refuse("call-arguments", node.at, _wants(function.name.split("::")[-1], least, most, len(node.args)))
            return NOTHING, function.result
        key, function = self._best(fitting, values)
        given = [*values, *(p.default for p in function.params[len(values) :] if p.default is not None)]
        args = [self._argument(param, arg) for param, arg in zip(function.params, given, strict=True)]
        bodies, holder, at = self.bodies, self.machine, node.at

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

    def _least(self, function: t.Function) -> int:
        return sum(1 for param in function.params if param.default is None)

    def _best(self, fitting: list[tuple[str, t.Function]], values: tuple[t.Expr, ...]) -> tuple[str, t.Function]:
        """Of functions with one name, the one whose parameters are most like what is given."""
        if len(fitting) == 1:
            return fitting[0]
        kinds = [self._kind_of(arg) for arg in values]

        def likeness(entry: tuple[str, t.Function]) -> int:
            return sum(_likeness(kind, param.type) for kind, param in zip(kinds, entry[1].params, strict=False))

        return max(fitting, key=likeness)

    def _argument(self, param: t.Param, arg: t.Expr) -> Value:
        if not param.reference:
            return self._as(arg, param.type)
        place = self._place(arg)
        if place is None or place.constant:
            self._refuse("wrong-types", arg.at, f"{param.name} stands for a variable; a plain value is given")
            return NOTHING
        if isinstance(arg, t.Name) and (variable := self.scope.find(arg.name)):
            variable.used = True
        return self._where(place)

    # -- the board's call set ----------------------------------------------------------------------

    def _board_call(self, spec: Spec, node: t.Call) -> tuple[Value, Type]:
        if not spec.least <= len(node.args) <= len(spec.takes) and not spec.open_ended:
            self._refuse("call-arguments", node.at, _wants(spec.name, spec.least, len(spec.takes), len(node.args)))
            return NOTHING, self.widths.int
        values, kinds = [], []
        for position, arg in enumerate(node.args):
            taken = spec.takes[min(position, len(spec.takes) - 1)]
            if taken == "place":
                values.append(self._argument(t.Param("the variable", VOID, reference=True), arg))
                kinds.append(self._kind_of(arg))
                continue
            value, kind = self._expr(arg)
            if taken == FUNCTION and kind != FUNCTION:
                self._refuse("wrong-types", arg.at, f"{spec.name} wants the name of a function, without brackets")
            if taken == "any" and is_chars(kind):
                value, kind = (lambda frame, v=value: chars_read(v(frame))), TEXT  # type: ignore[misc]
            if not isinstance(taken, str) and kind == TEXT and (isinstance(taken, Int) or taken == FLOAT):
                self._refuse("wrong-types", arg.at, f"{spec.name} wants a number here, and a text is given")
            if spec.name in PRINTS and isinstance(kind, Int) and kind.bits == 64 and self.widths.int_bits == 16:
                self._refuse("wrong-types", arg.at, f"{spec.name} knows no numbers of 64 bits; (long) cuts one down")
            # Pins and levels are bytes to the board; what a student writes there is no overflow.
            values.append(
                value
                if isinstance(taken, str) or taken == FUNCTION
                else arithmetic.converted(value, kind, taken, arg.at, None)
            )
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
            machine.steps += CALL_STEPS
            machine.activity += not waits
            if machine.steps > machine.budget.steps:
                raise Ended("steps", at)
            if us:
                machine.spend_us(us)
                if machine.steps > machine.soft_steps:
                    machine.throttle()
            return act(machine, at, types, *[value(frame) for value in values])

        return run, gives

    # -- methods of texts --------------------------------------------------------------------------

    def _method(self, node: t.Call, on: t.Expr) -> tuple[Value, Type]:
        value, kind = self._expr(on)
        if isinstance(kind, Object):
            return self._device_call(node, value, on)
        record = kind.of if isinstance(kind, Pointer) else kind
        if isinstance(record, Struct):
            methods = self._methods(record, node.name)
            if methods:
                return self._own_call(methods, node, (on if isinstance(kind, Pointer) else t.Unary(node.at, "&", on),))
            known = [
                f.name.split("::")[1] for f in self.program.functions.values() if f.name.startswith(f"{record.name}::")
            ]
            near = next((k for k in known if k.lower() == node.name.lower()), None)
            self._refuse("no-method", node.at, f"{record} has no {node.name}()", near)
            return NOTHING, self.widths.int
        if kind != TEXT:
            self._refuse("no-method", node.at, f"{_shown(kind)} has no {node.name}()")
            return NOTHING, self.widths.int
        method = METHODS.get(node.name)
        if method is None:
            near = next((name for name in METHODS if name.lower() == node.name.lower()), None)
            self._refuse("no-method", node.at, f"a text has no {node.name}()", near)
            return NOTHING, self.widths.int
        if not method.least <= len(node.args) <= len(method.takes):
            self._refuse("call-arguments", node.at, _wants(node.name, method.least, len(method.takes), len(node.args)))
            return NOTHING, method.gives
        args = []
        for taken, arg in zip(method.takes, node.args, strict=False):
            given, own = self._expr(arg)
            wanted = TEXT if taken == "text" else taken
            args.append(arithmetic.converted(given, own, wanted, arg.at, None))
        return self._method_run(method, node, on, value, args)

    def _device_call(self, node: t.Call, value: Value, on: t.Expr) -> tuple[Value, Type]:
        """A method of a library's object, by what its words say."""
        kind = self._kind_of(on)
        declared = self.program.declared.get(kind.class_name) if isinstance(kind, Object) else None
        meaning = declared.methods.get(node.name) if declared else meaning_of(node.name)
        if declared and meaning is None:
            near = get_close_matches(node.name, declared.methods, n=1, cutoff=0.5)
            self._refuse("no-method", node.at, f"{kind} has no {node.name}()", near[0] if near else None)
            return NOTHING, self.widths.int
        if meaning is None:
            self.program.unsupported.append(t.Unsupported(node.at, f"`{node.name}` of a library"))
            return NOTHING, self.widths.int
        args, kinds = [], []
        for arg in node.args:
            given, own = self._expr(arg)
            text = is_chars(own)
            args.append((lambda frame, v=given: chars_read(v(frame))) if text else given)
            kinds.append(TEXT if text else own)
        called = meaning.quantity if declared and meaning.does == "shows" else node.name
        types, at, holder, name = tuple(kinds), node.at, self.machine, on.name if isinstance(on, t.Name) else ""
        act = {
            "measures": devices.measure,
            "shows": devices.show,
            "identifies": devices.identify,
            "nothing": devices.prepare,
        }[meaning.does]

        def run(frame: Frame) -> Any:
            machine, device = holder[0], value(frame)
            machine.step(at)
            machine.activity += 1
            device.name = device.name or name
            return act(machine, at, device, meaning, called, types, [arg(frame) for arg in args])

        return run, FLOAT if meaning.does == "measures" else self.widths.int

    def _method_run(
        self, method: Method, node: t.Call, on: t.Expr, value: Value, args: list[Value]
    ) -> tuple[Value, Type]:
        act = method.act
        if not method.changes:
            gives = self.widths.int if method.gives == Int(16, True) else method.gives
            return (lambda frame: act(value(frame), *[arg(frame) for arg in args])), gives
        place = self._place(on)
        if place is None or place.constant:
            self._refuse("not-assignable", node.at, node.name)
            return NOTHING, method.gives
        return self._write(place, lambda frame: act(value(frame), *[arg(frame) for arg in args]), node.at), method.gives


def _wants(name: str, least: int, most: int, given: int) -> str:
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


def _shown(kind: Type) -> str:
    return "a whole number" if isinstance(kind, Int) else "a float" if kind == FLOAT else str(kind)
