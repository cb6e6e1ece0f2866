"""The twelve exercises of the demo course: each passes its own check, has a complete sheet and can be released."""

from unittest import TestCase

import yaml

from tests.samples import DEMO
from verifex.core.circuit import check_wiring
from verifex.core.exercise import Exercise, read_exercise
from verifex.core.expected import expected_sheet
from verifex.core.expected.release import as_measured, release_obstacles
from verifex.core.findings import has_errors
from verifex.core.parts import catalogue
from verifex.core.problems import UnusableInput

TEXTS = {path.parent.name: path.read_text("utf-8") for path in sorted((DEMO / "exercises").glob("*/exercise.yaml"))}
EXERCISES = {name: read_exercise(text) for name, text in TEXTS.items()}


class CourseTest(TestCase):
    def test_twelve_exercises_one_for_each_family(self):
        self.assertEqual(len(EXERCISES), 12)
        self.assertEqual([name for name, exercise in EXERCISES.items() if exercise.id != name], [])
        on = {board for exercise in EXERCISES.values() for board in exercise.boards}
        self.assertEqual(on, set(catalogue().boards))

    def test_each_reference_bench_passes_its_own_wiring_check(self):
        for name, board, exercise in each_bench():
            with self.subTest(name, board=board):
                report = check_wiring(exercise.references[board], exercise=exercise)
                self.assertEqual(report.bench.problems, [])
                self.assertEqual([f.rule for f in report.findings if has_errors([f])], [])

    def test_each_has_a_complete_sheet_with_limits_around_what_is_expected(self):
        for name, board, exercise in each_bench():
            with self.subTest(name, board=board):
                sheet = expected_sheet(exercise, board=board, measured=as_measured(catalogue().boards[board]))
                self.assertEqual(sheet.reason, "")
                self.assertEqual([s.name for s in sheet.steps], [s.name for s in exercise.steps])
                for step in sheet.steps:
                    for r in step.readings:
                        self.assertLessEqual(r.value.low, r.likely[0])
                        self.assertTrue(r.likely[0] <= r.value.nominal <= r.likely[1] <= r.value.high)
                        self.assertTrue(r.printed)

    def test_each_can_be_released_and_says_what_every_output_does(self):
        for name, exercise in EXERCISES.items():
            with self.subTest(name):
                self.assertEqual(release_obstacles(exercise), [])
                asked = {ref for s in exercise.behaviour for ref in (*s.then, *s.otherwise)}
                seen = [
                    step.indicators
                    for step in expected_sheet(exercise, measured=as_measured(catalogue().boards[exercise.board])).steps
                ]
                for ref in asked:
                    self.assertEqual({states[ref] for states in seen}, {"on", "off"})


class ReleaseTest(TestCase):
    def obstacles(self, name: str, old: str, new: str) -> str:
        self.assertIn(old, TEXTS[name])
        return " / ".join(
            o.message for o in release_obstacles(read_exercise(TEXTS[name].replace(old, new))) if not o.warns
        )

    def test_what_keeps_an_exercise_from_release_is_named(self):
        brood = "brood-box-heat-watch"
        for old, new, said in (
            ("value: 38,", "value: 33.2,", "no step clear of “U1.celsius over 33 for 2 s” where it holds"),
            ("wire B1.A2 a9 yellow", "wire B1.D2 a9 yellow", "Its own wiring check says fix"),
            ("board B1 mcu-5v\n", "board B1 sbc-3v3\n", "stands on sbc-3v3"),
            ("    wire B1.5V +L red\n", "    wire\n", "cannot be read"),
        ):
            with self.subTest(new):
                self.assertIn(said, self.obstacles(brood, old, new))
        whole = yaml.safe_load(TEXTS[brood])
        del whole["references"]
        bare = read_exercise(yaml.safe_dump(whole, allow_unicode=True))
        self.assertIn("no reference bench", release_obstacles(bare)[0].message)

    def test_two_light_levels_too_close_to_tell_apart(self):
        said = self.obstacles(
            "lid-open-watch", "value: 300, way: room-light", "value: 300, uncertainty: 299, way: room-light"
        )
        self.assertIn("no step clear", said)

    def test_a_step_read_too_early_is_a_warning(self):
        exercise = read_exercise(TEXTS["hive-display"].replace("dwell_seconds: 60", "dwell_seconds: 5"))
        warned = [o for o in release_obstacles(exercise) if o.warns]
        self.assertIn("“Held in the hand” is held 5 s, the sensor needs", warned[0].message)


class NamesTest(TestCase):
    """What an exercise names and nobody knows is reported at its own line."""

    def test_each_at_its_line(self):
        text = TEXTS["hive-climate"]
        for old, new, said in (
            ("part: climate-fine", "part: climate-fime", "did you mean climate-fine"),
            ("quantity: percent, value: 88", "quantity: lux, value: 88", "does not answer to 'lux'"),
            ("way: breath", "way: hand", "'hand' makes celsius, not percent"),
            ("value: 88, way", "value: 12, way", "cannot be made by 'breathed on'"),
            ("quantity: celsius}\n  - {name: roof damp", "quantity: celsius, print: inch}\n  - {name: roof damp", "celsius, fahrenheit can"),
            ("then: {D1: on}", "then: {D7: on}", "not in the recipe"),
            ("  sbc-3v3: |", "  sbc-5v: |", "there is no board 'sbc-5v'"),
            ("ref: R1, part: resistor", "ref: D1, part: resistor", "stands in the recipe twice"),
        ):  # fmt: skip
            with self.subTest(new):
                wrong = text.replace(old, new, 1)
                with self.assertRaises(UnusableInput) as refused:
                    read_exercise(wrong)
                number = wrong[: wrong.index(new) + len(new.split("\n")[0])].count("\n") + 1
                found = [(p.line, p.message) for p in refused.exception.problems]
                self.assertTrue(any(said in m and abs(n - number) <= 2 for n, m in found), (number, found))


def each_bench() -> list[tuple[str, str, Exercise]]:
    return [(name, board, exercise) for name, exercise in EXERCISES.items() for board in exercise.references]
