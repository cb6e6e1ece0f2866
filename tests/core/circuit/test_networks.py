"""Circuits against answers worked out another way: nodal analysis by hand, dividers, currents and powers that add up."""

from random import Random
from unittest import TestCase

import numpy as np
from hypothesis import given, settings
from hypothesis import strategies as st

from verifex.core.circuit import check_wiring
from verifex.core.circuit.operating import ohms_between, ohms_in_circuit
from verifex.core.circuit.solver import Circuit, Resistance, Source, solve

HEAD = "board B1 mcu-5v\nbase full\nwire B1.5V +L red\nwire B1.GND -L black\n"
OHMS = st.sampled_from([100, 220, 330, 470, 1000, 2200, 4700, 10_000, 22_000, 47_000, 100_000])


def bench(*lines: str) -> str:
    return HEAD + "\n".join(lines) + "\n"


def volts_of(text: str, **more: object) -> dict[str, float]:
    """Volts by the name of each net, with every pin at rest."""
    report = check_wiring(text, **more)  # type: ignore[arg-type]
    return {str(net["name"]): float(net["volts"]) for net in report.nets_json() if net["volts"] is not None}  # type: ignore[arg-type]


class NodalAnalysisTest(TestCase):
    def test_random_networks_have_the_volts_of_their_conductance_matrix(self):
        for seed in range(25):
            rng = Random(seed)
            nodes = rng.randint(3, 9)
            circuit = Circuit(nodes=nodes, ground=0)
            circuit.sources.append(Source("V", nodes - 1, 0, 5.0, 0.0))
            links = [(n, n + 1) for n in range(nodes - 1)]  # joined at least in a row
            links += [tuple(rng.sample(range(nodes), 2)) for _ in range(rng.randint(2, 12))]  # type: ignore[misc]
            for index, (a, b) in enumerate(links):
                circuit.resistances.append(Resistance(f"R{index}", a, b, rng.choice([100.0, 1e3, 4.7e3, 1e5])))
            matrix = np.zeros((nodes, nodes))
            for r in circuit.resistances:
                for node, other in ((r.a, r.b), (r.b, r.a)):
                    matrix[node, node] += 1 / r.ohms
                    matrix[node, other] -= 1 / r.ohms
            inner = list(range(1, nodes - 1))
            solved = solve(circuit).volts
            self.assertAlmostEqual(float(solved[-1]), 5, places=3)  # a stiff source, with its milliohm
            known = -matrix[np.ix_(inner, [nodes - 1])] @ solved[-1:]
            by_hand = np.linalg.solve(matrix[np.ix_(inner, inner)], known)
            np.testing.assert_allclose(solved[1 : nodes - 1], by_hand, rtol=1e-6, atol=1e-9, err_msg=str(seed))

    def test_two_sources_add_what_each_does_alone(self):
        def answer(first: float, second: float) -> float:
            circuit = Circuit(nodes=4, ground=0)
            circuit.sources += [Source("A", 1, 0, first, 0.0), Source("B", 2, 0, second, 0.0)]
            for index, (a, b, ohms) in enumerate([(1, 3, 1e3), (2, 3, 2.2e3), (3, 0, 4.7e3)]):
                circuit.resistances.append(Resistance(f"R{index}", a, b, ohms))
            return float(solve(circuit).volts[3])

        self.assertAlmostEqual(answer(5, 3), answer(5, 0) + answer(0, 3), places=9)


class DividerTest(TestCase):
    @settings(max_examples=40, deadline=None)
    @given(OHMS, OHMS)
    def test_a_divider_shares_the_supply(self, upper: int, lower: int):
        text = bench(f"part R1 resistor +L a5 value={upper}", f"part R2 resistor b5 -L value={lower}", "wire B1.A0 c5")
        self.assertAlmostEqual(volts_of(text)["B1.A0"], 5 * lower / (upper + lower), places=3)

    @settings(max_examples=25, deadline=None)
    @given(OHMS, OHMS, OHMS)
    def test_a_load_lowers_it_as_two_resistors_side_by_side_do(self, upper: int, lower: int, load: int):
        text = bench(
            f"part R1 resistor +L a5 value={upper}", f"part R2 resistor b5 -L value={lower}",
            f"part R3 resistor d5 -L value={load}", "wire B1.A0 c5",
        )  # fmt: skip
        both = lower * load / (lower + load)
        self.assertAlmostEqual(volts_of(text)["B1.A0"], 5 * both / (upper + both), places=3)

    @settings(max_examples=25, deadline=None)
    @given(st.floats(4.5, 5.5))
    def test_everything_follows_a_measured_supply(self, rail: float):
        text = bench("part R1 resistor +L a5 value=10k", "part R2 resistor b5 -L value=10k", "wire B1.A0 c5")
        self.assertAlmostEqual(volts_of(text, rail_volts=rail)["B1.A0"], rail / 2, places=3)

    def test_a_potentiometer_divides_by_its_position(self):
        for percent in (0, 25, 50, 100):
            text = bench(f"part P1 pot end1=+L wiper=a5 end2=-L value=10k position={percent}%", "wire B1.A0 c5")
            volts = volts_of(text)["B1.A0"]
            self.assertTrue(
                min(abs(volts - 5 * percent / 100), abs(volts - 5 * (1 - percent / 100))) < 0.05, (percent, volts)
            )


class MeterTest(TestCase):
    @settings(max_examples=30, deadline=None)
    @given(OHMS, OHMS)
    def test_ohms_across_a_resistor_are_those_of_all_that_lies_beside_it(self, own: int, beside: int):
        text = bench(f"part R1 resistor a5 a9 value={own}", f"part R2 resistor b5 b9 value={beside}")
        nets = check_wiring(text).view.nets
        self.assertAlmostEqual((ohms_in_circuit(nets, "R1") or 0) / (own * beside / (own + beside)), 1, places=3)

    def test_a_row_of_resistors_adds_up_and_a_light_conducts_for_no_meter(self):
        text = bench(
            "part R1 resistor a5 a9 value=1k", "part R2 resistor b9 b13 value=2k2", "part D1 led anode=c5 cathode=c13"
        )
        nets = check_wiring(text).view.nets
        ends = nets.of_leg("R1", "1"), nets.of_leg("R2", "2")
        self.assertAlmostEqual(ohms_between(nets, ends[0].id, ends[1].id) or 0, 3200, delta=5)

    def test_between_nets_that_nothing_joins_nothing_flows(self):
        nets = check_wiring(bench("part R1 resistor a5 a9 value=1k", "part R2 resistor a20 a24 value=1k")).view.nets
        one, other = nets.of_leg("R1", "1"), nets.of_leg("R2", "1")
        self.assertIsNone(ohms_between(nets, one.id, other.id))


class PowerTest(TestCase):
    def test_currents_into_a_part_add_to_nothing_and_heat_is_volts_times_amps(self):
        text = bench(
            "part R1 resistor +L a5 value=330",
            "part D1 led anode=b5 cathode=-L colour=red",
            "part R2 resistor +L a12 value=1k",
            "part R3 resistor b12 -L value=1k",
            "wire B1.A0 c12",
        )
        report = check_wiring(text)
        point = next(state.point for state in report.view.points if state.name == "all low")
        for ref in report.bench.parts:
            self.assertAlmostEqual(
                sum(amps for (part, _), amps in point.amps.items() if part == ref), 0, places=9, msg=ref
            )
        self.assertAlmostEqual(point.watts_in("R2"), 2.5**2 / 1000, places=6)
        light = max(point.amps["D1", "anode"], point.amps["D1", "cathode"])
        self.assertAlmostEqual(point.watts_in("R1"), light**2 * 330, places=6)
        self.assertTrue(0.006 < light < 0.012, light)
