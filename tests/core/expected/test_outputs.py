"""What each family makes of a stimulus: monotone, continuous where the real thing is, inverse of its inverse, limits."""

from itertools import pairwise
from typing import TypeVar
from unittest import TestCase

import numpy as np
from hypothesis import given
from hypothesis import strategies as st

from verifex.core.parts import catalogue, with_entries
from verifex.core.parts.outputs import (
    AxesOutput,
    CellOutput,
    DataOutput,
    EchoOutput,
    IdentityOutput,
    LinearOutput,
    PowerLawOutput,
    ShareOutput,
    SwitchOutput,
)
from verifex.core.parts.outputs.axes import tilt_degrees
from verifex.core.parts.outputs.echo import us_per_cm
from verifex.core.parts.outputs.motion_hold import MotionHold
from verifex.core.problems import UnusableInput

T = TypeVar("T")
PARTS = catalogue().parts
MEASURING = [part for part in PARTS.values() if part.outputs]


def output(part: str, kind: type[T], quantity: str | None = None) -> T:
    found = next(o for o in PARTS[part].outputs if quantity in (None, o.quantity))
    assert isinstance(found, kind)
    return found


class EveryFamilyTest(TestCase):
    def test_monotone_over_its_range_and_finite_beyond(self):
        for part in MEASURING:
            for out in part.outputs:
                if out.carries == "text":
                    continue
                with self.subTest(part.id, quantity=out.quantity):
                    at = np.linspace(out.low, out.high, 400)
                    steps = np.diff(out.state(at, {}, {}))
                    self.assertTrue(np.all(steps >= -1e-12) or np.all(steps <= 1e-12))
                    beyond = out.state(np.array([out.low - 1e3, out.high + 1e3]), {}, {})
                    self.assertTrue(np.all(np.isfinite(beyond)))

    def test_continuous_where_the_real_thing_is(self):
        for part in MEASURING:
            for out in part.outputs:
                if out.carries in ("text", "level", "number"):
                    continue
                with self.subTest(part.id, quantity=out.quantity):
                    low = max(out.low, out.high / 1e4)
                    at = np.geomspace(low, out.high, 5001) if low > 0 else np.linspace(low, out.high, 5001)
                    state = out.state(at, {}, {})
                    self.assertLess(np.max(np.abs(np.diff(state))), 0.01 * np.ptp(state))

    def test_its_tolerances_enclose_the_nominal_answer(self):
        for part in MEASURING:
            for out in part.outputs:
                for p in out.parameters({}):
                    with self.subTest(part.id, parameter=p.key):
                        self.assertLessEqual(p.low, p.nominal)
                        self.assertLessEqual(p.nominal, p.high)
                        at = np.asarray(out.low + 0.6 * (out.high - out.low))
                        low, usual, high = (
                            float(out.state(at, {p.key: np.asarray(v)}, {})) for v in (p.low, p.nominal, p.high)
                        )
                        self.assertTrue(min(low, high) - 1e-9 <= usual <= max(low, high) + 1e-9)


class FiguresTest(TestCase):
    """Points an instructor knows by heart."""

    def test_thermometers(self):
        for part, celsius, volts in (("thermo-offset", 25, 0.75), ("thermo-zero", 25, 0.25), ("thermo-steep", 25, 0.5)):
            out = output(part, LinearOutput)
            self.assertAlmostEqual(out.volts(celsius), volts)
            self.assertAlmostEqual(float(out.state(np.asarray(celsius), {}, {})), volts)
            self.assertAlmostEqual(out.value(out.volts(31.7)), 31.7)
        self.assertEqual(output("thermo-zero", LinearOutput).volts(-20), 0.02)  # it cannot go below without an offset

    @given(st.floats(-10, 45))
    def test_echo_time(self, air: float):
        self.assertAlmostEqual(float(us_per_cm(np.asarray(air))), 20000 / (331.3 + 0.606 * air))
        self.assertAlmostEqual(float(us_per_cm(np.asarray(20.0))), 58.2, delta=0.05)
        self.assertAlmostEqual(2.54 * float(us_per_cm(np.asarray(20.0))), 148, delta=0.2)

    def test_echo_ends_and_cone(self):
        out = output("sonar-4", EchoOutput)
        self.assertEqual(float(out.state(np.asarray(1.0), {}, {})), 38000)
        self.assertEqual(float(out.state(np.asarray(450.0), {}, {})), 38000)
        self.assertAlmostEqual(out.least_height_cm(100), 26.8, delta=0.1)

    @given(st.floats(0.5, 5000), st.floats(8e3, 20e3), st.floats(0.6, 0.8))
    def test_the_light_cell_is_its_own_inverse_above_the_dark(self, lux: float, r10: float, gamma: float):
        out = output("light-cell", CellOutput)
        ohms = float(out.state(np.asarray(lux), {}, {"r10": r10, "gamma": gamma}))
        self.assertLessEqual(ohms, out.dark_ohms)
        if ohms < out.dark_ohms:
            self.assertAlmostEqual(out.lux(ohms, r10, gamma) / lux, 1.0, places=9)

    @given(st.floats(30, 9000))
    def test_the_gas_law_is_its_own_inverse_above_clean_air(self, ppm: float):
        out = output("gas-heated", PowerLawOutput)
        self.assertAlmostEqual(float(out.ppm(out.ratio(np.asarray(ppm)))) / ppm, 1.0, places=9)
        self.assertEqual(float(out.ratio(np.asarray(0.0))), 9.8)
        share = out.state(np.asarray(ppm), {}, {})
        self.assertAlmostEqual(float(out.ratio_of_share(share, {})), float(out.ratio(np.asarray(ppm))), places=9)

    def test_a_table_with_negative_b_is_refused_with_the_reason(self):
        entry = "smoke: {title: s, model: module, legs: {supply: {role: supply}, ground: {role: ground}, out: {role: analogue-out}}, "
        entry += "output: {kind: power-law, quantity: ppm, a_ppm: 500, b: -2.2, r0_ohms: [1, 2, 3], load_ohms: 10}}"
        with self.assertRaisesRegex(UnusableInput, "leave its sign away"):
            with_entries(entry)

    def test_the_water_strip_rises_steeply_flattens_and_corrodes(self):
        out = output("water-strip", ShareOutput)
        self.assertGreater(out.share(5) - out.share(0), out.share(100) - out.share(20))
        fed = [out.corroded(0.4, hours) for hours in (0, 1, 5)]
        self.assertEqual(sorted(fed, reverse=True), fed)

    def test_numbers_come_in_steps_and_within_range(self):
        for part, quantity, value, sent in (
            ("climate-coarse", "celsius", 21.5, 22.0),
            ("climate-coarse", "percent", 96.0, 90.0),
            ("climate-fine", "celsius", 21.53, 21.5),
            ("probe-1w", "celsius", 21.53, 21.5),
            ("baro", "hpa", 1013.27, 1013.3),
        ):
            out = output(part, DataOutput, quantity)
            self.assertAlmostEqual(float(out.state(np.asarray(value), {}, {})), sent, places=6)
        probe = output("probe-1w", DataOutput)
        self.assertEqual((probe.step({"bits": 9}), probe.step({})), (0.5, 0.0625))
        self.assertEqual((probe.conversion({"bits": 9}), probe.conversion({})), (93.75, 750))

    def test_an_obstacle_is_low_when_near_and_farther_for_white(self):
        out = output("obstacle", SwitchOutput)
        self.assertTrue(out.is_active(5) and not out.is_high(5))
        seen = [
            float(out.state(np.asarray(8.0), {}, {"range": 10, "reflectance": share})) for share in out.targets.values()
        ]
        self.assertEqual(seen, [1.0, 0.0, 0.0, 0.0])

    def test_six_axes_level_and_tilted(self):
        out = output("motion-6", AxesOutput, "gz")
        self.assertEqual(float(out.state(np.asarray(1.0), {}, {})), 16384)
        self.assertEqual(tilt_degrees(0, 0, 1), (0, 0))
        roll, pitch = tilt_degrees(-0.5, 0, 0.75**0.5)
        self.assertAlmostEqual(pitch, 30)
        self.assertEqual(roll, 0)

    def test_tag_ids(self):
        reader = output("tag-reader", IdentityOutput)
        self.assertEqual(reader.read("04a2197c"), "04 A2 19 7C")
        for wrong in ("04 A2", "G4 A2 19 7C"):
            with self.assertRaisesRegex(ValueError, "4 or 7 bytes"):
                reader.read(wrong)


class MotionHoldTest(TestCase):
    def test_repeat_restarts_the_hold_and_single_goes_blind(self):
        walks = [(10.0, 11.0), (14.0, 15.0), (30.0, 30.5)]
        self.assertEqual(MotionHold(5, "repeat").active(walks), [(10, 20), (30, 35.5)])
        self.assertEqual(MotionHold(5, "single").active(walks), [(10, 15), (30, 35)])
        # Motion that goes on is seen again once the blind time is over.
        self.assertEqual(MotionHold(5, "single", 2.5).active([(0.0, 9.0)]), [(0, 5), (7.5, 12.5)])

    @given(st.lists(st.tuples(st.floats(0, 100), st.floats(0, 10)), max_size=8), st.floats(0.3, 30))
    def test_spans_are_in_order_and_never_touch(self, walks: list[tuple[float, float]], hold: float):
        motions = sorted((start, start + long) for start, long in walks)
        for jumper in ("single", "repeat"):
            spans = MotionHold(hold, jumper).active(motions)
            self.assertTrue(all(b - a >= hold - 1e-9 for a, b in spans))
            self.assertTrue(all(one[1] < other[0] for one, other in pairwise(spans)))
