"""What each output should be at a step, and where the limits leave it open."""

from collections.abc import Mapping
from dataclasses import dataclass

import numpy as np

from verifex.core.exercise import Exercise, Step
from verifex.core.exercise.statements import When
from verifex.core.expected.limits import limits
from verifex.core.expected.signal.chain import Chain
from verifex.core.quantity import Spread

EITHER, ON, OFF = "either", "on", "off"


@dataclass(frozen=True, slots=True)
class StepReadings:
    """One step's readings by (ref, quantity): the value with its limits, and the limits on one and the same bench."""

    step: Step
    values: Mapping[tuple[str, str], Spread]
    repeats: Mapping[tuple[str, str], Spread]


def indicators(
    exercise: Exercise, here: StepReadings, steps: list[StepReadings], chains: Mapping[tuple[str, str], Chain]
) -> dict[str, str]:
    """'on', 'off', another state in words, or 'either' for each output the behaviour names; outputs nothing is known of are absent."""
    states: dict[str, str] = {}
    for statement in exercise.behaviour:
        holds = _holds(exercise, statement.when, here, steps, chains)
        if holds is None:
            continue
        for output in statement.outputs:
            side = statement.then if holds is True else statement.otherwise
            if holds == EITHER:
                states[output] = EITHER
            elif output in side:
                states[output] = str(side[output])
    return states


def threshold_printed(when: When, chain: Chain) -> float:
    """A threshold in the printed unit: by the unit alone, else through the whole chain at nominal values."""
    direct = chain.formula.of_stimulus(when.threshold)
    if direct is not None:
        return direct
    return float(chain.formula.value(chain.exact(np.asarray(when.threshold), {})))


def rises(chain: Chain) -> bool:
    """Whether the printed value rises with the stimulus."""
    ends = chain.formula.value(chain.exact(np.array([chain.output.low, chain.output.high]), {}))
    return bool(ends[1] >= ends[0])


def _holds(
    exercise: Exercise,
    when: When,
    here: StepReadings,
    steps: list[StepReadings],
    chains: Mapping[tuple[str, str], Chain],
) -> bool | str | None:
    key = (when.ref, when.quantity)
    stimulus = here.step.value_of(*key)
    if stimulus is None:
        return None
    wanted = when.holds(stimulus.value, stimulus.text)
    chain, value = chains.get(key), here.values.get(key)
    if when.side == "is" or chain is None or value is None:
        return wanted
    if chain.raw_unit == "level":
        return wanted if value.low == value.high else EITHER
    if exercise.conventions.threshold == "two-readings":
        return wanted if _reads_apart(when, here, steps) else EITHER
    threshold = threshold_printed(when, chain)
    above = value.low > threshold
    if not above and not value.high < threshold:
        return EITHER
    over = above == rises(chain)
    return over == (when.side == "over")


def _reads_apart(when: When, here: StepReadings, steps: list[StepReadings]) -> bool:
    """Whether on one and the same bench this step reads apart from every step on the other side of the threshold."""
    key = (when.ref, when.quantity)
    mine, own = here.step.value_of(*key), here.repeats.get(key)
    if mine is None or own is None:
        return False
    for other in steps:
        value, repeat = other.step.value_of(*key), other.repeats.get(key)
        if value is None or repeat is None or when.holds(value.value) == when.holds(mine.value):
            continue
        if repeat.low <= own.high and own.low <= repeat.high:
            return False
    return True


def repeat_limits(chain: Chain, at: float, half: float) -> Spread:
    """The printed value's limits between two readings of one bench: what does not drift stays at nominal."""
    still = [c for c in chain.contributors if c.drifts]
    found = limits(chain, np.asarray(at), np.asarray(half), still)
    return Spread(float(found.value_low), float(found.value), float(found.value_high))
