"""One step of the sheet: what is done, and what each reading should be."""

from dataclasses import dataclass
from typing import Any

from verifex.core.expected.budget import Budget
from verifex.core.quantity import Spread


@dataclass(frozen=True, slots=True)
class ExpectedReading:
    """One reading at one step, with worst-case limits. `position` is its place among the exercise's readings, `quantity` its
    key's (`Exercise.reading_keys`). `raw` is the count (or the pulse, the level, the number).

    `likely` is the k = 2 interval of the value, first order or `sampled`. What is `saturated` lies at an end where every
    reading looks the same; where it is `exempt` besides, no verdict is given there.
    """

    ref: str
    quantity: str
    position: int
    name: str
    unit: str
    decimals: int
    stimulus: Spread
    volts: Spread | None
    raw_unit: str
    raw: tuple[float, float, float]
    value: Spread
    likely: tuple[float, float]
    sampled: bool
    budget: Budget
    saturated: bool
    exempt: bool
    printed: str

    def as_json(self) -> dict[str, Any]:
        return {
            "ref": self.ref,
            "quantity": self.quantity,
            "name": self.name,
            "unit": self.unit,
            "decimals": self.decimals,
            "stimulus": spread_json(self.stimulus),
            "volts": spread_json(self.volts) if self.volts else None,
            "raw_unit": self.raw_unit,
            "count": {"low": self.raw[0], "expected": self.raw[1], "high": self.raw[2]},
            "value": spread_json(self.value),
            "likely": [round(self.likely[0], 3), round(self.likely[1], 3)],
            "sampled": self.sampled,
            "saturated": self.saturated,
            "exempt": self.exempt,
            "printed": self.printed,
            "budget": self.budget.as_json(),
        }


@dataclass(frozen=True, slots=True)
class ExpectedStep:
    """A step with its readings; those of the first reading can be asked of the step itself.

    `indicators` maps a reference to 'on', 'off' or 'either' (the limits straddle the threshold). `waits_seconds` is
    how long the sensor needs at least until it stands, by its way of being stimulated.
    """

    name: str
    how: str
    way: str
    dwell_seconds: float
    waits_seconds: float
    readings: tuple[ExpectedReading, ...]
    indicators: dict[str, str]

    @property
    def first(self) -> ExpectedReading:
        return self.readings[0]

    @property
    def stimulus(self) -> Spread:
        return self.first.stimulus

    @property
    def volts(self) -> Spread:
        """Volts at the pin of the first reading; 0 where no voltage tells."""
        return self.first.volts or Spread(0.0, 0.0, 0.0)

    @property
    def count(self) -> tuple[int, int, int]:
        low, expected, high = self.first.raw
        return round(low), round(expected), round(high)

    @property
    def value(self) -> Spread:
        return self.first.value

    @property
    def likely(self) -> tuple[float, float]:
        return self.first.likely

    @property
    def budget(self) -> Budget:
        return self.first.budget

    @property
    def saturated(self) -> bool:
        return self.first.saturated

    def as_json(self) -> dict[str, Any]:
        first = self.first.as_json()
        return {
            "name": self.name,
            "how": self.how,
            "way": self.way,
            "dwell_seconds": self.dwell_seconds,
            "waits_seconds": round(self.waits_seconds, 1),
            "stimulus": first["stimulus"],
            "volts": spread_json(self.volts),
            "count": first["count"],
            "value": first["value"],
            "likely": first["likely"],
            "saturated": first["saturated"],
            "budget": first["budget"],
            "indicators": self.indicators,
            "readings": [reading.as_json() for reading in self.readings],
        }


def spread_json(spread: Spread) -> dict[str, float]:
    return {"low": round(spread.low, 4), "expected": round(spread.nominal, 4), "high": round(spread.high, 4)}
