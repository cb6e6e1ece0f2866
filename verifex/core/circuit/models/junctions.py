"""Diodes, lights and the transistor."""

from functools import lru_cache
from math import exp

from verifex.core.circuit.bench import Part
from verifex.core.circuit.models.stamp import Stamp
from verifex.core.circuit.solver import Transistor
from verifex.core.parts.figures import DiodeFigures


@lru_cache(maxsize=256)
def _saturation_amps(forward_volts: float, at_amps: float, series_ohms: float, slope_volts: float) -> float:
    """I_S such that `at_amps` flow at `forward_volts`, the series resistance included."""
    return at_amps / (exp((forward_volts - at_amps * series_ohms) / slope_volts) - 1)


def conducting(
    stamp: Stamp,
    name: str,
    figures: DiodeFigures,
    colour: str | None,
    a: int,
    b: int,
    legs: tuple[str, str, str],
    built_in_ohms: float = 0.0,
) -> None:
    """A junction with its series resistance, and a resistor built in with it, from node `a` to `b`; `legs` are (ref, anode
    leg, cathode leg)."""
    # The most current flows with the least forward voltage.
    forward = figures.forward(colour, -stamp.conditions.corner)
    inner = stamp.circuit.new_node()
    saturation = _saturation_amps(forward, figures.at_amps, figures.series_ohms, figures.slope_volts)
    ref, anode, cathode = legs
    stamp.resistance(f"{name}:series", a, inner, figures.series_ohms + built_in_ohms, into=(ref, anode), back=cathode)
    stamp.junction(name, inner, b, saturation, figures.slope_volts)


def diode(part: Part, stamp: Stamp) -> None:
    a, b = stamp.node(part, "anode"), stamp.node(part, "cathode")
    if a is not None and b is not None and part.type.diode:
        conducting(stamp, part.ref, part.type.diode, "any", a, b, (part.ref, "anode", "cathode"))


def led(part: Part, stamp: Stamp) -> None:
    a, b = stamp.node(part, "anode"), stamp.node(part, "cathode")
    if a is not None and b is not None and part.type.diode:
        colour = part.settings.get("colour")
        conducting(stamp, part.ref, part.type.diode, colour, a, b, (part.ref, "anode", "cathode"), part.built_in_ohms)


def led_three(part: Part, stamp: Stamp) -> None:
    """Three lights that share one leg: the cathodes (`rgb-cc`) or the anodes (`rgb-ca`)."""
    common, figures = stamp.node(part, "common"), part.type.diode
    if common is None or figures is None:
        return
    for colour in ("red", "green", "blue"):
        node = stamp.node(part, colour)
        if node is None:
            continue
        if (part.type.id == "rgb-ca") != (part.ref in stamp.conditions.flipped):
            ends, legs = (common, node), (part.ref, "common", colour)
        else:
            ends, legs = (node, common), (part.ref, colour, "common")
        conducting(stamp, f"{part.ref}:{colour}", figures, colour, *ends, legs, part.built_in_ohms)


def transistor(part: Part, stamp: Stamp) -> None:
    figures = part.type.transistor
    nodes = {leg: stamp.node(part, leg) for leg in ("collector", "base", "emitter")}
    if figures is None or sum(node is not None for node in nodes.values()) < 2:
        return
    # A leg that is nowhere still belongs to the silicon: it floats.
    at = {leg: stamp.circuit.new_node() if node is None else node for leg, node in nodes.items()}
    inner = {"collector": stamp.circuit.new_node(), "base": stamp.circuit.new_node()}
    ref = part.ref
    stamp.resistance(
        f"{ref}:rc", at["collector"], inner["collector"], figures.collector_ohms, into=(ref, "collector"), back=None
    )
    stamp.resistance(f"{ref}:rb", at["base"], inner["base"], figures.base_ohms, into=(ref, "base"), back=None)
    stamp.transistor(
        Transistor(
            ref,
            inner["collector"],
            inner["base"],
            at["emitter"],
            figures.saturation_amps,
            figures.gain,
            figures.reverse_gain,
            figures.knee_amps,
        )
    )
    stamp.flow(ref, "emitter", f"{ref}:emitter", 1)
