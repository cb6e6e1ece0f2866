"""Every remedy is tried before it is given: it takes the finding away, and makes no Stop."""

from dataclasses import replace
from unittest import TestCase

from tests.corpus.wiring.benches import faulty_benches
from tests.corpus.wiring.mutations import mutated
from tests.corpus.wiring.remedies import tried
from verifex.core.circuit import check_wiring
from verifex.core.circuit.remedies import NONE_HELPS, with_tried_remedies
from verifex.core.circuit.rules import WIRING
from verifex.core.findings import Finding

MODULE = "part U1 thermo-offset supply={supply} out=c2 ground={ground}\nwire a2 B1.A0\n"
BASE = "board B1 mcu-5v\nbase half\n"
#: Rails used against their sign: the ground legs hang on +R, the supply legs on -L.
AGAINST_THE_SIGN = BASE + (
    "wire B1.5V -L\nwire B1.GND +L\npart U1 thermo-offset supply=c1 out=c2 ground=c3\nwire a1 -L\nwire a2 B1.A0\nwire a3 +R\n"
)
SUPPLY_AGAINST_THE_SIGN = BASE + (
    "wire B1.GND +L\npart U1 thermo-offset supply=c1 out=c2 ground=c3\nwire a1 -L\nwire a2 B1.A0\nwire a3 +L\n"
)


def finding(text: str, rule: str) -> Finding:
    return next(one for one in check_wiring(text).findings if one.rule == rule)


class HarmfulRemediesTest(TestCase):
    """Three that were given, and the supply was shorted by one of them."""

    def test_both_legs_exchanged_and_fed_from_a_pin(self):
        told = finding(BASE + MODULE.format(supply="B1.GND", ground="B1.D4"), "supply-missing")
        self.assertEqual(told.remedy, "Exchange the leads of U1.supply and U1.ground.")

    def test_a_rail_used_against_its_sign_without_its_bridge(self):
        self.assertRegex(finding(AGAINST_THE_SIGN, "rail-never-fed").remedy, r"^Link \+R to .*(GND|\+L)")
        self.assertRegex(finding(SUPPLY_AGAINST_THE_SIGN, "rail-never-fed").remedy, r"^Link -L to .*5V")

    def test_a_module_that_stands_3_3_v_only_is_not_led_to_5_v(self):
        text = BASE + "part U1 tag-reader supply=c1 ground=c2 miso=c3\nwire a2 B1.GND\nwire a3 B1.D12\nwire a1 B1.VIN\n"
        self.assertEqual(
            finding(text, "supply-missing").remedy, "Take U1.supply off where it is (c1), and lead it to B1.3V3."
        )

    def test_a_light_that_is_turned_gets_its_resistor_too(self):
        text = BASE + "part D1 led a5 a6 colour=red\nwire B1.GND b5\nwire B1.D5 b6\n"
        self.assertRegex(finding(text, "light-reversed").remedy, "^Turn D1: .*; and put a resistor in series with it")

    def test_where_nothing_helps_only_what_was_found_is_reported(self):
        report = check_wiring(BASE + MODULE.format(supply="B1.GND", ground="B1.D4"))
        found = next(one for one in report.findings if one.remedies)
        harmful = replace(found, remedies=found.remedies[:1])
        [told] = with_tried_remedies(report.view, WIRING, [harmful])
        self.assertEqual(told.remedy, NONE_HELPS.format(parts="U1"))


class EveryRemedyTest(TestCase):
    """Over the written benches and generated slips; `make corpus` does so over three thousand of them."""

    def test_what_is_given_takes_the_finding_away_and_makes_no_stop(self):
        tally = tried([bench.text for bench in faulty_benches()] + [mutated(seed)[1] for seed in range(300)])
        self.assertEqual(tally.harmful, [])
        self.assertGreater(tally.given, 200)
        self.assertLess(tally.none, 0.02 * tally.given, "a remedy that helps is found nearly always")
