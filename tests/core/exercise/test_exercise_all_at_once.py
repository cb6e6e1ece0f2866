"""One look at an exercise file reports every mistake, with what was probably intended; a sheet tells what its steps cannot tell apart."""

from unittest import TestCase

from tests.samples import DEMO
from verifex.core.exercise import read_exercise
from verifex.core.expected import expected_sheet
from verifex.core.problems import UnusableInput

FILE = {name: (DEMO / "exercises" / name / "exercise.yaml").read_text("utf-8") for name in
        ("brood-box-heat-watch", "feeder-level", "night-visitor-watch", "syrup-tank-probe")}  # fmt: skip


def problems(text: str) -> list[str]:
    try:
        read_exercise(text)
    except UnusableInput as wrong:
        return [str(problem) for problem in wrong.problems]
    return []


class MistakesTest(TestCase):
    def test_misspelt_names_and_unknown_parts_are_told_together(self):
        text = FILE["brood-box-heat-watch"]
        for right, wrong in (("minutes:", "minuts:"), ("cautions:", "cautons:"), ("part: buzzer", "part: buzer")):
            text = text.replace(right, wrong)
        told = problems(text)
        self.assertEqual(len(told), 3)
        for place, meant in zip(told, ("'minutes'", "buzzer", "'cautions'"), strict=True):
            self.assertIn(meant, place)

    def test_a_name_that_stands_elsewhere_is_not_proposed_for_itself(self):
        told = problems(FILE["brood-box-heat-watch"].replace("steps:", "step:"))
        self.assertTrue(any("'steps' was probably meant" in one for one in told), told)


class NotesTest(TestCase):
    def test_steps_whose_limits_overlap_are_told_with_better_ones(self):
        sheet = expected_sheet(read_exercise(FILE["brood-box-heat-watch"]))
        note = next(note for note in sheet.notes if "“Room air”" in note and "overlap" in note)
        self.assertRegex(note, r"\(15\.4 to 27\.6 °C\).* 21\.5 and 35\.\d °C would do\.")
        moved = FILE["brood-box-heat-watch"].replace("value: 28,", "value: 36,").replace("value: 38,", "value: 52,")
        self.assertFalse([n for n in expected_sheet(read_exercise(moved)).notes if "overlap" in n])
        self.assertFalse([n for n in expected_sheet(read_exercise(FILE["syrup-tank-probe"])).notes if "overlap" in n])

    def test_a_motion_module_in_single_mode_is_told_with_its_drop_outs(self):
        text = FILE["night-visitor-watch"].replace("jumper: repeat", "jumper: single")
        self.assertIn("jumper: single", text)
        for one, told in ((text, True), (FILE["night-visitor-watch"], False)):
            self.assertEqual("in single mode" in " ".join(expected_sheet(read_exercise(one)).notes), told)
