"""Loops of the Python dialect as closures; those that only wait are passed over."""

from collections.abc import Callable
from typing import Any

from verifex.core.program import tree as t
from verifex.core.program.dynamic.calling import each
from verifex.core.program.dynamic.expressions import Expressions
from verifex.core.program.dynamic.snapshot import snapshot
from verifex.core.program.dynamic.values import HOST_ERRORS, Frame, as_raised
from verifex.core.program.machine import Machine

Action = Callable[[Frame], object]
BREAK, CONTINUE, RETURN = "break", "continue", "return"
MOST_SELDOM = 6  # every 64th turn at the least
CLOCKS = frozenset(("time", "monotonic", "perf_counter", "ticks_ms", "ticks_us", "time_ns"))
PASS_US = 2.0  # of a while loop: the least that one turn of it takes on a real board


class Loops(Expressions):
    """A statement's closure gives None, or one of BREAK, CONTINUE, RETURN to those around it."""

    def _one(self, node: t.Stmt) -> Action:
        raise NotImplementedError

    def _while(self, node: t.While) -> Action:
        test, inner, holder, at, cells = (
            self.truth(node.condition),
            self._one(node.body),
            self.machine,
            node.at,
            self.cells,
        )
        # Only a loop that calls something can be waiting for anything; one that only reckons is not watched.
        may_wait = any(isinstance(n, t.Call | t.Field) for n in t.walk(node)) or not t.children(node.body)
        only_notes_time = notes_time(node)
        no = self._one(node.no) if node.no else None

        def run(frame: Frame) -> object:
            machine = holder[0]
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
                    machine.breathe()
                if only_notes_time:
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

    def _for(self, node: t.ForIn) -> Action:
        values, write = self.expr(node.values), self.write_to(node.target)
        inner, holder, at = self._one(node.body), self.machine, node.at
        no = self._one(node.no) if node.no else None

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


def notes_time(node: t.While) -> bool:
    """Whether all that a loop does is to keep the time while it waits for something that is no time: then only its last
    turn counts."""
    if not isinstance(node.body, t.Block) or not node.body.body or _asks_time(node.condition):
        return False
    return all(
        isinstance(s, t.Do)
        and isinstance(s.expr, t.Assign)
        and s.expr.op == "="
        and isinstance(s.expr.target, t.Name)
        and isinstance(s.expr.value, t.Call)
        and s.expr.value.name in CLOCKS
        and not s.expr.value.args
        and not any(isinstance(n, t.Name) and n.name == s.expr.target.name for n in t.walk(node.condition))
        for s in node.body.body
    )


def _asks_time(node: t.Expr) -> bool:
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
