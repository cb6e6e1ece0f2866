"""What people look up about one resistor: what its bands say, and which bands a value has."""

from collections.abc import Sequence
from dataclasses import dataclass

from verifex.core.resistors.bands import BandReading, bands_for, misreadings, order_doubt, read_bands
from verifex.core.resistors.formulas import fits_nominal
from verifex.core.resistors.series import SERIES, neighbours

TWO_FIGURES = ("E3", "E6", "E12", "E24")


@dataclass(frozen=True, slots=True)
class BandsLookup:
    """Bands as read, E24 neighbours in ohms, and how a measured value stands to them (None: none was given).

    `others` are what the bands may really be when the meter disagrees, best first; `doubt` says in words why the
    reading order is implausible.
    """

    reading: BandReading
    down_ohms: float
    nearest_ohms: float
    up_ohms: float
    measured_fits: bool | None
    others: list[BandReading]
    doubt: str | None

    def as_json(self) -> dict[str, object]:
        low, high = self.reading.limits_ohms
        return {
            "ohms": self.reading.ohms,
            "tolerance_percent": self.reading.tolerance_percent,
            "low_ohms": low,
            "high_ohms": high,
            "ppm_per_kelvin": self.reading.ppm_per_kelvin,
            "down": self.down_ohms,
            "nearest": self.nearest_ohms,
            "up": self.up_ohms,
            "measured_fits": self.measured_fits,
            "misreadings": [{"bands": list(other.colours), "ohms": other.ohms} for other in self.others],
            "order_doubt": self.doubt,
        }


@dataclass(frozen=True, slots=True)
class ValueLookup:
    """A value's neighbours in a series, in ohms, and the bands and limits of the nearest."""

    ohms: float
    series: str
    down_ohms: float
    nearest_ohms: float
    up_ohms: float
    bands: tuple[str, ...]
    tolerance_percent: float

    def as_json(self) -> dict[str, object]:
        half = self.nearest_ohms * self.tolerance_percent / 100
        return {
            "ohms": self.ohms,
            "series": self.series,
            "down": self.down_ohms,
            "nearest": self.nearest_ohms,
            "up": self.up_ohms,
            "bands": list(self.bands),
            "low_ohms": self.nearest_ohms - half,
            "high_ohms": self.nearest_ohms + half,
        }


def look_up_bands(colours: Sequence[str], measured_ohms: float | None = None) -> BandsLookup:
    """Bands in reading order, with a measured value beside them or not. Raises ValueError as `read_bands` does."""
    reading = read_bands(colours)
    if reading.ohms <= 0:
        raise ValueError("these bands say 0 Ω: that is a wire, not a resistor")
    fits = None if measured_ohms is None else fits_nominal(reading.ohms, reading.tolerance_percent, measured_ohms)
    others = misreadings(colours, measured_ohms) if measured_ohms and not fits else []
    return BandsLookup(reading, *neighbours(reading.ohms, "E24"), fits, others, order_doubt(colours))


def look_up_value(ohms: float, series: str = "E12", tolerance_percent: float = 5.0) -> ValueLookup:
    """A value in a preferred series. Raises ValueError for an unknown series or where no bands stand for it."""
    if series not in SERIES:
        raise ValueError(f"'{series}' is no preferred series; one of {', '.join(SERIES)} was expected")
    down, nearest, up = neighbours(ohms, series)
    bands = bands_for(nearest, tolerance_percent, 2 if series in TWO_FIGURES else 3)
    return ValueLookup(ohms, series, down, nearest, up, bands, tolerance_percent)
