"""Supply and ground joined: for good, or in one position of a knob, a button or a transistor."""

from collections.abc import Iterator
from dataclasses import replace

from verifex.core.circuit.bench import Wire
from verifex.core.circuit.connections.shorts import closing_wires, shorted_nets, without
from verifex.core.circuit.nets import Net
from verifex.core.circuit.places import Hole, LegOf, Rail
from verifex.core.circuit.remedies import Join, TakeOut
from verifex.core.circuit.rules.book import CONFUSED_LEVELS, DEAD_LOADS, LOST_SIGNALS, NOT_FED, OVER_CURRENTS, WIRING
from verifex.core.circuit.view import BenchView, StatePoint
from verifex.core.findings import Finding, Remedy, Severity
from verifex.core.parts import LegRole
from verifex.core.quantity import in_words
from verifex.core.rulebook import FindingFactory

SHORT_OHMS = 5.0  # a way from a supply to its return with less than this is a short
SUSPICIOUS_ROWS = 2

BEHIND_A_SHORT = (
    *NOT_FED, *DEAD_LOADS, *LOST_SIGNALS, *OVER_CURRENTS, *CONFUSED_LEVELS,
    "output-tied-to-supply", "output-tied-to-ground", "outputs-tied-together", "no-common-ground", "function-not-built",
    "supply-reversed", "rail-never-fed", "rail-half-unfed", "dangling-lead", "legs-in-one-row", "wire-colour", "input-held",
    "regulator-headroom", "capacitor-reversed", "reference-fed", "short-in-one-position", "coil-without-diode",
    "button-turned", "water-strip-fed",
)  # fmt: skip


@WIRING.rule(
    "supply-shorted",
    Severity.STOP,
    title="Supply and ground, or two supplies, joined",
    why="The full current of the supply flows through the wires: they heat, and the board or the computer behind it may be spoilt.",
    hint="Keep the power off. Trace each lead that comes from a supply: does one of them meet ground, or another supply?",
    criterion="safety",
    source="the base and the board's supply limits",
    explains=BEHIND_A_SHORT,
)
def supply_shorted(view: BenchView, finding: FindingFactory) -> Iterator[Finding]:
    for net in view.shorted:
        closing = [view.bench.wires[index] for index in closing_wires(view.bench, net)]
        bridged = _bridged_part(view, net)
        culprits = [] if bridged else _likeliest(view, closing)
        names = " and ".join(_meeting(view, net))
        closed = f" It is closed by {_listed(culprits)}." if culprits else ""
        in_row = f" The legs of {bridged[0]} bridge it in {bridged[1]}." if bridged else ""
        refs = [*_sources_on(view, net), *_beside(view, culprits)] or [leg.ref for leg in view.nets.part_legs(net)]
        yield finding(
            f"{names} are one piece of metal.{in_row or closed}",
            f"Put the legs of {bridged[0]} in rows of their own." if bridged else [_parting(view, culprits)],
            parts=list(dict.fromkeys([bridged[0], *refs] if bridged else refs)),
            places=[str(end) for wire in culprits for end in wire.ends] or list(net.places),
            nets=[net.name],
            line=culprits[0].line if culprits else None,
            affects=list(view.bench.parts),
        )


def _meeting(view: BenchView, net: Net) -> list[str]:
    """The supplies and returns on a net, by name."""
    names = [view.pin_place(p.name) for p in view.nets.board_pins(net) if p.supply_volts or p.ground]
    for leg in view.nets.part_legs(net):
        part = view.bench.parts[leg.ref]
        if part.type.model == "battery" or part.type.role(leg.leg) is LegRole.SUPPLY_OUT:
            names.append(str(leg))
    return list(dict.fromkeys(names))


def _beside(view: BenchView, wires: list[Wire]) -> list[str]:
    """The parts with a leg in a row that one of the wires ends in."""
    rows = {(end.row, end.half) for wire in wires for end in wire.ends if isinstance(end, Hole)}
    return [
        part.ref
        for part in view.bench.parts.values()
        if any(isinstance(place, Hole) and (place.row, place.half) in rows for place in part.legs.values())
    ]


def _sources_on(view: BenchView, net: Net) -> list[str]:
    """The references of what feeds a net and of what returns from it: the board, a battery, a regulator."""
    board = view.bench.board_ref if view.bench.board else ""
    own = [board] if board and any(pin.supply_volts or pin.ground for pin in view.nets.board_pins(net)) else []
    feeding = [
        leg.ref
        for leg in view.nets.part_legs(net)
        if (part := view.bench.parts[leg.ref]).type.model == "battery" or part.type.role(leg.leg) is LegRole.SUPPLY_OUT
    ]
    return list(dict.fromkeys([*own, *feeding]))


def _listed(wires: list[Wire]) -> str:
    return " or ".join(str(wire) for wire in wires)


def _bridged_part(view: BenchView, net: Net) -> tuple[str, str] | None:
    """A part whose own legs bring both sides into one row, and the row."""
    for part in view.bench.parts.values():
        rows: dict[tuple[int, str], set[LegRole]] = {}
        for leg, place in part.legs.items():
            if isinstance(place, Hole) and str(place) in net.places:
                rows.setdefault((place.row, place.half), set()).add(part.type.role(leg))
        for (row, half), roles in rows.items():
            if {LegRole.SUPPLY, LegRole.GROUND} <= roles:
                return part.ref, f"row {row} {half}"
    return None


def _likeliest(view: BenchView, closing: list[Wire]) -> list[Wire]:
    """Of the wires that close a short, those whose going leaves most of the bench as it should be."""
    if len(closing) < 2:
        return closing
    scored = []
    for wire in closing:
        nets = without(view.bench, [view.bench.wires.index(wire)])
        fed = sum(1 for net in nets.nets for _ in nets.supplies(net) if len(net.places) > 2)
        grounded = any(nets.is_ground(net) and len(net.places) > 2 for net in nets.nets)
        to_a_rail_or_pin = all(isinstance(end, LegOf | Rail) for end in wire.ends)
        # A wire of the other polarity on its own rail is the slip itself; a plain feed seldom is.
        feeds_rightly = to_a_rail_or_pin and _polarity_agrees(view, wire)
        scored.append((not feeds_rightly, fed + grounded, -len(shorted_nets(nets)), wire))
    best = max(score[:3] for score in scored)
    return [wire for *score, wire in scored if tuple(score) == best]


def _polarity_agrees(view: BenchView, wire: Wire) -> bool:
    rail = next((end for end in wire.ends if isinstance(end, Rail)), None)
    pin = next((view.bench.pin(end) for end in wire.ends if view.bench.pin(end)), None)
    rails = [end for end in wire.ends if isinstance(end, Rail)]
    if len(rails) == 2:
        return rails[0].sign == rails[1].sign
    if rail is None or pin is None:
        return False
    kind = view.bench.board.pin(pin) if view.bench.board else None
    return kind is not None and (bool(kind.supply_volts) if rail.sign == "+" else kind.ground)


def _parting(view: BenchView, culprits: list[Wire]) -> Remedy:
    """What to move: a culprit that ends two rows or less from a lonely leg of its own kind belongs there."""
    for lonely in view.loose_ends:
        for wire in culprits:
            nets = without(view.bench, [view.bench.wires.index(wire)])
            for end, far in (wire.ends, wire.ends[::-1]):
                net = nets.at(far)
                if lonely.leg is None or net is None or not isinstance(end, Hole):
                    continue
                if lonely.rows_from(end) > SUSPICIOUS_ROWS:
                    continue
                role = view.bench.parts[lonely.leg.ref].type.role(lonely.leg.leg)
                if nets.is_ground(net) if role is LegRole.GROUND else nets.supplies(net):
                    words = f"Move the end at {end} of {wire} to {lonely.strip}, where {lonely.leg} is alone."
                    moved = replace(wire, ends=(lonely.place, far) if end == wire.ends[0] else (far, lonely.place))
                    return Remedy(words, (TakeOut(wire), Join(*moved.ends)))
    tried = (TakeOut(culprits[0]),) if len(culprits) == 1 else ()
    return Remedy("Take away " + (_listed(culprits) if culprits else "the bridge between them") + ".", tried)


def supply_flows(view: BenchView, state: StatePoint) -> Iterator[tuple[str, float, float]]:
    """(name, volts, amps) of every supply in a state: the board's supply pins, and the batteries."""
    board = view.bench.board
    for pin, amps in state.point.pin_amps.items():
        if board and pin in board.supplies:
            yield view.pin_place(pin), board.supplies[pin], amps
    for part in view.bench.parts_of("battery"):
        volts = part.quantity("volts", "volt") or 9.0
        yield part.ref, volts, abs(view.amps(state, part, "plus"))


def way_of_the_current(view: BenchView, state: StatePoint, amps: float) -> list[str]:
    """Parts that carry at least half of a current, batteries aside."""
    carried = {
        ref
        for (ref, _), flow in state.point.amps.items()
        if abs(flow) > 0.5 * abs(amps) and view.bench.parts[ref].type.model != "battery"
    }
    return [ref for ref in view.bench.parts if ref in carried]


@WIRING.rule(
    "short-in-one-position",
    Severity.STOP,
    title="Supply and ground joined in one position",
    why="In that position next to nothing limits the current: wires and contacts heat, and the supply may be spoilt.",
    hint="What lies between supply and ground when this part is pressed, turned to its end, or switched on?",
    criterion="safety",
    source="solved circuit: under 5 Ω from the supply to its return",
    explains=("supply-pin-over-current", "pin-over-current", "all-pins-over-current", "transistor-over-current",
              "resistor-over-watts", "supply-under", "transistor-not-saturated", "transistor-ratio", "button-turned",
              "floating-input", "transistor-legs-swapped", "load-never-works", "light-never-lit"),
)  # fmt: skip
def short_in_one_position(view: BenchView, finding: FindingFactory) -> Iterator[Finding]:
    if view.shorted or not view.points:
        return
    rest = {name: amps for name, _, amps in supply_flows(view, view.points[0])}
    reported: set[tuple[str, ...]] = set()
    for state in view.points:
        for name, volts, amps in supply_flows(view, state):
            if amps < volts / SHORT_OHMS or amps < 3 * rest.get(name, 0.0):
                continue
            way = way_of_the_current(view, state, amps)
            movers = [
                ref for ref in way if view.bench.parts[ref].type.model in ("pot", "switch", "transistor", "relay")
            ]
            if not movers or tuple(movers) in reported:
                continue
            reported.add(tuple(movers))
            kinds = {view.bench.parts[ref].type.model for ref in movers}
            when = view.when(state, *(view.bench.parts[ref] for ref in movers))
            position = f"With {when}" if kinds != {"transistor"} else f"When {movers[0]} conducts ({when})"
            yield finding(
                f"{position}, {name} is joined to its return through {', '.join(way)}: {in_words(amps, 'A', 2)} would flow.",
                f"Put a resistor or the load in series with {movers[0]}, or lead it to the input it is meant for.",
                parts=way,
                places=[view.place(view.bench.parts[ref], leg) for ref in movers for leg in view.bench.parts[ref].legs],
                line=view.bench.parts[movers[0]].line,
                value=amps,
                limit=volts / SHORT_OHMS,
                unit="A",
            )


@WIRING.rule(
    "pin-on-supply",
    Severity.CHECK,
    title="A pin connected directly to a supply",
    why="As an input it reads one value for ever; a program that drives it the other way spoils it.",
    hint="What should this pin learn from a lead that never changes?",
    criterion="wiring",
    source="the board's pin limits",
)
def pin_on_supply(view: BenchView, finding: FindingFactory) -> Iterator[Finding]:
    if view.shorted:
        return
    for net in view.nets.nets:
        rail = view.nets.is_ground(net) or bool(view.nets.supplies(net))
        pins = [pin for pin in view.nets.signal_pins(net) if rail and pin.name not in view.outputs]
        for pin in pins:
            what = "ground" if view.nets.is_ground(net) else net.name
            yield finding(
                f"{pin.name} is joined straight to {what}.",
                "Lead it to the part it is meant for; a fixed level wants a resistor of 1 to 10 kΩ.",
                places=[view.pin_place(pin.name)],
                nets=[net.name],
            )
