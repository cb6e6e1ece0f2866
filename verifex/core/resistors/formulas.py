"""Closed formulas: LED series resistor, divider, meter comparison."""

from collections.abc import Sequence
from dataclasses import dataclass

from verifex.core.resistors.series import neighbours


@dataclass(frozen=True, slots=True)
class LedSeries:
    """A series resistor for an LED: exact ohms, preferred ohms next up, the current it then gives, its heat."""

    exact_ohms: float
    preferred_ohms: float
    amps: float
    watts: float
    formula: str = "R = (supply − Vf) / I"


def led_series(supply_volts: float, forward_volts: float, amps: float, series: str = "E12") -> LedSeries:
    """The resistor that lets `amps` through an LED of `forward_volts` (Ohm's law over what is left).

    Raises ValueError when the supply does not exceed the forward voltage or the current is not positive.
    """
    if amps <= 0:
        raise ValueError("the current must be above 0 A")
    left = supply_volts - forward_volts
    if left <= 0:
        raise ValueError(f"{supply_volts:g} V is not above the LED's {forward_volts:g} V, so no current flows")
    exact = left / amps
    preferred = neighbours(exact, series)[2]
    real = left / preferred
    return LedSeries(exact, preferred, real, real**2 * preferred)


@dataclass(frozen=True, slots=True)
class Divider:
    """A divider's output volts without and with its load, its source resistance and its standing current."""

    volts: float
    loaded_volts: float
    source_ohms: float
    amps: float
    formula: str = "V = supply · lower / (upper + lower)"


def divider(supply_volts: float, upper_ohms: float, lower_ohms: float, load_ohms: float | None = None) -> Divider:
    """Output of two resistors across a supply (Thévenin). Raises ValueError for a resistance of 0 or less."""
    for name, ohms in (("upper", upper_ohms), ("lower", lower_ohms), ("load", load_ohms)):
        if ohms is not None and ohms <= 0:
            raise ValueError(f"the {name} resistance must be above 0 Ω")
    volts = supply_volts * lower_ohms / (upper_ohms + lower_ohms)
    source = upper_ohms * lower_ohms / (upper_ohms + lower_ohms)
    loaded = volts if load_ohms is None else volts * load_ohms / (load_ohms + source)
    return Divider(volts, loaded, source, supply_volts / (upper_ohms + lower_ohms))


def parallel_ohms(values: Sequence[float]) -> float:
    """Resistances side by side: 1/R = Σ 1/Rᵢ. Raises ValueError without any, or for one of 0 or less."""
    if not values or min(values) <= 0:
        raise ValueError("at least one resistance above 0 Ω is needed")
    return 1 / sum(1 / ohms for ohms in values)


def series_ohms(values: Sequence[float]) -> float:
    """Resistances one after the other: R = Σ Rᵢ. Raises ValueError without any, or for one of 0 or less."""
    if not values or min(values) <= 0:
        raise ValueError("at least one resistance above 0 Ω is needed")
    return sum(values)


@dataclass(frozen=True, slots=True)
class Meter:
    """A multimeter on its ohms range: ±(percent of reading + digits of `digit_share` of the reading)."""

    percent: float = 0.8
    digit_share: float = 0.002  # two digits in about a thousand: typical of a 2000-count meter


def fits_nominal(
    nominal_ohms: float, tolerance_percent: float, measured_ohms: float, meter: Meter | None = None
) -> bool:
    """Whether a measured resistance lies inside its tolerance widened by the meter's own error."""
    meter = meter or Meter()
    slack = nominal_ohms * tolerance_percent / 100 + measured_ohms * (meter.percent / 100 + meter.digit_share)
    return abs(measured_ohms - nominal_ohms) <= slack
