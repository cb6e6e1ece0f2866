"""How well a prediction agrees with the whole log: the logarithm of a likelihood, up to a constant that all share.

The centres of all steps are held against the prediction together. One cause (the supply, the sensor's own error) moves
all steps alike, so the covariance is the sum over the causes of the outer product of their effects, a third of the square
of a half width being the variance of a rectangular distribution (GUM 4.3.7); every step adds its own grain. The tails are
those of Student's t with `FREEDOM` degrees of freedom, since people stimulate less exactly than they say.
"""

from collections.abc import Mapping
from math import lgamma, log, pi

import numpy as np

from verifex.core.diagnosis.model import Noise, Prediction, PrintedReading, Spot
from verifex.core.diagnosis.observe import LEAST_FOR_RISE, LEAST_FOR_SPREAD, ObservedReading

FREEDOM = 12.0
SHARP = 1 / 3  # variance of a rectangular distribution of half width 1
GRAINS = 0.6  # σ of a centre, in grains, besides what the causes do
IMPOSSIBLE = -14.0  # a number where none can come, or none where one must
NO_ANSWER_VALUES = 6.0  # how many values stand for no answer: each as likely as the other
OCTAVES_OUTSIDE = 1.0  # over how many powers of e a value spreads that no such module can give
RIGHT_ID, WRONG_ID = 0.97, 0.003  # how often an id is what a fault prints, and how often another one comes
RIGHT_STATE = 0.96  # how often a state is reported rightly
MOST_STATES = 3.0
QUIET_GRAINS, WANDERING_GRAINS, CHATTER_GRAINS = (
    (0.5, 1.1),
    (14.0, 0.9),
    (14.0, 1.4),
)  # median and width of ln(spread/grain)
LEAST_MIDDLING, MOST_MIDDLING = (
    0.05,
    0.3,
)  # of the values: an open pin's lie between the ends, a shaky contact's at them
WILD_GRAINS, ANY_WANDERING = (5.0, 400.0), -0.6  # how far an open pin wanders, each octave as likely as the other
OWN_NOISE_SHARE = 0.04  # of its worst-case width that a sensor may flicker by itself
LEAST_OF_SPREAD, LEAST_OF_RISE = -7.0, -3.0  # no single figure outweighs all others
RISE_WIDTH, MOVING_WIDTH, WANDERING_WIDTH = 0.1, 0.2, 0.4  # of the share by which a step rises, by how it goes
ANY_SPREAD, ANY_RISE = -1.9, -1.4  # where nothing is known of the noise (one of some seven octaves), or of the rise


def log_likelihood(seen: Mapping[Spot, ObservedReading], prediction: Prediction, grain: Mapping[int, float]) -> float:
    """`grain` is by reading the size of a count in the printed unit on the sound bench."""
    total = 0.0
    spots: list[Spot] = []
    for spot, one in seen.items():
        said = prediction.get(spot)
        if said is None:
            continue
        if one.text is not None:
            total += log(RIGHT_ID if one.text == said.text else WRONG_ID)
            continue
        if one.told is not None and not one.count:
            total += _of_states(one, said)
            continue
        if said.value is None or not one.count or (one.no_answers > 0.5 and said.value != one.centre):
            total += _of_silence(one, said, grain.get(spot[1], 1.0))
            continue
        if said.outside is not None:
            total += _of_any_outside(one, said, said.outside)
            continue
        total += _of_spread(one, said) + _of_rise(one, said)
        spots.append(spot)
    return total + _of_centres(seen, prediction, spots)


def _of_silence(one: ObservedReading, said: PrintedReading, grain: float) -> float:
    """Nothing, `nan` or a value that stands for it, against a number or nothing predicted."""
    silent = one.no_answers > 0.5 or (not one.count and one.failed > 0) or one.zeros > 0.9
    if said.value is None:
        if one.zeros > 0.9 or one.no_answers > 0.5:
            return -log(NO_ANSWER_VALUES) - log(max(grain, 1e-9))
        return 0.0 if silent else IMPOSSIBLE
    return IMPOSSIBLE if silent else 0.0


def _of_any_outside(one: ObservedReading, said: PrintedReading, ends: tuple[float, float]) -> float:
    """Any value outside the ends, each power of ten as likely as the other, with any noise."""
    if ends[0] <= one.centre <= ends[1]:
        return IMPOSSIBLE
    unknown = ANY_SPREAD * (one.count >= LEAST_FOR_SPREAD) + ANY_RISE * (one.count >= LEAST_FOR_RISE)
    return max(of_noise(one, said), unknown) - log((abs(one.centre) + 1) * OCTAVES_OUTSIDE)


def _of_states(one: ObservedReading, said: PrintedReading) -> float:
    assert one.told is not None
    if said.there is None:
        return MOST_STATES * log(0.5)
    right = one.told if said.there else 1 - one.told
    share = min(RIGHT_STATE, max(1 - RIGHT_STATE, right))
    return MOST_STATES * (share * log(RIGHT_STATE) + (1 - share) * log(1 - RIGHT_STATE))


def _of_spread(one: ObservedReading, said: PrintedReading) -> float:
    if one.count < LEAST_FOR_SPREAD or said.grain <= 0 or said.is_level:
        return 0.0
    quiet = said.noise is Noise.QUIET
    grain = max(said.grain, OWN_NOISE_SHARE * said.own_half) if quiet else said.grain
    spread = (one.spread if quiet else one.wild) / grain
    median, width = {
        Noise.QUIET: QUIET_GRAINS, Noise.WANDERING: WANDERING_GRAINS, Noise.CHATTER: CHATTER_GRAINS,
    }[said.noise]  # fmt: skip
    found = _normal(log(spread + 0.3) - log(median + 0.3), width)
    if said.noise is Noise.CHATTER and one.middling > MOST_MIDDLING:
        found += ANY_WANDERING * 5  # a contact that comes and goes jumps between levels; these lie between
    jumps = one.middling < LEAST_MIDDLING  # only ever at two levels
    if said.noise is Noise.WANDERING and not jumps and WILD_GRAINS[0] <= spread <= WILD_GRAINS[1]:
        found = max(found, ANY_WANDERING)  # a pin that nothing holds may wander a little, or through its whole range
    return max(LEAST_OF_SPREAD, found)


def _of_rise(one: ObservedReading, said: PrintedReading) -> float:
    if one.count < LEAST_FOR_RISE or said.is_level:
        return 0.0
    if said.noise is not Noise.QUIET:
        width = WANDERING_WIDTH
    else:
        width = RISE_WIDTH if said.rises == 0 else MOVING_WIDTH
    return max(LEAST_OF_RISE, _normal(min(1.0, max(-1.0, one.rises)) - said.rises, width) - _normal(0.0, RISE_WIDTH))


def of_noise(one: ObservedReading, said: PrintedReading) -> float:
    """How well noise and rise agree, whatever the centre is."""
    return _of_spread(one, said) + _of_rise(one, said)


def _normal(off: float, width: float) -> float:
    return -0.5 * (off / width) ** 2 - log(width)


def _off(one: ObservedReading, said: PrintedReading) -> float:
    """How far what was seen lies from what is printed; where a contact comes and goes, the level that lies nearest."""
    value = said.value or 0.0
    if said.noise is Noise.CHATTER:
        return min((level - value for level in one.levels), key=abs)
    return one.centre - value


def _of_centres(seen: Mapping[Spot, ObservedReading], prediction: Prediction, spots: list[Spot]) -> float:
    if not spots:
        return 0.0
    said = [prediction[spot] for spot in spots]
    off = np.array([_off(seen[spot], one) for spot, one in zip(spots, said, strict=True)])
    own = [
        (GRAINS * max(one.grain, 1e-6)) ** 2 + seen[spot].spread ** 2 / max(1, seen[spot].count)
        for spot, one in zip(spots, said, strict=True)
    ]
    covariance = np.diag(own)
    for cause in {name for one in said for name in one.effects}:
        effect = np.array([one.effects.get(cause, 0.0) for one in said])
        covariance += SHARP * np.outer(effect, effect)
    sign, log_det = np.linalg.slogdet(covariance)
    distance = float(off @ np.linalg.solve(covariance, off)) if sign > 0 else 1e9
    n = len(spots)
    constant = lgamma((FREEDOM + n) / 2) - lgamma(FREEDOM / 2) - n / 2 * log(FREEDOM * pi)
    return constant - 0.5 * float(log_det) - (FREEDOM + n) / 2 * log(1 + distance / FREEDOM)
