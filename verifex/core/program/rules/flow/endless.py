"""Loops and calls that never come to an end, and comparisons that never come true."""

from collections.abc import Iterator

from verifex.core.findings import Finding, Severity
from verifex.core.program import tree as t
from verifex.core.program.rules.book import PROGRAM
from verifex.core.program.rules.lookups import called_from, changed_name, handlers, is_float, is_unsigned, names_in
from verifex.core.program.rules.view import ProgramView
from verifex.core.rulebook import RUN_CONSEQUENCES, FindingFactory

CONSEQUENCES = ("run-ended", "nothing-printed", *RUN_CONSEQUENCES)
EXACT = 2**20  # steps of a part of this many are exact in a float


@PROGRAM.rule(
    "calls-itself-without-end",
    Severity.FIX,
    title="A function calls itself without end",
    why="Each call waits for the next one and keeps its place in memory; the board runs out of it and starts anew.",
    hint="Which call of this function is the last one?",
    criterion="program",
    source="the language: every call keeps its place until it comes back",
    explains=CONSEQUENCES,
)
def calls_itself(view: ProgramView, finding: FindingFactory) -> Iterator[Finding]:
    for function in view.tree.functions.values():
        if function.runs != "plain":
            continue
        for statement in function.body.body:
            if any(isinstance(n, t.Return | t.Raise) for n in t.walk(statement)) and not isinstance(
                statement, t.Return
            ):
                break  # it may come back before it calls itself
            call = _certain_call(statement)
            if call is not None and call.name == function.name and call.receiver is None and call.on is None:
                yield finding(
                    f"`{function.name}` calls itself in line {call.at.line}, every time it is called.",
                    "Use a loop, or come back before the call when there is nothing left to do.",
                    at=call.at,
                )
                break


def _certain_call(statement: t.Stmt) -> t.Call | None:
    """The call that a statement is, where nothing decides whether it is made."""
    value = (
        statement.expr if isinstance(statement, t.Do) else statement.value if isinstance(statement, t.Return) else None
    )
    return value if isinstance(value, t.Call) else None


@PROGRAM.rule(
    "waits-for-nothing",
    Severity.FIX,
    title="A loop waits for something that nothing changes",
    why="While the loop turns nothing else runs, so what it waits for stays as it is.",
    hint="Which line changes the value this loop waits for, and when is that line run?",
    criterion="program",
    source="the language: no call and no value given in the loop, and no interrupt changes it",
    explains=CONSEQUENCES,
)
def waits_for_nothing(view: ProgramView, finding: FindingFactory) -> Iterator[Finding]:
    if view.is_python and "threading" in view.tree.imported():
        return
    changed_by_interrupts = {
        name
        for handler in handlers(view)
        for function in called_from(view, handler)
        for node in t.walk(function.body)
        if (name := changed_name(node))
    }
    for loop in (n for n in view.nodes if isinstance(n, t.While)):
        named = names_in(loop.condition)
        inside = [
            n for n in t.walk(loop.body) if isinstance(n, t.Call | t.Assign | t.Step | t.Break | t.Return | t.Raise)
        ]
        plain = not any(isinstance(n, t.Call | t.Field | t.Index | t.Assign | t.Step) for n in t.walk(loop.condition))
        variables = {name for name in named if name in view.kinds or view.is_python} - {"true", "True", "HIGH", "LOW"}
        if not plain or inside or not variables or variables & changed_by_interrupts or _is_fixed(view, loop.condition):
            continue
        shown = ", ".join(f"`{name}`" for name in sorted(variables))
        yield finding(
            f"Line {loop.at.line} waits for {shown}, and nothing in the loop changes that.",
            "Read it anew in the loop, or leave the waiting to loop() itself.",
            at=loop.at,
        )


def _is_fixed(view: ProgramView, condition: t.Expr) -> bool:
    """Whether a condition is a constant, as in `while (RUNNING)`: that loop is intended to last."""
    return view.known_number(condition) is not None


@PROGRAM.rule(
    "difference-never-negative",
    Severity.FIX,
    title="An unsigned difference is never below 0",
    why="Unsigned numbers cannot be negative: below 0 they wrap around to the largest, and the comparison never comes true.",
    hint="What is 3 − 5 for an unsigned number?",
    criterion="program",
    source="the language: an unsigned difference wraps around",
    explains=RUN_CONSEQUENCES,
)
def difference_never_negative(view: ProgramView, finding: FindingFactory) -> Iterator[Finding]:
    for node in [] if view.is_python else view.nodes:
        if not isinstance(node, t.Binary) or node.op not in ("<", "<=", ">", ">="):
            continue
        difference, zero = (node.left, node.right) if node.op in ("<", "<=") else (node.right, node.left)
        if view.known_number(zero) != 0 or not isinstance(difference, t.Binary) or difference.op != "-":
            continue
        sides = (difference.left, difference.right)
        if all(_has_no_sign(view, side) for side in sides):
            yield finding(
                f"Line {node.at.line} asks whether an unsigned difference is below 0.",
                "Compare the two with each other, or ask whether enough time has gone by: `millis() - last >= 1000`.",
                at=node.at,
            )


def _has_no_sign(view: ProgramView, node: t.Expr) -> bool:
    if isinstance(node, t.Name):
        return is_unsigned(view, node.name)
    if isinstance(node, t.Binary) and node.op == "+":
        sides = [side for side in (node.left, node.right) if view.known_number(side) is None]
        return bool(sides) and all(_has_no_sign(view, side) for side in sides)
    return isinstance(node, t.Call) and node.name in ("millis", "micros") and not view.tree.named(node.name)


@PROGRAM.rule(
    "float-stepped-to-equality",
    Severity.FIX,
    title="A float is stepped, and compared for equality",
    why="A tenth has no exact value in a float; ten of them are not 1, and the loop goes past its end.",
    hint="Is 0.1 + 0.2 the same as 0.3 for a computer?",
    criterion="program",
    source="IEEE 754: only sums of powers of two are exact",
    explains=CONSEQUENCES,
)
def float_stepped_to_equality(view: ProgramView, finding: FindingFactory) -> Iterator[Finding]:
    for node in view.nodes:
        if (
            not isinstance(node, t.For | t.While)
            or not isinstance(node.condition, t.Binary)
            or node.condition.op != "!="
        ):
            continue
        names = {side.name for side in (node.condition.left, node.condition.right) if isinstance(side, t.Name)}
        steps = [n for n in t.walk(node) if isinstance(n, t.Assign) and n.op in ("+=", "-=")]
        for step in steps:
            size = view.known_number(step.value)
            name = changed_name(step)
            if (
                name in names
                and size is not None
                and size * EXACT % 1
                and (view.is_python or is_float(view, name or ""))
            ):
                yield finding(
                    f"`{name}` is stepped by {size:g} in line {step.at.line} and compared with `!=`.",
                    "Compare with `<`, or count whole numbers and divide.",
                    at=node.at,
                )
                break
