"""Sums that do not come out: divisions to zero, values that do not fit."""

from collections.abc import Iterator

from verifex.core.findings import Finding, Severity
from verifex.core.program import tree as t
from verifex.core.program.rules.book import PROGRAM
from verifex.core.program.rules.view import ProgramView
from verifex.core.rulebook import RUN_CONSEQUENCES, FindingFactory


@PROGRAM.rule(
    "integer-division",
    Severity.FIX,
    title="A division of whole numbers that is always 0",
    why="Two whole numbers divide to a whole number; what stands behind the point is cut off.",
    hint="What is 3 divided by 4 for a program that knows whole numbers only?",
    criterion="program",
    source="the language; seen in dry runs at counts 0, 511 and 1023",
    explains=RUN_CONSEQUENCES,
)
def integer_division(view: ProgramView, finding: FindingFactory) -> Iterator[Finding]:
    totals: dict[t.At, list[int]] = {}
    for run in view.runs:
        for at, (times, not_zero, lost) in run.divisions.items():
            seen = totals.setdefault(at, [0, 0, 0])
            seen[0] += times
            seen[1] += not_zero
            seen[2] += lost
    by_place = {n.at: n for n in view.nodes if isinstance(n, t.Binary) and n.op == "/"}
    for at, (times, not_zero, lost) in totals.items():
        if times and lost and not not_zero:
            divisor = by_place[at].right if at in by_place else None
            number = view.known_number(divisor) if divisor is not None else None
            shown = f"{number:g}" if number is not None else "the divisor"
            yield finding(
                f"The division in line {at.line} gave 0 every time: whole number by whole number.",
                f"Make one side a number with a point, as in {shown}.0."
                if number is not None
                else "Make one side a float first.",
                at=at,
            )


@PROGRAM.rule(
    "overflow",
    Severity.FIX,
    title="A value that does not fit",
    why="On this board a plain int ends at 32767; beyond it the value jumps to negative.",
    hint="How large can this value become, and how large may an int be on your board?",
    criterion="program",
    source="the language of a 16-bit-int compiler; seen in dry runs at counts 0, 511 and 1023",
    explains=RUN_CONSEQUENCES,
)
def overflow(view: ProgramView, finding: FindingFactory) -> Iterator[Finding]:
    places = sorted({at for run in view.runs for at in run.overflows}, key=lambda at: (at.line, at.column))
    reported: set[int] = set()
    for at in places:
        if at.line in reported:
            continue
        reported.add(at.line)
        most = (1 << (view.board.int_bits - 1)) - 1
        yield finding(
            f"A value in line {at.line} goes beyond {most} and wraps around.",
            "Work in float (5000.0) or long (5000L) here.",
            at=at,
            limit=float(most),
        )


@PROGRAM.rule(
    "division-by-zero",
    Severity.FIX,
    title="A division by zero",
    why="The result means nothing.",
    hint="Can the number you divide by become 0?",
    criterion="program",
    source="seen in dry runs",
    explains=RUN_CONSEQUENCES,
)
def division_by_zero(view: ProgramView, finding: FindingFactory) -> Iterator[Finding]:
    for at in sorted(
        {at for run in view.runs for (slip, at) in run.runtime_faults if slip == "division-by-zero"},
        key=lambda at: at.line,
    ):
        yield finding(
            f"Line {at.line} divides by 0.",
            "Check the divisor before dividing.",
            at=at,
        )


@PROGRAM.rule(
    "outside-array",
    Severity.FIX,
    title="A place outside the array",
    why="Beyond its end lie other variables; reading gives nonsense and writing spoils them.",
    hint="An array of ten has places 0 to 9. Which place does this line use last?",
    criterion="program",
    source="seen in dry runs",
    explains=("outside-array-in-time", *RUN_CONSEQUENCES),
)
def outside_array(view: ProgramView, finding: FindingFactory) -> Iterator[Finding]:
    for at in sorted(
        {at for run in view.runs for (slip, at) in run.runtime_faults if slip == "outside-array"},
        key=lambda at: at.line,
    ):
        yield finding(
            f"Line {at.line} reaches outside the array.",
            "Keep the index from 0 to the length minus one.",
            at=at,
        )
