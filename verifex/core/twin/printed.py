"""Which of the printed numbers is the reading, and how finely it is printed."""

import re
from collections import Counter
from collections.abc import Sequence
from dataclasses import dataclass
from statistics import median

import numpy as np

from verifex.core.exercise import Exercise, printable
from verifex.core.printed.columns import printed_unit
from verifex.core.printed.lines import numbers_and_texts, slots_of
from verifex.core.program import RunResult
from verifex.core.quantity import numbers_in

Limits = tuple[float, float]
_DECIMALS = re.compile(r"\d\.(\d+)")
MOST_DECIMALS = 6
LOOKS_EVERY_MS = 500.0  # at a display
UNREAD_MS = 50.0  # what stands no longer than this on a display is half written
LOOKED_AT = 50  # lines, for the words beside the numbers


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
    output = exercise.sensed(reading.ref, reading.quantity)
    if output is None or reading.print:
        return True
    return "level" not in printable(output) and output.quantity != "tag"


@dataclass(frozen=True, slots=True)
class Rows:
    """The printed lines that have the usual number of numbers: (ms, text, numbers).

    The others are headings, or words about something else.
    """

    rows: tuple[tuple[float, str, tuple[float, ...]], ...]

    @property
    def columns(self) -> int:
        return len(self.rows[0][2]) if self.rows else 0

    def over(self, column: int, span: Limits) -> Printed | None:
        """What a column says over a span of time (ms): the middle of its values."""
        here = [(text, numbers[column]) for ms, text, numbers in self.rows if span[0] <= ms <= span[1]]
        if not here:
            return None
        decimals = max((len(d) for text, _ in here for d in _DECIMALS.findall(text)), default=0)
        whole = all(value == int(value) for _, value in here)
        grain = 1.0 if whole else 10.0 ** -min(decimals, MOST_DECIMALS)
        return Printed(round(median(value for _, value in here), 3), grain)

    def points(self, column: int) -> list[tuple[float, float]]:
        return [(ms, numbers[column]) for ms, _, numbers in self.rows]


def told_lines(run: RunResult) -> Sequence[tuple[float, str]]:
    """What the run tells, line by line: the log, or the displays where the log has no number."""
    if not run.displays or any(numbers_in(text) for _, text in run.lines):
        return run.lines
    # A display goes on showing what it shows: it is read again and again.
    ends = [*(ms for ms, *_ in run.displays[1:]), run.ended_ms]
    return [
        (ms, "  ".join(row.strip() for row in rows))
        for (start, _, rows), end in zip(run.displays, ends, strict=True)
        for ms in (start, *np.arange(start + LOOKS_EVERY_MS, end, LOOKS_EVERY_MS).tolist())
        if end - start >= UNREAD_MS
    ]


def rows_of(lines: Sequence[tuple[float, str]]) -> Rows:
    found = [(ms, text, tuple(numbers)) for ms, text in lines if (numbers := numbers_in(text))]
    usual = Counter(len(numbers) for *_, numbers in found).most_common(1)
    return Rows(tuple(row for row in found if len(row[2]) == usual[0][0]) if usual else ())


def named_column(rows: Rows, exercise: Exercise) -> int | None:
    """The column whose unit is the first reading's, where exactly one says so: then it is that, wherever its values lie."""
    asked = printed_unit(exercise.readings[0])
    said = [slots_of(numbers_and_texts(text)[1]) for _, text, _ in rows.rows[:LOOKED_AT]]
    means = [{slots[column].means for slots in said if column < len(slots)} for column in range(rows.columns)]
    found = [column for column, units in enumerate(means) if units == {asked}]
    return found[0] if len(found) == 1 and rows.columns > 1 else None


def reading_column(rows: Rows, spans: Sequence[Limits], limits: Sequence[Limits | None]) -> int | None:
    """The column that is the reading: the one inside its limits most often, the first of those that tie.

    None where there is no number, and where none of several ever is inside: nothing can be said of any of them.
    """

    def inside(column: int) -> int:
        found = [rows.over(column, span) for span in spans]
        return sum(
            p is not None and within is not None and p.fits(within) for p, within in zip(found, limits, strict=True)
        )

    if not rows.columns:
        return None
    best = max(range(rows.columns), key=inside)
    return best if rows.columns == 1 or inside(best) or not any(limits) else None
