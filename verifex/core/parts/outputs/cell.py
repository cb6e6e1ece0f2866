"""The light cell: a resistance that falls with light."""

from collections.abc import Mapping
from typing import Literal

import numpy as np

from verifex.core.parts.outputs.base import Carries, FloatArray, Parameter, Sensing, Settings
from verifex.core.parts.outputs.corrected import CALIBRATED

METER_SHARE = 0.05  # R10 by a bench meter and a light meter together
FIT = 0.03  # γ from two measured light levels


class CellOutput(Sensing):
    """R = R10 · (10 lux / E)^γ, held at the dark resistance. R10 in ohms, E in lux.

    Source: the usual power law of cadmium cells; R10 and γ from low to high are typical of the family.
    """

    kind: Literal["cell"]
    r10_ohms: tuple[float, float, float]
    gamma: tuple[float, float, float]
    dark_ohms: float
    low: float = 0.1
    high: float = 20000.0

    @property
    def carries(self) -> Carries:
        return "ohms"

    def parameters(self, settings: Settings) -> tuple[Parameter, ...]:
        r10 = settings.get("r10", self.r10_ohms[1])
        gamma = settings.get("gamma", self.gamma[1])
        return (
            _parameter("r10", "Cell at 10 lux", r10, self.r10_ohms, settings, "Ω", r10 * METER_SHARE,
                       "measure the cell with an ohmmeter at 10 lux"),
            _parameter("gamma", "Slope of the cell (γ)", gamma, self.gamma, settings, "", FIT,
                       "measure the cell at two light levels"),
        )  # fmt: skip

    def state(self, at: FloatArray, chosen: Mapping[str, FloatArray], settings: Settings) -> FloatArray:
        r10 = chosen.get("r10", np.asarray(settings.get("r10", self.r10_ohms[1])))
        gamma = chosen.get("gamma", np.asarray(settings.get("gamma", self.gamma[1])))
        return np.minimum(self.dark_ohms, r10 * (10.0 / np.maximum(at, 1e-3)) ** gamma)

    def lux(self, ohms: float, r10: float, gamma: float) -> float:
        """The inverse above the dark resistance: E = 10 lux · (R10/R)^(1/γ)."""
        return float(10.0 * (r10 / ohms) ** (1 / gamma))


def _parameter(
    key: str,
    name: str,
    nominal: float,
    family: tuple[float, float, float],
    settings: Settings,
    unit: str,
    half: float,
    how: str,
) -> Parameter:
    if key in settings:
        known = settings.get(f"{key}_half", half)
        source = CALIBRATED if f"{key}_half" in settings else "as measured"
        return Parameter(key, name, nominal - known, nominal, nominal + known, unit, source)
    return Parameter(key, name, family[0], nominal, family[2], unit, measured_half=half, how=how)
