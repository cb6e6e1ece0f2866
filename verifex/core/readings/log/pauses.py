"""Where the steps of a log without marks begin by its times: at long pauses, else by how long the plan holds each step."""

from collections.abc import Sequence
from itertools import accumulate, pairwise
from statistics import median

from verifex.core.readings.log.changes import LEAST_IN_STEP

PAUSE = 4.0  # times the usual gap between two readings
CLEAR = 2.0  # times the longest gap that is no pause
OF_PLAN = (0.9, 1.15)  # of the plan's time that a log may take to be cut by it


def starts_by_pauses(times_ms: Sequence[float], steps: int) -> list[int] | None:
    """The first reading of each step where one fewer pauses than steps stand out; None where they do not."""
    gaps = [b - a for a, b in pairwise(times_ms)]
    if steps < 2 or len(gaps) < LEAST_IN_STEP * steps:
        return None
    longest = sorted(range(len(gaps)), key=lambda i: -gaps[i])
    pauses, rest = sorted(longest[: steps - 1]), gaps[longest[steps - 1]]
    if min(gaps[i] for i in pauses) < max(PAUSE * median(gaps), CLEAR * rest):
        return None
    begins = [0, *(i + 1 for i in pauses)]
    ends = [*begins[1:], len(times_ms)]
    return begins if all(b - a >= LEAST_IN_STEP for a, b in zip(begins, ends, strict=True)) else None


def starts_by_plan(times_ms: Sequence[float], dwell_seconds: Sequence[float]) -> list[int] | None:
    """The first reading of each step where the log takes as long as the plan holds its steps; None where it does not."""
    plan_ms = 1000 * sum(dwell_seconds)
    took_ms = times_ms[-1] - times_ms[0] if times_ms else 0.0
    if len(dwell_seconds) < 2 or not OF_PLAN[0] <= took_ms / plan_ms <= OF_PLAN[1]:
        return None
    share = took_ms / plan_ms
    due = [times_ms[0] + 1000 * share * passed for passed in (0.0, *accumulate(dwell_seconds[:-1]))]
    begins = [next((i for i, at in enumerate(times_ms) if at >= when), len(times_ms)) for when in due]
    ends = [*begins[1:], len(times_ms)]
    return begins if all(b - a >= LEAST_IN_STEP for a, b in zip(begins, ends, strict=True)) else None


def goes_as_planned(values: Sequence[float], begins: Sequence[int], expected: Sequence[float]) -> bool:
    """Whether the values go up and down from step to step as the plan does."""
    ends = [*begins[1:], len(values)]
    centres = [median(values[a:b]) for a, b in zip(begins, ends, strict=True)]
    return all(
        (after - before) * (then - asked) > 0 or then == asked
        for (before, after), (asked, then) in zip(pairwise(centres), pairwise(expected), strict=True)
    )
