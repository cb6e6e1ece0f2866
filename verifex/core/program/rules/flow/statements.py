"""Statements that do nothing, or go on where they should end."""

import re
from collections.abc import Iterator
from itertools import pairwise

from verifex.core.findings import Finding, Severity
from verifex.core.program import tree as t
from verifex.core.program.rules.book import PROGRAM
from verifex.core.program.rules.lookups import COMPARES, always_returns, sequences
from verifex.core.program.rules.view import ProgramView
from verifex.core.program.types import VOID
from verifex.core.rulebook import RUN_CONSEQUENCES, FindingFactory


@PROGRAM.rule(
    "semicolon-ends-it",
    Severity.FIX,
    title="A semicolon where the body should begin",
    why="The semicolon is the whole body: the condition decides nothing, and what stands below happens always, or once.",
    hint="What exactly belongs to this condition or loop, and where does that end?",
    criterion="program",
    source="the grammar: a lone semicolon is a statement",
    explains=("run-ended", "nothing-printed", *RUN_CONSEQUENCES),
)
def semicolon_ends_it(view: ProgramView, finding: FindingFactory) -> Iterator[Finding]:
    for body in sequences(view):
        for here, below in zip(body, [*body[1:], None], strict=False):
            word = _ended_by_semicolon(here)
            if word and (_belongs(view, here, below) or (isinstance(here, t.If) and not _acts(here.condition))):
                yield finding(
                    f"A `;` stands right behind the `{word}` in line {here.at.line}, so nothing belongs to it.",
                    "Take that semicolon out.",
                    at=here.at,
                )


def _ended_by_semicolon(node: t.Stmt) -> str:
    """`if`, `while` or `for` where a mere semicolon is its body."""
    match node:
        case t.If(yes=t.Block(is_semicolon=True), no=None):
            return "if"
        case t.While(body=t.Block(is_semicolon=True), at_end=False):
            return "while"
        case t.For(body=t.Block(is_semicolon=True)):
            return "for"
    return ""


def _belongs(view: ProgramView, here: t.Stmt, below: t.Stmt | None) -> bool:
    """Whether what follows is written as if it belonged to a statement: in braces, or set further in."""
    if below is None or isinstance(below, t.Block):
        return below is not None
    lines = view.source.split("\n")
    indents = [len(line) - len(line.lstrip()) for line in (lines[here.at.line - 1], lines[below.at.line - 1])]
    return below.at.line > here.at.line and indents[1] > indents[0]


@PROGRAM.rule(
    "without-effect",
    Severity.FIX,
    title="A statement without effect",
    why="It works out a value and throws it away; nothing is changed and nothing is done.",
    hint="What should be different after this line, and what makes it so?",
    criterion="program",
    source="the language: a comparison or a name alone changes nothing",
    explains=RUN_CONSEQUENCES,
)
def without_effect(view: ProgramView, finding: FindingFactory) -> Iterator[Finding]:
    for node in view.nodes:
        if not isinstance(node, t.Do):
            continue
        match node.expr:
            case t.Binary(op="==", left=t.Name() | t.Index() | t.Field()):
                yield finding(
                    f"Line {node.at.line} compares with `==` and does nothing with the answer.",
                    "Write one `=` to give the value, or put the comparison into an `if`.",
                    at=node.at,
                )
            case t.Name(name=name) if view.tree.named(name):
                yield finding(
                    f"`{name}` stands without its brackets in line {node.at.line}, so the function is not called.",
                    f"Write `{name}()`.",
                    at=node.at,
                )
            case t.Field(name=name) if view.is_python:
                yield finding(
                    f"`{name}` stands without its brackets in line {node.at.line}, so it is not called.",
                    f"Write `{name}()`.",
                    at=node.at,
                )
            case t.Binary(op=op) if op in (*COMPARES, "+", "-", "*", "/") and not _acts(node.expr):
                yield finding(
                    f"What line {node.at.line} works out is kept nowhere.",
                    "Give it to a name with `=`, or leave the line out.",
                    at=node.at,
                    severity=Severity.CHECK,
                )


def _acts(node: t.Expr) -> bool:
    """Whether working an expression out does something besides."""
    return any(
        isinstance(n, t.Assign | t.Step) or (isinstance(n, t.Call) and n.name not in ONLY_ASK) for n in t.walk(node)
    )


ONLY_ASK = ("digitalRead", "analogRead", "millis", "micros", "abs", "isnan", "min", "max", "available")


@PROGRAM.rule(
    "returns-nothing",
    Severity.FIX,
    title="A function that promises a value and does not always give one",
    why="Whoever calls it gets whatever lay in memory; on the board that is another number from day to day.",
    hint="What does this function give back when the last line is reached?",
    criterion="program",
    source="the language: leaving such a function without `return` is undefined",
    explains=RUN_CONSEQUENCES,
)
def returns_nothing(view: ProgramView, finding: FindingFactory) -> Iterator[Finding]:
    if view.is_python or not view.compiles:
        return
    used = _values_used(view)
    for function in view.tree.functions.values():
        promises = function.result != VOID and "::" not in function.name and function.name not in ("setup", "loop")
        if not promises or always_returns(function.body):
            continue
        gives = any(isinstance(n, t.Return) and n.value is not None for n in t.walk(function.body))
        if function.name not in used:
            if not gives and function.name in {n.name for n in view.nodes if isinstance(n, t.Call)}:
                yield finding(
                    f"`{function.name}` promises a value and gives none; nothing asks for it either.",
                    f"Write `void {function.name}(…)`.",
                    at=function.at, severity=Severity.NOTE,
                )  # fmt: skip
            continue
        said = "on some ways gives none" if gives else "gives none"
        yield finding(
            f"`{function.name}` promises a value and {said}.",
            "End every way through it with `return …;`.",
            at=function.at,
            severity=Severity.CHECK if gives and _covers_by_conditions(function) else Severity.FIX,
        )


def _covers_by_conditions(function: t.Function) -> bool:
    """Whether what it ends with is a choice or a loop that may well cover everything, though no compiler can tell."""
    last = function.body.body[-1] if function.body.body else None
    return isinstance(last, t.If | t.Switch | t.While | t.For)


def _values_used(view: ProgramView) -> set[str]:
    """Functions whose value something is done with."""
    alone = {id(node.expr) for node in view.nodes if isinstance(node, t.Do)}
    return {node.name for node in view.nodes if isinstance(node, t.Call) and id(node) not in alone}


@PROGRAM.rule(
    "missing-break",
    Severity.CHECK,
    title="A case that runs on into the next one",
    why="Without `break` the statements of the next case are done as well.",
    hint="After this case, where does the program go on?",
    criterion="program",
    source="the language: cases fall through",
    explains=RUN_CONSEQUENCES,
)
def missing_break(view: ProgramView, finding: FindingFactory) -> Iterator[Finding]:
    for node in view.nodes:
        if not isinstance(node, t.Switch):
            continue
        ended = [case for case in node.cases if any(_ends_case(one) for one in case.body)]
        for here, below in pairwise(case for case in node.cases if case.body):
            if not any(_ends_case(one) for one in here.body) and not _is_intended(view, here, below):
                yield finding(
                    f"The case in line {here.at.line} runs on into the one in line {below.at.line}.",
                    "End it with `break;`, or say “falls through” in a comment.",
                    at=here.at,
                    severity=Severity.CHECK if ended else Severity.FIX,
                )


def _is_intended(view: ProgramView, here: t.Case, below: t.Case) -> bool:
    """Whether a comment between two cases says that the first one runs on."""
    between = view.source.split("\n")[here.at.line - 1 : below.at.line]
    return any(re.search(r"(//|/\*).*\bfall|\[\[fallthrough", line, re.IGNORECASE) for line in between)


def _ends_case(statement: t.Stmt) -> bool:
    if isinstance(statement, t.Break | t.Continue | t.Return):
        return True
    if isinstance(statement, t.Block):
        return any(_ends_case(one) for one in statement.body)
    if isinstance(statement, t.If) and statement.no is not None:
        return _ends_case(statement.yes) and _ends_case(statement.no)
    return always_returns(statement)


LEAST_COPIES, LEAST_LINES, LEAST_NODES = 3, 4, 5  # of several lines, of a single one; of what stands in a copy


@PROGRAM.rule(
    "repeated-block",
    Severity.NOTE,
    title="The same lines written again and again",
    why="A change has to be made in each copy, and one is easily forgotten.",
    hint="What differs between these copies, and could a loop or a function take that as its value?",
    criterion="program",
    source="statements of one shape that follow each other",
)
def repeated_block(view: ProgramView, finding: FindingFactory) -> Iterator[Finding]:
    for body in sequences(view):
        shapes = [_shape(one) for one in body]
        for length in (1, 2, 3, 4, 5, 6):
            found = _run_of(shapes, length)
            if found is not None:
                start, copies = found
                yield finding(
                    f"From line {body[start].at.line} on the same {'line is' if length == 1 else f'{length} lines are'} "
                    f"written {copies} times, with other names or numbers.",
                    "Put what differs into a list and go through it in a loop, or write a function.",
                    at=body[start].at,
                )
                break


def _run_of(shapes: list[str], length: int) -> tuple[int, int] | None:
    """Where `length` statements are followed by others of the same shapes, often enough, and how often."""
    for start in range(len(shapes) - LEAST_COPIES * length + 1):
        first = shapes[start : start + length]
        if length > 1 and len(set(first)) == 1:
            continue
        copies = 1
        while shapes[start + copies * length : start + (copies + 1) * length] == first:
            copies += 1
        large = sum(shape.count(" ") for shape in first) >= LEAST_NODES
        if copies >= (LEAST_COPIES if length > 1 else LEAST_LINES) and large:
            return start, copies
    return None


def _shape(node: t.Node) -> str:
    """What a statement does, without its names and numbers."""
    parts = []
    for one in t.walk(node):
        name = type(one).__name__
        if isinstance(one, t.Call):
            name += f":{one.receiver}.{one.name}"
        elif isinstance(one, t.Binary | t.Unary | t.Assign | t.Step):
            name += f":{one.op}"
        parts.append("value" if isinstance(one, t.Name | t.Number | t.Text) else name)
    return " ".join(parts)
