"""Statements as closures: blocks, branches, loops, switches, declarations, functions."""

from collections.abc import Callable
from typing import Any

from verifex.core.parts import Board
from verifex.core.program import tree as t
from verifex.core.program.compiler.expressions import Expressions
from verifex.core.program.compiler.names import Action, Frame, Scope, Value
from verifex.core.program.machine import Machine
from verifex.core.program.types import FLOAT, TEXT, VOID, Array, Type

BREAK, CONTINUE, RETURN = "break", "continue", "return"


class Statements(Expressions):
    """A statement's closure gives None, or one of BREAK, CONTINUE, RETURN to those around it."""

    def __init__(self, program: t.Program, board: Board) -> None:
        super().__init__(program, board)
        self.bodies = {}
        self.result: Type = VOID

    def _function(self, function: t.Function) -> None:
        outer, self.scope = self.scope, Scope(self.scope)
        self.slots = self.most_slots = 0
        self.result = function.result
        for param in function.params:
            variable = self._new_variable(param.name, param.type, function.at, is_global=False, constant=False)
            variable.used = True
        action = self._block(function.body)
        self.bodies[function.name] = (action, self.most_slots)
        self.scope = outer

    def _block(self, block: t.Block) -> Action:
        outer, self.scope, slots = self.scope, Scope(self.scope), self.slots
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
                outer, self.scope, slots = self.scope, Scope(self.scope), self.slots
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
        idle = step is None and _waits_for_millis(condition, body)

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
                if idle:
                    machine.wait_for_next_ms()
                    continue
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
        outer, self.scope, slots = self.scope, Scope(self.scope), self.slots
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


def _waits_for_millis(condition: t.Expr | None, body: t.Stmt) -> bool:
    """Whether a loop does nothing but look at millis(): then only its next value can end it."""
    if condition is None or not isinstance(body, t.Block) or body.body:
        return False
    calls = [node for node in t.walk(condition) if isinstance(node, t.Call)]
    changes = any(isinstance(node, t.Assign | t.Step) for node in t.walk(condition))
    return bool(calls) and all(call.name == "millis" for call in calls) and not changes


def _blank(kind: Type) -> Callable[[], Any]:
    if isinstance(kind, Array):
        inner = _blank(kind.of)
        length = kind.length
        return lambda: [inner() for _ in range(length)]
    if kind == TEXT:
        return lambda: ""
    return (lambda: 0.0) if kind == FLOAT else (lambda: 0)
