"""Where a log without marks changes from step to step: found in the values themselves."""

from collections.abc import Sequence
from itertools import pairwise
from typing import Any

import numpy as np

MOST_POINTS = 300  # a longer log is looked at in even portions
LEAST_IN_STEP = 3
LEAST_BETTER = 2.0  # times that the steps leave less than a straight line does
LEAST_JUMP = 4.0  # between neighbouring steps, in widths of the noise


def segments(values: Sequence[float], expected: Sequence[float]) -> list[int] | None:
    """Where each of the plan's steps begins in `values`, or None where they do not show as many levels as the plan.

    `expected` are the levels of the plan in its order, in the printed unit. The steps are the partition into as many
    runs that leaves the least squares within them (optimal partitioning by dynamic programming: R. Bellman, Comm. ACM
    4, 1961). It counts only where each neighbouring pair of levels lies `LEAST_JUMP` noise widths apart and they go up
    and down as the plan does, and where they fit better than one straight line.
    """
    count, steps = len(values), len(expected)
    if steps < 2 or count < LEAST_IN_STEP * steps:
        return None
    stride = -(-count // MOST_POINTS)
    points = np.array([float(np.median(values[i : i + stride])) for i in range(0, count, stride)])
    begins = _partition(points, steps)
    if begins is None:
        return None
    ends = [*begins[1:], len(points)]
    runs = [points[a:b] for a, b in zip(begins, ends, strict=True)]
    if _squares_of_line(points) < LEAST_BETTER * sum(float(np.sum((run - run.mean()) ** 2)) for run in runs):
        return None
    centres = [float(np.median(run)) for run in runs]
    noise = _noise(values)
    for (one, other), (asked, then) in zip(pairwise(centres), pairwise(expected), strict=True):
        if abs(other - one) < LEAST_JUMP * noise or (other - one) * (then - asked) <= 0:
            return None
    return [begin * stride for begin in begins]


def _squares_of_line(points: Any) -> float:
    """What a straight line through all points leaves: a slow drift is no row of steps."""
    at = np.arange(len(points))
    return float(np.sum((points - np.polyval(np.polyfit(at, points, 1), at)) ** 2))


def _noise(values: Sequence[float]) -> float:
    """The width of the noise: a robust spread of the differences from reading to reading."""
    gaps = np.abs(np.diff(np.asarray(values, dtype=float)))
    return max(1e-6, float(np.median(gaps)) * 1.05)


def _partition(points: Any, steps: int) -> list[int] | None:
    """The first point of each of `steps` runs with the least sum of squares within the runs."""
    n = len(points)
    least = 2 if n >= 2 * steps else 1
    if n < steps * least:
        return None
    sums, squares = np.concatenate([[0.0], np.cumsum(points)]), np.concatenate([[0.0], np.cumsum(points**2)])

    def within(a: Any, b: int) -> Any:
        length = b - a
        return squares[b] - squares[a] - (sums[b] - sums[a]) ** 2 / length

    best = np.full((steps + 1, n + 1), np.inf)
    came = np.zeros((steps + 1, n + 1), dtype=int)
    best[0, 0] = 0.0
    for k in range(1, steps + 1):
        for b in range(k * least, n + 1):
            a = np.arange((k - 1) * least, b - least + 1)
            cost = best[k - 1, a] + within(a, b)
            at = int(np.argmin(cost))
            best[k, b], came[k, b] = cost[at], a[at]
    begins, b = [], n
    for k in range(steps, 0, -1):
        b = int(came[k, b])
        begins.append(b)
    return begins[::-1]
