"""The rules on how a library is set up: the pins and the address of its module, and that it is made ready."""

from collections.abc import Iterator

from verifex.core.findings import Finding, Severity
from verifex.core.rulebook import RUN_CONSEQUENCES, FindingFactory
from verifex.core.twin.behaviour_rules import BEHAVIOUR
from verifex.core.twin.outcome import RunView


def _decided_by(view: RunView, ref: str) -> list[str]:
    """The outputs of the bench whose state the exercise makes depend on one of its parts."""
    asked = (statement for statement in view.exercise.behaviour if view.refs.get(statement.when.ref) == ref)
    return [view.refs[output] for statement in asked for output in statement.outputs]


@BEHAVIOUR.rule(
    "library-on-another-pin",
    Severity.FIX,
    title="The library uses another pin than its module is on",
    why="It asks where nothing answers, and every reading is a failed one.",
    hint="Which pin is the module's signal leg on, and which one does your program tell the library?",
    criterion="program",
    source="the program run on the twin of the pair's own bench",
    explains=RUN_CONSEQUENCES,
)
def library_on_another_pin(view: RunView, finding: FindingFactory) -> Iterator[Finding]:
    for ref, (told, pins) in view.trace.elsewhere.items():
        named = " and ".join(told)
        if not pins or (set(told) == set(pins.values()) and len(told) < 2):
            continue
        own = {leg: pin for leg, pin in pins.items() if pin in told} if set(told) <= set(pins.values()) else pins
        right = " and ".join(f"{leg} on {pin}" for leg, pin in own.items())
        use = next((view.trace.run.pins[pin] for pin in told if pin in view.trace.run.pins), None)
        yield finding(
            f"The library is set to {named}; {ref} is wired with {right}.",
            "Give it the pins of the wiring, each in its place, or move the leads.",
            at=use.read_at if use else None,
            parts=[ref],
            affects=_decided_by(view, ref),
        )


@BEHAVIOUR.rule(
    "display-told-otherwise",
    Severity.FIX,
    title="The display's library is set up otherwise than the display is wired",
    why="What it sends never arrives, and the display stays empty or shows blocks.",
    hint="Hold the numbers you give the display's library against its leads, one by one.",
    criterion="program",
    source="the program run on the twin of the pair's own bench",
    explains=RUN_CONSEQUENCES,
)
def display_set_otherwise(view: RunView, finding: FindingFactory) -> Iterator[Finding]:
    for screen in view.trace.screens_elsewhere:
        yield finding(
            f"The library is set to {screen.told}; {screen.ref} is wired with {screen.right}.",
            "Give it the numbers of the wiring, each in its place, or move the leads.",
            at=screen.at,
            parts=[screen.ref],
        )


@BEHAVIOUR.rule(
    "library-told-another-address",
    Severity.FIX,
    title="The library uses another address than its module's",
    why="Nothing on the bus answers to it, so nothing is read and nothing shown.",
    hint="Which address does your module have, and which one does your program speak to?",
    criterion="program",
    source="the program run on the twin of the pair's own bench; the address entered, else those the module is sold with",
    explains=RUN_CONSEQUENCES,
)
def library_set_to_another_address(view: RunView, finding: FindingFactory) -> Iterator[Finding]:
    for silent in view.trace.run.silent_addresses:
        known = view.trace.bus_addresses
        if not known:
            continue
        have = "; ".join(f"{ref} is at {' or '.join(f'0x{a:02X}' for a in own)}" for ref, own in known.items())
        yield finding(
            f"The library is set to 0x{silent.address:02X}; {have}.",
            "Give it the module's own address; on most modules a pad sets it.",
            at=silent.at,
            parts=list(known),
            affects=[output for ref in known for output in _decided_by(view, ref)],
        )
        return


@BEHAVIOUR.rule(
    "display-not-begun",
    Severity.FIX,
    title="The display is never made ready",
    why="Until it is made ready it takes what is sent for something else, and shows blocks or nothing.",
    hint="What has to be said to a display once, before the first text?",
    criterion="program",
    source="the program run on the twin: no call that begins the display's library",
    explains=RUN_CONSEQUENCES,
)
def display_not_begun(view: RunView, finding: FindingFactory) -> Iterator[Finding]:
    run = view.trace.run
    for name, (_, at) in run.screens.items():
        if name not in run.begun and name not in {driver.name for driver in view.exercise.drivers}:
            yield finding(
                f"{name} is written on in line {at.line}, and no line makes it ready.",
                "Begin it in the set-up, with its columns and rows where the library asks for them.",
                at=at,
            )


@BEHAVIOUR.rule(
    "module-not-begun",
    Severity.CHECK,
    title="A module on the bus is read and never begun",
    why="Most libraries set the module up only when they are begun; until then it gives zeros, or nothing.",
    hint="What has to be said to a module once, before the first reading?",
    criterion="program",
    source="the program run on the twin: no call that begins the library of a module on a bus, or of a tag reader",
    explains=RUN_CONSEQUENCES,
)
def module_not_begun(view: RunView, finding: FindingFactory) -> Iterator[Finding]:
    run = view.trace.run
    for name, at in run.asked_on_bus.items():
        if name not in run.begun and not view.exercise.drivers:
            yield finding(
                f"{name} is asked in line {at.line}, and no line makes it ready.",
                "Begin it in the set-up, and look at whether that succeeded.",
                at=at,
            )


@BEHAVIOUR.rule(
    "library-told-another-kind",
    Severity.FIX,
    title="The library is set up for another kind of module",
    why="It takes what is sent apart in the other kind's way, and the numbers mean nothing.",
    hint="Which kind of module is in your kit, and which kind does your program name?",
    criterion="program",
    source="what the exercise says its library's constants stand for, and the module of the hand-in",
    explains=RUN_CONSEQUENCES,
)
def library_set_to_another_kind(view: RunView, finding: FindingFactory) -> Iterator[Finding]:
    for ref, (told, own) in view.trace.told_another_kind.items():
        yield finding(
            f"The library is set up for the {told}; {ref} is the {own}.",
            "Name the kind of module that is on the bench.",
            parts=[ref],
            affects=_decided_by(view, ref),
        )


@BEHAVIOUR.rule(
    "module-left-asleep",
    Severity.FIX,
    title="A module is read and never woken",
    why="It sleeps from power-on until its power register is cleared, and its readings stay 0.",
    hint="What has to be written to the module once, before its first reading?",
    criterion="program",
    source="typical of the family: the sleep bit of the power register is set at power-on",
    explains=RUN_CONSEQUENCES,
)
def module_left_asleep(view: RunView, finding: FindingFactory) -> Iterator[Finding]:
    for ref, register in view.trace.read_asleep.items():
        yield finding(
            f"The program reads the registers of {ref} and never clears its sleep bit (register 0x{register:02X}).",
            f"Write 0 to register 0x{register:02X} once in the set-up.",
            parts=[ref],
            affects=_decided_by(view, ref),
        )
