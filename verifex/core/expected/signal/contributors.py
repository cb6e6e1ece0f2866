"""What moves a reading: one entry a cause, with the limits it is known within."""

from dataclasses import dataclass, replace

from verifex.core.parts.outputs import Parameter
from verifex.core.parts.outputs.corrected import CALIBRATED


@dataclass(frozen=True, slots=True)
class Contributor:
    """One cause between `low` and `high` (rectangular, in `unit`), `nominal` in between.

    `measured_half` is the half width left once the pair has measured it (None: it cannot), `how` says how. What
    `drifts` may differ between two readings of one bench; the rest stays as it is and cancels there.
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
    drifts: bool = False

    @property
    def half(self) -> float:
        return (self.high - self.low) / 2

    def measured(self) -> "Contributor":
        """The same cause once it is measured at its nominal value."""
        half = min(self.half, self.measured_half if self.measured_half is not None else self.half)
        return replace(self, low=self.nominal - half, high=self.nominal + half, measured_half=None)


def of_sensor(parameter: Parameter, calibrated_by: str = "") -> Contributor:
    """`calibrated_by` names the calibration that a calibrated parameter comes from."""
    p = parameter
    source = f"{CALIBRATED}: {calibrated_by}" if p.source == CALIBRATED and calibrated_by else p.source
    return Contributor(
        f"sensor.{p.key}", p.name, p.low, p.nominal, p.high, p.unit, source, p.measured_half, p.how, drifts=False
    )
