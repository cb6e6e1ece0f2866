"""Pins: those the wiring has against those the program uses, modes, references."""

from collections.abc import Iterator

from verifex.core.findings import Finding, Severity
from verifex.core.program import tree as t
from verifex.core.program.rules.book import PROGRAM
from verifex.core.program.rules.view import PinUse, ProgramView
from verifex.core.rulebook import RUN_CONSEQUENCES, FindingFactory

WRITES = ("digitalWrite", "analogWrite", "tone")


@PROGRAM.rule(
    "pin-differs-from-wiring",
    Severity.FIX,
    title="Program and wiring name different pins",
    why="The program works a pin that nothing hangs on, so the part it means never gets or gives anything.",
    hint="Follow the lead of each part to its pin, and compare the number with the program.",
    criterion="program",
    source="wiring and program of the same pair",
    explains=("pin-mode-missing", *RUN_CONSEQUENCES),
)
def pin_differs(view: ProgramView, finding: FindingFactory) -> Iterator[Finding]:
    if view.wired is None or not view.compiles:
        return
    ways = (
        ("measures", "measures", _measured(view)),
        ("drives", "drives", _driven(view)),
        ("reads", "measures", _read(view)),
    )
    for verb, role, used in ways:
        # Pins of this role that the wiring has and the program leaves alone: the likely ones intended.
        left = {pin: use for pin, use in view.wired.items() if use.role == role and pin not in used}
        for pin, at in used.items():
            here = view.wired.get(pin)
            # Reading back what a pin drives is a way to keep its state; and an own pull-up makes a pin read without a part.
            fits = here is not None and (here.role in (role, "other") or (verb == "drives" and here.role == "commands"))
            if fits or (
                verb == "reads" and here is not None and not (here.role == "commands" and _is_input(view, pin))
            ):
                continue
            if verb == "reads" and not left:
                continue
            if verb != "measures" and here is None and pin == view.board.pins.own_light:
                continue  # the board has a light of its own there
            meant = _intended(left)
            on_it = f"{', '.join(here.parts)} is on it" if here else "nothing is wired to it"
            yield finding(
                f"The program {verb} {pin}, but {on_it}" + (f"; {meant[1]} is on {meant[0]}." if meant else "."),
                f"Change the number to {meant[0]}, or move the lead."
                if meant
                else "Lead the part to this pin, or mend the number.",
                at=at,
                parts=list(left[meant[0]].parts) if meant else [],
            )


def _measured(view: ProgramView) -> dict[str, t.At]:
    """Pins the program measures, with the place that names them: from the text where it is certain, else from the runs."""
    # A pin that nothing is on is read for chance: `randomSeed(analogRead(A3))`.
    seeds = {n.at for call in view.calls("randomSeed") for arg in call.args for n in t.walk(arg)}
    measured = [(pin, call) for pin, call in reversed(view.pin_calls("analogRead")) if call.at not in seeds]
    pins = {pin: _named_at(view, call) for pin, call in measured}
    for run in view.runs:
        found = {pin: use.measured_at for pin, use in run.pins.items() if use.measured_at and pin not in pins}
        pins |= {pin: at for pin, at in found.items() if at not in seeds}
    return pins


def _driven(view: ProgramView) -> dict[str, t.At]:
    """Pins the program drives, likewise."""
    pins = {pin: _named_at(view, call) for pin, call in reversed(view.pin_calls(*WRITES))}
    for run in view.runs:
        pins |= {pin: use.written_at for pin, use in run.pins.items() if use.written_at and pin not in pins}
    return pins


def _read(view: ProgramView) -> dict[str, t.At]:
    """Pins that are read as high or low, or asked through a library."""
    return {
        pin: use.read_at for run in view.runs for pin, use in run.pins.items() if use.read_at and use.mode != "output"
    }


def _is_input(view: ProgramView, pin: str) -> bool:
    """Whether the program itself says that it listens on a pin; a library is given pins of both kinds."""
    return any(run.pins[pin].mode in ("input", "pull-up") for run in view.runs if pin in run.pins)


def _intended(left: dict[str, PinUse]) -> tuple[str, str] | None:
    return next(((pin, use.title) for pin, use in left.items()), None) if len(left) == 1 else None


def _named_at(view: ProgramView, call: t.Call) -> t.At:
    """Where the pin's number is written: at its declaration when it has a name."""
    arg = call.args[0]
    if isinstance(arg, t.Name):
        for node in view.nodes:
            if isinstance(node, t.Declare) and node.name == arg.name:
                return node.at
    return call.at


@PROGRAM.rule(
    "pin-mode-missing",
    Severity.FIX,
    title="A pin that is written but never made an output",
    why="Written without being an output, a pin only switches its weak pull-up: a light glows faintly at best.",
    hint="What must be said of a pin, once, before it may drive something?",
    criterion="program",
    source="the dialect: pins are inputs until told otherwise",
    explains=RUN_CONSEQUENCES,
)
def pin_mode_missing(view: ProgramView, finding: FindingFactory) -> Iterator[Finding]:
    modes = {
        pin for pin, call in view.pin_calls("pinMode") if len(call.args) > 1 and view.known_number(call.args[1]) == 1
    }
    set_in_runs = {pin for run in view.runs for pin, use in run.pins.items() if use.mode == "output"}
    if not view.compiles or view.is_python:
        return
    written = {pin: call.at for pin, call in reversed(view.pin_calls("digitalWrite"))}
    for run in view.runs:
        written |= {pin: use.written_at for pin, use in run.pins.items() if use.written_at and pin not in written}
    for pin, at in written.items():
        if pin in modes | set_in_runs:
            continue
        yield finding(
            f"{pin} is written in line {at.line}, but nothing makes it an output.",
            "Add `pinMode(…, OUTPUT);` for it in setup().",
            at=at,
            parts=list((view.wired or {})[pin].parts) if pin in (view.wired or {}) else [],
        )


@PROGRAM.rule(
    "no-converter",
    Severity.FIX,
    title="Measuring on a pin without a converter",
    why="This pin tells high from low only; the count is always 0.",
    hint="Which pins of your board can measure a voltage?",
    criterion="program",
    source="the board's pin table",
    explains=("ends-with-error", "stops-on-bench", *RUN_CONSEQUENCES),
)
def no_converter(view: ProgramView, finding: FindingFactory) -> Iterator[Finding]:
    for at in view.runtime_faults("no-converter"):
        pins = {pin for run in view.runs for pin, use in run.pins.items() if use.measured_at == at}
        if view.wired is not None and not view.is_python and pins and not pins & set(view.wired):
            continue  # that nothing hangs on it is reported already, with the pin that is intended
        yield finding(
            "A voltage is read on a pin without a converter.",
            "Read an analogue pin, and wire the part to it.",
            at=at,
        )


@PROGRAM.rule(
    "no-such-pin",
    Severity.FIX,
    title="A pin the board does not have",
    why="The call does nothing.",
    hint="Which pin numbers does your board have?",
    criterion="program",
    source="the board's pin table",
    explains=("ends-with-error", "stops-on-bench", *RUN_CONSEQUENCES),
)
def no_such_pin(view: ProgramView, finding: FindingFactory) -> Iterator[Finding]:
    reported: set[float | None] = set()
    for at in view.runtime_faults("no-such-pin"):
        call = next((n for n in view.nodes if isinstance(n, t.Call) and n.at == at and n.args), None)
        number = view.known_number(call.args[0]) if call else None
        if number is not None and number in reported:
            continue
        reported.add(number)
        yield finding(
            f"The board has no signal pin {number:g}."
            if number is not None
            else "This pin number is not on the board.",
            "Use the number of the pin the part is wired to.",
            at=at,
        )


@PROGRAM.rule(
    "reference-not-set",
    Severity.FIX,
    title="The formula's reference is not the converter's",
    why="The count means volts only together with the reference; the wrong one scales every reading.",
    hint="Which voltage does the converter compare with, and which one does your formula use?",
    criterion="program",
    source="the converter: count = volts / reference × 1024",
    explains=RUN_CONSEQUENCES,
)
def reference_not_set(view: ProgramView, finding: FindingFactory) -> Iterator[Finding]:
    if not view.compiles:
        return
    internal = view.board.internal_reference_volts
    chosen = [view.known_number(call.args[0]) for call in view.calls("analogReference") if call.args]
    sets_internal = 3 in chosen
    numbers = {float(n.value): n for n in view.nodes if isinstance(n, t.Number) and _in_formula(view, n)}
    assumes_internal = next(
        (n for value, n in numbers.items() if internal and _is_volts(value, internal[0], internal[2])), None
    )
    assumes_rail = next((n for value, n in numbers.items() if _is_volts(value, 4.5, 5.5)), None)
    if assumes_internal and not sets_internal:
        yield finding(
            f"The formula uses {assumes_internal.value:g} V, but the converter compares with the {view.board.rail_volts:g} V rail.",
            "Add `analogReference(INTERNAL);` in setup().",
            at=assumes_internal.at,
        )
    elif sets_internal and assumes_rail and not assumes_internal:
        yield finding(
            f"The converter compares with its internal reference, but the formula uses {assumes_rail.value:g}.",
            "Put the internal reference's volts into the formula, or leave analogReference out.",
            at=assumes_rail.at,
        )
    elif view.reference == "internal" and not sets_internal and not assumes_rail:
        call = next(iter(view.calls("analogRead")), None)
        if call:
            yield finding(
                "This bench feeds the thermometer from 3.3 V, which goes with the internal reference; it is not set.",
                "Add `analogReference(INTERNAL);` in setup(), or keep the rail and say so in the formula.",
                at=call.at,
                severity=Severity.CHECK,
            )


def _is_volts(value: float, low: float, high: float) -> bool:
    """Whether a number is a voltage between the limits, in volts or millivolts; divisors and 1.0 are none."""
    return (low <= value <= high or 1000 * low <= value <= 1000 * high) and value not in (1, 1000, 1023, 1024)


def _in_formula(view: ProgramView, number: t.Number) -> bool:
    """Whether a number is multiplied or divided somewhere, or fixed under a name that is."""
    for node in view.nodes:
        if isinstance(node, t.Binary) and node.op in "*/" and number in (node.left, node.right):
            return True
        if isinstance(node, t.Binary) and node.op in "*/":
            for side in (node.left, node.right):
                if isinstance(side, t.Name) and view._fixed.get(side.name) == number:
                    return True
    return False
