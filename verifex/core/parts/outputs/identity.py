"""The tag reader: it tells which one, not how much."""

from collections.abc import Mapping
from typing import Literal

from verifex.core.parts.outputs.base import Carries, FloatArray, Sensing, Settings


class IdentityOutput(Sensing):
    """An id of one of `bytes_long` bytes, printed in base 16; `reach_cm` is how near the tag must be held."""

    kind: Literal["identity"]
    bytes_long: tuple[int, ...] = (4, 7)
    reach_cm: float = 3.0
    low: float = 0.0
    high: float = 1.0

    @property
    def carries(self) -> Carries:
        return "text"

    def state(self, at: FloatArray, chosen: Mapping[str, FloatArray], settings: Settings) -> FloatArray:
        return at

    def read(self, text: str) -> str:
        """An id as the reader gives it: upper-case base 16 in pairs. Raises ValueError for what is none."""
        digits = text.replace(" ", "").replace(":", "").replace("-", "").upper()
        try:
            known = len(bytes.fromhex(digits)) in self.bytes_long
        except ValueError:
            known = False
        if not known:
            lengths = " or ".join(str(n) for n in self.bytes_long)
            raise ValueError(f"'{text}' is no tag id; {lengths} bytes in base 16 were expected, as 04 A2 19 7C")
        return " ".join(digits[n : n + 2] for n in range(0, len(digits), 2))
