"""Straight lines: the analogue thermometers."""

from collections.abc import Mapping
from typing import Literal

import numpy as np

from verifex.core.parts.outputs.base import ZERO, Carries, FloatArray, Parameter, Sensing, Settings, share_of_limits
from verifex.core.parts.outputs.corrected import CALIBRATED, is_compared, left_open, too_much


class LinearOutput(Sensing):
    """An output of `volts_at_zero + volts_per_unit · x`, for x from `low` to `high` in `quantity`.

    Its error is at most `within_at_centre` units at `centre` and grows linearly to `within_over_range`
    at the nearer end of the range.
    """

    kind: Literal["linear"] = "linear"
    volts_at_zero: float
    volts_per_unit: float
    centre: float
    within_at_centre: float
    within_over_range: float
    rest: float = 25.0  # a room, for a thermometer

    @property
    def carries(self) -> Carries:
        return "volts"

    def volts(self, value: float) -> float:
        """Output in volts at `value`, held at the ends of the range."""
        return self.volts_at_zero + self.volts_per_unit * min(self.high, max(self.low, value))

    def value(self, volts: float) -> float:
        """The inverse of `volts` inside the range, in the output's unit."""
        return (volts - self.volts_at_zero) / self.volts_per_unit

    def within(self, value: float) -> float:
        """Half width of the error band at `value`, in the output's unit."""
        return float(self._within(np.asarray(value)))

    def _within(self, at: FloatArray) -> FloatArray:
        span = np.where(at >= self.centre, self.high - self.centre, self.centre - self.low)
        share = np.minimum(1.0, np.abs(at - self.centre) / span)
        return self.within_at_centre + share * (self.within_over_range - self.within_at_centre)

    def parameters(self, settings: Settings) -> tuple[Parameter, ...]:
        return (share_of_limits("Sensor", *([CALIBRATED] if is_compared(settings) else [])),)

    def state(self, at: FloatArray, chosen: Mapping[str, FloatArray], settings: Settings) -> FloatArray:
        off = too_much(at, settings) + chosen.get("error", ZERO) * left_open(
            at, self._within, (self.low, self.high), settings
        )
        return self.volts_at_zero + self.volts_per_unit * self.held(at + off)
