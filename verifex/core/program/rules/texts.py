"""Texts that do not say what was intended."""

from collections.abc import Iterator

from verifex.core.findings import Finding, Severity
from verifex.core.program.rules.book import PROGRAM
from verifex.core.program.rules.view import ProgramView
from verifex.core.rulebook import RUN_CONSEQUENCES, FindingFactory


@PROGRAM.rule(
    "text-plus-number",
    Severity.FIX,
    title="A number is added to a text in quotes",
    why="A text in quotes is the place of its first letter; a number added to it moves that on, and letters are lost.",
    hint="What does your log show instead of the text and the number?",
    criterion="program",
    source="the language: a literal is an array of characters",
    explains=RUN_CONSEQUENCES,
)
def text_plus_number(view: ProgramView, finding: FindingFactory) -> Iterator[Finding]:
    for at in view.runtime_faults("text-plus-number"):
        yield finding(
            f"Line {at.line} adds a number to a text in quotes.",
            'Print the two one after the other, or write `String("…") + number`.',
            at=at,
        )
