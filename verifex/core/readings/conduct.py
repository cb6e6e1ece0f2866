"""What is worth saying of how readings go besides whether they fit: they drift, stand still, or cannot tell steps apart."""

from collections import Counter
from collections.abc import Iterator, Sequence
from itertools import pairwise
from statistics import median
from typing import Protocol

from verifex.core.exercise import Exercise
from verifex.core.expected import ExpectedStep, Sheet
from verifex.core.expected.step import ExpectedReading
from verifex.core.printed.no_answers import TITLES, no_answer
from verifex.core.quantity import printed_step
from verifex.core.readings.log import is_state

LEAST_FOR_DRIFT = 8  # readings in a step
LEAST_CHANGES = 4  # of a state within a step
MOST_JUMP_COUNTS, MOST_JUMP_SHARE = 6.0, 0.15  # from reading to reading: counts, and of the width between the limits
STILL = 2.0  # widths of the noise or last digits by which steps differ that show the same
DRIFT_SHARE = 0.5  # of the width of the k = 2 interval


class Read(Protocol):
    """A reading of a step, as far as it is looked at here."""

    @property
    def count(self) -> int: ...
    @property
    def centre(self) -> float | None: ...
    @property
    def spread(self) -> float | None: ...
    @property
    def drift(self) -> float | None: ...
    @property
    def values(self) -> Sequence[float]: ...
    @property
    def unanswered(self) -> Sequence[float]: ...


class ReadStep(Protocol):
    @property
    def name(self) -> str: ...
    @property
    def readings(self) -> Sequence[Read]: ...


def conduct_sentences(steps: Sequence[ReadStep], sheet: Sheet, exercise: Exercise) -> list[str]:
    """Sentences for the readings of a log, of each reading of the exercise in turn."""
    return [
        *(said for step in steps if (expected := sheet.step(step.name)) for said in _within(step, expected, exercise)),
        *_standing_still(steps, sheet),
        *_alike(sheet),
    ]


def _within(step: ReadStep, expected: ExpectedStep, exercise: Exercise) -> Iterator[str]:
    """What is worth saying of the readings of one step."""
    yield from _unanswered(step, expected, exercise)
    yield from _drifting(step, expected)
    yield from _flickering(step, expected, exercise)
    yield from _noisy(step, expected)


def _unanswered(step: ReadStep, expected: ExpectedStep, exercise: Exercise) -> Iterator[str]:
    for read, asked in zip(step.readings, expected.readings, strict=True):
        output = exercise.sensed(asked.ref, exercise.readings[asked.position].quantity)
        for value, count in Counter(read.unanswered).items():
            if why := no_answer(value, output):
                yield f"“{step.name}”: {count} of {read.count} readings are {value:g}: {TITLES[why]}. They were left out."


def _flickering(step: ReadStep, expected: ExpectedStep, exercise: Exercise) -> Iterator[str]:
    """A state that changes again and again while nothing changes before the module."""
    for read, asked in zip(step.readings, expected.readings, strict=True):
        levels = set(read.values)
        if (
            read.count < LEAST_FOR_DRIFT
            or levels != {0.0, 1.0}
            or not is_state(exercise, exercise.readings[asked.position])
        ):
            continue
        changes = sum(one != other for one, other in pairwise(read.values))
        if changes >= LEAST_CHANGES:
            yield (
                f"“{step.name}”: the {asked.name} changes {changes} times within the step. Its sensitivity, its hold time and "
                "its warm-up can do that, and so can a lead that makes no contact."
            )


def _noisy(step: ReadStep, expected: ExpectedStep) -> Iterator[str]:
    """Readings of a converter that jump from one to the next by far more than a count or two."""
    for read, asked in zip(step.readings, expected.readings, strict=True):
        raw_width, width = asked.raw[2] - asked.raw[0], asked.value.high - asked.value.low
        if read.count < LEAST_FOR_DRIFT or asked.raw_unit != "count" or raw_width <= 0 or width <= 0:
            continue
        body = read.values[len(read.values) // 5 :]
        jump = median(abs(b - a) for a, b in pairwise(body))
        if jump > max(MOST_JUMP_COUNTS * width / raw_width, MOST_JUMP_SHARE * width):
            yield (
                f"“{step.name}”: the {asked.name} jumps by {jump:.3g} {asked.unit}".rstrip()
                + " from one reading to the next, up and down. Look for a lead that makes no contact, above all the ground; "
                "light from lamps on the mains and an input that nothing holds can do it as well."
            )


def _drifting(step: ReadStep, expected: ExpectedStep) -> Iterator[str]:
    """A step that was read before it stood: the last readings lie well away from the first."""
    for read, asked in zip(step.readings, expected.readings, strict=True):
        if read.count < LEAST_FOR_DRIFT or read.drift is None or read.spread is None:
            continue
        width = asked.likely[1] - asked.likely[0]
        if width > 0 and abs(read.drift) > max(DRIFT_SHARE * width, 2 * _grain(asked)):
            way = "rise" if read.drift > 0 else "fall"
            yield (
                f"“{step.name}”: the readings still {way} by {abs(read.drift):g} {asked.unit}".rstrip()
                + " within the step. Wait until they stand, then read."
            )


def _grain(asked: ExpectedReading) -> float:
    return float(10.0**-asked.decimals)


def _standing_still(steps: Sequence[ReadStep], sheet: Sheet) -> Iterator[str]:
    """One value through steps that should differ: what is read is not what is done."""
    by_reading: dict[int, list[tuple[float, ExpectedReading]]] = {}
    noises: dict[int, float] = {}
    for step, expected in zip(steps, sheet.steps, strict=True):
        for read, asked in zip(step.readings, expected.readings, strict=True):
            if read.centre is not None:
                by_reading.setdefault(asked.position, []).append((read.centre, asked))
                own = max(read.spread or 0.0, printed_step(read.values))
                noises[asked.position] = max(noises.get(asked.position, 0.0), own)
    for position, seen in by_reading.items():
        centres, asked = [centre for centre, _ in seen], seen[0][1]
        in_order = sorted((one.value for _, one in seen), key=lambda value: value.nominal)
        apart = in_order[-1].low - in_order[0].high  # what must lie between them whatever the tolerances
        moved = max(centres) - min(centres)
        still = STILL * noises[position]
        if len(seen) > 1 and apart > 0 and moved < min(0.1 * apart, still):
            yield (
                f"The {asked.name} stands still at {centres[0]:g} {asked.unit}".rstrip()
                + " although the steps differ. Is the pin read that the module is on?"
            )


def _alike(sheet: Sheet) -> Iterator[str]:
    """Steps between which this bench cannot tell."""
    flat: dict[str, list[str]] = {}
    for step in sheet.steps:
        for asked in step.readings:
            if asked.exempt:
                flat.setdefault(asked.name, []).append(f"“{step.name}”")
    for name, steps in flat.items():
        if len(steps) > 1:
            yield f"At {', '.join(steps)} the {name} is at its end: no reading tells these steps apart."
