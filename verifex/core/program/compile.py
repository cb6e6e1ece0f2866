"""Names and types of a program, then closures that run it on the machine.

Every expression becomes a function of the frame (a list of local values); types are known beforehand, so
a closure does one conversion at most. What a compiler refuses is collected in `refused`, at its place.
"""

from collections.abc import Callable
from dataclasses import dataclass, field
from difflib import get_close_matches
from typing import Any, Literal

from verifex.core.parts import Board
from verifex.core.program import arithmetic
from verifex.core.program import tree as t
from verifex.core.program.boards import constants
from verifex.core.program.calls import CALLS, Spec
from verifex.core.program.machine import Ended, Machine
from verifex.core.program.types import BOOL, FLOAT, TEXT, VOID, Array, Int, Type, Widths, as_float32

Frame = list[Any]
Value = Callable[[Frame], Any]
Action = Callable[[Frame], object]

BREAK, CONTINUE, RETURN = "break", "continue", "return"


@dataclass(frozen=True, slots=True)
class Refused:
    """Something a compiler refuses: `kind` is a rule's slug, `near` what may have been meant."""

    kind: Literal[
        "name-undeclared",
        "name-miscased",
        "call-arguments",
        "not-assignable",
        "declared-twice",
        "missing-function",
    ]
    at: t.At
    name: str
    near: str | None = None


@dataclass(slots=True)
class Variable:
    """Where a name lives; index into the globals or the frame."""

    kind: Type
    index: int
    is_global: bool
    constant: bool
    at: t.At
    used: bool = False


@dataclass(slots=True)
class Compiled:
    """A program ready to run on a machine."""

    refused: list[Refused] = field(default_factory=list)
    start: Callable[[Machine], None] | None = None
    setup: Callable[[Machine], None] | None = None
    loop: Callable[[Machine], None] | None = None
    unused: list[tuple[str, t.At]] = field(default_factory=list)


def compile_program(program: t.Program, board: Board) -> Compiled:
    """Resolve names and types and build the closures; `start`, `setup`, `loop` are None when refused."""
    return _Compiler(program, board).compiled


class _Scope:
    """Names of one block; frames grow by the widest nesting of a function."""

    def __init__(self, outer: "_Scope | None") -> None:
        self.outer = outer
        self.names: dict[str, Variable] = {}

    def find(self, name: str) -> Variable | None:
        scope: _Scope | None = self
        while scope is not None:
            if name in scope.names:
                return scope.names[name]
            scope = scope.outer
        return None

    def all_names(self) -> list[str]:
        return [*self.names, *(self.outer.all_names() if self.outer else [])]


class _Compiler:
    def __init__(self, program: t.Program, board: Board) -> None:
        self.program = program
        self.widths = Widths(board.int_bits)
        self.constants = constants(board)
        self.compiled = Compiled()
        self.globals: Frame = []
        self.machine: list[Machine] = []  # the machine of the run, put in at its start
        self.scope = _Scope(None)
        self.slots = 0
        self.most_slots = 0
        self.bodies: dict[str, tuple[Action, int]] = {}
        self.variables: list[tuple[str, Variable]] = []
        self.result: Type = VOID
        for name in ("setup", "loop"):
            if name not in program.functions:
                self._refuse("missing-function", t.At(1, 1), name)
        starts = [self._declare(declare) for declare in program.globals]
        for function in program.functions.values():
            self._function(function)
        self.compiled.unused = [(name, v.at) for name, v in self.variables if not v.used]
        if not self.compiled.refused:
            self._entry_points(starts)

    def _refuse(self, kind: Any, at: t.At, name: str, near: str | None = None) -> None:
        self.compiled.refused.append(Refused(kind, at, name, near))

    def _entry_points(self, starts: list[Action]) -> None:
        size = len(self.globals)

        def start(machine: Machine) -> None:
            self.machine[:] = [machine]
            self.globals[:] = [0] * size
            for action in starts:
                action(self.globals)

        def runs(name: str) -> Callable[[Machine], None]:
            action, slots = self.bodies[name]

            def run(machine: Machine) -> None:
                action([0] * slots)

            return run

        self.compiled.start, self.compiled.setup, self.compiled.loop = start, runs("setup"), runs("loop")

    # -- names -------------------------------------------------------------------------------------

    def _new_variable(self, name: str, kind: Type, at: t.At, *, is_global: bool, constant: bool) -> Variable:
        if name in self.scope.names:
            self._refuse("declared-twice", at, name)
        if is_global:
            self.globals.append(0)
            index = len(self.globals) - 1
        else:
            index = self.slots
            self.slots += 1
            self.most_slots = max(self.most_slots, self.slots)
        variable = Variable(kind, index, is_global, constant, at)
        self.scope.names[name] = variable
        self.variables.append((name, variable))
        return variable

    def _known_names(self) -> list[str]:
        return [*self.scope.all_names(), *self.constants, *self.program.functions, *CALLS]

    def _unknown(self, name: str, at: t.At) -> None:
        known = self._known_names()
        cased = next((k for k in known if k.lower() == name.lower()), None)
        if cased:
            self._refuse("name-miscased", at, name, cased)
        else:
            near = get_close_matches(name, known, n=1, cutoff=0.75)
            self._refuse("name-undeclared", at, name, near[0] if near else None)

    # -- functions and statements ------------------------------------------------------------------

    def _function(self, function: t.Function) -> None:
        outer, self.scope = self.scope, _Scope(self.scope)
        self.slots = self.most_slots = 0
        self.result = function.result
        for param in function.params:
            variable = self._new_variable(param.name, param.type, function.at, is_global=False, constant=False)
            variable.used = True
        action = self._block(function.body)
        self.bodies[function.name] = (action, self.most_slots)
        self.scope = outer

    def _block(self, block: t.Block) -> Action:
        outer, self.scope, slots = self.scope, _Scope(self.scope), self.slots
        action = self._sequence(block.body)
        self.scope, self.slots = outer, slots
        return action

    def _sequence(self, body: tuple[t.Stmt, ...]) -> Action:
        actions = [self._statement(statement) for statement in body]
        if len(actions) == 1:
            return actions[0]

        def run(frame: Frame) -> object:
            for action in actions:
                signal = action(frame)
                if signal is not None:
                    return signal
            return None

        return run

    def _statement(self, node: t.Stmt) -> Action:
        match node:
            case t.Declare():
                return self._declare(node)
            case t.Do():
                effect, _ = self._expr(node.expr)

                def do(frame: Frame) -> object:
                    effect(frame)
                    return None

                return do
            case t.Block():
                return self._block(node)
            case t.If():
                return self._if(node)
            case t.While():
                return self._loop(None, node.condition, None, node.body, node.at, at_end=node.at_end)
            case t.For():
                outer, self.scope, slots = self.scope, _Scope(self.scope), self.slots
                # The names of the head live in the loop's own scope, not in the block around their declaration.
                head = (
                    self._sequence(node.start.body)
                    if isinstance(node.start, t.Block)
                    else self._statement(node.start)
                    if node.start
                    else None
                )
                action = self._loop(head, node.condition, node.step, node.body, node.at)
                self.scope, self.slots = outer, slots
                return action
            case t.Switch():
                return self._switch(node)
            case t.Break():
                return lambda frame: BREAK
            case t.Continue():
                return lambda frame: CONTINUE
            case t.Return():
                return self._return(node)
        raise TypeError(node)

    def _declare(self, node: t.Declare) -> Action:
        at_top = self.scope.outer is None
        is_global = at_top or node.static
        value = None
        if node.value is not None and not isinstance(node.value, t.Items):
            value = self._as(node.value, node.type if not isinstance(node.type, Array) else VOID)
        items = (
            [self._as(item, node.type.of) for item in node.value.items]
            if isinstance(node.value, t.Items) and isinstance(node.type, Array)
            else []
        )
        variable = self._new_variable(node.name, node.type, node.at, is_global=is_global, constant=node.constant)
        index, blank = variable.index, _blank(node.type)

        def make(frame: Frame) -> Any:
            if isinstance(node.type, Array):
                filled = blank()
                for position, item in enumerate(items[: node.type.length]):
                    filled[position] = item(frame)
                return filled
            return value(frame) if value else blank()

        if not is_global:

            def declare(frame: Frame) -> object:
                frame[index] = make(frame)
                return None

            return declare
        target = self.globals
        once: dict[int, Machine] = {}

        def declare_global(frame: Frame) -> object:
            # A static local is filled the first time it is passed in each run.
            if at_top or once.get(0) is not self.machine[0]:
                once[0] = self.machine[0]
                target[index] = make(frame)
            return None

        return declare_global

    def _if(self, node: t.If) -> Action:
        condition = self._truth(node.condition)
        yes = self._statement(node.yes)
        no = self._statement(node.no) if node.no else None

        def run(frame: Frame) -> object:
            if condition(frame):
                return yes(frame)
            return no(frame) if no else None

        return run

    def _loop(
        self,
        start: Action | None,
        condition: t.Expr | None,
        step: t.Expr | None,
        body: t.Stmt,
        at: t.At,
        *,
        at_end: bool = False,
    ) -> Action:
        test = self._truth(condition) if condition is not None else None
        inner = self._statement(body)
        advance = self._expr(step)[0] if step is not None else None
        holder = self.machine

        def run(frame: Frame) -> object:
            machine = holder[0]
            if start:
                start(frame)
            if at_end:
                signal = inner(frame)
                if signal is BREAK:
                    return None
                if signal is RETURN:
                    return signal
            while test is None or test(frame):
                machine.step(at)
                signal = inner(frame)
                if signal is not None:
                    if signal is BREAK:
                        break
                    if signal is RETURN:
                        return signal
                if advance:
                    advance(frame)
            return None

        return run

    def _switch(self, node: t.Switch) -> Action:
        value, _ = self._expr(node.value)
        labels: list[Value | None] = []
        bodies: list[Action] = []
        outer, self.scope, slots = self.scope, _Scope(self.scope), self.slots
        for case in node.cases:
            labels.append(self._expr(case.value)[0] if case.value is not None else None)
            bodies.append(self._sequence(case.body))
        self.scope, self.slots = outer, slots

        def run(frame: Frame) -> object:
            chosen = value(frame)
            first = next((i for i, label in enumerate(labels) if label and label(frame) == chosen), None)
            if first is None:
                first = next((i for i, label in enumerate(labels) if label is None), len(bodies))
            for body in bodies[first:]:
                signal = body(frame)
                if signal is BREAK:
                    return None
                if signal is not None:
                    return signal
            return None

        return run

    def _return(self, node: t.Return) -> Action:
        value = self._as(node.value, self.result) if node.value is not None and self.result != VOID else None
        holder = self.machine

        def run(frame: Frame) -> object:
            holder[0].returned = value(frame) if value else 0
            return RETURN

        return run

    # -- expressions -------------------------------------------------------------------------------

    def _truth(self, node: t.Expr) -> Value:
        return self._expr(node)[0]

    def _as(self, node: t.Expr, kind: Type) -> Value:
        """The expression converted to `kind`."""
        value, own = self._expr(node)
        return arithmetic.converted(value, own, kind, node.at, self.machine)

    def _expr(self, node: t.Expr) -> tuple[Value, Type]:
        match node:
            case t.Number():
                number = as_float32(node.value) if node.type == FLOAT else node.value
                return (lambda frame: number), node.type
            case t.Text():
                text = node.value
                return (lambda frame: text), TEXT
            case t.Name():
                return self._read_name(node)
            case t.Unary():
                return self._unary(node)
            case t.Binary():
                left, right = self._expr(node.left), self._expr(node.right)
                return arithmetic.binary(node.op, left, right, node.at, self.machine, self.widths)
            case t.Assign():
                return self._assign(node)
            case t.Step():
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
            case t.Choice():
                return self._choice(node)
            case t.Index():
                return self._read_item(node)
            case t.Cast():
                return self._as(node.operand, node.type), node.type
            case t.Call():
                return self._call(node)
        raise TypeError(node)

    def _read_name(self, node: t.Name) -> tuple[Value, Type]:
        variable = self.scope.find(node.name)
        if variable is not None:
            variable.used = True
            index = variable.index
            if variable.is_global:
                cells = self.globals
                return (lambda frame: cells[index]), variable.kind
            return (lambda frame: frame[index]), variable.kind
        if node.name in self.constants:
            value, kind = self.constants[node.name]
            return (lambda frame: value), kind
        self._unknown(node.name, node.at)
        return (lambda frame: 0), self.widths.int

    def _unary(self, node: t.Unary) -> tuple[Value, Type]:
        value, kind = self._expr(node.operand)
        return arithmetic.unary(node.op, value, kind, self.widths, node.at, self.machine)

    def _choice(self, node: t.Choice) -> tuple[Value, Type]:
        condition = self._truth(node.condition)
        yes, no = self._expr(node.yes), self._expr(node.no)
        kind = TEXT if TEXT in (yes[1], no[1]) else self.widths.common(yes[1], no[1])
        a = arithmetic.converted(yes[0], yes[1], kind, node.at, self.machine)
        b = arithmetic.converted(no[0], no[1], kind, node.at, self.machine)
        return (lambda frame: a(frame) if condition(frame) else b(frame)), kind

    def _assign(self, node: t.Assign) -> tuple[Value, Type]:
        target = node.target
        value_node: t.Expr = node.value
        if node.op != "=":
            value_node = t.Binary(node.at, node.op[:-1], target, node.value)
        if isinstance(target, t.Name):
            variable = self.scope.find(target.name)
            if variable is None:
                if target.name in self.constants:
                    self._refuse("not-assignable", target.at, target.name)
                else:
                    self._unknown(target.name, target.at)
                return (lambda frame: 0), self.widths.int
            was_used = variable.used
            if variable.constant:
                self._refuse("not-assignable", target.at, target.name)
            value = self._as(value_node, variable.kind)
            variable.used = was_used  # being written to is no use of a value
            return self._store(variable, value), variable.kind
        if isinstance(target, t.Index):
            return self._store_item(target, value_node)
        self._refuse("not-assignable", node.at, "this")
        return (lambda frame: 0), self.widths.int

    def _store(self, variable: Variable, value: Value) -> Value:
        index, cells = variable.index, self.globals

        def store_global(frame: Frame) -> Any:
            cells[index] = result = value(frame)
            return result

        def store_local(frame: Frame) -> Any:
            frame[index] = result = value(frame)
            return result

        return store_global if variable.is_global else store_local

    def _item(self, node: t.Index) -> tuple[Value, Value, Type]:
        base, kind = self._expr(node.base)
        index, _ = self._expr(node.index)
        if isinstance(kind, Array):
            return base, index, kind.of
        self._refuse("not-assignable", node.at, "[ ]")
        return base, index, self.widths.int

    def _read_item(self, node: t.Index) -> tuple[Value, Type]:
        base, index, kind = self._item(node)
        holder, at = self.machine, node.at

        def read(frame: Frame) -> Any:
            cells, position = base(frame), index(frame)
            if isinstance(cells, list) and 0 <= position < len(cells):
                return cells[position]
            holder[0].slips[("outside-array", at)] += 1
            return 0

        return read, kind

    def _store_item(self, node: t.Index, value_node: t.Expr) -> tuple[Value, Type]:
        base, index, kind = self._item(node)
        value = self._as(value_node, kind)
        holder, at = self.machine, node.at

        def store(frame: Frame) -> Any:
            cells, position, result = base(frame), index(frame), value(frame)
            if isinstance(cells, list) and 0 <= position < len(cells):
                cells[position] = result
            else:
                holder[0].slips[("outside-array", at)] += 1
            return result

        return store, kind

    # -- calls -------------------------------------------------------------------------------------

    def _call(self, node: t.Call) -> tuple[Value, Type]:
        name = f"{node.receiver}.{node.name}" if node.receiver else node.name
        if not node.receiver and node.name in self.program.functions:
            return self._own_call(self.program.functions[node.name], node)
        spec = CALLS.get(name)
        if spec is None:
            known_receiver = node.receiver is None or node.receiver == "Serial" or self.scope.find(node.receiver)
            self._unknown(name if known_receiver else node.receiver or "", node.at)
            for arg in node.args:
                self._expr(arg)  # its arguments may hold more to refuse
            return (lambda frame: 0), self.widths.int
        return self._board_call(spec, node)

    def _own_call(self, function: t.Function, node: t.Call) -> tuple[Value, Type]:
        if len(node.args) != len(function.params):
            self._refuse(
                "call-arguments",
                node.at,
                f"{function.name} takes {len(function.params)} values, {len(node.args)} are given",
            )
            return (lambda frame: 0), function.result
        args = [self._as(arg, param.type) for arg, param in zip(node.args, function.params, strict=True)]
        bodies, holder, name, at = self.bodies, self.machine, function.name, node.at

        def run(frame: Frame) -> Any:
            machine = holder[0]
            machine.step(at)
            machine.enter(at)
            action, slots = bodies[name]
            inner: Frame = [arg(frame) for arg in args] + [0] * (slots - len(args))
            machine.returned = 0
            action(inner)
            machine.depth -= 1
            return machine.returned

        return run, function.result

    def _board_call(self, spec: Spec, node: t.Call) -> tuple[Value, Type]:
        if not spec.least <= len(node.args) <= len(spec.takes):
            wants = str(spec.least) if spec.least == len(spec.takes) else f"{spec.least} to {len(spec.takes)}"
            self._refuse("call-arguments", node.at, f"{spec.name} takes {wants} values, {len(node.args)} are given")
            return (lambda frame: 0), self.widths.int
        values, kinds = [], []
        for arg, taken in zip(node.args, spec.takes, strict=False):
            value, kind = self._expr(arg)
            # Pins and levels are bytes to the board; what a student writes there is no overflow.
            values.append(value if taken == "any" else arithmetic.converted(value, kind, taken, arg.at, None))
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

        def run(frame: Frame) -> Any:
            machine = holder[0]
            machine.steps += 1
            if machine.steps > machine.budget.steps:
                raise Ended("steps", at)
            if us:
                machine.spend_us(us)
            return act(machine, at, types, *[value(frame) for value in values])

        return run, gives


def _blank(kind: Type) -> Callable[[], Any]:
    if isinstance(kind, Array):
        inner = _blank(kind.of)
        length = kind.length
        return lambda: [inner() for _ in range(length)]
    if kind == TEXT:
        return lambda: ""
    return (lambda: 0.0) if kind == FLOAT else (lambda: 0)


__all__ = ["BOOL", "Compiled", "Refused", "compile_program"]
