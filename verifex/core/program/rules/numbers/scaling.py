"""Readings and outputs in another range than the call works in."""

from collections.abc import Iterator

from verifex.core.findings import Finding, Severity
from verifex.core.program import tree as t
from verifex.core.program.rules.book import PROGRAM
from verifex.core.program.rules.lookups import is_float
from verifex.core.program.rules.view import ProgramView
from verifex.core.program.types import FLOAT
from verifex.core.rulebook import RUN_CONSEQUENCES, FindingFactory

FEW_VALUES = 10


@PROGRAM.rule(
    "duty-beyond-range",
    Severity.FIX,
    title="analogWrite() is given more than it takes",
    why="It takes 0 to 255; a larger number is cut off at full or starts again from 0, depending on the board.",
    hint="Which is the largest number that can come out of your reading, and which may go into analogWrite()?",
    criterion="program",
    source="the values in a run",
    explains=RUN_CONSEQUENCES,
)
def duty_beyond_range(view: ProgramView, finding: FindingFactory) -> Iterator[Finding]:
    for at in view.runtime_faults("duty-beyond"):
        yield finding(
            f"analogWrite() in line {at.line} was given a number outside 0 to 255.",
            "Scale it first, as in `analogWrite(pin, reading / 4)`.",
            at=at,
        )


@PROGRAM.rule(
    "map-in-whole-numbers",
    Severity.CHECK,
    title="map() works in whole numbers",
    why="What is behind the point is cut off on the way in and on the way out.",
    hint="How many different values can come out of this map()?",
    criterion="program",
    source="the definition of map()",
    explains=RUN_CONSEQUENCES,
)
def map_in_whole_numbers(view: ProgramView, finding: FindingFactory) -> Iterator[Finding]:
    if view.is_python:
        return
    kept = _kept_in_floats(view)
    for call in view.calls("map"):
        if len(call.args) != 5 or view.tree.named("map"):
            continue
        numbers = [view.known_number(arg) for arg in call.args[1:]]
        broken = [n for n in numbers if n is not None and n != int(n)]
        if broken:
            yield finding(
                f"map() in line {call.at.line} is given {broken[0]:g} and takes {int(broken[0])} of it.",
                "Work the share out with floats: `low + (high - low) * x / 1023.0`.",
                at=call.at,
                severity=Severity.FIX,
            )
        elif numbers[2] is not None and numbers[3] is not None and id(call) in kept:
            values = abs(numbers[3] - numbers[2]) + 1
            if values <= FEW_VALUES:
                yield finding(
                    f"map() in line {call.at.line} gives one of {values:g} whole numbers, and the result is kept as a number with a point.",
                    "Work the share out with floats: `high * x / 1023.0`.",
                    at=call.at,
                )


def _kept_in_floats(view: ProgramView) -> set[int]:
    """Calls whose result goes straight into a float."""
    found = set()
    for node in view.nodes:
        if isinstance(node, t.Declare) and node.type == FLOAT and node.value is not None:
            found.add(id(node.value))
        if isinstance(node, t.Assign) and isinstance(node.target, t.Name) and is_float(view, node.target.name):
            found.add(id(node.value))
    return found


@PROGRAM.rule(
    "channel-by-number",
    Severity.NOTE,
    title="An analogue pin by its number",
    why="analogRead(0) and A0 are the same pin, but 0 is also the number of a digital one: easily mixed up.",
    hint="Which pin does this number mean on the board's printing?",
    criterion="program",
    source="the dialect: analogRead() takes a channel or a pin",
)
def channel_by_number(view: ProgramView, finding: FindingFactory) -> Iterator[Finding]:
    if view.is_python:
        return
    channels = sum(1 for name in view.board.pins.analogue)
    for call in view.calls("analogRead"):
        arg = call.args[0] if call.args else None
        if isinstance(arg, t.Number) and 0 <= arg.value < channels and arg not in view.tree.spelled:
            yield finding(
                f"Line {call.at.line} reads channel {arg.value:g} by its bare number.",
                f"Write `A{arg.value:g}`.",
                at=call.at,
            )
            return


@PROGRAM.rule(
    "level-of-a-voltage",
    Severity.FIX,
    title="A voltage is read as if it were on or off",
    why="digitalRead() only says whether the pin is above or below some half of the supply; the measured value is lost.",
    hint="How many different answers can digitalRead() give, and how many does this module?",
    criterion="program",
    source="the legs of the module on the pin",
    explains=("nothing-printed", *RUN_CONSEQUENCES),
)
def level_of_a_voltage(view: ProgramView, finding: FindingFactory) -> Iterator[Finding]:
    if view.wired is None or view.exercise is None:
        return
    measured = {pin for run in view.runs for pin, use in run.pins.items() if use.measured_at}
    for pin, call in view.pin_calls("digitalRead"):
        use = view.wired.get(pin)
        if use is None or use.role != "measures" or pin in measured or not use.is_voltage:
            continue
        yield finding(
            f"Line {call.at.line} reads {pin} as a level; {use.title} gives a voltage there.",
            "Read it with analogRead().",
            at=call.at,
            parts=list(use.parts),
        )
