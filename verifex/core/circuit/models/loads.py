"""Sounders, motors, lamps and the relay."""

from verifex.core.circuit.bench import Part
from verifex.core.circuit.models.passive import CLOSED_OHMS
from verifex.core.circuit.models.stamp import PowerState, Stamp, VoltsOf

BUZZER_SATURATION_AMPS, BUZZER_SLOPE_VOLTS = 1e-9, 0.03
BUZZER_FORWARD_VOLTS = 0.5


def load_ohms(part: Part) -> float:
    """Resistance of a load in ohms: from its volts with amps or watts where they are given, else the family's."""
    load = part.type.load
    assert load is not None
    volts = part.quantity("volts", "volt") or load.at_volts
    if amps := part.quantity("amps", "amp"):
        return volts / amps
    if watts := part.quantity("watts", "watt"):
        return volts * volts / watts
    return volts / load.amps


def load(part: Part, stamp: Stamp) -> None:
    one, other = part.ends
    a, b = stamp.node(part, one), stamp.node(part, other)
    figures = part.type.load
    if a is None or b is None or figures is None:
        return
    if not figures.one_way:
        stamp.resistance(part.ref, a, b, load_ohms(part), into=(part.ref, one), back=other)
        return
    # An active sounder has a junction inside: nothing flows through it backwards.
    inner = stamp.circuit.new_node()
    ohms = (figures.at_volts - BUZZER_FORWARD_VOLTS) / figures.amps
    stamp.resistance(f"{part.ref}:load", a, inner, ohms, into=(part.ref, one), back=other)
    stamp.junction(part.ref, inner, b, BUZZER_SATURATION_AMPS, BUZZER_SLOPE_VOLTS)


def relay(part: Part, stamp: Stamp) -> None:
    """A coil, and a contact that lies on `closed` at rest and on `open` when the coil pulls."""
    a, b = stamp.node(part, "coil1"), stamp.node(part, "coil2")
    for leg in part.type.legs:
        stamp.flows.setdefault((part.ref, leg), [])
    if a is not None and b is not None:
        stamp.resistance(f"{part.ref}:coil", a, b, load_ohms(part), into=(part.ref, "coil1"), back="coil2")
    side = "open" if stamp.power_states.get(part.ref) else "closed"
    common, contact = stamp.node(part, "common"), stamp.node(part, side)
    if common is not None and contact is not None:
        stamp.resistance(f"{part.ref}:contact", common, contact, CLOSED_OHMS, into=(part.ref, "common"), back=side)


def relay_wakes(part: Part, volts: VoltsOf, stamp: Stamp) -> PowerState:
    """Whether the coil pulls."""
    a, b, figures = volts("coil1"), volts("coil2"), part.type.load
    return a is not None and b is not None and figures is not None and abs(a - b) >= figures.works_from_volts
