"""Predictions: which lines are taken, what each is refused for, and how each value lies on the pair's own sheet."""

from unittest import TestCase

from tests.samples import EXERCISE, WIRING, exercise
from verifex.core.expected import Measured, expected_sheet
from verifex.core.problems import UnusableInput
from verifex.core.readings.prediction import RANGES, Predicted, judge_prediction, printed_range, read_prediction

ROOM = EXERCISE.steps[0].name
READING = ".".join(EXERCISE.reading_keys[0])
SHEET = expected_sheet(EXERCISE, WIRING, measured=Measured.named({f"step:{ROOM}": 21.5}))


def refused(text: str) -> list[tuple[int, str]]:
    try:
        read_prediction(text, EXERCISE)
    except UnusableInput as wrong:
        return [(problem.line, problem.message) for problem in wrong.problems]
    return []


class ReadTest(TestCase):
    def test_values_are_taken_with_their_lines_and_empty_ones_left_out(self):
        text = f"step, reading ,value\n\n{ROOM},{READING},21.5\n{EXERCISE.steps[1].name},{READING},\n"
        self.assertEqual(read_prediction(text, EXERCISE), [Predicted(ROOM, READING, 21.5, 3)])
        self.assertEqual(read_prediction(f'step,reading,value\n{ROOM},{READING},"21,5"\n', EXERCISE)[0].value, 21.5)

    def test_every_line_that_cannot_be_is_named_with_what_was_expected(self):
        expected = "a step of the plan, a reading of the exercise and a value were expected"
        text = (
            f"step,reading,value\nMoon,{READING},2\n{ROOM},U9.volts,2\n{ROOM},{READING}\n{ROOM},{READING},warm\n"
            f"{ROOM},{READING},999\n{ROOM},{READING},2 3\n"
        )
        self.assertEqual(
            refused(text),
            [(2, expected), (3, expected), (4, expected), (5, f"{ROOM}: 'warm' is no number; one such as 21.5 was expected"),
             (6, f"{ROOM}: 999 cannot be; -40 to 125 can"), (7, f"{ROOM}: '2 3' is no number; one such as 21.5 was expected")],
        )  # fmt: skip

    def test_a_text_without_its_first_line_or_without_a_value_is_refused(self):
        head = "the first line must read step,reading,value"
        self.assertEqual(refused(""), [(1, head)])
        self.assertEqual(refused(f"step,value\n{ROOM},2\nstep,reading,value\n"), [(1, head)])
        self.assertEqual(refused("step,reading,value\n"), [(1, "nothing is predicted yet; fill in at least one value")])

    def test_where_several_are_read_the_reading_is_named_too(self):
        climate = exercise("hive-climate")
        step, key = climate.steps[0].name, ".".join(climate.reading_keys[1])
        with self.assertRaisesRegex(UnusableInput, f"{step}, {key}: 9999 cannot be"):
            read_prediction(f"step,reading,value\n{step},{key},9999\n", climate)

    def test_what_can_be_printed_in_each_unit(self):
        plain = EXERCISE.readings[0]
        ranges = {unit: printed_range(EXERCISE, plain.model_copy(update={"print": unit})) for unit in RANGES}
        self.assertEqual(ranges, RANGES)
        self.assertEqual(printed_range(EXERCISE, plain.model_copy(update={"print": "fahrenheit"})), (-40.0, 257.0))
        self.assertEqual(printed_range(EXERCISE, plain.model_copy(update={"ref": "R1"})), (-1e6, 1e6))
        gauge = exercise("super-height-gauge")
        low, high = printed_range(gauge, gauge.readings[0].model_copy(update={"print": "inch"}))
        sensed = gauge.sensed(gauge.readings[0].ref, gauge.readings[0].quantity)
        assert sensed is not None
        self.assertEqual((round(2.54 * low, 6), round(2.54 * high, 6)), (sensed.low, sensed.high))


class JudgeTest(TestCase):
    def verdicts(self, *values: float, step: str = ROOM, reading: str = READING) -> list[str]:
        return [v.verdict for v in judge_prediction([Predicted(step, reading, value, 2) for value in values], SHEET)]

    def test_a_value_lies_by_half_of_its_last_printed_digit(self):
        room = SHEET.steps[0].first
        half, nudge = 0.5 * 10**-room.decimals, 1e-6
        likely, limits = room.likely, (room.value.low, room.value.high)
        self.assertLess(limits[0], likely[0])
        self.assertEqual(
            self.verdicts(
                likely[0] - half + nudge, likely[1] + half - nudge, likely[0] - half - nudge, likely[1] + half + nudge,
                limits[0] - half + nudge, limits[1] + half - nudge, limits[0] - half - nudge, limits[1] + half + nudge,
            ),
            ["likely"] * 2 + ["in-limits"] * 4 + ["out"] * 2,
        )  # fmt: skip

    def test_what_the_pair_could_not_know_is_not_judged(self):
        self.assertEqual(self.verdicts(21.5, step=EXERCISE.steps[1].name), ["unjudged"])
        self.assertEqual(self.verdicts(21.5, step="Moon"), ["unjudged"])
        self.assertEqual(self.verdicts(21.5, reading="U9.volts"), ["unjudged"])
