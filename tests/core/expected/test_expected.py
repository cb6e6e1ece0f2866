"""The sheet of a bench, by hand and by other people's arithmetic."""

from math import sqrt
from unittest import TestCase

import numpy as np
from hypothesis import given, settings
from hypothesis import strategies as st
from uncertainties import ufloat

from tests.core.exercise.test_exercises import EXERCISES
from tests.samples import EXERCISE, WIRING, hand_in
from verifex.core.expected import Budget, Contribution, Measured, Sheet, expected_sheet
from verifex.core.expected.limits import limits, sampled
from verifex.core.expected.release import as_measured
from verifex.core.expected.unavailable import Why
from verifex.core.parts import catalogue
from verifex.core.problems import UnusableInput
from verifex.core.quantity import Spread


def sheet_of(name: str, board: str | None = None, **measured: float) -> Sheet:
    values = {key.replace("_", "."): value for key, value in measured.items()}
    kind = catalogue().boards[board or EXERCISES[name].board]
    usual = as_measured(kind)
    return expected_sheet(
        EXERCISES[name], board=board, measured=Measured(usual.rail_volts, usual.internal_volts, values=values)
    )


class SheetTest(TestCase):
    def test_the_chain_step_by_step_by_hand(self):
        step = expected_sheet(EXERCISE, WIRING, measured=Measured(rail_volts=4.93)).steps[0]
        volts = 0.5 + 0.010 * 21.5
        self.assertAlmostEqual(step.volts.nominal, volts, places=6)
        self.assertEqual(step.count[1], int(volts / 4.93 * 1024))
        self.assertAlmostEqual(step.value.nominal, (step.count[1] * 5.0 / 1024 - 0.5) / 0.01)

    def test_both_schools_of_feeding_it(self):
        rail, internal = (
            expected_sheet(EXERCISE, hand_in("tidy.bench")),
            expected_sheet(EXERCISE, hand_in("three-volt.bench")),
        )
        self.assertEqual((rail.variant.id, internal.variant.id), ("rail", "internal"))
        self.assertAlmostEqual(rail.per_count / internal.per_count, 5.0 / 1.1)
        self.assertAlmostEqual(internal.top_value, 60.0)  # (1.1 − 0.5) / 0.01
        self.assertIn("full at 60 °C", " ".join(internal.notes))

    def test_measuring_the_reference_narrows_every_limit_and_is_advised(self):
        wide = expected_sheet(EXERCISE, WIRING)
        narrow = expected_sheet(EXERCISE, WIRING, measured=Measured(rail_volts=5.0))
        self.assertIn("Measure the supply: it narrows the band to", " ".join(wide.notes))
        for a, b in zip(wide.steps, narrow.steps, strict=True):
            self.assertLess(b.value.high - b.value.low, a.value.high - a.value.low)
            promised = a.budget.without(a.budget.measure_first)  # type: ignore[arg-type]
            self.assertAlmostEqual(promised, b.budget.combined, places=6)

    def test_limits_that_straddle_the_threshold_accept_both_and_say_so(self):
        sheet = expected_sheet(EXERCISE, WIRING)
        self.assertEqual(sheet.steps[2].indicators["D1"], "either")
        self.assertTrue(any("straddle" in note for note in sheet.notes))
        self.assertEqual(
            expected_sheet(EXERCISE, WIRING, measured=Measured(rail_volts=4.95)).steps[2].indicators["D1"], "on"
        )

    def test_a_value_really_measured_moves_its_step(self):
        measured = Measured(rail_volts=5.0, stimulus={"Room air": 25.0})
        self.assertAlmostEqual(
            expected_sheet(EXERCISE, WIRING, measured=measured).steps[0].volts.nominal, 0.75, places=5
        )

    def test_loading_counts(self):
        loaded = WIRING + "part R9 resistor b9 b30 value=1k\nwire -L a30\n"
        sheet = expected_sheet(EXERCISE, loaded, measured=Measured(rail_volts=5.0))
        self.assertAlmostEqual(sheet.steps[0].volts.nominal, 0.715 * 1000 / 1100, places=5)  # 100 Ω source into 1 kΩ
        self.assertIn("loads the output", " ".join(sheet.notes))

    def test_a_bench_that_cannot_be_read_says_why(self):
        for old, new, said in (
            ("A2 a9", "A2 a11", Why.REACHES_NO_CONVERTER),
            ("-L a10", "-L c8", Why.SUPPLY_JOINED),
            ("wire +L a8 red\n", "", Why.NOT_FED),
        ):
            unavailable = expected_sheet(EXERCISE, WIRING.replace(old, new)).unavailable
            self.assertIs(unavailable and unavailable.why, said)
        self.assertIn("No U1", expected_sheet(EXERCISE, "board B1 mcu-5v\n").reason)
        self.assertIn(
            "no converter",
            expected_sheet(EXERCISE, "board B1 sbc-3v3\nbase half\npart U1 thermo-offset a1 a2 a3\n").reason,
        )

    def test_implausible_values_are_refused_with_the_range(self):
        for measured, said in (
            (Measured(rail_volts=11), "4.25 to 5.50"),
            (Measured(internal_volts=5), "1 to 1.2"),
            (Measured(values={"R1": 0}), "165 Ω to 660 Ω is: the leads touch"),
            (Measured(values={"R1": 4700}), "out of the circuit"),
            (Measured(values={"R7": 100}), "no resistor of this bench"),
        ):
            with self.subTest(said), self.assertRaisesRegex(UnusableInput, said):
                expected_sheet(EXERCISE, WIRING, measured=measured)

    @given(st.floats(4.3, 5.4), st.floats(11, 44))
    def test_limits_enclose_the_expected_and_rise_with_the_stimulus(self, rail: float, celsius: float):
        measured = Measured(rail_volts=rail, stimulus={"Room air": celsius, "Held in the hand": celsius + 1})
        low, high = expected_sheet(EXERCISE, measured=measured).steps[:2]
        for step in (low, high):
            self.assertTrue(step.value.low <= step.likely[0] <= step.value.nominal <= step.likely[1] <= step.value.high)
        self.assertLessEqual(low.count[1], high.count[1])


class ClosedFormTest(TestCase):
    """Each family on its reference bench against a formula written out here."""

    def test_a_light_cell_in_its_divider_either_way_round(self):
        for board, vcc, counts in (("mcu-5v", 5.0, 1024), ("mcu-3v3-wireless", 3.3, 4096)):
            sheet = sheet_of("lid-open-watch", board, LC1_r10=11000, LC1_gamma=0.66, R1=4650)
            for step, lux in zip(sheet.steps, (2, 300), strict=True):
                cell = 11000 * (10 / lux) ** 0.66
                self.assertAlmostEqual(step.volts.nominal, vcc * 4650 / (4650 + cell), delta=1e-3)
                self.assertAlmostEqual(step.count[1], step.volts.nominal / vcc * counts, delta=1)
        exercise = EXERCISES["lid-open-watch"]
        turned = (
            exercise.references["mcu-5v"]
            .replace("wire a6 +L6", "wire a6 -L6")
            .replace("wire a15 -L15", "wire a15 +L15")
        )
        step = expected_sheet(exercise, turned, measured=Measured(rail_volts=5.0)).steps[1]
        cell = 12000 * (10 / 300) ** 0.7
        self.assertAlmostEqual(step.volts.nominal, 5.0 * cell / (cell + 4700), delta=1e-3)

    def test_the_gas_module_and_its_load(self):
        sheet = sheet_of("smoke-room-air", U1_r0=9000)
        for step, ratio in zip(sheet.steps, (9.8, (800 / 1150) ** (-1 / 1.66)), strict=True):
            self.assertAlmostEqual(step.volts.nominal, 5.0 * 10000 / (10000 + 9000 * ratio), delta=2e-3)

    def test_echo_in_centimetres_assumes_one_air_temperature(self):
        cold = sheet_of("super-height-gauge", U1_air=5).steps[2]
        self.assertAlmostEqual(cold.value.nominal, 120 * (331.3 + 0.606 * 20) / (331.3 + 0.606 * 5), delta=0.02)
        narrow, wide = cold.budget.combined, sheet_of("super-height-gauge").steps[2].budget.combined
        self.assertLess(narrow, wide)

    def test_a_reference_at_aref_is_taken_from_the_circuit_or_the_meter(self):
        """The thermometer fed from 5 V, AREF wired to the 3.3 V pin: a count is 3.3 V / 1024."""
        outside = EXERCISE.variants[0].model_copy(
            update={"id": "aref", "reference": "external", "reference_volts": 3.3}
        )
        exercise = EXERCISE.model_copy(update={"variants": [outside]})
        bench = WIRING + "wire B1.3V3 B1.AREF orange\n"
        sheet = expected_sheet(exercise, bench, measured=Measured(rail_volts=5.0))
        self.assertAlmostEqual(sheet.per_count, 3.3 / 1024 / 0.01)
        self.assertAlmostEqual(sheet.steps[0].count[1], 0.715 / 3.3 * 1024, delta=1)
        known = expected_sheet(exercise, bench, measured=Measured(rail_volts=5.0, outside_volts=3.28))
        self.assertLess(known.steps[0].budget.combined, sheet.steps[0].budget.combined)
        with self.assertRaisesRegex(UnusableInput, "at AREF is not plausible"):
            expected_sheet(exercise, bench, measured=Measured(outside_volts=9))

    def test_a_dark_thing_is_seen_only_close(self):
        exercise = EXERCISES["entrance-gap-watch"]
        steps = [
            exercise.steps[1].model_copy(update={"name": t, "target": t, "value": 6})
            for t in ("white wall", "black felt")
        ]
        seen = expected_sheet(exercise.model_copy(update={"steps": steps})).steps
        self.assertEqual([step.count for step in seen], [(0, 0, 0), (1, 1, 1)])

    def test_flat_ends_of_the_wireless_converter_are_exempt(self):
        sheet = sheet_of("feeder-level", "mcu-3v3-wireless")
        self.assertEqual([step.first.exempt for step in sheet.steps], [True, False, False])
        self.assertIn("flat", " ".join(sheet.notes))

    def test_units_and_divisors_are_the_exercises(self):
        text_unit = EXERCISE.model_copy(
            update={"conventions": EXERCISE.conventions.model_copy(update={"divisor": 1023}),
                    "readings": [EXERCISE.readings[0].model_copy(update={"print": "fahrenheit"})]}
        )  # fmt: skip
        here = Measured(rail_volts=5.0)
        usual, other = (
            expected_sheet(EXERCISE, measured=here).steps[0],
            expected_sheet(text_unit, measured=here).steps[0],
        )
        celsius = (usual.count[1] * 5.0 / 1023 - 0.5) / 0.01
        self.assertAlmostEqual(other.value.nominal, celsius * 1.8 + 32)
        self.assertEqual(other.first.unit, "°F")
        self.assertEqual(other.indicators, usual.indicators)  # the threshold moves with the unit


class BudgetTest(TestCase):
    def test_worst_case_adds_and_combined_is_root_sum_of_squares(self):
        budget = Budget("°C", (Contribution("a", 3.0, ""), Contribution("b", 4.0, "")))
        self.assertEqual(budget.worst_case, 7.0)
        self.assertAlmostEqual(budget.combined, 2 * sqrt((9 + 16) / 3))
        self.assertAlmostEqual(sum(budget.share(c) for c in budget.contributions), 1.0)
        self.assertEqual(Budget("°C", (Contribution("a", 1.0, ""),)).combined, 1.0)  # never wider than the limits

    def test_the_budget_agrees_with_the_limits_put_at_their_ends(self):
        step = expected_sheet(EXERCISE, WIRING, measured=Measured(rail_volts=4.95)).steps[1]
        half = (step.value.high - step.value.low) / 2
        self.assertAlmostEqual(step.budget.worst_case, half, delta=0.5)  # one count either way

    def test_an_independent_propagation_gives_the_same_uncertainty(self):
        """The same chains written with the package `uncertainties`, which differentiates on its own."""
        third = sqrt(3)
        thermometer = expected_sheet(EXERCISE, WIRING, measured=Measured(rail_volts=4.95)).steps[1]
        celsius = ufloat(28, 0.5 / third) + ufloat(0, (1 + 3 / 100) / third)
        rail = ufloat(4.95, (4.95 * 0.005 + 0.02) / third)
        count = (0.5 + 0.01 * celsius) / rail * 1024 + ufloat(0, 2 / third) + ufloat(0, 0.5 / third)
        self.assert_same((count * 5 / 1024 - 0.5) / 0.01, thermometer.budget)

        echo = sheet_of("super-height-gauge", U1_air=21).steps[1]
        distance = ufloat(40, 0.5 / third) + ufloat(0, 0.4 / third)
        pulse = distance * 20000 / (331.3 + 0.606 * ufloat(21, 0.5 / third)) + ufloat(0, 0.5 / third)
        self.assert_same(pulse / (20000 / (331.3 + 0.606 * 20)), echo.budget)

        cell = sheet_of("lid-open-watch", LC1_r10=12000, LC1_gamma=0.7, R1=4700).steps[1]
        lux, gamma = ufloat(300, 30 / third), ufloat(0.7, 0.03 / third)
        ohms = ufloat(12000, 600 / third) * (10 / lux) ** gamma
        fixed = ufloat(4700, 47 / third)
        # The supply is the reference too: it cancels.
        self.assert_same(fixed / (fixed + ohms) * 1024 + ufloat(0, 2 / third) + ufloat(0, 0.5 / third), cell.budget)

    def assert_same(self, theirs: object, ours: Budget) -> None:
        self.assertAlmostEqual(ours.combined / (2 * theirs.std_dev), 1.0, delta=0.02)  # type: ignore[attr-defined]

    @settings(max_examples=20)
    @given(st.sampled_from(sorted(EXERCISES)), st.integers(0, 2))
    def test_no_drawn_bench_lies_outside_the_worst_case(self, name: str, index: int):
        sheet = sheet_of(name)
        if sheet.main is None or index >= len(sheet.steps):
            return
        first = sheet.steps[index].first
        half = (first.stimulus.high - first.stimulus.low) / 2
        drawn = sampled(sheet.main, first.stimulus.nominal, half)
        # The limits take one contributor at a time; a sample moves them together: a hair is left for that.
        slack = 0.01 * (first.value.high - first.value.low) + 1e-9
        self.assertGreaterEqual(drawn.min(), first.value.low - slack)
        self.assertLessEqual(drawn.max(), first.value.high + slack)


class PlotTest(TestCase):
    def test_the_dense_table_is_what_the_steps_say(self):
        sheet = expected_sheet(EXERCISE, WIRING, measured=Measured(rail_volts=4.93))
        rows = np.array(sheet.plot())
        for step in sheet.steps:
            there = np.interp(step.stimulus.nominal, rows[:, 0], rows[:, 5])
            self.assertAlmostEqual(there, step.value.nominal, delta=sheet.per_count)

    def test_a_slider_at_a_position_is_the_sheet_measured_there(self):
        sheet = expected_sheet(EXERCISES["lid-open-watch"], measured=Measured(rail_volts=5.0))
        sliders = {s.key: s for s in sheet.sliders()}
        self.assertEqual(sorted(sliders), ["R1", "rail", "sensor.gamma", "sensor.r10"])
        slider = sliders["R1"]
        place = len(slider.positions) - 1
        moved = expected_sheet(
            EXERCISES["lid-open-watch"], measured=Measured(rail_volts=5.0, values={"R1": slider.positions[place]})
        )
        low, high = moved.plot_range()
        at = np.geomspace(low, high, slider.table.shape[1])
        assert moved.main is not None
        found = limits(moved.main, at, np.zeros(()))
        self.assertLess(np.max(np.abs(slider.table[place, :, 1] - found.raw)), 1.5)  # a count for the interpolation

    def test_spread_refuses_limits_out_of_order(self):
        with self.assertRaisesRegex(ValueError, "out of order"):
            Spread(2, 1, 3)
