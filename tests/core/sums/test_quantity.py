from unittest import TestCase

from hypothesis import given
from hypothesis import strategies as st

from verifex.core.quantity import Spread, in_words, numbers_in, parse_quantity


class ParseQuantityTest(TestCase):
    def test_values_as_people_write_them(self):
        table = {
            "330": 330, "4k7": 4700, "4.7k": 4700, "4,7k": 4700, "10kΩ": 10_000, "1M": 1e6, "4R7": 4.7, "0.5": 0.5, "2 k": 2000, "331Ohm": 331, "2 OHMS": 2,
        }  # fmt: skip
        for text, ohms in table.items():
            self.assertAlmostEqual(parse_quantity(text, "ohm"), ohms, msg=text)

    def test_units_are_taken_off_and_prefixes_kept(self):
        self.assertAlmostEqual(parse_quantity("20mA", "amp"), 0.02)
        self.assertAlmostEqual(parse_quantity("100n", "farad"), 1e-7)
        self.assertAlmostEqual(parse_quantity("3m", "metre"), 3.0)
        self.assertAlmostEqual(parse_quantity("5 V", "volt"), 5.0)

    def test_a_length_may_be_given_as_people_measure_it(self):
        for text, metres in (("0.4", 0.4), ("50.8cm", 0.508), ("20 in", 0.508), ("508mm", 0.508), ("1.5m", 1.5)):
            self.assertAlmostEqual(parse_quantity(text, "metre"), metres, msg=text)

    def test_what_is_no_value_is_refused_with_an_example(self):
        for text in ("", "abc", "4k7k", "1e999", "--3", "0x10"):
            with self.assertRaisesRegex(ValueError, "330, 4k7"):
                parse_quantity(text, "ohm")

    @given(st.floats(min_value=1e-3, max_value=9e8))
    def test_in_words_reads_back(self, ohms: float):
        self.assertAlmostEqual(parse_quantity(in_words(ohms, "Ω", 6), "ohm") / ohms, 1.0, places=4)


class NumbersInTest(TestCase):
    def test_digits_inside_words_are_no_numbers(self):
        table = {
            "T: 24.71 C": [24.71],
            "24.71C": [24.71],
            "A0=24.5": [24.5],
            "U1 22": [22],
            "-3.2": [-3.2],
            "1.2.3": [],
        }
        for text, numbers in table.items():
            self.assertEqual(numbers_in(text), numbers, text)


class SpreadTest(TestCase):
    def test_limits_out_of_order_are_refused(self):
        with self.assertRaises(ValueError):
            Spread(2, 1, 3)
