"""A run that had to be ended: endless loops, runaway output, endless recursion."""

from collections.abc import Iterator

from verifex.core.findings import Finding, Severity
from verifex.core.program.rules.book import PROGRAM
from verifex.core.program.rules.view import ProgramView
from verifex.core.program.runtime.run_result import RunResult
from verifex.core.rulebook import RUN_CONSEQUENCES, FindingFactory

WORDS = {
    "steps": (
        "A loop{} goes on for ever; the run was ended after three million steps.",
        "Give the loop an end, or a pause.",
    ),
    "output": ("The program prints without end{}; the run was ended.", "Print once a pass, with a pause."),
    "memory": (
        "The program fills the board's memory{}; the run was ended.",
        "Keep what is needed only: let a list or a text not grow for ever.",
    ),
    "depth": (
        "A function calls itself without end{}; the run was ended.",
        "Let it stop calling itself at some point.",
    ),
}
MANY_PASSES = 10


def only_fast(view: ProgramView, run: RunResult) -> bool:
    """Whether so much is printed only because pass follows upon pass without a pause."""
    return run.ended == "output" and (view.is_python or run.passes > MANY_PASSES)


@PROGRAM.rule(
    "run-ended",
    Severity.FIX,
    title="The run had to be ended",
    why="On the board the program would hang here, and nothing behind this place would ever happen.",
    hint="Is there a loop in your program that can never end?",
    criterion="program",
    source="the machine's budgets",
    explains=RUN_CONSEQUENCES,
)
def run_ended(view: ProgramView, finding: FindingFactory) -> Iterator[Finding]:
    for run in view.runs:
        if run.ended in WORDS and not only_fast(view, run):
            seen, remedy = WORDS[run.ended]
            at = run.ended_at
            line = at.line if at else None
            yield finding(
                seen.format(f" in line {line}" if line else ""),
                remedy,
                line=line or 1,
                column=at.column if at else 1,
            )
            return
