"""The steps of a log, or of its beginning, that carry no marks: found in the values, between ruled lines or by the times."""

from collections.abc import Sequence

from verifex.core.exercise import Exercise
from verifex.core.expected import Sheet
from verifex.core.printed.columns import Column
from verifex.core.readings.log.changes import segments
from verifex.core.readings.log.model import Log, StepLog
from verifex.core.readings.log.pauses import goes_as_planned, starts_by_pauses, starts_by_plan
from verifex.core.readings.log.states import Word, state_in
from verifex.core.readings.times import times_of

LEAST_BEFORE_A_MARK = 3  # readings that may be a first step whose mark was forgotten


class Unmarked:
    """`lines` is the whole text line by line, `rules` are the numbers of its ruled lines."""

    def __init__(
        self,
        log: Log,
        exercise: Exercise,
        sheet: Sheet | None,
        lines: Sequence[str],
        rules: Sequence[int],
        words: Sequence[Word],
    ) -> None:
        self.words = words
        self.log, self.exercise, self.sheet, self.lines, self.rules = log, exercise, sheet, lines, rules

    def find(self) -> None:
        """Put the steps found into the log: all of them where it has no marks, else a first one whose mark was forgotten."""
        if self.log.steps:
            self._first_without_its_mark()
        else:
            self._all_without_marks()

    def _all_without_marks(self) -> None:
        first = self.log.choices[0] if self.log.choices else None
        if first is None or not self.log.unmarked:
            self._by_words()
            return
        starts, by = None, "changes"
        for position, choice in enumerate(self.log.choices):
            if starts is None and choice is not None:
                starts = self._levels(choice.column, position)
        if starts is None:
            starts, by = self._pieces(first.column), "rules"
        if starts is None:
            starts, by = self._by_times(first.column)
        if starts is None:
            return
        self._put_steps(starts)
        self.log.unmarked, self.log.found_by = [], by

    def _by_words(self) -> None:
        """States that are printed in words change from step to step as numbers do."""
        for position, reading in enumerate(self.exercise.readings):
            own = [word for word in self.words if word.reading == position]
            planned = [state_in(self.exercise, reading, step) for step in self.exercise.steps]
            expected = [float(state) for state in planned if state is not None]
            if not own or len(expected) != len(planned):
                continue
            begins = segments([float(word.state) for word in own], expected)
            if begins:
                self._put_steps([own[begin].line for begin in begins])
                self.log.found_by = "changes"
                return

    def _put_steps(self, starts: Sequence[int]) -> None:
        """Fill the steps of the plan, each beginning on its line, from columns and words."""
        for index, step in enumerate(self.exercise.steps):
            end = starts[index + 1] if index + 1 < len(starts) else float("inf")
            made = StepLog(step.name, "", index)
            for choice in self.log.choices:
                rows = list(zip(choice.column.lines, choice.column.values, strict=True)) if choice else []
                inside = [(line, value) for line, value in rows if starts[index] <= line < end]
                made.columns.append([value for _, value in inside])
                made.column_lines.append([line for line, _ in inside])
            for word in self.words:
                if starts[index] <= word.line < end:
                    made.states.setdefault(word.reading, []).append(word.state)
            self.log.steps.append(made)

    def _levels(self, column: Column, position: int) -> list[int] | None:
        """The line on which each step begins, found in the values of one reading."""
        expected = self._planned_levels(position)
        begins = segments(column.values, expected) if expected else None
        return [column.lines[begin] for begin in begins] if begins else None

    def _pieces(self, column: Column) -> list[int] | None:
        """The first line of each piece between ruled lines, where there are as many pieces as steps."""
        edges = [0, *self.rules]
        starts = [
            edge
            for edge, following in zip(edges, [*self.rules, 1 << 60], strict=True)
            if any(edge < line < following for line in column.lines)
        ]
        return starts if self.rules and len(starts) == len(self.exercise.steps) else None

    def _by_times(self, column: Column) -> tuple[list[int] | None, str]:
        """The line on which each step begins by the times before the lines, or by a column of times, and how it was found."""
        expected = self._planned_levels(0)
        times_ms = times_of(self.lines, column.lines, self.log.columns)
        if times_ms is None or expected is None:
            return None, ""
        steps = self.exercise.steps
        for begins, by in (
            (starts_by_pauses(times_ms, len(steps)), "pauses"),
            (starts_by_plan(times_ms, [step.dwell_seconds for step in steps]), "plan"),
        ):
            if begins and goes_as_planned(column.values, begins, expected):
                return [column.lines[begin] for begin in begins], by
        return None, ""

    def _planned_levels(self, position: int) -> list[float] | None:
        """What one reading should show at each step of the plan; None without a sheet."""
        if self.sheet is None or len(self.sheet.steps) != len(self.exercise.steps):
            return None
        planned = [[r for r in step.readings if r.position == position] for step in self.sheet.steps]
        return [readings[0].value.nominal for readings in planned] if all(planned) else None

    def _first_without_its_mark(self) -> None:
        """Readings before a first mark that is the second step's are the first step's."""
        marked = [step.index for step in self.log.steps if step.index is not None]
        if not marked or marked[0] != 1 or 0 in marked or len(self.log.unmarked) < LEAST_BEFORE_A_MARK:
            return
        first = StepLog(self.exercise.steps[0].name, "", 0)
        for choice in self.log.choices:
            rows = zip(choice.column.steps, choice.column.lines, choice.column.values, strict=True) if choice else ()
            before = [(line, value) for place, line, value in rows if place < 0]
            first.columns.append([value for _, value in before])
            first.column_lines.append([line for line, _ in before])
        self.log.steps.insert(0, first)
        self.log.unmarked = []
        self.log.notes.append(f"The readings before the first mark were taken for “{first.name}”.")
