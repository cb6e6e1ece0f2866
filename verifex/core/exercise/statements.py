"""Behaviour statements as an instructor writes them: `U1.celsius over 33 for 2 s`, `U1.celsius between 20 and 30`, `U1.tag is 04 A2 19 7C`."""

import re
from typing import Literal

from pydantic import BaseModel, ConfigDict

from verifex.core.exercise.units import UNITS_OF_QUANTITY

_NUMBER = r"(-?[0-9]+(?:\.[0-9]+)?)"
_WHEN = re.compile(
    rf"\s*([A-Z]+[0-9]+)\.([a-z]+)\s+(?:(over|under)\s+{_NUMBER}|(between)\s+{_NUMBER}\s+and\s+{_NUMBER})"
    r"(?:\s+for\s+([0-9]+(?:\.[0-9]+)?)\s*(ms|s))?\s*$"
)
_IS = re.compile(r"\s*([A-Z]+[0-9]+)\.([a-z]+)\s+is\s+([0-9A-Fa-f: -]+?)\s*$")


#: Units a threshold may be stated in besides the quantity's own: the quantity, and how the one becomes the other.
STATED: dict[str, tuple[str, float, float]] = {
    "inch": ("cm", 2.54, 0.0),  # 1 inch is 2.54 cm, exact
    "fahrenheit": ("celsius", 1 / 1.8, -32 / 1.8),  # °C = (°F − 32) / 1.8
}
SYMBOLS = {"inch": "in", "fahrenheit": "°F"}


class When(BaseModel):
    """`ref`'s quantity is over or under `threshold` (in the quantity's unit) for at least `for_ms`, or is `text`.

    `between` is from `threshold` up to `upper`; a statement with it becomes two in what is read (`Behaviour.plain`).

    `stated_in` is the unit the file states it in, where that is not the quantity's own (`U1.inch under 16`).
    """

    model_config = ConfigDict(frozen=True)

    ref: str
    quantity: str
    side: Literal["over", "under", "between", "is"]
    threshold: float = 0.0
    upper: float = 0.0
    for_ms: float = 0.0
    text: str = ""
    stated_in: str = ""

    def as_stated(self, value: float) -> float:
        """A value of the quantity in the unit the file speaks in."""
        if not self.stated_in:
            return value
        _, factor, offset = STATED[self.stated_in]
        return (value - offset) / factor

    @property
    def unit(self) -> str:
        """The sign of the unit the file speaks in; empty for a quantity without one."""
        return SYMBOLS.get(self.stated_in, UNITS_OF_QUANTITY.get(self.quantity, ""))

    def holds(self, value: float, text: str = "") -> bool:
        if self.side == "is":
            return _digits(text) == _digits(self.text)
        if self.side == "between":
            return self.threshold < value < self.upper
        return value > self.threshold if self.side == "over" else value < self.threshold

    def __str__(self) -> str:
        held = f" for {self.for_ms / 1000:g} s" if self.for_ms else ""
        named = self.text if self.side == "is" else f"{round(self.as_stated(self.threshold), 6):g}"
        named += f" and {round(self.as_stated(self.upper), 6):g}" if self.side == "between" else ""
        return f"{self.ref}.{self.stated_in or self.quantity} {self.side} {named}{held}"


def _digits(text: str) -> str:
    return re.sub(r"[^0-9A-F]", "", text.upper())


def read_when(text: object) -> object:
    """The condition in `text`; anything but a string is left to the schema. Raises ValueError."""
    if not isinstance(text, str):
        return text
    if match := _IS.match(text):
        ref, quantity, named = match.groups()
        return {"ref": ref, "quantity": quantity, "side": "is", "text": named}
    match = _WHEN.match(text)
    if not match:
        raise ValueError(f"'{text}' is no condition; 'U1.celsius over 33 for 2 s' shows the form")
    ref, quantity, side, threshold, between, lower, upper, held, unit = match.groups()
    for_ms = float(held) * (1 if unit == "ms" else 1000) if held else 0.0
    value, most, stated_in = float(threshold or lower), float(upper or 0.0), ""
    if between and value >= most:
        raise ValueError(f"'{text}' names the larger number first; 'between {most:g} and {value:g}' was expected")
    if quantity in STATED:
        stated_in, (quantity, factor, offset) = quantity, STATED[quantity]
        value, most = value * factor + offset, most * factor + offset if between else most
    return {
        "ref": ref,
        "quantity": quantity,
        "side": side or between,
        "threshold": value,
        "upper": most,
        "for_ms": for_ms,
        "stated_in": stated_in,
    }
