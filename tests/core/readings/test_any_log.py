"""Logs of any kind: whatever is pasted is answered, nothing is counted twice, and the same readings give the same verdict."""

from random import Random
from unittest import TestCase

from hypothesis import given, settings
from hypothesis import strategies as st

from tests.core.readings.test_readings import EXPECTED, NAMES, SHEET, log
from tests.samples import EXERCISE
from verifex.core.problems import UnusableInput
from verifex.core.readings import compare_log, read_log

LINE = st.one_of(
    st.sampled_from(["# Room air", "# Held in the hand", "# Warm pack", "# 1", "# nothing known", "", "nan", "inf", "error", "21.5", "T: 22.0 C", "12:30:01 -> 21.5",
                     "21,5", "1;2;3", "{\"t\": 21.5}", "\ufffd\ufffd", "-40", "1e3", "0x1F", "A0: 512", "---"]),
    st.text(max_size=20),
)  # fmt: skip


def verdicts(text: str) -> dict[str, str]:
    return {step.name: step.verdict for step in compare_log(text, EXERCISE, SHEET).steps}


class AnyLogTest(TestCase):
    @settings(max_examples=200, deadline=None)
    @given(st.lists(LINE, max_size=40))
    def test_any_lines_are_read_or_refused_in_words(self, lines: list[str]):
        text = "\n".join(lines)
        try:
            read = read_log(text, EXERCISE)
        except UnusableInput as refused:
            self.assertTrue(refused.problems[0].message)
            return
        kept = len(read.unmarked) + sum(len(step.values) for step in read.steps)
        self.assertLessEqual(kept, len(text.splitlines()))

    @settings(max_examples=60, deadline=None)
    @given(st.lists(LINE, max_size=15))
    def test_whatever_stands_before_the_first_step_changes_no_verdict(self, lines: list[str]):
        ahead = "\n".join(line for line in lines if "#" not in line)
        text = log(*EXPECTED)
        self.assertEqual(verdicts(f"{ahead}\n{text}"), verdicts(text))


class SameReadingsTest(TestCase):
    FORMS = ("{:.2f}", "{:.2f} C", "T: {:.2f}", "brood box: {:.2f} °C", "{:.2f};ok", "value={:.2f}", "\t{:.2f}\t")

    def test_in_any_form_they_are_judged_alike(self):
        for form in self.FORMS:
            self.assertEqual(set(verdicts(log(*EXPECTED, form=form)).values()), {"likely"}, form)

    def test_line_ends_byte_marks_and_times_before_the_lines_change_nothing(self):
        plain = log(*EXPECTED)
        stamped = "\n".join(
            line if line.startswith("#") else f"12:30:{n % 60:02}.000 -> {line}"
            for n, line in enumerate(plain.split("\n"))
        )
        for text in (plain.replace("\n", "\r\n"), "\ufeff" + plain, stamped, plain + "\n\n\n"):
            self.assertEqual(verdicts(text), verdicts(plain))

    def test_steps_in_another_order_keep_their_names(self):
        parts = log(*EXPECTED).split("# ")[1:]
        for seed in range(4):
            shuffled = parts[:]
            Random(seed).shuffle(shuffled)
            found = verdicts("".join(f"# {part.rstrip()}\n" for part in shuffled))
            self.assertEqual(found, verdicts(log(*EXPECTED)), seed)

    def test_a_step_that_is_marked_twice_is_put_together_or_its_last_counts(self):
        text = log(*EXPECTED)
        again = text + "\n# Room air\n" + "\n".join(f"{EXPECTED[0]:.2f}" for _ in range(10))
        self.assertEqual(verdicts(again)["Room air"], "likely")

    def test_a_step_left_out_is_missing_and_the_others_are_judged(self):
        found = verdicts(log(*EXPECTED[:2], marks=NAMES[:2]))
        self.assertEqual(found[NAMES[2]], "missing")
        self.assertEqual({found[name] for name in NAMES[:2]}, {"likely"})

    @settings(max_examples=30, deadline=None)
    @given(st.floats(6, 60), st.integers(0, 2))
    def test_a_step_that_is_far_off_is_out_and_only_that_one(self, off: float, which: int):
        centres = [value + off * (index == which) for index, value in enumerate(EXPECTED)]
        found = verdicts(log(*centres))
        self.assertIn(found[NAMES[which]], ("out", "in-limits"))
        for index, name in enumerate(NAMES):
            if index != which:
                self.assertEqual(found[name], "likely")
        if off > 12:
            self.assertEqual(found[NAMES[which]], "out")
