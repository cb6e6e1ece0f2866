"""Resistors, capacitors, potentiometers, switches and the light cell."""

from verifex.core.circuit.bench import Part
from verifex.core.circuit.models.stamp import Stamp
from verifex.core.circuit.values import resistor_ohms, tolerance_percent

UNKNOWN_OHMS = 1e9  # a resistor whose value nobody gave
CLOSED_OHMS = 0.05  # contacts of a button or a relay
END_OHMS = 1.0  # what is left of a track with the wiper at its end


def at_corner(ohms: float, percent: float, corner: int) -> float:
    """The value at the tolerance end that gives the most (1) or the least (−1) current."""
    return ohms * (1 - corner * percent / 100)


def resistor(part: Part, stamp: Stamp) -> None:
    one, other = part.ends
    a, b = stamp.node(part, one), stamp.node(part, other)
    if a is None or b is None:
        return
    ohms = stamp.conditions.ohms.get(part.ref) or resistor_ohms(part, stamp.conditions.values)
    if ohms is None:
        ohms = UNKNOWN_OHMS
    elif stamp.conditions.corner:
        ohms = at_corner(ohms, tolerance_percent(part, stamp.conditions.values), stamp.conditions.corner)
    stamp.resistance(part.ref, a, b, ohms, into=(part.ref, one), back=other)


def capacitor(part: Part, stamp: Stamp) -> None:
    """No direct current flows through it."""
    one, other = part.ends
    for leg in (one, other):
        stamp.flows.setdefault((part.ref, leg), [])


def pot(part: Part, stamp: Stamp) -> None:
    """A track divided by its wiper; `position` counts from end1 (0) to end2 (1)."""
    nodes = {leg: stamp.node(part, leg) for leg in ("end1", "wiper", "end2")}
    ohms = resistor_ohms(part, stamp.conditions.values) or 10e3
    if stamp.conditions.corner:
        ohms = at_corner(ohms, tolerance_percent(part, stamp.conditions.values), stamp.conditions.corner)
    position = stamp.stimulus(part, "position", stamp.setting(part, "position", "share", 0.5))
    position = min(1.0, max(0.0, position if position <= 1 else position / 100))
    wiper = nodes["wiper"]
    for end, share in (("end1", position), ("end2", 1 - position)):
        node = nodes[end]
        if node is not None:
            # An open wiper still joins the two halves of the track.
            if wiper is None:
                wiper = stamp.circuit.new_node()
            stamp.resistance(
                f"{part.ref}:{end}", node, wiper, max(END_OHMS, ohms * share), into=(part.ref, end), back="wiper"
            )


def switch(part: Part, stamp: Stamp) -> None:
    """A button or a vibration switch. Of four legs, 1 with 2 and 3 with 4 are one piece of metal."""
    quantity = part.type.quantity or "pressed"
    for leg in part.type.legs:
        stamp.flows.setdefault((part.ref, leg), [])
    if stamp.stimulus(part, quantity, 0.0) < 0.5:
        return
    groups: tuple[tuple[str, ...], ...] = part.type.joined or tuple((leg,) for leg in part.ends)
    ends = [next(((leg, n) for leg in group if (n := stamp.node(part, leg)) is not None), None) for group in groups]
    if ends[0] and ends[1]:
        stamp.resistance(part.ref, ends[0][1], ends[1][1], CLOSED_OHMS, into=(part.ref, ends[0][0]), back=ends[1][0])


def light_cell(part: Part, stamp: Stamp) -> None:
    """The resistance its output gives for the light on it, with its own R10 and γ where they are set."""
    one, other = part.ends
    a, b = stamp.node(part, one), stamp.node(part, other)
    if a is None or b is None:
        return
    if part.type.output is None:
        raise ValueError(f"the catalogue gives no output for {part.type.id}")
    ohms = stamp.sensed(part, part.type.output)
    stamp.resistance(part.ref, a, b, ohms, into=(part.ref, one), back=other)
