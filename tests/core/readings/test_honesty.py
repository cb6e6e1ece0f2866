"""What is worth a second look, at the edge of each figure that decides it: a sound log is never looked at twice."""

from collections.abc import Sequence
from unittest import TestCase

from verifex.core.readings.honesty import (
    LEAST_DIFFERENT,
    SHARED_RUN,
    OtherLog,
    Pace,
    look_closer,
    run_hashes,
    shared_runs,
)
from verifex.core.readings.log import Log, StepLog

NOISE = [20.0 + 0.49 * (n * 7 % 5) for n in range(60)]  # five different values
GRID = [f"{20 + 0.1 * n:.1f}" for n in range(100)]


def log(*steps: Sequence[float]) -> Log:
    found = [
        StepLog(f"step {n}", f"step {n}", n, columns=[list(values)], column_lines=[[]])
        for n, values in enumerate(steps)
    ]
    return Log(steps=found)


def rules(made: Log, **more) -> list[str]:
    return [finding.rule for finding in look_closer(made, more.pop("grid", None), more.pop("others", ()), **more)]


class SharedRunsTest(TestCase):
    def test_a_run_is_ten_in_a_row_with_more_than_three_values(self):
        self.assertEqual((SHARED_RUN, LEAST_DIFFERENT), (10, 3))
        self.assertEqual([len(run_hashes(NOISE[:n])) for n in (9, 10, 12)], [0, 1, 3])
        self.assertEqual(len(run_hashes([1.0, 2.0, 3.0] * 4)), 0)
        self.assertEqual(len(run_hashes([1.0, 2.0, 3.0, 4.0] * 3)), 3)

    def test_it_must_be_half_of_the_shorter_log(self):
        apart = [1000.0 + n for n in range(40)]
        other = OtherLog.of("bench 4", NOISE[:12])
        self.assertEqual(shared_runs(NOISE[:12] + apart, [other]), [("bench 4", 12)])
        for extra, found in ((8, [("bench 4", 10)]), (10, [("bench 4", 10)]), (11, [])):
            mine, theirs = NOISE[:10] + apart[:extra], OtherLog.of("bench 4", NOISE[:10] + [-v for v in apart[:extra]])
            self.assertEqual(shared_runs(mine, [theirs]), found, extra)

    def test_the_longest_run_counts_and_not_their_sum(self):
        theirs = OtherLog.of("b", NOISE[:30])
        mine = [*NOISE[:10], -1.0, *NOISE[10:25], -2.0, *NOISE[25:30]]
        self.assertEqual(shared_runs(mine, [theirs]), [("b", 15)])
        self.assertEqual(shared_runs(mine, []), [])

    def test_no_finding_for_a_run_that_is_too_short(self):
        others = [OtherLog.of("bench 4", NOISE[:10])]
        self.assertEqual(rules(log(NOISE[:10]), others=others), ["same-noise"])
        self.assertEqual(rules(log([*NOISE[:9], 5.0]), others=others), [])


class StillnessTest(TestCase):
    def test_two_steps_of_eight_that_do_not_move_are_noted_and_less_is_not(self):
        self.assertEqual(rules(log([22.0] * 8, [29.0] * 8)), ["no-noise"])
        for steps in (
            ([22.0] * 7, [29.0] * 8),
            ([22.0] * 8,),
            ([22.0] * 8, [29.0] * 7 + [29.5]),
            ([22.0] * 8, [22.0] * 8),
        ):
            self.assertEqual(rules(log(*steps)), [], steps)
        self.assertEqual(rules(log([22.0] * 8, [29.0] * 8), is_noisy=False), [])


class ExpectedTest(TestCase):
    def test_every_value_as_on_the_sheet_in_all_steps_but_one(self):
        room, hand = ([22.27] * 3, 22.2718), ([29.1] * 3, 29.1012)
        short, moved = ([38.9] * 2, 38.9), ([38.9, 38.9, 39.4], 38.9)
        for expected, found in (
            ([room, hand], True), ([room, hand, short], True), ([room, hand, short, short], False), ([room], False),
            ([room, hand, moved], False), ([room, ([29.1, 29.1, 29.2], 29.1012)], False),
        ):  # fmt: skip
            made = log(*(values for values, _ in expected))
            self.assertEqual("expected-to-the-digit" in rules(made, expected=expected), found, expected)
        self.assertEqual(rules(log([22.27] * 3, [29.1] * 3), expected=[room, hand], is_noisy=False), [])


class GridTest(TestCase):
    def test_three_values_and_a_tenth_of_all_that_cannot_be_printed(self):
        on = [round(20 + 0.1 * (n % 7), 1) for n in range(40)]
        for off, total, found in ((3, 30, True), (3, 31, False), (2, 10, False), (3, 3, True)):
            values = [20.05] * off + on[: total - off]
            self.assertEqual("off-the-grid" in rules(log(values), grid=GRID), found, (off, total))
        self.assertEqual(rules(log([20.05] * 5)), [], "nothing is known of what can be printed")


class RoundTest(TestCase):
    def rounds(self, values: list[float], grid: list[str] = GRID) -> bool:
        return "round-numbers" in rules(log(values), grid=grid)

    def test_nine_of_ten_values_that_end_in_0_or_5_where_others_could_be_printed(self):
        ends = [20.0, 20.5, 21.0, 21.5, 22.0, 22.5]
        self.assertTrue(self.rounds((ends * 4)[:20]))
        self.assertFalse(self.rounds((ends * 4)[:19]), "too few to say")
        self.assertFalse(self.rounds((ends[:5] * 4)[:20]), "too few different ones")
        self.assertTrue(self.rounds([*(ends * 4)[:18], 20.1, 20.1]))
        self.assertFalse(self.rounds([*(ends * 4)[:17], 20.1, 20.1, 20.2]))
        self.assertFalse(
            self.rounds((ends * 4)[:20], [f"{20 + 0.5 * n:.1f}" for n in range(10)]), "nothing else can be printed"
        )
        whole = [20.0, 25.0, 30.0, 35.0, 40.0, 45.0] * 4
        self.assertFalse(self.rounds(whole, [str(n) for n in range(60)]), "whole numbers have no last digit to look at")


class PaceTest(TestCase):
    def test_a_pace_between_0_7_and_1_5_of_the_programs_is_its_own(self):
        for seen, found in ((701, False), (699, True), (1499, False), (1501, True)):
            self.assertEqual(rules(log(NOISE[:9]), pace=Pace(float(seen), 1000.0)), ["another-pace"] * found, seen)
        self.assertEqual(
            rules(log(NOISE[:9]), pace=Pace(None, 1000.0)) + rules(log(NOISE[:9]), pace=Pace(5.0, None)), []
        )
