"""Which act tells most: the information it is expected to give, and what a result makes of what is likely."""

from collections.abc import Mapping, Sequence
from dataclasses import replace
from itertools import pairwise
from math import exp, log

from verifex.core.diagnosis.acts.act import METER_OHMS, METER_SHARE, METER_VOLTS, OHMS_SHARE, OPEN_OHMS, Act, Outcome

WRONG_ANSWER = 0.04  # how often a person answers otherwise than it is
BY_CHANCE = 20  # ranges of a meter that a wrong number may lie in
LEAST_GAIN = 0.02  # bits


def best_acts(acts: Sequence[Act], shares: Mapping[int, float]) -> list[Act]:
    """The acts that tell most a second, the best first; what tells nothing is left out."""
    weighed = [replace(act, gain=information(act, shares)) for act in acts]
    useful = [act for act in weighed if act.gain > LEAST_GAIN]
    return sorted(useful, key=lambda act: -act.gain / act.seconds)


def information(act: Act, shares: Mapping[int, float]) -> float:
    """Bits that an act is expected to give: the entropy of its outcomes, less what its own errors make of it."""
    total = sum(shares.get(index, 0.0) for index in act.outcomes) or 1.0
    by_outcome: dict[object, float] = {}
    for index, outcome in act.outcomes.items():
        key = _bin(act, outcome)
        by_outcome[key] = by_outcome.get(key, 0.0) + shares.get(index, 0.0) / total
    return -sum(p * log(p, 2) for p in by_outcome.values() if p > 0)


def _bin(act: Act, outcome: Outcome) -> object:
    """Outcomes a meter cannot tell apart go together."""
    if not act.unit or isinstance(outcome, str):
        return outcome
    known = sorted({o for o in act.outcomes.values() if not isinstance(o, str)})
    group = 0
    for low, high in pairwise(known):
        if high <= outcome and high - low > _half(act, low) + _half(act, high):
            group += 1
    return group


def _half(act: Act, value: float) -> float:
    """What a meter leaves open at a value."""
    return OHMS_SHARE * value + METER_OHMS if act.unit == "Ω" else METER_SHARE * abs(value) + METER_VOLTS


def log_odds(act: Act, result: float) -> dict[int, float]:
    """By candidate the logarithm of how likely the result is under it."""
    found = {}
    for index, outcome in act.outcomes.items():
        if not act.unit:
            right = outcome == result
            found[index] = log(1 - WRONG_ANSWER) if right else log(WRONG_ANSWER)
        elif isinstance(outcome, str):
            found[index] = log(0.1)
        else:
            off = (min(result, OPEN_OHMS) - outcome) / (_half(act, outcome) / 1.5)
            # A wrong number that fits another fault does so by chance besides.
            found[index] = max(log(WRONG_ANSWER / BY_CHANCE), -0.5 * off * off)
    return found


def posterior(shares: Mapping[int, float], odds: Sequence[Mapping[int, float]]) -> dict[int, float]:
    """Shares after results, by candidate."""
    scored = {i: log(max(share, 1e-12)) + sum(one.get(i, 0.0) for one in odds) for i, share in shares.items()}
    top = max(scored.values(), default=0.0)
    total = sum(exp(score - top) for score in scored.values()) or 1.0
    return {i: exp(score - top) / total for i, score in scored.items()}
