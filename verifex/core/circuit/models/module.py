"""Any module: its supply draw, its outputs once it is fed, its fitted pull-ups, a light built in.

Everything comes from the data file, so a new ordinary module needs no code.
"""

from verifex.core.circuit.bench import Part
from verifex.core.circuit.models.junctions import conducting
from verifex.core.circuit.models.stamp import PowerState, Stamp, VoltsOf
from verifex.core.parts import Leg, LegRole, LinearOutput, PowerLawOutput, ShareOutput, SwitchOutput

WORKS_FROM_SHARE = 0.8  # of the least supply: below it nothing comes out
WORKS_TO_SHARE = 1.05  # of what it stands: above it, it is spoilt
USUAL_TRIP_PERCENT = 50.0  # of the supply: where a comparator's trimmer usually stands when it is bought
AT_REST = 0.5  # of the supply: the raw signal beside a comparator's level, which swings about its middle


def module(part: Part, stamp: Stamp) -> None:
    kind = part.type
    supply_leg, ground_leg = kind.supply_leg, kind.ground_leg
    for name in kind.legs:
        stamp.flows.setdefault((part.ref, name), [])
    if kind.inner_light:
        light = kind.inner_light
        a, b = stamp.node(part, light.plus), stamp.node(part, light.minus)
        if a is not None and b is not None:
            conducting(stamp, f"{part.ref}:light", light.diode, "any", a, b, (part.ref, light.plus, light.minus))
    supply = stamp.node(part, supply_leg) if supply_leg else None
    ground = stamp.node(part, ground_leg) if ground_leg else None
    if supply is None or ground is None or supply_leg is None or ground_leg is None:
        return
    ohms = kind.draws_at_volts / max(kind.draws_amps, 1e-9)
    stamp.resistance(f"{part.ref}:supply", supply, ground, ohms, into=(part.ref, supply_leg), back=ground_leg)
    for name, leg in kind.legs.items():
        node = stamp.node(part, name)
        if node is None or leg.role in (LegRole.SUPPLY, LegRole.GROUND):
            continue
        if leg.pull_up_ohms and part.settings.get("pullup") != "none":
            if leg.high_volts is None:
                _to_supply(part, stamp, name, node, supply, leg.pull_up_ohms, "pull-up")
            elif stamp.power_states.get(part.ref) is not None:  # pulled to a level of the module's own
                _at_volts(part, stamp, name, node, ground, leg.high_volts, leg.pull_up_ohms)
        if stamp.power_states.get(part.ref) is not None:
            _speak(part, stamp, name, leg, node, supply, ground)


def module_wakes(part: Part, volts: VoltsOf, stamp: Stamp) -> PowerState:
    """Volts it is fed with, where its output depends on them, else 0; None while it is not fed."""
    supply_leg, ground_leg, window = part.type.supply_leg, part.type.ground_leg, part.type.supply
    supply = volts(supply_leg) if supply_leg else None
    ground = volts(ground_leg) if ground_leg else None
    if supply is None or ground is None:
        return None
    across = supply - ground
    if window and not WORKS_FROM_SHARE * window.low_volts <= across <= WORKS_TO_SHARE * window.absolute_volts:
        return None
    gives_a_share = bool(part.type.legs_with(LegRole.ANALOGUE_OUT)) and not isinstance(part.type.output, LinearOutput)
    return round(across, 4) if gives_a_share or across < _most_out(part, stamp) else 0.0


def _most_out(part: Part, stamp: Stamp) -> float:
    """The highest level its outputs give in volts, where that does not follow its supply."""
    output = part.type.output
    levels = [leg.high_volts or 0.0 for leg in part.type.legs.values()]
    if isinstance(output, LinearOutput):
        levels.append(stamp.sensed(part, output))
    return max(levels)


def _fed_volts(part: Part, stamp: Stamp) -> float:
    """What a module whose output depends on it is fed with."""
    fed = stamp.power_states.get(part.ref)
    return fed if isinstance(fed, float) else 0.0


def _to_supply(part: Part, stamp: Stamp, leg: str, node: int, supply: int, ohms: float, what: str) -> None:
    assert part.type.supply_leg is not None
    name = f"{part.ref}:{leg}:{what}"
    stamp.resistance(name, supply, node, ohms, into=(part.ref, part.type.supply_leg), back=leg)


def _to_ground(part: Part, stamp: Stamp, leg: str, node: int, ground: int, ohms: float) -> None:
    stamp.resistance(f"{part.ref}:{leg}:low", node, ground, ohms, into=(part.ref, leg), back=part.type.ground_leg)


def _at_volts(part: Part, stamp: Stamp, leg: str, node: int, ground: int, volts: float, ohms: float) -> None:
    """A level of its own, held below what the module is fed with."""
    fed = stamp.power_states.get(part.ref)
    if isinstance(fed, float) and fed > 0:
        volts = min(volts, fed)
    name = f"{part.ref}:{leg}"
    stamp.source(name, node, ground, volts, ohms)
    stamp.flow(part.ref, leg, name, -1)
    if part.type.ground_leg:
        stamp.flow(part.ref, part.type.ground_leg, name, 1)


def _speak(part: Part, stamp: Stamp, name: str, leg: Leg, node: int, supply: int, ground: int) -> None:
    """What a leg gives: as it is set from outside, else by the module's output and its stimulus."""
    held = stamp.conditions.held
    output = part.type.output if leg.role in (LegRole.ANALOGUE_OUT, LegRole.DIGITAL_OUT, LegRole.OPEN_OUT) else None
    if (part.ref, name) in held:
        _set(part, stamp, name, leg, node, supply, ground, held[(part.ref, name)])
    elif leg.compares and isinstance(output, ShareOutput | PowerLawOutput):
        trip = (part.quantity("trip", "percent") or USUAL_TRIP_PERCENT) / 100
        _level(part, stamp, name, leg, node, supply, ground, stamp.sensed(part, output) < trip)
    elif isinstance(output, LinearOutput):
        _at_volts(part, stamp, name, node, ground, stamp.sensed(part, output), leg.source_ohms)
    elif isinstance(output, ShareOutput | PowerLawOutput):
        # A share of what the module is fed with, from its own amplifier: the supply does not pay for it.
        _at_volts(
            part, stamp, name, node, ground, stamp.sensed(part, output) * _fed_volts(part, stamp), leg.source_ohms
        )
    elif isinstance(output, SwitchOutput) and leg.role is LegRole.ANALOGUE_OUT:
        _at_volts(part, stamp, name, node, ground, AT_REST * _fed_volts(part, stamp), leg.source_ohms)
    elif isinstance(output, SwitchOutput):
        point = part.quantity(output.setting, "centimetre") if output.setting else None
        high = output.is_high(stamp.stimulus(part, output.quantity, output.rest), point)
        _level(part, stamp, name, leg, node, supply, ground, high)
    elif leg.role is LegRole.DIGITAL_OUT and not leg.tri_state:
        _level(part, stamp, name, leg, node, supply, ground, False)


def _set(
    part: Part, stamp: Stamp, name: str, leg: Leg, node: int, supply: int, ground: int, volts: float | None
) -> None:
    """A leg set from outside: None for its own high level, else volts."""
    if volts is None:
        _level(part, stamp, name, leg, node, supply, ground, True)
    elif volts <= 0:
        _level(part, stamp, name, leg, node, supply, ground, False)
    else:
        _at_volts(part, stamp, name, node, ground, volts, leg.source_ohms)


def _level(part: Part, stamp: Stamp, name: str, leg: Leg, node: int, supply: int, ground: int, high: bool) -> None:
    if not high:
        _to_ground(part, stamp, name, node, ground, leg.source_ohms)
    elif leg.role is LegRole.OPEN_OUT:
        return  # it lets go; a pull-up does the rest
    elif leg.high_volts is not None:
        _at_volts(part, stamp, name, node, ground, leg.high_volts, leg.source_ohms)
    else:
        _to_supply(part, stamp, name, node, supply, leg.source_ohms, "high")
