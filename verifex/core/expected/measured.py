"""Values a pair measured on its own bench, with the ranges that are plausible."""

from dataclasses import dataclass, field

from verifex.core.parts import Board
from verifex.core.quantity import Spread

#: A handheld meter on its volts range: 0.5 % of reading + 2 digits of 10 mV (typical of the family).
METER_SHARE, METER_VOLTS = 0.005, 0.02


@dataclass(frozen=True, slots=True)
class Measured:
    """What was measured: the rail and the internal reference in volts, stimulus values by step name."""

    rail_volts: float | None = None
    internal_volts: float | None = None
    stimulus: dict[str, float] = field(default_factory=dict)

    def problems(self, board: Board) -> list[str]:
        """What is not plausible, in words with the plausible range; empty when all is well."""
        found = []
        if self.rail_volts is not None:
            low, high = 0.85 * board.rail_volts, 1.1 * board.rail_volts
            if not low <= self.rail_volts <= high:
                found.append(
                    f"A supply of {self.rail_volts:g} V is not plausible on this board; {low:.2f} to {high:.2f} V is. "
                    "Measure between the supply pin and GND."
                )
        reference = board.internal_reference_volts
        if self.internal_volts is not None:
            if reference is None:
                found.append(f"The {board.title} has no internal reference to measure.")
            elif not 0.95 * reference[0] <= self.internal_volts <= 1.05 * reference[2]:
                found.append(
                    f"An internal reference of {self.internal_volts:g} V is not plausible; {reference[0]:g} to {reference[2]:g} V is."
                )
        return found

    def rail(self, board: Board) -> Spread:
        """The rail with the limits it may really have: the meter's when measured, the supply's when not."""
        if self.rail_volts is not None:
            return Spread.around(self.rail_volts, self.rail_volts * METER_SHARE + METER_VOLTS)
        return Spread(board.rail_low_volts, board.rail_volts, board.rail_high_volts)

    def internal(self, board: Board) -> Spread:
        """The internal reference likewise. Raises ValueError on a board without one."""
        if board.internal_reference_volts is None:
            raise ValueError(f"the {board.title} has no internal reference")
        if self.internal_volts is not None:
            return Spread.around(self.internal_volts, self.internal_volts * METER_SHARE + METER_VOLTS / 4)
        return Spread(*board.internal_reference_volts)
