from unittest import TestCase

import numpy as np
from hypothesis import given
from hypothesis import strategies as st

from verifex.core.circuit.solver import Circuit, Junction, Resistance, Source, solve


def series(volts: float, *ohms: float) -> Circuit:
    """A source over resistors in a row; node 0 is ground, node 1 the source's plus."""
    circuit = Circuit(nodes=len(ohms) + 1, ground=0)
    circuit.sources.append(Source("V", 1, 0, volts, 0.0))
    for index, value in enumerate(ohms, start=1):
        circuit.resistances.append(Resistance(f"R{index}", index, (index + 1) % (len(ohms) + 1), value))
    return circuit


class LinearTest(TestCase):
    @given(st.floats(0.5, 24), st.lists(st.floats(10, 1e6), min_size=1, max_size=8))
    def test_a_chain_carries_one_current(self, volts: float, ohms: list[float]):
        solution = solve(series(volts, *ohms))
        for index, value in enumerate(ohms, start=1):
            current = volts / sum(ohms)
            self.assertAlmostEqual(solution.amps[f"R{index}"] / current, 1.0, places=3, msg=value)

    def test_currents_into_each_node_add_to_nothing(self):
        rng = np.random.default_rng(4)
        circuit = Circuit(nodes=8, ground=0)
        circuit.sources.append(Source("V", 7, 0, 5.0, 0.0))
        for index in range(20):
            a, b = rng.choice(8, 2, replace=False)
            circuit.resistances.append(Resistance(f"R{index}", int(a), int(b), float(rng.uniform(100, 1e5))))
        solution = solve(circuit)
        for node in range(1, 7):
            into = sum(solution.amps[r.name] * ((r.b == node) - (r.a == node)) for r in circuit.resistances)
            self.assertAlmostEqual(into, 0.0, places=9)


class JunctionTest(TestCase):
    def test_a_diode_and_its_resistor_share_the_supply(self):
        circuit = series(5.0, 330.0)
        circuit.resistances[0] = Resistance("R1", 1, circuit.new_node(), 330.0)
        circuit.junctions.append(Junction("D1", 2, 0, 1e-18, 0.05))
        solution = solve(circuit)
        across = float(solution.volts[2])
        self.assertAlmostEqual(solution.amps["R1"], 1e-18 * (np.exp(across / 0.05) - 1), places=7)
        self.assertAlmostEqual(solution.amps["R1"], (5.0 - across) / 330, places=6)

    def test_backwards_nothing_flows(self):
        circuit = series(5.0, 330.0)
        circuit.resistances[0] = Resistance("R1", 1, circuit.new_node(), 330.0)
        circuit.junctions.append(Junction("D1", 0, 2, 1e-18, 0.05))
        self.assertLess(abs(solve(circuit).amps["R1"]), 1e-9)


class AbsurdTest(TestCase):
    def test_every_circuit_has_an_answer(self):
        shorted = Circuit(nodes=2, ground=0)
        shorted.sources += [Source("A", 1, 0, 5.0, 0.0), Source("B", 1, 0, 3.3, 0.0)]
        self.assertTrue(3.3 < float(solve(shorted).volts[1]) < 5.0)
        floating = Circuit(nodes=4, ground=0)
        floating.resistances.append(Resistance("R", 2, 3, 100.0))
        self.assertTrue(np.allclose(solve(floating).volts, 0.0))
        ring = Circuit(nodes=3, ground=0)
        ring.sources.append(Source("V", 1, 0, 12.0, 0.0))
        ring.junctions += [Junction("D1", 1, 2, 1e-14, 0.026), Junction("D2", 2, 0, 1e-14, 0.026)]
        volts = solve(ring).volts  # two equal diodes across a stiff supply share whatever it has left
        self.assertAlmostEqual(float(volts[2]), float(volts[1]) / 2, places=6)
