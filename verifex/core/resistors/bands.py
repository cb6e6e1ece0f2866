"""Colour bands of resistors, both ways (IEC 60062:2016)."""

from collections.abc import Sequence
from dataclasses import dataclass
from difflib import get_close_matches
from math import floor, log10

from verifex.core.quantity import in_words

DIGITS = ("black", "brown", "red", "orange", "yellow", "green", "blue", "violet", "grey", "white")
EXPONENTS = {**{colour: power for power, colour in enumerate(DIGITS)}, "gold": -1, "silver": -2, "pink": -3}
TOLERANCE_PERCENT = {
    "grey": 0.01, "yellow": 0.02, "orange": 0.05, "violet": 0.1, "blue": 0.25, "green": 0.5,
    "brown": 1.0, "red": 2.0, "gold": 5.0, "silver": 10.0,
}  # fmt: skip
PPM_PER_KELVIN = {
    "black": 250, "brown": 100, "red": 50, "orange": 15, "yellow": 25, "green": 20, "blue": 10, "violet": 5, "grey": 1,
}  # fmt: skip
NO_BAND_PERCENT = 20.0
#: The two letters of the standard on colour codes (IEC 60757), as people type them.
CODES = {
    "bk": "black", "bn": "brown", "rd": "red", "og": "orange", "ye": "yellow", "gn": "green", "bu": "blue", "vt": "violet",
    "gy": "grey", "wh": "white", "gd": "gold", "sr": "silver", "pk": "pink",
}  # fmt: skip
MISREAD_SHARE = 0.12  # of the value: tolerance, and the next value of the series
_PARTS = {1: "tenth", 2: "hundredth", 3: "thousandth"}
ALIASES = {"gray": "grey", "purple": "violet"}


@dataclass(frozen=True, slots=True)
class BandReading:
    """What bands say: ohms, tolerance in percent, temperature coefficient in ppm/K where there is one."""

    colours: tuple[str, ...]
    ohms: float
    tolerance_percent: float
    ppm_per_kelvin: int | None = None

    @property
    def limits_ohms(self) -> tuple[float, float]:
        half = self.ohms * self.tolerance_percent / 100
        return self.ohms - half, self.ohms + half


def read_bands(colours: Sequence[str]) -> BandReading:
    """Ohms and tolerance of 3, 4, 5 or 6 bands in reading order.

    Raises ValueError naming the band that cannot stand where it stands.
    """
    names = [_colour(name) for name in colours]
    if len(names) not in (3, 4, 5, 6):
        raise ValueError(f"{len(names)} bands were given; a resistor has 3, 4, 5 or 6")
    figures = 2 if len(names) <= 4 else 3
    value = 0
    for position, name in enumerate(names[:figures], start=1):
        if name not in DIGITS:
            raise ValueError(f"band {position} is {name}, which is no digit; read the bands from the other end")
        value = value * 10 + DIGITS.index(name)
    ohms = value * 10.0 ** EXPONENTS[names[figures]]
    tolerance = NO_BAND_PERCENT
    if len(names) > 3:
        band = names[figures + 1]
        if band not in TOLERANCE_PERCENT:
            raise ValueError(f"band {figures + 2} is {band}, which is no tolerance; read the bands from the other end")
        tolerance = TOLERANCE_PERCENT[band]
    ppm = None
    if len(names) == 6:
        if names[5] not in PPM_PER_KELVIN:
            raise ValueError(f"band 6 is {names[5]}, which is no temperature coefficient")
        ppm = PPM_PER_KELVIN[names[5]]
    return BandReading(tuple(names), round(ohms, 6), tolerance, ppm)


def bands_for(ohms: float, tolerance_percent: float = 5.0, figures: int = 2) -> tuple[str, ...]:
    """The bands of a value with 2 or 3 significant figures; the inverse of `read_bands`.

    Raises ValueError when the value needs more figures or no band stands for its tolerance.
    """
    tolerance = next((c for c, percent in TOLERANCE_PERCENT.items() if percent == tolerance_percent), None)
    if tolerance is None:
        raise ValueError(f"no band stands for ±{tolerance_percent:g} %")
    if ohms <= 0:
        raise ValueError("a resistor has more than 0 Ω")
    exponent = floor(log10(ohms)) - (figures - 1)
    digits = round(ohms / 10.0**exponent)
    if digits == 10**figures:
        digits, exponent = digits // 10, exponent + 1
    if abs(digits * 10.0**exponent - ohms) > 1e-6 * ohms:
        raise ValueError(f"{ohms:g} Ω has more than {figures} significant figures; use {figures + 1}")
    multiplier = next((c for c, power in EXPONENTS.items() if power == exponent), None)
    if multiplier is None:
        raise ValueError(f"no multiplier band reaches {ohms:g} Ω")
    return (*(DIGITS[int(d)] for d in str(digits)), multiplier, tolerance)


def _colour(name: str) -> str:
    lower = ALIASES.get(name.strip().lower(), name.strip().lower())
    if lower in EXPONENTS:
        return lower
    near = get_close_matches(lower, list(EXPONENTS), n=1)
    raise ValueError(f"'{name}' is no band colour" + (f"; did you mean {near[0]}?" if near else ""))


#: Colours that are taken for each other in poor light or with worn paint.
LOOK_ALIKE = (("brown", "red"), ("red", "orange"), ("brown", "orange"), ("violet", "blue"), ("grey", "white"), ("black", "brown"),
              ("green", "blue"), ("yellow", "orange"), ("grey", "green"))  # fmt: skip
ALIKE = {
    colour: sorted({b for a, b in LOOK_ALIKE if a == colour} | {a for a, b in LOOK_ALIKE if b == colour})
    for colour in DIGITS
}


def misreadings(colours: Sequence[str], measured_ohms: float, slack_percent: float = 3.0) -> list[BandReading]:
    """What the bands may really be, given what a meter shows: read from the other end, or one look-alike band.

    `slack_percent` widens the tolerance for the meter. Best (nearest by ratio) first; empty when nothing fits.
    """
    names = [_colour(name) for name in colours]
    tries = [names[::-1]]
    for position, name in enumerate(names):
        tries += [[*names[:position], other, *names[position + 1 :]] for other in ALIKE.get(name, ())]
    found: dict[tuple[str, ...], BandReading] = {}
    for attempt in tries:
        try:
            reading = read_bands(attempt)
        except ValueError:
            continue
        if (
            reading.ohms > 0
            and abs(measured_ohms / reading.ohms - 1) * 100 <= reading.tolerance_percent + slack_percent
        ):
            found.setdefault(reading.colours, reading)
    return sorted(found.values(), key=lambda r: abs(log10(r.ohms / measured_ohms)))


USUAL_OHMS = (0.1, 22e6)  # what resistors of a kit span


def misread_by(ohms: float, meant_ohms: float) -> str:
    """What one wrong band makes of a value, in words: ` That is 100 times 330 Ω: was the third band misread?`; empty where the two
    are no power of ten apart."""
    decades = round(log10(ohms / meant_ohms)) if ohms > 0 and meant_ohms > 0 else 0
    if not decades or abs(ohms / (meant_ohms * 10**decades) - 1) > MISREAD_SHARE:
        return ""
    times = f"{10**decades:g} times" if decades > 0 else f"a {_PARTS.get(-decades, 'small part')} of"
    return f" That is {times} {in_words(meant_ohms, 'Ω')}: was the third band misread?"


def order_doubt(colours: Sequence[str]) -> str | None:
    """Why a reading order is implausible, in words, or None: gold and silver come last, or next to last below 10 Ω.

    A value of no preferred series that becomes one from the other end is doubted too. Raises ValueError for
    colours that are none.
    """
    from verifex.core.resistors.series import is_preferred

    names = [_colour(name) for name in colours]
    metal = [i for i, name in enumerate(names) if name in ("gold", "silver")]
    last = len(names) - 1
    if any(i < last - (2 if len(names) == 6 else 1) for i in metal):
        return "gold or silver stands among the first bands"
    try:
        reading, other = read_bands(names), read_bands(names[::-1])
    except ValueError:
        return None
    low, high = USUAL_OHMS
    if not low <= reading.ohms <= high and low <= other.ohms <= high:
        return f"{in_words(reading.ohms, 'Ω')} is no usual value, {in_words(other.ohms, 'Ω')} from the other end is one"
    series = "E24" if reading.tolerance_percent >= 5 else "E192"
    if not is_preferred(reading.ohms, series) and is_preferred(other.ohms, "E24"):
        return f"{in_words(reading.ohms, 'Ω')} is no preferred value, {in_words(other.ohms, 'Ω')} from the other end is one"
    return None
