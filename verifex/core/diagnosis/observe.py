"""What a log shows at each step of each reading, in the few figures that explanations are held against."""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass

import numpy as np

from verifex.core.diagnosis.model import Spot
from verifex.core.exercise import Exercise
from verifex.core.expected import Sheet
from verifex.core.parts import Output
from verifex.core.printed.no_answers import no_answer
from verifex.core.readings.log import Log, StepLog

TAG = "tag"  # the quantity whose readings are ids
LEAST_TO_HALVE = 8  # readings in a step from which its first half is left out: it may still settle there
MOSTLY = 0.5  # of a step's values: from here those that stand for no answer are what the step shows
MAD_TO_SIGMA = 1.4826
LEAST_FOR_SPREAD, LEAST_FOR_RISE = 4, 6
SQRT6 = 6**0.5


@dataclass(frozen=True, slots=True)
class ObservedReading:
    """One reading at one step: how many values, their centre and noise (one σ from reading to reading, robust and plain), by
    what share they rise within the step, how many lines were no number, which share is a value that stands for no answer, which share is 0.
    `told` is the share of states told in words that say something is there; None where nothing was reported in words. `text` is
    the id of a tag that came most often, empty where none came; None for readings that are no ids.
    """

    count: int
    centre: float
    spread: float
    wild: float
    rises: float
    failed: int = 0
    no_answers: float = 0.0
    zeros: float = 0.0
    told: float | None = None
    levels: tuple[float, ...] = ()  # a tenth, the half and nine tenths of the readings lie up to these
    middling: float = 0.0  # the share of readings in the middle half of their range
    text: str | None = None

    @property
    def is_observed(self) -> bool:
        return self.count > 0 or self.failed > 0 or self.told is not None or self.text is not None


def observe(log: Log, exercise: Exercise, sheet: Sheet | None = None) -> Mapping[Spot, ObservedReading]:
    """By step and reading what was seen; steps that were not found are not in it. A value in the limits that `sheet` gives a
    step is a reading, whatever it may stand for elsewhere."""
    found: dict[Spot, ObservedReading] = {}
    for index, _ in enumerate(exercise.steps):
        marked = [step for step in log.steps if step.index == index]
        if not marked:
            continue
        for position, reading in enumerate(exercise.readings):
            if reading.quantity == TAG:
                seen = _observed_id(marked)
            else:
                limits = _limits(sheet, index, position)
                seen = _observed(marked, position, exercise.sensed(reading.ref, reading.quantity), limits)
            if seen.is_observed:
                found[(index, position)] = seen
    return found


def _limits(sheet: Sheet | None, index: int, position: int) -> tuple[float, float]:
    """What a sheet allows of a reading in a step; an empty interval where nothing is known of it."""
    steps = sheet.steps if sheet else ()
    expected = next((r for r in steps[index].readings if r.position == position), None) if index < len(steps) else None
    return (expected.value.low, expected.value.high) if expected else (1.0, 0.0)


def _observed_id(marked: Sequence[StepLog]) -> ObservedReading:
    ids = [found for part in marked for found in part.ids]
    text = max(dict.fromkeys(ids), key=ids.count, default="")
    # Nothing but zeros is a reader that gave nothing.
    return ObservedReading(0, 0.0, 0.0, 0.0, 0.0, text=text if text.strip("0 ") else "")


def _observed(
    marked: Sequence[StepLog], position: int, output: Output | None, limits: tuple[float, float]
) -> ObservedReading:
    values = [v for part in marked if position < len(part.columns) for v in part.columns[position]]
    states = [s for part in marked for s in part.states.get(position, [])]
    failed = sum(part.not_numbers for part in marked)
    told = sum(states) / len(states) if states else None
    if not values:
        return ObservedReading(0, 0.0, 0.0, 0.0, 0.0, failed, told=told)
    silent = [v for v in values if not limits[0] <= v <= limits[1] and no_answer(v, output)]
    no_answers = len(silent) / len(values)
    zeros = sum(1 for v in values if v == 0.0) / len(values)
    if 0 < no_answers <= MOSTLY:
        values = [v for v in values if v not in silent]
    array = np.array(values[len(values) // 2 if len(values) >= LEAST_TO_HALVE else len(values) // 5 :])
    centre = float(np.median(array))
    # Second differences, so that neither a slow drift nor a fall at one rate is noise; their variance is six times σ².
    bends = np.diff(array, 2) if len(array) > 2 else np.zeros(1)
    spread = float(np.median(np.abs(bends))) * MAD_TO_SIGMA / SQRT6
    wild = float(np.sqrt(np.mean(bends**2))) / SQRT6
    third = max(1, len(array) // 3)
    rise = float(np.median(array[-third:]) - np.median(array[:third])) if len(array) >= LEAST_FOR_RISE else 0.0
    levels = tuple(float(level) for level in np.percentile(array, (10, 50, 90)))
    rises, middling = rise / (abs(centre) or 1.0), _middling(values)
    return ObservedReading(len(values), centre, spread, wild, rises, failed, no_answers, zeros, told, levels, middling)


def _middling(values: Sequence[float]) -> float:
    low, high = min(values), max(values)
    quarter = (high - low) / 4
    return sum(low + quarter <= value <= high - quarter for value in values) / len(values) if quarter else 0.0
