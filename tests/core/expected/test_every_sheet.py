"""What holds of every expected sheet of the course, whichever exercise, board and way of feeding: limits, budgets, counts, notes."""

import json
from functools import cache
from unittest import TestCase

from hypothesis import given, settings
from hypothesis import strategies as st

from tests.core.exercise.test_exercises import EXERCISES
from verifex.core.expected import Measured, Sheet, expected_sheet, sheet_json
from verifex.core.expected.signal.chain import AdcChain
from verifex.core.parts import catalogue

BOARDS = catalogue().boards
PLACES = [(name, board) for name, exercise in sorted(EXERCISES.items()) for board in exercise.boards]


@cache
def sheet(name: str, board: str, rail: float | None = None) -> Sheet:
    return expected_sheet(EXERCISES[name], measured=Measured(rail_volts=rail), board=board)


def readings(found: Sheet):
    return [(step, reading) for step in found.steps for reading in step.readings]


class LimitsTest(TestCase):
    def test_every_exercise_has_a_sheet_on_each_of_its_boards(self):
        self.assertEqual(
            {(name, board): sheet(name, board).reason for name, board in PLACES if sheet(name, board).reason}, {}
        )
        self.assertGreaterEqual(len(PLACES), 12)

    def test_what_is_expected_lies_inside_its_limits(self):
        for name, board in PLACES:
            for step, reading in readings(sheet(name, board)):
                with self.subTest(name, board=board, step=step.name):
                    low, nominal, high = reading.value.low, reading.value.nominal, reading.value.high
                    self.assertTrue(low <= nominal <= high, (low, nominal, high))

    def test_counts_are_whole_and_fit_into_the_converter(self):
        for name, board in PLACES:
            found = sheet(name, board)
            for step, reading in readings(found):
                if not all(isinstance(chain, AdcChain) for chain in found.chains.values()):
                    continue  # a module on a bus counts in a way of its own
                with self.subTest(name, board=board, step=step.name):
                    self.assertTrue(all(count == int(count) for count in reading.raw), reading.raw)
                    self.assertTrue(
                        0 <= min(reading.raw) <= max(reading.raw) <= max(1, BOARDS[board].counts), reading.raw
                    )
                    self.assertEqual(sorted(reading.raw), list(reading.raw))

    def test_a_measured_supply_never_widens_a_step(self):
        for name, board in PLACES:
            rail = BOARDS[board].rail_volts
            for (step, before), (_, after) in zip(
                readings(sheet(name, board)), readings(sheet(name, board, rail)), strict=True
            ):
                with self.subTest(name, board=board, step=step.name):
                    wide, narrow = (r.value.high - r.value.low for r in (before, after))
                    self.assertLessEqual(narrow, wide * 1.02 + 1e-9 + 0.02 * abs(before.value.nominal))

    @settings(max_examples=25, deadline=None)
    @given(st.sampled_from(PLACES), st.floats(0.96, 1.04))
    def test_any_plausible_supply_gives_a_sheet_of_the_same_steps(self, place: tuple[str, str], share: float):
        name, board = place
        found = expected_sheet(
            EXERCISES[name], measured=Measured(rail_volts=BOARDS[board].rail_volts * share), board=board
        )
        self.assertEqual([step.name for step in found.steps], [step.name for step in sheet(name, board).steps])


class NotesTest(TestCase):
    def test_every_note_is_a_sentence_for_people(self):
        for name, board in PLACES:
            for note in sheet(name, board).notes:
                self.assertTrue(note.strip().endswith("."), (name, note))
                self.assertNotRegex(note, r"None|[\[{]", (name, note))


class JsonTest(TestCase):
    def test_every_sheet_is_written_whole_without_numbers_that_are_none(self):
        for name, board in PLACES:
            json.dumps(sheet_json(sheet(name, board)), allow_nan=False)

    def test_its_plot_runs_from_one_end_to_the_other(self):
        for name, board in PLACES:
            points = sheet(name, board).plot()
            stimuli = [point["stimulus"] if isinstance(point, dict) else point[0] for point in points]
            self.assertEqual(stimuli, sorted(stimuli), (name, board))


class ToleranceTest(TestCase):
    """Wider parts make wider limits; better ones never do."""

    LID = EXERCISES["lid-open-watch"]

    def width(self, tolerance: int) -> float:
        text = self.LID.reference_wiring()
        changed = text.replace("tolerance=5", f"tolerance={tolerance}")
        self.assertNotEqual(text, changed.replace(f"tolerance={tolerance}", "tolerance=0"))
        found = expected_sheet(self.LID, changed, measured=Measured(rail_volts=5.0))
        return found.steps[0].first.value.high - found.steps[0].first.value.low

    def test_by_tolerance(self):
        self.assertLessEqual(self.width(1), self.width(5))
        self.assertLess(self.width(5), self.width(20))
