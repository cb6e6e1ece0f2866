"""Good habits, and what lasts longer or reads easier another way."""

from collections.abc import Iterator

from verifex.core.circuit.connections.paths import Link
from verifex.core.circuit.rules.book import WIRING
from verifex.core.circuit.view import BenchView
from verifex.core.findings import Finding, Severity
from verifex.core.rulebook import FindingFactory


@WIRING.rule(
    "water-strip-fed",
    Severity.CHECK,
    title="A water strip that is fed all the time",
    why="Fed all the time it corrodes within days, and its reading sinks while the level stands still.",
    hint="When does this module need its supply: always, or only while it is read?",
    criterion="wiring",
    source="typical of the family: electrolysis",
)
def water_strip_fed(view: BenchView, finding: FindingFactory) -> Iterator[Finding]:
    if view.shorted:
        return
    for part in view.bench.parts.values():
        net = view.net(part, part.type.supply_leg) if part.type.supply_leg else None
        if part.type.corrodes_when_fed and net is not None and view.nets.is_source(net):
            yield finding(
                f"{part.ref} is fed from {net.name} all the time.",
                f"Lead {view.place(part, part.type.supply_leg or 'supply')} to a digital pin, and turn that on only while reading.",
                parts=[part.ref],
                nets=[net.name],
                line=part.line,
            )


@WIRING.rule(
    "contrast-trimmer-missing",
    Severity.CHECK,
    title="A display without its contrast trimmer",
    why="Without a level between ground and supply on its contrast leg the display shows blocks, or nothing at all.",
    hint="What sets the contrast of this display?",
    criterion="wiring",
    source="typical of the family: a trimmer of 10 kΩ",
)
def contrast_trimmer_missing(view: BenchView, finding: FindingFactory) -> Iterator[Finding]:
    for part in view.bench.parts.values():
        for name, leg in part.type.legs.items():
            if not leg.wants_trimmer:
                continue
            net = view.net(part, name)
            on_wiper = net is not None and any(
                view.bench.parts[other.ref].type.model == "pot" and other.leg == "wiper"
                for other in view.nets.part_legs(net)
            )
            over_resistor = net is not None and bool(view.paths.edges_at(net, Link.OHMS))
            if on_wiper or over_resistor:
                continue
            where = "open" if net is None or len(net.legs) < 2 else f"joined to {net.name}"
            yield finding(
                f"The {name} leg of {part.ref} is {where}.",
                f"Lead {view.place(part, name)} to the wiper of a 10 kΩ trimmer between supply and ground.",
                parts=[part.ref],
                places=[view.place(part, name)] if name in part.legs else [],
                line=part.line,
            )


@WIRING.rule(
    "wire-colour",
    Severity.NOTE,
    title="Misleading wire colours",
    why="Red for plus and black for ground let a second pair of eyes find a slip at once.",
    hint="Which colours would help a friend to read your board?",
    criterion="care",
    source="good practice",
)
def wire_colour(view: BenchView, finding: FindingFactory) -> Iterator[Finding]:
    if view.shorted:
        return
    for wire in view.bench.wires:
        net = view.nets.at(wire.ends[0])
        if net is None or wire.colour is None:
            continue
        grounded, fed = view.nets.is_return(net), view.nets.is_source(net)
        feeds = any(view.bench.parts[leg.ref].type.supply_leg == leg.leg for leg in view.nets.part_legs(net))
        wrong = (wire.colour == "red" and not fed and not feeds) or (wire.colour == "black" and not grounded)
        # A net that reaches no pin is another rule's matter: its colour may be right and its end wrong.
        if wrong and (view.nets.board_pins(net) or fed or grounded):
            carries = "ground" if grounded else "the supply" if fed else "a signal"
            yield finding(
                f"The {wire.colour} wire {wire.ends[0]}–{wire.ends[1]} carries {carries}.",
                "Next time: red for plus, black for ground, other colours for signals.",
                places=[str(end) for end in wire.ends],
                nets=[net.name],
                line=wire.line,
            )


@WIRING.rule(
    "needless-wire",
    Severity.NOTE,
    title="A wire that joins what is joined already",
    why="It does nothing, and one lead more is one more to follow when something is wrong.",
    hint="What would change if you took this wire out?",
    criterion="care",
    source="good practice",
)
def needless_wire(view: BenchView, finding: FindingFactory) -> Iterator[Finding]:
    from verifex.core.circuit.places import Hole, joined_with

    for wire in view.bench.wires:
        one, other = wire.ends
        if joined_with(one, view.bench.base) == joined_with(other, view.bench.base):
            where = f"row {one.row} {one.half}" if isinstance(one, Hole) else str(one)
            yield finding(
                f"Both ends of the wire {one}–{other} are in {where}, which is one piece of metal.",
                "Take it out, or move one end to the row it is meant for.",
                places=[str(one), str(other)],
                line=wire.line,
            )


@WIRING.rule(
    "decoupling-missing",
    Severity.NOTE,
    title="No capacitor beside a motor or coil",
    why="Each start pulls the supply down for a moment; a sensor on the same rail reads that.",
    hint="What steadies the supply for the sensor when the motor or coil is switched on?",
    criterion="care",
    source="good practice: 100 µF across the rail near the load",
)
def decoupling_missing(view: BenchView, finding: FindingFactory) -> Iterator[Finding]:
    sensors = [p for p in view.bench.parts.values() if p.type.model == "module"]
    for part in view.bench.parts.values():
        load = part.type.load
        if load is None or not load.coil or not sensors:
            continue
        rails = [net for leg in part.ends if (net := view.net(part, leg)) and view.nets.is_source(net)]
        shared = [
            sensor.ref
            for sensor in sensors
            for net in rails
            if sensor.type.supply_leg and view.net(sensor, sensor.type.supply_leg) == net
        ]
        steadied = any(view.net(cap, leg) in rails for cap in view.bench.parts_of("capacitor") for leg in cap.ends)
        if shared and not steadied:
            yield finding(
                f"{part.ref} shares its supply with {', '.join(shared)}, and no capacitor steadies it.",
                "A capacitor of about 100 µF between plus and ground near it would help.",
                parts=[part.ref],
                line=part.line,
            )
