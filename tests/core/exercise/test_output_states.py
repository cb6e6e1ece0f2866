"""What an exercise file may ask of an output, and how a file that asks for nonsense is answered."""

from unittest import TestCase

from tests.corpus.wild import CRITERIA
from tests.corpus.wild.shows import MOOD
from verifex.core.exercise import Exercise, read_exercise
from verifex.core.exercise.output_states import OutputState, read_state
from verifex.core.problems import UnusableInput

TEXT = MOOD.exercise + CRITERIA


class ReadTest(TestCase):
    def test_each_way_of_saying_a_state(self):
        for said, kind, shown in (
            (True, "level", "on"), (False, "level", "off"), ("Off", "level", "off"), ("amber", "colour", "yellow"),
            ("blinks at 2 Hz", "blink", "blinking at 2 Hz"), ("blinking", "blink", "blinking"), ("440 Hz", "pitch", "440 Hz"),
            ("40 %", "brightness", "40 %"), ("Too  warm", "text", "Too warm"),
        ):  # fmt: skip
            state = OutputState.model_validate(read_state(said))
            self.assertEqual((state.kind, str(state)), (kind, shown), said)

    def test_a_file_is_the_same_after_being_kept_as_data(self):
        exercise = read_exercise(TEXT)
        self.assertEqual(Exercise.model_validate(exercise.model_dump()), exercise)

    def test_nonsense_is_told_at_its_place(self):
        for old, new, said in (
            ("then: {D1: red}", "then: {D1: 5}", "needs a state"),
            ("then: {D1: red}", "then: {D1: }", "needs a state"),
            ("then: {D1: red}", "then: {D1: rde}", "a colour"),
            ("then: {D1: red}", "then: {D1: {kind: colour, text: mauve}}", "is no colour"),
            ("then: {D1: red}", "then: {U1: red}", "cannot show a colour"),
            ("criteria:", "follows: [{output: D1, of: U1, by: pitch}]\ncriteria:", "U1.celsius was expected"),
            ("criteria:", "measure: [{volts: U1.nose}]\ncriteria:", "no such leg"),
            ("criteria:", "measure: [{volts: U1.out, amps: D1}]\ncriteria:", "either volts at a leg"),
            ("board: mcu-5v", "board: mcu-5v\nprogram: perhaps", "boolean"),
        ):
            with self.subTest(new), self.assertRaises(UnusableInput) as refused:
                read_exercise(TEXT.replace(old, new, 1))
            problem = refused.exception.problems[0]
            self.assertIn(said, problem.message)
            self.assertGreater(problem.line, 1)
