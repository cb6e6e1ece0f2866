"""The serial line: begun, and at the baud rate the log is opened with."""

from collections.abc import Iterator

from verifex.core.exercise import asks_for_print
from verifex.core.findings import Finding, Severity
from verifex.core.program.rules.book import PROGRAM
from verifex.core.program.rules.view import ProgramView
from verifex.core.rulebook import FindingFactory

#: Rates that every terminal offers.
USUAL_BAUD = (
    300,
    1200,
    2400,
    4800,
    9600,
    19200,
    38400,
    57600,
    74880,
    115200,
    230400,
    250000,
    460800,
    500000,
    921600,
    1000000,
    2000000,
)


@PROGRAM.rule(
    "serial-not-begun",
    Severity.FIX,
    title="Serial is never begun",
    why="Nothing leaves the board, so the log stays empty.",
    hint="What must be started before anything can be printed?",
    criterion="program",
    source="the dialect",
)
def serial_not_begun(view: ProgramView, finding: FindingFactory) -> Iterator[Finding]:
    prints = view.prints()
    if prints and not view.is_python and not view.calls("Serial.begin"):
        at = prints[0].at
        baud = view.exercise.baud(view.board.id) if view.exercise else view.board.usual_baud
        yield finding(
            f"Line {at.line} prints, but Serial is never begun.",
            f"Add `Serial.begin({baud});` in setup().",
            at=at,
        )


@PROGRAM.rule(
    "nothing-printed",
    Severity.FIX,
    title="Nothing is printed",
    why="The exercise judges what is printed; without it there are no readings.",
    hint="How will your instructor see what the board measures?",
    criterion="program",
    source="the exercise",
)
def nothing_printed(view: ProgramView, finding: FindingFactory) -> Iterator[Finding]:
    unread = view.tree.unsupported or any(run.lines for run in view.runs)  # or it prints in a way that no call shows
    if view.exercise and asks_for_print(view.exercise) and view.compiles and not unread and not view.prints():
        with_ = "print(…)" if view.is_python else "Serial.println"
        yield finding(
            "The program prints nothing.",
            f"Print the value the exercise asks for, with {with_}.",
            line=1,
            column=1,
        )


@PROGRAM.rule(
    "baud-differs",
    Severity.FIX,
    title="Another baud rate than the exercise's",
    why="With two different rates the log is garbage characters.",
    hint="Compare the rate in the program with the one the log is opened with.",
    criterion="program",
    source="the exercise's conventions",
)
def baud_differs(view: ProgramView, finding: FindingFactory) -> Iterator[Finding]:
    if view.exercise is None:
        return
    wanted, left_open = view.exercise.baud(view.board.id), view.exercise.conventions.baud is None
    for call in view.calls("Serial.begin"):
        baud = view.known_number(call.args[0]) if call.args else None
        if left_open and baud in USUAL_BAUD:
            continue  # the exercise leaves the rate to the pair
        if baud is not None and baud != wanted:
            yield finding(
                f"Serial begins at {baud:g} baud; the exercise's log is read at {wanted}.",
                f"Write `Serial.begin({wanted});`, or open the log at {baud:g}.",
                at=call.at,
                value=baud,
                limit=wanted,
                unit="baud",
            )
