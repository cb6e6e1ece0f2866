"""What every way of answering has in common."""

from collections.abc import Mapping
from dataclasses import dataclass
from typing import Literal

import numpy as np
from numpy.typing import NDArray
from pydantic import BaseModel, ConfigDict

FloatArray = NDArray[np.float64]
Settings = Mapping[str, float]  # a part's settings as numbers: r10 and load in ohms, range in centimetres, bits
Carries = Literal["volts", "share", "ohms", "position", "level", "pulse", "number", "text"]


@dataclass(frozen=True, slots=True)
class Parameter:
    """Something of one sample that is known within limits; it moves what the module gives.

    `measured_half` is the half width that is left once the pair has measured it (None: it cannot), `how` says
    how that is done.
    """

    key: str
    name: str
    low: float
    nominal: float
    high: float
    unit: str = ""
    source: str = "typical of the family"
    measured_half: float | None = None
    how: str = ""


class Sensing(BaseModel):
    """A module's answer to one quantity between `low` and `high`, in `unit`; at `rest` nothing is done to it.

    What it gives (its *state*) is volts, a share of its supply, ohms, a wiper position, a level (0 or 1), a pulse
    in microseconds or a number it sends.
    """

    model_config = ConfigDict(frozen=True, extra="forbid")

    quantity: str
    unit: str = ""
    rest: float = 0.0
    low: float
    high: float

    @property
    def carries(self) -> Carries:
        raise NotImplementedError

    def parameters(self, settings: Settings) -> tuple[Parameter, ...]:
        """What of the sample moves its answer, for a part with these settings."""
        return ()

    def state(self, at: FloatArray, chosen: Mapping[str, FloatArray], settings: Settings) -> FloatArray:
        """The state at `at` (in `unit`), with the parameters as `chosen` by key (else nominal). Broadcasts."""
        raise NotImplementedError

    def held(self, at: FloatArray) -> FloatArray:
        """`at` inside the range."""
        return np.clip(at, self.low, self.high)


def share_of_limits(name: str, source: str = "typical of the family") -> Parameter:
    """A sample's error as a share of its limits: −1 at the low one, 1 at the high one."""
    return Parameter("error", name, -1.0, 0.0, 1.0, "", source)


ZERO = np.zeros(())
