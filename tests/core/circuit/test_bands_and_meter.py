"""A resistor whose bands and meter disagree: the likeliest reason is said, and a sound one is left alone."""

from unittest import TestCase

from hypothesis import given, settings
from hypothesis import strategies as st

from verifex.core.circuit import check_wiring
from verifex.core.findings import Finding
from verifex.core.resistors.lookup import look_up_bands, look_up_value

HEAD = "board B1 mcu-5v\nbase half\nwire B1.5V +L red\nwire B1.GND -L black\n"
DIVIDER = HEAD + "part R1 resistor +L c10 {0}\npart R2 resistor c10 -L value=1k\nwire B1.A0 a10\n"


def found_in(text: str) -> dict[str, Finding]:
    return {finding.rule: finding for finding in check_wiring(text).findings}


def reason(settings_: str, bench: str = DIVIDER) -> str:
    return found_in(bench.format(settings_))["bands-against-measured"].remedy


class MeterTest(TestCase):
    def test_inside_the_tolerance_nothing_is_said(self):
        for settings_ in (
            "value=1k tolerance=5 measured=1040",
            "bands=brown-black-red-gold measured=960",
            "value=1k measured=985",
        ):
            self.assertNotIn("bands-against-measured", found_in(DIVIDER.format(settings_)), settings_)

    def test_a_value_read_in_the_circuit_is_recognised_by_what_lies_beside_it(self):
        # R1 and R2 side by side with a meter across R1: what lies beside it is known from the bench.
        beside = HEAD + "part R1 resistor c5 c10 {0}\npart R2 resistor a5 a10 value=1k\nwire B1.A0 b10\nwire -L b5\n"
        self.assertIn("measure with one leg free", reason("value=1k measured=500", beside))

    def test_a_band_of_a_look_alike_colour_is_named_with_its_value(self):
        said = reason("bands=brown-black-orange-gold measured=2010")
        self.assertIn("Read the bands again", said)
        red = look_up_bands(["red", "black", "red", "gold"]).reading.ohms
        self.assertEqual(red, 2000)

    def test_else_it_says_to_look_at_both(self):
        self.assertIn("mend the one that is wrong", reason("value=1k measured=3200"))


class BandsBothWaysTest(TestCase):
    @settings(max_examples=80, deadline=None)
    @given(st.sampled_from(["E6", "E12", "E24"]), st.floats(1, 9.1e6))
    def test_the_bands_of_a_preferred_value_are_read_as_that_value(self, series: str, ohms: float):
        found = look_up_value(ohms, series, 5.0)
        self.assertAlmostEqual(look_up_bands(list(found.bands)).reading.ohms / found.nearest_ohms, 1, places=6)

    @settings(max_examples=80, deadline=None)
    @given(st.sampled_from(["E6", "E12", "E24", "E48", "E96"]), st.floats(1, 9e6))
    def test_neighbours_enclose_the_value(self, series: str, ohms: float):
        found = look_up_value(ohms, series, 1.0)
        self.assertLessEqual(found.down_ohms, ohms * (1 + 1e-9))
        self.assertGreaterEqual(found.up_ohms, ohms * (1 - 1e-9))
        self.assertIn(found.nearest_ohms, (found.down_ohms, found.up_ohms))

    def test_what_bands_cannot_say_is_refused_with_the_band(self):
        for colours, said in (
            (["pink", "red", "red"], "band 1"),
            (["red", "red"], "bands"),
            (["red", "red", "red", "black"], "band 4"),
        ):
            with self.assertRaisesRegex(ValueError, said):
                look_up_bands(colours)
