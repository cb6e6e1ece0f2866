"""What flows on a bench in one state of its pins and its surroundings: elements out of parts, then the solver."""

from collections.abc import Collection, Mapping
from dataclasses import dataclass

import numpy as np
from numpy.typing import NDArray

from verifex.core.circuit.bench import Part
from verifex.core.circuit.conditions import Conditions
from verifex.core.circuit.models import MODELS, Stamp
from verifex.core.circuit.models.feeding import PIN, BoardFeed
from verifex.core.circuit.models.stamp import PowerState
from verifex.core.circuit.nets import Nets
from verifex.core.circuit.solver import FLOATING_NAME, Circuit, Solution, Source, small_signal_ohms, solve

MOST_WAKINGS = 8  # a chain of supply → regulator → module → relay settles in four


@dataclass(frozen=True, slots=True)
class OperatingPoint:
    """Volts by net id, amps by (ref, leg) positive into the leg, amps out of each board pin.

    `oscillating` are parts that find no state: a relay whose contact cuts its own coil. `floating` are nets that hang
    together with no ground: their volts count from the island's own zero. `circuit` is what was
    solved, `solution` its answer; both serve the next point as a start.
    """

    volts: dict[int, float]
    amps: dict[tuple[str, str], float]
    pin_amps: dict[str, float]
    oscillating: frozenset[str]
    conditions: Conditions
    circuit: Circuit
    solution: NDArray[np.float64]
    power_states: Mapping[str, PowerState]
    floating: frozenset[int]
    nets: Nets

    def watts_in(self, ref: str) -> float:
        """What a part turns into heat, in watts; a supply gives, so its figure is negative."""
        heat = 0.0
        part = self.nets.bench.parts[ref]
        for leg in part.type.leg_names():
            net = self.nets.of_leg(ref, leg)
            if net is not None:
                heat += self.amps.get((ref, leg), 0.0) * self.volts[net.id]
        return heat


def operating_point(nets: Nets, conditions: Conditions, near: OperatingPoint | None = None) -> OperatingPoint:
    """Solve the bench in `conditions`, begun at the point `near` where one is given.

    Some parts have states of their own (a module speaks only when it is fed, a relay's contact follows its
    coil), so the circuit is solved again until they stay as they are. Raises NoSensibleAnswer when the solver
    finds no point.
    """
    power_states: Mapping[str, PowerState] = near.power_states if near else _assumed_fed(nets)
    # Begun where the pins drive alike; from elsewhere a fresh guess is nearer than the old point.
    start = near.solution if near and near.conditions.driven == conditions.driven else None
    oscillating: frozenset[str] = frozenset()
    for _ in range(MOST_WAKINGS):
        stamp, feed, floating = _stamped(nets, conditions, power_states)
        solution = solve(stamp.circuit, start)
        start = solution.volts
        following = _power_states(nets, stamp, solution)
        oscillating = frozenset(ref for ref in following if following[ref] != power_states.get(ref))
        if not oscillating:
            break
        power_states = following
    return _point(nets, stamp, feed, solution, oscillating, power_states, floating)


def _assumed_fed(nets: Nets) -> dict[str, PowerState]:
    """Modules that lie between a supply and a ground are probably fed: it saves a turn, and is checked all the same."""
    fed: dict[str, PowerState] = {}
    for part in nets.bench.parts.values():
        supply, ground = part.type.supply_leg, part.type.ground_leg
        if part.type.model == "module" and supply and ground:
            one, other = nets.of_leg(part.ref, supply), nets.of_leg(part.ref, ground)
            if one and other and nets.is_source(one) and nets.is_return(other):
                fed[part.ref] = 0.0
    return fed


def _stamped(
    nets: Nets, conditions: Conditions, power_states: Mapping[str, PowerState]
) -> tuple[Stamp, BoardFeed | None, frozenset[int]]:
    stamp = _still(nets, conditions).copied_for(conditions, power_states)
    bench = nets.bench
    feed = BoardFeed(bench.board, stamp) if bench.board else None
    for part in bench.parts.values():
        model = MODELS[part.type.model]
        if not model.still:
            model.stamp(part, stamp)
    minus = [node for part in bench.parts_of("battery") if (node := stamp.node(part, "minus")) is not None]
    return stamp, feed, frozenset(stamp.circuit.hold_islands(minus))


def _still(nets: Nets, conditions: Conditions) -> Stamp:
    """The parts that are the same in every state, written once for each way of taking their values."""
    key = (
        conditions.values,
        conditions.corner,
        conditions.flipped,
        tuple(sorted(conditions.exchanged.items())),
        tuple(sorted(conditions.ohms.items())),
        conditions.unpowered,
    )
    known = nets.stamped.get(key)
    if not isinstance(known, Stamp):
        known = nets.stamped[key] = Stamp(nets, conditions, {})
        for part in nets.bench.parts.values():
            model = MODELS[part.type.model]
            if model.still:
                model.stamp(part, known)
    return known


def _power_states(nets: Nets, stamp: Stamp, solution: Solution) -> dict[str, PowerState]:
    volts = solution.volts
    states: dict[str, PowerState] = {}
    for part in nets.bench.parts.values():
        wake = MODELS[part.type.model].wake
        if wake is None:
            continue

        def of_leg(leg: str, part: Part = part) -> float | None:
            node = stamp.node(part, leg)
            return None if node is None else float(volts[node])

        states[part.ref] = wake(part, of_leg, stamp)
    return states


def _point(
    nets: Nets,
    stamp: Stamp,
    feed: BoardFeed | None,
    solution: Solution,
    oscillating: frozenset[str],
    power_states: Mapping[str, PowerState],
    floating: frozenset[int],
) -> OperatingPoint:
    solved = solution.volts.tolist()
    flows = solution.amps
    amps: dict[tuple[str, str], float] = {}
    for leg, elements in stamp.flows.items():
        into = 0.0
        for name, sign in elements:
            into += sign * flows.get(name, 0.0)
        amps[leg] = into
    return OperatingPoint(
        volts={net.id: solved[net.id] for net in nets.nets},
        amps=amps,
        nets=nets,
        pin_amps={pin: flows[PIN + pin] for pin in feed.pins} if feed else {},
        oscillating=oscillating,
        conditions=stamp.conditions,
        circuit=stamp.circuit,
        solution=solution.volts,
        power_states=power_states,
        floating=floating,
    )


def source_ohms(point: OperatingPoint, nets: Collection[int]) -> dict[int, float]:
    """The resistance seen looking into each of `nets` at an operating point, in ohms (Thévenin, small signal)."""
    asked = [net for net in nets if net != point.circuit.ground]
    seen = small_signal_ohms(point.circuit, point.solution, asked)
    return {**dict.fromkeys(nets, 0.0), **dict(zip(asked, seen, strict=True))}


METER_VOLTS, METER_OHMS, LEAST_AMPS = 0.2, 10e3, 1e-9


def ohms_between(nets: Nets, one: int, other: int, ohms: Mapping[str, float] | None = None) -> float | None:
    """What a meter reads between two nets of the unpowered bench, in ohms; None where nothing flows. `ohms` gives values of resistors
    in place of their own.

    The meter gives 0.2 V behind 10 kΩ, too little for any junction to conduct.
    """
    if one == other:
        return 0.0
    stamp, _, _ = _stamped(nets, Conditions(unpowered=True, ohms=ohms or {}), {})
    circuit = stamp.circuit
    circuit.sources = [Source("meter", one, other, METER_VOLTS, METER_OHMS)]
    # The meter joins what it touches: two floating islands have one zero then, and no way through ground.
    circuit.resistances = [r for r in circuit.resistances if not r.name.startswith(FLOATING_NAME)]
    circuit.hold_islands(())
    solution = solve(circuit)
    amps = solution.amps["meter"]
    across = float(solution.volts[one] - solution.volts[other])
    return across / amps if amps > LEAST_AMPS else None


def ohms_in_circuit(nets: Nets, ref: str, own_ohms: float | None = None) -> float | None:
    """What a meter reads across a part as it sits in the unpowered bench, in ohms; None when it has not two ends. `own_ohms` is taken
    for the part's own value, where that is what is asked about."""
    part = nets.bench.parts[ref]
    ends = [nets.of_leg(ref, leg) for leg in part.ends]
    if ends[0] is None or ends[1] is None or ends[0].id == ends[1].id:
        return None
    return ohms_between(nets, ends[0].id, ends[1].id, {ref: own_ohms} if own_ohms else None)
