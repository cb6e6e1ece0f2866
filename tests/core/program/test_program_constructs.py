"""Whatever a real compiler takes is no mistake to us: it is read, or reported as not supported yet."""

from unittest import TestCase, skipUnless

from tests.compiled.constructs import CONSTRUCTS
from tests.compiled.real import BOARD, IS_THERE, MISSING, refused_by_real
from verifex.core.findings import Severity
from verifex.core.parts import catalogue
from verifex.core.program import check_program

FIVE_VOLT = catalogue().boards["mcu-5v"]
#: What is read as it is; a construct that leaves this list has been lost.
LEAST_READ = 144


def program(construct: str) -> str:
    return f"{construct}\nvoid setup() {{ Serial.begin(9600); }}\nvoid loop() {{ delay(1000); }}\n"


class ConstructsTest(TestCase):
    def test_none_is_told_as_a_mistake(self):
        read = 0
        for name, construct in CONSTRUCTS.items():
            with self.subTest(name):
                report = check_program(program(construct), FIVE_VOLT)
                told = [f.seen for f in report.findings if f.severity in (Severity.STOP, Severity.FIX)]
                self.assertEqual(told, [])
                unsupported = [f.seen for f in report.findings if f.rule == "not-supported-yet"]
                self.assertEqual(report.runnable, not unsupported)
                read += report.runnable
        self.assertGreaterEqual(read, LEAST_READ)

    @skipUnless(IS_THERE, MISSING)
    def test_a_real_compiler_takes_each(self):
        for name, construct in CONSTRUCTS.items():
            with self.subTest(name):
                self.assertEqual(refused_by_real(program(construct), BOARD), "")
