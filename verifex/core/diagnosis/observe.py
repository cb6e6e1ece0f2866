"""What a log shows at each step of each reading, in the few figures that explanations are held against."""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass

import numpy as np

from verifex.core.diagnosis.model import Spot
from verifex.core.exercise import Exercise
from verifex.core.readings.log import Log, StepLog

TAG = "tag"  # the quantity whose readings are ids
LEAST_TO_HALVE = 8  # readings in a step from which its first half is left out: it may still settle there
#: What libraries give back, and programs print, where a module did not answer.
NO_ANSWERS = (-127.0, 85.0, -999.0, 999.0, -1000.0, -1.0, -196.6, 185.0)
MAD_TO_SIGMA = 1.4826
LEAST_FOR_SPREAD, LEAST_FOR_RISE = 4, 6
SQRT6 = 6**0.5


@dataclass(frozen=True, slots=True)
class Seen:
    """One reading at one step: how many values, their centre and noise (one σ from reading to reading, robust and plain), by
    what share they rise within the step, how many lines were no number, which share is a value that stands for no answer, which share is 0.
    `told` is the share of states told in words that say something is there; None where nothing was told in words. `text` is
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
    text: str | None = None

    @property
    def is_told(self) -> bool:
        return self.count > 0 or self.failed > 0 or self.told is not None or self.text is not None


def observe(log: Log, exercise: Exercise) -> Mapping[Spot, Seen]:
    """By step and reading what was seen; steps that were not found are not in it."""
    found: dict[Spot, Seen] = {}
    for index, _ in enumerate(exercise.steps):
        marked = [step for step in log.steps if step.index == index]
        if not marked:
            continue
        for position, reading in enumerate(exercise.readings):
            seen = _id_seen(marked) if reading.quantity == TAG else _seen(marked, position)
            if seen.is_told:
                found[(index, position)] = seen
    return found


def _id_seen(marked: Sequence[StepLog]) -> Seen:
    ids = [found for part in marked for found in part.ids]
    return Seen(0, 0.0, 0.0, 0.0, 0.0, text=max(dict.fromkeys(ids), key=ids.count, default=""))


def _seen(marked: Sequence[StepLog], position: int) -> Seen:
    values = [v for part in marked if position < len(part.columns) for v in part.columns[position]]
    states = [s for part in marked for s in part.states.get(position, [])]
    failed = sum(part.not_numbers for part in marked)
    told = sum(states) / len(states) if states else None
    if not values:
        return Seen(0, 0.0, 0.0, 0.0, 0.0, failed, told=told)
    array = np.array(values[len(values) // 2 if len(values) >= LEAST_TO_HALVE else len(values) // 5 :])
    centre = float(np.median(array))
    # Second differences, so that neither a slow drift nor a fall at one rate is noise; their variance is six times σ².
    bends = np.diff(array, 2) if len(array) > 2 else np.zeros(1)
    spread = float(np.median(np.abs(bends))) * MAD_TO_SIGMA / SQRT6
    wild = float(np.sqrt(np.mean(bends**2))) / SQRT6
    third = max(1, len(array) // 3)
    rise = float(np.median(array[-third:]) - np.median(array[:third])) if len(array) >= LEAST_FOR_RISE else 0.0
    stands_for_none = sum(1 for v in values if v in NO_ANSWERS) / len(values)
    zeros = sum(1 for v in values if v == 0.0) / len(values)
    levels = tuple(float(level) for level in np.percentile(array, (10, 50, 90)))
    return Seen(
        len(values), centre, spread, wild, rise / (abs(centre) or 1.0), failed, stands_for_none, zeros, told, levels
    )
