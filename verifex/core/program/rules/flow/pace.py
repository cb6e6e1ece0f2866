"""Too fast to be read, too slow to notice, and what is left standing on a display."""

import re
from collections.abc import Iterator

from verifex.core.findings import Finding, Severity
from verifex.core.program import tree as t
from verifex.core.program.rules.book import PROGRAM
from verifex.core.program.rules.flow.budgets import only_fast
from verifex.core.program.rules.view import ProgramView
from verifex.core.rulebook import RUN_CONSEQUENCES, FindingFactory

MOST_LINES_PER_SECOND = 50.0
MOST_CLEARED_PER_SECOND = 10.0
LATE_FROM_MS = 3000.0  # longer than that a person thinks that nothing happens
MISSES_FROM_SHARE = 0.8  # of the shortest step
#: Methods of libraries that ask a module to measure, and wait until it has.
CONVERTS = re.compile(r"(request|convert|measure|get_?temp)", re.IGNORECASE)


@PROGRAM.rule(
    "prints-without-pause",
    Severity.CHECK,
    title="The program prints faster than anyone can read",
    why="The log fills with lines that say the same, and the line's buffer makes the program wait.",
    hint="How many lines a second does your program print?",
    criterion="program",
    source="the program run on its board",
)
def prints_without_pause(view: ProgramView, finding: FindingFactory) -> Iterator[Finding]:
    if any(isinstance(n, t.Call) and n.receiver and CONVERTS.match(n.name) for n in view.nodes):
        return  # a conversion is waited for, which only a bench with its module shows
    for run in view.runs:
        rate = len(run.lines) / max(0.1, run.ended_ms / 1000)
        if (run.ended == "time" or only_fast(view, run)) and rate > MOST_LINES_PER_SECOND:
            at = view.prints()[0].at if view.prints() else None
            often = f"about {rate:.0f} lines a second" if run.ended == "time" else "as many lines a second as it can"
            yield finding(
                f"The program prints {often}.",
                "Wait between two readings: `delay(500);` is plenty."
                if not view.is_python
                else "Sleep half a second between two readings.",
                line=at.line if at else 1,
                column=at.column if at else 1,
                value=round(rate, 1) if run.ended == "time" else None,
                limit=MOST_LINES_PER_SECOND if run.ended == "time" else None,
                unit="1/s",
            )
            return


@PROGRAM.rule(
    "display-flickers",
    Severity.CHECK,
    title="The display is wiped all the time",
    why="A character display needs a moment to show a letter; wiped without a pause it smears and flickers.",
    hint="How often does your program wipe the display?",
    criterion="program",
    source="the program run on its board",
)
def display_flickers(view: ProgramView, finding: FindingFactory) -> Iterator[Finding]:
    for at in view.runtime_faults("display-cleared"):
        rate = max(
            run.runtime_faults.get(("display-cleared", at), 0) / max(0.1, run.ended_ms / 1000) for run in view.runs
        )
        if rate > MOST_CLEARED_PER_SECOND:
            yield finding(
                f"Line {at.line} wipes the display about {rate:.0f} times a second.",
                "Wait between two pictures, or write over what changes and leave the rest.",
                at=at,
                value=round(rate, 1),
                limit=MOST_CLEARED_PER_SECOND,
                unit="1/s",
            )


@PROGRAM.rule(
    "display-leftover",
    Severity.FIX,
    title="The end of an older number stays on the display",
    why="A display keeps what it shows until it is written over; a shorter number leaves the end of the longer one standing.",
    hint="What stands behind a number on the display when the next one is shorter?",
    criterion="program",
    source="the display's memory in a run",
    explains=("display-leftover-in-time",),
)
def display_leftover(view: ProgramView, finding: FindingFactory) -> Iterator[Finding]:
    for at in view.runtime_faults("display-leftover"):
        yield finding(
            f"What line {at.line} writes was at times longer before; its old end still stands behind it.",
            "Write spaces behind it, or wipe the row first.",
            at=at,
        )


@PROGRAM.rule(
    "pause-too-long",
    Severity.FIX,
    title="A pause so long that things are missed",
    why="While the program waits it sees nothing; what begins and ends in the pause never happened for it.",
    hint="What does your program notice while it waits?",
    criterion="program",
    source="the longest wait in a run, against the exercise's shortest step",
    explains=RUN_CONSEQUENCES,
)
def pause_too_long(view: ProgramView, finding: FindingFactory) -> Iterator[Finding]:
    if view.exercise is None:
        return
    shortest = min((step.dwell_seconds for step in view.exercise.steps), default=0.0)
    for run in view.runs:
        ms, at = run.longest_wait
        if at is not None and shortest and ms / 1000 >= MISSES_FROM_SHARE * shortest:
            yield finding(
                f"Line {at.line} waits {ms / 1000:g} s; the exercise holds a value for {shortest:g} s at the shortest.",
                "Wait less, and look more often.",
                at=at,
                value=ms / 1000,
                limit=shortest,
                unit="s",
            )
            return


@PROGRAM.rule(
    "answers-late",
    Severity.NOTE,
    title="The program reacts late",
    why="Whoever stands at the bench waits for the answer that long; what it answers is judged as it would be without.",
    hint="How long after a change does your program notice it?",
    criterion="program",
    source="the longest wait in a run",
)
def answers_late(view: ProgramView, finding: FindingFactory) -> Iterator[Finding]:
    if view.exercise is None:
        return
    shortest = min((step.dwell_seconds for step in view.exercise.steps), default=0.0)
    for run in view.runs:
        ms, at = run.longest_wait
        if at is not None and LATE_FROM_MS <= ms < MISSES_FROM_SHARE * shortest * 1000:
            yield finding(
                f"Line {at.line} waits {ms / 1000:g} s, so a change is noticed up to {ms / 1000:g} s later.",
                "Wait less, and look more often.",
                at=at,
                value=ms / 1000,
                unit="s",
            )
            return
