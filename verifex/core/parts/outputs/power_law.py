"""The heated gas module: a resistance by a power law, over a load on the module."""

from collections.abc import Mapping
from typing import Literal

import numpy as np
from pydantic import field_validator

from verifex.core.parts.outputs.base import Carries, FloatArray, Parameter, Sensing, Settings
from verifex.core.parts.outputs.corrected import CALIBRATED

METER_SHARE = 0.05  # clean-air voltage by a bench meter, module warm


class PowerLawOutput(Sensing):
    """Share of the supply RL/(Rs + RL), with Rs/R0 = (ppm/a)^(−1/b), held at `clean_ratio` in clean air.

    `a_ppm` and `b` are positive and belong to one gas; R0 (`r0_ohms`: low, usual, high) differs from sample to sample
    and comes from clean air. Source: power law of the family's datasheets. A count is not a concentration: a trend.
    """

    kind: Literal["power-law"]
    a_ppm: float
    b: float
    clean_ratio: float = 9.8
    r0_ohms: tuple[float, float, float]
    load_ohms: float
    low: float = 0.0
    high: float = 10000.0

    @field_validator("a_ppm", "b")
    @classmethod
    def _positive(cls, value: float) -> float:
        if value <= 0:
            raise ValueError(
                "a and b are above 0 here: Rs/R0 = (ppm/a)^(−1/b). Tables that print b below 0 mean ppm = a·(Rs/R0)^b; "
                "leave its sign away"
            )
        return value

    @property
    def carries(self) -> Carries:
        return "share"

    def share(self, value: float) -> float:
        """Share of the supply for the usual sample."""
        return float(self.state(np.asarray(value), {}, {}))

    def ratio(self, ppm: FloatArray) -> FloatArray:
        """Rs/R0 at a concentration."""
        return np.minimum(self.clean_ratio, (np.maximum(ppm, 1e-9) / self.a_ppm) ** (-1 / self.b))

    def ppm(self, ratio: FloatArray) -> FloatArray:
        """The inverse: ppm = a·(Rs/R0)^(−b)."""
        return self.a_ppm * np.maximum(ratio, 1e-9) ** (-self.b)

    def parameters(self, settings: Settings) -> tuple[Parameter, ...]:
        r0 = settings.get("r0", self.r0_ohms[1])
        if "r0" in settings:
            half = settings.get("r0_half", r0 * METER_SHARE)
            source = CALIBRATED if "r0_half" in settings else "as measured in clean air"
            return (Parameter("r0", "R0 of the sample", r0 - half, r0, r0 + half, "Ω", source),)
        low, _, high = self.r0_ohms
        return (
            Parameter("r0", "R0 of the sample", low, r0, high, "Ω", measured_half=r0 * METER_SHARE,
                      how="read clean air with the module warm and work out R0"),
        )  # fmt: skip

    def state(self, at: FloatArray, chosen: Mapping[str, FloatArray], settings: Settings) -> FloatArray:
        load = settings.get("load", self.load_ohms)
        r0 = chosen.get("r0", np.asarray(settings.get("r0", self.r0_ohms[1])))
        return load / (load + r0 * self.ratio(at))

    def ratio_of_share(self, share: FloatArray, settings: Settings) -> FloatArray:
        """Rs/R0 by a program's formula: Rs = RL·(1/share − 1), with the usual R0 or the one measured."""
        load = settings.get("load", self.load_ohms)
        r0 = settings.get("r0", self.r0_ohms[1])
        return load * (1 / np.maximum(share, 1e-9) - 1) / r0
