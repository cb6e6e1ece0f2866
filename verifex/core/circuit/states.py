"""The states a bench is tried in: every output both ways, every knob, button and module at its ends.

Trying all combinations would grow exponentially, so each thing that can change is changed alone, then all
together: for n pins and m other things about n + 2·m + 4 states (2·n where pins sink). Whatever two things do to each other only
together (a button that bridges two pins, say) shows in the states where all are on.
"""

from collections.abc import Iterable, Mapping
from dataclasses import dataclass, field

from verifex.core.circuit.bench import Part
from verifex.core.circuit.nets import Net, Nets
from verifex.core.circuit.paths import Link, Paths
from verifex.core.parts import OUTPUT_ROLES, LegRole, ShareOutput, SwitchOutput

DARK_LUX, BRIGHT_LUX = 0.1, 20_000.0
PASSED_THROUGH = (Link.OHMS, Link.DIODE, Link.LIGHT, Link.LOAD)
UNDRIVEN = "pins not driven"
ALL_LOW = "all low"
ALL_HIGH = "all high"
EVERYTHING_ON = "everything on"


@dataclass(frozen=True, slots=True)
class State:
    """A named state: which pins drive and how (True: high), what is set at modules, what happens around.

    `moved` is the part that stands in another position than at rest, where one does.
    """

    name: str
    driven: Mapping[str, bool] = field(default_factory=dict)
    held: Mapping[tuple[str, str], float | None] = field(default_factory=dict)
    stimulus: Mapping[tuple[str, str], float] = field(default_factory=dict)
    moved: str | None = None


def inferred_outputs(nets: Nets, paths: Paths) -> list[str]:
    """Board pins that drive something, judged by what hangs on them; the order is that of the nets.

    A pin drives when a light, a load, a transistor's base or a module's input or supply can be reached from it
    through passive parts, and no module's output, switch, knob or light cell speaks on its net.
    """
    outputs: list[str] = []
    for net in nets.nets:
        pins = [pin for pin in nets.signal_pins(net) if pin.digital_out]
        if pins and not speaks_to(nets, paths, net) and has_work(nets, paths, net):
            outputs.extend(dict.fromkeys(pin.name for pin in pins))
    return outputs


def _is_rail(nets: Nets, net: Net) -> bool:
    return nets.is_ground(net) or bool(nets.supplies(net))


def speaks_to(nets: Nets, paths: Paths, net: Net) -> bool:
    """Whether something tells the pin on this net a value: a module's output (also over resistors), a switch, a knob."""
    for net_id in paths.reach(net, (Link.OHMS,), stop=lambda n: _is_rail(nets, n)):
        reached = nets.nets[net_id]
        if reached.id != net.id and _is_rail(nets, reached):
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
    for net_id, way in paths.reach(start, PASSED_THROUGH, stop=lambda net: _is_rail(nets, net)).items():
        if any(edge.link in (Link.LIGHT, Link.LOAD) for edge in way):
            return True
        net = nets.nets[net_id]
        if net_id != start.id and _is_rail(nets, net):
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
    if base is None or _is_rail(nets, base):
        return False
    for net_id in paths.reach(base, (Link.OHMS,), stop=lambda net: _is_rail(nets, net)):
        net = nets.nets[net_id]
        if _is_rail(nets, net):
            continue
        if nets.signal_pins(net) or any(
            nets.bench.parts[leg.ref].type.role(leg.leg) in OUTPUT_ROLES for leg in nets.part_legs(net)
        ):
            return True
    return False


def states_of(nets: Nets, paths: Paths, outputs: Iterable[str]) -> list[State]:
    """Every state the bench is tried in, the pins' first."""
    pins = list(outputs)
    sinking = {pin for pin in pins if _sinks(nets, paths, pin)}
    low, high = dict.fromkeys(pins, False), dict.fromkeys(pins, True)
    states = [State(UNDRIVEN), State(ALL_LOW, low)] if pins else [State(ALL_LOW)]
    states += [State(f"{pin} high", {**low, pin: True}) for pin in pins]
    if len(pins) > 1:
        states.append(State(ALL_HIGH, high))
        states += [State(f"{pin} low alone", {**high, pin: False}) for pin in pins if pin in sinking]
    on_held: dict[tuple[str, str], float | None] = {}
    on_stimulus: dict[tuple[str, str], float] = {}
    for part in nets.bench.parts.values():
        for name, held, stimulus in _positions(nets, part):
            states.append(State(name, low, held, stimulus, part.ref))
            if pins and part.type.model in ("pot", "switch", "light-cell"):
                states.append(State(f"{name}, {ALL_HIGH}", high, held, stimulus, part.ref))
            if part.type.model != "pot":
                on_held |= held
                on_stimulus |= stimulus
    if on_held or on_stimulus:
        states.append(State(EVERYTHING_ON, high, on_held, on_stimulus))
    return states


def _sinks(nets: Nets, paths: Paths, pin: str) -> bool:
    """Whether a light or load lies between this pin and a supply, so that it is on when the pin is low."""
    net = nets.of_pin(pin)
    if net is None:
        return False
    for net_id, way in paths.reach(net, PASSED_THROUGH, stop=lambda n: _is_rail(nets, n)).items():
        if nets.supplies(nets.nets[net_id]) and any(edge.link in (Link.LIGHT, Link.LOAD) for edge in way):
            return True
    return False


Position = tuple[str, dict[tuple[str, str], float | None], dict[tuple[str, str], float]]


def _positions(nets: Nets, part: Part) -> list[Position]:
    """What a part can be besides at rest, each with its name for people."""
    ref, kind = part.ref, part.type
    quantity = kind.quantity or ""
    match kind.model:
        case "switch":
            return [(f"{ref} {'pressed' if quantity == 'pressed' else 'closed'}", {}, {(ref, quantity): 1.0})]
        case "pot":
            return [(f"{ref} at end {n}", {}, {(ref, quantity): float(n - 1)}) for n in (1, 2)]
        case "light-cell":
            ends = (("dark", DARK_LUX), ("bright", BRIGHT_LUX))
            return [(f"{ref} {word}", {}, {(ref, quantity): lux}) for word, lux in ends]
        case "module":
            return _module_positions(nets, part)
    return []


def _module_positions(nets: Nets, part: Part) -> list[Position]:
    ref, output = part.ref, part.type.output
    if isinstance(output, SwitchOutput):
        return [(f"{ref} active", {}, {(ref, output.quantity): output.active})]
    if isinstance(output, ShareOutput):
        return [(f"{ref} at its most", {}, {(ref, output.quantity): output.high})]
    if output is not None:
        return []
    loud = [
        name
        for name, leg in part.type.legs.items()
        if nets.of_leg(ref, name) is not None
        and (leg.role is LegRole.DIGITAL_OUT or (leg.role is LegRole.TWO_WAY and leg.bus is None))
    ]
    return [(f"{ref}.{name} high", {(ref, name): None}, {}) for name in loud]
