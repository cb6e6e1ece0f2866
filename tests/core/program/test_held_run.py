"""A run is held at any moment, looked at, stepped and forked; two held at once touch nothing of each other."""

from unittest import TestCase

from hypothesis import given, settings
from hypothesis import strategies as st

from verifex.core.parts import catalogue
from verifex.core.program import ScriptedPins, check_program
from verifex.core.program.held_run import HeldRun
from verifex.core.program.runtime.run_result import Surroundings

BOARD, WIRELESS = catalogue().boards["mcu-5v"], catalogue().boards["mcu-3v3-wireless"]
COUNTS = """
int turns = 0; int level = 0; const int STEP = 100;
void setup() { Serial.begin(9600); pinMode(2, INPUT); }
void loop() { turns++; level += digitalRead(2) ? 10 : 1; Serial.println(level); delay(STEP); }
"""
PYTHON = """import time
turns = 0
while True:
    turns += 1
    print(turns)
    time.sleep(0.1)
"""


def high(surroundings: Surroundings) -> None:
    assert isinstance(surroundings, ScriptedPins)
    surroundings.values["D2"] = ([0.0], [1.0])


class HeldRunTest(TestCase):
    def held(self, text: str = COUNTS, seconds: float = 2.0, board=BOARD) -> HeldRun:
        run = HeldRun(check_program(text, board), lambda: ScriptedPins({"D2": ([0.0], [0.0])}), seconds)
        self.addCleanup(run.leave)
        return run

    def test_it_goes_to_a_moment_and_shows_its_variables(self):
        run = self.held()
        run.to(450)
        self.assertEqual(
            (run.values, run.printed, run.has_ended), ({"turns": 5, "level": 5}, ["1", "2", "3", "4", "5"], False)
        )
        run.to(300)  # behind it
        self.assertEqual(run.values["turns"], 5)
        run.to(650)
        self.assertEqual(run.values["turns"], 7)

    def test_a_fork_goes_its_own_way_and_both_go_on(self):
        run = self.held()
        run.to(450)
        other = run.fork()
        self.addCleanup(other.leave)
        self.assertEqual((other.ms, other.values), (run.ms, run.values))
        other.do(high)
        other.to(750)
        run.to(750)
        self.assertEqual((run.values["level"], other.values["level"]), (8, 35))
        third = other.fork()  # with what was done to the other one
        self.addCleanup(third.leave)
        self.assertEqual(third.values, other.values)

    def test_finished_it_is_what_a_run_without_a_pause_is(self):
        for text, board in ((COUNTS, BOARD), (PYTHON, WIRELESS)):
            plain = check_program(text, board).run(ScriptedPins({"D2": ([0.0], [0.0])}), 2.0)
            run = self.held(text, board=board)
            run.to(330)
            result = run.finish()
            self.assertEqual((result.serial, result.lines, result.ended), (plain.serial, plain.lines, plain.ended))

    @settings(max_examples=15, deadline=None)
    @given(st.lists(st.integers(1, 1900), min_size=1, max_size=5))
    def test_pauses_change_nothing(self, moments: list[int]):
        run = self.held()
        for moment in moments:
            run.to(moment)
        self.assertEqual(run.values["turns"], max(moments) // 100 + 1)
        run.leave()

    def test_a_program_that_does_not_run_is_not_held(self):
        with self.assertRaises(ValueError):
            HeldRun(check_program("void setup() {", BOARD), ScriptedPins, 1.0)
