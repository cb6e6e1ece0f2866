"""Which of the printed numbers is the reading, and how finely it is printed."""

import re
from collections import Counter
from collections.abc import Sequence
from dataclasses import dataclass
from statistics import median

from verifex.core.exercise import Exercise, printable
from verifex.core.parts import catalogue
from verifex.core.quantity import numbers_in

Limits = tuple[float, float]
_DECIMALS = re.compile(r"\d\.(\d+)")
MOST_DECIMALS = 6


@dataclass(frozen=True, slots=True)
class Printed:
    """A printed value and the step of its last digit, in the printed unit."""

    value: float
    grain: float

    def fits(self, limits: Limits) -> bool:
        """Whether what stands behind it, cut or rounded to that last digit, can lie inside the limits."""
        return limits[0] - self.grain < self.value <= limits[1] + self.grain / 2


def is_judged(exercise: Exercise) -> bool:
    """Whether the number is fixed by what is measured: an on and off, or an id, may be told in any way the pair likes."""
    reading = exercise.readings[0]
    recipe = exercise.part_of(reading.ref)
    output = catalogue().parts[recipe.part].sensing(reading.quantity) if recipe else None
    if output is None or reading.print:
        return True
    return "level" not in printable(output) and output.quantity != "tag"


def columns(lines: Sequence[tuple[float, str]], spans: Sequence[Limits]) -> list[list[Printed | None]]:
    """What each column of the printed lines says over each span of time (ms): a list per column, a value per span.

    Only lines with the usual number of numbers count; the others are headings, or words about something else.
    """
    rows = [(ms, text, numbers) for ms, text in lines if (numbers := numbers_in(text))]
    usual = Counter(len(numbers) for *_, numbers in rows).most_common(1)
    if not usual:
        return []
    count = usual[0][0]
    rows = [row for row in rows if len(row[2]) == count]
    return [[_over(rows, column, span) for span in spans] for column in range(count)]


def _over(rows: Sequence[tuple[float, str, list[float]]], column: int, span: Limits) -> Printed | None:
    here = [(text, numbers[column]) for ms, text, numbers in rows if span[0] <= ms <= span[1]]
    if not here:
        return None
    decimals = max((len(d) for text, _ in here for d in _DECIMALS.findall(text)), default=0)
    whole = all(value == int(value) for _, value in here)
    return Printed(
        round(median(value for _, value in here), 3), 1.0 if whole else 10.0 ** -min(decimals, MOST_DECIMALS)
    )


def reading_column(found: list[list[Printed | None]], limits: Sequence[Limits | None]) -> list[Printed | None]:
    """The column that is the reading: the one inside its limits most often, the first of those that tie.

    Where none ever is and there are several, nothing can be said of any of them.
    """

    def inside(column: list[Printed | None]) -> int:
        return sum(
            p is not None and within is not None and p.fits(within) for p, within in zip(column, limits, strict=True)
        )

    if not found:
        return [None] * len(limits)
    best = max(found, key=inside)
    if len(found) > 1 and not inside(best) and any(limits):
        return [None] * len(limits)
    return best
