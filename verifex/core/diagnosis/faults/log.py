"""Faults of the log itself: steps taken in another order or not at all, digits left standing on a display."""

from collections.abc import Iterator
from itertools import combinations
from operator import methodcaller

from verifex.core.diagnosis.case import BenchCase
from verifex.core.diagnosis.faults.priors import PRIORS
from verifex.core.diagnosis.model import Fault, Where
from verifex.core.parts import catalogue

MOST_STEPS = 6  # of a plan whose steps are exchanged two by two


def log_faults(case: BenchCase) -> Iterator[Fault]:
    steps = case.sheet.steps
    if 2 <= len(steps) <= MOST_STEPS:
        for one, other in combinations(range(len(steps)), 2):
            order = list(range(len(steps)))
            order[one], order[other] = other, one
            yield Fault(
                "steps-exchanged", f"“{steps[one].name}” and “{steps[other].name}” are exchanged in the log",
                "Which of the two was done first?", Where.LOG, PRIORS["steps-exchanged"],
                methodcaller("in_order", tuple(order)),
            )  # fmt: skip
    for index, step in enumerate(steps) if len(steps) >= 2 else ():
        yield Fault(
            "steps-not-taken", f"Everything was read as in “{step.name}”; the other steps were not taken",
            "Show one other step live.", Where.LOG, PRIORS["steps-not-taken"],
            methodcaller("in_order", (index,) * len(steps)),
        )  # fmt: skip
    if len(steps) >= 2:
        yield Fault(
            "read-once", "The module is read once, in setup(), and the same value is printed again and again",
            "Is it read in each turn of the loop, and not only at the start?", Where.PROGRAM, PRIORS["read-once"],
            methodcaller("in_order", (0,) * len(steps)),
        )  # fmt: skip
    if any(catalogue().parts[part.part].is_display for part in case.exercise.recipe):
        yield Fault(
            "stale-digits", "Digits of the value before are left standing on the display",
            "Does the program clear the row, or print spaces behind the number?", Where.LOG, PRIORS["stale-digits"],
            methodcaller("in_state", "stale-digits"),
        )  # fmt: skip
