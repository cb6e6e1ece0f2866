"""What was measured of a module beforehand narrows its sheet, ages, and never widens it."""

from dataclasses import replace
from datetime import date, timedelta
from typing import Any
from unittest import TestCase

import numpy as np
from hypothesis import given, settings
from hypothesis import strategies as st

from tests.samples import exercise
from verifex.core.circuit import HandedOut
from verifex.core.expected import Measured, expected_sheet
from verifex.core.parts import Board, PartType, catalogue
from verifex.core.parts.calibration import BOARD, Calibration, figures_for, merged, source_for
from verifex.core.parts.deviations import deviating, with_figures
from verifex.core.parts.outputs import PowerLawOutput
from verifex.core.planning.calibrations import KINDS, KINDS_BY_ID, in_force, kinds_for

PARTS, BOARDS = catalogue().parts, catalogue().boards
HEAT = exercise("brood-box-heat-watch")
DAY = date(2031, 3, 3)


def kind_of(part: str) -> PartType | Board:
    return PARTS[part] if part in PARTS else BOARDS[part]


def calibration(part: str, kind: str, quantity: str = "", said: str = "T-31, 3 Mar 2031", **values: Any) -> Calibration:
    [found] = KINDS_BY_ID[kind].checked(kind_of(part), quantity, values)
    return Calibration(found.figures, said, found.quantity)


def sheet(name: str, *calibrations: Calibration, ref: str = "U1", measured: Measured | None = None, variant=None):
    given = HandedOut(calibrations={ref: calibrations})
    return expected_sheet(exercise(name), handed_out=given, measured=measured, variant=variant)


def widths(found):
    return [reading.value.high - reading.value.low for step in found.steps for reading in step.readings]


class NarrowedTest(TestCase):
    ONE = calibration("thermo-offset", "one-point", "celsius", reference1=21.5, reads1=22.1, half=0.2)

    def test_a_compared_thermometer_moves_and_narrows_its_sheet_and_is_named(self):
        plain, found = sheet("brood-box-heat-watch"), sheet("brood-box-heat-watch", self.ONE)
        self.assertAlmostEqual(found.steps[0].first.value.nominal - plain.steps[0].first.value.nominal, 0.6, delta=0.25)
        self.assertTrue(all(narrow < wide for narrow, wide in zip(widths(found), widths(plain), strict=True)))
        sensor = next(c for c in found.main.contributors if c.key == "sensor.error")
        self.assertEqual(sensor.source, "as calibrated: T-31, 3 Mar 2031")
        self.assertIn("U1 counts with its calibration: T-31, 3 Mar 2031.", found.notes)

    def test_away_from_its_point_it_says_less_and_never_more_than_the_family(self):
        output = PARTS["thermo-offset"].linear
        own = dict(self.ONE.figures)
        spread = [
            float(output.state(at, {"error": np.ones(())}, own) - output.state(at, {"error": -np.ones(())}, own))
            / 0.02  # in °C
            for at in np.array([21.5, 38.0, 100.0])
        ]
        self.assertAlmostEqual(spread[0], 0.2, places=6)
        self.assertLess(spread[0], spread[1])
        self.assertLessEqual(spread[2], output.within(100.0) + 1e-9)

    @settings(max_examples=30, deadline=None)
    @given(st.floats(10, 35), st.floats(-1.5, 1.5), st.floats(0.05, 4))
    def test_no_calibration_widens_a_sheet(self, at, off, half):
        found = calibration("thermo-offset", "one-point", "celsius", reference1=at, reads1=at + off, half=half)
        for narrow, wide in zip(
            widths(sheet("brood-box-heat-watch", found)), widths(sheet("brood-box-heat-watch")), strict=True
        ):
            self.assertLessEqual(
                narrow, wide * 1.03 + 0.5
            )  # a step of the converter more, where the volts lie elsewhere

    def test_one_that_has_aged_counts_no_more_and_says_so(self):
        aged = sheet("brood-box-heat-watch", replace(self.ONE, aged=True))
        self.assertEqual(widths(aged), widths(sheet("brood-box-heat-watch")))
        self.assertTrue(any("too old" in note for note in aged.notes))

    def test_what_the_pair_measures_itself_wins(self):
        found = calibration("gas-heated", "clean-air", "ppm", volts=0.5, supply=5.0, percent=5)
        own = sheet("smoke-room-air", found, measured=Measured.named({"U1.r0": 8000.0}))
        r0 = next(c for c in own.main.contributors if c.key == "sensor.r0")
        self.assertEqual((r0.nominal, r0.source), (8000.0, "as measured in clean air"))
        r0 = next(c for c in sheet("smoke-room-air", found).main.contributors if c.key == "sensor.r0")
        self.assertEqual(r0.source, "as calibrated: T-31, 3 Mar 2031")

    def test_the_internal_reference_of_the_very_board_counts(self):
        made = calibration("mcu-5v", "internal-reference", said="B-04", volts=1.087, half=0.004)
        internal = next(v for v in HEAT.variants if v.reference == "internal")
        found = sheet("brood-box-heat-watch", made, ref=BOARD, variant=internal)
        self.assertEqual((found.reference.low, found.reference.high), (1.083, 1.091))
        self.assertEqual(found.main.reference.source, "as calibrated: B-04")

    def test_range_rest_and_light_reach_their_sheets(self):
        table = [
            ("entrance-gap-watch", "U1", calibration("obstacle", "range", "cm", cm=9, half=0.4), "sensor.error"),
            ("lid-open-watch", "LC1", calibration("light-cell", "light-levels", "lux", dark_lux=2, dark_count=130,
                                                  bright_lux=300, bright_count=760, divider=4700, full=1023), "sensor.r10"),
            ("hive-climate", "U1", calibration("climate-fine", "two-point", "percent", reference1=33, reads1=34,
                                               reference2=75, reads2=77, half=1.5), "sensor.error"),
        ]  # fmt: skip
        for name, ref, made, key in table:
            found = sheet(name, made, ref=ref)
            chain = next(c for (at, quantity), c in found.chains.items() if at == ref and quantity == made.quantity)
            moved = next(c for c in chain.contributors if c.key == key)
            self.assertTrue(moved.source.startswith("as calibrated"), (name, moved.source))

    def test_the_axes_of_a_motion_module_are_calibrated_together(self):
        found = KINDS_BY_ID["rest-offset"].checked(
            PARTS["motion-6"], "", {"gx": 0.01, "gy": -0.02, "gz": 1.03, "half": 0.004}
        )
        self.assertEqual([(one.quantity, round(one.figures["rest"], 3)) for one in found],
                         [("gx", 0.01), ("gy", -0.02), ("gz", 0.03)])  # fmt: skip


class KindsTest(TestCase):
    @settings(deadline=None)
    @given(st.floats(8000, 20000), st.floats(0.6, 0.9), st.floats(1000, 47000))
    def test_two_counts_of_a_light_cell_give_back_its_curve(self, r10, gamma, divider):
        ohms = {lux: r10 * (10 / lux) ** gamma for lux in (5.0, 400.0)}
        counts = {lux: 1023 * divider / (divider + r) for lux, r in ohms.items()}
        [found] = KINDS_BY_ID["light-levels"].checked(
            PARTS["light-cell"], "lux",
            {"dark_lux": 5, "dark_count": counts[5.0], "bright_lux": 400, "bright_count": counts[400.0], "divider": divider, "full": 1023},
        )  # fmt: skip
        self.assertAlmostEqual(found.figures["r10"], r10, delta=r10 * 1e-6)
        self.assertAlmostEqual(found.figures["gamma"], gamma, places=6)

    def test_a_broken_module_is_not_calibrated_away(self):
        with self.assertRaisesRegex(ValueError, "9.0 °C too much.*that is a fault"):
            calibration("thermo-offset", "one-point", "celsius", reference1=21, reads1=30, half=0.2)

    def test_what_is_missing_or_cannot_be_is_named(self):
        way, kind = KINDS_BY_ID["one-point"], PARTS["thermo-offset"]
        for reads, said in ({}, "The module reads is missing"), ({"reads1": 400.0}, "-40 to 125 °C is plausible"):
            with self.assertRaisesRegex(ValueError, said):
                way.checked(kind, "celsius", {"reference1": 21.0, "half": 0.2, **reads})

    def test_every_kind_fits_something_and_tells_how_it_is_done(self):
        fitting = {way.id for part in (*PARTS, *BOARDS) for way in kinds_for(kind_of(part))}
        self.assertEqual(fitting, {way.id for way in KINDS})
        self.assertTrue(all(way.how.endswith(".") and way.days > 0 for way in KINDS))

    def test_the_later_one_counts_and_an_old_one_is_told_only_where_nothing_replaces_it(self):
        old, new = Calibration({"r0": 9000.0}, "old", "ppm"), Calibration({"r0": 9500.0}, "new", "ppm")
        day = timedelta(days=1)
        self.assertEqual(in_force([(DAY, 30, new), (DAY - 60 * day, 30, old)], DAY + 5 * day), (new,))
        self.assertEqual(in_force([(DAY - 60 * day, 30, old)], DAY), (replace(old, aged=True),))


class AgeTest(TestCase):
    """A calibration counts up to and with its last day; of two of the same figures the later one counts."""

    OLD, NEW = Calibration({"r0": 9000.0}, "old", "ppm"), Calibration({"r0": 9500.0}, "new", "ppm")

    def aged(self, days: int) -> list[bool]:
        return [one.aged for one in in_force([(DAY, 30, self.OLD)], DAY + timedelta(days=days))]

    def test_the_last_day_counts_and_the_next_does_not(self):
        self.assertEqual([self.aged(days) for days in (0, 29, 30, 31)], [[False], [False], [False], [True]])

    def test_the_order_of_days_decides_and_not_that_of_the_list(self):
        rows = [(DAY + timedelta(days=1), 30, self.NEW), (DAY, 30, self.OLD)]
        for order in (rows, rows[::-1]):
            self.assertEqual(in_force(order, DAY + timedelta(days=2)), (self.NEW,))

    def test_one_of_another_quantity_or_with_fewer_figures_replaces_nothing(self):
        for other in (replace(self.NEW, quantity="lux"), replace(self.NEW, figures={"gamma": 0.7})):
            rows = [(DAY, 30, self.OLD), (DAY + timedelta(days=1), 30, other)]
            self.assertEqual(in_force(rows, DAY + timedelta(days=2)), (self.OLD, other))
        more = replace(self.NEW, figures={"r0": 9500.0, "gamma": 0.7})
        rows = [(DAY, 30, self.OLD), (DAY + timedelta(days=1), 30, more)]
        self.assertEqual(in_force(rows, DAY + timedelta(days=2)), (more,))


class WorkedFiguresTest(TestCase):
    """Each kind at figures that were worked out by hand, and at the edges of what it takes."""

    def figures(self, part: str, kind: str, quantity: str = "", **values: float) -> tuple[dict[str, float], str]:
        [found] = KINDS_BY_ID[kind].checked(kind_of(part), quantity, values)
        return {name: round(value, 3) for name, value in found.figures.items()}, found.words

    def refused(self, part: str, kind: str, quantity: str = "", **values: float) -> str:
        with self.assertRaises(ValueError) as refused:
            KINDS_BY_ID[kind].checked(kind_of(part), quantity, values)
        return str(refused.exception)

    def test_one_and_two_points(self):
        one = {"reference1": 21.5, "reads1": 22.1, "half": 0.2}
        self.assertEqual(
            self.figures("thermo-offset", "one-point", "celsius", **one),
            ({"off_half": 0.2, "at1": 21.5, "off1": 0.6}, "+0.6 °C at 21.5 °C, ± 0.2 °C"),
        )
        two = {**one, "reference2": 40.0, "reads2": 39.2}
        self.assertEqual(
            self.figures("thermo-offset", "two-point", "celsius", **two),
            ({"off_half": 0.2, "at1": 21.5, "off1": 0.6, "at2": 40.0, "off2": -0.8},
             "+0.6 °C at 21.5 °C, -0.8 °C at 40 °C, ± 0.2 °C"),
        )  # fmt: skip
        output = PARTS["thermo-offset"].linear
        apart = (output.high - output.low) / 50
        near = {**two, "reference2": 21.5 + apart - 0.01, "reads2": 21.5 + apart}
        self.assertIn("too near to each other", self.refused("thermo-offset", "two-point", "celsius", **near))
        self.figures("thermo-offset", "two-point", "celsius", **{**near, "reference2": 21.5 + apart + 0.01})

    def test_a_fault_begins_at_four_times_what_the_family_keeps(self):
        within = PARTS["thermo-offset"].linear.within(20.0)
        for sign, word in ((1, "much"), (-1, "little")):
            held = {"reference1": 20.0, "reads1": 20.0 + sign * (4 * within - 0.001), "half": 0.2}
            self.figures("thermo-offset", "one-point", "celsius", **held)
            over = {**held, "reads1": 20.0 + sign * (4 * within + 0.001)}
            self.assertIn(f"too {word}", self.refused("thermo-offset", "one-point", "celsius", **over))

    def test_the_internal_reference_lies_five_percent_about_its_board(self):
        low, _, high = BOARDS["mcu-5v"].internal_reference_volts or (0.0, 0.0, 0.0)
        found, words = self.figures("mcu-5v", "internal-reference", volts=1.087, half=0.004)
        self.assertEqual((found, words), ({"internal": 1.087, "internal_half": 0.004}, "1.087 V, ± 0.004 V"))
        for volts, taken in ((0.951 * low, True), (0.949 * low, False), (1.049 * high, True), (1.051 * high, False)):
            act = self.figures if taken else self.refused
            act("mcu-5v", "internal-reference", volts=volts, half=0.004)

    def test_clean_air(self):
        output = next(o for o in PARTS["gas-heated"].outputs if isinstance(o, PowerLawOutput))
        volts = 5.0 * output.load_ohms / (output.load_ohms + 10_000 * output.clean_ratio)  # where R0 is 10 kΩ
        found, words = self.figures("gas-heated", "clean-air", "ppm", volts=volts, supply=5.0, percent=5)
        self.assertEqual((found, words), ({"r0": 10_000.0, "r0_half": 500.0}, "R0 10000 Ω, ± 500 Ω"))
        self.assertIn(
            "as high as the supply", self.refused("gas-heated", "clean-air", "ppm", volts=5, supply=5, percent=5)
        )
        low, _, high = output.r0_ohms
        for r0, taken in ((0.51 * low, True), (0.49 * low, False), (1.99 * high, True), (2.01 * high, False)):
            volts = 5.0 * output.load_ohms / (output.load_ohms + r0 * output.clean_ratio)
            act = self.figures if taken else self.refused
            act("gas-heated", "clean-air", "ppm", volts=volts, supply=5.0, percent=5)

    def test_light_levels(self):
        # A cell of 12 kΩ at 10 lux with slope 0.7 over 10 kΩ: 60142 Ω at 1 lux, 2394 Ω at 100 lux.
        ohms = {lux: 12_000 * (10 / lux) ** 0.7 for lux in (1.0, 100.0)}
        counts = {lux: 1023 * 10_000 / (10_000 + r) for lux, r in ohms.items()}
        given = {
            "dark_lux": 1, "dark_count": counts[1.0], "bright_lux": 100, "bright_count": counts[100.0], "divider": 10_000, "full": 1023,
        }  # fmt: skip
        found, words = self.figures("light-cell", "light-levels", "lux", **given)
        self.assertEqual(found, {"r10": 12_000.0, "r10_half": 600.0, "gamma": 0.7, "gamma_half": 0.03})
        self.assertEqual(words, "12000 Ω at 10 lux, γ 0.70")
        wrong = self.refused("light-cell", "light-levels", "lux", **{**given, "dark_count": counts[100.0]})
        self.assertIn("lies between the dark count and the full one", wrong)
        self.assertIn("too near", self.refused("light-cell", "light-levels", "lux", **{**given, "bright_lux": 2.9}))
        self.assertIn(
            "slope", self.refused("light-cell", "light-levels", "lux", **{**given, "dark_count": counts[100.0] - 1})
        )

    def test_range_and_rest(self):
        self.assertEqual(
            self.figures("obstacle", "range", "cm", cm=9, half=0.4),
            ({"range": 9, "range_half": 0.4}, "range 9 cm, ± 0.4 cm"),
        )
        for axis, taken in ((0.299, True), (0.301, False)):
            act = KINDS_BY_ID["rest-offset"].checked
            values = {"gx": axis, "gy": 0.0, "gz": 1.0, "half": 0.004}
            if taken:
                self.assertEqual(act(PARTS["motion-6"], "", values)[0].words, "gx +0.299 g, ± 0.004 g")
            else:
                self.assertRaises(ValueError, act, PARTS["motion-6"], "", values)
        self.assertIn("nothing to calibrate", self.refused("obstacle", "one-point", "cm", cm=1))

    def test_each_form_takes_figures_between_these(self):
        """By field: the least, the most, and what is proposed."""
        low, _, high = BOARDS["mcu-5v"].internal_reference_volts or (0.0, 0.0, 0.0)
        wanted = {
            ("thermo-offset", "one-point", "celsius"): {
                "reference1": (-40, 125, None), "reads1": (-40, 125, None), "half": (0.02, 5, 0.2)},
            ("climate-fine", "two-point", "percent"): {
                "reference1": (0, 100, None), "reads1": (0, 100, None), "reference2": (0, 100, None), "reads2": (0, 100, None),
                "half": (0.1, 25, 1)},
            ("mcu-5v", "internal-reference", ""): {
                "volts": (0.95 * low, 1.05 * high, None), "half": (0.0005, 0.05, 0.005)},
            ("gas-heated", "clean-air", "ppm"): {"volts": (0.01, 5.5, None), "supply": (2.5, 5.5, 5), "percent": (1, 30, 5)},
            ("motion-6", "rest-offset", ""): {
                "gx": (-0.3, 0.3, 0), "gy": (-0.3, 0.3, 0), "gz": (0.7, 1.3, 1), "half": (0.0005, 0.05, 0.005)},
            ("light-cell", "light-levels", "lux"): {
                "dark_lux": (0.1, 1000, None), "dark_count": (1, 65535, None), "bright_lux": (1, 20000, None),
                "bright_count": (1, 65535, None), "divider": (100, 1e6, 10_000), "full": (255, 65535, 1023)},
            ("obstacle", "range", "cm"): {"cm": (1, 40, None), "half": (0.1, 5, 0.5)},
        }  # fmt: skip
        for (part, kind, quantity), fields in wanted.items():
            made = KINDS_BY_ID[kind].entered(kind_of(part), quantity)
            found = {one.name: (one.low, one.high, one.usual) for one in made}
            self.assertEqual(found, fields, kind)

    def test_how_long_each_counts(self):
        days = {"one-point": 180, "two-point": 365, "internal-reference": 730, "clean-air": 30, "rest-offset": 180,
                "light-levels": 365, "range": 60}  # fmt: skip
        self.assertEqual({way.id: way.days for way in KINDS}, days)

    def test_figures_that_count_and_those_of_the_bench_itself(self):
        rows = (Calibration({"r0": 1.0}, "a", "ppm"), Calibration({"r0": 2.0}, "b", "ppm"),
                Calibration({"r0": 3.0}, "c", "ppm", aged=True), Calibration({"x": 4.0}, "d", "lux"), Calibration({}, "e"))  # fmt: skip
        self.assertEqual((figures_for(rows, "ppm"), source_for(rows, "ppm")), ({"r0": 2.0}, "b"))
        self.assertEqual((figures_for((), "ppm"), source_for((), "ppm")), ({}, ""))
        calibrated = {"r0": 1.0, "r0_half": 0.1, "gamma": 0.7, "gamma_half": 0.03}
        self.assertEqual(merged(calibrated, {"r0": 5.0}), {"r0": 5.0, "gamma": 0.7, "gamma_half": 0.03})
        self.assertEqual(merged(calibrated, {"r0": 1.0}), calibrated)


class DeviatingBatchTest(TestCase):
    def test_a_batch_with_a_slope_of_its_own_is_expected_with_it(self):
        plain = expected_sheet(HEAT)
        steeper = expected_sheet(HEAT, handed_out=HandedOut(figures={"U1": {"volts_at_zero": 0.4}}))
        self.assertAlmostEqual(plain.steps[0].first.volts.nominal - steeper.steps[0].first.volts.nominal, 0.1, places=3)

    def test_only_figures_that_it_has_and_that_can_be_are_taken(self):
        kind = PARTS["thermo-offset"]
        self.assertEqual(with_figures(kind, deviating(kind)), kind)
        for figures, said in (({"r0_ohms": 1.0}, "has no figure"), ({"low_volts": 9.0}, "a supply window rises")):
            with self.assertRaisesRegex(ValueError, said):
                with_figures(kind, figures)

    def test_a_resistor_given_instead_reaches_the_sheet(self):
        lid = exercise("lid-open-watch")
        plain, given = expected_sheet(lid), expected_sheet(lid, handed_out=HandedOut(given_ohms={"R1": 10_000.0}))
        self.assertGreater(given.steps[0].first.raw[1], 1.5 * plain.steps[0].first.raw[1])

    def test_a_resistor_measured_at_the_hatch_narrows_the_sheet_until_the_pair_measures_it(self):
        lid = exercise("lid-open-watch")
        wiring, given = lid.reference_wiring(), HandedOut(measured_ohms={"R1": 4_850.0})
        plain, hatch = expected_sheet(lid, wiring), expected_sheet(lid, wiring, handed_out=given)
        both = expected_sheet(lid, wiring, handed_out=given, measured=Measured(values={"R1": 4_600.0}))
        [r1] = [c for c in hatch.main.contributors if c.key == "R1"]
        self.assertEqual((r1.nominal, r1.source), (4_850.0, "as measured"))
        self.assertLess(widths(hatch)[0], widths(plain)[0])
        self.assertIn("R1 counts as the hatch measured it, unless it is measured here: 4.85 kΩ.", hatch.notes)
        self.assertEqual(next(c.nominal for c in both.main.contributors if c.key == "R1"), 4_600.0)
