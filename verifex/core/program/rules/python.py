"""What goes wrong in Python programs only: errors on the way, the two numberings, pins that stay driven."""

from collections.abc import Iterator

from verifex.core.findings import Finding, Severity
from verifex.core.program import tree as t
from verifex.core.program.rules.book import PROGRAM
from verifex.core.program.rules.view import ProgramView
from verifex.core.rulebook import RUN_CONSEQUENCES, FindingFactory

REMEDIES = {
    "NameError": "Give the name a value before this line, or mend its spelling.",
    "UnboundLocalError": "Give the name a value first, or write `global` with it at the top of the function.",
    "TypeError": "Look at what kind each value here is: a text and a number do not add; int(…) or str(…) turns one into the other.",
    "IndexError": "A list of ten has places 0 to 9: keep the number of the place below its length.",
    "KeyError": "Ask with `in` whether the key is there, or use .get(…).",
    "ZeroDivisionError": "Check the divisor before dividing.",
    "AttributeError": "Look at how this is spelt, and at what kind of value stands before the point.",
    "ValueError": "Look at the value that is given here: it is not one that can be used so.",
    "RuntimeError": "Do first what the message asks for.",
}


@PROGRAM.rule(
    "ends-with-error",
    Severity.FIX,
    title="The program stops with an error",
    why="From here on nothing is measured and no alarm comes; the outputs stay as they last were.",
    hint="Read the last line of the error message, then the line of the program it names.",
    criterion="program",
    source="the program run on its board",
    explains=("nothing-printed", "pins-not-released", "stops-on-bench", *RUN_CONSEQUENCES),
)
def ends_with_error(view: ProgramView, finding: FindingFactory) -> Iterator[Finding]:
    for run in view.runs:
        if run.ended == "raised" and run.ended_at is not None:
            kind = run.ended_with.split(":")[0]
            yield finding(
                f"Line {run.ended_at.line} stops the program: {run.ended_with}.",
                REMEDIES.get(kind, "Mend this line, or catch the error where it can be dealt with."),
                at=run.ended_at,
            )
            return


@PROGRAM.rule(
    "program-ends",
    Severity.FIX,
    title="The program runs once and ends",
    why="After its last line nothing watches any more.",
    hint="What makes your program measure again and again?",
    criterion="program",
    source="the program run on its board",
    explains=RUN_CONSEQUENCES,
)
def program_ends(view: ProgramView, finding: FindingFactory) -> Iterator[Finding]:
    if view.exercise is not None and view.is_python and view.runs and all(run.ended == "finished" for run in view.runs):
        last = max((node.at.line for node in view.nodes), default=1)
        yield finding(
            f"The program comes to its end after {view.runs[0].ended_ms / 1000:.1f} s.",
            "Put what is to be done again and again into `while True:`, with a pause.",
            line=last,
            column=1,
        )


@PROGRAM.rule(
    "numbering-mixed-up",
    Severity.FIX,
    title="The two pin numberings are mixed up",
    why="The same number is another pin by GPIO number than by header position.",
    hint="Does your program count pins by GPIO number or by header position, and how did you count when wiring?",
    criterion="program",
    source="the board's header",
    explains=("pin-differs-from-wiring", "no-such-pin", "ends-with-error", "stops-on-bench", *RUN_CONSEQUENCES),
)
def numbering_mixed_up(view: ProgramView, finding: FindingFactory) -> Iterator[Finding]:
    if view.wired is None or not view.is_python:
        return
    yield from _gpio_numbers_as_positions(view, finding)
    used = {pin: use for run in view.runs for pin, use in run.pins.items() if use.written_at or use.read_at}
    strays = {pin: use for pin, use in used.items() if pin not in view.wired}
    if not strays:
        return
    for says, other in (("GPIO number", "header position"), ("header position", "GPIO number")):
        meant = {pin: _counted_otherwise(view, pin, by_gpio=says == "GPIO number") for pin in strays}
        if all(there in view.wired for there in meant.values()):
            pin, use = next(iter(strays.items()))
            at = use.written_at or use.read_at
            assert at is not None
            yield finding(
                f"The program counts by {says}, the wiring was counted by {other}: {pin} has nothing on it, {meant[pin]} has.",
                f"Write BOARD for header positions, BCM for GPIO numbers; here {meant[pin]} is intended.",
                at=at,
                parts=list(view.wired[str(meant[pin])].parts),
            )
            return


def _gpio_numbers_as_positions(view: ProgramView, finding: FindingFactory) -> Iterator[Finding]:
    """A program stopped at a header position that is no signal pin, where every number it sets up is a wired GPIO."""
    stopped = view.runtime_faults("no-such-pin")
    by_position = any(
        isinstance(n, t.Call) and n.name == "setmode" and n.args and _word(n.args[0]) == "BOARD" for n in view.nodes
    )
    numbers = [
        view.known_number(arg)
        for call in view.nodes
        if isinstance(call, t.Call) and call.name == "setup" and call.args
        for arg in (call.args[0].items if isinstance(call.args[0], t.Items) else (call.args[0],))
    ]
    meant = [f"GPIO{number:g}" for number in numbers if number is not None]
    if stopped and by_position and meant and all(pin in (view.wired or {}) for pin in meant):
        yield finding(
            f"The program counts by header position, and its numbers are those of {', '.join(meant)}, which are wired.",
            "Write BCM where BOARD stands: these are GPIO numbers.",
            at=stopped[0],
        )


def _word(node: t.Expr) -> str:
    return node.name if isinstance(node, t.Field | t.Name) else ""


def _counted_otherwise(view: ProgramView, pin: str, *, by_gpio: bool) -> str | None:
    """The pin that the same number names in the other numbering."""
    if by_gpio:
        found = view.board.pin(f"P{pin.removeprefix('GPIO')}")
        return found.name if found else None
    positions = [p for p, name in view.board.pins.aliases.items() if name == pin]
    found = view.board.pin(f"GPIO{positions[0].removeprefix('P')}") if positions else None
    return found.name if found else None


@PROGRAM.rule(
    "error-when-stopped",
    Severity.CHECK,
    title="Stopping the program makes an error",
    why="What should be tidied up when the program is stopped is left as it was.",
    hint="Stop your program and read the last line it prints.",
    criterion="program",
    source="the program run and then stopped from outside",
    explains=("pins-not-released",),
)
def error_when_stopped(view: ProgramView, finding: FindingFactory) -> Iterator[Finding]:
    found = next((run.stopped_with for run in view.runs if run.stopped_with), None)
    if found is not None:
        yield finding(
            f"When the program is stopped, line {found[1].line} fails: {found[0]}.",
            REMEDIES.get(found[0].split(":")[0], "Mend this line."),
            at=found[1],
        )


@PROGRAM.rule(
    "pins-not-released",
    Severity.CHECK,
    title="Pins stay driven after the program",
    why="When the program is stopped its outputs stay as they were; the next wiring meets a driven pin.",
    hint="What happens to the pins when you stop your program?",
    criterion="program",
    source="the program run and then stopped from outside",
)
def pins_not_released(view: ProgramView, finding: FindingFactory) -> Iterator[Finding]:
    stopped = [run for run in view.runs if run.ended == "time"]
    if any(run.released is False and not run.stopped_with for run in stopped):
        at = next((use.mode_at for run in stopped for use in run.pins.values() if use.mode_at), None)
        reaches = "cleanup() is there, but stopping the program does not lead to it." if _named(view, "cleanup") else ""
        yield finding(
            reaches or "Nothing releases the pins when the program is stopped.",
            "Put the loop into `try:` and call cleanup() under `finally:`.",
            line=at.line if at else 1,
            column=at.column if at else 1,
        )


def _named(view: ProgramView, name: str) -> bool:
    return any(isinstance(node, t.Call) and node.name == name for node in view.nodes)
