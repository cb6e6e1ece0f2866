"""Loops of the Python dialect as closures; those that only wait are passed over."""

import math
from collections.abc import Mapping
from typing import Any

from verifex.core.program import tree as t
from verifex.core.program.dynamic.assignments import Assignments
from verifex.core.program.dynamic.calling import each
from verifex.core.program.dynamic.expressions import Expressions
from verifex.core.program.dynamic.names import Action, ForwardReferences, Names
from verifex.core.program.dynamic.snapshot import snapshot
from verifex.core.program.dynamic.values import HOST_ERRORS, Frame, as_raised
from verifex.core.program.runtime.clocks import PYTHON_CLOCKS, side_of
from verifex.core.program.runtime.machine import Machine

BREAK, CONTINUE, RETURN = "break", "continue", "return"
MOST_SELDOM = 6  # every 64th turn at the least
CLOCKS = frozenset((*PYTHON_CLOCKS, "time_ns"))
LEAVES = (t.Return, t.Break, t.Raise)
PASS_US = 2.0  # of a while loop: the least that one turn of it takes on a real board


class Loops:
    """A statement's closure gives None, or one of BREAK, CONTINUE, RETURN to those around it."""

    def __init__(
        self, names: Names, expressions: Expressions, assignments: Assignments, later: ForwardReferences
    ) -> None:
        self.names, self.expressions, self.assignments, self.later = names, expressions, assignments, later

    def while_(self, node: t.While) -> Action:
        test, holder, at, cells = self.expressions.truth(node.condition), self.names.machine, node.at, self.names.cells
        noted, clocks = noted_times(node, self.names.clocks), self.names.clocks
        self.names.clocks = {**clocks, **(noted or {})}
        inner = self.later.one(node.body)
        self.names.clocks = clocks
        # Only a loop that calls something can be waiting for anything; one that only reckons is not watched.
        may_wait = any(isinstance(n, t.Call | t.Field) for n in t.walk(node)) or not t.children(node.body)
        no = self.later.one(node.no) if node.no else None

        def run(frame: Frame) -> object:
            machine = holder[0]
            around, machine.flip_us = machine.flip_us, math.inf
            try:
                return turns(machine, frame)
            finally:
                # What a loop inside found of the clock is nothing the turn around it can be passed over by.
                machine.time_asked += machine.flip_us < math.inf
                machine.flip_us = around

        def turns(machine: Machine, frame: Frame) -> object:
            before: object = None
            moving = passes = 0
            while True:
                since = machine.pass_begins() if may_wait else None
                if not test(frame):
                    return no(frame) if no else None
                machine.step(at)
                signal = inner(frame)
                if signal is not None and signal is not CONTINUE:
                    return None if signal is BREAK else signal
                if since is None:
                    continue
                machine.spend_us(PASS_US)
                if machine.steps > machine.soft_steps:
                    machine.throttle()
                if noted is not None:
                    if machine.was_quiet(since):
                        machine.skip_repeats(since, clock=False)
                    continue
                # A loop whose values move with every turn is looked at more and more seldom.
                passes += 1
                if passes & ((1 << min(moving >> 2, MOST_SELDOM)) - 1):
                    before = None
                    continue
                after = pass_over(machine, since, before, cells, frame)
                moving = 0 if after is not None and after == before else moving + 1
                before = after

        return run

    def for_(self, node: t.ForIn) -> Action:
        values, write = self.expressions.value(node.values), self.assignments.write_to(node.target)
        inner, holder, at = self.later.one(node.body), self.names.machine, node.at
        no = self.later.one(node.no) if node.no else None

        def run(frame: Frame) -> object:
            machine = holder[0]
            try:
                through = each(machine, values(frame), at)
            except HOST_ERRORS as wrong:
                raise as_raised(wrong, at) from None
            while True:
                try:
                    value = next(through)
                    write(frame, value)
                except StopIteration:
                    return no(frame) if no else None
                except (*HOST_ERRORS, RuntimeError) as wrong:  # what is gone through was changed under way
                    raise as_raised(wrong, at) from None
                machine.step(at)
                signal = inner(frame)
                if signal is not None and signal is not CONTINUE:
                    return None if signal is BREAK else signal

        return run


def noted_times(node: t.While, clocks: Mapping[str, float]) -> dict[str, float] | None:
    """The names in which a loop keeps the time while it waits, as `clocks.side_of` takes them; None where it does more.

    Such a loop waits for something else, or for a time that is known; but for a way out of it, only its last turn counts.
    """
    if not isinstance(node.body, t.Block) or not node.body.body or _asks_time(node.condition, clocks):
        return None
    noted: dict[str, float] = {}
    in_condition = {n.name for n in t.walk(node.condition) if isinstance(n, t.Name)}
    for statement in node.body.body:
        if isinstance(statement, t.If):
            known = {**clocks, **noted}
            if statement.no or _asks_time(statement.condition, known) or _does(statement.condition, known):
                return None
            if not isinstance(statement.yes, t.Block) or not isinstance(statement.yes.body[-1], LEAVES):
                return None
            continue
        name = _kept_time(statement)
        if name is None or name in in_condition:
            return None
        kept = statement.expr.value if isinstance(statement, t.Do) and isinstance(statement.expr, t.Assign) else None
        unit = clocks.get(kept.name) if isinstance(kept, t.Call) else None
        if unit is not None:
            noted[f"={name}"] = unit
    return noted


def _kept_time(node: t.Stmt) -> str | None:
    """The name in which a statement keeps the time, if that is all it does."""
    if not isinstance(node, t.Do) or not isinstance(node.expr, t.Assign) or node.expr.op != "=":
        return None
    target, value = node.expr.target, node.expr.value
    asks = isinstance(value, t.Call) and value.name in CLOCKS and not value.args
    return target.name if asks and isinstance(target, t.Name) else None


def _does(node: t.Expr, clocks: Mapping[str, float]) -> bool:
    """Whether a condition does more than compare: its clocks apart it calls something, or it looks at a time that moves."""
    if isinstance(node, t.Binary) and side_of(node, clocks):
        return False
    if isinstance(node, t.Binary) and node.op in ("&&", "||"):
        return _does(node.left, clocks) or _does(node.right, clocks)
    return any(isinstance(n, t.Call) or (isinstance(n, t.Name) and f"={n.name}" in clocks) for n in t.walk(node))


def _asks_time(node: t.Expr, clocks: Mapping[str, float]) -> bool:
    """Whether a condition looks at the clock other than in a comparison that says when it comes out otherwise."""
    if isinstance(node, t.Binary) and side_of(node, clocks):
        return False
    if isinstance(node, t.Binary) and node.op in ("&&", "||"):
        return _asks_time(node.left, clocks) or _asks_time(node.right, clocks)
    return any(isinstance(n, t.Call) and n.name in CLOCKS for n in t.walk(node))


def pass_over(machine: Machine, since: Any, before: object, cells: Frame, frame: Frame) -> object:
    """After a turn of a loop that changed nothing: time goes on to where the next could be another one.

    A loop that only looks at the clock looks once a millisecond. Gives how things stand now, or None when the turn did
    something.
    """
    after = snapshot(cells, frame) if machine.was_quiet(since) else None
    if after is not None and after == before:
        if machine.activity == since.activity and machine.time_asked != since.time_asked:
            machine.wait_for_next_ms()
        else:
            machine.skip_repeats(since)
    return after
