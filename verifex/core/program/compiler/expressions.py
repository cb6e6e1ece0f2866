"""Expressions as closures: names, operators, assignments, items of arrays, fields of records, pointers."""

from typing import Any

from verifex.core.program import arithmetic, clocks
from verifex.core.program import tree as t
from verifex.core.program.compiler.names import Frame, Value, Variable
from verifex.core.program.compiler.places import Places
from verifex.core.program.fast import constant, local
from verifex.core.program.types import (
    BOOL,
    CHAR,
    FLOAT,
    FUNCTION,
    TEXT,
    VOID,
    Array,
    Int,
    Object,
    Pointer,
    Struct,
    Type,
    as_float32,
    size_of,
)
from verifex.core.program.values import chars_read

FOR_POINTERS = ("+", "-", "<", ">", "<=", ">=", "==", "!=", "&&", "||", "and", "or")
NULLS = ("NULL", "nullptr")
BUSES = ("Wire", "SPI", "Serial")  # objects of the board that may be handed on


class Expressions(Places):
    """Each expression becomes a function of the frame, with its type known beforehand."""

    def _call(self, node: t.Call) -> tuple[Value, Type]:
        raise NotImplementedError

    def _truth(self, node: t.Expr) -> Value:
        value, kind = self._expr(node)
        return (lambda frame: value(frame) is not None) if isinstance(kind, Pointer) else value

    def _as(self, node: t.Expr, kind: Type) -> Value:
        """The expression converted to `kind`."""
        value, own = self._expr(node)
        if _cannot_be(own, kind):
            self._refuse("wrong-types", node.at, f"{_said(own)} cannot be taken for {_said(kind)}")
            return lambda frame: 0
        return arithmetic.converted(value, own, kind, node.at, self.machine)

    def _expr(self, node: t.Expr) -> tuple[Value, Type]:
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
                left, right = self._expr(node.left), self._expr(node.right)
                return self._binary(node, left, right)
            case t.Assign():
                return self._assign(node)
            case t.Step():
                return self._step(node)
            case t.Choice():
                return self._choice(node)
            case t.Comma():
                first, (second, kind) = self._expr(node.left)[0], self._expr(node.right)

                def both(frame: Frame) -> Any:
                    first(frame)
                    return second(frame)

                return both, kind
            case t.Index() | t.Field():
                return self._read_place(node)
            case t.Cast():
                value, own = self._expr(node.operand)
                # Who cuts a whole number down in so many words means it; a float too large is still a slip.
                noted = self.machine if own == FLOAT and node.type != CHAR else None
                return arithmetic.converted(value, own, node.type, node.at, noted), node.type
            case t.SizeOf():
                kind = node.type or (self._expr(node.operand)[1] if node.operand else VOID)
                size = size_of(kind)
                return (lambda frame: size), self.widths.unsigned
            case t.Call():
                return self._call(node)
            case t.Held():
                box = node.box
                return (lambda frame: (box, 0)), Pointer(node.type)
            case t.Items():
                self._refuse("not-assignable", node.at, "{ }")
                return (lambda frame: 0), self.widths.int
        raise TypeError(node)

    def _binary(self, node: t.Binary, left: tuple[Value, Type], right: tuple[Value, Type]) -> tuple[Value, Type]:
        for _, kind in (left, right):
            if isinstance(kind, Struct | Object) or kind == VOID:
                self._refuse("wrong-types", node.at, f"`{node.op}` does not work on {kind}")
                return (lambda frame: 0), self.widths.int
        if node.op == "+" and isinstance(node.left, t.Text) and (right[1] != TEXT or isinstance(node.right, t.Text)):
            return self._moved_on(node, left[0], right)
        if any(isinstance(kind, Array | Pointer) for _, kind in (left, right)) and node.op not in FOR_POINTERS:
            self._refuse("wrong-types", node.at, f"`{node.op}` does not work on a list")
            return (lambda frame: 0), self.widths.int
        if node.op != "+" and node.op not in ("&&", "||", "and", "or") and _text_and_number(left[1], right[1]):
            self._refuse("wrong-types", node.at, f"`{node.op}` does not work on a text and a number")
            return (lambda frame: 0), self.widths.int
        timed = clocks.side_of(node, self.clocks)
        if timed is not None:
            asked = any(isinstance(n, t.Call) for n in t.walk(node))

            def compared(a: Value, b: Value) -> Value:
                return arithmetic.binary(node.op, (a, left[1]), (b, right[1]), node.at, self.machine, self.widths)[0]

            return clocks.watched(compared, left[0], right[0], *timed, self.machine, asked=asked), BOOL
        return arithmetic.binary(node.op, left, right, node.at, self.machine, self.widths)

    def _moved_on(self, node: t.Binary, text: Value, right: tuple[Value, Type]) -> tuple[Value, Type]:
        """A text in quotes is the address of its first letter: a whole number added to it moves that on."""
        number, kind = right
        if not isinstance(kind, Int):
            self._refuse(
                "wrong-types",
                node.at,
                "a text in quotes and this value cannot be added; write String(…) around the text",
            )
            return text, TEXT
        holder, at = self.machine, node.at

        def run(frame: Frame) -> str:
            holder[0].runtime_faults[("text-plus-number", at)] += 1
            said: str = text(frame)
            return said[min(len(said), max(0, number(frame))) :]

        return run, TEXT

    def _read_name(self, node: t.Name) -> tuple[Value, Type]:
        variable = self.scope.find(node.name)
        if variable is not None:
            variable.used = True
            self._refuse_early(variable, node)
            if variable.reference:
                place = self._place_of_name(node)
                assert place is not None
                return self._read(place, node.at), variable.kind
            index = variable.index
            if variable.is_global:
                cells = self.globals
                return (lambda frame: cells[index]), variable.kind
            return local(index), variable.kind
        if (own := self._own_field(node.name)) is not None:
            return self._read_place(own)
        if node.name in self.constants:
            value, kind = self.constants[node.name]
            return constant(value), kind
        if node.name in NULLS:
            return (lambda frame: None), Pointer(VOID)
        if node.name in self.program.functions:
            name = node.name
            return (lambda frame: name), FUNCTION
        self._unknown(node.name, node.at)
        return (lambda frame: 0), self.widths.int

    def _refuse_early(self, variable: Variable, node: t.Name) -> None:
        """A name is known from its declaration on, and not above it."""
        if variable.is_global and (variable.at.line, variable.at.column) > (node.at.line, node.at.column) > (0, 0):
            self._refuse("name-undeclared", node.at, node.name, node.name)

    def _read_place(self, node: t.Expr) -> tuple[Value, Type]:
        if isinstance(node, t.Index):
            base, kind = self._expr(node.base)
            if kind == TEXT:
                return self._letter(base, self._expr(node.index)[0]), CHAR
        place = self._place(node)
        if place is None:
            if isinstance(node, t.Index):
                self._refuse("not-assignable", node.at, "[ ]")
            return (lambda frame: 0), self.widths.int
        return self._read(place, node.at), place.kind

    def _letter(self, base: Value, index: Value) -> Value:
        def letter(frame: Frame) -> int:
            text, position = base(frame), int(index(frame))
            return CHAR.wrap(ord(text[position])) if 0 <= position < len(text) else 0

        return letter

    def _unary(self, node: t.Unary) -> tuple[Value, Type]:
        if node.op == "&":
            place = self._place(node.operand)
            if place is None and isinstance(node.operand, t.Name) and node.operand.name in BUSES:
                return constant(None), Pointer(VOID)
            if place is None:
                if isinstance(node.operand, t.Name) and node.operand.name in self.program.functions:
                    return self._expr(node.operand)
                if isinstance(node.operand, t.Name) and node.operand.name not in self.constants:
                    self._unknown(node.operand.name, node.operand.at)
                else:
                    self._refuse("not-assignable", node.at, "&")
                return (lambda frame: None), Pointer(VOID)
            if isinstance(node.operand, t.Name) and (variable := self.scope.find(node.operand.name)):
                variable.used = True
            return self._where(place), Pointer(place.kind)
        if node.op == "*":
            place = self._place(node)
            if place is None:
                self._refuse("wrong-types", node.at, "`*` wants a pointer")
                return (lambda frame: 0), self.widths.int
            return self._read(place, node.at), place.kind
        if node.op == "!":
            truth = self._truth(node.operand)
            return (lambda frame: int(not truth(frame))), BOOL
        value, kind = self._expr(node.operand)
        return arithmetic.unary(node.op, value, kind, self.widths, node.at, self.machine)

    def _step(self, node: t.Step) -> tuple[Value, Type]:
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

    def _choice(self, node: t.Choice) -> tuple[Value, Type]:
        condition = self._truth(node.condition)
        yes, no = self._expr(node.yes), self._expr(node.no)
        if yes[1] == no[1]:
            a, b, kind = yes[0], no[0], yes[1]
        else:
            kind = TEXT if TEXT in (yes[1], no[1]) else self.widths.common(yes[1], no[1])
            a = arithmetic.converted(yes[0], yes[1], kind, node.at, self.machine)
            b = arithmetic.converted(no[0], no[1], kind, node.at, self.machine)
        return (lambda frame: a(frame) if condition(frame) else b(frame)), kind

    # -- assignments -------------------------------------------------------------------------------

    def _assign(self, node: t.Assign) -> tuple[Value, Type]:
        target = node.target
        value_node: t.Expr = node.value
        if node.op != "=":
            value_node = t.Binary(node.at, node.op[:-1], target, node.value)
        if isinstance(target, t.Name):
            return self._assign_name(node, target, value_node)
        if isinstance(target, t.Index) and self._kind_of(target.base) == TEXT:
            return self._assign_letter(target, value_node)
        place = self._place(target)
        if place is None:
            if not isinstance(target, t.Field):  # that one is refused already
                compares = isinstance(target, t.Binary) and node.op == "="
                self._refuse(
                    "not-assignable", node.at, "a comparison" if compares else "this", "==" if compares else None
                )
            return (lambda frame: 0), self.widths.int
        return self._write(place, self._as(value_node, place.kind), node.at), place.kind

    def _kind_of(self, node: t.Expr) -> Type:
        return self._expr(node)[1]

    def _assign_name(self, node: t.Assign, target: t.Name, value_node: t.Expr) -> tuple[Value, Type]:
        variable = self.scope.find(target.name)
        if variable is None and (own := self._own_field(target.name)) is not None:
            place = self._place(own)
            assert place is not None
            return self._write(place, self._as(value_node, place.kind), node.at), place.kind
        if variable is None:
            if target.name in self.constants:
                self._refuse("not-assignable", target.at, target.name)
            else:
                self._unknown(target.name, target.at)
            return (lambda frame: 0), self.widths.int
        self._refuse_early(variable, target)
        was_used = variable.used
        if variable.constant or isinstance(variable.kind, Array):
            self._refuse("not-assignable", target.at, target.name)
        value = self._as(value_node, variable.kind)
        variable.used = was_used  # being written to is no use of a value
        if variable.reference:
            place = self._place_of_name(target)
            assert place is not None
            return self._write(place, value, node.at), variable.kind
        return self._store(variable, value), variable.kind

    def _assign_letter(self, target: t.Index, value_node: t.Expr) -> tuple[Value, Type]:
        """One letter of a text: the text is put back with it changed."""
        place = self._place(target.base)
        if place is None or place.constant:
            self._refuse("not-assignable", target.at, "[ ]")
            return (lambda frame: 0), CHAR
        index, value = self._expr(target.index)[0], self._as(value_node, CHAR)
        read = self._read(place, target.at)
        holder, at = self.machine, target.at

        def changed(frame: Frame) -> str:
            text, position, letter = read(frame), int(index(frame)), int(value(frame))
            if 0 <= position < len(text):
                return str(text[:position] + chr(letter & 0xFF) + text[position + 1 :])
            holder[0].runtime_faults[("outside-array", at)] += 1
            return str(text)

        return self._write(place, changed, target.at), CHAR

    def _store(self, variable: Variable, value: Value) -> Value:
        index, cells = variable.index, self.globals

        def store_global(frame: Frame) -> Any:
            cells[index] = result = value(frame)
            return result

        def store_local(frame: Frame) -> Any:
            frame[index] = result = value(frame)
            return result

        return store_global if variable.is_global else store_local


def text_of(value: Value, kind: Type) -> Value:
    """What a C string or a text says; anything else as it is."""
    if isinstance(kind, Array | Pointer):
        return lambda frame: chars_read(value(frame))
    return value


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


def _said(kind: Type) -> str:
    words = {VOID: "a call that gives nothing", TEXT: "a text", FLOAT: "a float"}
    if kind in words:
        return words[kind]
    return "a whole number" if isinstance(kind, Int) else f"`{kind}`"
