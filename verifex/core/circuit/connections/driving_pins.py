"""Which board pins drive, judged by what hangs on them."""

from verifex.core.circuit.bench import Part
from verifex.core.circuit.connections.paths import Link, Paths
from verifex.core.circuit.nets import Net, Nets
from verifex.core.parts import OUTPUT_ROLES, LegRole

PASSED_THROUGH = (Link.OHMS, Link.DIODE, Link.LIGHT, Link.LOAD)


def inferred_outputs(nets: Nets, paths: Paths) -> list[str]:
    """Board pins that drive something, judged by what hangs on them; the order is that of the nets.

    A pin drives when a light, a load, a transistor's base or a module's input or supply can be reached from it
    through passive parts, and no module's output, switch, knob or light cell speaks on its net. A pin that sits
    on a rail is an input tied there until a program says otherwise.
    """
    outputs: list[str] = []
    for net in nets.nets:
        pins = [pin for pin in nets.signal_pins(net) if pin.digital_out]
        if pins and not nets.is_rail(net) and not speaks_to(nets, paths, net) and has_work(nets, paths, net):
            outputs.extend(dict.fromkeys(pin.name for pin in pins))
    return outputs


def speaks_to(nets: Nets, paths: Paths, net: Net) -> bool:
    """Whether something tells the pin on this net a value: a module's output (also over resistors), a switch, a knob."""
    for net_id in paths.reach(net, (Link.OHMS,)):
        reached = nets.nets[net_id]
        if reached.id != net.id and nets.is_rail(reached):
            continue
        for leg in nets.part_legs(reached):
            part = nets.bench.parts[leg.ref]
            if part.type.role(leg.leg) in OUTPUT_ROLES:
                return True
            if net_id == net.id and (
                part.type.model in ("switch", "light-cell")
                or (part.type.model == "pot" and leg.leg == "wiper")
                or (part.type.role(leg.leg) is LegRole.TWO_WAY)
            ):
                return True
    return False


def has_work(nets: Nets, paths: Paths, start: Net) -> bool:
    for net_id, way in paths.reach(start, PASSED_THROUGH).items():
        if any(edge.link in (Link.LIGHT, Link.LOAD) for edge in way):
            return True
        net = nets.nets[net_id]
        if net_id != start.id and nets.is_rail(net):
            continue
        for leg in nets.part_legs(net):
            part = nets.bench.parts[leg.ref]
            if part.type.role(leg.leg) in (LegRole.INPUT, LegRole.SUPPLY):
                return True
            if part.type.model == "transistor" and (
                leg.leg == "base" or (way and not _base_is_driven(nets, paths, part))
            ):
                return True
            if part.type.model in ("led", "led-three", "load") or (
                part.type.model == "relay" and leg.leg.startswith("coil")
            ):
                return True
    return False


def _base_is_driven(nets: Nets, paths: Paths, part: Part) -> bool:
    """Whether a pin or a module's output reaches the base over a resistor: else its legs may be exchanged."""
    base = nets.of_leg(part.ref, "base")
    if base is None or nets.is_rail(base):
        return False
    for net_id in paths.reach(base, (Link.OHMS,)):
        net = nets.nets[net_id]
        if nets.is_rail(net):
            continue
        if nets.signal_pins(net) or any(
            nets.bench.parts[leg.ref].type.role(leg.leg) in OUTPUT_ROLES for leg in nets.part_legs(net)
        ):
            return True
    return False
