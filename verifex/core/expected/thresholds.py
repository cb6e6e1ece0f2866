"""A threshold from two measured readings: where to put it, with how much margin, or that the two are too close.

Light, water and gas differ so much from sample to sample that no number in an exercise fits every bench; two readings
of the pair's own bench do.
"""

from collections.abc import Sequence
from dataclasses import dataclass
from statistics import median, pstdev
from typing import Any

NOISE_SPREADS = 3.0  # standard deviations that a reading may wander
CONVERTER_COUNTS = 2.0
HYSTERESIS_SHARE = 0.1  # of the gap between the two readings, at least
LEAST_MARGIN = 2.0  # noise widths between either reading and its switching point


@dataclass(frozen=True, slots=True)
class Suggestion:
    """`threshold` in the readings' unit, switching on at `on_at` and off again at `off_at` (hysteresis between them).

    `margin` says how many noise widths lie between either reading and its switching point. `reason` says why there is no
    threshold: the readings cannot be distinguished.
    """

    low: float
    high: float
    noise: float
    threshold: float | None
    on_at: float | None
    off_at: float | None
    margin: float
    reason: str = ""

    def as_json(self) -> dict[str, Any]:
        return {
            "low": self.low,
            "high": self.high,
            "noise": round(self.noise, 3),
            "threshold": self.threshold,
            "on_at": self.on_at,
            "off_at": self.off_at,
            "margin": round(self.margin, 2),
            "reason": self.reason,
        }


def suggest_threshold(off: Sequence[float], on: Sequence[float], step: float = 1.0) -> Suggestion:
    """A threshold between readings taken with the output wanted `off` and `on` (one or more each, in one unit).

    Noise is three standard deviations of the noisier set, at least two steps of the converter. Raises ValueError for an
    empty set.
    """
    if not off or not on:
        raise ValueError("a threshold needs a reading of each of the two states")
    off_at, on_at = median(off), median(on)
    spread = max((pstdev(values) if len(values) > 1 else 0.0) for values in (off, on))
    noise = max(NOISE_SPREADS * spread, CONVERTER_COUNTS * step)
    gap = abs(on_at - off_at)
    hysteresis = max(HYSTERESIS_SHARE * gap, noise)
    room = (gap - hysteresis) / 2
    margin = room / noise
    low, high = sorted((off_at, on_at))
    if margin < LEAST_MARGIN:
        least = (2 * LEAST_MARGIN + 1) * noise
        reason = (
            f"The two readings lie {gap:.0f} apart and wander by {noise:.0f}; at least {least:.0f} would be needed. Make the two states "
            "differ more, or change the fixed resistor."
        )
        return Suggestion(low, high, noise, None, None, None, max(margin, 0.0), reason)
    middle = _rounded((off_at + on_at) / 2, step)
    towards_on = 1 if on_at > off_at else -1
    return Suggestion(
        low,
        high,
        noise,
        middle,
        _rounded(middle + towards_on * hysteresis / 2, step),
        _rounded(middle - towards_on * hysteresis / 2, step),
        margin,
    )


def _rounded(value: float, step: float) -> float:
    return round(round(value / step) * step, 6)
