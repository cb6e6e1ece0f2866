"""What a resistor's settings make of it: ohms, tolerance, rating."""

from verifex.core.circuit.bench import Part
from verifex.core.circuit.conditions import Values
from verifex.core.circuit.settings import bands_or_none

DEFAULT_TOLERANCE_PERCENT = 5.0
GIVEN = "given"  # the setting that holds what the hatch gave instead of the recipe's value
MEASURED_AT_HATCH = "measured-at-hatch"  # the setting that holds what the hatch measured before it gave the resistor
METER_PERCENT = 1.0  # what is left of a tolerance once the value is measured


def nominal_ohms(part: Part) -> float | None:
    """What the value, else the bands, say in ohms."""
    if value := part.quantity("value", "ohm"):
        return value
    reading = bands_or_none(part.settings["bands"]) if "bands" in part.settings else None
    return reading.ohms if reading else None


def measured_ohms(part: Part) -> float | None:
    """What a meter read of a resistor: the pair's own, else the hatch's; None where nobody measured it."""
    return part.quantity("measured", "ohm") or part.quantity(MEASURED_AT_HATCH, "ohm")


def resistor_ohms(part: Part, values: Values) -> float | None:
    """A resistor's value in ohms: as measured where asked for and known, else as the hatch gave it instead of the recipe's,
    else value, else bands; None without any."""
    measured = measured_ohms(part)
    if values == "measured" and measured:
        return measured
    return part.quantity(GIVEN, "ohm") or nominal_ohms(part) or measured


def tolerance_percent(part: Part, values: Values) -> float:
    """How far the true value may lie from `resistor_ohms`, in percent."""
    if values == "measured" and measured_ohms(part):
        return METER_PERCENT
    if given := part.quantity("tolerance", "percent"):
        return given
    reading = bands_or_none(part.settings["bands"]) if "bands" in part.settings else None
    return reading.tolerance_percent if reading else DEFAULT_TOLERANCE_PERCENT


def rated_watts(part: Part) -> float | None:
    """What a part may turn into heat, in watts."""
    return part.quantity("watts", "watt") or part.type.power_watts
