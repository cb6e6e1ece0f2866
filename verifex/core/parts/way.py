"""A safe way of making a stimulus at a bench."""

from math import log

from verifex.core.parts.figures import Frozen


class Way(Frozen):
    """How a quantity is brought to a value from `low` to `high` in `unit`, and measured within `uncertainty`.

    `settles_seconds` is the time constant of what is brought near (the case of a thermometer in still air): the first-order
    lag after which it is waited for. `parts` names what it suits (empty: whatever measures the quantity).
    """

    id: str
    title: str
    quantity: str
    unit: str = ""
    low: float
    high: float
    uncertainty: float
    instrument: str
    how: str
    settles_seconds: float = 0.0
    parts: tuple[str, ...] = ()
    cautions: tuple[str, ...] = ()

    def seconds_until(self, jump: float, left: float) -> float:
        """How long a first-order lag takes from `jump` off its end value to `left` off: τ·ln(jump/left)."""
        if self.settles_seconds == 0 or left <= 0 or abs(jump) <= left:
            return 0.0
        return self.settles_seconds * log(abs(jump) / left)
