"""Every part's model against what a datasheet or a textbook says of it, on the bench and through the solver."""

from unittest import TestCase
from unittest.mock import patch

import numpy as np
from hypothesis import given, settings
from hypothesis import strategies as st

from tests.corpus.wiring.absurd import absurd_bench
from verifex.core.circuit import Conditions, check_wiring, operating_point
from verifex.core.circuit.nets import Nets
from verifex.core.circuit.solver import NoSensibleAnswer, newton
from verifex.core.circuit.text.parse import parse_bench
from verifex.core.circuit.view import BenchView
from verifex.core.parts import LegRole, LinearOutput, PartType, PowerLawOutput, ShareOutput, catalogue

FED = "board B1 mcu-5v\nbase full\nwire B1.5V +L\nwire B1.GND -L\n"


class Solved:
    """One operating point of a bench, asked by names."""

    def __init__(self, text: str, **conditions: object) -> None:
        self.nets = Nets(parse_bench(text))
        assert not self.nets.bench.problems and not self.nets.bench.impossible, text
        self.point = operating_point(self.nets, Conditions(**conditions))  # type: ignore[arg-type]

    def volts(self, place: str) -> float:
        net = next(net for net in self.nets.nets if place in net.places)
        return self.point.volts[net.id]

    def amps(self, ref: str, leg: str) -> float:
        return self.point.amps[ref, leg]


class LightTest(TestCase):
    BENCH = FED + "part R1 resistor +L a5 value=330\npart D1 led b5 b6 colour={}\nwire -L a6\n"

    def test_forward_volts_by_colour_and_the_current_that_follows(self):
        for colour, low, high in (("red", 1.7, 2.2), ("green", 1.9, 3.2), ("blue", 2.7, 3.4), ("white", 2.7, 3.4)):
            solved = Solved(self.BENCH.format(colour))
            forward = solved.volts("a5") - solved.volts("a6")
            self.assertTrue(low <= forward <= high, f"{colour}: {forward:.2f} V")
            self.assertAlmostEqual(solved.amps("D1", "anode"), (5 - forward) / 330, delta=1e-5)

    def test_the_corners_lie_around_the_nominal(self):
        amps = [Solved(self.BENCH.format("red"), corner=c).amps("D1", "anode") for c in (-1, 0, 1)]
        self.assertEqual(amps, sorted(amps))
        self.assertGreater(amps[2] / amps[0], 1.05)

    def test_three_colours_share_one_leg(self):
        for kind, common, others in (("rgb-cc", "-L", "+L"), ("rgb-ca", "+L", "-L")):
            lines = [FED, f"part D1 {kind} red=a5 common=a6 green=a7 blue=a8", f"wire {common} b6"]
            lines += [f"part R{n} resistor c{row} {others} value=470" for n, row in ((1, 5), (2, 7), (3, 8))]
            solved = Solved("\n".join(lines) + "\n")
            through = [abs(solved.amps("D1", leg)) for leg in ("red", "green", "blue")]
            self.assertTrue(all(amps > 2e-3 for amps in through), kind)
            self.assertAlmostEqual(sum(through), abs(solved.amps("D1", "common")), places=7)


class TransistorTest(TestCase):
    BENCH = FED + (
        "part R1 resistor +L a5 value=100\npart Q1 npn collector=b5 base=b6 emitter=b7\nwire -L a7\n"
        "part R2 resistor c6 c9 value={}\nwire B1.D4 a9\n"
    )

    def test_it_saturates_when_driven_and_is_open_when_not(self):
        on, off = (
            Solved(self.BENCH.format(1000), driven={"D4": 5.0}),
            Solved(self.BENCH.format(1000), driven={"D4": 0.0}),
        )
        self.assertLess(on.volts("a5"), 0.3)
        self.assertTrue(0.6 <= on.volts("b6") <= 0.9)
        self.assertGreater(off.volts("a5"), 4.99)

    def test_out_of_saturation_it_amplifies(self):
        solved = Solved(self.BENCH.format("100k"), driven={"D4": 5.0})
        gain = solved.amps("Q1", "collector") / solved.amps("Q1", "base")
        self.assertTrue(80 <= gain <= 400, gain)

    def test_its_three_currents_add_to_nothing(self):
        solved = Solved(self.BENCH.format(1000), driven={"D4": 5.0})
        self.assertAlmostEqual(sum(solved.amps("Q1", leg) for leg in ("collector", "base", "emitter")), 0, places=9)


class SupplyTest(TestCase):
    def test_a_regulator_holds_its_volts_with_headroom_and_follows_without(self):
        bench = "board B1 mcu-5v\npart BT1 battery plus=a1 minus=a3 volts={}\npart U1 regulator-5v in=b1 ground=b3 out=b5\npart R1 resistor c5 c3 value=1k\n"
        for volts, low, high in ((9, 4.9, 5.1), (12, 4.9, 5.1), (5.5, 3.0, 4.4)):
            solved = Solved(bench.format(volts))
            out = solved.volts("b5") - solved.volts("b3")
            self.assertTrue(low <= out <= high, f"{volts} V in: {out:.2f} V out")

    def test_a_usb_supply_sags_by_half_an_ohm(self):
        bench = FED + "part R1 resistor +L -L value=10\n"
        stiff, sagging = Solved(bench), Solved(bench, sagging=True)
        self.assertAlmostEqual(stiff.volts("+L"), 5.0, places=3)
        self.assertAlmostEqual(sagging.volts("+L"), 5.0 * 10 / 10.5, delta=0.01)

    def test_a_measured_supply_counts(self):
        self.assertAlmostEqual(
            Solved(FED + "part R1 resistor +L -L value=1k\n", rail_volts=4.81).volts("+L"), 4.81, places=3
        )

    def test_a_pin_has_its_own_resistance(self):
        solved = Solved(FED + "wire B1.D4 a5\npart R1 resistor b5 -L value=100\n", driven={"D4": 5.0})
        self.assertAlmostEqual(solved.volts("a5"), 5 * 100 / 125, delta=0.01)

    def test_a_pull_up_inside_the_pin_gives_an_open_input_its_level(self):
        bench = FED + "wire B1.D4 a5\npart S1 button b5 b8\nwire -L a8\n"
        self.assertGreater(Solved(bench, pulled_up=frozenset({"D4"})).volts("a5"), 4.9)
        pressed = Solved(bench, pulled_up=frozenset({"D4"}), stimulus={("S1", "pressed"): 1.0})
        self.assertLess(pressed.volts("a5"), 0.01)


class SensorTest(TestCase):
    def test_thermometers_give_their_straight_lines(self):
        for kind, celsius, volts in (
            ("thermo-offset", 31, 0.81),
            ("thermo-zero", 31, 0.31),
            ("thermo-steep", 31, 0.62),
        ):
            solved = Solved(
                FED + f"part U1 {kind} a5 a6 a7\nwire +L b5\nwire -L b7\nwire B1.A0 b6\n",
                stimulus={("U1", "celsius"): celsius},
            )
            self.assertAlmostEqual(solved.volts("a6"), volts, places=3, msg=kind)

    def test_an_unfed_module_says_nothing(self):
        solved = Solved(FED + "part U1 thermo-offset a5 a6 a7\nwire -L b7\nwire B1.A0 b6\n")
        self.assertLess(abs(solved.volts("a6")), 0.05)

    @given(st.floats(1, 10_000), st.floats(1.05, 20))
    def test_a_brighter_light_cell_has_less_resistance_by_its_power_law(self, lux: float, times: float):
        bench = FED + "part LC1 light-cell +L a5 r10=12k gamma=0.7\npart R1 resistor b5 -L value=10k\n"

        def ohms(light: float) -> float:
            solved = Solved(bench, stimulus={("LC1", "lux"): light})
            return (5 - solved.volts("a5")) / (solved.volts("a5") / 10e3)

        self.assertAlmostEqual(ohms(lux) / ohms(lux * times) / times**0.7, 1.0, delta=0.01)

    @given(st.floats(0, 1))
    def test_a_knob_divides_by_its_position(self, position: float):
        bench = FED + "part P1 pot end1=a5 wiper=a6 end2=a7 value=10k\nwire -L b5\nwire +L b7\n"
        solved = Solved(bench, stimulus={("P1", "position"): position})
        self.assertAlmostEqual(solved.volts("a6"), 5 * position, delta=0.01)

    def test_a_module_with_an_active_low_output_pulls_it_down_when_something_is_there(self):
        bench = FED + "part U1 obstacle a5 a6 a7\nwire +L b5\nwire -L b7\nwire B1.D4 b6\n"
        near, far = (Solved(bench, stimulus={("U1", "cm"): cm}).volts("a6") for cm in (3, 60))
        self.assertLess(near, 0.5)
        self.assertGreater(far, 4.0)


class AbsurdTest(TestCase):
    @settings(max_examples=150, deadline=None)
    @given(st.integers(0, 10**6))
    def test_whatever_is_plugged_together_has_an_answer_in_which_currents_add_to_nothing(self, seed: int):
        view = BenchView(parse_bench(absurd_bench(seed)))
        for state in view.points:
            self.assertTrue(all(abs(volts) < 1e4 for volts in state.point.volts.values()))
            for part in view.bench.parts.values():
                into = [state.point.amps[part.ref, leg] for leg in part.legs if (part.ref, leg) in state.point.amps]
                if part.type.model in ("resistor", "led", "diode", "load") and len(into) == 2:
                    self.assertAlmostEqual(sum(into), 0, delta=1e-6 + 1e-6 * max(map(abs, into)))

    @settings(max_examples=60, deadline=None)
    @given(st.integers(0, 10**6))
    def test_it_is_judged_without_a_crash_and_each_finding_says_where(self, seed: int):
        for found in check_wiring(absurd_bench(seed)).findings:
            self.assertTrue(found.seen and found.why and found.remedy and found.hint, found.rule)
            self.assertTrue(found.where.parts or found.where.places or found.where.line, found.rule)

    def test_a_shorted_supply_is_solved_and_said(self):
        report = check_wiring(FED + "wire +L -L\n")
        self.assertEqual([f.rule for f in report.findings], ["supply-shorted"])

    def test_everything_in_one_row(self):
        text = "board B1 mcu-5v\n" + "".join(f"part R{n} resistor a{n} f{n} value=10\n" for n in range(1, 5))
        self.assertIsNotNone(operating_point(Nets(parse_bench(text)), Conditions()))

    def test_where_nothing_settles_the_parts_that_bend_are_named(self):
        nets = Nets(parse_bench(FED + "part D1 led a30 a31 colour=red\npart R1 resistor e31 e40 value=220\n"))
        with (
            patch.multiple(newton._Work, newton=_nothing, step_gmin=_nothing, step_sources=_nothing, by_ports=_nothing),
            self.assertRaises(NoSensibleAnswer) as told,
        ):
            operating_point(nets, Conditions())
        self.assertEqual(told.exception.parts, ("D1",))


def _nothing(*_: object, **__: object) -> None:
    """An iteration that settles nowhere."""


class CatalogueFiguresTest(TestCase):
    """Every module's model against its own figures in the catalogue: what it draws, and what it gives at both ends."""

    @staticmethod
    def fed(kind: PartType) -> str:
        """A bench with the module alone, fed in the middle of its window."""
        assert kind.supply is not None
        rail = "5V" if kind.supply.low_volts <= 5.0 <= kind.supply.high_volts else "3V3"
        legs = list(kind.legs)
        places = " ".join(f"{leg}=a{row}" for row, leg in enumerate(legs, start=5))
        lines = ["board B1 mcu-5v", "base full", f"part U1 {kind.id} {places}"]
        lines += [f"wire B1.{rail} b{legs.index(kind.supply_leg or '') + 5}"]
        lines += [f"wire B1.GND b{legs.index(kind.ground_leg or '') + 5}"]
        return "\n".join(lines) + "\n"

    def modules(self) -> list[PartType]:
        found = [kind for kind in catalogue().parts.values() if kind.model == "module" and kind.supply]
        self.assertGreater(len(found), 20)
        return found

    def test_what_it_draws(self):
        for kind in self.modules():
            with self.subTest(kind.id):
                solved = Solved(self.fed(kind))
                supply = solved.volts(f"a{list(kind.legs).index(kind.supply_leg or '') + 5}")
                wanted = kind.draws_amps * supply / kind.draws_at_volts
                self.assertAlmostEqual(solved.amps("U1", kind.supply_leg or ""), wanted, delta=0.1 * wanted + 2e-4)

    def test_what_it_gives_at_both_ends(self):
        for kind in self.modules():
            output = kind.output
            leg = next((name for name, own in kind.legs.items() if own.role is LegRole.ANALOGUE_OUT), None)
            if leg is None or not isinstance(output, LinearOutput | ShareOutput | PowerLawOutput):
                continue
            for at in (output.low, output.high):
                with self.subTest(kind.id, at=at):
                    state = float(output.state(np.asarray(at), {}, {}))
                    solved = Solved(self.fed(kind), sensed={"U1": state})
                    supply = solved.volts(f"a{list(kind.legs).index(kind.supply_leg or '') + 5}")
                    wanted = state if output.carries == "volts" else state * supply
                    given = solved.volts(f"a{list(kind.legs).index(leg) + 5}")
                    self.assertAlmostEqual(given, min(wanted, supply), delta=0.02)
