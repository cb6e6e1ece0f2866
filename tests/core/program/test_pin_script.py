"""What a person writes for the pins of a run, line by line, and what is typed beside it."""

from unittest import TestCase

from verifex.core.parts import catalogue
from verifex.core.problems import UnusableInput
from verifex.core.program import check_program
from verifex.core.program.runtime.pin_script import read_script

BOARD = catalogue().boards["mcu-5v"]
HEAD = "time_ms,pin,value\n"
ECHO = """void setup() { Serial.begin(9600); pinMode(4, INPUT); }
void loop() {
  Serial.print(analogRead(A0)); Serial.print(' '); Serial.println(digitalRead(4));
  while (Serial.available()) Serial.println((char)Serial.read());
  delay(500);
}
"""


def lines(script: str, seconds: float = 1.6) -> list[str]:
    report = check_program(ECHO, BOARD)
    return [text for _, text in report.run(read_script(HEAD + script, BOARD), seconds).lines]


def refused(script: str) -> list[tuple[int, str]]:
    try:
        read_script(script, BOARD)
    except UnusableInput as wrong:
        return [(problem.line, problem.message) for problem in wrong.problems]
    return []


class ScriptTest(TestCase):
    def test_values_hold_until_the_next_one_in_whatever_order_they_are_written(self):
        self.assertEqual(lines("900,A0,5\n0,A0,2.5\n400,D4,1\n\n"), ["512 0", "512 1", "1023 1", "1023 1"])

    def test_what_is_typed_comes_in_on_the_line(self):
        self.assertEqual(lines("600,serial,on\n"), ["0 0", "0 0", "0 0", "o", "n", "0 0"])

    def test_an_empty_script_drives_nothing(self):
        self.assertEqual(lines(""), ["0 0"] * 4)

    def test_every_bad_line_is_told_with_its_place(self):
        self.assertEqual(refused("ms,pin,value\n")[0][0], 1)
        found = refused(HEAD + "0,A0\n0,D99,1\nsoon,A0,1\n0,A0,high\n0,5V,1\nlater,serial,x\n100,A0,2\n")
        self.assertEqual([line for line, _ in found], [2, 3, 4, 5, 6, 7])
        said = [message for _, message in found]
        for at, words in enumerate(
            ("2 values stand here", "no signal pin called 'D99'", "is no number", "is no number", "'5V'", "'later'")
        ):
            self.assertIn(words, said[at])

    def test_a_pulse_is_sent_after_the_pin_beside_it_was_fired(self):
        text = """void setup() { Serial.begin(9600); pinMode(9, OUTPUT); pinMode(8, INPUT); }
void loop() { digitalWrite(9, HIGH); delayMicroseconds(10); digitalWrite(9, LOW); Serial.println(pulseIn(8, HIGH)); delay(500); }
"""
        run = check_program(text, BOARD).run(read_script(HEAD + "0,D8,pulse:1460\n", BOARD), 0.4)
        self.assertAlmostEqual(int(run.lines[0][1]), 1460, delta=20)
