"""Loops and switches as closures."""

from collections.abc import Callable
from typing import Any

from verifex.core.program import arithmetic
from verifex.core.program import tree as t
from verifex.core.program.compiler.expressions import Expressions
from verifex.core.program.compiler.names import Action, CompileContext, ForwardReferences, Frame, Scope
from verifex.core.program.runtime.machine import Ended
from verifex.core.program.types import AUTO, Array

FAR_US = 1e12  # the clock never comes to this
BREAK, CONTINUE, RETURN = "break", "continue", "return"


class Loops:
    """A statement's closure gives None, or one of BREAK, CONTINUE, RETURN to those around it."""

    def __init__(self, names: CompileContext, expressions: Expressions, later: ForwardReferences) -> None:
        self.names, self.expressions, self.later = names, expressions, later
        self.inside_loops = self.inside_switches = 0

    def loop(
        self,
        start: Action | None,
        condition: t.Expr | None,
        step: t.Expr | None,
        body: t.Stmt,
        at: t.At,
        *,
        at_end: bool = False,
    ) -> Action:
        test = self.expressions.truth(condition) if condition is not None else None
        self.inside_loops += 1
        inner = self.later.statement(body)
        self.inside_loops -= 1
        advance = self.expressions.value(step)[0] if step is not None else None
        holder = self.names.machine
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
            most, began_us = machine.budget.steps, machine.now_us
            while test is None or test(frame):
                machine.steps = steps = machine.steps + 1
                if steps > most:
                    raise Ended("steps", at)
                if idle:
                    if machine.flip_us < FAR_US:
                        machine.waited(machine.flip_us - began_us, at)
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

    def for_each(self, node: t.ForEach) -> Action:
        values, kind = self.expressions.value(node.values)
        if not isinstance(kind, Array):
            self.names.refuse("wrong-types", node.at, "for ( : ) goes through an array")
            return lambda frame: None
        outer, self.names.scope, slots = self.names.scope, Scope(self.names.scope), self.names.slots
        item = self.names.typed(node.item, kind.of) if node.item.type == AUTO else node.item
        variable = self.names.new_variable(item.name, item.type, item.at, is_global=False, constant=item.constant)
        variable.reference, variable.used = item.reference, True
        self.inside_loops += 1
        inner = self.later.statement(node.body)
        self.inside_loops -= 1
        self.names.scope, self.names.slots = outer, slots
        index, holder, at = variable.index, self.names.machine, node.at
        one: list[Any] = [0]
        taken = arithmetic.converted(lambda frame: one[0], kind.of, item.type, node.at, self.names.machine)

        def run(frame: Frame) -> object:
            cells = values(frame)
            for position in range(len(cells)):
                holder[0].step(at)
                if item.reference:
                    frame[index] = (cells, position)
                else:
                    one[0] = cells[position]
                    frame[index] = taken(frame)
                signal = inner(frame)
                if signal is BREAK:
                    break
                if signal is RETURN:
                    return signal
            return None

        return run

    def switch(self, node: t.Switch) -> Action:
        value, _ = self.expressions.value(node.value)
        labels: list[Callable[[Frame, Any], bool] | None] = []  # whether a value is intended; None for `default`
        bodies: list[Action] = []
        outer, self.names.scope, slots = self.names.scope, Scope(self.names.scope), self.names.slots
        self.inside_switches += 1
        self._refuse_twice(node)
        for case in node.cases:
            labels.append(self._label(case))
            bodies.append(self.later.sequence(case.body))
        self.inside_switches -= 1
        self.names.scope, self.names.slots = outer, slots

        def run(frame: Frame) -> object:
            chosen = value(frame)
            first = next((i for i, means in enumerate(labels) if means and means(frame, chosen)), None)
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

    def _label(self, case: t.Case) -> Callable[[Frame, Any], bool] | None:
        if case.value is None:
            return None
        low = self.expressions.value(case.value)[0]
        if case.last is None:
            return lambda frame, chosen: low(frame) == chosen
        high = self.expressions.value(case.last)[0]
        return lambda frame, chosen: low(frame) <= chosen <= high(frame)

    def _refuse_twice(self, node: t.Switch) -> None:
        """Two cases with the same value cannot be distinguished."""
        seen: set[object] = set()
        for case in node.cases:
            label = case.value.value if isinstance(case.value, t.Number) and case.last is None else None
            key = "default" if case.value is None else label
            if key is not None and key in seen:
                self.names.refuse("declared-twice", case.at, "default" if case.value is None else f"case {label:g}")
            seen.add(key)


def _waits_for_millis(condition: t.Expr | None, body: t.Stmt) -> bool:
    """Whether a loop does nothing but look at millis(): then only its next value can end it."""
    if condition is None or not isinstance(body, t.Block) or body.body:
        return False
    calls = [node for node in t.walk(condition) if isinstance(node, t.Call)]
    changes = any(isinstance(node, t.Assign | t.Step) for node in t.walk(condition))
    return bool(calls) and all(call.name == "millis" for call in calls) and not changes
