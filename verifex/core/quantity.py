"""Values as people write them: `4k7`, `330`, `10kΩ`, `20mA`, `100n`, and back again."""

import math
import re
from collections.abc import Sequence
from dataclasses import dataclass
from functools import lru_cache

PREFIXES = {
    "p": 1e-12,
    "n": 1e-9,
    "u": 1e-6,
    "µ": 1e-6,
    "μ": 1e-6,
    "m": 1e-3,
    "": 1.0,
    "k": 1e3,
    "K": 1e3,
    "M": 1e6,
    "G": 1e9,
}
UNIT_WORDS = {
    "ohm": ("Ω", "Ω", "ohms", "ohm", "R"),
    "volt": ("V", "v", "volts", "volt"),
    "amp": ("A", "amps", "amp"),
    "farad": ("F",),
    "watt": ("W",),
    "second": ("s",),
    "metre": ("m",),
    "centimetre": ("cm",),
    "percent": ("%",),
    "none": (),
}
#: Other units that a value may be given in, with how many of the asked unit one of them is.
CONVERTED = {"metre": {"in": 0.0254, "inch": 0.0254, "inches": 0.0254, "cm": 0.01, "mm": 0.001}}
SYMBOLS = {
    "ohm": "Ω",
    "volt": "V",
    "amp": "A",
    "farad": "F",
    "watt": "W",
    "second": "s",
    "metre": "m",
    "centimetre": "cm",
    "percent": "%",
}

_PLAIN = re.compile(r"([+-]?\d+(?:[.,]\d+)?(?:e[+-]?\d+)?)\s*([pnuµμmkKMG]?)$")
_INFIX = re.compile(r"(\d+)([pnuµμmkKMGR])(\d+)$")


def parse_quantity(text: str, unit: str = "ohm") -> float:
    """The value of `text` in the SI unit `unit` (a key of `UNIT_WORDS`).

    Takes a decimal point or comma, a prefix behind the number or in place of the point (4k7), and the
    unit's own sign or word; a length may also be given in cm, mm or inches. Raises ValueError, saying what was expected.
    """
    stripped = text.strip()
    for word, factor in CONVERTED.get(unit, {}).items():
        if stripped.endswith(word) and stripped[: -len(word)].strip():
            return parse_quantity(stripped[: -len(word)], "none") * factor
    for word in UNIT_WORDS[unit]:
        # "R" may also stand for the point (4R7): only a trailing one is a unit here.
        # A whole word is taken in any case (331Ohm); a single letter is not, since M and m are prefixes.
        ends = stripped.lower().endswith(word) if len(word) > 2 else stripped.endswith(word)
        if ends and len(stripped) > len(word):
            stripped = stripped[: -len(word)].strip()
            break
    if match := _INFIX.match(stripped):
        whole, prefix, rest = match.groups()
        return float(f"{whole}.{rest}") * (1.0 if prefix == "R" else PREFIXES[prefix])
    if match := _PLAIN.match(stripped):
        value = float(match.group(1).replace(",", ".")) * PREFIXES[match.group(2)]
        if math.isfinite(value):
            return value
    symbol = SYMBOLS.get(unit, "")
    raise ValueError(f"'{text}' is not a value; a number such as 330, 4k7 or 4.7k{symbol} was expected")


_AC = re.compile(r"(.*?)\s*(?:V|v)?\s*(?:ac|AC|~)$")


def read_volts(text: str) -> tuple[float, bool] | None:
    """(volts, whether they alternate) of a text such as `9`, `12V` or `24Vac`; None when it is no voltage."""
    match = _AC.match(text.strip())
    try:
        return parse_quantity(match.group(1) if match else text, "volt"), match is not None
    except ValueError:
        return None


def in_words(value: float, unit: str = "", digits: int = 3) -> str:
    """`value` (SI) with an engineering prefix and its unit, e.g. 0.0047, "A" → `4.7 mA`."""
    if value == 0 or not math.isfinite(value):
        return f"{value:g} {unit}".strip()
    exponent = math.floor(math.log10(abs(value)) / 3) * 3
    exponent = max(-12, min(9, exponent))
    scaled = float(f"{value / 10**exponent:.{digits}g}")
    if abs(scaled) >= 1000 and exponent < 9:
        scaled, exponent = scaled / 1000, exponent + 3
    prefix = {-12: "p", -9: "n", -6: "µ", -3: "m", 0: "", 3: "k", 6: "M", 9: "G"}[exponent]
    return f"{scaled:g} {prefix}{unit}".strip()


#: A number in a printed line. Digits inside a word are none, nor parts of a version or a date.
PRINTED_NUMBER = re.compile(r"(?<![\w.])[-+]?(?:\d+(?:\.\d+)?|\.\d+)(?:[eE][-+]?\d+)?(?![\d.]*\d)(?!\w*\d)(?!\.\d)")


#: The largest 32-bit float (IEEE 754): no board prints more, so what is beyond is no reading.
MOST_PRINTED = 3.4028235e38


def numbers_in(text: str) -> list[float]:
    """The numbers in a printed line, in order; digits inside a word (`A0`, `U1`) are none, nor what no board prints."""
    return [number for match in PRINTED_NUMBER.findall(text) if abs(number := float(match)) <= MOST_PRINTED]


@dataclass(frozen=True, slots=True)
class Spread:
    """A value with the limits it may really have, all in one unit: low ≤ nominal ≤ high."""

    low: float
    nominal: float
    high: float

    def __post_init__(self) -> None:
        if not self.low <= self.nominal <= self.high:
            raise ValueError(f"limits out of order: {self.low} ≤ {self.nominal} ≤ {self.high} does not hold")

    @classmethod
    def around(cls, nominal: float, half_width: float) -> "Spread":
        return cls(nominal - half_width, nominal, nominal + half_width)


@lru_cache(maxsize=4096)
def quantity_or_none(text: str, unit: str) -> float | None:
    """The value in SI, or None for what is none; `share` takes 0.5 or 50%."""
    try:
        if unit == "share" and text.endswith("%"):
            return parse_quantity(text, "percent") / 100
        return parse_quantity(text, "none" if unit == "share" else unit)
    except ValueError:
        return None


STEPS_LOOKED_AT, STEPS = 400, (1.0, 0.1, 0.01, 0.001)


def printed_step(values: Sequence[float]) -> float:
    """The step of the last digit that a log prints, by its values: 1 for whole numbers, 0.1, 0.01 or 0.001."""
    looked = values[:STEPS_LOOKED_AT]
    return next((step for step in STEPS if all(abs(v / step - round(v / step)) < 1e-6 for v in looked)), STEPS[-1])
