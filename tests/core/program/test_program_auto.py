"""`auto`: what such a variable is taken for on each board, and what is said where no value gives it a type."""

from unittest import TestCase

from tests.core.program.test_program_language import BOARD, WIDE, source
from verifex.core.program import ScriptedPins, check_program

GIVEN = """
int twice(int v) { return v * 2; }
void nothing() { }
"""


class AutoTest(TestCase):
    def report(self, setup: str, loop: str = "delay(1000);", board=BOARD):
        return check_program(source(setup, loop, GIVEN), board)

    def said(self, setup: str) -> list[str]:
        return [finding.seen for finding in self.report(setup).findings]

    def test_a_whole_number_is_as_wide_as_the_board_says(self):
        """40000 is no `int` of 16 bits, so it is a `long` there; the sum of two overflows on neither board."""
        for board in (BOARD, WIDE):
            report = self.report(
                "auto n = 40000; Serial.println(n + n); auto k = 30000; Serial.println(k + k);", board=board
            )
            lines = [text for _, text in report.run(ScriptedPins(), 0.5).lines]
            self.assertEqual(lines, ["80000", "-5536" if board is BOARD else "60000"])

    def test_what_gives_no_type_is_named(self):
        self.assertEqual(self.said("auto x;"), ["`x` is `auto`, and no single value gives it a type."])
        self.assertEqual(self.said("auto x = missing(2) + 1;"), ["`missing` is declared nowhere."])
        self.assertEqual(
            self.said("auto x = nothing();"), ["A call that gives nothing cannot be taken for a whole number."]
        )
        self.assertEqual(
            self.said('auto text = "ab"; text[0] = 65;'), self.said('const char *text = "ab"; text[0] = 65;')
        )

    def test_what_the_language_takes_and_this_does_not_is_no_mistake(self):
        for setup in ('auto *p = "ab";', "goto end; end: ;"):
            with self.subTest(setup):
                self.assertEqual({finding.rule for finding in self.report(setup).findings}, {"not-supported-yet"})

    def test_branches_on_one_are_not_said_to_leave_a_gap(self):
        """Between 26 and 27 there is no whole number, and the reading is one."""
        branches = "if (count <= 26) digitalWrite(8, LOW); else if (count >= 27) digitalWrite(8, HIGH);"
        whole, taken = (f"{kind} count = analogRead(A0); {branches} delay(200);" for kind in ("int", "auto"))
        setup = "pinMode(8, OUTPUT);"
        self.assertEqual(
            *([(f.rule, f.seen) for f in self.report(setup, loop).findings] for loop in (whole, taken)),
        )

    def test_rules_that_look_at_types_see_what_it_is_taken_for(self):
        """Each mistake is said of an `auto` variable as of one whose type is written out."""
        mistakes = {
            "long": "{} = 0L; unsigned long then = 5; {name} = millis(); Serial.println({name} - then);",
            "byte": "{} = (byte)0; while ({name} < 300) {name}++;",
            "int": "{} = 3; float share = {name} / 4; Serial.println(share);",
            "float": "{} = 0.1f; {name} = {name} * 3; if ({name} == 0.3) Serial.println(1);",
        }
        for kind, body in mistakes.items():
            with self.subTest(kind):
                written, taken = (
                    sorted((f.rule, f.seen) for f in self.report("", body.format(f"{said} x", name="x")).findings)
                    for said in (kind, "auto")
                )
                self.assertEqual(taken, written)
                self.assertTrue(written)

    def test_it_stands_for_one_type_at_a_time(self):
        self.assertEqual(self.said("auto a = 1, b = 2; Serial.println(a + b);"), [])
        self.assertEqual(
            self.said("auto a = 1, b = 2.5; Serial.println(a + b);"),
            ["`b` is float and `a` is 16-bit int: one `auto` stands for one type."],
        )
        self.assertEqual(self.said("for (auto i = 0, far = 3; i < far; i++) Serial.println(i);"), [])
