"""Benches of other hands: values made of several resistors, lines through resistors, knobs, and how the board itself is fed."""

from unittest import TestCase

from tests.samples import exercise
from verifex.core.circuit import check_wiring
from verifex.core.findings import Finding, Severity

HALF = "board B1 mcu-5v\nbase half\nwire B1.5V +L red\nwire B1.GND -L black\n"
PROBE = HALF + (
    "part U1 probe-1w a4 a5 a6 lead=2m\nwire e4 +L4\nwire e5 B1.D3\nwire e6 -L6\n"
    "part R2 resistor b12 b17 value=390\npart D1 led anode=d17 cathode=d19 colour=red\nwire a12 B1.D6\nwire a19 -L19\n"
)
KNOB = HALF + "part P1 pot end1=g20 wiper=g21 end2=g22 value=10k\nwire j20 +L20\nwire j21 B1.A1\n"
FED = "board B1 mcu-5v\nbase half\npart BT1 battery plus=a1 minus=a3 volts={}\nwire b1 B1.VIN\nwire b3 B1.GND\n"


def told(text: str, plan: str = "") -> list[Finding]:
    kinds = (Severity.STOP, Severity.FIX, Severity.CHECK)
    return [f for f in check_wiring(text, exercise=exercise(plan) if plan else None).findings if f.severity in kinds]


def rules(text: str, plan: str = "") -> list[str]:
    return [f.rule for f in told(text, plan)]


class PullUpTest(TestCase):
    def test_a_pull_up_made_of_two_is_one(self):
        for pull_up in (
            "part R1 resistor c4 c5 value=10k\npart R3 resistor d4 d5 value=10k\n",
            "part R1 resistor c4 c10 value=2k2\npart R3 resistor d10 d5 value=2k2\n",
        ):
            self.assertEqual(rules(PROBE + pull_up, "syrup-tank-probe"), [], pull_up)

    def test_a_line_through_a_resistor_still_wants_its_pull_up(self):
        through = PROBE.replace("wire e5 B1.D3", "part R1 resistor c5 c10 value=4k7\nwire a10 B1.D3")
        (found,) = told(through, "syrup-tank-probe")
        self.assertEqual((found.rule, found.where.parts), ("data-without-pull-up", ("U1", "R1")))
        protected = PROBE.replace("wire e5 B1.D3", "part R1 resistor c5 c10 value=220\nwire a10 B1.D3")
        self.assertEqual(rules(protected + "part R3 resistor d4 d5 value=4k7\n"), [])


class KnobTest(TestCase):
    def test_one_end_open(self):
        (found,) = told(KNOB)
        self.assertEqual((found.rule, found.where.parts), ("knob-end-open", ("P1",)))
        self.assertIn("Lead it to ground", found.remedy)
        self.assertEqual(rules(KNOB + "wire j22 -L22\n"), [])

    def test_a_knob_as_a_plain_resistance_may_leave_one_end_open(self):
        dimmer = HALF + (
            "part P1 pot end1=g20 wiper=g21 end2=g22 value=10k\nwire B1.D5 j20\npart R1 resistor h21 h25 value=220\n"
            "part D1 led anode=i25 cathode=i26 colour=red\nwire j26 -L26\n"
        )
        self.assertNotIn("knob-end-open", rules(dimmer))


class DividerTest(TestCase):
    CELL = HALF + (
        "part LC1 light-cell c6 c10\npart R1 resistor d10 d15 value=4k7\npart D1 led anode=h24 cathode=h22 colour=green\n"
        "part R2 resistor i24 i28 value=220\nwire a6 +L6\nwire a10 B1.A1\nwire a15 -L15\nwire j28 B1.D9\nwire f22 -L22\n"
    )

    def noted(self, text: str) -> list[tuple[str, Severity]]:
        found = check_wiring(text, exercise=exercise("lid-open-watch")).findings
        return [(f.rule, f.severity) for f in found if f.rule == "divider-turned"]

    def test_the_other_way_up_is_sound_and_noted(self):
        turned = self.CELL.replace("wire a6 +L6", "wire a6 -L6").replace("wire a15 -L15", "wire a15 +L15")
        self.assertEqual(self.noted(turned), [("divider-turned", Severity.NOTE)])
        self.assertEqual(self.noted(self.CELL), [])


class CurrentTest(TestCase):
    def test_one_mistake_of_many_lights_is_one_finding(self):
        lights = "".join(
            f"part D{i} led anode=c{3 * i} cathode=c{3 * i + 1} colour=red\n"
            f"part R{i} resistor a{3 * i + 1} -L value=100\nwire B1.D{i + 1} a{3 * i}\n"
            for i in range(1, 9)
        )
        found = [f for f in told(HALF + lights) if f.rule == "light-over-current"]
        self.assertEqual(len(found), 1)
        self.assertIn("each of D1, D2, D3, D4, D5, D6, D7 and D8", found[0].seen)
        self.assertEqual(len(found[0].where.parts), 16)

    def test_a_band_that_was_misread_is_said(self):
        lid = exercise("lid-open-watch").reference_wiring()
        (found,) = told(lid.replace("i28 value=220", "i28 value=22k"), "lid-open-watch")
        self.assertEqual(found.rule, "light-too-dim")
        self.assertIn("100 times 220 Ω: was the third band misread?", found.seen)


class FeedingTest(TestCase):
    def test_how_the_board_itself_is_fed(self):
        for volts, severity in ((32, Severity.STOP), (15, Severity.CHECK), (6, Severity.FIX)):
            (found,) = told(FED.format(volts))
            self.assertEqual(
                (found.rule, found.severity, found.where.parts), ("board-intake-volts", severity, ("BT1",))
            )
        for volts in (7, 9, 12):
            self.assertEqual(rules(FED.format(volts)), [])
