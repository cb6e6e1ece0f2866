"""Libraries that are asked for what they were not made ready for."""

import re
from collections.abc import Iterator

from verifex.core.findings import Finding, Severity
from verifex.core.program import tree as t
from verifex.core.program.rules.book import PROGRAM
from verifex.core.program.rules.view import ProgramView
from verifex.core.program.types import Object
from verifex.core.rulebook import RUN_CONSEQUENCES, FindingFactory

#: Of libraries that ask all probes of a wire at once, and then give what each of them measured.
_BY_INDEX = re.compile(r"get\w*by_?index", re.IGNORECASE)
_ASKS = re.compile(r"(request|start|convert|measure)\w*", re.IGNORECASE)


@PROGRAM.rule(
    "never-asked-to-measure",
    Severity.FIX,
    title="The probe is read but never asked to measure",
    why="It gives what it measured last; nobody asked it since it got its supply, so that is its first value, 85 °C.",
    hint="Which call makes the probe measure, and which one only fetches what it measured?",
    criterion="program",
    source="typical of the family: a conversion begins only when it is asked for",
    explains=RUN_CONSEQUENCES,
)
def measurement_never_started(view: ProgramView, finding: FindingFactory) -> Iterator[Finding]:
    for name, calls in _objects(view).items():
        fetches = [call for call in calls if _BY_INDEX.fullmatch(call.name)]
        if fetches and not any(_ASKS.fullmatch(call.name) for call in calls):
            yield finding(
                f"Line {fetches[0].at.line} reads `{name}`, and no line asks it to measure.",
                f"Call `{name}.requestTemperatures()` before each reading.",
                at=fetches[0].at,
            )


@PROGRAM.rule(
    "index-beyond-modules",
    Severity.FIX,
    title="The program reads a module that does not exist",
    why="Libraries count their modules from 0; the second one of a wire with one module does not answer.",
    hint="How many modules are on this wire, and which number has the first?",
    criterion="program",
    source="the recipe of the exercise: how many modules of the kind it has",
    explains=RUN_CONSEQUENCES,
)
def index_beyond_modules(view: ProgramView, finding: FindingFactory) -> Iterator[Finding]:
    if view.exercise is None:
        return
    probes = len({reading.ref for reading in view.exercise.readings})
    for call in (call for calls in _objects(view).values() for call in calls if _BY_INDEX.fullmatch(call.name)):
        index = view.known_number(call.args[0]) if call.args else None
        if index is not None and index >= probes:
            yield finding(
                f"Line {call.at.line} asks for module {index:g}, counted from 0; the bench has {probes}.",
                "Ask for module 0." if probes == 1 else f"Ask for modules 0 to {probes - 1}.",
                at=call.at,
            )


def _objects(view: ProgramView) -> dict[str, list[t.Call]]:
    """The calls of each object of a library, by its name."""
    names = {n.name for n in view.nodes if isinstance(n, t.Declare) and isinstance(n.type, Object)}
    found: dict[str, list[t.Call]] = {name: [] for name in names}
    for node in view.nodes:
        if isinstance(node, t.Call) and node.receiver in names:
            found[node.receiver or ""].append(node)
    return found
