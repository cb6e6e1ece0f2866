"""Operating point of a circuit: nodal analysis with Newton iteration.

Method: every source has a series resistance, so it stamps as a conductance and a current and no unknowns
besides the node voltages are needed. Junctions are linearised and their steps limited; where plain iteration
does not settle, a conductance to ground is stepped down, then the sources are stepped up (L. W. Nagel,
"A computer program to simulate semiconductor circuits", 1975, chapters 3 and 5).
"""

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

MOST_ITERATIONS = 60
#: Per node and junction. What is left after a step this small is its square over the slope: a nanovolt.
VOLTS_TOLERANCE = 5e-6
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
    """The iteration settled nowhere; says so plainly instead of giving a number."""


def solve(circuit: Circuit, near: Vector | None = None) -> Solution:
    """The operating point of `circuit`, begun at the voltages `near` (shape: nodes) where they are given.

    Every node has 1 pS to ground, so no matrix is singular. Raises NoSensibleAnswer when
    neither plain iteration nor stepping settles.
    """
    work = _Work(circuit)
    zero = np.zeros(circuit.nodes)
    found = None
    if near is not None and len(near) == circuit.nodes:
        found = work.newton(near)
    if found is None:
        found = work.newton(zero)
    if found is None:
        found = work.step_gmin(zero)
    if found is None:
        found = work.step_sources(zero)
    if found is None:
        raise NoSensibleAnswer("no operating point was found for this circuit")
    return Solution(found, work.currents(found), work.iterations)


class _Work:
    """One circuit with its linear part stamped; the ground's row and column are struck out."""

    def __init__(self, circuit: Circuit) -> None:
        self.circuit = circuit
        self.iterations = 0
        n, ground = circuit.nodes, circuit.ground
        # A spare last row takes what is stamped at the ground, so that no stamp need ask.
        self.index = [i if i < ground else i - 1 for i in range(n)]
        self.index[ground] = n - 1
        self.matrix, self.injected = self._linear_part()
        at = self.index
        self.junctions = [(at[j.anode], at[j.cathode], j.saturation_amps, j.slope_volts) for j in circuit.junctions]
        self.transistors = [(at[t.collector], at[t.base], at[t.emitter], t) for t in circuit.transistors]
        self.slopes = [j.slope_volts for j in circuit.junctions]
        self.critical = [_critical_volts(j.slope_volts, j.saturation_amps) for j in circuit.junctions]
        for t in circuit.transistors:
            self.slopes += [t.slope_volts] * 2
            self.critical += [_critical_volts(t.slope_volts, t.saturation_amps)] * 2

    def _linear_part(self) -> tuple[Matrix, Vector]:
        """Conductance matrix (nodes × nodes, siemens) and injected currents (nodes, amps) without junctions."""
        circuit, at = self.circuit, self.index
        size = circuit.nodes
        ends: list[tuple[int, int]] = []
        siemens: list[float] = []
        injected = [0.0] * size
        for r in circuit.resistances:
            ends.append((at[r.a], at[r.b]))
            siemens.append(1 / max(r.ohms, LEAST_OHMS))
        for s in circuit.sources:
            g = 1 / max(s.ohms, LEAST_OHMS)
            ends.append((at[s.plus], at[s.minus]))
            siemens.append(g)
            injected[at[s.plus]] += s.volts * g
            injected[at[s.minus]] -= s.volts * g
        matrix = np.zeros((size, size))
        if ends:
            a, b = np.array(ends).T
            added = np.array(siemens)
            np.add.at(
                matrix,
                (np.concatenate((a, b, a, b)), np.concatenate((a, b, b, a))),
                np.concatenate((added, added, -added, -added)),
            )
        matrix.flat[:: size + 1] += GMIN_SIEMENS
        return matrix, np.array(injected)

    def newton(self, start: Vector, extra_siemens: float = 0.0, share: float = 1.0) -> Vector | None:
        """Newton iteration from `start`; None when it does not settle. Each junction's step is limited."""
        last = self.circuit.nodes - 1
        volts = self._packed(start)
        if not self.junctions and not self.transistors:
            self.iterations += 1
            solved = np.linalg.solve(self.matrix[:last, :last], share * self.injected[:last])
            return self._unpacked(np.append(solved, 0.0))
        across = self._across(volts)
        for _ in range(MOST_ITERATIONS):
            self.iterations += 1
            matrix, injected = self.matrix.copy(), share * self.injected
            if extra_siemens:
                matrix.flat[:: last + 2] += extra_siemens
            self._stamp_junctions(matrix, injected, across)
            try:
                solved = np.linalg.solve(matrix[:last, :last], injected[:last])
            except np.linalg.LinAlgError:
                return None
            new = np.append(solved, 0.0)
            wanted = self._across(new)
            limited = [
                _limit(w, old, slope, critical)
                for w, old, slope, critical in zip(wanted, across, self.slopes, self.critical, strict=True)
            ]
            steady = all(abs(a - b) <= VOLTS_TOLERANCE for a, b in zip(limited, across, strict=True))
            change = np.abs(new - volts)
            volts, across = new, limited
            if not np.isfinite(change).all():
                return None
            if steady and bool((change <= VOLTS_TOLERANCE + RELATIVE_TOLERANCE * np.abs(new)).all()):
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

    def _packed(self, volts: Vector) -> Vector:
        packed = np.empty_like(volts)
        packed[self.index] = volts
        packed[-1] = 0.0
        return packed

    def _unpacked(self, packed: Vector) -> Vector:
        return packed[self.index]

    def _across(self, volts: Vector) -> list[float]:
        """Volts over each junction: the diodes, then base–emitter and base–collector of each transistor."""
        v = volts.tolist()
        across = [v[a] - v[c] for a, c, _, _ in self.junctions]
        for c, b, e, _ in self.transistors:
            across += (v[b] - v[e], v[b] - v[c])
        return across

    def _stamp_junctions(self, matrix: Matrix, injected: Vector, across: list[float]) -> None:
        for (a, c, saturation, slope), v in zip(self.junctions, across, strict=False):
            growth = saturation * exp(min(v / slope, MOST_EXPONENT))
            g = growth / slope + JUNCTION_SIEMENS
            amps = growth - saturation + JUNCTION_SIEMENS * v - g * v
            matrix[a, a] += g
            matrix[c, c] += g
            matrix[a, c] -= g
            matrix[c, a] -= g
            injected[a] -= amps
            injected[c] += amps
        at = len(self.junctions)
        for c, b, e, figures in self.transistors:
            vbe, vbc = across[at], across[at + 1]
            at += 2
            ic, ib, dic_be, dic_bc, dib_be, dib_bc = transistor_currents(figures, vbe, vbc)
            # Currents into collector and base as functions of V_BE and V_BC, linearised around the last point.
            fixed_c = ic - dic_be * vbe - dic_bc * vbc
            fixed_b = ib - dib_be * vbe - dib_bc * vbc
            for row, d_be, d_bc, fixed in ((c, dic_be, dic_bc, fixed_c), (b, dib_be, dib_bc, fixed_b)):
                matrix[row, b] += d_be + d_bc
                matrix[row, e] -= d_be
                matrix[row, c] -= d_bc
                matrix[e, b] -= d_be + d_bc
                matrix[e, e] += d_be
                matrix[e, c] += d_bc
                injected[row] -= fixed
                injected[e] += fixed

    def currents(self, volts: Vector) -> dict[str, float]:
        v = volts.tolist()
        amps: dict[str, float] = {}
        for r in self.circuit.resistances:
            amps[r.name] = (v[r.a] - v[r.b]) / max(r.ohms, LEAST_OHMS)
        for s in self.circuit.sources:
            amps[s.name] = (s.volts - (v[s.plus] - v[s.minus])) / max(s.ohms, LEAST_OHMS)
        for j in self.circuit.junctions:
            across = v[j.anode] - v[j.cathode]
            amps[j.name] = j.saturation_amps * (exp(min(across / j.slope_volts, MOST_EXPONENT)) - 1)
        for t in self.circuit.transistors:
            ic, ib, *_ = transistor_currents(t, v[t.base] - v[t.emitter], v[t.base] - v[t.collector])
            amps[f"{t.name}:collector"], amps[f"{t.name}:base"], amps[f"{t.name}:emitter"] = ic, ib, -ic - ib
        return amps


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


def _critical_volts(slope_volts: float, saturation_amps: float) -> float:
    """Where a junction's curve bends most (Nagel): below it a step needs no limit."""
    return slope_volts * log(slope_volts / (sqrt(2) * saturation_amps))


def _limit(new: float, old: float, slope: float, critical: float) -> float:
    """Keep a junction's step where its exponential stays tame (Nagel's limiting)."""
    if new > critical and abs(new - old) > 2 * slope:
        if old > 0:
            grown = 1 + (new - old) / slope
            return old + slope * log(grown) if grown > 0 else critical
        return slope * log(max(new / slope, 1.0 + 1e-12))
    return new
