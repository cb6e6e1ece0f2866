"""Rules that no bench or program of the corpora shows: each fires, stays silent beside a sound one, and names its part."""

from unittest import TestCase

from verifex.core.circuit import check_wiring
from verifex.core.findings import Finding
from verifex.core.parts import catalogue
from verifex.core.program import check_program

MOTOR = """board B1 mcu-5v
base half
wire B1.5V +L red
wire B1.GND -L black
part U1 thermo-offset e5 e6 e7
wire +L a5
wire B1.A0 a6
wire -L a7
part M1 motor a20 a24
wire +L c20
part Q1 npn collector=d24 base=d25 emitter=d26
part R1 resistor b25 b29 value=1k
wire B1.D5 a29
wire -L a26
part V1 diode anode=e24 cathode=e20
"""
STEADIED = MOTOR + "part C1 capacitor plus=j2 minus=j4 value=100u\nwire +L g2\nwire -L g4\n"
#: A motion module gives 3.3 V; the 5 V board takes 3.0 V as high.
MOTION = """board B1 mcu-5v
base half
wire B1.5V +L red
wire B1.GND -L black
part U1 motion e5 e6 e7
wire +L a5
wire B1.D2 a6
wire -L a7
"""


def found(text: str, rule: str) -> list[Finding]:
    return [finding for finding in check_wiring(text).findings if finding.rule == rule]


class RulesTest(TestCase):
    def test_a_motor_beside_a_sensor_wants_a_capacitor(self):
        (note,) = found(MOTOR, "decoupling-missing")
        self.assertEqual((note.severity, note.where.parts), ("note", ("M1",)))
        self.assertIn("M1 shares its supply with U1", note.seen)
        self.assertEqual(found(STEADIED, "decoupling-missing"), [])
        without = "\n".join(line for line in MOTOR.splitlines() if "U1" not in line)
        self.assertEqual(found(without, "decoupling-missing"), [], "no sensor is there to be disturbed")

    def test_a_high_of_three_volts_three_at_a_five_volt_pin_is_told_with_its_margin(self):
        (note,) = found(MOTION, "level-margin")
        self.assertEqual((note.severity, note.where.parts[0]), ("note", "U1"))
        self.assertRegex(note.seen, r"0\.3\d? V")
        self.assertEqual(found(MOTION.replace("part U1 motion", "part U1 obstacle"), "level-margin"), [])

    def test_a_program_in_another_language_is_told_once_and_nothing_else_of_it(self):
        python = "import time\n\nwhile True:\n    print(1)\n    time.sleep(1)\n"
        findings = check_program(python, catalogue().boards["mcu-5v"]).findings
        self.assertEqual([f.rule for f in findings], ["other-language"])
        self.assertIn("This reads like Python", findings[0].seen)
        self.assertEqual(check_program(python, catalogue().boards["sbc-3v3"]).findings, [])
