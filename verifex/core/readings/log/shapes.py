"""Lines that differ in their digits only: what was found of one holds for all of its shape, so a long log is read fast."""

from collections.abc import Sequence

from verifex.core.printed.columns import Column
from verifex.core.quantity import MOST_PRINTED, PRINTED_NUMBER

MOST_SHAPES = 2000
_ANY_DIGIT = str.maketrans("123456789", "000000000")
Known = list[tuple[int, int, Column]]  # where each number begins and ends in the line, and its column


class Shapes:
    """The shapes of lines that carry readings. A whole number alone, up to `most_marked`, may mean a step and is left to the slow
    way."""

    def __init__(self, most_marked: int) -> None:
        self.most_marked = most_marked
        self._known: dict[str, Known] = {}

    def remember(self, whole: str, line: str, columns: Sequence[Column | None]) -> None:
        """A line was read: `line` is what is left of the `whole` without its time, `columns` those of its numbers."""
        if len(self._known) >= MOST_SHAPES or not whole.endswith(line):
            return
        before = len(whole) - len(line)
        spans = [(before + match.start(), before + match.end()) for match in PRINTED_NUMBER.finditer(line)]
        if len(spans) == len(columns):
            known = [(a, b, column) for (a, b), column in zip(spans, columns, strict=True) if column is not None]
            self._known[whole.translate(_ANY_DIGIT)] = known

    def take(self, number: int, line: str, at: int) -> bool:
        """Keep the numbers of line `number` in the step `at`; False where its shape is not known or it might mean a mark."""
        known = self._known.get(line.translate(_ANY_DIGIT))
        if not known:
            return False
        if len(known) == 1:
            ((start, end, column),) = known
            value = float(line[start:end])
            if (1 <= value <= self.most_marked and value.is_integer()) or abs(value) > MOST_PRINTED:
                return False
            column.steps.append(at)
            column.lines.append(number)
            column.values.append(value)
            return True
        values = [float(line[start:end]) for start, end, _ in known]
        if max(values) > MOST_PRINTED or min(values) < -MOST_PRINTED:
            return False
        for (_, _, column), value in zip(known, values, strict=True):
            column.steps.append(at)
            column.lines.append(number)
            column.values.append(value)
        return True
