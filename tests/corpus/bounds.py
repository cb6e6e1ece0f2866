"""How large a rate may be after what was seen."""

from math import comb


def upper_bound(events: int, trials: int) -> float:
    """The rate that would give no more than `events` in `trials` with a chance of 5 %: the one-sided limit of Clopper and
    Pearson (Biometrika 26, 1934), by bisection; for no event in n trials that is 1 − 0.05^(1/n)."""
    if events >= trials:
        return 1.0
    low, high = 0.0, 1.0
    for _ in range(60):
        rate = (low + high) / 2
        chance = sum(comb(trials, k) * rate**k * (1 - rate) ** (trials - k) for k in range(events + 1))
        low, high = (rate, high) if chance > 0.05 else (low, rate)
    return high
