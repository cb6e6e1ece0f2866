"""A ground of one's own: the exercise asks that what a module draws does not lift the ground that others are measured against."""

from unittest import TestCase

from tests.samples import EXERCISE_TEXT, WIRING
from verifex.core.circuit import check_wiring
from verifex.core.exercise import read_exercise

ASKS = read_exercise(
    EXERCISE_TEXT.replace(
        "  - {part: D1, reaches: digital-output}",
        "  - {part: U1, reaches: own-ground}\n  - {part: D1, reaches: digital-output}",
        1,
    )
)
BY_THE_RAIL = WIRING  # the thermometer's ground leg, hole e10, goes to the rail as all others do
OWN = WIRING.replace("wire -L a10 black", "wire B1.GND a10 black")


def shares_its_ground(text: str) -> bool:
    return "ground-shared" in {finding.rule for finding in check_wiring(text, exercise=ASKS).findings}


class OwnGroundTest(TestCase):
    def test_a_wire_to_a_ground_pin_that_nothing_else_uses(self):
        self.assertIn("wire B1.GND a10", OWN)
        self.assertFalse(shares_its_ground(OWN))

    def test_the_rail_is_shared_and_the_finding_says_what_to_lead_where(self):
        self.assertTrue(shares_its_ground(BY_THE_RAIL))
        [finding] = [f for f in check_wiring(BY_THE_RAIL, exercise=ASKS).findings if f.rule == "ground-shared"]
        self.assertIn("e10", finding.remedy)
        self.assertEqual(finding.where.parts, ("U1",))

    def test_a_wire_that_the_leg_itself_is_led_by_counts_as_well(self):
        legs = OWN.replace(
            "part U1 thermo-offset e8 e9 e10", "part U1 thermo-offset supply=e8 out=e9 ground=B1.GND"
        ).replace("wire B1.GND a10 black\n", "")
        self.assertFalse(shares_its_ground(legs))

    def test_another_part_in_the_same_row_makes_it_shared(self):
        self.assertTrue(shares_its_ground(OWN.replace("cathode=d21", "cathode=b10")))

    def test_nothing_is_asked_where_the_exercise_does_not(self):
        plain = read_exercise(EXERCISE_TEXT)
        self.assertEqual([f.rule for f in check_wiring(BY_THE_RAIL, exercise=plain).findings], [])
