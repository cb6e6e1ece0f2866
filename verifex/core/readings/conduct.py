"""What is worth saying of how readings go besides whether they fit: they drift, stand still, or cannot tell steps apart."""

from collections.abc import Iterator, Sequence
from typing import Protocol

from verifex.core.expected import ExpectedStep, Sheet
from verifex.core.expected.step import ExpectedReading

LEAST_FOR_DRIFT = 8  # readings in a step
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


class ReadStep(Protocol):
    @property
    def name(self) -> str: ...
    @property
    def readings(self) -> Sequence[Read]: ...


def told_of(steps: Sequence[ReadStep], sheet: Sheet) -> list[str]:
    """Sentences for the readings of a log, of each reading of the exercise in turn."""
    return [
        *(said for step in steps if (expected := sheet.step(step.name)) for said in _drifting(step, expected)),
        *_standing_still(steps, sheet),
        *_alike(sheet),
    ]


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
    for step, expected in zip(steps, sheet.steps, strict=True):
        for read, asked in zip(step.readings, expected.readings, strict=True):
            if read.centre is not None:
                by_reading.setdefault(asked.position, []).append((read.centre, asked))
    for seen in by_reading.values():
        centres, asked = [centre for centre, _ in seen], seen[0][1]
        in_order = sorted((one.value for _, one in seen), key=lambda value: value.nominal)
        apart = in_order[-1].low - in_order[0].high  # what must lie between them whatever the tolerances
        if len(seen) > 1 and apart > 0 and max(centres) - min(centres) < 0.1 * apart:
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
