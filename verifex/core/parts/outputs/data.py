"""Modules that send numbers: humidity, the single-wire probe, pressure."""

from collections.abc import Mapping
from typing import Literal

import numpy as np

from verifex.core.parts.outputs.base import ZERO, Carries, FloatArray, Parameter, Sensing, Settings, share_of_limits
from verifex.core.parts.outputs.corrected import CALIBRATED, is_compared, left_open, too_much

LEAST_BITS, MOST_BITS = 9, 12


class DataOutput(Sensing):
    """A number in `unit`, in steps of `resolution`, within `within` of the true value (`within_best` from
    `best_low` to `best_high` where that is given).

    `sample_seconds` is the shortest time between two readings. With `bits_set_resolution` the resolution halves with
    every bit from 9 to 12, `resolution` is that of 12, and a conversion takes `conversion_ms` at 12 bits and half as
    long for each bit less.
    """

    kind: Literal["data"]
    resolution: float
    within: float
    within_best: float | None = None
    best_low: float = 0.0
    best_high: float = 0.0
    sample_seconds: float = 0.0
    conversion_ms: float = 0.0
    bits_set_resolution: bool = False
    counts_a_unit: float = 0.0  # of the word that is sent; 0 where it is no plain number

    @property
    def carries(self) -> Carries:
        return "number"

    def step(self, settings: Settings) -> float:
        """The resolution in `unit` for a part with these settings."""
        return self.resolution * 2 ** (MOST_BITS - _bits(settings)) if self.bits_set_resolution else self.resolution

    def conversion(self, settings: Settings) -> float:
        """How long one conversion takes in milliseconds."""
        return (
            self.conversion_ms / 2 ** (MOST_BITS - _bits(settings)) if self.bits_set_resolution else self.conversion_ms
        )

    def parameters(self, settings: Settings) -> tuple[Parameter, ...]:
        return (share_of_limits("Module", *([CALIBRATED] if is_compared(settings) else [])),)

    def state(self, at: FloatArray, chosen: Mapping[str, FloatArray], settings: Settings) -> FloatArray:
        step = self.step(settings)
        off = too_much(at, settings) + chosen.get("error", ZERO) * left_open(
            at, self._within, (self.low, self.high), settings
        )
        seen = self.held(at + off)
        # A number is sent in whole steps. `unrounded` lets the budget see the slope without them.
        return seen if "unrounded" in chosen else np.floor(seen / step + 0.5 + 1e-9) * step

    def _within(self, at: FloatArray) -> FloatArray:
        if self.within_best is None:
            return np.full(np.shape(at), self.within)
        return np.where((at >= self.best_low) & (at <= self.best_high), self.within_best, self.within)


def _bits(settings: Settings) -> int:
    return int(min(MOST_BITS, max(LEAST_BITS, settings.get("bits", MOST_BITS))))
