"""Expressions as closures: names, operators, items of arrays, fields of records, pointers."""

from typing import Any

from verifex.core.program import arithmetic
from verifex.core.program import tree as t
from verifex.core.program.boards import BINARY
from verifex.core.program.compiler.names import CompileContext, ForwardReferences, Frame, Typed, Value, Variable
from verifex.core.program.compiler.places import Places
from verifex.core.program.devices import LibraryConstant, no_reading
from verifex.core.program.operands import constant, local
from verifex.core.program.runtime import clocks
from verifex.core.program.types import (
    BOOL,
    CHAR,
    FLOAT,
    LONG,
    OPAQUE,
    TEXT,
    VOID,
    Array,
    Int,
    Object,
    Pointer,
    Routine,
    Struct,
    Type,
    as_float32,
    size_of,
)

FOR_POINTERS = ("+", "-", "<", ">", "<=", ">=", "==", "!=", "&&", "||", "and", "or")
NULLS = ("NULL", "nullptr")
ADDRESS_OF_TEMPORARY = "&()"  # where a record lies that no variable holds: what a method is called on
BUSES = ("Wire", "SPI", "Serial")  # objects of the board that may be handed on


class Expressions:
    """Each expression becomes a function of the frame, with its type known beforehand."""

    def __init__(self, names: CompileContext, places: Places, later: ForwardReferences) -> None:
        self.names, self.places, self.later = names, places, later

    def truth(self, node: t.Expr) -> Value:
        value, kind = self.value(node)
        return (lambda frame: value(frame) is not None) if isinstance(kind, Pointer | Routine) else value

    def as_type(self, node: t.Expr, kind: Type) -> Value:
        """The expression converted to `kind`."""
        if isinstance(node, t.Items) and isinstance(kind, Struct):
            return self.later.filled(kind, node)
        return self.converted_to(self.value(node), kind, node.at)

    def converted_to(self, made: Typed, kind: Type, at: t.At) -> Value:
        """What an expression gives, converted to `kind`."""
        value, own = made
        if own == OPAQUE and kind != OPAQUE:
            self.names.program.unsupported.append(t.Unsupported(at, "what only a library knows the value of"))
            return lambda frame: 0
        if _cannot_be(own, kind):
            self.names.refuse("wrong-types", at, f"{_type_text(own)} cannot be taken for {_type_text(kind)}")
            return lambda frame: 0
        return arithmetic.converted(value, own, kind, at, self.names.machine)

    def value(self, node: t.Expr) -> Typed:
        """An expression made ready. It is made once: who asks for its type only takes no second look at what is in it."""
        if isinstance(node, t.Number | t.Text | t.Name):
            return self._value(node)
        made = self.names.scope.made[self.names.in_library > 0]
        known = made.get(node)
        if known is None:
            known = made[node] = self._value(node)
        return known

    def _value(self, node: t.Expr) -> Typed:
        match node:
            case t.Number():
                return constant(as_float32(node.value) if node.type == FLOAT else node.value), node.type
            case t.Text():
                return constant(node.value), TEXT
            case t.Name():
                return self._read_name(node)
            case t.Unary():
                return self._unary(node)
            case t.Binary():
                asks = self.names.has_library and not self.names.in_library and self._asks_a_library(node)
                self.names.in_library += asks
                left, right = self.value(node.left), self.value(node.right)
                self.names.in_library -= asks
                meant = self._own_operator(node, left[1], right[1])
                return self.later.call(meant) if meant else self.binary(node, left, right)
            case t.Assign():
                return self.later.assign(node)
            case t.Step():
                return self.later.step(node)
            case t.Choice():
                return self._choice(node)
            case t.Comma():
                first, (second, kind) = self.value(node.left)[0], self.value(node.right)

                def both(frame: Frame) -> Any:
                    first(frame)
                    return second(frame)

                return both, kind
            case t.Index() | t.Field():
                return self._read_place(node)
            case t.Cast(operand=t.Items() as items, type=Struct() as record):
                return self.as_type(items, record), record
            case t.Cast(operand=t.Call(name="malloc" | "calloc") as call, type=Pointer(of=kind)) if not self._is_own(
                call
            ):
                sizes = [t.Binary(call.at, "*", *call.args)] if len(call.args) == 2 else [*call.args]
                return self.later.new(t.New(call.at, kind, _in_bytes(kind, sizes[0]), ()))
            case t.Cast():
                value, own = self.value(node.operand)
                # Who cuts a whole number down in so many words means it; a float too large is still a fault.
                noted = self.names.machine if own == FLOAT and node.type != CHAR else None
                return arithmetic.converted(value, own, node.type, node.at, noted), node.type
            case t.SizeOf():
                kind = node.type or (self.value(node.operand)[1] if node.operand else VOID)
                size = size_of(kind)
                return (lambda frame: size), self.names.widths.unsigned
            case t.Call():
                return self.later.call(node)
            case t.New():
                return self.later.new(node)
            case t.InlineFunction():
                return self.later.lambda_(node)
            case t.Held():
                box = node.box
                return (lambda frame: (box, 0)), Pointer(node.type)
            case t.Items():
                self.names.refuse("not-assignable", node.at, "{ }")
                return (lambda frame: 0), self.names.widths.int
        raise TypeError(node)

    def _is_own(self, call: t.Call) -> bool:
        return call.receiver is not None or not call.args or bool(self.names.program.named(call.name))

    def _own_operator(self, node: t.Binary, left: Type, right: Type) -> t.Call | None:
        """The call that an operator on records is, where the program says what it does."""
        name = f"operator{node.op}"
        if isinstance(left, Struct) and self.names.program.named(f"{left.name}::{name}"):
            return t.Call(node.at, name, (node.right,), on=node.left)
        if (isinstance(left, Struct) or isinstance(right, Struct)) and self.names.program.named(name):
            return t.Call(node.at, name, (node.left, node.right))
        return None

    def own_assignment(self, node: t.Assign) -> t.Call | None:
        """The call that `+=` and its like are on a record whose kind says what they do."""
        if not isinstance(node.target, t.Name | t.Field | t.Index):
            return None
        if (
            isinstance(node.target, t.Name)
            and self.names.find(node.target.name) is None
            and self.names.own_field(node.target.name) is None
        ):
            return None
        kind = self.type_of(node.target)
        if not isinstance(kind, Struct) or not self.names.program.named(f"{kind.name}::operator{node.op}"):
            return None
        return t.Call(node.at, f"operator{node.op}", (node.value,), on=node.target)

    def _asks_a_library(self, node: t.Expr) -> bool:
        """Whether something in an expression is asked of a library's object."""
        calls = [call for call in t.walk(node) if isinstance(call, t.Call) and call.receiver]
        found = [self.names.find(call.receiver or "") for call in calls]
        return any(variable is not None and isinstance(variable.kind, Object) for variable in found)

    def binary(self, node: t.Binary, left: Typed, right: Typed) -> Typed:
        for side in (node.left, node.right):
            if isinstance(side, t.Name) and side.name in self.names.opaque:
                self.names.program.unknown_constants.append(side.name)
                self.names.program.unsupported.append(
                    t.Unsupported(side.at, f"the value of `{side.name}`, of a library,")
                )
        if OPAQUE in (left[1], right[1]):
            self.names.program.unsupported.append(t.Unsupported(node.at, "what only a library knows the value of"))
            return (lambda frame: 0), self.names.widths.int
        for _, kind in (left, right):
            if isinstance(kind, Struct | Object) or kind == VOID:
                self.names.refuse("wrong-types", node.at, f"`{node.op}` does not work on {kind}")
                return (lambda frame: 0), self.names.widths.int
        if node.op in ("==", "!=") and _is_address_of_text(node, left[1], right[1]):
            return constant(int(node.op == "!=")), BOOL
        if node.op == "+" and isinstance(node.left, t.Text) and (right[1] != TEXT or isinstance(node.right, t.Text)):
            return self._advanced(node, left[0], right)
        if any(isinstance(kind, Array | Pointer) for _, kind in (left, right)) and node.op not in FOR_POINTERS:
            self.names.refuse("wrong-types", node.at, f"`{node.op}` does not work on a list")
            return (lambda frame: 0), self.names.widths.int
        if node.op != "+" and node.op not in ("&&", "||", "and", "or") and _text_and_number(left[1], right[1]):
            self.names.refuse("wrong-types", node.at, f"`{node.op}` does not work on a text and a number")
            return (lambda frame: 0), self.names.widths.int
        timed = clocks.side_of(node, self.names.clocks)
        if timed is not None:
            asked = any(isinstance(n, t.Call) for n in t.walk(node))

            def compared(a: Value, b: Value) -> Value:
                return arithmetic.binary(
                    node.op, (a, left[1]), (b, right[1]), node.at, self.names.machine, self.names.widths
                )[0]

            return clocks.watched(compared, left[0], right[0], *timed, self.names.machine, asked=asked), BOOL
        return arithmetic.binary(node.op, left, right, node.at, self.names.machine, self.names.widths)

    def _advanced(self, node: t.Binary, text: Value, right: Typed) -> Typed:
        """A text in quotes is the address of its first letter: a whole number added to it moves that on."""
        number, kind = right
        if not isinstance(kind, Int):
            self.names.refuse(
                "wrong-types",
                node.at,
                "a text in quotes and this value cannot be added; write String(…) around the text",
            )
            return text, TEXT
        holder, at = self.names.machine, node.at

        def run(frame: Frame) -> str:
            holder[0].runtime_faults[("text-plus-number", at)] += 1
            said: str = text(frame)
            return said[min(len(said), max(0, number(frame))) :]

        return run, TEXT

    def _read_name(self, node: t.Name) -> Typed:
        variable = self.names.find(node.name)
        if variable is not None:
            variable.used = True
            self.refuse_early(variable, node)
            if variable.reference:
                place = self.places.of_name(node)
                assert place is not None
                return self.places.read(place, node.at), variable.kind
            index = variable.index
            if variable.is_global:
                cells = self.names.globals
                return (lambda frame: cells[index]), variable.kind
            return local(index), variable.kind
        if (own := self.names.own_field(node.name)) is not None:
            return self._read_place(own)
        if node.name in self.names.constants:
            value, kind = self.names.constants[node.name]
            return constant(value), kind
        if node.name in BINARY:
            return constant(BINARY[node.name]), self.names.widths.int
        if node.name in NULLS:
            return (lambda frame: None), Pointer(VOID)
        if node.name in self.names.program.functions:
            function = self.names.program.functions[node.name]
            return constant(node.name), Routine(tuple(param.type for param in function.params), function.result)
        if node.name in self.names.program.declared.constants:
            return self._library_constant(self.names.program.declared.constants[node.name])
        if self.names.has_library and (stands_for := no_reading(node.name)) is not None:
            return constant(stands_for), FLOAT
        self.names.refuse_unknown(node.name, node.at)
        opaque = LibraryConstant(0) if node.name in self.names.opaque else 0
        return (lambda frame: opaque), self.names.widths.int

    def _library_constant(self, stands_for: float | str) -> Typed:
        """A constant as the exercise says: a kind of module, a whole number or a float."""
        if isinstance(stands_for, str):
            return constant(LibraryConstant.of_module(stands_for)), self.names.widths.int
        if stands_for == int(stands_for):
            fits = -(2**15) <= stands_for < 2**15
            return constant(int(stands_for)), self.names.widths.int if fits else LONG
        return constant(as_float32(stands_for)), FLOAT

    def refuse_early(self, variable: Variable, node: t.Name) -> None:
        """A name is known from its declaration on, and not above it."""
        if variable.is_global and (variable.at.line, variable.at.column) > (node.at.line, node.at.column) > (0, 0):
            self.names.refuse("name-undeclared", node.at, node.name, node.name)

    def _read_place(self, node: t.Expr) -> Typed:
        if isinstance(node, t.Index):
            base = self.value(node.base)
            if base[1] == TEXT:
                return self._letter(base[0], self.places.position(node.index)), CHAR
            place = self.places.of_item(node, base)
        else:
            place = self.places.place_of(node)
        if place is None:
            if isinstance(node, t.Index):
                self.names.refuse("not-assignable", node.at, "[ ]")
            return (lambda frame: 0), self.names.widths.int
        return self.places.read(place, node.at), place.kind

    def _letter(self, base: Value, index: Value) -> Value:
        def letter(frame: Frame) -> int:
            text, position = base(frame), int(index(frame))
            return CHAR.wrap(ord(text[position])) if 0 <= position < len(text) else 0

        return letter

    def _unary(self, node: t.Unary) -> Typed:
        if node.op == ADDRESS_OF_TEMPORARY:
            made, own_kind = self.value(node.operand)
            return (lambda frame: ([made(frame)], 0)), Pointer(own_kind)
        if node.op == "&":
            place = self.places.place_of(node.operand)
            if place is None and isinstance(node.operand, t.Name) and node.operand.name in BUSES:
                return constant(None), Pointer(VOID)
            if place is None:
                if isinstance(node.operand, t.Name) and node.operand.name in self.names.program.functions:
                    return self.value(node.operand)
                if isinstance(node.operand, t.Name) and node.operand.name not in self.names.constants:
                    self.names.refuse_unknown(node.operand.name, node.operand.at)
                else:
                    self.names.refuse("not-assignable", node.at, "&")
                return (lambda frame: None), Pointer(VOID)
            if isinstance(node.operand, t.Name) and (variable := self.names.find(node.operand.name)):
                variable.used = True
            return self.places.address_of(place), Pointer(place.kind)
        if node.op == "*":
            place = self.places.place_of(node)
            if place is None:
                self.names.refuse("wrong-types", node.at, "`*` wants a pointer")
                return (lambda frame: 0), self.names.widths.int
            return self.places.read(place, node.at), place.kind
        if node.op == "!":
            truth = self.truth(node.operand)
            return (lambda frame: int(not truth(frame))), BOOL
        value, kind = self.value(node.operand)
        return arithmetic.unary(node.op, value, kind, self.names.widths, node.at, self.names.machine)

    def _choice(self, node: t.Choice) -> Typed:
        condition = self.truth(node.condition)
        yes, no = self.value(node.yes), self.value(node.no)
        if yes[1] == no[1]:
            a, b, kind = yes[0], no[0], yes[1]
        else:
            kind = TEXT if TEXT in (yes[1], no[1]) else self.names.widths.common(yes[1], no[1])
            a = arithmetic.converted(yes[0], yes[1], kind, node.at, self.names.machine)
            b = arithmetic.converted(no[0], no[1], kind, node.at, self.names.machine)
        return (lambda frame: a(frame) if condition(frame) else b(frame)), kind

    def type_of(self, node: t.Expr) -> Type:
        return self.value(node)[1]


def _in_bytes(kind: Type, size: t.Expr) -> t.Expr:
    """How many values of a type so many bytes hold."""
    return t.Binary(size.at, "/", size, t.Number(size.at, max(1, size_of(kind)), LONG))


def _is_address_of_text(node: t.Binary, left: Type, right: Type) -> bool:
    """Whether a list of characters is held against a text in quotes: their addresses are compared, and those always differ."""
    sides = ((node.left, right), (node.right, left))
    return any(isinstance(one, t.Text) and isinstance(other, Array | Pointer) for one, other in sides)


def _cannot_be(own: Type, wanted: Type) -> bool:
    """What no conversion turns into the other: a record or a library's object is only ever itself."""
    if own == wanted or wanted == VOID:
        return False
    if own == TEXT and (isinstance(wanted, Int) or wanted == FLOAT):
        return True
    return own == VOID or isinstance(own, Struct | Object) or isinstance(wanted, Struct | Object)


def _text_and_number(one: Type, other: Type) -> bool:
    numbers = [isinstance(kind, Int) or kind in (FLOAT, BOOL) for kind in (one, other)]
    return TEXT in (one, other) and any(numbers)


def _type_text(kind: Type) -> str:
    words = {VOID: "a call that gives nothing", TEXT: "a text", FLOAT: "a float"}
    if kind in words:
        return words[kind]
    return "a whole number" if isinstance(kind, Int) else f"`{kind}`"
