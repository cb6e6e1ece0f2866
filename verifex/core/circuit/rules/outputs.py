"""Module legs that speak and listen: tied to a supply, tied together, leading nowhere."""

from collections.abc import Iterator

from verifex.core.circuit.bench import Part
from verifex.core.circuit.connections.paths import Link
from verifex.core.circuit.nets import Net
from verifex.core.circuit.remedies import Exchange
from verifex.core.circuit.rules.book import CONFUSED_LEVELS, LOST_SIGNALS, OVER_CURRENTS, WIRING
from verifex.core.circuit.view import BenchView
from verifex.core.findings import Finding, Remedy, Severity
from verifex.core.parts import OUTPUT_ROLES, LegRole
from verifex.core.rulebook import FindingFactory

SPEAKING = (*OUTPUT_ROLES, LegRole.TWO_WAY)


def signal_legs(view: BenchView, *roles: LegRole) -> Iterator[tuple[Part, str, Net | None]]:
    """Every module leg of these roles, with its net."""
    for part in view.bench.parts.values():
        for leg in part.type.legs_with(*roles):
            yield part, leg, view.net(part, leg)


def reaches_pin(view: BenchView, net: Net) -> bool:
    """Whether a signal pin of the board is on the net, or behind resistors or a diode that do not end at a rail."""

    def has_pin(n: Net) -> bool:
        return bool(view.nets.signal_pins(n)) and not view.nets.is_rail(n)

    if has_pin(net):
        return True
    reached = view.paths.reach(net, (Link.OHMS, Link.DIODE))
    return any(has_pin(view.nets.nets[i]) for i in reached)


@WIRING.rule(
    "output-tied-to-supply",
    Severity.STOP,
    title="An output connected to the positive supply",
    why="The output fights the supply; its current is limited by nothing but the part, which heats and may be spoilt.",
    hint="One leg of this part gives the signal. Is it the one with the supply on it?",
    criterion="safety",
    source="an output may not be driven from outside",
    explains=(
        "supply-missing",
        "ground-missing",
        "function-not-built",
        "level-over",
        "supply-under",
        "legs-in-one-row",
        *OVER_CURRENTS,
        *LOST_SIGNALS,
        *CONFUSED_LEVELS,
    ),
)
def output_tied_to_supply(view: BenchView, finding: FindingFactory) -> Iterator[Finding]:
    if view.shorted:
        return
    for part, leg, net in signal_legs(view, *SPEAKING):
        if net is None or not view.nets.is_source(net):
            continue
        supply = part.type.supply_leg
        own = view.net(part, supply) if supply else None
        swapped = own is not None and bool(view.nets.signal_pins(own)) and not view.nets.is_source(own)
        place = view.place(part, leg)
        remedies = [Remedy(f"Take the supply off {place}.")]
        if swapped and supply:
            words = f"Exchange the leads of {part.ref}.{leg} and {part.ref}.{supply}."
            remedies.insert(0, Remedy(words, (Exchange(part.ref, leg, supply),)))
        yield finding(
            f"The {leg} leg of {part.ref} ({place}) is joined to {net.name}.",
            remedies,
            parts=[part.ref],
            places=[place],
            nets=[net.name],
            line=part.line,
            affects=[leg.ref for leg in view.nets.part_legs(net)],
        )


@WIRING.rule(
    "output-tied-to-ground",
    Severity.FIX,
    title="An output connected to ground",
    why="The output is held at 0 V, so the board reads 0 whatever the module says.",
    hint="Follow the signal lead: where does it really end?",
    criterion="wiring",
    source="an output may not be driven from outside",
    explains=(
        "ground-missing",
        "supply-missing",
        "function-not-built",
        "pin-on-supply",
        *LOST_SIGNALS,
        *CONFUSED_LEVELS,
    ),
)
def output_tied_to_ground(view: BenchView, finding: FindingFactory) -> Iterator[Finding]:
    if view.shorted:
        return
    for part, leg, net in signal_legs(view, *SPEAKING):
        if net is None or not view.nets.is_return(net):
            continue
        place = view.place(part, leg)
        ground = part.type.ground_leg
        own = view.net(part, ground) if ground else None
        swapped = own is not None and bool(view.nets.signal_pins(own)) and not view.nets.is_return(own)
        remedies = [Remedy(f"Take {place} off ground, and lead it to the pin that should read it.")]
        if swapped and ground:
            words = f"Exchange the leads of {part.ref}.{leg} and {part.ref}.{ground}."
            remedies.insert(0, Remedy(words, (Exchange(part.ref, leg, ground),)))
        yield finding(
            f"The {leg} leg of {part.ref} ({place}) is joined to ground.",
            remedies,
            parts=[part.ref],
            places=[place],
            nets=[net.name],
            line=part.line,
        )


@WIRING.rule(
    "outputs-tied-together",
    Severity.STOP,
    title="Two outputs connected together",
    why="When one says high and the other low they fight, and the current is limited by nothing but the parts.",
    hint="How many parts speak on this lead at the same time?",
    criterion="safety",
    source="outputs that drive both ways may not share a line; open and tri-state ones may",
    explains=(*LOST_SIGNALS, *CONFUSED_LEVELS, "function-not-built"),
)
def outputs_tied_together(view: BenchView, finding: FindingFactory) -> Iterator[Finding]:
    for net in view.nets.nets:
        if view.nets.is_rail(net):
            continue
        speakers = [
            leg
            for leg in view.nets.part_legs(net)
            if view.bench.parts[leg.ref].type.role(leg.leg) in OUTPUT_ROLES
            and not view.bench.parts[leg.ref].type.leg(leg.leg).tri_state
        ]
        driving = [leg for leg in speakers if view.bench.parts[leg.ref].type.role(leg.leg) is not LegRole.OPEN_OUT]
        if driving and len(speakers) > 1:
            yield finding(
                f"{' and '.join(str(leg) for leg in speakers)} are one piece of metal.",
                "Lead each to a pin of its own.",
                parts=[leg.ref for leg in speakers],
                places=[view.place(view.bench.parts[leg.ref], leg.leg) for leg in speakers],
                nets=[net.name],
                line=max(view.bench.parts[leg.ref].line for leg in speakers),
            )


@WIRING.rule(
    "output-unconnected",
    Severity.FIX,
    title="An output that goes nowhere",
    why="What the module says reaches no pin; the input floats and reads something all the same.",
    hint="How does the board get to know what this part says?",
    criterion="wiring",
    source="the module's output leg",
    explains=("function-not-built", *LOST_SIGNALS),
)
def output_unconnected(view: BenchView, finding: FindingFactory) -> Iterator[Finding]:
    for part, leg, net in signal_legs(view, *SPEAKING):
        if part.type.leg(leg).optional:
            continue
        if net is not None and view.nets.is_rail(net):
            continue  # reported by the rules on tied outputs
        if net is not None and (reaches_pin(view, net) or _works_something(view, net, part)):
            continue
        place = view.place(part, leg)
        yield finding(
            f"The {leg} leg of {part.ref} ({place}) reaches no pin of the board.",
            f"Lead {place} to a pin that can read it.",
            parts=[part.ref],
            places=[place],
            nets=[net.name] if net else [],
            line=part.line,
        )


def _works_something(view: BenchView, net: Net, part: Part) -> bool:
    """Whether the output works a light, a load or a transistor by itself: then it is not lost."""
    links = (Link.LIGHT, Link.LOAD, Link.OHMS, Link.DIODE)

    for net_id, way in view.paths.reach(net, links, without={part.ref}).items():
        if any(edge.link in (Link.LIGHT, Link.LOAD) for edge in way):
            return True
        if net_id != net.id and view.nets.is_rail(view.nets.nets[net_id]):
            continue
        for leg in view.nets.part_legs(view.nets.nets[net_id]):
            other = view.bench.parts[leg.ref]
            if other.ref != part.ref and (
                other.type.model == "transistor" or other.type.role(leg.leg) is LegRole.INPUT
            ):
                return True
    return False


@WIRING.rule(
    "input-unconnected",
    Severity.FIX,
    title="An input of a module that nothing drives",
    why="The module waits for this line; left open it does nothing, or something by chance.",
    hint="Which line of this module does the board have to drive, and where does it come from?",
    criterion="wiring",
    source="the module's input leg",
    explains=("function-not-built", "bus-elsewhere", "bus-moved"),
)
def input_unconnected(view: BenchView, finding: FindingFactory) -> Iterator[Finding]:
    open_legs: dict[str, list[str]] = {}
    for part, leg, net in signal_legs(view, LegRole.INPUT):
        figures = part.type.leg(leg)
        if figures.optional:
            continue
        if net is not None and (reaches_pin(view, net) or _is_held(view, net) or _is_addressed(view, net, part)):
            continue
        open_legs.setdefault(part.ref, []).append(leg)
    for ref, legs in open_legs.items():
        part = view.bench.parts[ref]
        several = len(legs) > 1
        yield finding(
            f"The {', '.join(legs)} {'legs' if several else 'leg'} of {ref} {'reach' if several else 'reaches'} no pin of the board.",
            f"Lead {'each of them' if several else view.place(part, legs[0])} to a pin that can drive it.",
            parts=[ref],
            places=[view.place(part, leg) for leg in legs],
            line=part.line,
        )


def _is_held(view: BenchView, net: Net) -> bool:
    """Whether a line is held at a supply or at ground, straight or over a resistor."""
    way = view.paths.leads_to(net, view.nets.is_rail, (Link.OHMS,))
    return way is not None


def _is_addressed(view: BenchView, net: Net, part: Part) -> bool:
    return any(
        leg.ref != part.ref and view.bench.parts[leg.ref].type.role(leg.leg) in OUTPUT_ROLES
        for leg in view.nets.part_legs(net)
    )


@WIRING.rule(
    "input-held",
    Severity.FIX,
    title="A module's input that always stays at one level",
    why="The board has to move this line; tied to a supply or to ground it never changes.",
    hint="Does the board drive this line, or is it tied to something that never changes?",
    criterion="wiring",
    source="the module's input leg",
    explains=("function-not-built",),
)
def input_held(view: BenchView, finding: FindingFactory) -> Iterator[Finding]:
    if view.shorted:
        return
    for part, leg, net in signal_legs(view, LegRole.INPUT):
        figures = part.type.leg(leg)
        if net is None or figures.strap or figures.optional:
            continue
        if view.nets.is_rail(net):
            place = view.place(part, leg)
            yield finding(
                f"The {leg} leg of {part.ref} ({place}) is joined to {'ground' if view.nets.is_return(net) else net.name}.",
                f"Lead {place} to a pin that can drive it.",
                parts=[part.ref],
                places=[place],
                nets=[net.name],
                line=part.line,
            )


@WIRING.rule(
    "strap-at-wrong-level",
    Severity.FIX,
    title="A module's input held at the wrong level",
    why="Held there it keeps the module from doing what it is for.",
    hint="At which level does this leg have to be held, so that the module works?",
    criterion="wiring",
    source="the module's own leg: a display is written with rw low, a reader works with reset high",
    explains=("function-not-built",),
)
def strap_at_wrong_level(view: BenchView, finding: FindingFactory) -> Iterator[Finding]:
    if view.shorted:
        return
    for part, leg, net in signal_legs(view, LegRole.INPUT):
        wanted = part.type.leg(leg).holds_at
        if net is None or not wanted or not view.nets.is_rail(net):
            continue
        is_low = view.nets.is_return(net)
        if is_low != (wanted == "low"):
            place = view.place(part, leg)
            yield finding(
                f"The {leg} leg of {part.ref} ({place}) is held at {'ground' if is_low else net.name}.",
                f"Lead {place} to {'ground' if wanted == 'low' else 'the supply of the module'}, or to a pin.",
                parts=[part.ref],
                places=[place],
                nets=[net.name],
                line=part.line,
            )
