"""What works, and would be easier to read: values nobody uses, numbers without a name."""

from collections import Counter
from collections.abc import Iterator

from verifex.core.findings import Finding, Severity
from verifex.core.program import tree as t
from verifex.core.program.rules.book import PROGRAM
from verifex.core.program.rules.view import ProgramView
from verifex.core.rulebook import FindingFactory

PIN_CALLS = (
    "pinMode",
    "digitalWrite",
    "digitalRead",
    "analogRead",
    "analogWrite",
    "tone",
    "noTone",
    "pulseIn",
    "setup",
    "output",
    "input",
)
FROM_USES = 3


@PROGRAM.rule(
    "value-unused",
    Severity.NOTE,
    title="A value that is never used",
    why="It may be left from an earlier try, or another name was meant where it should be used.",
    hint="Is there a name in your program that is given a value and never asked for it?",
    criterion="program",
    source="every use of the name",
)
def value_unused(view: ProgramView, finding: FindingFactory) -> Iterator[Finding]:
    if not view.compiles:
        return
    given = {n.target.name for n in view.nodes if isinstance(n, t.Assign) and isinstance(n.target, t.Name)}
    given |= {n.name for n in view.nodes if isinstance(n, t.Declare) and n.value is not None}
    for name, at in view.compiled.unused:
        if name in view.tree.listed:
            continue
        done = "given a value" if name in given or view.is_python else "declared"
        yield finding(
            f"`{name}` is {done} in line {at.line} and never used.",
            "Leave it out, or use it where it was meant.",
            at=at,
        )


@PROGRAM.rule(
    "pin-without-name",
    Severity.NOTE,
    title="A pin's number written out again and again",
    why="When the lead moves, every one of these places has to be found and changed.",
    hint="In how many places would you change your program if a lead moved to another pin?",
    criterion="program",
    source="the numbers in calls that take a pin",
)
def pin_without_name(view: ProgramView, finding: FindingFactory) -> Iterator[Finding]:
    written: Counter[float] = Counter()
    first: dict[float, t.At] = {}
    for node in view.nodes:
        if isinstance(node, t.Call) and node.name in PIN_CALLS and node.args:
            pin = node.args[0]
            if isinstance(pin, t.Number) and pin not in view.tree.spelled:
                written[pin.value] += 1
                first.setdefault(pin.value, pin.at)
    for number, count in written.items():
        if count >= FROM_USES:
            name = "const int LIGHT" if not view.is_python else "LIGHT"
            yield finding(
                f"Pin {number:g} is written as a number in {count} places.",
                f"Give it a name once at the top, as in `{name} = {number:g}{'' if view.is_python else ';'}`.",
                at=first[number],
            )
