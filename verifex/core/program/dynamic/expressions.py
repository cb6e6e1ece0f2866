"""Expressions of the Python dialect as closures."""

import operator
from collections.abc import Callable
from typing import Any

from verifex.core.program import tree as t
from verifex.core.program.clocks import side_of, watched
from verifex.core.program.dynamic.arithmetic import applied, in_place
from verifex.core.program.dynamic.builtins import OURS_TO_ADD
from verifex.core.program.dynamic.calling import all_of, call, each
from verifex.core.program.dynamic.effort import as_key, walk
from verifex.core.program.dynamic.names import Names, Place, targets
from verifex.core.program.dynamic.running import attribute, item, method, set_attribute, set_item, truth
from verifex.core.program.dynamic.showing import formatted
from verifex.core.program.dynamic.values import HOST_ERRORS, UNSET, Frame, Function, as_raised, error, kind_name
from verifex.core.program.fast import constant

SMALL = 1 << 62
PLAIN_KINDS = frozenset((int, float))
QUICK = {
    "+": operator.add, "-": operator.sub, "*": operator.mul, "/": operator.truediv, "//": operator.floordiv, "%": operator.mod,
    "<": operator.lt, ">": operator.gt, "<=": operator.le, ">=": operator.ge, "==": operator.eq, "!=": operator.ne,
}  # fmt: skip
Value = Callable[[Frame], Any]
Write = Callable[[Frame, Any], None]


class Expressions(Names):
    """Each expression becomes a function of the frame."""

    def _body(self, function: t.Function | t.Lambda) -> tuple[Callable[[Frame], object], Callable[[], int]]:
        raise NotImplementedError

    def guarded(self, value: Value, at: t.At) -> Value:
        """Errors of the host come out as the program's own, at the place they belong to."""

        def run(frame: Frame) -> Any:
            try:
                return value(frame)
            except HOST_ERRORS as wrong:
                raise as_raised(wrong, at) from None

        return run

    def truth(self, node: t.Expr) -> Value:
        value, holder, at = self.expr(node), self.machine, node.at

        def run(frame: Frame) -> bool:
            try:
                found = value(frame)
                return found if found is True or found is False else truth(holder[0], found, at)
            except HOST_ERRORS as wrong:
                raise as_raised(wrong, at) from None

        return run

    def expr(self, node: t.Expr) -> Value:
        holder, at = self.machine, node.at
        match node:
            case t.Number() | t.Text() | t.Literal():
                return constant(node.value)
            case t.Name():
                return self._read(node)
            case t.Unary():
                return self._unary(node)
            case t.Binary():
                return self._binary(node)
            case t.Chain():
                return self._chain(node)
            case t.Assign():
                return self._assign(node)
            case t.Choice():
                condition, yes, no = self.truth(node.condition), self.expr(node.yes), self.expr(node.no)
                return lambda frame: yes(frame) if condition(frame) else no(frame)
            case t.Field(name=name):
                base = self.expr(node.base)
                return lambda frame: attribute(holder[0], base(frame), name, at)
            case t.Index():
                base, index = self.expr(node.base), self.expr(node.index)
                return lambda frame: item(holder[0], base(frame), index(frame), at)
            case t.Slice():
                ends = [
                    self.expr(end) if end is not None else constant(None) for end in (node.first, node.last, node.step)
                ]
                return lambda frame: slice(*(end(frame) for end in ends))
            case t.Group():
                return self._group(node)
            case t.Pairs():
                return self._pairs(node)
            case t.Pieces():
                parts = [self.expr(part) for part in node.parts]

                def joined(frame: Frame) -> str:
                    text = "".join(part(frame) for part in parts)
                    holder[0].take(len(text), at)
                    return text

                return joined
            case t.Formatted():
                return self._formatted(node)
            case t.Call():
                return self._call(node)
            case t.Comprehension():
                return self._comprehension(node)
            case t.Lambda():
                return self.function(node, "function")
        raise TypeError(node)

    def _read(self, node: t.Name) -> Value:
        self.read_names.add(node.name)
        place = self.place(node.name)
        if place is not None:
            return place.read(self.cells, node.name, node.at)  # type: ignore[no-any-return]
        if node.name in self.builtins:
            return constant(self.builtins[node.name])
        if node.name in OURS_TO_ADD:
            self.program.unsupported.append(t.Unsupported(node.at, f"`{node.name}`"))
        elif node.name == "__name__":
            return constant("__main__")
        else:
            self.unknown(node.name, node.at)
        return constant(None)

    def _unary(self, node: t.Unary) -> Value:
        if node.op == "!":
            asked = self.truth(node.operand)
            return lambda frame: not asked(frame)
        value = self.expr(node.operand)
        if node.op == "-":
            return lambda frame: -value(frame)
        return (lambda frame: +value(frame)) if node.op == "+" else lambda frame: ~value(frame)

    def _binary(self, node: t.Binary) -> Value:
        left, right, holder, at = self.expr(node.left), self.expr(node.right), self.machine, node.at
        if node.op in ("&&", "||"):
            stops_at = node.op == "||"

            def either(frame: Frame) -> Any:
                found = left(frame)
                return found if truth(holder[0], found, at) == stops_at else right(frame)

            return either
        act = applied(node.op)
        timed = side_of(node, self.clocks)
        if timed is not None:
            asked = any(isinstance(n, t.Call) for n in t.walk(node))
            return watched(lambda a, b: quick(node.op, act, a, b, holder, at), left, right, *timed, holder, asked=asked)
        return quick(node.op, act, left, right, holder, at)

    def _chain(self, node: t.Chain) -> Value:
        first, rest = (
            self.expr(node.first),
            [(applied(op), self.expr(e)) for op, e in zip(node.ops, node.rest, strict=True)],
        )
        holder, at = self.machine, node.at

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
        keys = [None if isinstance(k, t.Star) else self.expr(k) for k in node.keys]
        values, holder, at = [self.expr(v) for v in node.values], self.machine, node.at

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
            [(self.expr(i.value if isinstance(i, t.Star) else i), isinstance(i, t.Star)) for i in node.items],
            self.machine,
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
        value, form = self.expr(node.value), self.expr(node.form) if node.form is not None else constant("")
        holder, conversion, at = self.machine, node.conversion, node.at
        return lambda frame: formatted(holder[0], value(frame), form(frame), conversion, at)

    def _call(self, node: t.Call) -> Value:
        holder, at, name = self.machine, node.at, node.name
        args = [(self.expr(a.value if isinstance(a, t.Star) else a), isinstance(a, t.Star)) for a in node.args]
        named = [(keyword.name, self.expr(keyword.value)) for keyword in node.keywords]
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

        if name and (node.receiver or node.on is not None):
            owner = self._read(t.Name(at, node.receiver)) if node.receiver else self.expr(node.on)  # type: ignore[arg-type]
            return lambda frame: method(holder[0], owner(frame), name, given(frame), keywords(frame), at)
        if name == "super":
            self.program.unsupported.append(t.Unsupported(at, "`super`"))
            return constant(None)
        f = self._read(t.Name(at, name)) if name else self.expr(node.on)  # type: ignore[arg-type]
        return lambda frame: call(holder[0], f(frame), given(frame), keywords(frame), at)

    def function(self, node: t.Function | t.Lambda, name: str) -> Value:
        """Makes the function where it is come to."""
        params = [p for p in node.params if not p.rest]
        star = next((i for i, p in enumerate(node.params) if p.rest == "*"), len(params))
        required = next((i for i, p in enumerate(params) if p.default is not None), len(params))
        defaults = [self.expr(p.default) if p.default is not None else constant(UNSET) for p in params[required:]]
        rest = next((p.name for p in node.params if p.rest == "*"), None)
        rest_named = next((p.name for p in node.params if p.rest == "**"), None)
        names, at, inside = tuple(p.name for p in params), node.at, self.scope is not None
        action, slots = self._body(node)

        def make(frame: Frame) -> Function:
            values = tuple(default(frame) for default in defaults)
            return Function(
                name, names, star, required, values, rest, rest_named, action, slots, frame if inside else None, at
            )

        return make

    # -- comprehensions ----------------------------------------------------------------------------

    def _comprehension(self, node: t.Comprehension) -> Value:
        values, holder, at = self.expr(node.values), self.machine, node.at
        hidden = self._hidden(node.target)
        write = self.write_to(node.target)
        conditions = [self.truth(condition) for condition in node.conditions]
        made, paired = self.expr(node.item), self.expr(node.value) if node.value is not None else None
        hidden()

        def run(frame: Frame) -> Any:
            machine = holder[0]
            found: list[Any] = []
            for value in each(machine, values(frame), at):
                machine.step(at)
                machine.cells += 1
                write(frame, value)
                if all(condition(frame) for condition in conditions):
                    found.append((made(frame), paired(frame)) if paired else made(frame))
            if paired or node.kind == "set":
                walk(machine, found, at)
            return dict(found) if paired else set(found) if node.kind == "set" else found

        return run

    def _hidden(self, target: t.Expr) -> Callable[[], None]:
        """The loop's own names, which nothing outside it sees; gives what takes them away again."""
        if self.scope is not None:
            scope = self.scope
            scope.renamed.append({name: scope.new() for name in targets(target)})
            return lambda: (scope.renamed.pop(), None)[1]
        kept = {name: self.names.get(name) for name in targets(target)}
        for name in kept:
            self.names.pop(name, None)
            self.cell(name)

        def back() -> None:
            for name, index in kept.items():
                del self.names[name]
                if index is not None:
                    self.names[name] = index

        return back

    # -- giving values -----------------------------------------------------------------------------

    def _assign(self, node: t.Assign) -> Value:
        if node.op != "=":
            return self._changed(node)
        value, write = self.expr(node.value), self.write_to(node.target)
        if isinstance(node.target, t.Name) and not (self.scope and self.scope.is_class):
            self.first_written.setdefault(node.target.name, node.at)

        def run(frame: Frame) -> Any:
            found = value(frame)
            write(frame, found)
            return found

        return run

    def _changed(self, node: t.Assign) -> Value:
        act, value, holder, at = in_place(node.op[:-1]), self.expr(node.value), self.machine, node.at
        target = node.target
        if isinstance(target, t.Name):
            read, put = self._read(target), self.write_to(target)
            self.read_names.discard(target.name)
            two = quick(node.op[:-1], act, read, value, holder, at)

            def of_name(frame: Frame) -> None:
                put(frame, two(frame))

            return of_name
        if isinstance(target, t.Index):
            base, index = self.expr(target.base), self.expr(target.index)

            def of_item(frame: Frame) -> None:
                m, owner, place = holder[0], base(frame), index(frame)
                set_item(m, owner, place, act(m, item(m, owner, place, at), value(frame), at), at)

            return of_item
        if isinstance(target, t.Field):
            base, name = self.expr(target.base), target.name

            def of_field(frame: Frame) -> None:
                m, owner = holder[0], base(frame)
                set_attribute(m, owner, name, act(m, attribute(m, owner, name, at), value(frame), at), at)

            return of_field
        raise TypeError(target)

    def write_to(self, target: t.Expr) -> Write:
        holder, at = self.machine, target.at
        match target:
            case t.Name():
                place: Place = self.target(target.name)
                return place.write(self.cells)  # type: ignore[no-any-return]
            case t.Field(name=name):
                base = self.expr(target.base)
                return lambda frame, value: set_attribute(holder[0], base(frame), name, value, at)
            case t.Index():
                owner, index = self.expr(target.base), self.expr(target.index)
                return lambda frame, value: set_item(holder[0], owner(frame), index(frame), value, at)
            case t.Group():
                return self._write_group(target)
        self.program.unsupported.append(t.Unsupported(at, "this target"))
        return lambda frame, value: None

    def _write_group(self, target: t.Group) -> Write:
        writes, holder, at = [], self.machine, target.at
        star = next((i for i, one in enumerate(target.items) if isinstance(one, t.Star)), None)
        for one in target.items:
            writes.append(self.write_to(one.value if isinstance(one, t.Star) else one))
        count = len(writes)

        def run(frame: Frame, value: Any) -> None:
            values = all_of(holder[0], value, at)
            if star is not None and len(values) >= count - 1:
                behind = len(values) - (count - star - 1)
                values = [*values[:star], values[star:behind], *values[behind:]]
            if len(values) != count:
                raise error("ValueError", f"{len(values)} values for {count} names", at)
            for write, one in zip(writes, values, strict=True):
                write(frame, one)

        return run


def entries(m: Any, value: Any, at: t.At) -> dict[Any, Any]:
    """A dictionary whose entries are put into another. Raises the program's TypeError for anything else."""
    if not isinstance(value, dict):
        raise error("TypeError", f"`**` wants a dictionary, not '{kind_name(value)}'", at)
    m.take(len(value), at)
    return value


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
