"""Expressions of the Python dialect as closures."""

import operator
from typing import Any

from verifex.core.program import tree as t
from verifex.core.program.dynamic.arithmetic import SIGNS, applied, signed
from verifex.core.program.dynamic.builtins import NOT_SUPPORTED_YET
from verifex.core.program.dynamic.calling import all_of, each, entries
from verifex.core.program.dynamic.effort import as_key, walk
from verifex.core.program.dynamic.modules.together import awaited
from verifex.core.program.dynamic.names import ForwardReferences, Names, Value
from verifex.core.program.dynamic.running import attribute, item, truth
from verifex.core.program.dynamic.showing import formatted
from verifex.core.program.dynamic.strands import give
from verifex.core.program.dynamic.values import HOST_ERRORS, Frame, Instance, as_raised
from verifex.core.program.operands import constant
from verifex.core.program.runtime.clocks import side_of, watched

SMALL = 1 << 62
PLAIN_KINDS = frozenset((int, float))
QUICK = {
    "+": operator.add, "-": operator.sub, "*": operator.mul, "/": operator.truediv, "//": operator.floordiv, "%": operator.mod,
    "<": operator.lt, ">": operator.gt, "<=": operator.le, ">=": operator.ge, "==": operator.eq, "!=": operator.ne,
}  # fmt: skip


class Expressions:
    """Each expression becomes a function of the frame."""

    def __init__(self, names: Names, later: ForwardReferences) -> None:
        self.names, self.later = names, later

    def guarded(self, value: Value, at: t.At) -> Value:
        """Errors of the host come out as the program's own, at the place they belong to."""

        def run(frame: Frame) -> Any:
            try:
                return value(frame)
            except HOST_ERRORS as wrong:
                raise as_raised(wrong, at) from None

        return run

    def truth(self, node: t.Expr) -> Value:
        value, holder, at = self.value(node), self.names.machine, node.at

        def run(frame: Frame) -> bool:
            try:
                found = value(frame)
                return found if found is True or found is False else truth(holder[0], found, at)
            except HOST_ERRORS as wrong:
                raise as_raised(wrong, at) from None

        return run

    def _yield(self, node: t.Yield) -> Value:
        value = self.value(node.value) if node.value is not None else constant(None)
        holder, at, all_of_it = self.names.machine, node.at, node.all

        def run(frame: Frame) -> Any:
            machine, found = holder[0], value(frame)
            if not all_of_it:
                return give(machine, found)
            for one in each(machine, found, at):
                give(machine, one)
            return None

        return run

    def value(self, node: t.Expr) -> Value:
        holder, at = self.names.machine, node.at
        match node:
            case t.Number() | t.Text() | t.Literal():
                return constant(node.value)
            case t.Name():
                return self.read(node)
            case t.Unary():
                return self._unary(node)
            case t.Binary():
                return self._binary(node)
            case t.Chain():
                return self._chain(node)
            case t.Yield():
                return self._yield(node)
            case t.Await():
                waited = self.value(node.value)
                return lambda frame: awaited(holder[0], waited(frame), at)
            case t.Assign():
                return self.later.assign(node)
            case t.Choice():
                condition, yes, no = self.truth(node.condition), self.value(node.yes), self.value(node.no)
                return lambda frame: yes(frame) if condition(frame) else no(frame)
            case t.Field(name=name):
                base = self.value(node.base)
                return lambda frame: attribute(holder[0], base(frame), name, at)
            case t.Index():
                base, index = self.value(node.base), self.value(node.index)
                return lambda frame: item(holder[0], base(frame), index(frame), at)
            case t.Slice():
                ends = [
                    self.value(end) if end is not None else constant(None) for end in (node.first, node.last, node.step)
                ]
                return lambda frame: slice(*(end(frame) for end in ends))
            case t.Group():
                return self._group(node)
            case t.Pairs():
                return self._pairs(node)
            case t.Pieces():
                parts = [self.value(part) for part in node.parts]

                def joined(frame: Frame) -> str:
                    text = "".join(part(frame) for part in parts)
                    holder[0].take(len(text), at)
                    return text

                return joined
            case t.Formatted():
                return self._formatted(node)
            case t.Call():
                return self.later.call(node)
            case t.Comprehension():
                return self.later.comprehension(node)
            case t.Lambda():
                return self.later.function(node, "function")
        raise TypeError(node)

    def read(self, node: t.Name) -> Value:
        self.names.read_names.add(node.name)
        place = self.names.place(node.name)
        if place is not None:
            read: Value = place.read(self.names.cells, node.name, node.at)
            return read
        if node.name in self.names.builtins:
            return constant(self.names.builtins[node.name])
        if node.name in NOT_SUPPORTED_YET:
            self.names.program.unsupported.append(t.Unsupported(node.at, f"`{node.name}`"))
        elif node.name == "__name__":
            return constant("__main__")
        else:
            self.names.unknown(node.name, node.at)
        return constant(None)

    def _unary(self, node: t.Unary) -> Value:
        if node.op == "!":
            asked = self.truth(node.operand)
            return lambda frame: not asked(frame)
        value = self.value(node.operand)
        act, plain, holder, at = signed(node.op), SIGNS[node.op][1], self.names.machine, node.at

        def run(frame: Frame) -> Any:
            found = value(frame)
            return act(holder[0], found, at) if isinstance(found, Instance) else plain(found)

        return run

    def _binary(self, node: t.Binary) -> Value:
        left, right, holder, at = self.value(node.left), self.value(node.right), self.names.machine, node.at
        if node.op in ("&&", "||"):
            stops_at = node.op == "||"

            def either(frame: Frame) -> Any:
                found = left(frame)
                return found if truth(holder[0], found, at) == stops_at else right(frame)

            return either
        act = applied(node.op)
        timed = side_of(node, self.names.clocks)
        if timed is not None:
            asked = any(isinstance(n, t.Call) for n in t.walk(node))
            return watched(lambda a, b: quick(node.op, act, a, b, holder, at), left, right, *timed, holder, asked=asked)
        return quick(node.op, act, left, right, holder, at)

    def _chain(self, node: t.Chain) -> Value:
        first, rest = (
            self.value(node.first),
            [(applied(op), self.value(e)) for op, e in zip(node.ops, node.rest, strict=True)],
        )
        holder, at = self.names.machine, node.at

        def run(frame: Frame) -> bool:
            left = first(frame)
            for act, value in rest:
                right = value(frame)
                if not act(holder[0], left, right, at):
                    return False
                left = right
            return True

        return run

    def _pairs(self, node: t.Pairs) -> Value:
        keys = [None if isinstance(k, t.Star) else self.value(k) for k in node.keys]
        values, holder, at = [self.value(v) for v in node.values], self.names.machine, node.at

        def run(frame: Frame) -> dict[Any, Any]:
            found: dict[Any, Any] = {}
            for key, value in zip(keys, values, strict=True):
                if key is None:
                    found.update(entries(holder[0], value(frame), at))
                else:
                    found[as_key(holder[0], key(frame), at)] = value(frame)
            return found

        return run

    def _group(self, node: t.Group) -> Value:
        items, holder, at = (
            [(self.value(i.value if isinstance(i, t.Star) else i), isinstance(i, t.Star)) for i in node.items],
            self.names.machine,
            node.at,
        )
        make = {"list": list, "tuple": tuple, "set": set}[node.kind]

        def run(frame: Frame) -> Any:
            found: list[Any] = []
            for value, spread in items:
                if spread:
                    found.extend(all_of(holder[0], value(frame), at))
                else:
                    found.append(value(frame))
            holder[0].cells += len(found)
            if make is set:
                walk(holder[0], found, at)
            return make(found)

        return run

    def _formatted(self, node: t.Formatted) -> Value:
        value, form = self.value(node.value), self.value(node.form) if node.form is not None else constant("")
        holder, conversion, at = self.names.machine, node.conversion, node.at
        return lambda frame: formatted(holder[0], value(frame), form(frame), conversion, at)


def quick(op: str, act: Any, left: Value, right: Value, holder: list[Any], at: t.At) -> Value:
    """Two plain numbers straight away; everything else, and what comes out large, by the careful way."""
    plain = QUICK.get(op)
    if plain is None:
        return lambda frame: act(holder[0], left(frame), right(frame), at)
    known = getattr(right, "const", None)
    if type(known) in PLAIN_KINDS:

        def by_constant(frame: Frame) -> Any:
            a = left(frame)
            if type(a) in PLAIN_KINDS:
                found = plain(a, known)
                if -SMALL < found < SMALL:
                    return found
            return act(holder[0], a, known, at)

        return by_constant

    def run(frame: Frame) -> Any:
        a, b = left(frame), right(frame)
        if type(a) in PLAIN_KINDS and type(b) in PLAIN_KINDS:
            found = plain(a, b)
            if -SMALL < found < SMALL:
                return found
        return act(holder[0], a, b, at)

    return run
