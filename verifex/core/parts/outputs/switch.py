"""Two states: motion, obstacle, Hall, microphone, buttons."""

from collections.abc import Mapping
from typing import Literal

import numpy as np

from verifex.core.parts.outputs.base import ZERO, Carries, FloatArray, Parameter, Sensing, Settings, share_of_limits
from verifex.core.parts.outputs.corrected import CALIBRATED


class SwitchOutput(Sensing):
    """An output with two states. It is active from `from_value` of `quantity` on, or up to it when `below`.

    `setting` names the setting that moves the point; `active_low` says that 0 means "something is there".
    `within_share` is how far a sample's point may lie from where it was set, as a share of it. `targets` says at
    which share of the distance other things than a white wall are seen.
    """

    kind: Literal["switch"]
    from_value: float
    below: bool = False
    active_low: bool = False
    setting: str | None = None
    active: float
    within_share: float = 0.0
    targets: dict[str, float] = {}
    low: float = 0.0
    high: float = 1.0

    @property
    def carries(self) -> Carries:
        return "level"

    def is_active(self, value: float, point: float | None = None) -> bool:
        limit = self.from_value if point is None else point
        return value <= limit if self.below else value >= limit

    def is_high(self, value: float, point: float | None = None) -> bool:
        return self.is_active(value, point) != self.active_low

    def parameters(self, settings: Settings) -> tuple[Parameter, ...]:
        if not self.within_share:
            return ()
        source = CALIBRATED if f"{self.setting}_half" in settings else "trimmer, target and light"
        return (share_of_limits("Switching point", source),)

    def _share(self, settings: Settings) -> float:
        """How far the point may lie from where it was set, as a share of it."""
        half, point = settings.get(f"{self.setting}_half"), settings.get(self.setting or "", self.from_value)
        return self.within_share if half is None else min(self.within_share, half / point)

    def state(self, at: FloatArray, chosen: Mapping[str, FloatArray], settings: Settings) -> FloatArray:
        """1 where it is active, 0 where not; what level that is depends on the circuit."""
        point = settings.get(self.setting, self.from_value) if self.setting else self.from_value
        here = point * settings.get("reflectance", 1.0) * (1 + self._share(settings) * chosen.get("error", ZERO))
        return np.where(at <= here if self.below else at >= here, 1.0, 0.0)
