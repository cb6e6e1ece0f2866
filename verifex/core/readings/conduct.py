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
    for position, asked in enumerate(sheet.steps[0].readings if sheet.steps else ()):
        rows = [(step.readings[position], sheet.steps[index].readings[position]) for index, step in enumerate(steps)]
        seen = [(read.centre, expected.value) for read, expected in rows if read.centre is not None]
        if len(seen) < 2:
            continue
        centres = [centre for centre, _ in seen]
        lowest, highest = min(seen, key=lambda row: row[1].nominal)[1], max(seen, key=lambda row: row[1].nominal)[1]
        apart = highest.low - lowest.high  # what must lie between them whatever the tolerances
        if apart > 0 and max(centres) - min(centres) < 0.1 * apart:
            yield (
                f"The {asked.name or 'reading'} stands still at {centres[0]:g} {asked.unit}".rstrip()
                + " although the steps differ. Is the pin read that the module is on?"
            )


def _alike(sheet: Sheet) -> Iterator[str]:
    """Steps between which this bench cannot tell."""
    for position, asked in enumerate(sheet.steps[0].readings if sheet.steps else ()):
        flat = [step.name for step in sheet.steps if step.readings[position].exempt]
        if len(flat) > 1:
            names = ", ".join(f"“{name}”" for name in flat)
            yield f"At {names} the {asked.name or 'reading'} is at its end: no reading tells these steps apart."
