"""Behaviour statements as an instructor writes them: `U1.celsius over 33 for 2 s`."""

import re
from typing import Literal

from pydantic import BaseModel, ConfigDict

_WHEN = re.compile(
    r"\s*([A-Z]+[0-9]+)\.([a-z]+)\s+(over|under)\s+(-?[0-9]+(?:\.[0-9]+)?)(?:\s+for\s+([0-9]+(?:\.[0-9]+)?)\s*(ms|s))?\s*$"
)


class When(BaseModel):
    """`ref`'s quantity is over or under `threshold` (in the quantity's unit) for at least `for_ms`."""

    model_config = ConfigDict(frozen=True)

    ref: str
    quantity: str
    side: Literal["over", "under"]
    threshold: float
    for_ms: float = 0.0

    def holds(self, value: float) -> bool:
        return value > self.threshold if self.side == "over" else value < self.threshold

    def __str__(self) -> str:
        held = f" for {self.for_ms / 1000:g} s" if self.for_ms else ""
        return f"{self.ref}.{self.quantity} {self.side} {self.threshold:g}{held}"


def read_when(text: object) -> object:
    """The condition in `text`; anything but a string is left to the schema. Raises ValueError."""
    if not isinstance(text, str):
        return text
    match = _WHEN.match(text)
    if not match:
        raise ValueError(f"'{text}' is no condition; 'U1.celsius over 33 for 2 s' shows the form")
    ref, quantity, side, threshold, held, unit = match.groups()
    for_ms = float(held) * (1 if unit == "ms" else 1000) if held else 0.0
    return {"ref": ref, "quantity": quantity, "side": side, "threshold": float(threshold), "for_ms": for_ms}
