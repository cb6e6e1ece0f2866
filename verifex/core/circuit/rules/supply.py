"""Supply and ground: shorted, reversed, missing, outside the window, not shared."""

from collections.abc import Iterator

from verifex.core.circuit.bench import Part, Wire
from verifex.core.circuit.nets import Net, Nets
from verifex.core.circuit.places import Hole, LegOf
from verifex.core.circuit.rules.book import WIRING
from verifex.core.circuit.rules.loose import loose_ends
from verifex.core.circuit.view import BenchView
from verifex.core.findings import Finding, Severity
from verifex.core.parts.schema import LegRole
from verifex.core.rulebook import Found

BEHIND_A_BAD_SUPPLY = (
    "supply-missing",
    "ground-missing",
    "supply-under",
    "supply-over",
    "output-unconnected",
    "output-tied-to-supply",
    "output-tied-to-ground",
    "no-common-ground",
    "function-not-built",
)


@WIRING.rule(
    "supply-shorted",
    Severity.STOP,
    title="Supply and ground, or two supplies, joined",
    why="The full current of the supply flows through the wires: they heat, and the board or the computer behind it may be spoilt.",
    hint="Keep the power off. Trace each lead that comes from a supply pin: does one of them meet ground?",
    criterion="safety",
    source="the base and the board's supply limits",
    explains=(
        *BEHIND_A_BAD_SUPPLY,
        "supply-reversed",
        "light-never-lit",
        "sounder-never-sounds",
        "rail-never-fed",
        "dangling-lead",
    ),
)
def supply_shorted(view: BenchView, found: Found) -> Iterator[Finding]:
    for net in view.shorted:
        pins = [f"{view.bench.board_ref}.{p.name}" for p in view.nets.board_pins(net) if p.supply_volts or p.ground]
        closing = _closing_wires(view, net)
        culprits = [view.bench.wires[index] for index in closing]
        names = ", ".join(str(wire) for wire in culprits)
        meeting = " and ".join(dict.fromkeys(pins))
        yield found(
            f"{meeting} are one piece of metal." + (f" It is closed by {names}." if names else ""),
            _parting(view, culprits),
            parts=[leg.ref for leg in view.nets.part_legs(net)],
            places=[str(end) for wire in culprits for end in wire.ends] or list(net.places),
            nets=[net.name],
            line=culprits[0].line if culprits else None,
        )


def _parting(view: BenchView, culprits: list[Wire]) -> str:
    """What to move: a culprit that ends two rows or less from a lonely leg of its own kind belongs there."""
    for lonely in loose_ends(view):
        for wire in culprits:
            without = Nets(view.bench, without_wire=view.bench.wires.index(wire))
            for end, far in (wire.ends, wire.ends[::-1]):
                net = without.at(far)
                if lonely.leg is None or net is None or not isinstance(end, Hole) or lonely.rows_from(end) > 2:
                    continue
                role = view.bench.parts[lonely.leg.ref].type.role(lonely.leg.leg)
                if without.is_ground(net) if role is LegRole.GROUND else without.supplies(net):
                    return f"Move the end at {end} of {wire} to {lonely.strip}, where {lonely.leg} is alone."
    return "Take away " + (" or ".join(str(wire) for wire in culprits) if culprits else "the bridge between them") + "."


def _closing_wires(view: BenchView, net: Net) -> list[int]:
    """Wires without which the short is gone; those that carry a module's own leg are the likelier slip."""
    closing = []
    for index, wire in enumerate(view.bench.wires):
        if str(wire.ends[0]) not in net.places:
            continue
        without = BenchView.__new__(BenchView)
        without.bench, without.nets = view.bench, Nets(view.bench, without_wire=index)
        if len(without.shorted) < len(view.shorted):
            closing.append(index)
    plain = [
        i for i in closing if not all(isinstance(end, LegOf) or str(end)[0] in "+-" for end in view.bench.wires[i].ends)
    ]
    return plain or closing


@WIRING.rule(
    "leg-order-differs",
    Severity.STOP,
    title="Leg order differs from the batch handed out",
    why="Makers print the legs of the same module in different orders; the batch's printing decides, not the paper.",
    hint="Read the printing on your own module, leg by leg, and show it to the instructor.",
    criterion="safety",
    source="the hatch's record of the batch",
)
def leg_order_differs(view: BenchView, found: Found) -> Iterator[Finding]:
    for part in view.bench.parts.values():
        batch, said = view.batch_orders.get(part.type.id), part.settings.get("order")
        if batch and said and said != batch:
            yield found(
                f"The hand-in says {part.ref} is printed {said.replace('-', ', ')}; the hatch recorded {batch.replace('-', ', ')}.",
                "Read the part itself. Then mend the hand-in, or have the hatch correct its record.",
                parts=[part.ref],
                line=part.line,
            )


def _legs(part: Part) -> tuple[str, str]:
    return part.type.legs_with(LegRole.SUPPLY)[0], part.type.legs_with(LegRole.GROUND)[0]


@WIRING.rule(
    "supply-reversed",
    Severity.STOP,
    title="Supply legs reversed",
    why="Fed backwards it heats within a second, is spoilt, and may burn a finger.",
    hint="Which leg is which? Compare the printing, or the flat side, with the leads at this part.",
    criterion="safety",
    source="typical of the family: no reverse protection",
    explains=BEHIND_A_BAD_SUPPLY,
)
def supply_reversed(view: BenchView, found: Found) -> Iterator[Finding]:
    for part in view.module_parts():
        supply, ground = _legs(part)
        volts = [v for state in view.points if (v := view.across(state, part, supply, ground)) is not None]
        if volts and min(volts) < -0.3 and not view.shorted:
            at = view.points[0].point.volts
            nets = [view.net(part, supply), view.net(part, ground)]
            said = [f"{at[net.id]:.2f} V" for net in nets if net]
            places = [view.place(part, supply), view.place(part, ground)]
            yield found(
                f"The supply leg of {part.ref} ({places[0]}) sits at {said[0]} and its ground leg ({places[1]}) at {said[1]}.",
                f"Exchange the leads at {places[0]} and {places[1]}.",
                parts=[part.ref],
                places=places,
                nets=[net.name for net in nets if net],
                line=part.line,
                value=min(volts),
                limit=0.0,
                unit="V",
            )


def _missing(view: BenchView, found: Found, which: LegRole) -> Iterator[Finding]:
    right, wrong = (view.is_fed, view.is_grounded) if which is LegRole.SUPPLY else (view.is_grounded, view.is_fed)
    other_role = LegRole.GROUND if which is LegRole.SUPPLY else LegRole.SUPPLY
    for part in view.module_parts():
        leg = part.type.legs_with(which)[0]
        net, other = view.net(part, leg), view.net(part, part.type.legs_with(other_role)[0])
        if net is not None and (right(net) or _has_battery(view, net)):
            continue
        if net is not None and wrong(net) and other is not None and right(other):
            continue  # both legs are joined, the wrong way round: another rule's finding
        word = "supply" if which is LegRole.SUPPLY else "ground"
        place = view.place(part, leg) if leg in part.legs else "nowhere"
        yield found(
            f"The {word} leg of {part.ref} ({place}) is joined to no {word}.",
            f"Lead {place if leg in part.legs else f'{part.ref}.{leg}'} to the {word}.",
            parts=[part.ref],
            places=[place] if leg in part.legs else [],
            line=part.line,
        )


@WIRING.rule(
    "supply-missing",
    Severity.FIX,
    title="No supply",
    why="Without supply the module gives nothing, and the input reads whatever leaks in.",
    hint="How does this part get its supply?",
    criterion="wiring",
    source="the module's supply leg",
    explains=("supply-under", "output-unconnected"),
)
def supply_missing(view: BenchView, found: Found) -> Iterator[Finding]:
    yield from _missing(view, found, LegRole.SUPPLY)


@WIRING.rule(
    "ground-missing",
    Severity.FIX,
    title="No ground",
    why="Without ground no current returns, so the module gives nothing that can be trusted.",
    hint="Every circuit comes back to where it started: where does this one return?",
    criterion="wiring",
    source="the module's ground leg",
    explains=("supply-under", "no-common-ground"),
)
def ground_missing(view: BenchView, found: Found) -> Iterator[Finding]:
    yield from _missing(view, found, LegRole.GROUND)


def _has_battery(view: BenchView, net: Net) -> bool:
    return any(part.type.id == "battery" for leg in view.nets.part_legs(net) if (part := view.bench.parts.get(leg.ref)))


def _window(view: BenchView, part: Part) -> tuple[float, float, float] | None:
    """(volts across the supply legs, window low, window high), when both legs are fed."""
    supply, ground = _legs(part)
    nets = view.net(part, supply), view.net(part, ground)
    if part.type.supply is None or nets[0] is None or nets[1] is None or not view.points or view.shorted:
        return None
    if not view.is_fed(nets[0]) or not view.is_grounded(nets[1]):
        return None
    volts = view.across(view.points[0], part, supply, ground)
    assert volts is not None
    return volts, part.type.supply.low_volts, part.type.supply.high_volts


@WIRING.rule(
    "supply-over",
    Severity.STOP,
    title="Supply over the maximum",
    why="Above its maximum the module may be spoilt at once.",
    hint="Which supply does this part want, and which one does it get?",
    criterion="safety",
    source="the module's supply window",
)
def supply_over(view: BenchView, found: Found) -> Iterator[Finding]:
    for part in view.module_parts():
        fed = _window(view, part)
        if fed and fed[0] > fed[2]:
            yield found(
                f"{part.ref} gets {fed[0]:.2f} V; it is made for {fed[1]:g} to {fed[2]:g} V.",
                "Feed it from a lower supply.",
                parts=[part.ref],
                line=part.line,
                value=fed[0],
                limit=fed[2],
                unit="V",
            )


@WIRING.rule(
    "supply-under",
    Severity.FIX,
    title="Supply under the minimum",
    why="Below its minimum the module may give a value, but not the right one.",
    hint="Which supply does this part want, and which one does it get?",
    criterion="wiring",
    source="the module's supply window",
)
def supply_under(view: BenchView, found: Found) -> Iterator[Finding]:
    for part in view.module_parts():
        fed = _window(view, part)
        if fed and -0.3 <= fed[0] < fed[1]:
            yield found(
                f"{part.ref} gets {fed[0]:.2f} V; it needs at least {fed[1]:g} V.",
                "Feed it from a supply inside its window.",
                parts=[part.ref],
                line=part.line,
                value=fed[0],
                limit=fed[1],
                unit="V",
            )


@WIRING.rule(
    "no-common-ground",
    Severity.FIX,
    title="No common ground",
    why="A signal is a voltage between two wires; without a shared ground the board measures against nothing.",
    hint="The board measures from its own ground. Is that the ground of this part too?",
    criterion="wiring",
    source="what a signal is",
)
def no_common_ground(view: BenchView, found: Found) -> Iterator[Finding]:
    for part in view.module_parts():
        ground_net = view.net(part, _legs(part)[1])
        outs = [
            *part.type.legs_with(LegRole.ANALOGUE_OUT),
            *part.type.legs_with(LegRole.DIGITAL_OUT),
            *part.type.legs_with(LegRole.SIGNAL),
        ]
        talks = any(view.nets.signal_pins(net) for leg in outs if (net := view.net(part, leg)))
        if ground_net is None or not talks or view.is_grounded(ground_net):
            continue
        if _has_battery(view, ground_net):
            yield found(
                f"{part.ref} returns to the battery, but the board's ground is not joined to it.",
                f"Join {view.bench.board_ref}.GND to the battery's minus.",
                parts=[part.ref],
                nets=[ground_net.name],
                line=part.line,
            )
