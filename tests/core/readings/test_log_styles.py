"""Logs as students print them: in every layout the steps are found, the columns known, and each reading judged."""

from collections.abc import Callable
from pathlib import Path
from random import Random
from unittest import TestCase

from hypothesis import given
from hypothesis import strategies as st

from tests.samples import DEMO, hand_in
from verifex.core.exercise import Exercise, read_exercise
from verifex.core.expected import Sheet, expected_sheet
from verifex.core.problems import UnusableInput
from verifex.core.readings import ReadingsReport, compare_log, read_log

Line = Callable[[list[float], int], str]
GOOD = ("likely", "in-limits", "exempt")


def exercise_of(name: str) -> Exercise:
    return read_exercise((Path(DEMO) / "exercises" / name / "exercise.yaml").read_text("utf-8"))


BROOD, CLIMATE, GAUGE, LID = (
    exercise_of(name) for name in ("brood-box-heat-watch", "hive-climate", "super-height-gauge", "lid-open-watch")
)
NIGHT, TAG, TILT, PROBE = (
    exercise_of(name) for name in ("night-visitor-watch", "hive-tag-check-in", "toppled-hive-alarm", "syrup-tank-probe")
)
GAP = exercise_of("entrance-gap-watch")
SHEETS: dict[str, Sheet] = {e.id: expected_sheet(e) for e in (BROOD, CLIMATE, GAUGE, LID, NIGHT, TAG, TILT, PROBE, GAP)}


def volts(celsius: float) -> float:
    return (celsius + 50) / 100


def count(celsius: float) -> int:
    return int(volts(celsius) / 5 * 1024)


def printed(exercise: Exercise, line: Line, mark: str = "# {name}", wrong: float = 0.0, readings: int = 10) -> str:
    """A log of a sound bench whose values lie `wrong` beside what it should read, in one way of printing."""
    chance, lines = Random(7), []
    for number, step in enumerate(SHEETS[exercise.id].steps, start=1):
        if mark:
            lines.append(mark.format(name=step.name, n=number))
        for k in range(readings):
            wobble = chance.choice((-0.09, 0.0, 0.0, 0.09))
            lines.append(line([reading.value.nominal + wrong + wobble for reading in step.readings], k))
    return "\n".join(lines)


def judged(exercise: Exercise, text: str) -> ReadingsReport:
    return compare_log(text, exercise, SHEETS[exercise.id])


def verdicts(report: ReadingsReport) -> list[str]:
    return [reading.verdict for step in report.steps for reading in step.readings]


STYLES: dict[str, tuple[Exercise, Line]] = {
    "three on a line with units": (BROOD, lambda v, k: f"{count(v[0])} ADC, {volts(v[0]):.2f} volts, {v[0]:.2f} degrees C"),
    "both temperatures": (BROOD, lambda v, k: f"Temp C: {v[0]:.2f} Temp F: {v[0] * 1.8 + 32:.2f}"),
    "both the other way round": (BROOD, lambda v, k: f"temp_f={v[0] * 1.8 + 32:.1f}; temp_c={v[0]:.1f}"),
    "whole degrees with decimals": (BROOD, lambda v, k: f"{volts(v[0]):.2f} volts, {round(v[0]):.2f} degrees"),
    "a clock in front": (BROOD, lambda v, k: f"12:01:{k:02d}.123 -> {v[0]:.2f}"),
    "milliseconds in brackets": (BROOD, lambda v, k: f"[{1604 + 1000 * k}] {v[0]:.2f}"),
    "a column of milliseconds": (BROOD, lambda v, k: f"{1604 + 1000 * k},{v[0]:.2f}"),
    "seconds with their unit": (BROOD, lambda v, k: f"{k + 1} s: {v[0]:.2f}"),
    "a date in front": (BROOD, lambda v, k: f"2026-11-27 09:14:{k:02d}, {v[0]:.2f}"),
    "tabs": (BROOD, lambda v, k: f"{count(v[0])}\t{volts(v[0]):.3f}\t{v[0]:.1f}"),
    "tabs, the reading first": (BROOD, lambda v, k: f"{v[0]:.1f}\t{volts(v[0]):.3f}\t{count(v[0])}"),
    "bars": (BROOD, lambda v, k: f"raw {count(v[0])} | U {volts(v[0]):.2f} V | T {v[0]:.1f} °C"),
    "a decimal comma": (BROOD, lambda v, k: f"{v[0]:.2f}".replace(".", ",")),
    "a decimal comma and a unit": (BROOD, lambda v, k: f"Temp: {v[0]:.2f} C".replace(".", ",")),
    "several lines a reading": (BROOD, lambda v, k: f"raw: {count(v[0])}\nvolts: {volts(v[0]):.3f}\ntemp: {v[0]:.1f}\n"),
    "glued to the unit": (BROOD, lambda v, k: f"T={v[0]:.1f}C"),
    "a sentence": (BROOD, lambda v, k: f"The brood box has {v[0]:.1f} degrees Celsius now."),
    "a lamp beside it": (BROOD, lambda v, k: f"{v[0]:.1f} C  alarm 0"),
    "two quantities on a line": (CLIMATE, lambda v, k: f"Humidity: {v[1]:.1f} % Temperature: {v[0]:.1f} C"),
    "two quantities on two lines": (CLIMATE, lambda v, k: f"Humidity: {v[1]:.1f} %\nTemperature: {v[0]:.1f} *C"),
    "two bare columns": (CLIMATE, lambda v, k: f"{v[0]:.1f},{v[1]:.1f}"),
    "two bare columns the other way": (CLIMATE, lambda v, k: f"{v[1]:.1f};{v[0]:.1f}"),
    "inch before centimetre": (GAUGE, lambda v, k: f"{v[0] / 2.54:.0f}in, {v[0]:.0f}cm"),
    "centimetre before inch": (GAUGE, lambda v, k: f"{v[0]:.0f} cm / {v[0] / 2.54:.1f} inches"),
    "echo time and distance": (GAUGE, lambda v, k: f"echo {v[0] * 58.2:.0f} us  distance {v[0]:.1f} cm"),
    "light and a lamp": (LID, lambda v, k: f"light = {v[0]:.0f}  lamp = {int(v[0] > 500)}"),
    "light and its volts": (LID, lambda v, k: f"{v[0]:.0f} {v[0] * 5 / 1024:.2f}V"),
    "three axes": (TILT, lambda v, k: f"X = {v[0]:.0f} Y = 0 Z = 88"),
    "an angle": (TILT, lambda v, k: f"Angle: {v[0]:.1f} deg"),
    "a numbered module": (PROBE, lambda v, k: f"Sensor 0: {v[0]:.2f} deg C"),
    "talk between readings": (PROBE, lambda v, k: f"Requesting temperatures...DONE\nTemp C: {v[0]:.2f}  Temp F: {v[0] * 1.8 + 32:.2f}"),
}  # fmt: skip
MARKS = (
    "# {name}", "*** {name} ***", "[{name}]", ">>> {name}", "step {n}", "Step {n}: {name}", "now: {name}", "{n}) {name}", "{name}:",
    "-- {name} --", "<{name}>", "{name} starts now", "=========\n{name}\n=========", "## {n} ##", "// {name}", "12:00:00.5 -> {name}", "",
)  # fmt: skip


class StyleTest(TestCase):
    def test_every_layout_is_read_and_each_reading_judged(self):
        for name, (exercise, line) in STYLES.items():
            with self.subTest(name):
                report = judged(exercise, printed(exercise, line))
                self.assertTrue(all(verdict in GOOD for verdict in verdicts(report)), report)
                self.assertEqual(report.verdict, "in-limits")

    def test_in_every_layout_wrong_readings_are_out(self):
        for name, (exercise, line) in STYLES.items():
            with self.subTest(name):
                report = judged(exercise, printed(exercise, line, wrong=170.0 if exercise is LID else 9.0))
                self.assertEqual(report.verdict, "out", report)

    def test_every_style_of_mark_is_one(self):
        for mark in MARKS:
            with self.subTest(mark):
                report = judged(BROOD, printed(BROOD, lambda v, k: f"{v[0]:.2f}", mark=mark))
                self.assertEqual([step.first.count for step in report.steps], [10, 10, 10])
                self.assertEqual(report.verdict, "in-limits")

    def test_a_step_named_in_each_line_is_no_column(self):
        lines = [f"{step.name}: {step.value.nominal:.1f} C" for step in SHEETS[BROOD.id].steps for _ in range(5)]
        self.assertEqual(judged(BROOD, "\n".join(lines)).verdict, "in-limits")

    def test_the_second_reading_is_judged_too(self):
        text = printed(CLIMATE, lambda v, k: f"Humidity: {v[1] + 30:.1f} % Temperature: {v[0]:.1f} C")
        report = judged(CLIMATE, text)
        self.assertEqual(report.verdict, "out")
        self.assertEqual([[r.verdict for r in step.readings] for step in report.steps], [["likely", "out"]] * 2)

    def test_the_column_that_was_taken_is_told_with_its_reason(self):
        report = judged(BROOD, printed(BROOD, STYLES["both temperatures"][1]))
        self.assertIn("Taken for the temperature: “temp c”, because it is printed in °C.", report.notes)

    @given(st.text(alphabet="0123456789.,:;=-# \n\t°CFxyVgmRadin", max_size=300))
    def test_any_log_is_answered(self, text: str):
        for exercise in (BROOD, CLIMATE, TAG, NIGHT):
            try:
                self.assertIn(judged(exercise, text).verdict, ("in-limits", "out", "incomplete", "not-judged"))
            except UnusableInput as refused:
                self.assertTrue(refused.problems[0].message)


class StateTest(TestCase):
    """A state may be reported in words; an id in any way of writing it."""

    def test_words_are_held_against_what_was_done(self):
        table = {
            "# Yard empty\n# Visitor\nMotion detected!\nMotion ended!": ["likely", "likely"],
            "# Yard empty\nno motion\nno motion\n# Visitor\nMotion\nMotion\nMotion": ["likely", "likely"],
            "# Yard empty\nPIR: LOW\nPIR: LOW\n# Visitor\nPIR: HIGH\nPIR: HIGH": ["likely", "likely"],
            "# Yard empty\n0\n0\n0\n# Visitor\n0\n1\n1\n1\n1": ["likely", "likely"],
            "# Yard empty\nMotion!\nMotion!\n# Visitor\nMotion!\nMotion!": ["out", "likely"],
            "# Yard empty\nPIR: HIGH\nPIR: HIGH\n# Visitor\nPIR: LOW\nPIR: LOW": ["out", "out"],
        }
        for text, expected in table.items():
            self.assertEqual(verdicts(judged(NIGHT, text)), expected, text)

    def test_ids_in_any_writing(self):
        for form in (
            "04 A2 19 7C",
            "0x04:0xA2:0x19:0x7C",
            "04:a2:19:7c",
            "Card UID: 04 A2 19 7C",
            "04A2197C",
            "UID=04-A2-19-7C",
        ):
            text = f"# No tag\n# Tag of the trail\n{form}\n{form}\n# Strange tag\n8B 30 D4 51\n"
            self.assertEqual(verdicts(judged(TAG, text)), ["likely"] * 3, form)

    def test_another_tag_and_a_tag_where_none_was(self):
        text = "# No tag\n04 A2 19 7C\n# Tag of the trail\n8B 30 D4 51\n# Strange tag\n8B 30 D4 51\n"
        report = judged(TAG, text)
        self.assertEqual(verdicts(report), ["out", "out", "likely"])
        self.assertEqual(report.steps[1].first.said, "8B 30 D4 51")


class OddLogTest(TestCase):
    """Logs that nobody made to fit."""

    def steps(self, *lines: str) -> str:
        return "\n".join(f"# {step.name}\n" + f"{line}\n" * 8 for step, line in zip(BROOD.steps, lines, strict=True))

    def test_a_word_beside_the_reading_makes_no_other_column(self):
        for lines in (
            ("21.4 C", "28.1 C", "37.9 C ALARM!"), ("21.4", "28.1", "ALARM 37.9"), ("21.4 C", "28.1 C", "too warm: 37.9 C"),
            ("T: 21.4 C limit: 33.0 C", "T: 28.1 C limit: 33.0 C", "T: 37.9 C limit: 33.0 C"),
            ("145;0,708;21,4", "160;0,781;28,1", "180;0,879;37,9"),
        ):  # fmt: skip
            self.assertEqual(judged(BROOD, self.steps(*lines)).verdict, "in-limits", lines)

    def test_marks_in_other_words_are_taken_in_the_order_of_the_plan(self):
        text = self.steps("21.4", "28.1", "37.9").replace("Room air", "erster").replace("Held in the hand", "zweiter")
        report = judged(BROOD, text.replace("Warm pack", "dritter"))
        self.assertEqual(report.verdict, "in-limits")
        self.assertIn("taken in its order", " ".join(report.notes))

    def test_a_program_or_a_letter_is_no_log(self):
        with self.assertRaisesRegex(UnusableInput, "this is the program"):
            judged(BROOD, hand_in("sound-a.cpp"))
        letter = "We measured about 21 degrees in the room, 28 in the hand and 38 with the warm pack this morning."
        with self.assertRaisesRegex(UnusableInput, "only text such as"):
            judged(BROOD, letter)

    def test_a_restart_in_the_middle_of_a_step(self):
        text = self.steps("21.4", "28.1", "37.9").replace("28.1\n28.1\n", "28.1\nReady\n28.1\n", 1)
        self.assertEqual(judged(BROOD, text).verdict, "in-limits")


class FoundStepsTest(TestCase):
    BARE: Line = staticmethod(lambda v, k: f"{v[0]:.2f}")

    def test_without_marks_the_values_show_the_steps(self):
        report = judged(BROOD, printed(BROOD, self.BARE, mark=""))
        self.assertEqual(report.verdict, "in-limits")
        self.assertIn("the steps were found where the readings change", " ".join(report.notes))

    def test_a_constant_error_does_not_hide_the_steps(self):
        report = judged(BROOD, printed(BROOD, self.BARE, mark="", wrong=50.0))
        self.assertEqual([step.verdict for step in report.steps], ["out"] * 3)

    def test_what_shows_no_steps_is_not_judged(self):
        for text in ("\n".join(["21.5"] * 40), "\n".join(f"{20 + n * 0.5:.1f}" for n in range(40)), "21.5\n38.2\n"):
            report = judged(BROOD, text)
            self.assertEqual(report.verdict, "not-judged", text)
            self.assertIn("No step is marked", " ".join(report.notes))

    def test_a_forgotten_first_mark(self):
        text = printed(BROOD, self.BARE).split("\n", 1)[1]
        report = judged(BROOD, text)
        self.assertEqual(report.verdict, "in-limits")
        self.assertIn("before the first mark were taken for “Room air”", " ".join(report.notes))

    def test_a_word_of_a_step_is_enough_for_a_mark(self):
        parts = printed(BROOD, self.BARE, mark="@{n}")
        for marks in (("room", "now in my hand", "warm pak"), ("the room again", "HELD", "pack!")):
            text = parts
            for number, mark in enumerate(marks, start=1):
                text = text.replace(f"@{number}", mark)
            report = judged(BROOD, f"Brood box ready\n{text}")
            self.assertEqual([step.first.count for step in report.steps], [10, 10, 10], marks)

    def test_what_a_program_says_with_each_reading_is_no_mark(self):
        text = "\n".join(
            f"{line}\nin the room" if "." in line else line for line in printed(BROOD, self.BARE).split("\n")
        )
        self.assertEqual([step.first.count for step in judged(BROOD, text).steps], [10, 10, 10])

    def test_a_failed_read_before_the_first_mark_hides_no_step(self):
        report = judged(BROOD, "nan\n" + printed(BROOD, self.BARE, mark=""))
        self.assertEqual(report.verdict, "in-limits")

    def test_ruled_lines_part_the_steps_where_nothing_else_does(self):
        parts = printed(BROOD, self.BARE, mark="----------")
        self.assertEqual(judged(BROOD, parts).verdict, "in-limits")

    def test_steps_of_one_name_are_taken_in_their_order(self):
        steps = [s.model_copy(update={"name": "Room air"}) if i == 2 else s for i, s in enumerate(BROOD.steps)]
        twice = BROOD.model_copy(update={"steps": steps})
        report = compare_log(printed(BROOD, self.BARE).replace("Warm pack", "Room air"), twice, expected_sheet(twice))
        self.assertEqual((report.verdict, [s.first.count for s in report.steps]), ("in-limits", [10, 10, 10]))


class TimedTest(TestCase):
    """Times before the lines tell the steps where nothing else does; a person may set where one begins."""

    SHEET = expected_sheet(BROOD)
    EXPECTED = tuple(step.value.nominal for step in SHEET.steps)

    def log(self, stamp: Callable[[int], str], pause_ms: int = 0) -> str:
        """A reading a second that flickers so much that its levels do not show, with a pause between the steps."""
        lines, at_ms = [], 0
        for centre in self.EXPECTED:
            for index in range(10):
                lines.append(f"{stamp(at_ms)}{centre + 4.0 * (-1) ** (index // 2):.2f}")
                at_ms += 1000
            at_ms += pause_ms
        return "\n".join(lines)

    def test_pauses_and_the_times_of_the_plan_part_the_steps(self):
        clock = "{0:02d}:{1:02d}:{2:02d} -> "
        for stamp, pause_ms, how in (
            (lambda ms: clock.format(10, ms // 60_000, ms // 1000 % 60), 15_000, "at the pauses"),
            (lambda ms: clock.format(10, ms // 60_000, ms // 1000 % 60), 0, "as long as the plan"),
            (lambda ms: f"{ms + 300},", 0, "as long as the plan"),
            (lambda ms: f"{ms // 1000 + 4}\t", 15_000, "at the pauses"),
        ):
            report = compare_log(self.log(stamp, pause_ms), BROOD, self.SHEET)
            self.assertEqual([step.first.count for step in report.steps], [10, 10, 10], how)
            self.assertIn(how, report.notes[0])

    def test_times_that_fit_neither_pauses_nor_plan_part_nothing(self):
        slow = self.log(lambda ms: f"[{3 * ms + 100}] ")
        self.assertEqual(compare_log(slow, BROOD, self.SHEET).verdict, "not-judged")
        upside_down = "\n".join(reversed([f"{v:.2f}" for v in self.EXPECTED for _ in range(10)]))
        timed = "\n".join(f"[{1000 * i + 100}] {v}" for i, v in enumerate(upside_down.split()))
        self.assertEqual(compare_log(timed, BROOD, self.SHEET).verdict, "not-judged")

    def test_a_person_sets_where_a_step_begins_and_the_others_stay(self):
        text = "# Room air\n21\n21\n21\n30\n# Held in the hand\n30\n31\n# Warm pack\n38\n38"
        log = read_log(text, BROOD, self.SHEET, begins={1: 5})
        self.assertEqual([step.values for step in log.steps], [[21, 21, 21], [30, 30, 31], [38, 38]])
        self.assertIn("A person set where “Held in the hand” begins.", log.notes)


class SaidTest(TestCase):
    """What is worth knowing stands in the result in words."""

    def test_a_step_that_still_moves(self):
        lines = [line for step in SHEETS[BROOD.id].steps for line in (f"# {step.name}", *_rising(step.value.nominal))]
        self.assertRegex(" ".join(judged(BROOD, "\n".join(lines)).notes), r"still rise by \d.* °C within the step")

    def test_a_reading_that_stands_still(self):
        text = "\n".join(f"# {step.name}\n" + "24.3\n" * 10 for step in BROOD.steps)
        self.assertIn("stands still at 24.3 °C although the steps differ", " ".join(judged(BROOD, text).notes))

    def test_what_is_no_log_says_what_it_is(self):
        table = {
            "Starting…\nReady\n": "only text such as “Starting…”",
            "\ufffd\x80\ufffd\n\ufffd\ufffd": "another baud rate",
            "þøÿþ\nøþÿø\nÿÿþø": "another baud rate",
        }
        for text, said in table.items():
            with self.assertRaisesRegex(UnusableInput, said):
                judged(BROOD, text)

    def test_garbage_between_readings_is_left_out(self):
        text = printed(BROOD, lambda v, k: "þøÿ\ufffdþø" if k == 0 else f"{v[0]:.2f}")
        report = judged(BROOD, text)
        self.assertEqual(report.verdict, "in-limits")
        self.assertIn("3 lines are garbage characters", " ".join(report.notes))

    def test_no_noise_is_nothing_to_look_at_where_a_level_or_a_rounded_number_is_printed(self):
        still = "\n".join(f"# {step.name}\n" + f"{step.value.nominal:.0f}\n" * 12 for step in SHEETS[GAUGE.id].steps)
        self.assertEqual(judged(GAUGE, still).honesty, ())
        self.assertEqual(judged(NIGHT, "# Yard empty\n" + "0\n" * 12 + "# Visitor\n" + "1\n" * 12).honesty, ())


def _rising(value: float) -> list[str]:
    return [f"{value - 4 + 0.4 * k:.2f}" for k in range(20)]
