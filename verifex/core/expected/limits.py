"""How far a reading may lie from what is expected: worst-case limits, a budget, and a likely interval.

Worst case puts every contributor at the end that moves the raw reading the same way. The combined uncertainty is
first order (GUM 5.1.2); where the chain is bent or ends inside the limits, seeded sampling takes its place
(JCGM 101:2008).
"""

from collections.abc import Collection
from dataclasses import dataclass

import numpy as np

from verifex.core.expected.budget import Budget, Contribution
from verifex.core.expected.signal.chain import Chain
from verifex.core.expected.signal.contributors import Contributor
from verifex.core.parts.outputs import FloatArray

SAMPLES, SEED = 2000, 20260101
BENT = 0.08  # of the worst case: from here the chain counts as not linear
LIKELY_PERCENT = (2.275, 97.725)  # what k = 2 holds of a normal distribution


@dataclass(frozen=True, slots=True)
class Limits:
    """Raw readings and printed values, lowest, expected, highest; arrays over the stimuli. `volts` likewise, or None."""

    raw_low: FloatArray
    raw: FloatArray
    raw_high: FloatArray
    value_low: FloatArray
    value: FloatArray
    value_high: FloatArray
    volts: tuple[FloatArray, FloatArray, FloatArray] | None


def limits(
    chain: Chain, at: FloatArray, half: FloatArray, contributors: Collection[Contributor] | None = None
) -> Limits:
    """Worst-case limits at stimuli `at` known within ± `half` (arrays that broadcast).

    `contributors` may stand in for the chain's own: narrowed ones, or those that drift.
    """
    own = chain.contributors if contributors is None else tuple(contributors)
    shape = np.broadcast(at, half, *[c.nominal for c in own]).shape
    at, half = np.broadcast_to(at, shape), np.broadcast_to(half, shape)
    nominal = {c.key: np.asarray(c.nominal) for c in own}
    least: dict[str, FloatArray] = {}
    most: dict[str, FloatArray] = {}
    for c in own:
        low, high = np.asarray(c.low), np.asarray(c.high)
        rises = chain.exact(at, nominal | {c.key: high}) >= chain.exact(at, nominal | {c.key: low})
        least[c.key], most[c.key] = np.where(rises, low, high), np.where(rises, high, low)
    rises = chain.exact(at + half, nominal) >= chain.exact(at - half, nominal)
    at_least, at_most = np.where(rises, at - half, at + half), np.where(rises, at + half, at - half)
    raw = chain.raw(at, nominal)
    raw_low = np.minimum(chain.raw(at_least, least, -1.0), raw)
    raw_high = np.maximum(chain.raw(at_most, most, 1.0), raw)
    ends = np.stack([chain.formula.value(raw_low), chain.formula.value(raw), chain.formula.value(raw_high)])
    v = chain.volts(at, nominal)
    volts = None
    if v is not None:
        v_low, v_high = chain.volts(at_least, least), chain.volts(at_most, most)
        assert v_low is not None and v_high is not None
        volts = (np.minimum(np.minimum(v_low, v_high), v), v, np.maximum(np.maximum(v_low, v_high), v))
    return Limits(raw_low, raw, raw_high, ends.min(axis=0), ends[1], ends.max(axis=0), volts)


def budget_at(chain: Chain, at: float, half: float, contributors: Collection[Contributor] | None = None) -> Budget:
    """Every contributor's half width in the printed unit at one stimulus, the others at nominal."""
    own = chain.contributors if contributors is None else tuple(contributors)
    here = np.asarray(at)
    nominal = {c.key: np.asarray(c.nominal) for c in own}

    def value(at: FloatArray, chosen: dict[str, FloatArray]) -> float:
        return float(chain.formula.value(chain.exact(at, chosen)))

    def moved(c: Contributor) -> float:
        ends = [value(here, nominal | {c.key: np.asarray(end)}) for end in (c.low, c.high)]
        return abs(ends[1] - ends[0]) / 2

    found = []
    if half:
        ends = [value(here - half, nominal), value(here + half, nominal)]
        found.append(
            Contribution("Stimulus", abs(ends[1] - ends[0]) / 2, "how well the step's value is known", "stimulus")
        )
    for c in own:
        once = None if c.measured_half is None else moved(c.measured())
        found.append(Contribution(c.name, moved(c), c.source, c.key, once, c.how))
    exact = chain.exact(here, nominal)
    step = abs(float(chain.formula.value(exact + 0.5) - chain.formula.value(exact - 0.5)))
    if chain.raw_error:
        found.append(Contribution("Converter", chain.raw_error * step, f"± {chain.raw_error:g} counts", "converter"))
    if chain.raw_step:
        one = abs(
            float(chain.formula.value(exact + chain.raw_step / 2) - chain.formula.value(exact - chain.raw_step / 2))
        )
        name = "One count" if chain.raw_unit == "count" else "Resolution"
        found.append(Contribution(name, one / 2, "quantisation", "step"))
    return Budget(chain.formula.unit.symbol, tuple(found))


def is_bent(chain: Chain, at: float, half: float, budget: Budget) -> bool:
    """Whether first order does not do: the joint ends lie elsewhere than the contributors' sum says."""
    found = limits(chain, np.asarray(at), np.asarray(half))
    slack = (chain.raw_step or 0.0) * 2
    one = abs(float(chain.formula.value(found.raw + 0.5) - chain.formula.value(found.raw - 0.5)))
    worst = budget.worst_case
    up, down = float(found.value_high - found.value), float(found.value - found.value_low)
    return max(abs(up - worst), abs(down - worst)) > BENT * worst + slack * one


def sampled(chain: Chain, at: float, half: float, contributors: Collection[Contributor] | None = None) -> FloatArray:
    """Printed values of `SAMPLES` benches drawn within the limits (rectangular, seeded), steps and ends included."""
    own = chain.contributors if contributors is None else tuple(contributors)
    rng = np.random.default_rng(SEED)
    chosen = {c.key: rng.uniform(c.low, c.high, SAMPLES) for c in own}
    stimuli = rng.uniform(at - half, at + half, SAMPLES)
    raw = chain.raw(stimuli, chosen)
    if chain.raw_error:
        error = np.rint(rng.uniform(-chain.raw_error, chain.raw_error, SAMPLES))
        raw = np.maximum(raw + error, 0.0)
        if chain.formula.full_count:
            raw = np.minimum(raw, chain.formula.full_count)
    return chain.formula.value(raw)
