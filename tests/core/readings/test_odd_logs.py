"""Logs in other hands: many numbers a line, states beside counts, files of other codes, values that are no readings."""

import json
import random
from pathlib import Path
from tempfile import TemporaryDirectory
from unittest import TestCase

from tests.core.readings.test_log_styles import (
    BROOD,
    CLIMATE,
    GAP,
    GAUGE,
    LID,
    NIGHT,
    PROBE,
    SHEETS,
    TAG,
    TILT,
    Line,
    count,
    judged,
    printed,
    verdicts,
    volts,
)
from tests.samples import exercise
from verifex.core.assess import Case, ReadingsRecord, assess_station
from verifex.core.cli.files import text_of
from verifex.core.exercise import Exercise

EVERYTHING: Line = lambda v, k: (  # noqa: E731
    f"r: {count(v[0])}  v: {volts(v[0]):.3f} V  {1000 * volts(v[0]):.1f} mV  {v[0]:.2f} C  {1.8 * v[0] + 32:.1f} F"
)


def steps(plan: Exercise, *values: list[str]) -> str:
    return "\n".join(line for step, own in zip(plan.steps, values, strict=True) for line in (f"# {step.name}", *own))


def assessed(plan: Exercise, text: str, program: str | None = None) -> ReadingsRecord:
    record = assess_station(Case(plan, wiring=plan.reference_wiring() or None, log=text, program=program), "readings")
    assert isinstance(record, ReadingsRecord)
    return record


class LayoutTest(TestCase):
    def test_a_line_of_many_blanks_is_read_by_its_units(self):
        report = judged(BROOD, printed(BROOD, EVERYTHING))
        self.assertEqual(report.verdict, "in-limits")
        self.assertIn("“c”, because it is printed in °C", " ".join(report.notes))

    def test_a_state_beside_the_count_is_not_taken_for_it(self):
        for line in (lambda v, k: f"{v[0]:.0f} {int(v[0] > 500)}", lambda v, k: f"{int(v[0] > 500)} {v[0]:.0f}"):
            with self.subTest(line([700.0], 0)):
                report = judged(LID, printed(LID, line))
                self.assertEqual(report.verdict, "in-limits")
                self.assertIn("it lies in the limits of every step", " ".join(report.notes))

    def test_an_axis_beside_the_angle_is_not_taken_for_it(self):
        line: Line = lambda v, k: f"x={v[0] / 90:.2f} y=0.02 z=0.9 angle={v[0]:.0f}"  # noqa: E731
        self.assertEqual(judged(TILT, printed(TILT, line)).verdict, "in-limits")

    def test_the_step_as_a_field_of_each_line(self):
        names = [step.name for step in BROOD.steps]
        bare = printed(BROOD, lambda v, k: f"{v[0]:.2f}", mark="").split("\n")
        for line in (
            lambda name, value: json.dumps({"step": name, "temp": float(value)}),
            lambda name, value: json.dumps({"data": {"temp": float(value)}, "at": name}),
            lambda name, value: f"{name};{value}",
        ):
            text = "\n".join(line(names[i // 10], value) for i, value in enumerate(bare))
            with self.subTest(text.partition("\n")[0]):
                self.assertEqual(judged(BROOD, text).verdict, "in-limits")

    def test_marks_in_another_language_beside_one_that_is_known(self):
        text = printed(BROOD, lambda v, k: f"{v[0]:.2f}").replace("Room air", "Raumluft")
        self.assertEqual(judged(BROOD, text).verdict, "in-limits")

    def test_the_codes_that_consoles_save_in(self):
        with TemporaryDirectory() as folder:
            for code in ("utf-8", "utf-8-sig", "utf-16", "utf-16-le", "utf-16-be", "cp1252"):
                file = Path(folder) / code
                file.write_bytes("# Room air\n21.5 °C\n".encode(code))
                self.assertEqual(text_of(str(file)), "# Room air\n21.5 °C\n", code)

    def test_whole_numbers_stand_for_all_that_is_cut_to_them(self):
        low, high = SHEETS[PROBE.id].steps[0].first.value.low, SHEETS[PROBE.id].steps[0].first.value.high
        for value, verdict in ((int(low), "likely"), (int(low) - 1, "out"), (int(high) + 2, "out")):
            text = steps(PROBE, [str(value)] * 10, ["21"] * 10, ["36"] * 10)
            self.assertEqual(judged(PROBE, text).steps[0].verdict, verdict, value)

    def test_an_id_without_its_leading_zeros(self):
        text = steps(TAG, [], ["DE AD 10 1"] * 2, ["8B 30 D4 51"] * 2)
        self.assertEqual(judged(TAG, text).steps[1].first.said, "DE AD 10 01")


class StateTest(TestCase):
    def test_words_without_marks_are_divided_as_levels_are(self):
        for words in (("Nothing", "obstacle"), ("Free", "Blocked")):
            text = "\n".join([words[0]] * 9 + [words[1]] * 9)
            self.assertEqual(judged(GAP, text).verdict, "in-limits", words)

    def test_a_word_that_is_printed_is_no_mark_where_marks_are_signed(self):
        text = steps(GAP, ["free", "blocked", *["free"] * 8], ["blocked"] * 9)
        self.assertEqual(verdicts(judged(GAP, text)), ["likely", "likely"])

    def test_levels_that_are_printed_on_change_hold(self):
        self.assertEqual(judged(NIGHT, "# Visitor\n1\n# Yard empty\n0\n").verdict, "in-limits")
        self.assertEqual(judged(GAP, "# Hole free\n# Hole blocked\n0\n1\n").steps[0].verdict, "likely")

    def test_a_step_without_a_line_has_the_state_in_which_the_program_prints_none(self):
        program = """
        void setup() { pinMode(2, INPUT); Serial.begin(9600); }
        void loop() { if (digitalRead(2) == HIGH) { Serial.println("Motion!"); delay(500); } }
        """
        text = "# Yard empty\n# Visitor\nMotion!\nMotion!\nMotion!\n"
        self.assertEqual(assessed(exercise(NIGHT.id), text).verdict, "incomplete")
        self.assertEqual(assessed(exercise(NIGHT.id), text, program).verdict, "in-limits")

    def test_a_state_that_flickers_and_words_that_contradict_are_told(self):
        chance = random.Random(1)
        flickers = steps(NIGHT, [str(int(chance.random() < 0.3)) for _ in range(20)], ["1"] * 20)
        self.assertIn("the motion changes", " ".join(judged(NIGHT, flickers).notes))
        contradicts = steps(NIGHT, ["0 motion"] * 9, ["1 no motion"] * 9)
        self.assertIn("Line 2: the words say that something is there", " ".join(judged(NIGHT, contradicts).notes))
        sound = steps(NIGHT, ["0 no motion"] * 9, ["1 motion"] * 9)
        self.assertEqual(judged(NIGHT, sound).notes, ())


class NoReadingTest(TestCase):
    """Values by which a library says that nothing came are left out between others, and have their own cause alone."""

    def test_between_good_values_they_are_left_out_and_named(self):
        table = [
            (GAUGE, ["10.1", "0.0", "9.9", "10.0"] * 4, ["40.0"] * 9, ["120.0"] * 9, "4 of 16 readings are 0: no echo"),
            (PROBE, ["85.00", *["5.00"] * 9], ["21.5"] * 9, ["36.0"] * 9, "are 85: what the module holds before"),
            (PROBE, ["5.00"] * 9, ["-127.00", "21.5", "21.5"] * 3, ["36.0"] * 9, "are -127: no module answered"),
        ]
        for plan, *values, said in table:
            report = judged(plan, steps(plan, *values))
            with self.subTest(said):
                self.assertEqual(report.verdict, "in-limits")
                self.assertIn(said, " ".join(report.notes))

    def test_a_probe_that_is_warmed_to_85_is_not_read_too_soon(self):
        for value in (0.0, -1.0):
            self.assertEqual(judged(NIGHT, steps(NIGHT, [f"{value:g}"] * 9, ["1"] * 9)).steps[0].first.unanswered, ())

    def test_alone_they_have_their_own_cause(self):
        gauge = [["10.0"] * 9, ["40.0"] * 9]
        table = [
            *((GAUGE, [*gauge, [value] * 9], "beyond-reach") for value in ("0.0", "-1", "200.0", "400")),
            (PROBE, [["85.00"] * 9] * 3, "read-too-soon"),
            (PROBE, [["5.0"] * 9, ["-127.00"] * 9, ["36.0"] * 9], "answer-lost"),
            (PROBE, [["-127.00"] * 9] * 3, "not-answering"),
            (TAG, [[], ["00 00 00 00"] * 3, ["00 00 00 00"] * 3], "not-answering"),
            (CLIMATE, [["T 819.0 C H 896.0 %"] * 9] * 2, "bytes-misread"),
            (CLIMATE, [["T 21.5 H 4.5"] * 9, ["T 23.0 H 8.8"] * 9], "tenfold"),
            (NIGHT, [["2"] * 9] * 2, "pin-number-printed"),
            (BROOD, [["0.00"] * 9] * 3, "count-divided-away"),
        ]
        for plan, values, fault in table:
            with self.subTest(fault, values=values[-1][0]):
                self.assertEqual(assessed(exercise(plan.id), steps(plan, *values)).diagnosis[0].fault, fault)


class ConductTest(TestCase):
    def test_noise_is_told_as_noise_and_not_as_a_drift(self):
        chance = random.Random(4)
        for wobble in (lambda k: chance.uniform(-6, 6), lambda k: 5.0 if k % 2 else -5.0):
            values = [[f"{v + wobble(k):.2f}" for k in range(12)] for v in (21.5, 28.0, 38.0)]
            notes = " ".join(judged(BROOD, steps(BROOD, *values)).notes)
            self.assertIn("from one reading to the next, up and down", notes)
            self.assertNotIn("within the step", notes)

    def test_stands_still_is_told_only_where_nothing_moved(self):
        moves = [[f"{volts(v) + 0.001 * (k % 3):.3f}" for k in range(12)] for v in (21.5, 28.0, 38.0)]
        self.assertNotIn("stands still", " ".join(judged(BROOD, steps(BROOD, *moves)).notes))
        self.assertIn("stands still", " ".join(judged(BROOD, steps(BROOD, *[["0.71"] * 12] * 3)).notes))

    def test_a_second_unit_that_does_not_follow_from_the_first(self):
        for offset, said in ((0.0, ""), (50.0, "There the offset of the module, 0.5 V, is not taken off.")):
            line: Line = lambda v, k, offset=offset: f"{v[0]:.2f} C  {(v[0] + offset) * 1.8 + 32:.1f} F"  # type: ignore[misc]  # noqa: E731
            notes = " ".join(judged(BROOD, printed(BROOD, line)).notes)
            self.assertEqual("do not belong together" in notes, bool(said))
            self.assertIn(said, notes)

    def test_random_values_over_the_whole_range_are_a_floating_input_first(self):
        chance = random.Random(2)
        for plan, show in ((LID, lambda c: str(c)), (BROOD, lambda c: f"{c * 500 / 1024 - 50:.2f}")):
            values = [[show(chance.randint(0, 900)) for _ in range(12)] for _ in plan.steps]
            self.assertEqual(assessed(exercise(plan.id), steps(plan, *values)).diagnosis[0].fault, "floating", plan.id)
