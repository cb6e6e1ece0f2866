from unittest import TestCase

from hypothesis import given
from hypothesis import strategies as st

from tests.samples import EXERCISE, EXERCISE_TEXT
from verifex.core.exercise import exercise_json_schema, read_exercise
from verifex.core.problems import Problem, UnusableInput


def problems(text: str) -> list[Problem]:
    try:
        read_exercise(text)
    except UnusableInput as refused:
        return refused.problems
    return []


class ReadExerciseTest(TestCase):
    def test_the_demo_exercise(self):
        self.assertEqual((EXERCISE.id, len(EXERCISE.steps), str(EXERCISE.total)), ("brood-box-heat-watch", 3, "30"))
        self.assertEqual(str(EXERCISE.behaviour[0].when), "U1.celsius over 33 for 2 s")

    def test_each_mistake_is_told_at_its_own_line(self):
        line = {text.split(":")[0].strip(" -{"): number for number, text in enumerate(EXERCISE_TEXT.splitlines(), 1)}
        table = [
            ("minutes: 50", "minutes: soon", line["minutes"], "integer"),
            ("board: mcu-5v", "boards: mcu-5v", line["board"], "not something this file can say"),
            ("title: Brood-box heat watch\n", "", 1, "title: is missing"),
            ("over 33 for 2 s", "above 33", line["when"] , "shows the form"),
            ("divisor: 1024", "divisor: 1000", line["conventions"], "1023 or 1024"),
            ("{part: BZ1, reaches", "{part: BZ9, reaches", line["part"], "not in the recipe"),
            ("plot_low: 10", "plot_low: 10\nplot_low: 11", line["plot_low"] + 1, "twice"),
            ("recipe:", "recipe: [", None, "no YAML"),
        ]  # fmt: skip
        for old, new, number, said in table:
            with self.subTest(new):
                found = problems(EXERCISE_TEXT.replace(old, new, 1))
                self.assertTrue(any(said in p.message for p in found), found)
                if number is not None:
                    self.assertIn(number, [p.line for p in found])

    def test_the_schema_names_what_the_file_says(self):
        self.assertTrue({"recipe", "steps", "behaviour", "criteria"} <= set(exercise_json_schema()["properties"]))

    @given(st.text(max_size=200))
    def test_any_text_is_answered(self, text: str):
        self.assertTrue(problems(text))


class BetweenTest(TestCase):
    OVER = "U1.celsius over 33 for 2 s"

    def asked_at(self, celsius: float) -> bool | None:
        """What is asked of the light at a temperature, the last statement that is about it deciding."""
        state = None
        for one in read_exercise(EXERCISE_TEXT.replace(self.OVER, "U1.celsius between 20 and 33 for 2 s")).behaviour:
            said = one.then if one.when.holds(celsius) else one.otherwise
            state = said.get("D1", state)
        return state.is_on if state else None

    def test_a_state_between_two_thresholds(self):
        self.assertEqual([self.asked_at(celsius) for celsius in (15.0, 25.0, 35.0)], [False, True, False])

    def test_what_it_is_outside_and_which_number_is_first(self):
        turned = EXERCISE_TEXT.replace(self.OVER, "U1.celsius between 33 and 20")
        self.assertIn("'between 20 and 33' was expected", problems(turned)[0].message)
        lone = EXERCISE_TEXT.replace(self.OVER, "U1.celsius between 20 and 33")
        lone = lone.replace("    otherwise: {D1: off, BZ1: off}\n", "")
        self.assertTrue(any("otherwise" in one.message for one in problems(lone)))
