"""Dense tables for the plot and the sliders: the browser joins points and interpolates, nothing more."""

from collections.abc import Sequence
from dataclasses import dataclass, replace
from typing import Any

import numpy as np

from verifex.core.expected.limits import Limits, limits
from verifex.core.expected.measured import RAIL
from verifex.core.expected.signal.chain import Chain
from verifex.core.expected.signal.contributors import Contributor
from verifex.core.parts.outputs import FloatArray

PLOT_POINTS, SLIDER_POINTS, POSITIONS = 71, 41, 9
REACH_SHARE, SUPPLY_SHARE = 0.2, 0.05  # how far from its nominal value a slider goes
IN_LOGS_FROM = 300.0  # a range whose ends lie farther apart than this is drawn in decades


@dataclass(frozen=True, slots=True)
class Slider:
    """A value that can be measured (under the name `measures`) and so moved: from `low` to `high` in `unit`, now at `value`.

    `table[position][stimulus]` are rows of raw low, raw, raw high, value low, value, value high.
    """

    key: str
    measures: str
    name: str
    unit: str
    low: float
    value: float
    high: float
    positions: tuple[float, ...]
    table: FloatArray

    def as_json(self) -> dict[str, Any]:
        return {
            "key": self.key,
            "measures": self.measures,
            "name": self.name,
            "unit": self.unit,
            "low": self.low,
            "value": self.value,
            "high": self.high,
            "positions": [round(p, 6) for p in self.positions],
            "table": np.round(self.table, 4).tolist(),
        }


def is_in_decades(low: float, high: float) -> bool:
    """Whether a stimulus axis is drawn in decades: its ends lie far apart."""
    return low > 0 and high / low >= IN_LOGS_FROM


def stimuli(low: float, high: float, points: int) -> FloatArray:
    """The stimulus axis: even steps, or even steps of its logarithm where it spans decades."""
    return np.geomspace(low, high, points) if is_in_decades(low, high) else np.linspace(low, high, points)


def plot_rows(chain: Chain, low: float, high: float) -> tuple[tuple[float, ...], ...]:
    """Rows of stimulus, raw low, raw, raw high, value low, value, value high, for an exactly known stimulus."""
    at = stimuli(low, high, PLOT_POINTS)
    found = limits(chain, at, np.zeros(()))
    return tuple(tuple(row) for row in np.column_stack([at, _six(found)]).tolist())


def _six(found: Limits) -> FloatArray:
    return np.stack([found.raw_low, found.raw, found.raw_high, found.value_low, found.value, found.value_high], axis=-1)


def sliders(chain: Chain, ref: str, low: float, high: float) -> list[Slider]:
    """One slider for each contributor that can be measured, its values taken as measured there: the limits shrink to the
    meter's. `ref` is the sensor's reference in the exercise.
    """
    at = stimuli(low, high, SLIDER_POINTS)
    found = []
    for c in chain.contributors:
        if not c.how:
            continue
        least, most = min(c.low, c.nominal * (1 - REACH_SHARE)), max(c.high, c.nominal * (1 + REACH_SHARE))
        if c.key in (RAIL, "internal", "aref"):
            least, most = c.nominal * (1 - SUPPLY_SHARE), c.nominal * (1 + SUPPLY_SHARE)
        positions = sorted({*np.linspace(least, most, POSITIONS).tolist(), c.nominal})
        table = np.stack([_six(limits(chain, at, np.zeros(()), _with(chain.contributors, c, p))) for p in positions])
        measures = f"{ref}.{c.key.removeprefix('sensor.')}" if c.key.startswith("sensor.") else c.key
        found.append(Slider(c.key, measures, c.name, c.unit, least, c.nominal, most, tuple(positions), table))
    return found


def _with(own: Sequence[Contributor], moved: Contributor, value: float) -> list[Contributor]:
    half = moved.measured_half if moved.measured_half is not None else moved.half
    return [replace(c, low=value - half, nominal=value, high=value + half) if c is moved else c for c in own]
