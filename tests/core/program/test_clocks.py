"""Comparisons with the clock: which are such, and that the time until they change is passed over to the unit."""

from itertools import pairwise
from unittest import TestCase

from verifex.core.parts import Board, catalogue
from verifex.core.program import ScriptedPins, check_program
from verifex.core.program import tree as t
from verifex.core.program.cpp import read_cpp
from verifex.core.program.python import read_python
from verifex.core.program.runtime.clocks import CPP_CLOCKS, PYTHON_CLOCKS, clock_in, side_of, times_of_pass
from verifex.core.program.runtime.machine import Budget

BOARD, PYTHON_BOARD = (catalogue().boards[name] for name in ("mcu-5v", "mcu-3v3-wireless"))


def comparison(text: str) -> t.Binary:
    tree = read_cpp(f"bool f(int last, int gap) {{ return {text}; }}", 16)
    return next(n for n in t.walk(tree.functions["f"]) if isinstance(n, t.Binary))


def python(text: str) -> t.Binary:
    tree = read_python(f"import time\ndone = {text}\n")
    return next(n for n in t.walk_program(tree) if isinstance(n, t.Binary) and n.op in "<=>=")


class SidesTest(TestCase):
    def test_a_comparison_with_the_clock_has_its_side_and_unit(self):
        for text, side in {
            "millis() - last >= gap": 0, "gap <= millis() - last": 1, "millis() > last + gap": 0, "last < millis()": 1,
            "(unsigned long)(millis() - last) > 250": 0, "last + millis() > 3": 0, "millis() + 5 > last": 0,
        }.items():  # fmt: skip
            self.assertEqual(side_of(comparison(text), CPP_CLOCKS), (side, 1000.0), text)
        for text, unit in {
            "time.ticks_diff(time.ticks_ms(), start) > 5": 1000.0, "time.ticks_us() > start": 1.0, "time.monotonic() > start": 1e6,
        }.items():  # fmt: skip
            self.assertEqual(side_of(python(text), PYTHON_CLOCKS), (0, unit), text)

    def test_what_may_change_otherwise_is_none(self):
        for text in (
            "millis() == last", "last > gap", "gap - millis() > 3", "millis() - analogRead(A0) > 3", "millis() * 2 > gap",
            "millis() > analogRead(A0)", "millis() - millis() > 3", "millis() > last++", "micros() > last", "other.millis() > last",
            "millis(1) > last", "minutes(millis(), last) > 3", "longer(millis()) > 3",
        ):  # fmt: skip
            self.assertIsNone(side_of(comparison(text), CPP_CLOCKS), text)
        self.assertIsNone(side_of(python("time.ticks_diff(start, time.ticks_ms()) > 5"), PYTHON_CLOCKS))

    def test_a_name_holds_the_clock_only_where_it_is_listed(self):
        name = comparison("last > gap").left
        self.assertIsNone(clock_in(name, CPP_CLOCKS))
        self.assertEqual(clock_in(name, {"=last": 1000.0}), 1000.0)


class TimesOfPassTest(TestCase):
    def times(self, body: str) -> dict[str, float]:
        tree = read_cpp(f"unsigned long last; void loop() {{ {body} }}", 16)
        return times_of_pass(tree.functions["loop"])

    def test_a_variable_that_is_only_compared_or_kept_is_the_time_of_its_pass(self):
        self.assertEqual(self.times("unsigned long now = millis(); if (now - last > 9) last = now;"), {"=now": 1000.0})

    def test_one_that_is_used_otherwise_is_not(self):
        for body in (
            "unsigned long now = millis(); if (now - last > 9) Serial.println(now);",
            "unsigned long now = millis(); now++; if (now - last > 9) last = now;",
            "unsigned long now = millis(); unsigned long own; if (now - last > 9) own = now;",
            "static unsigned long now = millis(); if (now - last > 9) last = now;",
            "unsigned long now = millis(); if (now - last > 9) last += now;",
            "unsigned long now = analogRead(A0); if (now - last > 9) last = now;",
            "unsigned long now = 3; if (now - last > 9) last = now;",
            "unsigned long now = millis(); if (now - last > 9) last = now; if (now == 5) last = 0;",
            "unsigned long now = millis(); unsigned long zero = 0; if (zero < last) last = now; Serial.println(now);",
        ):
            self.assertEqual(self.times(body), {}, body)


class SkippedTimeTest(TestCase):
    """What is passed over ends exactly where the comparison turns: never one unit too far, and not long before."""

    def moments(
        self, condition: str, head: str = "unsigned long last = 0; int n = 0;", seconds: float = 2.0
    ) -> list[float]:
        text = f"{head} void setup() {{ Serial.begin(115200); }} void loop() {{ if ({condition}) {{ last = millis(); Serial.println(last); }} }}"
        return self.printed(text, BOARD, seconds)

    def printed(self, text: str, board: Board, seconds: float) -> list[float]:
        """What is printed within a budget that is spent at once where nothing is passed over."""
        result = check_program(text, board).run(ScriptedPins(), seconds, budget=Budget(4000, 4000))
        self.assertEqual(result.ended, "time", text)
        return [float(line) for _, line in result.lines]

    def test_each_comparison_turns_in_its_millisecond(self):
        for condition, gap in {
            "millis() - last >= 250": 250, "millis() - last > 250": 251, "250 <= millis() - last": 250, "250 < millis() - last": 251,
            "!(millis() - last < 250)": 250, "!(millis() - last <= 250)": 251, "millis() > last + 250": 251,
        }.items():  # fmt: skip
            seen = self.moments(condition)
            self.assertEqual(seen[:4], [gap, 2 * gap, 3 * gap, 4 * gap], condition)

    def test_python_clocks_turn_in_their_own_unit(self):
        for clock, gap, unit in (
            ("time.ticks_ms()", 250, 1),
            ("time.ticks_us()", 250_000, 1000),
            ("time.time()", 2, 0.001),
        ):
            text = (
                f"import time\nlast = {clock}\nwhile True:\n    if {clock} - last >= {gap}:\n"
                f"        last = {clock}\n        print(time.ticks_ms())\n"
            )
            seen = self.printed(text, PYTHON_BOARD, 5 * gap / unit / 1000)
            self.assertEqual([round(after - before) for before, after in pairwise(seen)], [gap / unit] * 3, clock)

    def test_the_nearer_of_two_decides(self):
        other = "millis() - other >= 150) { other = millis(); Serial.println(other); } if (millis() - last >= 400"
        seen = self.moments(other, "unsigned long last = 0, other = 0;")
        self.assertEqual(seen[:7], [150, 300, 400, 450, 600, 750, 800])
