"""What is looked up about one resistor, and the bench sums behind the command line and the screens."""

from unittest import TestCase

from hypothesis import given
from hypothesis import strategies as st

from verifex.core.resistors.bands import ALIKE, bands_for, misreadings, order_doubt, read_bands
from verifex.core.resistors.lookup import look_up_bands, look_up_value
from verifex.core.resistors.series import SERIES, is_preferred
from verifex.core.sums import OF_RESISTORS

KIT = st.sampled_from([ohms * 10.0**power for ohms in SERIES["E12"] for power in range(1, 6)])


class MisreadingTest(TestCase):
    @given(KIT, st.integers(0, 2))
    def test_one_band_taken_for_its_look_alike_is_offered_when_the_meter_disagrees(self, ohms: float, position: int):
        bands = list(bands_for(ohms))
        for other in ALIKE.get(bands[position], ()):
            seen = [*bands[:position], other, *bands[position + 1 :]]
            if seen[0] == "black":
                continue
            believed = look_up_bands(seen, ohms)
            if not believed.measured_fits:
                self.assertIn(tuple(bands), [o.colours for o in misreadings(seen, ohms)], f"{bands} read as {seen}")

    @given(KIT)
    def test_a_resistor_read_as_it_is_raises_no_doubt(self, ohms: float):
        bands = bands_for(ohms)
        found = look_up_bands(bands, ohms * 1.02)
        self.assertTrue(found.measured_fits)
        self.assertEqual((found.others, found.doubt), ([], None))

    def test_gold_and_silver_come_last(self):
        self.assertIn("gold or silver", order_doubt(["gold", "brown", "orange", "orange"]) or "")
        self.assertIsNone(order_doubt(["red", "violet", "gold", "gold"]))  # 2.7 Ω: gold also multiplies

    def test_what_is_no_preferred_value_one_way_and_is_one_the_other_way_is_doubted(self):
        right = bands_for(4700, 1.0, 3)
        self.assertIsNone(order_doubt(right))
        self.assertTrue(order_doubt(right[::-1]))

    def test_zero_ohms_is_a_wire(self):
        with self.assertRaisesRegex(ValueError, "a wire"):
            look_up_bands(["black", "black", "black"])


class LookupTest(TestCase):
    @given(KIT, st.sampled_from(["E6", "E12", "E24", "E96"]))
    def test_a_value_and_its_bands_go_both_ways(self, ohms: float, series: str):
        found = look_up_value(ohms, series, 1.0 if series == "E96" else 5.0)
        self.assertTrue(is_preferred(found.nearest_ohms, series))
        self.assertLessEqual(found.down_ohms, ohms * 1.000001)
        self.assertGreaterEqual(found.up_ohms, ohms * 0.999999)
        self.assertAlmostEqual(read_bands(found.bands).ohms / found.nearest_ohms, 1)

    def test_json_carries_what_the_contract_promises(self):
        self.assertLessEqual(
            {"ohms", "down", "nearest", "up", "low_ohms", "high_ohms"}, set(look_up_value(4700).as_json())
        )
        self.assertLessEqual({"ohms", "tolerance_percent", "low_ohms", "high_ohms", "misreadings"},
                             set(look_up_bands(["red", "red", "red", "gold"]).as_json()))  # fmt: skip

    def test_an_unknown_series_is_refused_with_the_known_ones(self):
        with self.assertRaisesRegex(ValueError, "E3, E6, E12"):
            look_up_value(100, "E7")


class SumTest(TestCase):
    def rows(self, name: str, **given_: str) -> dict[str, float]:
        return {row.name: row.value for row in OF_RESISTORS[name].answer(given_).rows}

    def test_every_sum_answers_its_defaults_first_the_figure_that_was_asked(self):
        for sum_ in OF_RESISTORS.values():
            answer = sum_.answer({})
            self.assertTrue(answer.rows and all(row.label for row in answer.rows), sum_.name)
            self.assertTrue(sum_.formula and sum_.title)

    def test_known_answers(self):
        self.assertEqual(self.rows("led", supply="5", vf="2", ma="10mA")["preferred"], 330)
        self.assertAlmostEqual(
            self.rows("divider", supply="5", upper="10k", lower="10k", load="10k")["loaded_volts"], 5 / 3
        )
        self.assertAlmostEqual(self.rows("parallel", one="10k", two="10k")["ohms"], 5000)
        self.assertAlmostEqual(self.rows("series", one="10k", two="4k7", three="330")["ohms"], 15030)
        level = self.rows("level", source="5", upper="10k", high="2.48", most="3.6")
        self.assertTrue(2.48 < level["volts"] < 3.6)
        base = self.rows("base", drive="5", load="72mA", ratio="20")
        self.assertLess(base["ratio"], 20)

    def test_inputs_are_text_as_people_write_it_and_a_wrong_one_names_its_field(self):
        self.assertEqual(self.rows("led", ma="0.01"), self.rows("led", ma="10 mA"))
        for name, field, value, words in (
            ("led", "supply", "five", "supply"),
            ("divider", "upper", "-3", "upper"),
            ("led", "supply", "1", "V"),
            ("level", "most", "6", "no divider"),
            ("base", "load", "20", "no resistor does"),
        ):
            with self.assertRaises(ValueError, msg=f"{name} {field}") as caught:
                OF_RESISTORS[name].answer({field: value})
            self.assertIn(words, str(caught.exception))
