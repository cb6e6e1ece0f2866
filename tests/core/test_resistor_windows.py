"""Windows of resistors: at their ends the solved circuit does just what the window promises."""

from unittest import TestCase

from hypothesis import given
from hypothesis import strategies as st

from verifex.core.circuit import check_wiring
from verifex.core.circuit.windows import ResistorJob, resistor_jobs
from verifex.core.resistors.substitutes import substitutes

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
