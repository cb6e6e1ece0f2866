"""Comparisons that come out otherwise than they read."""

from collections.abc import Iterator

from verifex.core.findings import Finding, Severity
from verifex.core.program import tree as t
from verifex.core.program.rules.book import PROGRAM
from verifex.core.program.rules.lookups import COMPARES, changed_name, is_chars, is_float, is_unsigned
from verifex.core.program.rules.tidy import PIN_CALLS
from verifex.core.program.rules.view import ProgramView
from verifex.core.rulebook import RUN_CONSEQUENCES, FindingFactory


def _comparisons(view: ProgramView, *ops: str) -> Iterator[tuple[t.Binary, t.Expr, t.Expr]]:
    """Each comparison, both ways round: (node, one side, the other)."""
    for node in view.nodes:
        if isinstance(node, t.Binary) and node.op in (ops or COMPARES):
            yield node, node.left, node.right
            yield node, node.right, node.left


@PROGRAM.rule(
    "text-by-address",
    Severity.FIX,
    title="Texts are compared by their addresses",
    why="A list of characters is its address: `==` asks whether both lie in the same place, which they never do.",
    hint="What does `==` compare when one side is a list of characters?",
    criterion="program",
    source="the language: arrays become addresses",
    explains=RUN_CONSEQUENCES,
)
def text_by_address(view: ProgramView, finding: FindingFactory) -> Iterator[Finding]:
    if view.is_python:
        return
    seen: set[int] = set()
    for node, one, other in _comparisons(view, "==", "!="):
        texts = isinstance(other, t.Text) or (isinstance(other, t.Name) and is_chars(view, other.name))
        if isinstance(one, t.Name) and is_chars(view, one.name) and texts and id(node) not in seen:
            seen.add(id(node))
            never = "never true" if node.op == "==" else "always true"
            yield finding(
                f"`{one.name}` is a list of characters; line {node.at.line} compares its address, so this is {never}.",
                f"Write `strcmp({one.name}, …) == 0`, or make it a String.",
                at=node.at,
            )


@PROGRAM.rule(
    "float-equality",
    Severity.CHECK,
    title="A number with a decimal point is compared for equality",
    why="A measured or calculated number nearly never meets another to the last digit.",
    hint="Will the reading ever be exactly this number?",
    criterion="program",
    source="the format of floats: most decimal fractions have no exact value",
    explains=RUN_CONSEQUENCES,
)
def float_equality(view: ProgramView, finding: FindingFactory) -> Iterator[Finding]:
    for node, one, other in _comparisons(view, "==", "!="):
        limit = view.known_number(other)
        if not isinstance(one, t.Name) or limit is None or limit == int(limit):
            continue
        if view.is_python or is_float(view, one.name):
            yield finding(
                f"Line {node.at.line} asks whether `{one.name}` is exactly {limit:g}.",
                "Ask whether it is above or below, or within a little of it.",
                at=node.at,
            )


@PROGRAM.rule(
    "unsigned-below-zero",
    Severity.CHECK,
    title="An unsigned number is compared with less than 0",
    why="An unsigned type wraps around from 0 to its largest number, so it is never below 0.",
    hint="Which number comes after 0 when this variable counts down?",
    criterion="program",
    source="the language: unsigned types wrap around",
    explains=("run-ended", "outside-array", *RUN_CONSEQUENCES),
)
def unsigned_below_zero(view: ProgramView, finding: FindingFactory) -> Iterator[Finding]:
    loops = {id(n.condition) for n in view.nodes if isinstance(n, t.For | t.While) and n.condition is not None}
    for node in view.nodes:
        if not isinstance(node, t.Binary) or view.is_python:
            continue
        zero = isinstance(node.right, t.Number) and node.right.value == 0 and node.op in (">=", "<")
        if zero and isinstance(node.left, t.Name) and is_unsigned(view, node.left.name):
            said = "always true" if node.op == ">=" else "never true"
            yield finding(
                f"`{node.left.name}` is unsigned, so `{node.left.name} {node.op} 0` in line {node.at.line} is {said}.",
                f"Make `{node.left.name}` an int.",
                at=node.at,
                severity=Severity.FIX if id(node) in loops and node.op == ">=" else Severity.CHECK,
            )
        early = node.left if node.op in (">", ">=") else node.right if node.op in ("<", "<=") else None
        if isinstance(early, t.Binary) and early.op == "-" and _is_clock(early.left):
            ms = view.known_number(early.right)
            if ms is not None and ms > 0:
                yield finding(
                    f"In the first {ms:g} ms the difference in line {node.at.line} is below 0, and wraps to some 4 thousand million.",
                    "Subtract the earlier time from millis(): `millis() - before > …`.",
                    at=node.at,
                )


def _is_clock(node: t.Expr) -> bool:
    return isinstance(node, t.Call) and node.name in ("millis", "micros") and not node.args


@PROGRAM.rule(
    "binds-otherwise",
    Severity.FIX,
    title="Operators are worked out in another order than it reads",
    why="Comparisons bind closer than `&`, `|` and `^`, and `!` binds closest of all: the question is another one than intended.",
    hint="Put brackets around what belongs together, then read the line again.",
    criterion="program",
    source="the language's table of precedence",
    explains=RUN_CONSEQUENCES,
)
def binds_otherwise(view: ProgramView, finding: FindingFactory) -> Iterator[Finding]:
    if view.is_python:
        return
    for node in view.nodes:
        match node:
            case t.Binary(op="&" | "|" | "^" as op, left=left, right=right) if _compares(left) != _compares(right):
                inner = left if _compares(left) else right
                plain = right if _compares(left) else left
                if not _bracketed(view, inner) and not _is_truth(view, plain):
                    yield finding(
                        f"In line {node.at.line} the comparison is worked out first, then `{op}`.",
                        f"Put brackets around what `{op}` joins: `(a {op} b) == c`.",
                        at=node.at,
                    )
            case t.Binary(op="==" | "!=", left=t.Unary(op="!", operand=operand), right=right):
                number = view.known_number(right)
                if (
                    not _bracketed(view, node.left)
                    and number is not None
                    and number not in (0, 1)
                    and not _compares(operand)
                ):
                    yield finding(
                        f"In line {node.at.line} `!` turns only the left side round, which is then 0 or 1 and never {number:g}.",
                        "Write `!=` between the two.",
                        at=node.at,
                    )


def _compares(node: t.Expr) -> bool:
    return isinstance(node, t.Binary) and node.op in COMPARES


def _is_truth(view: ProgramView, node: t.Expr) -> bool:
    """Whether something is 0 or 1 by itself: then `&` between it and a comparison does no harm."""
    if isinstance(node, t.Call):
        return node.name in ("digitalRead", "isnan") or node.name.startswith(("is", "has"))
    if isinstance(node, t.Unary):
        return node.op == "!"
    return (isinstance(node, t.Binary) and node.op in ("&&", "||")) or (
        isinstance(node, t.Name) and {str(kind) for kind in view.kinds.get(node.name, set())} == {"bool"}
    )


def _bracketed(view: ProgramView, node: t.Expr) -> bool:
    """Whether an expression stands in brackets of its own: the text before its first part opens one that closes behind."""
    lines = view.source.split("\n")
    first = min(t.walk(node), key=lambda n: (n.at.line, n.at.column))
    before = lines[first.at.line - 1][: first.at.column - 1].rstrip() if first.at.line <= len(lines) else ""
    return before.endswith("(") and not before.rstrip("(").rstrip().endswith(("if", "while", "return"))


@PROGRAM.rule(
    "macro-falls-apart",
    Severity.CHECK,
    title="A macro that needs brackets",
    why="A macro is put in as text: the operators around it take hold of its first or last part only.",
    hint="Write out this line with the macro's text in place of its name. Is it still the same sum?",
    criterion="program",
    source="the language: macros are replaced before anything is worked out",
    explains=("average-of-another-count", *RUN_CONSEQUENCES),
)
def macro_falls_apart(view: ProgramView, finding: FindingFactory) -> Iterator[Finding]:
    for at, said in {at: said for said, at in reversed(view.tree.apart)}.items():
        yield finding(
            f"In line {at.line}, `{said}`, the text of a macro is taken apart by the operators around it.",
            "Put brackets around the macro's text: `#define SUM (A + B)`.",
            at=at,
        )


@PROGRAM.rule(
    "pin-as-value",
    Severity.FIX,
    title="A pin's number is used as if it were its level",
    why="The name is the pin's number, which never changes; what is on the pin has to be asked.",
    hint="Is this name the number of a pin, or what was read from it?",
    criterion="program",
    source="the names that are given to calls as pins",
    explains=RUN_CONSEQUENCES,
)
def pin_as_value(view: ProgramView, finding: FindingFactory) -> Iterator[Finding]:
    changed = {changed_name(n) for n in view.nodes}
    pins = {
        n.args[0].name
        for n in view.nodes
        if isinstance(n, t.Call) and n.name in PIN_CALLS and n.args and isinstance(n.args[0], t.Name)
    }
    pins = {name for name in pins if name not in changed and view.known_number(t.Name(t.At(0, 0), name)) is not None}
    asked: dict[tuple[str, int], t.At] = {}
    for node in view.nodes:
        match node:
            case t.Binary(op="==" | "!=", left=t.Name(name=name), right=right) if name in pins:
                if isinstance(right, t.Name) and right.name in ("HIGH", "LOW", "true", "false", "True", "False"):
                    asked.setdefault((name, node.at.line), node.at)
            case t.If(condition=t.Name(name=name)) | t.While(condition=t.Name(name=name)) if name in pins:
                asked.setdefault((name, node.at.line), node.at)
            case t.If(condition=t.Unary(op="!", operand=t.Name(name=name))) if name in pins:
                asked.setdefault((name, node.at.line), node.at)
    for (name, line), at in asked.items():
        yield finding(
            f"`{name}` in line {line} is the number of a pin, not what is on it.",
            f"Read it: `digitalRead({name})`.",
            at=at,
        )


@PROGRAM.rule(
    "count-against-unit",
    Severity.FIX,
    title="The raw count is compared with a number in another unit",
    why="A count goes from 0 to the converter's full scale; the limit of the exercise is in the quantity's own unit.",
    hint="In which unit is the value that you compare, and in which is the limit?",
    criterion="program",
    source="what the name is given, against the exercise's thresholds",
    explains=RUN_CONSEQUENCES,
)
def count_against_unit(view: ProgramView, finding: FindingFactory) -> Iterator[Finding]:
    if view.exercise is None:
        return
    printed = {reading.quantity: reading.print for reading in view.exercise.readings}
    limits = {
        statement.when.threshold: statement.when.quantity
        for statement in view.exercise.behaviour
        if statement.when.threshold is not None and printed.get(statement.when.quantity) not in ("count", "full-scale")
    }
    counts = _only_counts(view)
    for node, one, other in _comparisons(view, "<", ">", "<=", ">="):
        raw = (isinstance(one, t.Name) and one.name in counts) or (isinstance(one, t.Call) and one.name == "analogRead")
        limit = view.known_number(other)
        if raw and limit is not None and limit in limits and limit > 0:
            said = f"`{one.name}`" if isinstance(one, t.Name) else "what analogRead() gives"
            yield finding(
                f"Line {node.at.line} compares {said}, a count of 0 to {view.board.counts - 1}, with {limit:g}.",
                "Compare the value in the unit of the limit, or turn the limit into a count.",
                at=node.at,
            )


def _only_counts(view: ProgramView) -> set[str]:
    """Names that are given nothing but what analogRead() gives."""
    given: dict[str, list[t.Expr]] = {}
    for node in view.nodes:
        if isinstance(node, t.Declare) and node.value is not None:
            given.setdefault(node.name, []).append(node.value)
        elif isinstance(node, t.Assign) and (name := changed_name(node)):
            given.setdefault(name, []).append(node.value if node.op == "=" else node)
    return {
        name for name, values in given.items()
        if all(isinstance(v, t.Call) and v.name == "analogRead" for v in values)
    }  # fmt: skip
