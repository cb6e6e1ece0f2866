"""Calls as closures: the program's own functions, the board's call set, methods of texts and of libraries."""

from dataclasses import replace
from difflib import get_close_matches
from typing import Any

from verifex.core.program import arithmetic
from verifex.core.program import tree as t
from verifex.core.program.boards import OWN_HEADERS
from verifex.core.program.calls import CALLS, Spec, devices
from verifex.core.program.calls.texts import METHODS, METHODS_NOT_SUPPORTED, Method
from verifex.core.program.compiler.expressions import ADDRESS_OF_TEMPORARY, Expressions
from verifex.core.program.compiler.functions import NOTHING, Functions, wants
from verifex.core.program.compiler.names import CompileContext, Frame, Typed, Value
from verifex.core.program.compiler.places import Places
from verifex.core.program.compiler.records import Records
from verifex.core.program.devices import UNIT_WORDS, Meaning, meaning_of
from verifex.core.program.runtime.machine import Ended
from verifex.core.program.types import (
    CHAR,
    FLOAT,
    FUNCTION,
    PORT,
    TEXT,
    VOID,
    Array,
    Int,
    Object,
    Pointer,
    Routine,
    Struct,
    Type,
    is_chars,
)
from verifex.core.program.values import chars_read

UNSUPPORTED_CALLS = ("SPI.transfer",)  # no module of ours answers to single bytes so
PRINTS = ("Serial.print", "Serial.println")
EVENT_CALLS = ("getEvent", "getSensor")  # of libraries that put what they measured into a record
CALL_STEPS = 6  # what a call of the board costs us beside a sum


def _as_text(value: Value) -> Value:
    """The text in an array of characters."""
    return lambda frame: chars_read(value(frame))


class Calls:
    """What a call runs, with its arguments converted to what is taken."""

    def __init__(
        self, names: CompileContext, places: Places, expressions: Expressions, functions: Functions, records: Records
    ) -> None:
        self.names, self.places, self.expressions = names, places, expressions
        self.functions, self.records = functions, records

    def call(self, node: t.Call) -> Typed:
        name = f"{node.receiver}.{node.name}" if node.receiver else node.name
        if self._is_port(node):
            return self.call(replace(node, receiver="Serial", on=None))
        if node.on is not None and not node.name:
            return self._of_a_value(node, node.on)
        if node.on is not None:
            return self._method(node, node.on)
        if not node.receiver and (kept := self._kept(node)) is not None:
            return kept
        if not node.receiver and (own := self.names.program.named(node.name)):
            # `Sensor::begin()` inside a record that is made from that one: on the record itself.
            return self.functions.call(own, node, (t.Name(node.at, "this"),) if "::" in node.name else ())
        owner = self.names.owner
        if not node.receiver and owner and self.records.own_ways(owner, node.name):
            this = self.expressions.value(t.Name(node.at, "this"))[0]
            return self.records.found_at_run(owner, node, this)
        if not node.receiver and self.names.owner and (own := self.records.methods_of(self.names.owner, node.name)):
            return self.functions.call(own, node, (t.Name(node.at, "this"),))
        if not node.receiver and node.name in self.names.program.records:
            return self.records.built(self.names.program.records[node.name], node)
        if name in UNSUPPORTED_CALLS:
            self.names.program.unsupported.append(t.Unsupported(node.at, f"`{name}` to a module, byte by byte"))
        # Some are other ones with another number of values.
        spec = CALLS.get(f"{name}/{len(node.args)}") or CALLS.get(name)
        if spec is not None and spec.int_bits <= self.names.widths.int_bits:
            program = self.names.program
            included = [header for header, _ in program.includes]
            if node.receiver in OWN_HEADERS and not program.libraries and OWN_HEADERS[node.receiver] not in included:
                self.names.refuse("include-missing", node.at, node.receiver, OWN_HEADERS[node.receiver])
            return self._board_call(spec, node)
        if node.receiver and self.names.find(node.receiver):
            return self._method(node, t.Name(node.at, node.receiver))
        known_receiver = node.receiver is None or node.receiver == "Serial"
        self.names.refuse_unknown(name if known_receiver else node.receiver or "", node.at)
        for arg in node.args:
            self.expressions.value(arg)  # its arguments may hold more to refuse
        return NOTHING, self.names.widths.int

    def _is_port(self, node: t.Call) -> bool:
        """Whether a method is called of another name for the serial port."""
        on = t.Name(node.at, node.receiver) if node.receiver and self.names.find(node.receiver) else node.on
        if not node.name or not isinstance(on, t.Name | t.Field | t.Unary):
            return False
        kind = self.expressions.type_of(on)
        return kind == PORT or (isinstance(kind, Pointer) and kind.of == PORT)

    def _kept(self, node: t.Call) -> Typed | None:
        """A call of a variable that keeps a function; None for a name that is none."""
        name = t.Name(node.at, node.name)
        if self.names.find(node.name) is None and self.names.own_field(node.name) is None:
            return None
        value, kind = self.expressions.value(name)
        return self.functions.kept(node, value, kind) if isinstance(kind, Routine) else None

    def _of_a_value(self, node: t.Call, on: t.Expr) -> Typed:
        """A call of what an expression gives."""
        value, kind = self.expressions.value(on)
        if isinstance(kind, Routine):
            return self.functions.kept(node, value, kind)
        self.names.refuse("wrong-types", node.at, f"{_shown(kind)} is no function")
        return NOTHING, self.names.widths.int

    def _board_call(self, spec: Spec, node: t.Call) -> Typed:
        if not spec.least <= len(node.args) <= len(spec.takes) and not spec.open_ended:
            self.names.refuse("call-arguments", node.at, wants(spec.name, spec.least, len(spec.takes), len(node.args)))
            return NOTHING, self.names.widths.int
        values, kinds = [], []
        for position, arg in enumerate(node.args):
            taken = spec.takes[min(position, len(spec.takes) - 1)]
            if taken == "place":
                values.append(self.functions.argument(t.Param("the variable", VOID, reference=True), arg))
                kinds.append(self.expressions.type_of(arg))
                continue
            value, kind = self.expressions.value(arg)
            if taken == FUNCTION and not isinstance(kind, Routine):
                self.names.refuse("wrong-types", arg.at, f"{spec.name} wants the name of a function, without brackets")
            if taken == "where" and kind == TEXT:
                value, kind = arithmetic.converted(value, kind, Pointer(CHAR), arg.at, None), Pointer(CHAR)
            if taken == "where" and not isinstance(kind, Array | Pointer) and getattr(value, "const", None) != 0:
                self.names.refuse("wrong-types", arg.at, f"{spec.name} wants an array here, or where something lies")
            if taken == "any" and is_chars(kind):
                value, kind = _as_text(value), TEXT
            if not isinstance(taken, str) and kind == TEXT and (isinstance(taken, Int) or taken == FLOAT):
                self.names.refuse("wrong-types", arg.at, f"{spec.name} wants a number here, and a text is given")
            if spec.name in PRINTS and isinstance(kind, Int) and kind.bits == 64 and self.names.widths.int_bits == 16:
                self.names.refuse(
                    "wrong-types", arg.at, f"{spec.name} knows no numbers of 64 bits; (long) cuts one down"
                )
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
                gives = self.names.widths.common(gives, kind)
            values = [arithmetic.converted(v, k, gives, node.at, None) for v, k in zip(values, kinds, strict=True)]
        else:
            gives = spec.gives
        if gives == Int(16, True):
            gives = self.names.widths.int
        act, us, at, types, holder = spec.act, spec.us, node.at, tuple(kinds), self.names.machine
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

    def _where(self, at: t.At, on: t.Expr) -> t.Expr:
        is_held = isinstance(on, t.Name | t.Index | t.Field) or (isinstance(on, t.Unary) and on.op == "*")
        is_held = is_held or (isinstance(on, t.Call) and self.places.place_of(on) is not None)
        return t.Unary(at, "&" if is_held else ADDRESS_OF_TEMPORARY, on)

    def _method(self, node: t.Call, on: t.Expr) -> Typed:
        if (asked := self._sensor_of_event(node, on)) is not None:
            return self._event(node, asked)
        value, kind = self.expressions.value(on)
        if isinstance(kind, Object):
            return self._device_call(node, value, on)
        record = self.names.whole(kind.of) if isinstance(kind, Pointer) else kind
        if isinstance(record, Struct):
            kept = record.field(node.name)
            if kept is not None and isinstance(kept[1], Routine):
                return self._of_a_value(node, t.Field(node.at, on, node.name, isinstance(kind, Pointer)))
            where = on if isinstance(kind, Pointer) else self._where(node.at, on)
            if self.records.own_ways(record, node.name):
                return self.records.found_at_run(record, node, self.expressions.value(where)[0])
            methods = self.records.methods_of(record, node.name)
            if methods:
                return self.functions.call(
                    methods, node, (on if isinstance(kind, Pointer) else self._where(node.at, on),)
                )
            known = [
                f.name.split("::")[1]
                for f in self.names.program.functions.values()
                if f.name.startswith(f"{record.name}::")
            ]
            near = next((k for k in known if k.lower() == node.name.lower()), None)
            self.names.refuse("no-method", node.at, f"{record} has no {node.name}()", near)
            return NOTHING, self.names.widths.int
        if kind != TEXT:
            self.names.refuse("no-method", node.at, f"{_shown(kind)} has no {node.name}()")
            return NOTHING, self.names.widths.int
        method = METHODS.get(node.name)
        if method is None and node.name in METHODS_NOT_SUPPORTED:
            self.names.program.unsupported.append(t.Unsupported(node.at, f"`{node.name}` of a text"))
            return NOTHING, self.names.widths.int
        if method is None:
            near = next((name for name in METHODS if name.lower() == node.name.lower()), None)
            self.names.refuse("no-method", node.at, f"a text has no {node.name}()", near)
            return NOTHING, self.names.widths.int
        if not method.least <= len(node.args) <= len(method.takes):
            self.names.refuse(
                "call-arguments", node.at, wants(node.name, method.least, len(method.takes), len(node.args))
            )
            return NOTHING, method.gives
        args = []
        for taken, arg in zip(method.takes, node.args, strict=False):
            given, own = self.expressions.value(arg)
            wanted = TEXT if taken == "text" else taken
            args.append(arithmetic.converted(given, own, wanted, arg.at, None))
        return self._method_run(method, node, on, value, args)

    def _sensor_of_event(self, node: t.Call, on: t.Expr) -> t.Expr | None:
        """The library's object that is asked for an event: `sensor.getEvent(&e)`, `sensor.humidity().getEvent(&e)`."""
        if node.name not in EVENT_CALLS or len(node.args) != 1:
            return None
        if isinstance(on, t.Call):
            named = t.Name(on.at, on.receiver) if on.receiver else on.on
            on = named if named is not None else on
        return on if isinstance(self.expressions.type_of(on), Object) else None

    def _event(self, node: t.Call, on: t.Expr) -> Typed:
        """All that a module measures, put into the record that is given."""
        device, (event, _), at = self.expressions.value(on)[0], self.expressions.value(node.args[0]), node.at
        name, holder = on.name if isinstance(on, t.Name) else "", self.names.machine
        part = meaning_of(node.on.name) if isinstance(node.on, t.Call) else None
        only = part.quantity if part is not None and part.does == "measures" else ""

        def run(frame: Frame) -> Any:
            machine, asked = holder[0], device(frame)
            machine.step(at)
            machine.activity += 1
            asked.name = asked.name or name
            return devices.fill_event(machine, at, asked, event(frame), only)

        return run, self.names.widths.int

    def _device_call(self, node: t.Call, value: Value, on: t.Expr) -> Typed:
        """A method of a library's object, by what its words say."""
        kind = self.expressions.type_of(on)
        declared = self.names.program.declared.classes.get(kind.class_name) if isinstance(kind, Object) else None
        named = f"{kind}.{node.name}"
        said = self.names.program.declared.methods.get(named)
        meaning = declared.methods.get(node.name) if declared else said or meaning_of(node.name)
        if declared and meaning is None:
            near = get_close_matches(node.name, declared.methods, n=1, cutoff=0.5)
            self.names.refuse("no-method", node.at, f"{kind} has no {node.name}()", near[0] if near else None)
            return NOTHING, self.names.widths.int
        if meaning is None:
            self.names.program.unknown_methods.append(named)
            self.names.program.unsupported.append(t.Unsupported(node.at, f"`{node.name}` of a library"))
            return NOTHING, self.names.widths.int
        args, kinds = [], []
        for arg in node.args:
            unit = UNIT_WORDS.get(arg.name) if isinstance(arg, t.Name) and not self.names.find(arg.name) else None
            if unit is not None and meaning.does in ("measures", "takes"):
                meaning = Meaning("measures", "cm", unit)
                continue
            self.names.in_library += 1
            given, own = self.expressions.value(arg)
            self.names.in_library -= 1
            text = is_chars(own)
            args.append((lambda frame, v=given: chars_read(v(frame))) if text else given)
            kinds.append(TEXT if text else own)
        called = meaning.quantity if (declared or said) and meaning.does == "shows" else node.name
        types, at, holder, name = tuple(kinds), node.at, self.names.machine, on.name if isinstance(on, t.Name) else ""
        act: Any = {
            "measures": devices.measure,
            "takes": devices.take,
            "both": devices.take_both,
            "says": devices.say,
            "works-out": devices.work_out,
            "shows": devices.show,
            "identifies": devices.identify,
            "fills": devices.fill,
            "nothing": devices.prepare,
        }[meaning.does]

        def run(frame: Frame) -> Any:
            machine, device = holder[0], value(frame)
            machine.step(at)
            machine.activity += 1
            device.name = device.name or name
            return act(machine, at, device, meaning, called, types, [arg(frame) for arg in args])

        if meaning.does == "measures" and len(node.args) == 1 and kinds == [FLOAT]:
            place = self.places.place_of(node.args[0])
            if place is not None and not place.constant:
                return self.places.write(place, run, at), FLOAT  # it is put into the variable that is given
        if meaning.does == "both":
            return run, Object("record")
        if meaning.does == "says" and meaning.quantity == "OK":
            return run, TEXT
        gives = (
            FLOAT if meaning.does in ("measures", "takes", "works-out") and not meaning.whole else self.names.widths.int
        )
        return run, self.names.widths.unsigned if meaning.whole else gives

    def _method_run(self, method: Method, node: t.Call, on: t.Expr, value: Value, args: list[Value]) -> Typed:
        act = method.act
        if not method.changes:
            gives = self.names.widths.int if method.gives == Int(16, True) else method.gives
            return (lambda frame: act(value(frame), *[arg(frame) for arg in args])), gives
        place = self.places.place_of(on)
        if place is None or place.constant:
            self.names.refuse("not-assignable", node.at, node.name)
            return NOTHING, method.gives
        return self.places.write(
            place, lambda frame: act(value(frame), *[arg(frame) for arg in args]), node.at
        ), method.gives


def _shown(kind: Type) -> str:
    return "a whole number" if isinstance(kind, Int) else "a float" if kind == FLOAT else str(kind)
