"""Where two supplies, or a supply and its return, are one piece of metal, and which wire makes them so."""

from collections.abc import Collection

from verifex.core.circuit.bench import Bench
from verifex.core.circuit.nets import Net, Nets


def shorted_nets(nets: Nets) -> list[Net]:
    """Nets on which a supply meets ground or its own return, or two different supplies meet."""
    found = []
    for net in nets.nets:
        volts = {pin.supply_volts for pin in nets.supplies(net)}
        plus: set[str] = set()
        minus: set[str] = set()
        outs: set[str] = set()
        for leg in nets.part_legs(net):
            part = nets.bench.parts[leg.ref]
            if part.type.model == "battery":
                (plus if leg.leg == "plus" else minus).add(leg.ref)
            elif part.type.model == "regulator" and leg.leg == "out":
                outs.add(leg.ref)
        # A regulator that feeds the board at its own 5 V pin is a way to power it; not with the computer's lead in as well.
        feeding = {ref for ref in outs if _feeds_the_board(nets, volts, ref)}
        feeds = len(volts) + len(plus) + len(outs - feeding)
        # A battery with its plus on ground is turned, not shorted: its minus lies elsewhere.
        grounded = nets.is_ground(net) and (volts or outs)
        if feeds > 1 or grounded or plus & minus:
            found.append(net)
    return found


def _feeds_the_board(nets: Nets, volts: set[float | None], ref: str) -> bool:
    """Whether a regulator gives just what the board's pin on this net is for."""
    figures = nets.bench.parts[ref].type.regulator
    return not nets.bench.on_usb and figures is not None and volts == {figures.out_volts}


def closing_wires(bench: Bench, net: Net) -> list[int]:
    """Indices of the wires without which the short on `net` is gone, in the order of the hand-in."""
    before = len(shorted_nets(Nets(bench)))
    return [
        index
        for index, wire in enumerate(bench.wires)
        if str(wire.ends[0]) in net.places and len(shorted_nets(without(bench, [index]))) < before
    ]


def without(bench: Bench, wires: Collection[int]) -> Nets:
    return Nets(bench, wires)
