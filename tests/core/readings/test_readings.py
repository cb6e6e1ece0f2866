from math import exp
from unittest import TestCase

from hypothesis import given
from hypothesis import strategies as st

from tests.samples import EXERCISE, PROGRAM, WIRING, hand_in
from verifex.core.assess import Case, assess_station
from verifex.core.expected import Measured, expected_sheet
from verifex.core.printed.baud import received
from verifex.core.problems import UnusableInput
from verifex.core.readings import compare_log, read_log
from verifex.core.readings.compare import settled_part
from verifex.core.readings.grid import printable_values
from verifex.core.readings.honesty import OtherLog
from verifex.core.twin import check_on_bench

SHEET = expected_sheet(EXERCISE, WIRING, measured=Measured(rail_volts=4.93))
EXPECTED = [step.value.nominal for step in SHEET.steps]
NAMES = [step.name for step in EXERCISE.steps]


def log(*centres: float, form: str = "{:.2f}", marks: list[str] | None = None) -> str:
    lines = []
    for mark, centre in zip(marks or NAMES, centres, strict=False):
        lines.append(f"# {mark}")
        lines += [form.format(centre + wobble) for wobble in (0, 0.49, 0, -0.49, 0, 0, 0.49, 0, 0, 0)]
    return "\n".join(lines)


class ReadLogTest(TestCase):
    def test_what_students_print(self):
        for form in ("{:.2f}", "T={:.2f} C", "brood box: {:.2f} °C, ok", "12 {:.2f}"):
            steps = read_log(log(22.2, 29.1, 38.9, form=form), EXERCISE).steps
            self.assertEqual([s.values[0] for s in steps], [22.2, 29.1, 38.9], form)

    def test_marks_by_name_number_and_near_name(self):
        for marks in (
            NAMES,
            ["1", "2", "3"],
            ["room air!", "held in hand", "warm pack 2"],
            ["Step 1", "step 2", "step 3"],
        ):
            self.assertEqual([s.name for s in read_log(log(1, 2, 3, marks=marks), EXERCISE).steps], NAMES, marks)

    def test_setup_noise_nan_and_garbage_are_told_apart(self):
        text = "hello\n21.0\n# Room air\nnan\n22.1\n\ufffd\ufffd\x80\ufffd\n22.1\n"
        read = read_log(text, EXERCISE)
        self.assertEqual(
            (read.unmarked, read.steps[0].values, read.steps[0].not_numbers, read.garbage_lines),
            ([21.0], [22.1, 22.1], 1, 1),
        )
        self.assertEqual(len(read.notes), 3)

    def test_what_cannot_be_used_says_why(self):
        for text, said in (
            ("", "empty"),
            ("hello\nworld", "no number"),
            ("\ufffd\x80\ufffd\n\ufffd\ufffd", "baud rate"),
            ("1" * (11 << 20), "10 MB"),
            ("1e999\n-1e999", "no number"),
        ):
            with self.assertRaisesRegex(UnusableInput, said):
                read_log(text, EXERCISE)

    def test_garbage_says_which_rate_it_probably_was(self):
        for rate in (19200, 57600, 115200):
            shown = received(b"24.71\r\n24.22\r\n" * 20, 9600, rate).decode("latin-1")
            with self.assertRaisesRegex(UnusableInput, f"read at {rate} baud while the program prints at 9600"):
                read_log(shown, EXERCISE)

    @given(st.text(max_size=300))
    def test_any_text_is_answered(self, text: str):
        try:
            compare_log(text, EXERCISE, SHEET)
        except UnusableInput as refused:
            self.assertTrue(refused.problems)


class CompareTest(TestCase):
    def test_right_readings_are_in_limits(self):
        report = compare_log(log(*EXPECTED), EXERCISE, SHEET)
        self.assertEqual((report.verdict, [s.verdict for s in report.steps]), ("in-limits", ["likely"] * 3))

    def test_a_step_lies_by_its_centre_between_the_likely_and_the_widest_limits(self):
        room = SHEET.steps[0].first
        nudge = 0.002
        for centre, verdict in (
            (room.likely[0] + nudge, "likely"), (room.likely[1] - nudge, "likely"), (room.likely[0] - nudge, "in-limits"),
            (room.likely[1] + nudge, "in-limits"), (room.value.low + nudge, "in-limits"), (room.value.high - nudge, "in-limits"),
            (room.value.low - nudge, "out"), (room.value.high + nudge, "out"),
        ):  # fmt: skip
            report = compare_log(log(centre, *EXPECTED[1:], form="{:.3f}"), EXERCISE, SHEET)
            self.assertEqual(report.steps[0].verdict, verdict, centre)

    def test_where_it_settles_the_last_part_counts_and_noise_is_no_drift(self):
        def lag(tau: float, end: float, count: int = 40) -> list[float]:
            return [round(end - 8 * exp(-n / tau), 2) for n in range(count)]

        warming = lag(6.0, 29.0)
        self.assertEqual(settled_part(warming), warming[-10:])
        noisy = [22.0 + 0.49 * (n % 3) for n in range(40)]
        self.assertEqual(settled_part(noisy), noisy[8:])
        steady = [
            20.0 + 0.1 * n for n in range(40)
        ]  # moves on as fast as ever: it has not settled, so nothing is left out
        self.assertEqual(settled_part(steady), steady[8:])
        self.assertEqual([len(settled_part([1.0] * n)) for n in (1, 4, 5, 9, 10)], [1, 4, 4, 8, 8])

    def test_count_centre_spread_and_drift_are_of_the_settled_part(self):
        values = [30.0, 30.0, *[22.0, 22.5] * 4]
        text = "\n".join([f"# {NAMES[0]}", *map(str, values)])
        first = compare_log(text, EXERCISE, SHEET).steps[0].first
        self.assertEqual((first.count, first.centre, first.spread, first.drift), (10, 22.25, 0.25, 0.0))
        self.assertEqual(first.lines, tuple(range(2, 12)))
        short = compare_log("\n".join([f"# {NAMES[0]}", "22.0", "22.5", "22.5"]), EXERCISE, SHEET).steps[0].first
        self.assertEqual((short.count, short.centre, short.drift), (3, 22.5, 0.0))

    def test_without_a_sheet_the_reason_is_in_the_notes_and_with_one_it_is_not(self):
        self.assertFalse(
            [note for note in compare_log(log(*EXPECTED), EXERCISE, SHEET).notes if "no expected sheet" in note]
        )
        strange = compare_log(log(*EXPECTED) + "\n# On the moon\n21.0\n", EXERCISE, SHEET)
        self.assertIn("The mark “On the moon” belongs to no step of the plan.", strange.notes)

    def test_a_missing_step_is_said(self):
        report = compare_log(log(*EXPECTED[:2]), EXERCISE, SHEET)
        self.assertEqual((report.verdict, report.steps[2].verdict), ("incomplete", "missing"))


class HonestyTest(TestCase):
    GRID = printable_values(check_on_bench(PROGRAM, None, EXERCISE))

    def test_the_grid_is_every_value_the_program_can_print(self):
        assert self.GRID is not None
        self.assertEqual(len(self.GRID), 1024)
        averaging = PROGRAM.replace("analogRead(sensorPin)", "(analogRead(sensorPin) + analogRead(sensorPin)) / 2")
        self.assertIsNone(printable_values(check_on_bench(averaging, None, EXERCISE)))

    def test_an_honest_log_raises_nothing(self):
        report = compare_log(
            hand_in("in-limits.txt"),
            EXERCISE,
            SHEET,
            grid=self.GRID,
            others=[OtherLog.of("bench 4", (22.2, 22.7) * 20)],
        )
        self.assertEqual(report.honesty, ())

    def test_times_that_the_program_does_not_keep_are_worth_a_look(self):
        def stamped(every_ms: int, form: str) -> str:
            rows, ms = [], 0
            for name, value in zip(NAMES, (22.27, 29.1, 38.87), strict=True):
                rows.append(f"# {name}")
                for n in range(8):
                    ms += every_ms
                    at = f"[{ms}]" if form == "ms" else f"11:00:{ms // 1000:02}.{ms % 1000:03} ->"
                    rows.append(f"{at} {value + 0.49 * (n % 2):.2f}")
            return "\n".join(rows)

        for form in ("ms", "clock"):
            for every_ms, rules in ((1000, []), (1080, []), (250, ["another-pace"])):
                record = assess_station(
                    Case(EXERCISE, wiring=WIRING, program=PROGRAM, log=stamped(every_ms, form)), "readings"
                )
                assert record is not None
                found = [f.rule for f in record.findings if f.rule == "another-pace"]
                self.assertEqual(found, rules, (form, every_ms))

    def test_copied_invented_and_frozen_logs_are_worth_a_look(self):
        copied = compare_log(
            hand_in("same-again.txt"),
            EXERCISE,
            SHEET,
            others=[
                OtherLog.of(
                    "bench 4", tuple(v for s in read_log(hand_in("tidy.txt"), EXERCISE).steps for v in s.values)
                )
            ],
        )
        invented = compare_log(log(22.4, 29.3, 38.8), EXERCISE, SHEET, grid=self.GRID)
        halves = [
            f"# {name}\n" + "".join(f"{centre + 0.5 * (i * 7 % 5) - 1:.1f}\n" for i in range(10))
            for name, centre in zip(NAMES, (22.5, 29.0, 39.0), strict=True)
        ]
        written = compare_log("".join(halves), EXERCISE, SHEET)
        frozen = compare_log(
            "\n".join(f"# {n}\n" + f"{v}\n" * 10 for n, v in zip(NAMES, (22.27, 29.1, 38.87), strict=True)),
            EXERCISE,
            SHEET,
        )
        stuck = compare_log("\n".join(f"# {n}\n" + "-50.00\n" * 10 for n in NAMES), EXERCISE, SHEET)
        self.assertEqual(stuck.honesty, ())  # an input at ground has no noise, and nobody invented it
        self.assertEqual(
            [[f.rule for f in r.honesty] for r in (copied, invented, written, frozen)],
            [["same-noise"], ["off-the-grid"], ["round-numbers"], ["no-noise"]],
        )
        for report in (copied, invented, written, frozen):
            self.assertIn("Look at this", report.honesty[0].remedy)
