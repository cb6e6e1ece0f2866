"""Comparisons with the clock: when the next one comes out otherwise, so that the time until then can be passed over.

`millis() - last >= 250` can only change when the clock has run on by what is missing, so a loop that asks nothing else
of the time does the same until then.
"""

from collections.abc import Callable, Mapping
from typing import Any

from verifex.core.program import tree as t
from verifex.core.program.runtime.machine import Machine

COMPARES = ("<", ">", "<=", ">=")
#: Clocks by name, with the µs of one of their units; of those in whole units, which a value stands still in.
CPP_CLOCKS = {"millis": 1000.0}
PYTHON_CLOCKS = {"time": 1e6, "monotonic": 1e6, "perf_counter": 1e6, "ticks_ms": 1000.0, "ticks_us": 1.0}
DIFFERENCE = "ticks_diff"
OWNERS = (None, "time", "utime")  # what a clock is called on
Value = Callable[[list[Any]], Any]


def clock_in(node: t.Expr, clocks: Mapping[str, float]) -> float | None:
    """The µs of a unit where an expression runs on with the clock as fast as the clock itself; None for any other.

    A name in `clocks` is a call without values, or a variable that holds the time of this pass.
    """
    match node:
        case t.Call(name=name, args=(), receiver=owner) if name in clocks and owner in OWNERS:
            return clocks[name]
        case t.Call(name=name, args=(first, second), receiver=owner) if (
            name == DIFFERENCE and owner in OWNERS and is_plain(second, clocks)
        ):
            return clock_in(first, clocks)
        case t.Name(name=name):
            return clocks.get(f"={name}")
        case t.Cast(operand=operand):
            return clock_in(operand, clocks)
        case t.Binary(op="-", left=left, right=right) if is_plain(right, clocks):
            return clock_in(left, clocks)
        case t.Binary(op="+", left=left, right=right) if is_plain(right, clocks):
            return clock_in(left, clocks)
        case t.Binary(op="+", left=left, right=right) if is_plain(left, clocks):
            return clock_in(right, clocks)
    return None


def is_plain(node: t.Expr, clocks: Mapping[str, float]) -> bool:
    """Whether nothing in an expression is called or changed, nor is it a time itself."""
    return not any(
        isinstance(n, t.Call | t.Assign | t.Step) or (isinstance(n, t.Name) and f"={n.name}" in clocks)
        for n in t.walk(node)
    )


def side_of(node: t.Binary, clocks: Mapping[str, float]) -> tuple[int, float] | None:
    """Which side of a comparison is the clock (0 left, 1 right) and its unit; None where it is no such comparison."""
    if node.op not in COMPARES:
        return None
    for side, (clock, other) in enumerate(((node.left, node.right), (node.right, node.left))):
        unit = clock_in(clock, clocks)
        if unit is not None and is_plain(other, clocks):
            return side, unit
    return None


def watched(
    make: Callable[[Value, Value], Value],
    left: Value,
    right: Value,
    side: int,
    unit_us: float,
    holder: list[Machine],
    *,
    asked: bool,
) -> Value:
    """A comparison that tells the machine when it next comes out otherwise. `make` builds it from its two sides; `asked`
    says whether it asks the clock itself, and not a variable that holds the time."""
    seen: list[Any] = [0, 0]

    def note(index: int, value: Value) -> Value:
        def run(frame: list[Any]) -> Any:
            seen[index] = found = value(frame)
            return found

        return run

    compare = make(note(0, left), note(1, right))

    def run(frame: list[Any]) -> Any:
        found = compare(frame)
        holder[0].clock_compared(seen[side], seen[1 - side], unit_us, asked=asked)
        return found

    return run


def times_of_pass(function: t.Function) -> dict[str, float]:
    """Local variables that hold the time of this pass and are only compared, or kept in something that lasts."""
    nodes = t.walk(function.body)
    local = {n.name for n in nodes if isinstance(n, t.Declare) and not n.static} | {p.name for p in function.params}
    changed = {n.target.name for n in nodes if isinstance(n, t.Assign | t.Step) and isinstance(n.target, t.Name)}
    found: dict[str, float] = {}
    for declared in nodes:
        if not isinstance(declared, t.Declare) or declared.static or declared.name in changed:
            continue
        if not isinstance(declared.value, t.Call) or declared.value.name not in CPP_CLOCKS or declared.value.args:
            continue
        unit = CPP_CLOCKS[declared.value.name]
        own = {f"={declared.name}": unit}
        fine: set[int] = set()
        for node in nodes:
            if isinstance(node, t.Binary) and side_of(node, own):
                fine |= {id(n) for n in t.walk(node) if isinstance(n, t.Name) and n.name == declared.name}
            elif isinstance(node, t.Assign) and node.op == "=" and isinstance(node.value, t.Name):
                lasts = not (isinstance(node.target, t.Name) and node.target.name in local)
                fine |= {id(node.value)} if lasts else set()
        if all(id(n) in fine for n in nodes if isinstance(n, t.Name) and n.name == declared.name):
            found[f"={declared.name}"] = unit
    return found
