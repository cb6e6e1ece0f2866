from math import sqrt
from unittest import TestCase

from hypothesis import given
from hypothesis import strategies as st

from tests.samples import EXERCISE, WIRING, hand_in
from verifex.core.expected import Budget, Contribution, Measured, expected_sheet
from verifex.core.parts import LinearOutput, catalogue
from verifex.core.problems import UnusableInput


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
        self.assertEqual((rail.variant.id, internal.variant.id), ("rail", "internal"))  # type: ignore[union-attr]
        self.assertAlmostEqual(rail.per_count / internal.per_count, 5.0 / 1.1)
        self.assertAlmostEqual(internal.top_value, 60.0)  # (1.1 − 0.5) / 0.01

    def test_measuring_the_reference_narrows_every_limit(self):
        wide = expected_sheet(EXERCISE, WIRING)
        narrow = expected_sheet(EXERCISE, WIRING, measured=Measured(rail_volts=5.0))
        for a, b in zip(wide.steps, narrow.steps, strict=True):
            self.assertLess(b.value.high - b.value.low, a.value.high - a.value.low)

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
        step = expected_sheet(EXERCISE, loaded, measured=Measured(rail_volts=5.0)).steps[0]
        self.assertAlmostEqual(step.volts.nominal, 0.715 * 1000 / 1100, places=5)  # 100 Ω source into 1 kΩ

    def test_a_bench_that_cannot_be_read_says_why(self):
        self.assertIn("reaches no pin", expected_sheet(EXERCISE, WIRING.replace("A2 a9", "A2 a11")).reason)
        self.assertIn("joined", expected_sheet(EXERCISE, WIRING.replace("-L a10", "-L c8")).reason)
        self.assertIn("No U1", expected_sheet(EXERCISE, "board B1 mcu-5v\n").reason)

    def test_implausible_values_are_refused_with_the_range(self):
        with self.assertRaisesRegex(UnusableInput, "4.25 to 5.50"):
            expected_sheet(EXERCISE, WIRING, measured=Measured(rail_volts=11))
        with self.assertRaisesRegex(UnusableInput, "1 to 1.2"):
            expected_sheet(EXERCISE, WIRING, measured=Measured(internal_volts=5))

    @given(st.floats(4.3, 5.4), st.floats(11, 44))
    def test_limits_enclose_the_expected_and_rise_with_the_stimulus(self, rail: float, celsius: float):
        measured = Measured(rail_volts=rail, stimulus={"Room air": celsius, "Held in the hand": celsius + 1})
        low, high = expected_sheet(EXERCISE, measured=measured).steps[:2]
        for step in (low, high):
            self.assertTrue(step.value.low <= step.likely[0] <= step.value.nominal <= step.likely[1] <= step.value.high)
        self.assertLessEqual(low.count[1], high.count[1])


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


class SensorTest(TestCase):
    def test_every_thermometer_is_monotone_and_its_own_inverse(self):
        for kind in ("thermo-offset", "thermo-zero", "thermo-steep"):
            output = catalogue().parts[kind].output
            assert isinstance(output, LinearOutput)
            for tenth in range(int(output.low * 10), int(output.high * 10), 7):
                value = tenth / 10
                self.assertAlmostEqual(output.value(output.volts(value)), value)
                self.assertLess(output.volts(value), output.volts(value + 0.1) + 1e-12)
                self.assertTrue(output.within_at_centre <= output.within(value) <= output.within_over_range + 1e-9)
