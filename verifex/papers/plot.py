"""A small transfer plot as SVG, from the sheet's dense table."""

from collections.abc import Sequence
from math import floor, log10
from typing import Any

WIDTH, HEIGHT, LEFT, BOTTOM, TOP = 520.0, 170.0, 46.0, 24.0, 8.0


def _ticks(low: float, high: float, wanted: int = 5) -> list[float]:
    """Round numbers from low to high."""
    span = high - low or 1.0
    step: float = 10.0 ** floor(log10(span / wanted))
    step *= next(m for m in (1, 2, 5, 10) if span / (step * m) <= wanted)
    first = -(-low // step) * step
    return [first + n * step for n in range(int((high - first) / step + 1e-9) + 1)]


def transfer_svg(reading: dict[str, Any], steps: Sequence[tuple[float, float]]) -> dict[str, Any]:
    """What the template draws: polylines, ticks and step marks, in points. `steps` are (stimulus, value)."""
    rows = reading["plot"]
    logs = reading["in_decades"]
    xs = [log10(r[0]) if logs else r[0] for r in rows]
    low_y, high_y = min(r[4] for r in rows), max(r[6] for r in rows)
    pad = 0.05 * (high_y - low_y or 1.0)
    low_y, high_y = low_y - pad, high_y + pad

    def x(value: float) -> float:
        at = log10(value) if logs else value
        across: float = (at - xs[0]) / ((xs[-1] - xs[0]) or 1.0)
        return LEFT + (WIDTH - LEFT) * across

    def y(value: float) -> float:
        down: float = 1 - (value - low_y) / (high_y - low_y)
        return TOP + (HEIGHT - BOTTOM - TOP) * down

    def line(column: int) -> str:
        return " ".join(f"{x(r[0]):.1f},{y(r[column]):.1f}" for r in rows)

    upper, lower = line(6), " ".join(reversed(line(4).split()))
    decades = range(floor(xs[0]), floor(xs[-1]) + 1)
    x_ticks = [10.0**n for n in decades if xs[0] <= n <= xs[-1]] if logs else _ticks(rows[0][0], rows[-1][0])
    return {
        "width": WIDTH,
        "height": HEIGHT,
        "left": LEFT,
        "base": HEIGHT - BOTTOM,
        "top": TOP,
        "band": f"{upper} {lower}",
        "line": line(5),
        "x_ticks": [(f"{x(t):.1f}", f"{t:g}") for t in x_ticks],
        "y_ticks": [(f"{y(t):.1f}", f"{t:g}") for t in _ticks(low_y, high_y, 4)],
        "marks": [(f"{x(s) - 3:.1f}", f"{y(v) - 3:.1f}") for s, v in steps if s > 0 or not logs],
        "thresholds": [
            (f"{y(t['printed']):.1f}", f"{t['printed']:g}")
            for t in reading["thresholds"]
            if low_y < t["printed"] < high_y
        ],
    }
