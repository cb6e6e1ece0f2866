from unittest import TestCase

from hypothesis import assume, given
from hypothesis import strategies as st

from verifex.core.resistors.bands import DIGITS, TOLERANCE_PERCENT, bands_for, read_bands
from verifex.core.resistors.formulas import divider, fits_nominal, led_series
from verifex.core.resistors.series import SERIES, neighbours
from verifex.core.sums import ALL_SUMS


class BandsTest(TestCase):
    def test_three_to_six_bands(self):
        table = [
            ("brown black red", 1000, 20.0, None),
            ("orange orange brown gold", 330, 5.0, None),
            ("yellow violet gold gold", 4.7, 5.0, None),
            ("brown black black red brown", 10_000, 1.0, None),
            ("red violet green black brown red", 275, 1.0, 50),
        ]
        for colours, ohms, percent, ppm in table:
            reading = read_bands(colours.split())
            self.assertEqual(
                (reading.ohms, reading.tolerance_percent, reading.ppm_per_kelvin), (ohms, percent, ppm), colours
            )

    def test_a_band_that_cannot_stand_there_is_named(self):
        with self.assertRaisesRegex(ValueError, "band 1 is gold"):
            read_bands(["gold", "red", "red", "red"])
        with self.assertRaisesRegex(ValueError, "band 4 is black"):
            read_bands(["red", "red", "red", "black"])
        with self.assertRaisesRegex(ValueError, "did you mean violet"):
            read_bands(["violett", "red", "red"])
        with self.assertRaisesRegex(ValueError, "3, 4, 5 or 6"):
            read_bands(["red", "red"])

    @given(st.integers(1, 9), st.integers(0, 9), st.integers(0, 7), st.sampled_from(sorted(TOLERANCE_PERCENT.values())))
    def test_bands_of_a_value_read_back_as_the_value(self, first: int, second: int, power: int, percent: float):
        ohms = (10 * first + second) * 10.0**power
        reading = read_bands(bands_for(ohms, percent))
        self.assertAlmostEqual(reading.ohms / ohms, 1.0)
        self.assertEqual(reading.tolerance_percent, percent)

    @given(st.lists(st.sampled_from(DIGITS), min_size=3, max_size=3))
    def test_the_inverse_of_the_inverse(self, colours: list[str]):
        assume(colours[0] != "black")
        self.assertEqual(bands_for(read_bands([*colours, "gold"]).ohms)[:3], tuple(colours))


class SeriesTest(TestCase):
    def test_sizes_and_known_members(self):
        self.assertEqual([len(v) for v in SERIES.values()], [3, 6, 12, 24, 48, 96, 192])
        self.assertIn(9.20, SERIES["E192"])
        self.assertEqual(neighbours(500, "E12"), (470, 470, 560))
        self.assertEqual(neighbours(470, "E12"), (470, 470, 470))

    @given(st.floats(min_value=1, max_value=1e7), st.sampled_from(sorted(SERIES)))
    def test_neighbours_lie_around_the_value(self, ohms: float, series: str):
        down, nearest, up = neighbours(ohms, series)
        self.assertLessEqual(down, ohms * (1 + 1e-8))
        self.assertGreaterEqual(up, ohms * (1 - 1e-8))
        self.assertIn(nearest, (down, up))


class SumsTest(TestCase):
    def test_led_series_takes_the_next_value_up(self):
        led = led_series(5, 2.0, 0.010)
        self.assertAlmostEqual(led.exact_ohms, 300)
        self.assertEqual(led.preferred_ohms, 330)
        self.assertAlmostEqual(led.amps, 3 / 330)
        with self.assertRaisesRegex(ValueError, "not above"):
            led_series(1.8, 2.0, 0.01)

    @given(st.floats(0.1, 30), st.floats(1, 1e6), st.floats(1, 1e6), st.floats(1, 1e6))
    def test_a_loaded_divider_is_the_parallel_sum(self, supply: float, upper: float, lower: float, load: float):
        both = lower * load / (lower + load)
        self.assertAlmostEqual(
            divider(supply, upper, lower, load).loaded_volts, supply * both / (upper + both), places=6
        )

    def test_air_colder_than_can_be_is_refused(self):
        with self.assertRaisesRegex(ValueError, "air, °C: -400 cannot be"):
            ALL_SUMS["echo"].answer({"distance": "20in", "air": "-400"})

    def test_the_meter_has_its_own_error(self):
        self.assertTrue(fits_nominal(330, 5, 346.5))
        self.assertTrue(fits_nominal(330, 5, 348))  # outside 5 %, inside the meter's error
        self.assertFalse(fits_nominal(330, 5, 360))
