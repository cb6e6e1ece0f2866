"""Knobs: a wiper on its track."""

from collections.abc import Mapping
from typing import Literal

import numpy as np

from verifex.core.parts.outputs.base import ZERO, Carries, FloatArray, Parameter, Sensing, Settings, share_of_limits


class PositionOutput(Sensing):
    """The wiper's place between end1 (0) and end2 (1); `within_share` is the taper's error in shares of the track."""

    kind: Literal["position"]
    within_share: float = 0.02
    rest: float = 0.5
    low: float = 0.0
    high: float = 1.0

    @property
    def carries(self) -> Carries:
        return "position"

    def parameters(self, settings: Settings) -> tuple[Parameter, ...]:
        return (share_of_limits("Track"),)

    def state(self, at: FloatArray, chosen: Mapping[str, FloatArray], settings: Settings) -> FloatArray:
        return np.clip(at + self.within_share * chosen.get("error", ZERO), 0.0, 1.0)
