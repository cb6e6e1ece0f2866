"""Values kept in something too small for them."""

from collections.abc import Iterator

from verifex.core.findings import Finding, Severity
from verifex.core.program import tree as t
from verifex.core.program.rules.book import PROGRAM
from verifex.core.program.rules.view import ProgramView
from verifex.core.program.types import Int, Type
from verifex.core.rulebook import RUN_CONSEQUENCES, FindingFactory

CLOCKS = ("millis", "micros")
REGISTER_BITS = 16


@PROGRAM.rule(
    "clock-in-int",
    Severity.FIX,
    title="The clock is kept in an int",
    why="millis() goes beyond 32767 after half a minute; in an int it then jumps to negative, and what waits for it never ends or never waits.",
    hint="How large does millis() become during a lesson, and how large may an int be on your board?",
    criterion="program",
    source="the language of a 16-bit-int compiler: millis() gives an unsigned long",
    explains=RUN_CONSEQUENCES,
)
def clock_in_int(view: ProgramView, finding: FindingFactory) -> Iterator[Finding]:
    for name, value, at in _given(view):
        kind = _only_kind(view, name)
        if not isinstance(value, t.Call) or value.receiver is not None or value.name not in CLOCKS:
            continue
        if view.tree.named(value.name) or not isinstance(kind, Int) or kind.bits > REGISTER_BITS:
            continue
        if not kind.signed and kind.bits == REGISTER_BITS:
            continue  # differences of 16 bits come out right, as long as they are short
        yield finding(
            f"Line {at.line} keeps {value.name}() in `{name}`, which ends at {kind.high}.",
            f"Declare `{name}` as unsigned long.",
            at=at,
            limit=float(kind.high),
        )


@PROGRAM.rule(
    "reading-in-byte",
    Severity.CHECK,
    title="A reading is kept in a byte",
    why="A byte ends at 255; a larger count starts again from 0, and looks like a small one.",
    hint="Which is the largest number analogRead() can give, and which is the largest a byte can hold?",
    criterion="program",
    source="the counts of the board's converter, and the language",
    explains=RUN_CONSEQUENCES,
)
def reading_in_byte(view: ProgramView, finding: FindingFactory) -> Iterator[Finding]:
    seeds = {
        n.name for call in view.calls("randomSeed") for arg in call.args for n in t.walk(arg) if isinstance(n, t.Name)
    }
    for name, value, at in _given(view):
        kind = _only_kind(view, name)
        if not (isinstance(value, t.Call) and value.receiver is None and value.name == "analogRead"):
            continue
        if isinstance(kind, Int) and kind.high < view.board.counts - 1 and name not in seeds:
            yield finding(
                f"Line {at.line} keeps a count of up to {view.board.counts - 1} in `{name}`, which ends at {kind.high}.",
                f"Declare `{name}` as int.",
                at=at,
                limit=float(kind.high),
            )


def _given(view: ProgramView) -> Iterator[tuple[str, t.Expr | None, t.At]]:
    """(name, value, place) wherever a plain name is given a value as it is."""
    for node in [] if view.is_python else view.nodes:
        if isinstance(node, t.Declare):
            yield node.name, node.value, node.at
        elif isinstance(node, t.Assign) and node.op == "=" and isinstance(node.target, t.Name):
            yield node.target.name, node.value, node.at


def _only_kind(view: ProgramView, name: str) -> Type | None:
    """The type of a name that has one type in the whole program."""
    kinds = view.kinds.get(name, set())
    return next(iter(kinds)) if len(kinds) == 1 else None
