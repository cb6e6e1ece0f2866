"""The steps of a faulty log without marks: for each fault the best partition of the lines into what it would print.

Where a bench is sound its steps show in the values (`readings.log.unmarked`); a floating input, an overflow or a turned
divider prints other levels than the plan's. So steps and fault are found together, in one score: for each fault the partition
of least cost (dynamic programming, as in `readings.log.changes`), weighed like any other log.
"""

from collections.abc import Sequence
from dataclasses import replace
from math import log

import numpy as np
from numpy.typing import NDArray

from verifex.core.diagnosis.explain import Suspects
from verifex.core.diagnosis.likelihood import SHARP, log_likelihood
from verifex.core.diagnosis.model import Noise, Prediction, PrintedReading
from verifex.core.diagnosis.observe import observe
from verifex.core.diagnosis.rank import Candidate
from verifex.core.parts import Output
from verifex.core.printed.no_answers import no_answer
from verifex.core.readings.log import Log, StepLog

MOST_POINTS = 120  # a longer log is looked at in even portions
LEAST_LINES, LEAST_IN_STEP = 6, 2
SOUND_SHARE = 0.75  # of the lines, for a log to be part of a sound one
CLEARLY = 8.0  # by how much in its score a fault must explain the log better than a sound bench does
MOST_COST = 8.0  # of a line that lies where the fault prints nothing of the kind
#: Faults of the log itself, which fit part of a sound one just as well.
OF_A_PART = ("steps-exchanged", "steps-not-taken", "read-once", "stale-digits", "beyond-reach", "answer-lost")
Costs = NDArray[np.float64]  # of steps × lines


def steps_with_a_fault(suspects: Suspects, found: Log) -> Log | None:
    """The log with the plan's steps, divided as the fault prints that explains it best; None where a sound bench explains it
    nearly as well, or nothing does."""
    case = suspects.case
    choice = found.choices[0] if found.choices else None
    steps = len(case.exercise.steps)
    if choice is None or len(choice.column.values) < max(LEAST_LINES, LEAST_IN_STEP * steps) or steps < 2:
        return None
    values = choice.column.values
    reading = case.exercise.readings[0]
    output = case.exercise.sensed(reading.ref, reading.quantity)
    if _is_part_of_a_sound_log(suspects, values, output):
        return None
    grain = max((said.grain for (_, at), said in suspects.sound.items() if at == 0), default=1.0)
    best: tuple[float, Log, Candidate] | None = None
    for index, one in enumerate(suspects.found):
        if one.fault.slug.partition(":")[0] in OF_A_PART:
            continue
        divided = _divided(suspects, found, one.prediction, values, output)
        if divided is None:
            continue
        score = _score(suspects, divided, one.prediction, grain) + one.score + suspects.more.get(index, 0.0)
        if best is None or score > best[0]:
            best = (score, divided, one)
    sound = _divided(suspects, found, suspects.sound, values, output)
    least = -np.inf if sound is None else _score(suspects, sound, suspects.sound, grain) + CLEARLY
    if best is None or best[0] < least or not _explains(suspects, best[1], best[2].prediction):
        return None
    best[1].notes.append(
        "No step is marked, and the readings do not go as planned; the lines were divided as the likeliest cause would print "
        f"them: “{best[2].fault.title}”."
    )
    return best[1]


def _is_part_of_a_sound_log(suspects: Suspects, values: Sequence[float], output: Output | None) -> bool:
    """Whether most lines lie in the limits of steps in the plan's order, some of which may be missing: such a log waits for its
    marks."""
    longest = 0  # lines that fit, the last of them in the step looked at or in one before
    fitting = np.zeros(len(values) + 1, dtype=int)
    for step in suspects.case.sheet.steps:
        limits = next(((r.value.low, r.value.high) for r in step.readings if r.position == 0), None)
        if limits is None:
            continue
        inside = [limits[0] <= v <= limits[1] and not (no_answer(v, output) and v) for v in values]
        here = np.concatenate([[0], np.cumsum(inside)])
        fitting = here + np.maximum.accumulate(fitting - here)
        longest = int(fitting[-1])
    return longest > SOUND_SHARE * len(values)


def _explains(suspects: Suspects, divided: Log, prediction: Prediction) -> bool:
    """Whether each step's middle lies where the fault prints it."""
    seen = observe(divided, suspects.case.exercise, suspects.case.sheet)
    for spot, one in seen.items():
        said = prediction.get(spot)
        if said is None or spot[1] != 0:
            continue
        if said.value is None:
            if one.no_answers <= 0.5 and one.zeros <= 0.9:
                return False
        elif abs(one.centre - said.value) > said.half + said.grain:
            return False
    return True


def _score(suspects: Suspects, divided: Log, prediction: Prediction, grain: float) -> float:
    seen = observe(divided, suspects.case.exercise, suspects.case.sheet)
    return log_likelihood(seen, prediction, {0: grain})


def _divided(
    suspects: Suspects, found: Log, prediction: Prediction, values: Sequence[float], output: Output | None
) -> Log | None:
    """The log divided where it costs least; evenly where the fault prints the same at every step."""
    steps = suspects.case.exercise.steps
    said = [prediction.get((index, 0)) for index in range(len(steps))]
    if any(one is None or one.outside for one in said):
        return None
    known = [one for one in said if one is not None]
    stride = -(-len(values) // MOST_POINTS)
    points = np.array([float(np.median(values[i : i + stride])) for i in range(0, len(values), stride)])
    if _are_alike(known):
        begins = [len(points) * index // len(steps) for index in range(len(steps))]
    else:
        begins = _cheapest(np.array([_costs(one, points, output) for one in known]))
    choice = found.choices[0]
    assert choice is not None
    starts = [choice.column.lines[begin * stride] for begin in begins]
    divided = replace(
        found, steps=[], unmarked=[], notes=[note for note in found.notes if "No step is marked" not in note]
    )
    for index, step in enumerate(steps):
        end = starts[index + 1] if index + 1 < len(starts) else float("inf")
        made = StepLog(step.name, "", index)
        for taken in found.choices:
            rows = list(zip(taken.column.lines, taken.column.values, strict=True)) if taken else []
            inside = [(line, value) for line, value in rows if starts[index] <= line < end]
            made.columns.append([value for _, value in inside])
            made.column_lines.append([line for line, _ in inside])
        divided.steps.append(made)
    return divided


def _are_alike(said: Sequence[PrintedReading]) -> bool:
    values = [one.value for one in said]
    if all(value is None for value in values):
        return True
    known = [value for value in values if value is not None]
    return len(known) == len(values) and max(known) - min(known) <= max(one.grain for one in said)


def _costs(said: PrintedReading, points: NDArray[np.float64], output: Output | None) -> NDArray[np.float64]:
    """What each line costs in this step: the logarithm of how unlikely it is there."""
    if said.value is None:
        return np.array([0.0 if value == 0 or no_answer(value, output) else MOST_COST for value in points])
    wide = said.noise is not Noise.QUIET
    sigma = max((SHARP**0.5) * said.half, said.grain, 1e-6) * (2.0 if wide else 1.0)
    costs: NDArray[np.float64] = np.minimum(0.5 * ((points - said.value) / sigma) ** 2, MOST_COST) + log(sigma)
    return costs


def _cheapest(costs: Costs) -> list[int]:
    """The first line of each step in the partition of least cost, each step with some lines."""
    steps, lines = costs.shape
    least = LEAST_IN_STEP if lines >= LEAST_IN_STEP * steps else 1
    sums = np.concatenate([np.zeros((steps, 1)), np.cumsum(costs, axis=1)], axis=1)
    best = np.full((steps + 1, lines + 1), np.inf)
    came = np.zeros((steps + 1, lines + 1), dtype=int)
    best[0, 0] = 0.0
    for step in range(1, steps + 1):
        own = sums[step - 1]
        cheapest, at = np.inf, 0
        for end in range(step * least, lines + 1):
            begin = end - least
            if best[step - 1, begin] - own[begin] < cheapest:
                cheapest, at = best[step - 1, begin] - own[begin], begin
            best[step, end], came[step, end] = cheapest + own[end], at
    begins, end = [], lines
    for step in range(steps, 0, -1):
        end = int(came[step, end])
        begins.append(end)
    return begins[::-1]
