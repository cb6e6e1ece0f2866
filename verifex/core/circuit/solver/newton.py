"""Operating point of a circuit: nodal analysis with Newton iteration.

Method: every source has a series resistance, so it stamps as a conductance and a current and no unknowns
besides the node voltages are needed. Junctions are linearised and their steps limited; first on the junctions'
own voltages alone, over the linear rest solved once, then over all nodes; where plain iteration does not
settle, a conductance to ground is stepped down, then the sources are stepped up (L. W. Nagel,
"A computer program to simulate semiconductor circuits", 1975, chapters 3 and 5).
"""

from collections.abc import Sequence
from dataclasses import dataclass
from math import exp, log, sqrt

import numpy as np
from numpy.typing import NDArray

from verifex.core.circuit.solver.elements import (
    GMIN_SIEMENS,
    JUNCTION_SIEMENS,
    LEAST_OHMS,
    Circuit,
    Transistor,
)

GUESS_TURNS = 3
WARM_ITERATIONS = 6
MOST_ITERATIONS, MOST_PORT_ITERATIONS = 60, 30
#: Per node and junction. What is left after a step this small is its square over the slope: a nanovolt.
VOLTS_TOLERANCE = 5e-6
NOISE_FROM, NOISE_VOLTS = 40, 5e-3
RELATIVE_TOLERANCE = 1e-6
MOST_EXPONENT = 200.0

Vector = NDArray[np.float64]
Matrix = NDArray[np.float64]


@dataclass(frozen=True, slots=True)
class Solution:
    """Node voltages in volts (shape: nodes), element currents in amps by name, and how many iterations it took.

    A transistor's currents are under `name:collector`, `name:base` and `name:emitter`, positive into the leg.
    """

    volts: Vector
    amps: dict[str, float]
    iterations: int


class NoSensibleAnswer(Exception):
    """The iteration settled nowhere. `parts` are the elements of the circuit that bend: one of them does not settle."""

    def __init__(self, parts: tuple[str, ...]) -> None:
        super().__init__(parts)
        self.parts = parts


def solve(circuit: Circuit, near: Vector | None = None) -> Solution:
    """The operating point of `circuit`, begun at the voltages `near` (shape: nodes) where they are given.

    Every node has 1 pS to ground, so no matrix is singular. Raises NoSensibleAnswer when
    neither plain iteration nor stepping settles.
    """
    work = _Work(circuit)
    zero = np.zeros(circuit.nodes)
    found = None
    if near is not None and len(near) == circuit.nodes:
        found = work.newton(near, most=WARM_ITERATIONS)
    if found is None:
        found = work.by_ports()
    if found is None:
        found = work.newton(zero)
    if found is None:
        found = work.step_gmin(zero)
    if found is None:
        found = work.step_sources(zero)
    if found is None:
        names = (*(j.name for j in circuit.junctions), *(q.name for q in circuit.transistors))
        raise NoSensibleAnswer(tuple(dict.fromkeys(name.split(":")[0].split(".")[0] for name in names)))
    return Solution(found, work.currents(found), work.iterations)


def small_signal_ohms(circuit: Circuit, volts: Vector, nodes: Sequence[int]) -> list[float]:
    """The differential resistance to ground of each node at the operating point `volts`, in ohms."""
    if not nodes:
        return []
    work = _Work(circuit)
    _, slopes = work.devices(work.senses @ work.packed(volts))
    matrix = work.matrix + work.carries @ slopes @ work.senses
    at = [work.index[node] for node in nodes]
    units = np.zeros((work.size, len(at)))
    units[at, range(len(at))] = 1.0
    ohms: list[float] = np.linalg.solve(matrix, units)[at, range(len(at))].tolist()
    return ohms


class _Work:
    """One circuit as its linear part and its ports.

    The linear part is a conductance matrix (siemens) and injected currents (amps), the ground's row and column
    left out. A port is the voltage over a junction; diodes have one, a transistor two (base to emitter, base to
    collector). `senses` (ports × nodes) reads port voltages from node voltages, `carries` (nodes × ports) puts
    port currents into nodes: a diode's from anode to cathode, a transistor's from collector to emitter and from
    base to emitter.
    """

    def __init__(self, circuit: Circuit) -> None:
        self.circuit = circuit
        self.iterations = 0
        n, ground = circuit.nodes, circuit.ground
        self.size = n - 1
        # Where the ground is stamped is a spare last row and column.
        self.index = np.arange(n)
        self.index[ground:] -= 1
        self.index[ground] = n - 1
        self.matrix, self.injected = self._linear_part()
        self.senses, self.carries = self._ports()
        self.diodes = len(circuit.junctions)
        figures = np.array([(j.saturation_amps, j.slope_volts) for j in circuit.junctions]).reshape(-1, 2)
        self.saturation, self.diode_slopes = figures[:, 0], figures[:, 1]
        self.slopes = [j.slope_volts for j in circuit.junctions]
        self.critical = [_critical_volts(j.slope_volts, j.saturation_amps) for j in circuit.junctions]
        for t in circuit.transistors:
            self.slopes += [t.slope_volts] * 2
            self.critical += [_critical_volts(t.slope_volts, t.saturation_amps)] * 2

    def _linear_part(self) -> tuple[Matrix, Vector]:
        circuit, size = self.circuit, self.circuit.nodes
        table = np.array(
            [(r.a, r.b, r.ohms, 0.0) for r in circuit.resistances]
            + [(s.plus, s.minus, s.ohms, s.volts) for s in circuit.sources]
        ).reshape(-1, 4)
        self.ends = table[:, :2].astype(np.intp)
        self.siemens = 1 / np.maximum(table[:, 2], LEAST_OHMS)
        self.volts_given = table[:, 3]
        a, b = self.index[self.ends[:, 0]], self.index[self.ends[:, 1]]
        flat = np.concatenate((a * size + a, b * size + b, a * size + b, b * size + a))
        weights = np.concatenate((self.siemens, self.siemens, -self.siemens, -self.siemens))
        linear: Matrix = np.bincount(flat, weights, size * size).astype(np.float64).reshape(size, size)
        amps = self.volts_given * self.siemens
        injected = np.bincount(a, amps, size) - np.bincount(b, amps, size)
        matrix = np.ascontiguousarray(linear[:-1, :-1])
        matrix.ravel()[::size] += GMIN_SIEMENS
        return matrix, injected[:-1].astype(np.float64)

    def _ports(self) -> tuple[Matrix, Matrix]:
        at = self.index
        senses = [(j.anode, j.cathode) for j in self.circuit.junctions]
        carries = list(senses)
        for t in self.circuit.transistors:
            senses += [(t.base, t.emitter), (t.base, t.collector)]
            carries += [(t.collector, t.emitter), (t.base, t.emitter)]
        nodes = self.circuit.nodes
        return _incidence(at, senses, nodes)[:, :-1], _incidence(at, carries, nodes)[:, :-1].T

    def devices(self, across: Vector) -> tuple[Vector, Matrix]:
        """Port currents (amps) at the port voltages `across`, and their derivatives (ports × ports, siemens)."""
        count, at = len(across), self.diodes
        amps, slopes = np.empty(count), np.zeros((count, count))
        volts = across[:at]
        growth = self.saturation * np.exp(np.minimum(volts / self.diode_slopes, MOST_EXPONENT))
        amps[:at] = growth - self.saturation + JUNCTION_SIEMENS * volts
        slopes.ravel()[: at * (count + 1) : count + 1] = growth / self.diode_slopes + JUNCTION_SIEMENS
        for t in self.circuit.transistors:
            ic, ib, dic_be, dic_bc, dib_be, dib_bc = transistor_currents(t, float(across[at]), float(across[at + 1]))
            amps[at], amps[at + 1] = ic, ib
            slopes[at, at : at + 2] = dic_be, dic_bc
            slopes[at + 1, at : at + 2] = dib_be, dib_bc
            at += 2
        return amps, slopes

    def by_ports(self, start: Vector | None = None) -> Vector | None:
        """Newton iteration on the port voltages alone: the linear part is solved once for all of it.

        Begun at the node voltages `start`, else where each port would settle by itself. u = u0 − R·i(u), with u0
        the open ports' voltages and R what each port's current does to every port. A last whole step makes the
        node voltages as exact as the ports'. None when it does not settle.
        """
        count = len(self.slopes)
        if not count:
            self.iterations += 1
            alone: Vector = np.linalg.solve(self.matrix, self.injected).astype(np.float64)
            return self._unpacked(alone)
        solved = np.linalg.solve(self.matrix, np.column_stack((self.injected, self.carries)))
        resting, spread = self.senses @ solved[:, 0], self.senses @ solved[:, 1:]
        across = self._guess(resting, spread) if start is None else self.senses @ self.packed(start)
        one = np.eye(count)
        for _ in range(MOST_PORT_ITERATIONS):
            self.iterations += 1
            amps, slopes = self.devices(across)
            step = np.linalg.solve(one + spread @ slopes, resting - spread @ amps - across)
            limited = self._limited(across + step, across)
            if (np.abs(limited - across) <= VOLTS_TOLERANCE).all():
                volts = self._whole_step(limited)
                if volts is None:
                    return None
                moved = np.abs(self.senses @ volts - limited)
                return self._unpacked(volts) if bool((moved <= 4 * VOLTS_TOLERANCE).all()) else None
            across = limited
        return None

    def _guess(self, resting: Vector, spread: Matrix) -> Vector:
        """Where each port would settle if no other carried current: V = V_T·ln(1 + I/I_S), I = (u0 − V)/R."""
        rest, own = resting.tolist(), spread.diagonal().tolist()
        guess = [
            _settled(volts, ohms, j.saturation_amps, j.slope_volts)
            for volts, ohms, j in zip(rest, own, self.circuit.junctions, strict=False)
        ]
        for t in self.circuit.transistors:
            at = len(guess)
            # What the base's own current does to base and emitter stands beside the diagonal.
            base_ohms = float(spread[at, at + 1])
            guess.append(_settled(rest[at], base_ohms, t.saturation_amps / t.gain, t.slope_volts))
            guess.append(min(rest[at + 1], 0.0))
        return np.array(guess)

    def _limited(self, wanted: Vector, old: Vector) -> Vector:
        pairs = zip(wanted.tolist(), old.tolist(), self.slopes, self.critical, strict=True)
        return np.array([_limit(w, o, s, c) for w, o, s, c in pairs])

    def _whole_step(self, across: Vector, extra_siemens: float = 0.0, share: float = 1.0) -> Vector | None:
        """Node voltages with every junction replaced by its tangent at `across`; None when they are no numbers."""
        amps, slopes = self.devices(across)
        matrix = self.matrix + self.carries @ slopes @ self.senses
        if extra_siemens:
            matrix = matrix + extra_siemens * np.eye(self.size)
        injected = share * self.injected - self.carries @ (amps - slopes @ across)
        try:
            solved: Vector = np.linalg.solve(matrix, injected).astype(np.float64)
        except np.linalg.LinAlgError:
            return None
        return solved if bool(np.isfinite(solved).all()) else None

    def newton(
        self, start: Vector, extra_siemens: float = 0.0, share: float = 1.0, most: int = MOST_ITERATIONS
    ) -> Vector | None:
        """Newton iteration over all nodes from `start`; None when it does not settle. Each port's step is limited."""
        volts = self.packed(start)
        across = self.senses @ volts
        for turn in range(most):
            self.iterations += 1
            new = self._whole_step(across, extra_siemens, share)
            if new is None:
                return None
            limited = self._limited(self.senses @ new, across)
            steady = bool((np.abs(limited - across) <= VOLTS_TOLERANCE).all())
            change = np.abs(new - volts)
            volts, across = new, limited
            # Late on, what still moves by less than a few millivolts is the noise of nodes that hang on picoamps.
            slack = NOISE_VOLTS if turn >= NOISE_FROM else VOLTS_TOLERANCE
            if (steady or turn >= NOISE_FROM) and bool((change <= slack + RELATIVE_TOLERANCE * np.abs(new)).all()):
                return self._unpacked(volts)
        return None

    def step_gmin(self, start: Vector) -> Vector | None:
        """Settle with a strong conductance to ground from every node, then take it away step by step."""
        volts = start
        for exponent in (*range(-2, -13, -1), None):
            settled = self.newton(volts, 0.0 if exponent is None else 10.0**exponent)
            if settled is None:
                return None
            volts = settled
        return volts

    def step_sources(self, start: Vector) -> Vector | None:
        """Turn all sources up together; a step that does not settle is halved, down to a thousandth."""
        volts, share, step = start, 0.0, 0.1
        while share < 1.0:
            settled = self.newton(volts, share=min(1.0, share + step))
            if settled is None:
                step /= 2
                if step < 1e-3:
                    return None
                continue
            volts, share = settled, min(1.0, share + step)
            step = min(0.2, step * 2)
        return volts

    def packed(self, volts: Vector) -> Vector:
        packed = np.empty(self.size + 1)
        packed[self.index] = volts
        return packed[:-1]

    def _unpacked(self, packed: Vector) -> Vector:
        return np.append(packed, 0.0)[self.index]

    def currents(self, volts: Vector) -> dict[str, float]:
        """Amps of every element by name, from node voltages (shape: nodes)."""
        circuit = self.circuit
        flows = (volts[self.ends[:, 0]] - volts[self.ends[:, 1]] - self.volts_given) * self.siemens
        count = len(circuit.resistances)
        amps = dict(zip([r.name for r in circuit.resistances], flows[:count].tolist(), strict=True))
        # A source's current counts out of its plus.
        amps |= zip([s.name for s in circuit.sources], (-flows[count:]).tolist(), strict=True)
        if not self.slopes:
            return amps
        ports, _ = self.devices(self.senses @ self.packed(volts))
        through = ports.tolist()
        amps |= zip([j.name for j in circuit.junctions], through, strict=False)
        for at, t in enumerate(circuit.transistors):
            ic, ib = through[self.diodes + 2 * at : self.diodes + 2 * at + 2]
            amps[f"{t.name}:collector"], amps[f"{t.name}:base"], amps[f"{t.name}:emitter"] = ic, ib, -ic - ib
        return amps


def _incidence(index: NDArray[np.intp], pairs: list[tuple[int, int]], nodes: int) -> Matrix:
    """+1 at the first and −1 at the second node of each pair (pairs × nodes), nodes by their place in the matrix."""
    matrix = np.zeros((len(pairs), nodes))
    if pairs:
        ends = index[np.array(pairs)]
        rows = np.arange(len(pairs))
        matrix[rows, ends[:, 0]] += 1
        matrix[rows, ends[:, 1]] -= 1
    return matrix


def transistor_currents(t: Transistor, vbe: float, vbc: float) -> tuple[float, float, float, float, float, float]:
    """(I_C, I_B) in amps into the legs and their derivatives (∂I_C/∂V_BE, ∂I_C/∂V_BC, ∂I_B/∂V_BE, ∂I_B/∂V_BC) in siemens."""
    slope = t.slope_volts
    forward = t.saturation_amps * exp(min(vbe / slope, MOST_EXPONENT))
    reverse = t.saturation_amps * exp(min(vbc / slope, MOST_EXPONENT))
    i_f, g_f = forward - t.saturation_amps, forward / slope
    i_r, g_r = reverse - t.saturation_amps, reverse / slope
    root = sqrt(max(1 + 4 * i_f / t.knee_amps, 1e-12))
    q = (1 + root) / 2
    dq = g_f / (t.knee_amps * root)
    # Each junction's own small conductance lies beside it, outside the transport.
    ic = (i_f - i_r) / q - i_r / t.reverse_gain - JUNCTION_SIEMENS * vbc
    ib = i_f / t.gain + i_r / t.reverse_gain + JUNCTION_SIEMENS * (vbe + vbc)
    dic_be = g_f / q - (i_f - i_r) / q**2 * dq
    dic_bc = -g_r / q - g_r / t.reverse_gain - JUNCTION_SIEMENS
    dib_be = g_f / t.gain + JUNCTION_SIEMENS
    dib_bc = g_r / t.reverse_gain + JUNCTION_SIEMENS
    return ic, ib, dic_be, dic_bc, dib_be, dib_bc


def _settled(open_volts: float, ohms: float, saturation_amps: float, slope_volts: float) -> float:
    """Where a junction behind `ohms` and `open_volts` settles, to within a few percent of its current."""
    if open_volts <= 0 or ohms <= 0:
        return min(open_volts, 0.0)
    volts = 0.0
    for _ in range(GUESS_TURNS):
        volts = min(open_volts, slope_volts * log(1 + max(0.0, open_volts - volts) / ohms / saturation_amps))
    return volts


def _critical_volts(slope_volts: float, saturation_amps: float) -> float:
    """Where a junction's curve bends most (Nagel): below it a step needs no limit."""
    return slope_volts * log(slope_volts / (sqrt(2) * saturation_amps))


def _limit(new: float, old: float, slope: float, critical: float) -> float:
    """Keep a junction's step where its exponential stays tame (Nagel's limiting)."""
    if new > critical and abs(new - old) > 2 * slope:
        if old < critical:
            return critical  # from below: where the curve bends; from there the steps are short
        if old > 0:
            grown = 1 + (new - old) / slope
            return old + slope * log(grown) if grown > 0 else critical
        return slope * log(max(new / slope, 1.0 + 1e-12))
    if old > 0 and -slope < new - old < -0.5 * slope:
        # Driven by a current that is far smaller: the exponential's own step goes there at once.
        return old + slope * log(max(1 + (new - old) / slope, 1e-9))
    return new
