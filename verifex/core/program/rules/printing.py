"""Texts made by a pattern."""

import re
from collections.abc import Iterator

from verifex.core.findings import Finding, Severity
from verifex.core.program import tree as t
from verifex.core.program.rules.book import PROGRAM
from verifex.core.program.rules.view import ProgramView
from verifex.core.rulebook import RUN_CONSEQUENCES, FindingFactory

PATTERN_AT = {"sprintf": 1, "snprintf": 2, "sprintf_P": 1, "snprintf_P": 2, "printf": 0}
_FLOAT = re.compile(r"%[-+ #0]*\d*(?:\.\d+)?[feEgG]")
SMALL_INT_BITS = 16


@PROGRAM.rule(
    "float-in-pattern",
    Severity.FIX,
    title="A pattern for a float, on a board that leaves it out",
    why="To save memory the small boards' library knows no floats in patterns; it prints a question mark in their place.",
    hint="What does your log show in the place of the number?",
    criterion="program",
    source="the C library of the small boards: %f needs a larger one that is not linked by itself",
    explains=("nothing-printed", *RUN_CONSEQUENCES),
)
def float_in_pattern(view: ProgramView, finding: FindingFactory) -> Iterator[Finding]:
    if view.is_python or view.board.int_bits != SMALL_INT_BITS:
        return
    for call in (n for n in view.nodes if isinstance(n, t.Call) and n.name in PATTERN_AT):
        at = PATTERN_AT[call.name]
        pattern = call.args[at] if len(call.args) > at else None
        if isinstance(pattern, t.Text) and (found := _FLOAT.search(pattern.value)) and not view.tree.named(call.name):
            yield finding(
                f"Line {call.at.line} prints a float with `{found.group()}`; on this board a `?` comes out.",
                "Make a text of it first with dtostrf(), or print it with Serial.print(value, 1).",
                at=call.at,
            )
