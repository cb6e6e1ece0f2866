"""What was measured of one sample beforehand, by people who had time and a good reference: it narrows what is expected of it."""

from collections.abc import Mapping
from dataclasses import dataclass

#: Figures are in the unit of the output they belong to; `…_half` beside a figure is the half width it is known within.
HALF = "_half"
INTERNAL_VOLTS = "internal"  # of a board: its internal reference, in volts
BOARD = "board"  # stands for the board where calibrations are kept by the exercise's references


@dataclass(frozen=True, slots=True)
class Calibration:
    """Figures of one sample for `quantity` (empty: for all it measures, or of a board), with where they come from in words
    (`T-31, 12 Nov 2026, reference thermometer`). What has `aged` is mentioned and not used."""

    figures: Mapping[str, float]
    said: str
    quantity: str = ""
    aged: bool = False


def figures_for(calibrations: tuple[Calibration, ...], quantity: str) -> dict[str, float]:
    """The figures that count for a quantity; of two the later one counts."""
    found: dict[str, float] = {}
    for one in calibrations:
        if not one.aged and one.quantity in ("", quantity):
            found.update(one.figures)
    return found


def source_for(calibrations: tuple[Calibration, ...], quantity: str) -> str:
    """Where the figures for a quantity come from; empty where none count."""
    used = [one.said for one in calibrations if not one.aged and one.quantity in ("", quantity) and one.figures]
    return used[-1] if used else ""


def merged(calibrated: Mapping[str, float], own: Mapping[str, float]) -> dict[str, float]:
    """Figures of a calibration with those of the bench itself, which win; the width of a figure goes with it."""
    kept = {
        name: value
        for name, value in calibrated.items()
        if name.removesuffix(HALF) not in own or own[name.removesuffix(HALF)] == calibrated.get(name.removesuffix(HALF))
    }
    return {**kept, **own}
