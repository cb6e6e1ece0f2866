"""A straight-line error that was found by comparing a sample with a reference at one point or two.

Settings: at `at1` (and `at2`) the sample reads `off1` (`off2`) too much, each known within `off_half`; all in the output's unit.
"""

from collections.abc import Callable

import numpy as np

from verifex.core.parts.outputs.base import FloatArray, Settings

CALIBRATED = "as calibrated"


def is_compared(settings: Settings) -> bool:
    return "off1" in settings and "at1" in settings


def too_much(at: FloatArray, settings: Settings) -> FloatArray:
    """What the sample reads too much at `at`: the same everywhere with one point, a line through both with two, level
    outside them."""
    if not is_compared(settings):
        return np.zeros(np.shape(at))
    if "at2" not in settings:
        return np.full(np.shape(at), settings["off1"])
    ends = sorted([(settings["at1"], settings["off1"]), (settings["at2"], settings["off2"])])
    return np.asarray(np.interp(at, [x for x, _ in ends], [off for _, off in ends]))


def left_open(
    at: FloatArray, within: Callable[[FloatArray], FloatArray], ends: tuple[float, float], settings: Settings
) -> FloatArray:
    """The half width that is left at `at`: where the sample was compared that is the comparison's own, and never more than the
    family's.

    Away from there it grows as fast as a straight error can that runs from one of the family's limits to the other over the whole
    range (`ends`): 2·W/(high − low) a unit, W the widest limit.
    """
    family = within(at)
    if not is_compared(settings):
        return family
    points = [settings[name] for name in ("at1", "at2") if name in settings]
    distance = np.abs(at - np.clip(at, min(points), max(points)))
    widest = float(np.max(within(np.asarray(ends))))
    grown = settings.get("off_half", 0.0) + 2 * widest * distance / (ends[1] - ends[0])
    return np.asarray(np.minimum(family, grown))
