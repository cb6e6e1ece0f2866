"""What flows on a bench in one state of its pins and its surroundings: elements out of parts, then the solver."""

from collections.abc import Mapping
from dataclasses import dataclass, field

import numpy as np
from numpy.typing import NDArray

from verifex.core.circuit.conditions import Conditions
from verifex.core.circuit.models import MODELS, Stamp
from verifex.core.circuit.models.feeding import PIN, BoardFeed
from verifex.core.circuit.models.stamp import Waking
from verifex.core.circuit.nets import Nets
from verifex.core.circuit.solver import Circuit, Solution, Source, solve

MOST_WAKINGS = 8  # a chain of supply → regulator → module → relay settles in four


@dataclass(frozen=True, slots=True)
class OperatingPoint:
    """Volts by net id, amps by (ref, leg) positive into the leg, watts by part, amps out of each board pin.

    `restless` are parts that find no state: a relay whose contact cuts its own coil. `floating` are nets that hang
    together with no ground: their volts count from the island's own zero. `circuit` is what was
    solved, `solution` its answer; both serve the next point as a start.
    """

    volts: dict[int, float]
    amps: dict[tuple[str, str], float]
    watts: dict[str, float]
    pin_amps: dict[str, float]
    restless: frozenset[str]
    circuit: Circuit
    solution: NDArray[np.float64]
    awake: Mapping[str, Waking] = field(default_factory=dict)
    floating: frozenset[int] = frozenset()


def operating_point(nets: Nets, conditions: Conditions, near: OperatingPoint | None = None) -> OperatingPoint:
    """Solve the bench in `conditions`, begun at the point `near` where one is given.

    Some parts have states of their own (a module speaks only when it is fed, a relay's contact follows its
    coil), so the circuit is solved again until they stay as they are. Raises NoSensibleAnswer when the solver
    finds no point.
    """
    awake: Mapping[str, Waking] = near.awake if near else {}
    start = near.solution if near else None
    restless: frozenset[str] = frozenset()
    for _ in range(MOST_WAKINGS):
        stamp, feed, floating = _stamped(nets, conditions, awake)
        solution = solve(stamp.circuit, start)
        start = solution.volts
        following = _waking(nets, stamp, solution)
        restless = frozenset(ref for ref in following if following[ref] != awake.get(ref))
        if not restless:
            break
        awake = following
    return _point(nets, stamp, feed, solution, restless, awake, floating)


def circuit_of(nets: Nets, conditions: Conditions) -> Circuit:
    """The circuit that `operating_point` solves."""
    return operating_point(nets, conditions).circuit


def _stamped(
    nets: Nets, conditions: Conditions, awake: Mapping[str, Waking]
) -> tuple[Stamp, BoardFeed | None, frozenset[int]]:
    stamp = Stamp(nets, conditions, awake)
    bench = nets.bench
    feed = BoardFeed(bench.board, stamp) if bench.board else None
    for part in bench.parts.values():
        MODELS[part.type.model].stamp(part, stamp)
    minus = [node for part in bench.parts_of("battery") if (node := stamp.node(part, "minus")) is not None]
    return stamp, feed, frozenset(stamp.circuit.hold_islands(minus))


def _waking(nets: Nets, stamp: Stamp, solution: Solution) -> dict[str, Waking]:
    volts = solution.volts
    states: dict[str, Waking] = {}
    for part in nets.bench.parts.values():
        wake = MODELS[part.type.model].wake
        if wake is None:
            continue

        def of_leg(leg: str, part=part) -> float | None:  # type: ignore[no-untyped-def]
            node = stamp.node(part, leg)
            return None if node is None else float(volts[node])

        states[part.ref] = wake(part, of_leg, stamp)
    return states


def _point(
    nets: Nets,
    stamp: Stamp,
    feed: BoardFeed | None,
    solution: Solution,
    restless: frozenset[str],
    awake: Mapping[str, Waking],
    floating: frozenset[int],
) -> OperatingPoint:
    solved = solution.volts.tolist()
    flows = solution.amps
    amps = {leg: sum(sign * flows.get(name, 0.0) for name, sign in elements) for leg, elements in stamp.flows.items()}
    watts: dict[str, float] = {}
    for (ref, leg), into in amps.items():
        node = stamp.nets.of_leg(ref, leg)
        if node is not None:
            watts[ref] = watts.get(ref, 0.0) + into * solved[node.id]
    return OperatingPoint(
        volts={net.id: solved[net.id] for net in nets.nets},
        amps=amps,
        watts=watts,
        pin_amps={pin: flows[PIN + pin] for pin in feed.pins} if feed else {},
        restless=restless,
        circuit=stamp.circuit,
        solution=solution.volts,
        awake=awake,
        floating=floating,
    )


PROBE_OHMS, PROBE_VOLTS = 1e6, 0.1


def source_ohms(point: OperatingPoint, node: int) -> float:
    """The resistance seen looking into `node` at an operating point, in ohms (Thévenin), by a small probing current."""
    circuit = point.circuit
    if node == circuit.ground:
        return 0.0
    before = float(point.solution[node])
    probed = Circuit(
        circuit.nodes,
        circuit.ground,
        circuit.resistances,
        [*circuit.sources, Source("probe", node, circuit.ground, before + PROBE_VOLTS, PROBE_OHMS)],
        circuit.junctions,
        circuit.transistors,
    )
    moved = float(solve(probed, point.solution).volts[node]) - before
    return moved / max((PROBE_VOLTS - moved) / PROBE_OHMS, 1e-15)


def ohms_in_circuit(nets: Nets, ref: str) -> float | None:
    """What a meter reads across a part as it sits in the unpowered bench, in ohms; None when it has not two ends.

    The meter gives 0.2 V behind 10 kΩ, too little for any junction to conduct.
    """
    part = nets.bench.parts[ref]
    ends = [nets.of_leg(ref, leg) for leg in part.ends]
    if ends[0] is None or ends[1] is None or ends[0].id == ends[1].id:
        return None
    stamp, _, _ = _stamped(nets, Conditions(unpowered=True), {})
    circuit = stamp.circuit
    circuit.sources = [Source("meter", ends[0].id, ends[1].id, 0.2, 10e3)]
    solution = solve(circuit)
    amps = solution.amps["meter"]
    across = float(solution.volts[ends[0].id] - solution.volts[ends[1].id])
    return across / amps if amps > 1e-12 else None
