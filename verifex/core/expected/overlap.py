"""Steps whose limits overlap, so that one reading fits both, and steps that would not."""

from collections.abc import Iterator
from itertools import pairwise

import numpy as np

from verifex.core.expected.limits import limits
from verifex.core.expected.sheet import Sheet
from verifex.core.expected.signal.chain import Chain, DigitalChain
from verifex.core.expected.step import ExpectedReading, ExpectedStep
from verifex.core.parts.outputs import FloatArray

TRIED = 200  # stimuli between the ends of the range


def overlapping(sheet: Sheet) -> Iterator[str]:
    """A sentence for each pair of neighbouring steps of the first reading whose limits overlap."""
    steps = sorted(sheet.steps, key=lambda step: step.stimulus.nominal)
    for low, high in pairwise(steps):
        one, other = sorted((low.first, high.first), key=lambda reading: reading.value.nominal)
        chain = sheet.chains.get((low.first.ref, low.first.quantity))
        same = low.stimulus.nominal == high.stimulus.nominal or (low.first.exempt and high.first.exempt)
        if chain is None or isinstance(chain, DigitalChain) or same or one.value.high < other.value.low:
            continue
        yield (
            f"The limits of “{low.name}” ({_span(low.first)}) and “{high.name}” ({_span(high.first)}) overlap: "
            "a reading between them fits both." + _better(chain, low, high)
        )


def _span(reading: ExpectedReading) -> str:
    ends = f"{reading.value.low:.{reading.decimals}f} to {reading.value.high:.{reading.decimals}f}"
    return f"{ends} {reading.unit}".rstrip()


def _better(chain: Chain, low: ExpectedStep, high: ExpectedStep) -> str:
    """The nearest stimuli at which the two would lie apart; empty where the range has none."""
    output = chain.output
    half = (high.stimulus.high - high.stimulus.low) / 2
    grid = np.linspace(output.low, output.high, TRIED)
    found = limits(chain, grid, np.full_like(grid, half))
    above = _first_apart(grid[grid > high.stimulus.nominal], chain, low, half)
    if above is not None:
        return f" {low.stimulus.nominal:g} and {above:.3g} {output.unit}".rstrip() + " would do."
    lowest, highest = float(grid[0]), float(grid[-1])
    rises = found.value[-1] > found.value[0]
    apart = found.value_high[0] < found.value_low[-1] if rises else found.value_high[-1] < found.value_low[0]
    return f" {lowest:g} and {highest:g} {output.unit}".rstrip() + " would do." if apart else ""


def _first_apart(stimuli: FloatArray, chain: Chain, low: ExpectedStep, half: float) -> float | None:
    """The smallest stimulus whose limits lie outside those of the lower step."""
    if not len(stimuli):
        return None
    at = np.asarray(stimuli, dtype=float)
    found = limits(chain, at, np.full_like(at, half))
    own = low.first.value
    apart = (found.value_low > own.high) | (found.value_high < own.low)
    return float(at[int(np.argmax(apart))]) if bool(np.any(apart)) else None
