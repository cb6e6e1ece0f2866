"""A faulty log without marks: its steps are found together with its fault; part of a sound one waits for marks."""

import random
from unittest import TestCase

from tests.core.readings.test_log_styles import BROOD, GAP, LID, PROBE, count
from tests.core.readings.test_odd_logs import assessed
from tests.samples import exercise
from verifex.core.diagnosis.unmarked import _cheapest
from verifex.core.exercise import Exercise


def named(plan: Exercise, lines: list[str]) -> set[str]:
    first = assessed(exercise(plan.id), "\n".join(lines)).diagnosis[:1]
    return {fault for one in first for fault in (one.fault, *(tie.fault for tie in one.ties))}


class FaultWithoutMarksTest(TestCase):
    def test_each_fault_is_named(self):
        chance = random.Random(3)
        wrapped = [(count(t) * 5000 + 32768) % 65536 - 32768 for t in (21.5, 28.0, 38.0) for _ in range(12)]
        light = [112 + chance.randint(-1, 1) for _ in range(12)], [843 + chance.randint(-1, 1) for _ in range(12)]
        table = [
            (LID, [str(chance.randint(0, 1000)) for _ in range(40)], "floating"),
            (BROOD, [f"{int(value / 1024 - 500) / 10:.1f}" for value in wrapped], "overflow"),
            (LID, [str(1023 - value) for value in (*light[0], *light[1])], "divider-turned"),
            (GAP, ["0"] * 12 + ["1"] * 12, "inverted-sense"),
            (PROBE, ["85.00"] * 30, "read-too-soon"),
            (PROBE, ["-127.00"] * 30, "not-answering"),
            (BROOD, ["-50.00"] * 30, "volts-in-whole-numbers"),
        ]
        for plan, lines, fault in table:
            with self.subTest(fault):
                self.assertIn(fault, named(plan, lines))

    def test_part_of_a_sound_log_is_not_divided(self):
        chance = random.Random(5)
        for levels in ((21.5,), (21.5, 28.0), (28.0, 38.0), (38.0,)):
            lines = [f"{level + chance.gauss(0, 0.3):.2f}" for level in levels for _ in range(20)]
            record = assessed(exercise(BROOD.id), "\n".join(lines))
            self.assertEqual(record.verdict, "not-judged", levels)

    def test_the_partition_of_least_cost_keeps_the_order_and_gives_each_step_lines(self):
        import numpy as np

        costs = np.array([[0, 0, 0, 9, 9, 9], [9, 9, 9, 0, 0, 0.0]])
        self.assertEqual(_cheapest(costs), [0, 3])
        self.assertEqual(_cheapest(costs[::-1]), [0, 2])
