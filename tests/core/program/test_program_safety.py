"""Nothing a program does reaches the host, and nothing it does costs more than its budget."""

import builtins
import os
import socket
import subprocess
from random import Random
from time import process_time
from unittest import TestCase
from unittest.mock import patch

from hypothesis import given, settings
from hypothesis import strategies as st

from tests.corpus.programs.verdicts import PROGRAMS
from verifex.core.parts import catalogue
from verifex.core.problems import UnusableInput
from verifex.core.program import ProgramReport, RunResult, ScriptedPins, check_program
from verifex.core.program.runtime.machine import Budget

BOARDS = {"cpp": catalogue().boards["mcu-5v"], "py": catalogue().boards["sbc-3v3"]}
SMALL = Budget(steps=100_000, output_bytes=20_000)
DOUBLED = "t = ()\nu = ()\nfor i in range(60):\n    t, u = (t, t), (u, u)\n"
LISTED = "t = []\nu = []\nfor i in range(60):\n    t, u = [t, t], [u, u]\n"
LONG = "x = 'a' * 199999\n"


def tried(text: str, language: str) -> tuple[ProgramReport | None, RunResult | None]:
    """Checked and, where it can be, run; an unusable text is refused in words. No slip of ours falls into the net."""
    with TestCase().assertNoLogs("verifex.core.program"):
        try:
            report = check_program(text, BOARDS[language])
        except UnusableInput as refused:
            assert refused.problems[0].message
            return None, None
        runnable = report.runnable
        return report, report.run(ScriptedPins(), 5, serial_blocks=True, budget=SMALL) if runnable else None


class HostTest(TestCase):
    REACHING = (
        "import os\nos.system('x')", "__import__('os').system('x')", "eval('1')", "exec('x = 1')", "open('/etc/passwd')", "compile('1', 'a', 'eval')",
        "print(().__class__.__bases__[0].__subclasses__())", "print('{0.__class__}'.format(1))", "print(f'{(1).__class__}')",
        "print(getattr((), '__class__'))", "print((lambda: 0).__code__)", "print((lambda: 0).__globals__)", "import subprocess", "from os import *",
        "import sys\nsys.modules", "print(globals())", "print(__builtins__)", "breakpoint()", "def f(): pass\nprint(f.__globals__)", "type('A', (), {})",
        "try:\n    1 / 0\nexcept Exception as e:\n    print(e.__traceback__.tb_frame)", "'%(a)s' % __import__",
        "class A:\n    pass\nprint(A.__mro__, A().__class__.__dict__)", "import board_pins as GPIO\nprint(GPIO.__dict__, GPIO.output.__globals__)",
    )  # fmt: skip

    def test_no_way_leads_out(self):
        tried("x = 1", "py")  # what the test itself loads late is loaded now
        forbidden = AssertionError("a program reached the host")
        with (
            patch.object(os, "system", side_effect=forbidden),
            patch.object(subprocess, "Popen", side_effect=forbidden),
            patch.object(socket, "socket", side_effect=forbidden),
            patch.object(builtins, "eval", side_effect=forbidden),
            patch.object(builtins, "exec", side_effect=forbidden),
        ):
            for text in self.REACHING:
                with self.subTest(text), patch.object(builtins, "open", side_effect=forbidden):
                    report, run = tried(text, "py")
                    assert report is not None
                    self.assertTrue(report.findings, text)
                    self.assertNotIn("class '", run.serial if run else "")
        report, _ = tried('#include "/etc/passwd"\nvoid setup() { system("x"); }\nvoid loop() { }', "cpp")
        assert report is not None
        self.assertFalse(report.compiles)


class BudgetTest(TestCase):
    #: Each would take the host hours, or all its memory.
    GREEDY = {
        "py": (
            "x = 10 ** 10 ** 8", "x = 1 << 10 ** 9", "x = 'x' * 10 ** 9", "x = [0] * 10 ** 9", "x = list(range(10 ** 10))", "x = sum(range(10 ** 12))",
            "x = 1.5 in range(10 ** 12)", "x = max(range(10 ** 12))", "x = any(0 for i in range(10 ** 12))", "x = bytes(10 ** 10)", "print(*range(10 ** 9))",
            "x = f'{1:>1000000000}'", "x = '%1000000000d' % 1", "x = 'a'.ljust(10 ** 9)", "x = '{0}' * 9999\ny = x.format('b' * 99999)",
            LONG + "y = '%(a)s' * 30000 % {'a': x}", LONG + "y = '%s' * 60000 % ((x,) * 60000)", LONG + "print([x] * 199999)", LONG + "while True: y = 'b' in x",
            DOUBLED + "x = {t: 1}", DOUBLED + "x = {t}", DOUBLED + "print(t == u)", DOUBLED + "print(max([t, u]))", LISTED + "print(t == u)", LISTED + "print(t < u)",
            LISTED + "print(sorted([t, u]))", LISTED + "print([t].index(u))", LISTED + "print(t in [u])", LISTED + "print(t)", "x = [0] * 199999\nwhile True: x.sort()",
            "x = [0] * 199999\nwhile True: y = x[:]", "x = []\nwhile True: x.append('y' * 1000)", "x = ''\nwhile True: x += 'y'", "while True: pass", "def f(): f()\nf()",
            "class A:\n    def __init__(self): self.a = A()\nA()", "while True:\n    try:\n        raise ValueError\n    except BaseException: continue", "x = [1]\nfor k in x: x.append(k)",
            "import time\nwhile True: time.sleep(0)", "import math\nmath.factorial(10 ** 7)", "x = 3\nwhile True: x = x * x",
        ),
        "cpp": (
            "void setup() { while (1); }\nvoid loop() { }", "void setup() { setup(); }\nvoid loop() { }", "void f() { f(); }\nvoid setup() { f(); }\nvoid loop() { }",
            "int a[4000]; int b[4000];\nvoid setup() { }\nvoid loop() { }", "int a[4000][4000];\nvoid setup() { }\nvoid loop() { }",
            'void setup() { char b[4]; snprintf(b, 4, "%5000000000d", 3); }\nvoid loop() { }', 'void setup() { char b[40]; sprintf(b, "%s", 1); }\nvoid loop() { }',
            'void setup() { String s = "x"; while (1) s += s; }\nvoid loop() { }', "void setup() { for (byte i = 0; i < 256; i++) ; }\nvoid loop() { }",
            "#define X X\nint a = X;\nvoid setup() { }\nvoid loop() { }", "#define A B\n#define B A\nint a = A;\nvoid setup() { }\nvoid loop() { }",
            "void setup() { int *p = 0; *p = 3; p[99999] = 1; }\nvoid loop() { }", "void setup() { delay(4294967295); }\nvoid loop() { }",
            "void setup() { }\nvoid loop() { tone(3, 440); noTone(3); }", "void setup() { int a = " + "(" * 2000 + "1" + ")" * 2000 + "; }\nvoid loop() { }",
            "void setup() { " + "{" * 400 + "}" * 400 + " }\nvoid loop() { }", "void setup() { int a = " + "+".join(["1"] * 9000) + "; }\nvoid loop() { }",
        ),
    }  # fmt: skip

    def test_what_is_greedy_is_ended_and_answered(self):
        for language, texts in self.GREEDY.items():
            for text in texts:
                with self.subTest(text[:80]):
                    begun = process_time()
                    report, _ = tried(text, language)
                    self.assertIsNotNone(report)
                    self.assertLess(process_time() - begun, 60, "no step of a program may be an hour of the host")


class CostCountedTest(TestCase):
    """What an operation costs is counted before it is done, so that no loop of them takes the host a minute."""

    def test_searching_moving_and_taking_out_on_what_grows_ends_by_the_budget(self):
        board = catalogue().boards["sbc-3v3"]
        for text in (
            's = "a" * 200000\np = "a" + "b" + "a" * 99998\nwhile True:\n    s.rfind(p)\n',
            's = "a" * 200000\np = "a" + "b" + "a" * 99998\nwhile True:\n    p in s\n',
            's = "a" * 200000\np = "b" + "a" * 99998\nwhile True:\n    s.replace(p, "")\n',
            "values = []\nwhile True:\n    values.insert(0, 1)\n",
            "values = [0] * 150000\nwhile values:\n    del values[0]\n",
        ):
            ended = {run.ended for run in check_program(text, board).runs}
            self.assertLessEqual(ended, {"steps", "memory"}, text)

    def test_usual_texts_cost_no_more_than_a_step_or_two(self):
        text = 'line = "temp=21.5;hum=40"\nfor n in range(2000):\n    line.rfind("=")\nprint("done")\n'
        report = check_program(text, catalogue().boards["sbc-3v3"])
        self.assertEqual({run.ended for run in report.runs}, {"finished"})


class MutatedProgramsTest(TestCase):
    """Programs of the corpus, cut and stirred: every one is answered, none ends our own machine."""

    def test_a_mistake_that_the_grammar_does_not_locate_is_answered_all_the_same(self):
        # After the mistake in the `#define`, the grammar's tree says "an error" without a node that is one.
        tried("void setup() {}\nvoid loop() {}\n#define RS 12True", "cpp")

    @settings(max_examples=150, deadline=None)
    @given(st.integers(0, 10**9))
    def test_any_program_is_answered(self, seed: int):
        rng = Random(seed)
        path = rng.choice(PROGRAMS)
        text = path.read_text("utf-8")
        for _ in range(rng.randrange(1, 6)):
            text = stirred(text, rng)
        report, run = tried(text, "py" if path.suffix == ".py" else "cpp")
        if report is not None:
            self.assertTrue(run is not None or report.findings, text)


PIECES = ("(", ")", "{", "}", "[", "]", ";", ":", ",", "=", "==", "+", "-", "*", "/", "%", "0", "-1", "99999", "1e99", '"', "'", "\n", "    ", "if ", "while ", "return ",
          "not ", "None", "[0]", ".x", "()", "*x", "&", "->", "lambda: ", "float ", "int ", "String ", "#define ", "struct ", "é", "\t", "0x", "**")  # fmt: skip


def stirred(text: str, rng: Random) -> str:
    """One small harm: a stretch left out, doubled or moved, or a piece put in."""
    one, other = sorted(rng.randrange(len(text) + 1) for _ in range(2))
    other = min(other, one + rng.choice((1, 3, 10, 60)))
    at = rng.randrange(len(text) + 1)
    return rng.choice(
        (
            text[:one] + text[other:],
            text[:one] + text[one:other] * 2 + text[other:],
            text[:at] + rng.choice(PIECES) + text[at:],
            text[:one] + rng.choice(PIECES) + text[other:],
            text[:at] + text[one:other] + text[at:],
        )
    )


class MacroBudgetTest(TestCase):
    def test_macros_that_triple_at_each_level_cost_no_more_than_their_budget(self):
        tripled = "".join(f"#define A{i} A{i - 1}+A{i - 1}+A{i - 1}\n" for i in range(1, 12))
        for use in ("A11 * 2", "A11"):
            text = f"#define A0 1+1\n{tripled}long x = {use};\nvoid setup() {{ }}\nvoid loop() {{ }}\n"
            report, _ = tried(text, "cpp")  # without its budget this takes hours
            assert report is not None
            self.assertIn("not-supported-yet", [f.rule for f in report.findings])
