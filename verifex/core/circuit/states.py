"""The states a bench is tried in: every output both ways, every knob, button and module at its ends.

Trying all combinations would grow exponentially. What hangs together only through the rails cannot do anything to
each other but load the supply, so the bench falls into clusters (its nets joined through parts, the rails left
out), and all clusters are changed at once: one state with everything low, one with everything high, one in which
the first pin of every cluster is high alone, one for the second, and so on; likewise for what can be moved. The
number of states is that of the largest cluster, not of the bench. Within a cluster each pin is tried alone and all
together, each knob and button alone, with the pins low and high: 2 + 2·pins + 2·positions at most.

A state is named for people by what it means in the cluster in question: `D7 high`, `S1 pressed`.
"""

from collections.abc import Iterable, Mapping
from dataclasses import dataclass, field

from verifex.core.circuit.bench import Part
from verifex.core.circuit.connections.driving_pins import PASSED_THROUGH
from verifex.core.circuit.connections.paths import EVERYTHING, Link, Paths
from verifex.core.circuit.nets import Nets
from verifex.core.parts import LegRole, PowerLawOutput, ShareOutput, SwitchOutput

DARK_LUX, BRIGHT_LUX = 0.1, 20_000.0
UNDRIVEN = "pins not driven"
ALL_LOW = "all low"
ALL_HIGH = "all high"
EVERYTHING_ON = "everything on"


@dataclass(frozen=True, slots=True)
class State:
    """A named state: which pins drive and how (True: high), what is set at modules, what happens around.

    `moved` are the parts that stand in another position than at rest; `said` names the state cluster by cluster.
    """

    name: str
    driven: Mapping[str, bool] = field(default_factory=dict)
    held: Mapping[tuple[str, str], float | None] = field(default_factory=dict)
    stimulus: Mapping[tuple[str, str], float] = field(default_factory=dict)
    moved: frozenset[str] = frozenset()
    said: Mapping[int, str] = field(default_factory=dict)


class Clusters:
    """Which nets hang together through parts, the rails left out; rails belong to none."""

    def __init__(self, nets: Nets, paths: Paths) -> None:
        self._nets = nets
        self._of_net: dict[int, int] = {}
        for net in nets.nets:
            if net.id not in self._of_net and not nets.is_rail(net):
                for other in paths.reach(net, EVERYTHING):
                    if not nets.is_rail(nets.nets[other]):
                        self._of_net[other] = net.id

    def of_pin(self, pin: str) -> int | None:
        net = self._nets.of_pin(pin)
        return self._of_net.get(net.id) if net else None

    def of_part(self, part: Part) -> list[int]:
        """The clusters a part lies in: one, or two for a relay, or none for a part between two rails."""
        found = (self._of_net.get(net.id) for leg in part.type.leg_names() if (net := self._nets.of_leg(part.ref, leg)))
        return list(dict.fromkeys(cluster for cluster in found if cluster is not None))


def states_of(nets: Nets, paths: Paths, clusters: Clusters, outputs: Iterable[str]) -> list[State]:
    """Every state the bench is tried in, the pins' first."""
    pins = list(outputs)
    low, high = dict.fromkeys(pins, False), dict.fromkeys(pins, True)
    by_cluster: dict[int | None, list[str]] = {}
    for pin in pins:
        by_cluster.setdefault(clusters.of_pin(pin), []).append(pin)
    alone = {c: f"{group[0]} high" for c, group in by_cluster.items() if c is not None and len(group) == 1}
    states = [State(UNDRIVEN), State(ALL_LOW, low)] if pins else [State(ALL_LOW)]
    if pins:
        states.append(State(ALL_HIGH if len(pins) > 1 else f"{pins[0]} high", high, said=alone))
    shared = {c: group for c, group in by_cluster.items() if c is None or len(group) > 1}
    for turn in range(max((len(group) for group in shared.values()), default=0)):
        ones = {c: group[turn] for c, group in shared.items() if turn < len(group)}
        states.append(_one_each(ones, low, True))
        if sinking := {c: pin for c, pin in ones.items() if _sinks(nets, paths, pin)}:
            states.append(_one_each(sinking, high, False))
    return states + _moved_states(nets, clusters, low, high)


def _one_each(ones: Mapping[int | None, str], rest: Mapping[str, bool], on: bool) -> State:
    """The state in which one pin of each cluster differs from the rest."""
    word = "high" if on else "low alone"
    said = {c: f"{pin} {word}" for c, pin in ones.items() if c is not None}
    return State(
        ", ".join(f"{pin} {word}" for pin in ones.values()), {**rest, **dict.fromkeys(ones.values(), on)}, said=said
    )


def _moved_states(nets: Nets, clusters: Clusters, low: Mapping[str, bool], high: Mapping[str, bool]) -> list[State]:
    """Each position of each thing that can be moved, one a cluster at a time, with the pins low and high; then all."""
    by_cluster: dict[int | None, list[tuple[Part, Position]]] = {}
    for part in nets.bench.parts.values():
        for position in positions_of(nets, part):
            cluster = next(iter(clusters.of_part(part)), None)
            by_cluster.setdefault(cluster, []).append((part, position))
    states: list[State] = []
    everything = _Together()
    for turn in range(max((len(group) for group in by_cluster.values()), default=0)):
        together = _Together()
        for cluster, group in by_cluster.items():
            if turn < len(group):
                part, position = group[turn]
                together.add(part, position, cluster)
                if part.type.model != "pot":
                    everything.add(part, position, cluster)
        states.append(together.state(low, ""))
        if high and together.is_knob:
            states.append(together.state(high, ALL_HIGH))
    if everything.moved:
        states.append(everything.state(high, "", EVERYTHING_ON))
    return states


class _Together:
    """Positions that are taken at the same time."""

    def __init__(self) -> None:
        self.held: dict[tuple[str, str], float | None] = {}
        self.stimulus: dict[tuple[str, str], float] = {}
        self.moved: dict[str, str] = {}
        self.said: dict[int, str] = {}
        self.is_knob = False

    def add(self, part: Part, position: "Position", cluster: int | None) -> None:
        name, held, stimulus = position
        self.held |= held
        self.stimulus |= stimulus
        self.moved[part.ref] = name
        self.is_knob |= part.type.model in ("pot", "switch", "light-cell")
        if cluster is not None:
            self.said[cluster] = name

    def state(self, driven: Mapping[str, bool], also: str, name: str = "") -> State:
        tail = f", {also}" if also else ""
        said = {} if name else {cluster: word + tail for cluster, word in self.said.items()}
        whole = name or ", ".join(self.moved.values()) + tail
        return State(whole, driven, self.held, self.stimulus, frozenset(self.moved), said)


def _sinks(nets: Nets, paths: Paths, pin: str) -> bool:
    """Whether a light or load lies between this pin and a supply, so that it is on when the pin is low."""
    net = nets.of_pin(pin)
    if net is None:
        return False
    for net_id, way in paths.reach(net, PASSED_THROUGH).items():
        if nets.supplies(nets.nets[net_id]) and any(edge.link in (Link.LIGHT, Link.LOAD) for edge in way):
            return True
    return False


Position = tuple[str, dict[tuple[str, str], float | None], dict[tuple[str, str], float]]


def positions_of(nets: Nets, part: Part) -> list[Position]:
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
    if isinstance(output, ShareOutput | PowerLawOutput):
        return [(f"{ref} at its most", {}, {(ref, output.quantity): output.high})]
    loud = [
        name
        for name, leg in part.type.legs.items()
        if nets.of_leg(ref, name) is not None
        and (leg.role is LegRole.DIGITAL_OUT or (leg.role is LegRole.TWO_WAY and leg.bus is None))
    ]
    return [(f"{ref}.{name} high", {(ref, name): None}, {}) for name in loud]
