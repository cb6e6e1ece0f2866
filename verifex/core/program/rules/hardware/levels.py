"""What is done with a pin: the wrong direction, dimming where it cannot, on and never off, one left out of a loop."""

from collections.abc import Iterator

from verifex.core.findings import Finding, Severity
from verifex.core.program import tree as t
from verifex.core.program.rules.book import PROGRAM
from verifex.core.program.rules.view import ProgramView
from verifex.core.program.runtime.run_result import PinUse
from verifex.core.rulebook import RUN_CONSEQUENCES, FindingFactory


@PROGRAM.rule(
    "pin-mode-wrong",
    Severity.FIX,
    title="A module's output is driven by the program",
    why="Two outputs work against each other on this pin; what is read is what the program itself puts there.",
    hint="Does this pin tell you something, or do you tell it?",
    criterion="program",
    source="wiring and program of the same pair",
    explains=RUN_CONSEQUENCES,
)
def pin_mode_wrong(view: ProgramView, finding: FindingFactory) -> Iterator[Finding]:
    for pin, use in _used(view).items():
        wired = (view.wired or {}).get(pin)
        reads = use.read_at or use.measured_at
        if wired and wired.role == "measures" and use.mode == "output" and use.mode_at and reads and not use.written_at:
            yield finding(
                f"{pin} is made an output, but {wired.title} drives it.",
                "Make it an input.",
                at=use.mode_at,
                parts=list(wired.parts),
            )


def _used(view: ProgramView) -> dict[str, PinUse]:
    return {pin: use for run in view.runs for pin, use in run.pins.items()}


@PROGRAM.rule(
    "plain-pin-dimmed",
    Severity.FIX,
    title="Dimming on a pin that cannot dim",
    why="This pin has no pulses of its own: it is off below half and on above it.",
    hint="Which pins of your board can be dimmed?",
    criterion="program",
    source="the board's pin table",
    explains=RUN_CONSEQUENCES,
)
def plain_pin_dimmed(view: ProgramView, finding: FindingFactory) -> Iterator[Finding]:
    for at in view.runtime_faults("plain-pin-dimmed"):
        dimming = ", ".join(view.board.pins.pwm)
        yield finding(
            f"analogWrite in line {at.line} works on a pin that is only ever off or on.",
            f"Move the lead to one of {dimming}, or write HIGH and LOW.",
            at=at,
        )


@PROGRAM.rule(
    "no-interrupt",
    Severity.FIX,
    title="A pin without an interrupt",
    why="The function is never called.",
    hint="Which pins of your board can interrupt the program?",
    criterion="program",
    source="the board's pin table",
    explains=RUN_CONSEQUENCES,
)
def no_interrupt(view: ProgramView, finding: FindingFactory) -> Iterator[Finding]:
    for at in view.runtime_faults("no-interrupt"):
        yield finding(
            "This pin has no interrupt.",
            f"Use {' or '.join(view.board.pins.interrupts)}, and wire the part to it.",
            at=at,
        )


@PROGRAM.rule(
    "never-switched-off",
    Severity.FIX,
    title="Switched on, never off",
    why="Once it is on it stays on, whatever is measured later.",
    hint="Where in your program does it go off again?",
    criterion="program",
    source="every statement that drives the pin",
    explains=("alarm-stays-on", "alarm-at-wrong-value"),
)
def never_switched_off(view: ProgramView, finding: FindingFactory) -> Iterator[Finding]:
    if not view.compiles or (view.exercise and not any(s.otherwise for s in view.exercise.behaviour)):
        return
    switched: dict[str, list[tuple[bool | None, t.Call]]] = {}
    for name, level, call in _switchings(view):
        switched.setdefault(name, []).append((level, call))
    asked = {node.at for branch in view.nodes if isinstance(branch, t.If) for node in t.walk(branch)}
    for name, seen in switched.items():
        if all(level is True for level, _ in seen) and all(call.at in asked for _, call in seen):
            at = seen[0][1].at
            yield finding(
                f"{name} is switched on in line {at.line}, and nothing in the program switches it off.",
                "Switch it off in the other branch (else).",
                at=at,
                parts=list((view.wired or {})[name].parts) if name in (view.wired or {}) else [],
            )


def _switchings(view: ProgramView) -> Iterator[tuple[str, bool | None, t.Call]]:
    """(what, on or off or None where that is open, call) for everything that drives a pin."""
    for pin, call in view.pin_calls("digitalWrite", "analogWrite", "tone", "noTone"):
        level = view.known_number(call.args[1]) if len(call.args) > 1 and call.name in ("digitalWrite",) else None
        yield pin, None if level is None else level != 0, call
    if not view.is_python:
        return
    for node in view.nodes:
        if (
            isinstance(node, t.Call)
            and node.receiver
            and node.name in ("on", "off", "toggle", "blink", "beep", "close")
        ):
            yield node.receiver, {"on": True, "off": False}.get(node.name), node
        elif (
            isinstance(node, t.Call)
            and node.name == "output"
            and len(node.args) == 2
            and isinstance(node.args[0], t.Name)
        ):
            yield node.args[0].name, _python_level(node.args[1]), node
        elif isinstance(node, t.Assign) and isinstance(node.target, t.Field) and isinstance(node.target.base, t.Name):
            yield node.target.base.name, None, t.Call(node.at, "=", ())


def _python_level(node: t.Expr) -> bool | None:
    if isinstance(node, t.Literal) and isinstance(node.value, bool):
        return node.value
    if isinstance(node, t.Number):
        return node.value != 0
    return {"HIGH": True, "LOW": False}.get(node.name) if isinstance(node, t.Field) else None


@PROGRAM.rule(
    "loop-one-short",
    Severity.FIX,
    title="A loop leaves out one element of its list",
    why="That pin is neither set up nor driven, so what hangs on it stays dark or follows nothing.",
    hint="Count the places of your list, and the turns of this loop.",
    criterion="program",
    source="the length of the list and the loop's condition",
    explains=("pin-mode-missing", *RUN_CONSEQUENCES),
)
def loop_one_short(view: ProgramView, finding: FindingFactory) -> Iterator[Finding]:
    for node in view.nodes:
        if (
            not isinstance(node, t.For)
            or not isinstance(node.condition, t.Binary)
            or node.condition.op not in ("<", "<=")
        ):
            continue
        counter, most = node.condition.left, view.known_number(node.condition.right)
        if not isinstance(counter, t.Name) or most is None:
            continue
        last = most - (node.condition.op == "<")
        first = _begins(view, node, counter.name)
        for name in _lists_driven(node.body, counter.name):
            left_out = set(range(view.lengths.get(name, 0))) - set(range(int(first), int(last) + 1))
            if len(left_out) != 1 or left_out & _places_named(view, name):
                continue
            missing = left_out.pop()
            yield finding(
                f"`{name}` has {view.lengths[name]} places, 0 to {view.lengths[name] - 1}; this loop leaves out place {missing}.",
                f"Let it run from 0 while `{counter.name} < {view.lengths[name]}`.",
                at=node.at,
                parts=_parts_at(view, name, missing),
            )


def _parts_at(view: ProgramView, name: str, place: int) -> list[str]:
    """What hangs on the pin at a place of a list."""
    listed = next((n.value for n in view.nodes if isinstance(n, t.Declare) and n.name == name), None)
    pin = view.pin_of(listed.items[place]) if isinstance(listed, t.Items) and place < len(listed.items) else None
    use = (view.wired or {}).get(pin or "")
    return list(use.parts) if use else []


def _begins(view: ProgramView, loop: t.For, counter: str) -> float:
    """The first value of a loop's counter; 0 where that is not certain."""
    value = None
    for node in t.walk(loop.start) if loop.start is not None else ():
        if isinstance(node, t.Declare) and node.name == counter:
            value = node.value
        if isinstance(node, t.Assign) and isinstance(node.target, t.Name) and node.target.name == counter:
            value = node.value
    return view.known_number(value) or 0 if value is not None else 0


def _places_named(view: ProgramView, name: str) -> set[int]:
    """Places of a list that are used by their number somewhere."""
    args = [a for n in view.nodes if isinstance(n, t.Call) for a in n.args]
    return {
        int(number)
        for a in args
        if isinstance(a, t.Index) and isinstance(a.base, t.Name) and a.base.name == name
        if (number := view.known_number(a.index)) is not None
    }


def _lists_driven(body: t.Stmt, counter: str) -> list[str]:
    """Lists of pins that a loop's body sets up or drives, one after the other."""
    found = []
    for call in t.walk(body):
        if isinstance(call, t.Call) and call.name in ("pinMode", "digitalWrite") and call.args:
            pin = call.args[0]
            if (
                isinstance(pin, t.Index)
                and isinstance(pin.base, t.Name)
                and isinstance(pin.index, t.Name)
                and pin.index.name == counter
            ):
                found.append(pin.base.name)
    return list(dict.fromkeys(found))
