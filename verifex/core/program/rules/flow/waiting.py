"""Waiting that may never end, and waiting where nothing may wait."""

from collections.abc import Iterator

from verifex.core.findings import Finding, Severity
from verifex.core.program import tree as t
from verifex.core.program.rules.book import PROGRAM
from verifex.core.program.rules.lookups import called_from, handlers
from verifex.core.program.rules.view import ProgramView
from verifex.core.rulebook import FindingFactory

PAUSES = ("delay", "pulseIn", "pulseInLong")


@PROGRAM.rule(
    "pause-in-interrupt",
    Severity.FIX,
    title="A pause inside an interrupt",
    why="While an interrupt runs the board's clock stands still, so a pause in it never ends, and nothing else is done.",
    hint="What still runs on the board while this function does?",
    criterion="program",
    source="the board's timers are interrupts themselves",
)
def pause_in_interrupt(view: ProgramView, finding: FindingFactory) -> Iterator[Finding]:
    for handler in [] if view.is_python else handlers(view):
        for function in called_from(view, handler):
            pause = next((n for n in t.walk(function.body) if isinstance(n, t.Call) and n.name in PAUSES), None)
            if pause is not None:
                yield finding(
                    f"`{handler.name}` is called by an interrupt, and line {pause.at.line} waits with {pause.name}().",
                    "Only set a flag in it; wait and print in loop().",
                    at=pause.at,
                )


@PROGRAM.rule(
    "waits-without-end",
    Severity.CHECK,
    title="The program waits for something that may never come",
    why="When no echo comes back, or nobody reads the serial line, the program stands in this line for ever.",
    hint="What happens in this line when the thing it waits for does not come?",
    criterion="program",
    source="a loop that only asks, without a time limit",
)
def waits_without_end(view: ProgramView, finding: FindingFactory) -> Iterator[Finding]:
    for function in view.tree.functions.values():
        nodes = t.walk(function.body)
        measures = any(
            isinstance(n, t.Call) and n.name in ("micros", "ticks_us", "perf_counter", "time") for n in nodes
        )
        waits = [n for n in nodes if isinstance(n, t.While) and not n.at_end and _only_asks(n)]
        for wait in waits:
            if _asks_serial(wait.condition):
                if not view.is_python:
                    yield finding(
                        f"Line {wait.at.line} waits until somebody reads the serial line.",
                        "Leave it out: on a supply of its own the bench would never begin.",
                        at=wait.at,
                        severity=Severity.NOTE,
                    )
            elif measures and len(waits) > 1 and _asks_pin(wait.condition):
                yield finding(
                    f"Line {wait.at.line} waits for an edge of the echo without a time limit; behind soft things none comes back.",
                    "Give up after some 30 ms, or use pulseIn() with its time limit."
                    if not view.is_python
                    else "Give up after some 30 ms.",
                    at=wait.at,
                )
                break


def _only_asks(node: t.While) -> bool:
    """Whether a loop's turns change nothing but what the time is."""
    acts = [n for n in t.walk(node.body) if isinstance(n, t.Call | t.Assign | t.Step | t.Break | t.Return | t.Raise)]
    clocks = all(
        (isinstance(n, t.Assign) and isinstance(n.value, t.Call) and "time" in n.value.name)
        or (isinstance(n, t.Call) and n.name in ("time", "ticks_us", "perf_counter", "micros", "monotonic"))
        for n in acts
    )
    timed = {"millis", "micros", "time", "ticks_ms", "ticks_us", "ticks_diff", "perf_counter", "monotonic"}
    asks_time = any(isinstance(n, t.Call) and n.name in timed for n in t.walk(node.condition))
    return clocks and not asks_time


def _asks_serial(condition: t.Expr) -> bool:
    return (
        isinstance(condition, t.Unary)
        and condition.op == "!"
        and (isinstance(condition.operand, t.Name) and condition.operand.name == "Serial")
    )


def _asks_pin(condition: t.Expr) -> bool:
    return any(isinstance(n, t.Call) and n.name in ("digitalRead", "input", "value") for n in t.walk(condition))
