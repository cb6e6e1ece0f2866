"""The way from a sensor's leg to the pin that reads it."""

from dataclasses import dataclass

from verifex.core.circuit.bench import Part
from verifex.core.circuit.connections.paths import Link
from verifex.core.circuit.nets import Net
from verifex.core.circuit.view import BenchView
from verifex.core.expected.unavailable import Unavailable, Why
from verifex.core.parts import OUTPUT_ROLES, LegRole, Output, PinKind


@dataclass(frozen=True, slots=True)
class Route:
    """A sensor on a bench, the leg that speaks, the net and the pin that read it.

    `fed_by` are signal pins that feed the sensor while it is read, `near` the parts that touch its nets, `pulled_up` pins
    whose own pull-up the reading needs.
    """

    part: Part
    leg: str
    net: Net
    pin: PinKind
    fed_by: tuple[str, ...]
    near: frozenset[str]
    pulled_up: frozenset[str] = frozenset()


def route_of(view: BenchView, part: Part, output: Output) -> Route:
    """How the reading comes to a pin. Raises Unavailable where it does not."""
    analogue = output.carries in ("volts", "share", "ohms", "position")
    board = view.bench.board
    if board is None:
        raise Unavailable(Why.NO_BOARD)
    if analogue and board.counts == 0:
        raise Unavailable(Why.NO_CONVERTER, board.title, part.title)
    legs = _speaking(part, output)
    for leg in legs:
        net = view.net(part, leg)
        if net is None or view.nets.is_rail(net):
            continue
        for net_id in view.paths.reach(net, (Link.OHMS,)):
            reached = view.nets.nets[net_id]
            if reached.id != net.id and view.nets.is_rail(reached):
                continue
            pins = [p for p in view.nets.signal_pins(reached) if (p.analogue_in if analogue else not p.unusable)]
            if pins:
                return Route(part, leg, reached, pins[0], _feeding(view, part), _near(view, part, reached))
    said = f"The {legs[0]} leg of {part.ref}" if len(legs) == 1 else part.title
    raise Unavailable(Why.REACHES_NO_CONVERTER if analogue else Why.REACHES_NO_PIN, said)


def _speaking(part: Part, output: Output) -> list[str]:
    """The legs a reading may come from, the likeliest first."""
    kind = part.type
    if kind.model == "pot":
        return ["wiper"]
    roles = OUTPUT_ROLES if output.carries != "number" else (LegRole.TWO_WAY, *OUTPUT_ROLES)
    spoken = [leg for leg in kind.legs_with(*roles) if not kind.leg(leg).optional]
    return spoken or kind.legs_with(LegRole.TWO_WAY) or list(kind.leg_names())


def _feeding(view: BenchView, part: Part) -> tuple[str, ...]:
    supply = view.net(part, part.type.supply_leg) if part.type.supply_leg else None
    if supply is None:
        return ()
    return tuple(pin.name for pin in view.nets.signal_pins(supply) if pin.digital_out)


def _near(view: BenchView, part: Part, pin_net: Net) -> frozenset[str]:
    """Parts within reach of the sensor and its pin over resistances, not beyond a rail."""
    nets = {pin_net.id}
    for leg in part.type.leg_names():
        if (net := view.net(part, leg)) and not view.nets.is_rail(net):
            nets.add(net.id)
    found: set[str] = set()
    for start in list(nets):
        for net_id in view.paths.reach(view.nets.nets[start], (Link.OHMS,)):
            net = view.nets.nets[net_id]
            if net_id != start and view.nets.is_rail(net):
                continue
            found |= {leg.ref for leg in view.nets.part_legs(net)}
    return frozenset(found)
