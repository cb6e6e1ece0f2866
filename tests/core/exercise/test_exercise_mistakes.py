"""Every mistake an exercise file can be written with: told at its own line, in words, and as many as there are."""

from unittest import TestCase

from hypothesis import given, settings
from hypothesis import strategies as st

from tests.core.exercise.test_exercise_file import problems
from tests.samples import DEMO
from verifex.core.exercise import read_exercise

TEXTS = {path.parent.name: path.read_text("utf-8") for path in sorted(DEMO.glob("exercises/*/exercise.yaml"))}
HEAT, NIGHT = TEXTS["brood-box-heat-watch"], TEXTS["night-visitor-watch"]


def line_of(text: str, begins: str) -> int:
    return next(number for number, line in enumerate(text.splitlines(), 1) if line.strip().startswith(begins))


class MistakeTest(TestCase):
    #: What is changed, how the changed line begins, and words of the message.
    WRONG = [
        ("board: mcu-5v", "board: mcu-6v", "board:", "there is no board 'mcu-6v'"),
        ("part: thermo-offset", "part: thermo-ofset", "- {ref: U1", "did you mean thermo-offset"),
        ("{ref: D1, part: led", "{ref: U1, part: led", "- {ref: U1, part: led", "stands in the recipe twice"),
        ("minutes: 50", "minutes: -5", "minutes:", "greater than"),
        ("{leg: U1.out, reaches: analogue-input}", "{leg: U1.out, reaches: the-moon}", "- {leg: U1.out", "analogue-input"),
        ("{leg: U1.out,", "{leg: U1.arm,", "- {leg: U1.arm", "arm"),
        ("{leg: U1.out,", "{leg: U8.out,", "- {leg: U8.out", "not in the recipe"),
        ("supply_volts: 5,", "supply_volts: lots,", "- {id: rail", "number"),
        ("criteria:", "criterions:", "criterions:", "is not something this file can say"),
    ]  # fmt: skip

    def test_each_is_told_at_its_line(self):
        for old, new, begins, words in self.WRONG:
            with self.subTest(new):
                self.assertIn(old, HEAT)
                text = HEAT.replace(old, new, 1)
                found = problems(text)
                self.assertTrue(any(words in problem.message for problem in found), found)
                self.assertIn(line_of(text, begins), [problem.line for problem in found], found)

    def test_several_are_told_together(self):
        text = HEAT.replace("minutes: 50", "minutes: soon").replace("title: Brood-box heat watch\n", "")
        self.assertGreaterEqual(len(problems(text)), 2)

    def test_a_quantity_that_its_module_does_not_sense_is_told_with_what_it_senses(self):
        text = NIGHT.replace("{name: motion, ref: U1, quantity: motion}", "{name: motion, ref: U1, quantity: celsius}")
        found = problems(text)
        self.assertTrue(any("celsius" in problem.message for problem in found), found)
        self.assertIn(line_of(text, "- {name: motion, ref: U1"), [problem.line for problem in found])

    def test_a_file_that_would_grow_without_end_is_refused_before_it_is_read(self):
        by_name = "a: &x [1, 2]\nb: *x\n"
        self.assertIn("uses a value by name", problems(by_name)[0].message)
        self.assertEqual((problems(by_name)[0].line, problems(by_name)[0].column), (2, 4))
        self.assertIn("nested more than", problems("[" * 40 + "]" * 40)[0].message)
        self.assertIn("256 kB", problems("# " + "x" * 300_000)[0].message)

    def test_what_is_no_list_of_names_says_so(self):
        for text in ("", "just words", "- 1\n- 2\n", "42"):
            self.assertEqual([(p.line, p.column) for p in problems(text)], [(1, 1)], text)

    def test_yaml_that_is_none_is_told_where_it_ends_to_be(self):
        [problem] = problems("title: 'no end\nboard: mcu-5v\n")
        self.assertIn("no YAML", problem.message)
        self.assertGreaterEqual(problem.line, 1)


class EveryExerciseTest(TestCase):
    def test_each_of_the_course_is_read_without_a_word(self):
        self.assertEqual({name: problems(text) for name, text in TEXTS.items() if problems(text)}, {})

    def test_marks_steps_and_boards_hang_together(self):
        for name, text in TEXTS.items():
            exercise = read_exercise(text)
            with self.subTest(name):
                self.assertEqual(exercise.total, sum(criterion.of for criterion in exercise.criteria))
                self.assertEqual(len({step.name for step in exercise.steps}), len(exercise.steps))
                self.assertIn(exercise.board, exercise.boards)
                refs = {part.ref for part in exercise.recipe}
                self.assertLessEqual({reading.ref for reading in exercise.readings}, refs)
                self.assertLessEqual({step.ref for step in exercise.steps if step.ref}, refs)

    @settings(max_examples=60, deadline=None)
    @given(st.sampled_from(sorted(TEXTS)), st.data())
    def test_any_line_left_out_or_doubled_is_answered_and_placed(self, name: str, data: st.DataObject):
        lines = TEXTS[name].splitlines()
        at = data.draw(st.integers(0, len(lines) - 1))
        changed = lines[:at] + (lines[at + 1 :] if data.draw(st.booleans()) else [lines[at], *lines[at:]])
        for problem in problems("\n".join(changed)):
            self.assertTrue(1 <= problem.line <= len(changed) + 1 and problem.column >= 1, problem)
            self.assertTrue(problem.message)
