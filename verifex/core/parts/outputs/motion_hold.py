"""What a motion module's output does in time: hold, jumper, blind time, warm-up."""

from collections.abc import Iterable
from dataclasses import dataclass
from typing import Literal

Jumper = Literal["single", "repeat"]


@dataclass(frozen=True, slots=True)
class MotionHold:
    """`hold_seconds` is where the trimmer stands; *repeat* restarts the hold with each motion, *single* does not and is
    blind for `blind_seconds` after it. Before `warm_up_seconds` the output means nothing.

    Source: timing of the family's datasheets.
    """

    hold_seconds: float
    jumper: Jumper = "repeat"
    blind_seconds: float = 2.5
    warm_up_seconds: float = 60.0

    def active(self, motions: Iterable[tuple[float, float]]) -> list[tuple[float, float]]:
        """When the output is high, as (from, to) in seconds, for motions given as (from, to) in order of their start."""
        spans: list[tuple[float, float]] = []
        deaf_until = 0.0
        for start, end in motions:
            while start <= end:
                if start < deaf_until:
                    if end < deaf_until:
                        break
                    start = deaf_until
                if self.jumper == "repeat":
                    span_end = max(start, end) + self.hold_seconds
                    if spans and start <= spans[-1][1]:
                        spans[-1] = (spans[-1][0], max(spans[-1][1], span_end))
                    else:
                        spans.append((start, span_end))
                    break
                span_end = start + self.hold_seconds
                spans.append((start, span_end))
                deaf_until = span_end + self.blind_seconds
                start = deaf_until
        return spans
