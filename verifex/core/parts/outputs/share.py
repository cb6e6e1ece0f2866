"""A share of the supply by a table: the water strip, and any module whose curve was measured."""

from collections.abc import Mapping
from math import exp
from typing import Literal

import numpy as np
from pydantic import model_validator

from verifex.core.parts.outputs.base import ZERO, Carries, FloatArray, Parameter, Sensing, Settings, share_of_limits


class ShareOutput(Sensing):
    """An output that is a share of the module's own supply, by straight lines through `points` (value, share).

    `within_share` is how far a sample (or the water) may lie from the table, as a share of the reading. A strip that
    is fed all the time loses `drift_per_hour` of its reading.
    """

    kind: Literal["share"]
    points: tuple[tuple[float, float], ...]
    within_share: float = 0.0
    spread_name: str = "Sensor"
    drift_per_hour: float = 0.0
    low: float = 0.0
    high: float = 0.0

    @model_validator(mode="after")
    def _range_of_the_table(self) -> "ShareOutput":
        if [x for x, _ in self.points] != sorted({x for x, _ in self.points}):
            raise ValueError("the points of a table rise in their first column")
        object.__setattr__(self, "low", self.points[0][0])
        object.__setattr__(self, "high", self.points[-1][0])
        return self

    @property
    def carries(self) -> Carries:
        return "share"

    def share(self, value: float) -> float:
        """Share of the supply, 0 to 1, held at the ends of the table."""
        xs, shares = zip(*self.points, strict=True)
        return float(np.interp(value, xs, shares))

    def corroded(self, share: float, hours_fed: float) -> float:
        """What is left of a share after `hours_fed` with the supply on: it decays, the level stands still."""
        return share * exp(-self.drift_per_hour * hours_fed)

    def parameters(self, settings: Settings) -> tuple[Parameter, ...]:
        return (share_of_limits(self.spread_name),) if self.within_share else ()

    def state(self, at: FloatArray, chosen: Mapping[str, FloatArray], settings: Settings) -> FloatArray:
        xs, shares = zip(*self.points, strict=True)
        table = np.interp(at, xs, shares)
        return np.asarray(np.clip(table * (1 + self.within_share * chosen.get("error", ZERO)), 0.0, 1.0))
