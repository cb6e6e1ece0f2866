"""Module outputs: unconnected, on a pin that cannot read them, tied to a supply; the exercise's connections."""

from collections.abc import Iterator

from verifex.core.circuit.bench import Part
from verifex.core.circuit.nets import Net
from verifex.core.circuit.rules.book import WIRING
from verifex.core.circuit.view import BenchView
from verifex.core.findings import Finding, Severity
from verifex.core.parts.schema import LegRole
from verifex.core.rulebook import Found

OUTPUTS = (LegRole.ANALOGUE_OUT, LegRole.DIGITAL_OUT)


def _outputs(view: BenchView) -> Iterator[tuple[Part, str, Net | None]]:
    for part in view.bench.parts.values():
        for leg in part.type.legs:
            if part.type.role(leg) in OUTPUTS:
                yield part, leg, view.net(part, leg)


@WIRING.rule(
    "output-tied-to-supply",
    Severity.STOP,
    title="Plus tied to an output leg",
    why="The output fights the supply; its current is limited by nothing but the part, which heats and may be spoilt.",
    hint="One leg of this part gives the signal. Is it the one with the supply on it?",
    criterion="safety",
    source="a push-pull output may not be driven from outside",
    explains=("output-unconnected", "supply-missing", "output-on-digital-pin", "function-not-built"),
)
def output_tied_to_supply(view: BenchView, found: Found) -> Iterator[Finding]:
    for part, leg, net in _outputs(view):
        if net is None or view.shorted or not view.nets.supplies(net):
            continue
        supply = part.type.legs_with(LegRole.SUPPLY)
        swapped = bool(supply) and (own := view.net(part, supply[0])) is not None and bool(view.nets.signal_pins(own))
        place = view.place(part, leg)
        remedy = (
            f"Exchange the leads of {part.ref}.{leg} and {part.ref}.{supply[0]}."
            if swapped
            else f"Take the supply off {place}."
        )
        yield found(
            f"The {leg} leg of {part.ref} ({place}) is joined to {net.name}.",
            remedy,
            parts=[part.ref],
            places=[place],
            nets=[net.name],
            line=part.line,
        )


@WIRING.rule(
    "output-tied-to-ground",
    Severity.FIX,
    title="An output leg tied to ground",
    why="The output is held at 0 V, so the board reads 0 whatever the module says.",
    hint="Follow the signal lead: where does it really end?",
    criterion="wiring",
    source="a push-pull output may not be driven from outside",
    explains=("output-unconnected", "ground-missing", "output-on-digital-pin", "function-not-built"),
)
def output_tied_to_ground(view: BenchView, found: Found) -> Iterator[Finding]:
    for part, leg, net in _outputs(view):
        if net is None or view.shorted or not view.nets.is_ground(net):
            continue
        place = view.place(part, leg)
        yield found(
            f"The {leg} leg of {part.ref} ({place}) is joined to ground.",
            f"Lead {place} to the input that should read it.",
            parts=[part.ref],
            places=[place],
            nets=[net.name],
            line=part.line,
        )


@WIRING.rule(
    "output-unconnected",
    Severity.FIX,
    title="An output that goes nowhere",
    why="What the module says reaches no pin; the input floats and reads something all the same.",
    hint="How does the board get to know what this part says?",
    criterion="wiring",
    source="the module's output leg",
    explains=("function-not-built",),
)
def output_unconnected(view: BenchView, found: Found) -> Iterator[Finding]:
    for part, leg, net in _outputs(view):
        if net is not None and (view.nets.board_pins(net) or _goes_on(view, net, part)):
            continue
        place = view.place(part, leg) if leg in part.legs else f"{part.ref}.{leg}"
        yield found(
            f"The {leg} leg of {part.ref} ({place}) reaches no pin of the board.",
            f"Lead {place} to an input that can read it.",
            parts=[part.ref],
            places=[place],
            line=part.line,
        )


def _goes_on(view: BenchView, net: Net, part: Part) -> bool:
    """Whether another part takes the signal over (a divider, a transistor): then it is not lost here."""
    return any(leg.ref != part.ref for leg in view.nets.part_legs(net))


@WIRING.rule(
    "output-on-digital-pin",
    Severity.FIX,
    title="An analogue output on a pin that cannot measure",
    why="That pin tells high from low only; it cannot say how many volts there are.",
    hint="Which pins of your board can measure a voltage?",
    criterion="wiring",
    source="the board's pin table",
    explains=("function-not-built",),
)
def output_on_digital_pin(view: BenchView, found: Found) -> Iterator[Finding]:
    board = view.bench.board
    for part, leg, net in _outputs(view):
        if net is None or board is None or part.type.role(leg) is not LegRole.ANALOGUE_OUT:
            continue
        pins = view.nets.signal_pins(net)
        if pins and not any(pin.analogue_in for pin in pins):
            able = [name for name in board.pin_names() if (p := board.pin(name)) and p.analogue_in]
            remedy = (
                f"Move the lead to one of {able[0]}–{able[-1]}."
                if able
                else "This board cannot measure a voltage; use one that can."
            )
            yield found(
                f"The {leg} leg of {part.ref} goes to {pins[0].name}, a digital pin.",
                remedy,
                parts=[part.ref],
                places=[f"{view.bench.board_ref}.{pins[0].name}"],
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
def serial_pin_used(view: BenchView, found: Found) -> Iterator[Finding]:
    for net in view.nets.nets:
        for pin in view.nets.signal_pins(net):
            if pin.serial and len(net.places) > 1:
                yield found(
                    f"{pin.name} is used, but it belongs to the serial link.",
                    "Move the lead to a free pin and change its number in the program.",
                    parts=[leg.ref for leg in view.nets.part_legs(net)],
                    places=[f"{view.bench.board_ref}.{pin.name}"],
                    nets=[net.name],
                )


@WIRING.rule(
    "part-missing",
    Severity.FIX,
    title="A part of the recipe is missing",
    why="The exercise cannot be shown without it.",
    hint="Compare the parts on your board with the recipe.",
    criterion="wiring",
    source="the exercise's recipe",
    explains=("function-not-built",),
)
def part_missing(view: BenchView, found: Found) -> Iterator[Finding]:
    if view.exercise is None:
        return
    for recipe in view.exercise.recipe:
        if view.matching(recipe.ref) is None and recipe.ref not in {p for i in view.bench.impossible for p in i.parts}:
            remedy = f"Put it in, as in 'part {recipe.ref} {recipe.part} …'."
            job = next((j for j in view.exercise.resistor_jobs if j.ref == recipe.ref), None)
            if job and any(_is_light_without(view, part) for part in view.bench.parts.values()):
                continue  # told by light-without-resistor, with its currents
            yield found(
                f"No {recipe.title or recipe.part} ({recipe.part}) is on the bench.",
                remedy,
                parts=[recipe.ref],
            )


def _is_light_without(view: BenchView, part: Part) -> bool:
    from verifex.core.circuit.rules.lights import has_series_resistor

    return part.type.model == "led" and not has_series_resistor(view, part)


@WIRING.rule(
    "function-not-built",
    Severity.FIX,
    title="A connection of the exercise is missing",
    why="The exercise asks for it; any pin that can do it and any place is as good as another.",
    hint="Read what the exercise asks this part to be joined to.",
    criterion="wiring",
    source="the exercise's functions",
)
def function_not_built(view: BenchView, found: Found) -> Iterator[Finding]:
    if view.exercise is None or view.bench.board is None:
        return
    for function in view.exercise.functions:
        ref = function.part or (function.leg or "").split(".")[0]
        part = view.matching(ref)
        if part is None:
            continue
        if function.reaches == "analogue-input" and function.leg:
            leg = function.leg.split(".")[1]
            net = view.net(part, leg)
            if net is None or not any(pin.analogue_in for pin in view.nets.signal_pins(net)):
                yield found(
                    f"The {leg} leg of {part.ref} does not reach a pin that can measure.",
                    f"Lead {view.place(part, leg)} to an analogue input.",
                    parts=[part.ref],
                    line=part.line,
                )
        elif function.reaches == "digital-output" and not _is_driven(view, part):
            yield found(
                f"{part.ref} ({part.type.title}) is not switched by any pin.",
                "Lead one of its ends to a digital pin, so that the program can switch it.",
                parts=[part.ref],
                line=part.line,
            )


def _is_driven(view: BenchView, part: Part) -> bool:
    """Whether the current through the part differs between output states: then a pin switches it."""
    leg = part.type.legs[0]
    amps = [state.point.amps.get((part.ref, leg), 0.0) for state in view.points]
    return bool(amps) and max(amps) - min(amps) > 1e-4
