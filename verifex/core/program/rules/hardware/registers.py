"""Two bytes from a module put together to one number."""

from collections.abc import Iterator
from itertools import pairwise

from verifex.core.findings import Finding, Severity
from verifex.core.program import tree as t
from verifex.core.program.rules.book import PROGRAM
from verifex.core.program.rules.view import ProgramView
from verifex.core.program.types import Int
from verifex.core.rulebook import RUN_CONSEQUENCES, FindingFactory

REGISTER_BITS = 16
BYTE_CALLS = ("read", "receive")


@PROGRAM.rule(
    "sign-of-register-lost",
    Severity.FIX,
    title="The sign of a 16-bit number is lost",
    why="The module sends negative values as two bytes; kept in an unsigned number, or in a longer one, −1 becomes 65535.",
    hint="What comes out when the module is tilted the other way, and how are negative numbers sent?",
    criterion="program",
    source="typical of the family: the axes are sent as signed 16-bit numbers, the high byte first",
    explains=RUN_CONSEQUENCES,
)
def sign_of_register_lost(view: ProgramView, finding: FindingFactory) -> Iterator[Finding]:
    if not _reads_axes(view):
        return
    for name, value, at in _put_together(view):
        kinds = view.kinds.get(name, set())
        kind = next(iter(kinds)) if len(kinds) == 1 else None
        loses = isinstance(kind, Int) and (not kind.signed or kind.bits > REGISTER_BITS)
        if loses and not any(isinstance(n, t.Cast) for n in t.walk(value)):
            yield finding(
                f"Line {at.line} puts two bytes into `{name}`, a {kind}: a negative value becomes a large positive one.",
                f"Declare `{name}` as int16_t.",
                at=at,
            )
            return


@PROGRAM.rule(
    "bytes-turned-round",
    Severity.FIX,
    title="The two bytes of a number are put together the wrong way round",
    why="The module sends the high byte first; the other way round small values become large ones and jump.",
    hint="Which of the two bytes comes first, and which of them counts 256?",
    criterion="program",
    source="typical of the family: the axes are sent as signed 16-bit numbers, the high byte first",
    explains=RUN_CONSEQUENCES,
)
def bytes_turned_round(view: ProgramView, finding: FindingFactory) -> Iterator[Finding]:
    if not _reads_axes(view):
        return
    for body in (node.body for node in view.nodes if isinstance(node, t.Block)):
        for first, second in pairwise(body):
            name, low = _given(first)
            other, high = _given(second)
            if name and name == other and _is_byte(low) and _is_shifted(high):
                yield finding(
                    f"Line {first.at.line} takes the first byte as the low one, and line {second.at.line} the second as the high one.",
                    "Shift the first byte by 8, and add the second.",
                    at=first.at,
                )
                return


def _reads_axes(view: ProgramView) -> bool:
    return view.exercise is not None and any(r.quantity in ("gx", "gy", "gz") for r in view.exercise.readings)


def _given(statement: t.Stmt) -> tuple[str, t.Expr | None]:
    """The name that a statement gives a value, and the value."""
    if isinstance(statement, t.Declare):
        return statement.name, statement.value
    if (
        isinstance(statement, t.Do)
        and isinstance(statement.expr, t.Assign)
        and isinstance(statement.expr.target, t.Name)
    ):
        return statement.expr.target.name, statement.expr.value
    return "", None


def _is_byte(node: t.Expr | None) -> bool:
    """A byte as it comes from the bus."""
    return isinstance(node, t.Call) and node.receiver is not None and node.name in BYTE_CALLS


def _is_shifted(node: t.Expr | None) -> bool:
    return isinstance(node, t.Binary) and node.op == "<<" and _is_byte(node.left)


def _put_together(view: ProgramView) -> Iterator[tuple[str, t.Expr, t.At]]:
    """Names that are given a byte from the bus, shifted to be the high one."""
    for node in view.nodes:
        name, value = _given(node) if isinstance(node, t.Stmt) else ("", None)
        if name and value is not None and any(_is_shifted(n) for n in t.walk(value) if isinstance(n, t.Expr)):
            yield name, value, node.at
