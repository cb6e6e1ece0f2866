"""Pins that cannot do what hangs on them."""

from collections.abc import Iterator

from verifex.core.circuit.connections.driving_pins import has_work, speaks_to
from verifex.core.circuit.connections.paths import Link
from verifex.core.circuit.nets import Net
from verifex.core.circuit.rules.book import DEAD_LOADS, WIRING
from verifex.core.circuit.view import BenchView
from verifex.core.findings import Finding, Severity
from verifex.core.parts import LegRole, PinKind
from verifex.core.rulebook import FindingFactory


def _on(view: BenchView, net: Net) -> list[str]:
    return [leg.ref for leg in view.nets.part_legs(net)]


def analogue_sources(view: BenchView) -> Iterator[tuple[str, str, Net]]:
    """(ref, what it is in words, net) of everything that gives a voltage to be measured, where it reaches a pin."""
    for net in view.nets.nets:
        if view.nets.is_rail(net):
            continue
        for leg in view.nets.part_legs(net):
            part = view.bench.parts[leg.ref]
            if part.type.role(leg.leg) is LegRole.ANALOGUE_OUT:
                yield leg.ref, f"The {leg.leg} leg of {leg.ref}", net
            elif part.type.model == "pot" and leg.leg == "wiper" and _is_divider(view, leg.ref):
                yield leg.ref, f"The wiper of {leg.ref}", net
            elif part.type.model == "light-cell":
                yield leg.ref, f"The divider of {leg.ref}", net


def _is_divider(view: BenchView, ref: str) -> bool:
    """Whether a knob's two ends lie at different rails, so that its wiper gives a share between them."""
    one, other = view.nets.of_leg(ref, "end1"), view.nets.of_leg(ref, "end2")
    if one is None or other is None:
        return False
    return (view.nets.is_source(one) and view.nets.is_return(other)) or (
        view.nets.is_return(one) and view.nets.is_source(other)
    )


def _pins_reading(view: BenchView, net: Net) -> list[PinKind]:
    """Signal pins on a net, or behind resistors from it."""
    pins = list(view.nets.signal_pins(net))
    if pins:
        return pins
    reached = view.paths.reach(net, (Link.OHMS,))
    for net_id in reached:
        other = view.nets.nets[net_id]
        if not view.nets.is_rail(other):
            pins += view.nets.signal_pins(other)
    return pins


@WIRING.rule(
    "output-on-digital-pin",
    Severity.FIX,
    title="An analogue value on a pin that cannot measure",
    why="That pin tells high from low only; it cannot say how many volts there are.",
    hint="Which pins of your board can measure a voltage?",
    criterion="wiring",
    source="the board's pin table",
    explains=("function-not-built", "boot-pin-used", "level-too-low"),
)
def no_converter_on_pin(view: BenchView, finding: FindingFactory) -> Iterator[Finding]:
    board = view.bench.board
    if board is None:
        return
    for ref, what, net in analogue_sources(view):
        pins = _pins_reading(view, net)
        if not pins or any(pin.analogue_in or pin.analogue_radio_off for pin in pins):
            continue
        able = [name for name in board.pin_names() if (p := board.pin(name)) and p.analogue_in]
        remedy = (
            f"Move the lead to one of {able[0]}–{able[-1]}."
            if able
            else "This board cannot measure a voltage; use a converter module, or a board that can."
        )
        yield finding(
            f"{what} goes to {pins[0].name}, which cannot measure.",
            remedy,
            parts=[ref],
            places=[view.pin_place(pins[0].name)],
            nets=[net.name],
            line=view.bench.parts[ref].line,
        )


@WIRING.rule(
    "converter-shared-with-radio",
    Severity.CHECK,
    title="A converter pin that the radio takes",
    why="This pin's converter belongs to the radio while that is on; then it reads nothing.",
    hint="Which converter pins of your board work while the radio is on?",
    criterion="wiring",
    source="the board's pin table",
)
def converter_shared_with_radio(view: BenchView, finding: FindingFactory) -> Iterator[Finding]:
    board = view.bench.board
    for ref, what, net in analogue_sources(view) if board else ():
        pins = _pins_reading(view, net)
        if pins and not any(pin.analogue_in for pin in pins) and any(pin.analogue_radio_off for pin in pins):
            assert board is not None
            yield finding(
                f"{what} goes to {pins[0].name}, which measures only while the radio is off.",
                f"Move the lead to one of {board.pins.analogue[0]}–{board.pins.analogue[-1]} if the program uses the radio.",
                parts=[ref],
                places=[view.pin_place(pins[0].name)],
                nets=[net.name],
                line=view.bench.parts[ref].line,
            )


@WIRING.rule(
    "unusable-pin",
    Severity.FIX,
    title="A pin that must not be used",
    why="It belongs to the board's own memory; a lead on it stops the board from starting.",
    hint="Some pins of your board are taken by the board itself. Is this one of them?",
    criterion="wiring",
    source="the board's pin table",
    explains=(
        *DEAD_LOADS,
        "output-on-digital-pin",
        "input-only-driven",
        "function-not-built",
        "bus-moved",
        "bus-elsewhere",
        "output-unconnected",
    ),
)
def unusable_pin(view: BenchView, finding: FindingFactory) -> Iterator[Finding]:
    for pin, net in view.wired_pins():
        if pin.unusable:
            yield finding(
                f"{pin.name} is used, but the board needs it for itself.",
                "Move the lead to a free pin and change its number in the program.",
                parts=_on(view, net),
                places=[view.pin_place(pin.name)],
                nets=[net.name],
                affects=view.parts_behind(net),
            )


@WIRING.rule(
    "input-only-driven",
    Severity.FIX,
    title="An input-only pin that should drive",
    why="This pin has no output stage: whatever the program writes, nothing comes out.",
    hint="Can this pin of your board give a level, or only read one?",
    criterion="wiring",
    source="the board's pin table",
    explains=("light-never-lit", "sounder-never-sounds", "load-never-works", "transistor-never-on", "input-unconnected",
              "function-not-built", "bus-moved", "supply-missing"),
)  # fmt: skip
def input_only_driven(view: BenchView, finding: FindingFactory) -> Iterator[Finding]:
    for pin, net in view.wired_pins():
        if pin.digital_out or pin.unusable or view.nets.is_rail(net):
            continue
        if speaks_to(view.nets, view.paths, net) and not _is_bus(view, net):
            continue
        if has_work(view.nets, view.paths, net) or _is_bus(view, net):
            what = "only read a voltage" if not pin.digital_in else "only read"
            yield finding(
                f"{pin.name} can {what}, but it should drive what hangs on it.",
                "Move the lead to a pin that can drive, and change its number in the program.",
                parts=view.parts_behind(net),
                places=[view.pin_place(pin.name)],
                nets=[net.name],
            )


def _is_bus(view: BenchView, net: Net) -> bool:
    return any(view.bench.parts[leg.ref].type.role(leg.leg) is LegRole.TWO_WAY for leg in view.nets.part_legs(net))


@WIRING.rule(
    "analogue-only-read",
    Severity.CHECK,
    title="A switch on a pin that only measures",
    why="This pin cannot be read as high or low; the program has to measure it and compare.",
    hint="Can this pin be read as high or low, or only measured?",
    criterion="wiring",
    source="the board's pin table",
)
def analogue_only_read(view: BenchView, finding: FindingFactory) -> Iterator[Finding]:
    for pin, net in view.wired_pins():
        if pin.digital_in or not pin.analogue_in:
            continue
        for leg in view.nets.part_legs(net):
            part = view.bench.parts[leg.ref]
            if part.type.model == "switch" or part.type.role(leg.leg) in (LegRole.DIGITAL_OUT, LegRole.OPEN_OUT):
                yield finding(
                    f"{part.ref} goes to {pin.name}, which can only be measured.",
                    "Move it to a digital pin, or measure it and compare with half the supply.",
                    parts=[part.ref],
                    places=[view.pin_place(pin.name)],
                    nets=[net.name],
                    line=part.line,
                )


@WIRING.rule(
    "serial-pin-used",
    Severity.FIX,
    title="A lead on the serial pins",
    why="These pins carry the link to the computer: uploading fails, and the log is disturbed.",
    hint="Two of the digital pins are busy already. Which ones?",
    criterion="wiring",
    source="the board's pin table",
)
def serial_pin_used(view: BenchView, finding: FindingFactory) -> Iterator[Finding]:
    for pin, net in view.wired_pins():
        if pin.serial:
            yield finding(
                f"{pin.name} is used, but it belongs to the serial link.",
                "Move the lead to a free pin and change its number in the program.",
                parts=_on(view, net),
                places=[view.pin_place(pin.name)],
                nets=[net.name],
            )


@WIRING.rule(
    "boot-pin-used",
    Severity.CHECK,
    title="A pin that decides how the board starts",
    why="What hangs on it is read at power-on: held the wrong way the board does not start, or cannot be loaded.",
    hint="Some pins are read while the board starts. Is this one of them?",
    criterion="wiring",
    source="the board's pin table",
)
def boot_pin_used(view: BenchView, finding: FindingFactory) -> Iterator[Finding]:
    for pin, net in view.wired_pins():
        if pin.boot and not (pin.bus and _speaks_bus(view, net, pin.bus)):
            yield finding(
                f"{pin.name} is used; its level at power-on decides how the board starts.",
                "Take another pin if there is one; else see that nothing pulls it the wrong way at power-on.",
                parts=_on(view, net),
                places=[view.pin_place(pin.name)],
                nets=[net.name],
            )


def _speaks_bus(view: BenchView, net: Net, line: str) -> bool:
    """Whether the pin serves the bus line it is made for: then its use is the intended one."""
    return any(
        view.bench.parts[leg.ref].type.leg(leg.leg).bus == line
        for leg in view.nets.part_legs(net)
        if leg.leg in view.bench.parts[leg.ref].type.legs
    )


@WIRING.rule(
    "reference-fed",
    Severity.STOP,
    title="AREF fed while another reference is selected",
    why="Inside the board the selected reference then meets the outside voltage without anything between them.",
    hint="Which reference does your program select, and what is on the AREF pin?",
    criterion="safety",
    source="the converter's reference pin",
)
def reference_fed(view: BenchView, finding: FindingFactory) -> Iterator[Finding]:
    net = view.nets.of_pin("AREF")
    if net is None or view.shorted or not view.is_fed(net):
        return
    selected = view.program.reference if view.program else None
    if selected is None and view.exercise:
        allowed = {variant.reference for variant in view.exercise.variants}
        selected = "external" if "external" in allowed else "rail"
    if selected == "external":
        return
    known = selected is not None
    yield finding(
        f"AREF is joined to {net.name if len(net.legs) > 1 else 'a supply'}; "
        + (f"the {selected} reference is selected." if known else "no program says which reference is selected."),
        "Take the lead off AREF, or select the external reference before the first measurement.",
        parts=_on(view, net),
        places=[view.pin_place("AREF")],
        nets=[net.name],
        severity=Severity.STOP if known else Severity.CHECK,
    )


@WIRING.rule(
    "pulse-width-on-plain-pin",
    Severity.FIX,
    title="Dimming on a pin without pulse width",
    why="This pin only switches on and off; dimming or a tone by pulse width needs a pin that can.",
    hint="Which pins of your board can do pulse width?",
    criterion="wiring",
    source="the board's pin table and the exercise's functions",
    explains=("function-not-built",),
)
def pulse_width_on_plain_pin(view: BenchView, finding: FindingFactory) -> Iterator[Finding]:
    if view.exercise is None or view.bench.board is None:
        return
    for function in view.exercise.functions:
        if function.reaches != "pwm-output":
            continue
        part = view.matching(function.ref)
        pins = _driving_pins(view, part.ref) if part else []
        if part and pins and not any(pin.pwm for pin in pins):
            yield finding(
                f"{part.ref} is driven by {pins[0].name}, which cannot do pulse width.",
                f"Move the lead to one of {', '.join(view.bench.board.pins.pwm)}.",
                parts=[part.ref],
                places=[view.pin_place(pins[0].name)],
                line=part.line,
            )


def _driving_pins(view: BenchView, ref: str) -> list[PinKind]:
    """Output pins behind which a part hangs."""
    return [pin for pin, net in view.wired_pins() if pin.name in view.outputs and ref in view.parts_behind(net)]
