"""Each program rule on the reference program with one thing changed: rule, line, and nothing besides."""

from random import Random
from unittest import TestCase

from hypothesis import given
from hypothesis import strategies as st

from tests.samples import EXERCISE, PROGRAM, WIRING, hand_in
from verifex.core.circuit import check_wiring
from verifex.core.parts import catalogue
from verifex.core.problems import UnusableInput
from verifex.core.program import ProgramReport, check_program
from verifex.core.program.rules import PROGRAM as BOOK
from verifex.core.twin import check_on_bench

BOARD = catalogue().boards["mcu-5v"]
VIEW = check_wiring(WIRING, exercise=EXERCISE).view


def after(*changes: tuple[str, str], text: str = PROGRAM) -> ProgramReport:
    for old, new in changes:
        assert old in text, old
        text = text.replace(old, new)
    return check_on_bench(text, VIEW, EXERCISE)


class SoundProgramsTest(TestCase):
    def test_sound_programs_of_many_hands_pass(self):
        hands = {"sound-a.cpp": "one-half.bench", "sound-functions.cpp": "tidy.bench", "sound-moved.cpp": "moved.bench"}
        for program, wiring in hands.items():
            view = check_wiring(hand_in(wiring), exercise=EXERCISE).view
            self.assertEqual([f.seen for f in check_on_bench(hand_in(program), view, EXERCISE).findings], [], program)

    def test_differences_that_do_not_matter(self):
        for change in (
            ("A2;", "16;"),
            ("* 5.0 / 1024.0", "* (5.0 / 1023)"),
            ("const int", "int"),
            ("delay(1000);", "delay(500); // half"),
        ):
            self.assertEqual([f.seen for f in after(change).findings], [], change)


class OneSlipTest(TestCase):
    #: change → (rule, line, words)
    TABLE = {
        "no ; after a call": (("(celsius);", "(celsius)"), "syntax", 17, "ends without `;`"),
        "no ; after begin": (("Serial.begin(9600);", "Serial.begin(9600)"), "syntax", 8, "ends without `;`"),
        "no ; before a brace": (("delay(1000);", "delay(1000)"), "syntax", 25, "ends without `;`"),
        "no ; after a declaration": (("33.0;", "33.0"), "syntax", 5, "ends without `;`"),
        "no ) in a condition": (("> threshold) {", "> threshold {"), "syntax", 18, "never closed by `)`"),
        "one ) too many": (("delay(1000);", "delay(1000));"), "syntax", 25, "`)` too many"),
        "text not closed": (("println(celsius)", 'println("celsius)'), "syntax", 17, 'never closed by `"`'),
        "else without }": (("  } else {", "   else {"), "syntax", 21, "before `else`"),
        "wrong case of a call": (("digitalWrite(lightPin, HIGH)", "digitalwrite(lightPin, HIGH)"), "name-miscased", 19, "`digitalWrite`"),
        "wrong case of a constant": (("(lightPin, HIGH)", "(lightPin, High)"), "name-miscased", 19, "`HIGH`"),
        "misspelt name": (("> threshold", "> treshold"), "name-undeclared", 18, "`threshold`"),
        "too few values": (("pinMode(lightPin, OUTPUT)", "pinMode(lightPin)"), "refused-use", 9, "takes 2 values"),
        "a constant given a value": (("delay(1000);", "threshold = 3; delay(1000);"), "refused-use", 25, "threshold"),
        "another output pin": (("lightPin = 7", "lightPin = 8"), "pin-differs-from-wiring", 3, "D7"),
        "another input pin": (("A2", "A0"), "pin-differs-from-wiring", 2, "A2"),
        "no pin mode": (("  pinMode(lightPin, OUTPUT);\n", ""), "pin-mode-missing", 18, "D7"),
        "another baud": (("9600", "115200"), "baud-differs", 8, "9600"),
        "serial never begun": (("  Serial.begin(9600);\n", ""), "serial-not-begun", 16, "never begun"),
        "whole number division": (("reading * 5.0 / 1024.0", "5 / 1024 * reading"), "integer-division", 15, "1024.0"),
        "division before product": (("reading * 5.0 / 1024.0", "reading / 1024 * 5"), "integer-division", 15, "1024.0"),
        "16-bit overflow": (("reading * 5.0 / 1024.0", "reading * 5000 / 1024 / 1000.0"), "overflow", 15, "32767"),
        "= in a condition": (("celsius > threshold", "celsius = reading"), "assignment-in-condition", 18, "`==`"),
        "reference not set": (("5.0 / 1024", "1.1 / 1024"), "reference-not-set", 15, "analogReference(INTERNAL)"),
        "reference set, formula not": (("Serial.begin", "analogReference(INTERNAL); Serial.begin"), "reference-not-set", 15, "5"),
        "endless loop": (("delay(1000);", "while (true) {}"), "run-ended", 25, "line 25"),
        "runaway output": (("delay(1000);", "while (true) Serial.println(1);"), "run-ended", 25, "without end"),
        "division by zero": (("delay(1000);", "int z = 0; z = 5 / z; delay(1000);"), "division-by-zero", 25, "divides by 0"),
        "outside the array": (("delay(1000);", "int a[3]; a[3] = 1; delay(1000);"), "outside-array", 25, "outside the array"),
        "not supported yet": (("delay(1000);", "auto *p = \"ab\"; delay(1000);"), "not-supported-yet", 25, "not supported yet"),
    }  # fmt: skip

    def test_each_slip_is_found_at_its_line_and_told_once(self):
        for name, (change, rule, line, words) in self.TABLE.items():
            with self.subTest(name):
                found = after(change).findings
                self.assertEqual([(f.rule, f.where.line) for f in found], [(rule, line)], [f.seen for f in found])
                self.assertIn(words, f"{found[0].seen} {found[0].remedy}")

    def test_what_a_compiler_refuses_does_not_run(self):
        self.assertFalse(after(("(celsius);", "(celsius)")).compiles)
        self.assertTrue(after(("A2", "A0")).compiles)

    def test_two_slips_are_both_named(self):
        found = check_program(hand_in("no-semicolon.cpp"), BOARD).findings
        self.assertEqual([(f.rule, f.where.line) for f in found], [("syntax", 8)])
        mended = hand_in("no-semicolon.cpp").replace("pinMode(buzz, OUTPUT)", "pinMode(buzz, OUTPUT);")
        self.assertEqual(
            [(f.rule, f.where.line) for f in check_program(mended, BOARD).findings], [("name-miscased", 17)]
        )


class AnyTextTest(TestCase):
    @given(st.text(max_size=200))
    def test_any_text_is_answered(self, text: str):
        try:
            report = check_program(text, BOARD)
        except UnusableInput as refused:
            self.assertTrue(refused.problems[0].message)
        else:
            self.assertTrue(report.findings or report.compiles)

    @given(st.integers(0, 10_000))
    def test_a_program_cut_and_stirred_is_answered(self, seed: int):
        rng = Random(seed)
        words = PROGRAM.split()
        for _ in range(4):
            at = rng.randrange(len(words))
            words[at] = rng.choice(["", "{", "}", ";", "(", "0", "int", words[rng.randrange(len(words))]])
        check_program(" ".join(words), BOARD)

    def test_a_binary_file_and_one_too_large_are_refused(self):
        with self.assertRaisesRegex(UnusableInput, "no program text"):
            check_program("int a;\0\1", BOARD)
        with self.assertRaisesRegex(UnusableInput, "64 kB"):
            check_program("//" + "x" * 70_000, BOARD)

    def test_every_rule_says_all_it_must(self):
        for rule in BOOK.rules.values():
            self.assertTrue(rule.title and rule.why and rule.hint and rule.source and rule.criterion, rule.slug)
