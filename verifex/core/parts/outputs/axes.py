"""The six-axis motion module: signed counts a g on each axis."""

from collections.abc import Mapping
from typing import Literal

import numpy as np

from verifex.core.parts.outputs.base import ZERO, Carries, FloatArray, Parameter, Sensing, Settings
from verifex.core.parts.outputs.corrected import CALIBRATED


class AxesOutput(Sensing):
    """Counts of one axis: `counts_per_g` · g · (1 + scale error) + offset, held to 16 bits.

    `offset_g` is the half width of the rest offset, `scale_share` that of the scale. Source: the ±2 g range of
    the family, 16384 counts a g. Still and level the axes read (0, 0, 1 g) within the offset.
    """

    kind: Literal["axes"]
    counts_per_g: float = 16384.0
    offset_g: float = 0.06
    scale_share: float = 0.03
    low: float = -2.0
    high: float = 2.0

    @property
    def carries(self) -> Carries:
        return "number"

    def parameters(self, settings: Settings) -> tuple[Parameter, ...]:
        rest = settings.get("rest", 0.0)
        if "rest" in settings:
            half = settings.get("rest_half", 0.005)
            source = CALIBRATED if "rest_half" in settings else "as measured at rest"
            offset = Parameter("offset", "Rest offset", rest - half, rest, rest + half, "g", source)
        else:
            offset = Parameter(
                "offset", "Rest offset", -self.offset_g, rest, self.offset_g, "g",
                measured_half=0.005, how="log it still and level, and take the mean off",
            )  # fmt: skip
        return (offset, Parameter("scale", "Scale", -self.scale_share, 0.0, self.scale_share))

    def state(self, at: FloatArray, chosen: Mapping[str, FloatArray], settings: Settings) -> FloatArray:
        seen = at * (1 + chosen.get("scale", ZERO)) + chosen.get("offset", np.asarray(settings.get("rest", 0.0)))
        counts = np.clip(seen, self.low, self.high) * self.counts_per_g
        return counts if "unrounded" in chosen else np.clip(np.rint(counts), -32768, 32767)


def tilt_degrees(gx: float, gy: float, gz: float) -> tuple[float, float]:
    """Roll and pitch in degrees of a module at rest: atan2(gy, gz) and atan2(−gx, √(gy² + gz²))."""
    return (
        float(np.degrees(np.arctan2(gy, gz))),
        float(np.degrees(np.arctan2(-gx, np.hypot(gy, gz)))),
    )
