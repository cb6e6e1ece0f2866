"""What only a longer run shows of a program's memory."""

from collections.abc import Iterator

from verifex.core.findings import Finding, Severity
from verifex.core.rulebook import RUN_CONSEQUENCES, FindingFactory
from verifex.core.twin.behaviour_rules import BEHAVIOUR, sensor_and_outputs
from verifex.core.twin.outcome import RunView


@BEHAVIOUR.rule(
    "outside-array-in-time",
    Severity.FIX,
    title="After a while a place outside the array is used",
    why="An index that only counts up comes to the end of the array; beyond it lie other variables, and writing spoils them.",
    hint="What happens to the index when the last place is filled?",
    criterion="program",
    source="the program run through the plan on the twin",
    explains=RUN_CONSEQUENCES,
)
def outside_array_in_time(view: RunView, finding: FindingFactory) -> Iterator[Finding]:
    places = {at for slip, at in view.trace.run.runtime_faults if slip == "outside-array"}
    for at in sorted(places, key=lambda place: (place.line, place.column))[:1]:
        yield finding(
            f"Line {at.line} reaches outside the array after a while.",
            "Let the index begin again: `index = (index + 1) % length`, or take off the oldest value first.",
            at=at,
            parts=sensor_and_outputs(view),
        )


@BEHAVIOUR.rule(
    "display-leftover-in-time",
    Severity.FIX,
    title="The end of an older number stays on the display",
    why="A display keeps what it shows until it is written over; a shorter number leaves the end of the longer one standing.",
    hint="What stands behind a number on the display when the next one is shorter?",
    criterion="program",
    source="the display's memory in the run through the plan",
)
def display_leftover_in_time(view: RunView, finding: FindingFactory) -> Iterator[Finding]:
    places = {at for slip, at in view.trace.run.runtime_faults if slip == "display-leftover"}
    for at in sorted(places, key=lambda place: (place.line, place.column))[:1]:
        yield finding(
            f"What line {at.line} writes was longer before; its old end still stands behind it.",
            "Write spaces behind it, or wipe the row first.",
            at=at,
        )


@BEHAVIOUR.rule(
    "display-row-for-column",
    Severity.CHECK,
    title="The cursor is put into the first row's text",
    why="The column comes first and the row second; the other way around the second text lands in the first one.",
    hint="Which of the two numbers of the cursor is the column, and which the row?",
    criterion="program",
    source="the display's memory in the run through the plan: text begun inside another's, and the rows below never written",
)
def display_row_for_column(view: RunView, finding: FindingFactory) -> Iterator[Finding]:
    run = view.trace.run
    if any("".join(rows[1:]).strip() for _, _, rows in run.displays):
        return
    places = {at for slip, at in run.runtime_faults if slip == "display-inside-text"}
    for at in sorted(places, key=lambda place: (place.line, place.column))[:1]:
        yield finding(
            f"What line {at.line} writes begins inside the text of the first row, and nothing is ever written below it.",
            "Give the cursor the column first, then the row; both are counted from 0.",
            at=at,
        )
