"""Which of the printed numbers is which reading, how finely it is printed, and what it says over a stretch of a run."""

from collections.abc import Sequence
from dataclasses import dataclass
from statistics import median

import numpy as np

from verifex.core.exercise import Exercise, Reading, printable
from verifex.core.expected import Sheet
from verifex.core.printed.columns import Column, choose, merged
from verifex.core.printed.lines import numbers_and_texts, slots_of
from verifex.core.program import RunResult
from verifex.core.quantity import PRINTED_NUMBER, numbers_in

Limits = tuple[float, float]
MOST_DECIMALS = 6
LOOKS_EVERY_MS = 500.0  # at a display
UNREAD_MS = 50.0  # what stands no longer than this on a display is half written
LOOKED_AT = 50  # lines, for the decimals of a number


@dataclass(frozen=True, slots=True)
class Printed:
    """A printed value and the step of its last digit, in the printed unit."""

    value: float
    grain: float

    def fits(self, limits: Limits) -> bool:
        """Whether what stands behind it, cut or rounded to that last digit, can lie inside the limits."""
        return limits[0] - self.grain < self.value <= limits[1] + self.grain / 2


@dataclass(frozen=True, slots=True)
class PrintedReading:
    """One reading of the exercise in one step: what was printed of it, and what the sheet of this bench allows."""

    name: str
    printed: Printed | None
    limits: Limits | None

    @property
    def inside(self) -> bool:
        """Whether what is printed can be what this bench gives; true where nothing is known to hold it against."""
        return self.limits is None or self.printed is None or self.printed.fits(self.limits)


def is_judged(exercise: Exercise, reading: Reading) -> bool:
    """Whether the number is fixed by what is measured: an on and off, or an id, may be printed in any way the pair likes."""
    output = exercise.sensed(reading.ref, reading.quantity)
    if output is None or reading.print:
        return True
    return "level" not in printable(output) and output.quantity != "tag"


def output_lines(run: RunResult) -> Sequence[tuple[float, str]]:
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


class PrintedColumns:
    """The columns of what a run printed, one for each reading of the exercise as far as it can be known."""

    def __init__(
        self,
        lines: Sequence[tuple[float, str]],
        exercise: Exercise,
        sheet: Sheet | None,
        spans: Sequence[tuple[str, Limits]] = (),
    ) -> None:
        self.lines, self.exercise, self.sheet = lines, exercise, sheet
        self.spans = spans  # of the plan's steps by name, from when to when (ms)
        columns: dict[tuple[str, str, int, int], Column] = {}
        for index, (_, text) in enumerate(lines):
            numbers, texts = numbers_and_texts(text)
            for slot, value in zip(slots_of(texts), numbers, strict=True):
                column = columns.setdefault(slot.key, Column(slot))
                column.steps.append(-1)
                column.lines.append(index)
                column.values.append(value)
        self.chosen = self._chosen(merged(list(columns.values())))

    def _chosen(self, columns: list[Column]) -> list[Column | None]:
        ranges = [self._range(i) for i, _ in enumerate(self.exercise.readings)]
        choices = choose(columns, self.exercise, ranges, fit=self._fit)
        # Of several columns that nothing is known of, none is held against the pair; one that is left by all others is.
        others = sum(choice is not None and choice.is_certain for choice in choices)
        by_elimination = len(columns) == len(choices) == others + 1
        return [choice.column if choice and (choice.is_certain or by_elimination) else None for choice in choices]

    def _fit(self, column: Column, position: int) -> float:
        """The share of the plan's steps in whose limits a column lies."""
        fits = known = 0
        for name, span in self.spans:
            expected = self.sheet.step(name) if self.sheet else None
            own = next((r for r in expected.readings if r.position == position), None) if expected else None
            printed = self._printed(column, span) if own is not None else None
            if own is not None and printed is not None:
                known += 1
                fits += printed.fits((own.value.low, own.value.high))
        return fits / known if known > 1 else 0.0

    def _range(self, position: int) -> Limits | None:
        """What the sheet allows of a reading over all steps."""
        steps = self.sheet.steps if self.sheet else ()
        seen = [reading.value for step in steps for reading in step.readings if reading.position == position]
        return (min(v.low for v in seen), max(v.high for v in seen)) if seen else None

    def over(self, step: str, span: Limits) -> tuple[PrintedReading, ...]:
        """Every reading over a stretch of time (ms) of a step, the exercise's first one first."""
        expected = self.sheet.step(step) if self.sheet else None
        found = []
        for position, (reading, column) in enumerate(zip(self.exercise.readings, self.chosen, strict=True)):
            own = next((r for r in expected.readings if r.position == position), None) if expected else None
            judged = own is not None and is_judged(self.exercise, reading)
            name = reading.name or (own.name if own else "")
            limits = (own.value.low, own.value.high) if own is not None and judged else None
            found.append(PrintedReading(name, self._printed(column, span) if column else None, limits))
        return tuple(found)

    def _printed(self, column: Column, span: Limits) -> Printed | None:
        here = [
            (index, value)
            for index, value in zip(column.lines, column.values, strict=True)
            if span[0] <= self.lines[index][0] <= span[1]
        ]
        if not here:
            return None
        whole = all(value == int(value) for _, value in here)
        decimals = max(self._decimals(index, column.slot.position) for index, _ in here[:LOOKED_AT])
        grain = 1.0 if whole else 10.0 ** -min(decimals, MOST_DECIMALS)
        return Printed(round(median(value for _, value in here), 3), grain)

    def _decimals(self, index: int, position: int) -> int:
        """How many digits behind the point the number at a position of a line has."""
        numbers = [match.group() for match in PRINTED_NUMBER.finditer(self.lines[index][1])]
        digits = numbers[position] if position < len(numbers) else ""
        return len(digits.partition(".")[2])

    def points(self, position: int) -> list[tuple[float, float]]:
        """A reading over time: (ms, value)."""
        column = self.chosen[position]
        if column is None:
            return []
        return [(self.lines[i][0], value) for i, value in zip(column.lines, column.values, strict=True)]
