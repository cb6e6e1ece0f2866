"""Windows of resistors: at their ends the solved circuit does just what the window promises."""

from unittest import TestCase

from hypothesis import given
from hypothesis import strategies as st

from verifex.core.circuit import check_wiring
from verifex.core.circuit.evidence.windows import ResistorJob, resistor_jobs
from verifex.core.resistors.substitutes import substitutes
from verifex.core.resistors.windows import (
    Window,
    base_window,
    best_partner_ohms,
    button_window,
    cell_window,
    led_window,
    line_farads,
    lower_window,
    pull_up_window,
    rise_seconds,
    upper_window,
)

LIGHT = """\
board B1 mcu-5v
wire B1.D5 a10
part R1 resistor b10 b14 value={ohms}
part D1 led c14 c15 colour={colour}
wire B1.GND a15 black
"""
SWITCHED = """\
board B1 mcu-5v
wire B1.5V +L red
wire B1.GND -L black
part M1 motor +L a5 volts=5 amps=0.08
part D1 diode anode=b5 cathode=+L
part Q1 npn collector=c5 base=c6 emitter=c7
wire -L a7 black
part R1 resistor d6 d9 value={ohms}
wire B1.D5 a9
"""
LEVEL = """\
board B1 mcu-3v3-wireless
wire B1.5V +L red
wire B1.GND -L black
part U1 sonar-4 a1 a2 a3 a4
wire +L b1 red
wire B1.GPIO13 b2
wire -L b4 black
part R1 resistor c3 c8 value=10k
part R2 resistor d8 d12 value={ohms}
wire -L a12 black
wire B1.GPIO34 a8
"""
CELL = """\
board B1 mcu-5v
wire B1.5V +L red
wire B1.GND -L black
part LC1 light-cell +L a5
part R1 resistor b5 -L value={ohms}
wire B1.A0 c5
"""
BUTTON = """\
board B1 mcu-5v
wire B1.5V +L red
wire B1.GND -L black
part S1 button a5 {other}
part R1 resistor b5 {own} value=10k
wire B1.D2 c5
"""
PROBE = """\
board B1 mcu-5v
wire B1.5V +L red
wire B1.GND -L black
part U1 probe-1w supply=a1 data=a2 ground=a3 {lead}
wire b1 +L
wire b3 -L
wire B1.D2 b2
part R1 resistor c2 +L value=4.7k
"""


def jobs(text: str) -> dict[str, ResistorJob]:
    return {job.ref: job for job in resistor_jobs(check_wiring(text).view)}


class WindowTest(TestCase):
    def test_each_resistor_is_told_its_job_and_whom_it_serves(self):
        for text, ref, job, about in (
            (LIGHT.format(ohms=330, colour="red"), "R1", "led-series", "D1"),
            (SWITCHED.format(ohms=1000), "R1", "base", "Q1"),
            (LEVEL.format(ohms="20k"), "R2", "level-divider", "U1"),
            (LEVEL.format(ohms="20k"), "R1", "level-divider", "U1"),
            (CELL.format(ohms="10k"), "R1", "divider", "LC1"),
        ):
            found = jobs(text)[ref]
            self.assertEqual((found.job, found.about, found.fits), (job, about, True))
            assert found.window is not None
            self.assertLess(found.window.low_ohms, found.window.high_ohms)

    def test_each_window_follows_from_the_figures_of_board_and_part(self):
        five, level = "mcu-5v", LEVEL.format(ohms="20k")
        on_five = level.replace("mcu-3v3-wireless", five).replace("GPIO13", "D2").replace("GPIO34", "D4")
        for text, ref, job, ends in (
            (LIGHT.format(ohms=330, colour="red"), "R1", "led-series", (147.5, 2525.0)),
            (SWITCHED.format(ohms=1000), "R1", "base", (232.5, 1022.8)),
            (level, "R1", "level-divider", (7777.7, 20403.9)),
            (level, "R2", "level-divider", (9802.0, 25714.6)),
            (on_five, "R1", "series", None),  # the pin stands the module's level: nothing is to be divided
            (on_five, "R2", "other", None),
            (CELL.format(ohms="10k"), "R1", "divider", (497.2, 57783.6)),
            (CELL.format(ohms="10k").replace("+L a5", "+L a5 r10=20k gamma=0.6"), "R1", "divider", (1166.0, 86168.7)),
            (BUTTON.format(other="-L", own="+L"), "R1", "pull-up", (1e3, 100e3)),
            (BUTTON.format(other="+L", own="-L"), "R1", "pull-down", (1e3, 100e3)),
            (PROBE.format(lead=""), "R1", "pull-up", (1250.0, 125925.8)),
            (PROBE.format(lead="lead=2m"), "R1", "pull-up", (1250.0, 71175.4)),
        ):
            found = jobs(text)[ref]
            window = found.window and (round(found.window.low_ohms, 1), round(found.window.high_ohms, 1))
            self.assertEqual((found.job, window), (job, ends), text)

    @given(st.sampled_from(["red", "yellow", "green", "blue", "white"]))
    def test_a_light_at_the_ends_of_its_window_is_neither_too_bright_nor_too_dim(self, colour: str):
        window = jobs(LIGHT.format(ohms=330, colour=colour))["R1"].window
        assert window is not None
        for ohms, least, most in ((window.low_ohms, 0.012, 0.0205), (window.high_ohms, 0.0008, 0.004)):
            amps = jobs(LIGHT.format(ohms=f"{ohms:.1f}", colour=colour))["R1"].amps
            self.assertTrue(least <= amps <= most, f"{colour}: {ohms:.0f} Ω gives {amps * 1e3:.2f} mA")

    def test_a_base_resistor_inside_its_window_saturates_and_spares_the_pin(self):
        window = jobs(SWITCHED.format(ohms=1000))["R1"].window
        assert window is not None
        for ohms in (window.low_ohms * 1.02, window.high_ohms * 0.98):
            rules = {f.rule for f in check_wiring(SWITCHED.format(ohms=f"{ohms:.0f}")).findings}
            self.assertFalse(rules & {"transistor-not-saturated", "pin-over-current", "transistor-ratio"}, ohms)
        rules = {f.rule for f in check_wiring(SWITCHED.format(ohms="100k")).findings}
        self.assertIn("transistor-not-saturated", rules)

    def test_a_level_divider_inside_its_window_is_read_as_high_and_spoils_nothing(self):
        window = jobs(LEVEL.format(ohms="20k"))["R2"].window
        assert window is not None
        for ohms, bad in ((window.low_ohms * 1.03, False), (window.high_ohms * 0.97, False), (1e6, True), (1e3, True)):
            found = [f for f in check_wiring(LEVEL.format(ohms=f"{ohms:.0f}")).findings if f.rule.startswith("level-")]
            self.assertEqual(any(f.severity in ("stop", "fix") for f in found), bad, f"{ohms:.0f} Ω: {found}")

    def test_what_a_meter_reads_in_the_circuit_counts_what_lies_beside(self):
        alone = jobs(LIGHT.format(ohms=330, colour="red"))["R1"]
        self.assertAlmostEqual(alone.in_circuit_ohms or 0, 330, delta=0.5)
        beside = LIGHT.format(ohms=330, colour="red") + "part R2 resistor d10 d14 value=330\n"
        self.assertAlmostEqual(jobs(beside)["R1"].in_circuit_ohms or 0, 165, delta=0.5)

    def test_heat_is_the_most_of_all_states(self):
        job = jobs(LIGHT.format(ohms=330, colour="red"))["R1"]
        self.assertAlmostEqual(job.watts, job.amps**2 * 330, places=6)
        self.assertEqual(job.rated_watts, 0.25)


class SubstituteTest(TestCase):
    def test_the_nearest_by_ratio_comes_first_and_nothing_lies_outside(self):
        offered = substitutes(330, 150, 2200, [100, 220, 270, 390, 1000, 10e3])
        self.assertEqual([one.ohms for one in offered], [390, 270, 220, 1000])

    def test_two_are_joined_only_where_no_single_one_comes_near(self):
        offered = substitutes(4700, 4000, 5500, [1000, 2200, 2200, 10e3, 10e3])
        self.assertEqual(
            [(one.how, one.values_ohms) for one in offered],
            [("parallel", (10e3, 10e3)), ("series", (2200, 2200))],
        )
        self.assertEqual(substitutes(4700, 4000, 5500, [1000, 2200, 10e3]), [])  # a single 10 kΩ is no pair

    @given(
        st.floats(10, 1e6),
        st.floats(1.05, 10),
        st.lists(st.sampled_from([10, 47, 100, 330, 1e3, 4.7e3, 10e3, 1e5, 1e6]), max_size=6),
    )
    def test_every_offer_lies_in_the_window_and_is_made_of_what_is_held(self, wanted, width, held):
        for one in substitutes(wanted, wanted / width, wanted * width, held):
            self.assertTrue(wanted / width <= one.ohms <= wanted * width)
            for ohms in set(one.values_ohms):
                self.assertLessEqual(one.values_ohms.count(ohms), held.count(ohms))


class WorkedFiguresTest(TestCase):
    """Each closed form at figures that were worked out by hand."""

    def ends(self, window: Window) -> tuple[float, float]:
        return round(window.low_ohms, 1), round(window.high_ohms, 1)

    def test_a_lights_series_resistor(self):
        self.assertEqual(self.ends(led_window((4.75, 5.25), (1.8, 2.2), 0.02, 25.0)), (147.5, 2525.0))
        self.assertEqual(self.ends(led_window((4.75, 5.25), (1.8, 2.2), 0.01, 0.0, 0.0005)), (345.0, 5100.0))
        self.assertEqual(self.ends(led_window((3.2, 3.3), (3.1, 3.15), 0.02, 25.0)), (0.0, 25.0))
        for forward in (2.0, 2.1):
            with self.assertRaises(ValueError):
                led_window((2.0, 5.0), (1.8, forward), 0.02)

    def test_a_transistors_base(self):
        self.assertEqual(self.ends(base_window((4.75, 5.25), 0.08, 20.0, 0.02)), (232.5, 987.5))
        self.assertEqual(base_window((5.0, 5.0), 0.0, 20.0, 0.02).high_ohms, 4.2 * 20 / 1e-6)

    def test_pull_ups(self):
        self.assertAlmostEqual(line_farads(2.0), 230e-12, 15)
        self.assertEqual(self.ends(pull_up_window(5.0, line_farads(1.0), 15e-6)), (1250.0, 125925.8))
        self.assertAlmostEqual(rise_seconds(4700.0, line_farads(1.0)), 559.85e-9, 11)
        self.assertEqual(self.ends(button_window()), (1e3, 100e3))

    def test_a_light_cells_partner(self):
        self.assertEqual(best_partner_ohms(100e3, 1e3), 10e3)

        def span(ohms: float) -> float:
            return 100e3 / (100e3 + ohms) - 1e3 / (1e3 + ohms)

        window = cell_window(100e3, 1e3, 0.5)
        for end in (window.low_ohms, window.high_ohms):
            self.assertAlmostEqual(span(end), 0.5 * span(10e3), 9)
        self.assertLess(window.low_ohms, 10e3)
        self.assertAlmostEqual(window.low_ohms * window.high_ohms, 1e8, -1)
        self.assertAlmostEqual(span(cell_window(100e3, 1e3).low_ohms), 0.6 * span(10e3), 9)

    def test_a_level_divider(self):
        self.assertEqual(self.ends(lower_window(5.0, 10e3, 2.5, 3.6)), (10e3, 25714.3))
        self.assertEqual(self.ends(upper_window(5.0, 10e3, 2.5, 3.6)), (3888.9, 10e3))

    def test_what_lies_in_a_window(self):
        window = Window(100.0, 200.0, "", "", "")
        held = {ohms: (window.holds(ohms), window.holds(ohms, 0.1)) for ohms in (89, 90, 100, 200, 220, 221)}
        self.assertEqual(
            held,
            {
                89: (False, False),
                90: (False, True),
                100: (True, True),
                200: (True, True),
                220: (False, True),
                221: (False, False),
            },
        )
        self.assertEqual(
            [Window(low, 100.0, "", "", "").is_empty for low in (99.0, 100.0, 101.0)], [False, False, True]
        )
