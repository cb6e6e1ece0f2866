"""What is told of sources and of what a short joins, without an exercise and without a program."""

from unittest import TestCase

from verifex.core.circuit import check_wiring

BOARD = "board B1 mcu-5v\nbase half\n"


def told(text: str) -> list[tuple[str, str, tuple[str, ...]]]:
    findings = check_wiring(BOARD + text).findings
    return [(str(f.severity), f.rule, f.where.parts) for f in findings if str(f.severity) != "note"]


class SourcesTest(TestCase):
    def test_a_plain_divider_is_a_source_like_any_other(self):
        divider = "part BT1 battery plus=+R minus=-R volts=9\nwire -R B1.GND\npart R1 resistor c5 c9 value={}\npart R2 resistor d9 d14 value={}\nwire +R a5\nwire a9 B1.A2\nwire a14 -R14\n"
        self.assertEqual(told(divider.format("470k", "220k")), [("check", "source-too-weak", ("R1", "R2"))])
        self.assertEqual(told(divider.format("4k7", "2k2")), [])

    def test_a_button_to_the_supply_is_a_fix_where_the_board_has_no_pull_down(self):
        button = "part S1 button c5 c9\nwire a5 B1.{}\nwire a9 B1.{}\n"
        self.assertEqual(told(button.format("5V", "D2")), [("fix", "floating-input", ("S1",))])
        self.assertEqual(told(button.format("GND", "D2")), [("check", "floating-input", ("S1",))])
        wireless = check_wiring("board B1 mcu-3v3-wireless\nbase half\n" + button.format("3V3", "GPIO27")).findings
        self.assertEqual([str(f.severity) for f in wireless], ["check"])

    def test_two_supplies_that_are_joined_are_the_boards_matter_and_no_modules(self):
        joined = "wire B1.5V +L\nwire B1.3V3 +R\nwire B1.GND -L\nwire +L5 +R5\npart U1 motion c3 c4 c5\nwire a3 +L3\nwire a5 -L5\nwire a4 B1.D2\n"
        self.assertEqual(told(joined), [("stop", "supply-shorted", ("B1",))])
