"""Operating point of a circuit of resistors, sources and junctions: nodal analysis with Newton iteration.

Method: modified nodal analysis; every source has a series resistance, so it stamps as a conductance and
a current and no extra unknowns are needed. Junctions are linearised and their steps limited; where plain
iteration does not settle, a conductance to ground is stepped down, then the sources are stepped up
(L. W. Nagel, "A computer program to simulate semiconductor circuits", 1975, chapters 3 and 5).
"""

from dataclasses import dataclass, field

import numpy as np
from numpy.typing import NDArray

GMIN_SIEMENS = 1e-12
LEAST_OHMS = 1e-3  # a "stiff" supply and a piece of wire between two sources
MOST_ITERATIONS = 80
VOLTS_TOLERANCE = 1e-9


@dataclass(frozen=True, slots=True)
class Resistance:
    """`ohms` between nodes `a` and `b`; its current counts positive from a to b."""

    name: str
    a: int
    b: int
    ohms: float


@dataclass(frozen=True, slots=True)
class Source:
    """`volts` between `plus` and `minus` behind `ohms`; its current counts positive out of plus."""

    name: str
    plus: int
    minus: int
    volts: float
    ohms: float


@dataclass(frozen=True, slots=True)
class Junction:
    """A diode: I = saturation_amps · (exp(V / slope_volts) − 1), positive from anode to cathode."""

    name: str
    anode: int
    cathode: int
    saturation_amps: float
    slope_volts: float


@dataclass(slots=True)
class Circuit:
    """Elements between nodes 0 … nodes−1; `ground` is the node held at 0 V."""

    nodes: int
    ground: int
    resistances: list[Resistance] = field(default_factory=list)
    sources: list[Source] = field(default_factory=list)
    junctions: list[Junction] = field(default_factory=list)

    def new_node(self) -> int:
        self.nodes += 1
        return self.nodes - 1


@dataclass(frozen=True, slots=True)
class Solution:
    """Node voltages in volts (shape: nodes) and element currents in amps by name."""

    volts: NDArray[np.float64]
    amps: dict[str, float]


class NoSensibleAnswer(Exception):
    """The iteration settled nowhere; says so plainly instead of giving a number."""


def solve(circuit: Circuit) -> Solution:
    """The operating point of `circuit`.

    Floating nodes are held by 1 pS to ground, so every circuit has one. Raises NoSensibleAnswer when
    neither plain iteration nor stepping settles.
    """
    matrix, injected = _linear_part(circuit)
    start = np.zeros(circuit.nodes)
    volts = _newton(circuit, matrix, injected, start, 0.0)
    if volts is None:
        volts = _step_gmin(circuit, matrix, injected, start)
    if volts is None:
        volts = _step_sources(circuit, matrix, injected, start)
    if volts is None:
        raise NoSensibleAnswer("no operating point was found for this circuit")
    return Solution(volts, _currents(circuit, volts))


def _linear_part(circuit: Circuit) -> tuple[NDArray[np.float64], NDArray[np.float64]]:
    """Conductance matrix (nodes × nodes, siemens) and injected currents (nodes, amps) without junctions."""
    matrix = np.zeros((circuit.nodes, circuit.nodes))
    injected = np.zeros(circuit.nodes)
    matrix[np.diag_indices(circuit.nodes)] = GMIN_SIEMENS
    for resistance in circuit.resistances:
        _stamp(matrix, resistance.a, resistance.b, 1 / max(resistance.ohms, LEAST_OHMS))
    for source in circuit.sources:
        siemens = 1 / max(source.ohms, LEAST_OHMS)
        _stamp(matrix, source.plus, source.minus, siemens)
        injected[source.plus] += source.volts * siemens
        injected[source.minus] -= source.volts * siemens
    return matrix, injected


def _stamp(matrix: NDArray[np.float64], a: int, b: int, siemens: float) -> None:
    matrix[a, a] += siemens
    matrix[b, b] += siemens
    matrix[a, b] -= siemens
    matrix[b, a] -= siemens


def _newton(
    circuit: Circuit,
    matrix: NDArray[np.float64],
    injected: NDArray[np.float64],
    start: NDArray[np.float64],
    extra_siemens: float,
) -> NDArray[np.float64] | None:
    """Newton iteration from `start`; None when it does not settle. Each junction's step is limited."""
    volts: NDArray[np.float64] = start.copy()
    across = [float(volts[j.anode] - volts[j.cathode]) for j in circuit.junctions]
    for _ in range(MOST_ITERATIONS):
        step_matrix, step_injected = matrix.copy(), injected.copy()
        if extra_siemens:
            step_matrix[np.diag_indices(circuit.nodes)] += extra_siemens
        for j, v in zip(circuit.junctions, across, strict=True):
            growth = np.exp(min(v / j.slope_volts, 200.0))
            siemens = j.saturation_amps / j.slope_volts * growth + GMIN_SIEMENS
            amps = j.saturation_amps * (growth - 1) - siemens * v
            _stamp(step_matrix, j.anode, j.cathode, siemens)
            step_injected[j.anode] -= amps
            step_injected[j.cathode] += amps
        # The reference node is held by striking out its row and column.
        ground = circuit.ground
        step_matrix[ground, :] = 0.0
        step_matrix[:, ground] = 0.0
        step_matrix[ground, ground] = 1.0
        step_injected[ground] = 0.0
        new: NDArray[np.float64] = np.linalg.solve(step_matrix, step_injected).astype(np.float64)
        limited = [
            _limit(float(new[j.anode] - new[j.cathode]), v, j) for j, v in zip(circuit.junctions, across, strict=True)
        ]
        settled = bool(np.max(np.abs(new - volts), initial=0.0) < VOLTS_TOLERANCE) and all(
            abs(a - b) < VOLTS_TOLERANCE for a, b in zip(limited, across, strict=True)
        )
        volts, across = new, limited
        if settled or not circuit.junctions:
            return volts
    return None


def _limit(new: float, old: float, junction: Junction) -> float:
    """Keep a junction's step where its exponential stays tame (Nagel's limiting)."""
    slope = junction.slope_volts
    critical = slope * float(np.log(slope / (1.4142 * junction.saturation_amps)))
    if new > critical and abs(new - old) > 2 * slope:
        if old > 0:
            grown = 1 + (new - old) / slope
            return old + slope * float(np.log(grown)) if grown > 0 else critical
        return slope * float(np.log(max(new / slope, 1.0 + 1e-12)))
    return new


def _step_gmin(
    circuit: Circuit, matrix: NDArray[np.float64], injected: NDArray[np.float64], start: NDArray[np.float64]
) -> NDArray[np.float64] | None:
    volts = start
    for exponent in range(-2, -13, -1):
        settled = _newton(circuit, matrix, injected, volts, 10.0**exponent)
        if settled is None:
            return None
        volts = settled
    return _newton(circuit, matrix, injected, volts, 0.0)


def _step_sources(
    circuit: Circuit, matrix: NDArray[np.float64], injected: NDArray[np.float64], start: NDArray[np.float64]
) -> NDArray[np.float64] | None:
    volts = start
    for share in np.linspace(0.05, 1.0, 20):
        settled = _newton(circuit, matrix, injected * share, volts, 0.0)
        if settled is None:
            return None
        volts = settled
    return volts


def _currents(circuit: Circuit, volts: NDArray[np.float64]) -> dict[str, float]:
    amps: dict[str, float] = {}
    for r in circuit.resistances:
        amps[r.name] = float(volts[r.a] - volts[r.b]) / max(r.ohms, LEAST_OHMS)
    for s in circuit.sources:
        amps[s.name] = (s.volts - float(volts[s.plus] - volts[s.minus])) / max(s.ohms, LEAST_OHMS)
    for j in circuit.junctions:
        v = float(volts[j.anode] - volts[j.cathode])
        amps[j.name] = j.saturation_amps * (float(np.exp(min(v / j.slope_volts, 200.0))) - 1)
    return amps
