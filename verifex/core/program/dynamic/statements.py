"""Statements of the Python dialect as closures: branches, loops, errors and clearing up, functions and classes."""

from collections.abc import Callable
from typing import Any

from verifex.core.program import tree as t
from verifex.core.program.dynamic.assignments import Assignments
from verifex.core.program.dynamic.calling import call, special
from verifex.core.program.dynamic.effort import looked_through
from verifex.core.program.dynamic.expressions import Expressions
from verifex.core.program.dynamic.functions import Functions
from verifex.core.program.dynamic.libraries import imported
from verifex.core.program.dynamic.loops import BREAK, CONTINUE, RETURN, Loops
from verifex.core.program.dynamic.names import Action, Names, Scope, Value, assigned, class_key
from verifex.core.program.dynamic.running import attribute
from verifex.core.program.dynamic.values import (
    ERRORS,
    HOST_ERRORS,
    UNSET,
    Bound,
    Class,
    Frame,
    Function,
    Instance,
    Member,
    Raised,
    Thing,
    Unset,
    as_raised,
    error,
)
from verifex.core.program.runtime.machine import Machine
from verifex.core.program.runtime.run_result import Ended

NOT_WATCHED = (t.Block, t.Define, t.Class, t.Import, t.Outer)  # what stands for no values of its own


class Statements:
    """Everything that may stand in a program, a function or a class."""

    def __init__(
        self, names: Names, expressions: Expressions, assignments: Assignments, functions: Functions, loops: Loops
    ) -> None:
        self.names, self.expressions, self.assignments = names, expressions, assignments
        self.functions, self.loops = functions, loops

    def block(self, block: t.Block) -> Action:
        actions = [self.statement(statement) for statement in block.body]
        if len(actions) == 1:
            return actions[0]

        def run(frame: Frame) -> object:
            for action in actions:
                signal = action(frame)
                if signal is not None:
                    return signal
            return None

        return run

    def one(self, node: t.Stmt) -> Action:
        return self.block(node) if isinstance(node, t.Block) else self.statement(node)

    def statement(self, node: t.Stmt) -> Action:
        action, watch = self._statement(node), self.names.watch
        if watch is None or node.at.line != watch.line or isinstance(node, NOT_WATCHED):
            return action
        head = node.condition if isinstance(node, t.If | t.While) else node
        names = {n.name for n in t.walk(head) if isinstance(n, t.Name)} if not isinstance(node, t.ForIn) else set()
        places = {name: place for name in sorted(names) if (place := self.names.place(name)) is not None}
        readers = {name: _if_set(place.read(self.names.cells, name, node.at)) for name, place in places.items()}
        holder = self.names.machine
        return watch.around(action, readers, lambda: round(holder[0].now_us / 1000, 3))

    def _statement(self, node: t.Stmt) -> Action:
        match node:
            case t.Do():
                return self._plain(self.expressions.value(node.expr), node.at)
            case t.If():
                condition, yes = self.expressions.truth(node.condition), self.one(node.yes)
                no = self.one(node.no) if node.no else None

                def branch(frame: Frame) -> object:
                    if condition(frame):
                        return yes(frame)
                    return no(frame) if no else None

                return branch
            case t.While():
                return self.loops.while_(node)
            case t.ForIn():
                return self.loops.for_(node)
            case t.Break():
                return lambda frame: BREAK
            case t.Continue():
                return lambda frame: CONTINUE
            case t.Return():
                return self._return(node)
            case t.Define():
                make = self._decorated(node.function, self.functions.function(node.function, node.function.name))
                make = self._handed_to(node.decorators, make, node.at)
                write = self.assignments.write_to(t.Name(node.at, node.function.name))
                return self._plain(lambda frame: write(frame, make(frame)), node.at)
            case t.Class():
                return self._class(node)
            case t.Try():
                return self._try(node)
            case t.Raise():
                return self._raise(node)
            case t.With():
                return self._with(node)
            case t.Outer():
                return lambda frame: None
            case t.Import():
                return self._import(node)
            case t.Delete():
                return self._delete(node)
            case t.Block():
                return self.block(node)
        raise TypeError(node)

    def _plain(self, value: Callable[[Frame], Any], at: t.At) -> Action:
        def run(frame: Frame) -> object:
            try:
                value(frame)
            except HOST_ERRORS as wrong:
                raise as_raised(wrong, at) from None
            return None

        return run

    def body(self, function: t.Function | t.Lambda) -> tuple[Action, Callable[[], int]]:
        outer = self.names.scope
        scope = self.names.scope = Scope(outer)
        for param in [*(p for p in function.params if not p.rest), *(p for p in function.params if p.rest)]:
            scope.add(param.name)
        if isinstance(function, t.Lambda):
            value, holder = (
                self.expressions.guarded(self.expressions.value(function.value), function.at),
                self.names.machine,
            )

            def give(frame: Frame) -> object:
                holder[0].returned = value(frame)
                return RETURN

            action: Action = give
        else:
            own, of_program, _ = assigned(function.body)
            scope.globals = of_program
            for name in sorted(own):
                scope.add(name)
            for name in sorted(of_program):
                self.names.cell(name)
            action = self.block(function.body)
        self.names.scope = outer
        return action, lambda: scope.size

    def _return(self, node: t.Return) -> Action:
        value = (
            self.expressions.guarded(self.expressions.value(node.value), node.at) if node.value is not None else None
        )
        holder = self.names.machine

        def run(frame: Frame) -> object:
            holder[0].returned = value(frame) if value else None
            return RETURN

        return run

    def _decorated(self, function: t.Function, make: Value) -> Value:
        """The function as its decorator makes it: a property, the setter of one, or a function of the class itself."""
        if not function.decorator:
            return make
        name, _, part = function.decorator.partition(".")
        if not part:
            return lambda frame: Member(name, make(frame))
        before = self.expressions.read(t.Name(function.at, name))

        def with_setter(frame: Frame) -> Member:
            held = before(frame)
            if not isinstance(held, Member):
                raise error("AttributeError", f"'{name}' is no property", function.at)
            return Member(held.kind, held.function, make(frame))

        return with_setter

    def _handed_to(self, decorators: tuple[t.Expr, ...], make: Value, at: t.At) -> Value:
        """What is made, handed to each of its decorators, the nearest first."""
        holder, acts = self.names.machine, [self.expressions.value(one) for one in decorators]
        if not acts:
            return make

        def run(frame: Frame) -> Any:
            found = [act(frame) for act in acts]
            made = make(frame)
            for act in reversed(found):
                made = call(holder[0], act, (made,), {}, at)
            return made

        return run

    def _class(self, node: t.Class) -> Action:
        base = self.expressions.value(node.base) if node.base is not None else None
        write = self.assignments.write_to(t.Name(node.at, node.name))
        outer = self.names.scope
        scope = self.names.scope = Scope(outer, is_class=True, at=node.at)
        own, of_program, _ = assigned(node.body)
        scope.globals = of_program
        for name in sorted(own, key=_first_in(node.body)):
            scope.add(name)
        action = self.block(node.body)
        self.names.scope = outer
        at, key, holder = node.at, class_key(scope), self.names.machine
        decorators = [self.expressions.value(one) for one in node.decorators]
        others = [self.expressions.value(one) for one in node.others]

        def run(frame: Frame) -> object:
            on = base(frame) if base else None
            if on is not None and not isinstance(on, Class):
                raise error("TypeError", "a class is built on another class", at)
            inner: Frame = [frame, *[UNSET] * (scope.size - 1)]
            action(inner)
            members = {name: inner[slot] for name, slot in scope.slots.items() if inner[slot] is not UNSET}
            fields = tuple((name, members.get(name, UNSET)) for name in node.annotated)
            made = holder[0].own[key] = Class(node.name, on, members, fields)
            made.others = tuple(one for other in others if isinstance(one := other(frame), Class))
            decorated: Any = made
            if on is not None and on.made is not None:
                decorated = on.made(holder[0], made) or made
            for act in reversed(decorators):
                decorated = call(holder[0], act(frame), (decorated,), {}, at)
            write(frame, decorated)
            return None

        return run

    def _import(self, node: t.Import) -> Action:
        write, module, what, at = self.assignments.write_to(t.Name(node.at, node.name)), node.module, node.what, node.at
        holder = self.names.machine

        def run(frame: Frame) -> object:
            write(frame, imported(module, what, at, holder[0].declared.constants))
            return None

        return run

    def _delete(self, node: t.Delete) -> Action:
        target, holder, at = node.target, self.names.machine, node.at
        if isinstance(target, t.Index):
            owner, index = self.expressions.value(target.base), self.expressions.value(target.index)

            def take(frame: Frame) -> None:
                held, which = owner(frame), index(frame)
                if special(holder[0], held, "__delitem__", (which,), at) is UNSET:
                    if isinstance(held, list):
                        looked_through(holder[0], held, at)  # all that comes behind it is moved
                    del held[which]

            return self._plain(take, at)
        if isinstance(target, t.Name):
            write = self.assignments.write_to(target)
            return self._plain(lambda frame: write(frame, UNSET), at)
        self.names.program.unsupported.append(t.Unsupported(at, "`del` of this"))
        return lambda frame: holder and None

    def _raise(self, node: t.Raise) -> Action:
        value, holder, at = (
            self.expressions.value(node.value) if node.value is not None else None,
            self.names.machine,
            node.at,
        )

        def run(frame: Frame) -> object:
            machine = holder[0]
            if value is None:
                again = machine.own.get("handled")
                if not isinstance(again, Raised):
                    raise error("RuntimeError", "nothing to raise again", at)
                raise again
            found = value(frame)
            if isinstance(found, Class):
                found = call(machine, found, (), {}, at)
            if not isinstance(found, Instance) or not found.of.is_a(ERRORS["BaseException"]):
                raise error("TypeError", "only an error can be raised", at)
            raise Raised(found, at)

        return run

    def _try(self, node: t.Try) -> Action:
        body = self.block(node.body)
        handlers = []
        for handler in node.handlers:
            kind = self.expressions.value(handler.kind) if handler.kind is not None else None
            write = self.assignments.write_to(t.Name(handler.at, handler.name)) if handler.name else None
            handlers.append((kind, write, self.block(handler.body), handler.at))
        otherwise = self.block(node.otherwise) if node.otherwise else None
        at_last = self.block(node.at_last) if node.at_last else None
        holder = self.names.machine

        def guarded(frame: Frame) -> object:
            machine = holder[0]
            depth = machine.depth
            try:
                signal = body(frame)
            except (Raised, Ended) as wrong:
                raised = _as_exception(machine, wrong)
                machine.depth = depth
                for kind, write, action, at in handlers:
                    if kind is None or _is_kind(raised, kind(frame), at):
                        if write:
                            write(frame, raised.value)
                        machine.own["handled"] = raised
                        return action(frame)
                raise raised from None
            return otherwise(frame) if otherwise and signal is None else signal

        if at_last is None:
            return guarded

        def run(frame: Frame) -> object:
            machine = holder[0]
            try:
                signal = guarded(frame)
            except (Raised, Ended) as wrong:
                raised = _as_exception(machine, wrong)
                last = at_last(frame)
                if last is not None:
                    return last
                raise raised from None
            kept = machine.returned
            last = at_last(frame)
            machine.returned = kept if last is None else machine.returned
            return signal if last is None else last

        return run

    def _with(self, node: t.With) -> Action:
        value, body, holder, at = (
            self.expressions.guarded(self.expressions.value(node.value), node.at),
            self.block(node.body),
            self.names.machine,
            node.at,
        )
        write = self.assignments.write_to(t.Name(node.at, node.name)) if node.name else None

        def run(frame: Frame) -> object:
            machine, owner = holder[0], value(frame)
            begun = owner
            if isinstance(owner, Thing) and (act := getattr(owner, "enter", None)) is not None:
                begun = act(machine, at)
            if isinstance(owner, Instance) and not isinstance(enter := owner.of.find("__enter__"), Unset):
                begun = call(machine, Bound(enter, owner), (), {}, at)
            if write:
                write(frame, begun)
            try:
                return body(frame)
            finally:
                _leave(machine, owner, at)

        return run


def _first_in(body: t.Block) -> Callable[[str], tuple[int, int]]:
    """Where a name of a class is first given something, as `sorted` takes it."""
    firsts: dict[str, tuple[int, int]] = {}
    for node in t.walk(body):
        name = node.target.name if isinstance(node, t.Assign) and isinstance(node.target, t.Name) else ""
        name = node.function.name if isinstance(node, t.Define) else name
        if name:
            firsts.setdefault(name, (node.at.line, node.at.column))
    return lambda name: firsts.get(name, (1 << 30, 0))


def _if_set(read: Callable[[Frame], Any]) -> Callable[[Frame], Any]:
    """Reads a name for the line that is watched: None where it has no value yet."""

    def reads(frame: Frame) -> Any:
        try:
            return read(frame)
        except Raised:
            return None

    return reads


def _as_exception(machine: Machine, wrong: Raised | Ended) -> Raised:
    """What a `try` gets to see. The end of the time reaches the program as someone stopping it from outside."""
    if isinstance(wrong, Raised):
        return wrong
    if wrong.reason != "time" or machine.stopping:
        raise wrong
    machine.stop()
    return error("KeyboardInterrupt", "", t.At(0, 0))


def _is_kind(raised: Raised, kind: Any, at: t.At) -> bool:
    kinds = kind if isinstance(kind, tuple) else (kind,)
    # A library's own error class is not known here: it takes what its library raises.
    return any(
        raised.value.of.is_a(one) if isinstance(one, Class) else raised.value.of.is_a(ERRORS["Exception"])
        for one in kinds
    )


def _leave(machine: Machine, owner: Any, at: t.At) -> None:
    if isinstance(owner, Thing):
        attribute(machine, owner, "close", at).act(machine, at)
    elif isinstance(owner, Instance) and isinstance(own := owner.of.find("__exit__"), Function):
        call(machine, Bound(own, owner), (None, None, None), {}, at)
