"""What a reader of the log or of the program needs: units, gaps between numbers, names."""

import re
from collections.abc import Iterator
from itertools import pairwise

from verifex.core.findings import Finding, Severity
from verifex.core.program import tree as t
from verifex.core.program.rules.book import PROGRAM
from verifex.core.program.rules.lookups import sequences
from verifex.core.program.rules.view import ProgramView
from verifex.core.program.types import TEXT
from verifex.core.rulebook import FindingFactory

PRINTS = ("print", "println")
OF_OUTPUTS = ("led", "light", "lamp", "buzzer", "sounder", "beeper", "relay", "motor")
OF_INPUTS = ("button", "sensor", "thermometer", "probe", "echo", "reader", "switch")


@PROGRAM.rule(
    "numbers-run-together",
    Severity.CHECK,
    title="Two numbers are printed without a gap",
    why="“21” and “45” become “2145”: nobody can tell them apart any more.",
    hint="What stands between the two numbers on the line?",
    criterion="program",
    source="print calls that follow each other",
    explains=("printed-value-out",),
)
def numbers_run_together(view: ProgramView, finding: FindingFactory) -> Iterator[Finding]:
    if view.is_python:
        return
    for body in sequences(view):
        for here, below in pairwise(body):
            first, second = _printed(here), _printed(below)
            if first is None or second is None or first.name == "println" or first.receiver != second.receiver:
                continue
            if first.args and second.args and all(_is_number(view, call.args[0]) for call in (first, second)):
                yield finding(
                    f"Lines {first.at.line} and {second.at.line} print two numbers with nothing between them.",
                    f'Print a gap or a comma between: `{first.receiver}.print(", ");`.',
                    at=second.at,
                )
                return


def _printed(statement: t.Stmt) -> t.Call | None:
    call = statement.expr if isinstance(statement, t.Do) else None
    return call if isinstance(call, t.Call) and call.name in PRINTS and call.receiver == "Serial" else None


def _is_number(view: ProgramView, node: t.Expr) -> bool:
    """Whether a number is printed for certain, and no text, letter or single digit of an id."""
    if isinstance(node, t.Number):
        return False  # a letter, or a digit put there on purpose
    if isinstance(node, t.Name):
        kinds = {str(kind) for kind in view.kinds.get(node.name, set())}
        return bool(kinds) and kinds <= {
            "16-bit int",
            "32-bit int",
            "float",
            "16-bit unsigned int",
            "32-bit unsigned int",
        }
    if isinstance(node, t.Call):
        return node.receiver is None and node.name in ("analogRead", "pulseIn", "millis")
    return (
        isinstance(node, t.Binary)
        and node.op in "+-*/"
        and not any(
            isinstance(n, t.Text) or (isinstance(n, t.Name) and TEXT in view.kinds.get(n.name, set()))
            for n in t.walk(node)
        )
    )


@PROGRAM.rule(
    "unit-missing",
    Severity.CHECK,
    title="Bare numbers of two kinds, one below the other",
    why="Without a word or a unit nobody, and no program that reads the log, knows which of the numbers is what.",
    hint="Would somebody who finds this log next week know what each number is?",
    criterion="program",
    source="every text that is printed",
    explains=("printed-value-out",),
)
def unit_missing(view: ProgramView, finding: FindingFactory) -> Iterator[Finding]:
    prints = [call for call in view.prints() if call.args]
    if view.exercise is None or len(view.exercise.readings) < 2 or len(prints) < 2 or view.is_python:
        return
    if all(call.name == "println" and _is_number(view, call.args[0]) for call in prints):
        yield finding(
            "The program prints numbers of more than one kind, each on a line of its own and with no word or unit.",
            'Print what each is: `Serial.print(value); Serial.println(" °C");`.',
            at=prints[0].at,
        )


@PROGRAM.rule(
    "misleading-name",
    Severity.NOTE,
    title="A name that says something else",
    why="Whoever reads the program believes the name.",
    hint="Does each pin's name say what hangs on it?",
    criterion="program",
    source="the names of pins against what the wiring has on them",
)
def misleading_name(view: ProgramView, finding: FindingFactory) -> Iterator[Finding]:
    reported: set[str] = set()
    calls = ("pinMode", "digitalWrite", "digitalRead", "analogRead", "analogWrite", "tone", "pulseIn")
    for pin, call in view.pin_calls(*calls) if view.wired is not None else ():
        arg, use = call.args[0], (view.wired or {}).get(pin)
        name = view.tree.spelled.get(arg) or (arg.name if isinstance(arg, t.Name) else "")
        words = {word.lower() for word in re.findall(r"[A-Z]?[a-z]+|[A-Z]+", name)}
        if use is None or name in reported or not words:
            continue
        lies = (
            words & set(OF_OUTPUTS)
            if use.role == "measures"
            else words & set(OF_INPUTS)
            if use.role == "drives"
            else set()
        )
        honest = words & set(OF_INPUTS if use.role == "measures" else OF_OUTPUTS)
        if lies and not honest:
            reported.add(name)
            yield finding(
                f"`{name}` is pin {pin}, and {use.title} is on it.",
                "Give it a name that says what it is.",
                at=call.at,
                parts=list(use.parts),
            )
