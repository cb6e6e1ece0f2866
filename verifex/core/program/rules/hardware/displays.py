"""What a display does not show."""

from collections.abc import Iterator

from verifex.core.findings import Finding, Severity
from verifex.core.program import tree as t
from verifex.core.program.rules.book import PROGRAM
from verifex.core.program.rules.view import ProgramView
from verifex.core.rulebook import FindingFactory


@PROGRAM.rule(
    "display-text-cut",
    Severity.CHECK,
    title="The display ends before the text does",
    why="What goes past the last column is not shown, and does not jump to the next row.",
    hint="How many columns has your display, and how many letters has this text?",
    criterion="program",
    source="the display's memory in a run",
)
def display_text_cut(view: ProgramView, finding: FindingFactory) -> Iterator[Finding]:
    scrolls = any(isinstance(n, t.Call) and "scroll" in n.name.lower() for n in view.nodes)
    for at in [] if scrolls else view.runtime_faults("display-cut"):
        yield finding(
            f"What line {at.line} writes goes past the last column of the display.",
            "Write less in this row, or begin further to the left.",
            at=at,
        )
