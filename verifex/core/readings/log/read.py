"""Reads a log as students print it: marks of steps in any style, numbers in any layout, states, ids, and whatever else."""

import re
from collections.abc import Collection, Mapping, Sequence
from itertools import pairwise
from statistics import median

from verifex.core.exercise import Exercise
from verifex.core.expected import Sheet
from verifex.core.hand_ins import HandIn
from verifex.core.printed.columns import NO_COLUMNS_KNOWN, Column, Range, choose, merged
from verifex.core.printed.lines import (
    COMMA_NUMBER,
    Slot,
    core_of,
    is_garbage,
    is_prose,
    is_rule,
    numbers_and_texts,
    plain_line,
    slots_of,
    without_stamp,
)
from verifex.core.problems import Problem, UnusableInput
from verifex.core.quantity import MOST_PRINTED
from verifex.core.readings.log.ids import id_in
from verifex.core.readings.log.marks import Marks
from verifex.core.readings.log.model import Log, StepLog
from verifex.core.readings.log.notes import probable_rates, tell
from verifex.core.readings.log.shapes import Shapes
from verifex.core.readings.log.states import NO_STATE_LINES, StateLines, States, Word, state_in
from verifex.core.readings.log.unmarked import Unmarked

LOOKED_AT_FOR_COMMAS = 400
MOST_TEXTS, MOST_GARBAGE = 1000, 200
LEAST_GAPS = 4
MOST_COLUMNS = 200
MOST_MARKS = 2000
MOST_SAID = 2
LEAST_STATEMENTS = 5
NO_NUMBER = re.compile(r"(?i)(?<![a-z])(?:nan|inf|ovf)(?:[cf%°]|(?![a-z]))")
BARE = Slot("", "", "", (), 0)


def read_log(
    text: str,
    exercise: Exercise,
    sheet: Sheet | None = None,
    told: StateLines = NO_STATE_LINES,
    columns: Mapping[int, int] = NO_COLUMNS_KNOWN,
    begins: Mapping[int, int] = NO_COLUMNS_KNOWN,
    silent: Collection[int] = (),
) -> Log:
    """The log in `text`, its steps matched to those of the exercise: by marks (name, number, order), else by the values.

    `sheet` helps to tell which column is which reading, `told` what the lines of the pair's own program say of a state,
    `columns` the keys of columns that a person took for a reading, by its place, `begins` the line on which a person said
    that a step begins, by its place in the plan.
    `silent` are the places of the steps in which the pair's own program prints nothing.

    Raises UnusableInput for an empty log, one over 10 MB, or one in
    which neither a number nor a state nor an id stands.
    """
    HandIn.READINGS.facts.refuse_larger(text)
    if not text.strip():
        raise UnusableInput([Problem(1, 1, "the log is empty; paste what the board printed")])
    reader = _Reader(exercise, sheet, told, columns, silent=silent)
    log = reader.read(text)
    if len(log.found) < len(exercise.steps) and (seldom := reader.rare_lines()):
        # A mark may say no more than a word of the step's name; it counts where the plan then comes out in its order.
        freely = _Reader(exercise, sheet, told, columns, by_a_word=seldom, silent=silent).read(text)
        if len(freely.found) > len(log.found) and freely.found == sorted(freely.found):
            log = freely
    _refuse_nothing(log, reader)
    if begins:
        found = {step.index: min(step.lines) for step in log.steps if step.index is not None and step.lines}
        log = _Reader(exercise, sheet, told, columns, begins={**found, **begins}, moved=begins, silent=silent).read(
            text
        )
    return log


class _Reader:
    def __init__(
        self,
        exercise: Exercise,
        sheet: Sheet | None,
        told: StateLines,
        said: Mapping[int, int],
        by_a_word: Collection[str] = (),
        begins: Mapping[int, int] = NO_COLUMNS_KNOWN,
        moved: Collection[int] = (),
        silent: Collection[int] = (),
    ) -> None:
        self.exercise, self.sheet, self.said = exercise, sheet, said
        self.marks = Marks(exercise, by_a_word)
        self.begins = {line: index for index, line in begins.items()}  # where marks do not count
        self.log = Log(moved=sorted(moved))
        self.columns: dict[tuple[str, str, int, int], Column] = {}
        self.places: dict[int | str, int] = {}  # by the step's index, or by a mark that means none
        self.at = -1  # the place in the log's steps; -1 before the first mark
        self.statements = 0  # lines that end as statements of a program do
        self.looks_like_a_program = False
        self.rules: list[int] = []  # lines that are ruled lines
        self.words: list[Word] = []
        self.ids: list[tuple[int, str]] = []  # (place, id)
        self.failed: list[int] = []  # places of lines that say nan
        self.shapes = Shapes(most_marked=len(exercise.steps))
        self.texts: dict[str, int] = {}  # lines without a number that are no mark, and how often
        self.wants_ids = any(reading.quantity == "tag" for reading in exercise.readings)
        self.states = States(exercise, told)
        self.silent = silent
        self.signs_its_marks = False

    def read(self, text: str) -> Log:
        lines = text.splitlines()
        if self._has_decimal_commas(lines):
            lines = [COMMA_NUMBER.sub(r"\1.\2", line) for line in lines]
        for number, raw in enumerate(lines, start=1):
            if number in self.begins:
                self._go_to("", self.begins[number])
            if line := raw.strip():
                self.statements += line[-1] in ";{" or line in ("}", "};")
                self._line(number, line)
        self.looks_like_a_program = self.statements > LEAST_STATEMENTS and self.statements > len(lines) / 3
        self._marks_of_other_names()
        self._choose()
        Unmarked(self.log, self.exercise, self.sheet, lines, self.rules, self.words).find()
        tell(self.log, self.exercise, len(self.columns))
        return self.log

    def rare_lines(self) -> list[str]:
        """Lines without a number that are printed once or twice: what a program prints with each reading marks nothing."""
        return [line for line, count in self.texts.items() if count <= MOST_SAID and self.marks.names_by_a_word(line)]

    # -- line by line ------------------------------------------------------------------------------

    def _line(self, number: int, line: str) -> None:
        if self._is_bare(number, line):
            return
        if self.shapes.take(number, line, self.at):
            return
        if is_garbage(line):
            self.log.garbage_lines += 1
            if len(self.log.garbage) < MOST_GARBAGE:
                self.log.garbage.append(line)
            return
        if is_rule(line):
            self.rules.append(number)
            return
        whole, line = line, plain_line(without_stamp(line))
        found = id_in(line) if self.wants_ids else None
        values, texts = ([], (line,)) if found else numbers_and_texts(line)
        if self._is_mark(line, values, texts):
            return
        if found:
            self.ids.append((self.at, found))
        elif not values and NO_NUMBER.search(line):
            self.failed.append(self.at)
        elif values and not is_prose(line, texts):
            slots = slots_of(self.marks.without_names(texts))
            for slot, value in zip(slots, values, strict=True):
                self._keep(number, slot, value)
            self._note_words_beside(number, line, values)
            if not (self.marks.is_signed(line) or self.marks.named_within(" ".join(texts))):
                self.shapes.remember(whole, line, [self.columns.get(slot.key) for slot in slots])
        elif states := self.states.states_in(line):
            self.words += [Word(number, self.at, reading, state) for reading, state in states.items()]
        else:
            if len(self.texts) < MOST_TEXTS:
                self.texts[line] = self.texts.get(line, 0) + 1

    def _note_words_beside(self, number: int, line: str, values: Sequence[float]) -> None:
        """A level with a state in words on one line, of a plan with one state."""
        if len(values) == 1 and len(self.states.positions) == 1 and (told := self.states.states_in(line)):
            for reading, state in told.items():
                if values[0] in (0.0, 1.0):
                    self.log.beside.setdefault(reading, (state, values[0], number))

    def _is_bare(self, number: int, line: str) -> bool:
        """A number alone on its line, as most lines of a long log are: taken at once."""
        if not line[-1].isdigit() or "_" in line or self.wants_ids:
            return False
        try:
            value = float(line)
        except ValueError:
            return False
        if abs(value) <= MOST_PRINTED:
            self._keep(number, BARE, value)
        return True

    def _keep(self, number: int, slot: Slot, value: float) -> None:
        column = self.columns.get(slot.key)
        if column is None:
            if len(self.columns) >= MOST_COLUMNS:
                return
            column = self.columns[slot.key] = Column(slot)
        column.steps.append(self.at)
        column.lines.append(number)
        column.values.append(value)

    def _is_mark(self, line: str, values: list[float], texts: tuple[str, ...]) -> bool:
        """Whether a line marks a step; one that names a step and carries a reading as well is both."""
        signed = self.marks.is_signed(line)
        lettered = any(c.isalpha() for c in line)
        if not signed and not lettered:
            return False
        small = len(values) == 1 and values[0] == int(values[0]) and 1 <= values[0] <= len(self.exercise.steps)
        if values and not (signed or small or self.marks.named_within(" ".join(texts))):
            return False
        index = self.marks.step_of(line, signed=signed)
        if index is not None:
            here = self.at >= 0 and self.log.steps[self.at].index == index
            if not signed and (here or self.signs_its_marks) and self.states.states_in(line):
                return False  # a state that is called as its step is: `Pressed`, and under it `pressed`
            self.signs_its_marks = self.signs_its_marks or signed
            if self.at < 0 or self.log.steps[self.at].index != index or not self._reads_under(values, line):
                self._begin(core_of(line), index)
            return not self._reads_under(values, line)
        if signed and lettered and len(self.log.steps) < MOST_MARKS and not self._is_reading(values, texts):
            self._begin(core_of(line), None)
            return True
        return False

    def _reads_under(self, values: list[float], line: str) -> bool:
        """Whether a line that names a step carries a reading too: `Room air: 21.5 C`."""
        names = numbers_and_texts(" ".join(self.marks.names))[0]
        return any(value not in names and (value != int(value) or value > len(self.exercise.steps)) for value in values)

    def _is_reading(self, values: list[float], texts: tuple[str, ...]) -> bool:
        return bool(values) and any(slot.means or slot.may_mean for slot in slots_of(texts))

    def _begin(self, mark: str, index: int | None) -> None:
        if not self.begins:
            self._go_to(mark, index)

    def _go_to(self, mark: str, index: int | None) -> None:
        """Go to a step; one that was come to before is gone on with."""
        place = self.places.get(mark if index is None else index)
        if place is None:
            name = self.exercise.steps[index].name if index is not None else mark
            self.log.steps.append(StepLog(name, mark, index))
            place = self.places[mark if index is None else index] = len(self.log.steps) - 1
        self.at = place

    # -- the whole log -----------------------------------------------------------------------------

    def _has_decimal_commas(self, lines: Sequence[str]) -> bool:
        """Whether numbers are written with a comma: none has a point, and the commas stand where a point would."""
        looked = [line for line in lines[: 2 * LOOKED_AT_FOR_COMMAS] if any(c.isdigit() for c in line)]
        looked = [without_stamp(line.strip()) for line in looked[:LOOKED_AT_FOR_COMMAS]]
        if any(value != int(value) for line in looked for value in numbers_and_texts(line)[0]):
            return False
        commas = [match for line in looked if (match := COMMA_NUMBER.search(line))]
        if (
            not commas
            or len(commas) < 0.5 * len([line for line in looked if numbers_and_texts(line)[0] or "," in line]) * 0.8
        ):
            return False
        if _counts_up([int(match.group(1)) for match in commas]):
            return False  # a time and a reading with a comma between
        beside = any(c.isalpha() or c in "°%" for match in commas for c in match.string)
        widths = {len(match.group(2)) for match in commas}
        return beside or (len(self.exercise.readings) == 1 and len(widths) == 1)

    def _marks_of_other_names(self) -> None:
        """Marks that name no step of the plan, as many as it has steps, are its steps in their order, and so are those between
        others that stand where the plan has them."""
        steps = list(enumerate(self.log.steps))
        if len(steps) != len(self.exercise.steps) or all(step.index is not None for _, step in steps):
            return
        if any(step.index not in (None, place) for place, step in steps):
            return
        for index, step in steps:
            step.index, step.name = index, self.exercise.steps[index].name
        self.log.notes.append("Marks that name no step of the plan were taken in its order.")

    def _ranges(self) -> list[Range | None]:
        """What a sheet allows for each reading over all steps."""
        ranges: list[Range | None] = []
        for position, _ in enumerate(self.exercise.readings):
            steps = self.sheet.steps if self.sheet else ()
            seen = [r.value for step in steps for r in step.readings if r.position == position]
            ranges.append((min(v.low for v in seen), max(v.high for v in seen)) if seen else None)
        return ranges

    def _fit(self, column: Column, position: int) -> float:
        """The share of the plan's steps in whose limits a column's middle value lies, of those that are marked."""
        by_step: dict[int, list[float]] = {}
        for place, value in zip(column.steps, column.values, strict=True):
            index = self.log.steps[place].index if place >= 0 else None
            if index is not None:
                by_step.setdefault(index, []).append(value)
        if self.sheet is None or len(by_step) < 2 or len(self.sheet.steps) != len(self.exercise.steps):
            return 0.0
        fits = 0
        for index, values in by_step.items():
            expected = next((r for r in self.sheet.steps[index].readings if r.position == position), None)
            fits += expected is not None and expected.value.low <= median(values) <= expected.value.high
        return fits / len(by_step)

    def _choose(self) -> None:
        columns = merged(list(self.columns.values()))
        # What is printed before the first mark only, as a board does when it starts, is no reading where others are.
        under_marks = [column for column in columns if any(place >= 0 for place in column.steps)]
        self.log.choices = choose(under_marks or columns, self.exercise, self._ranges(), self.said, self._fit)
        self.log.columns = under_marks or columns
        for step in self.log.steps:
            step.columns = [[] for _ in self.exercise.readings]
            step.column_lines = [[] for _ in self.exercise.readings]
        for position, choice in enumerate(self.log.choices):
            if choice is None:
                continue
            for place, line, value in zip(choice.column.steps, choice.column.lines, choice.column.values, strict=True):
                if place >= 0:
                    self.log.steps[place].columns[position].append(value)
                    self.log.steps[place].column_lines[position].append(line)
                elif position == 0:
                    self.log.unmarked.append(value)
        for word in self.words:
            if word.place >= 0:
                self.log.steps[word.place].states.setdefault(word.reading, []).append(word.state)
        for place, found in self.ids:
            if place >= 0:
                self.log.steps[place].ids.append(found)
        for place in self.failed:
            if place >= 0:
                self.log.steps[place].not_numbers += 1
        for reading in self.states.positions:
            self._hold_state(reading)
            self._keep_silence(reading)

    def _keep_silence(self, reading: int) -> None:
        """A step without a line has the state in which the pair's own program prints none."""
        for step in self.log.steps:
            if (
                step.index is not None
                and step.index in self.silent
                and not step.columns[reading]
                and not step.states.get(reading)
            ):
                state = state_in(self.exercise, self.exercise.readings[reading], self.exercise.steps[step.index])
                step.states[reading] = [] if state is None else [state]

    def _hold_state(self, reading: int) -> None:
        """Where a program prints changes only, a state holds until the next one is printed, and was the other one before the
        first."""
        told = [word.state for word in self.words if word.reading == reading]
        if told and all(one != other for one, other in pairwise(told)):
            holds = 1 - told[0]
            for step in self.log.steps:
                holds = step.states.setdefault(reading, [holds])[-1]
        choice = self.log.choices[reading]
        values = choice.column.values if choice else []
        if choice and len(values) > 1 and set(values) == {0.0, 1.0} and all(a != b for a, b in pairwise(values)):
            level, line = 1.0 - values[0], choice.column.lines[0]
            for step in self.log.steps:
                if not step.columns[reading]:
                    step.columns[reading], step.column_lines[reading] = [level], [line]
                level, line = step.columns[reading][-1], step.column_lines[reading][-1]


def _counts_up(numbers: Sequence[int]) -> bool:
    """Whether numbers rise from line to line, nearly by the same each time, as a time does."""
    gaps = sorted(b - a for a, b in pairwise(numbers))
    return len(gaps) >= LEAST_GAPS and gaps[0] > 0 and gaps[-1] <= 2 * gaps[len(gaps) // 2]


def _refuse_nothing(log: Log, reader: _Reader) -> None:
    """A log in which nothing was read says what it is instead."""
    if reader.looks_like_a_program:
        raise UnusableInput([Problem(1, 1, "this is the program, not what the board printed; paste the log it made")])
    if reader.columns or reader.words or reader.ids or reader.failed or (reader.wants_ids and log.found):
        return
    expected = "lines as the board printed them were expected"
    if log.garbage_lines:
        said = "these are garbage characters: the log was opened at another baud rate than the program prints at"
        if rates := probable_rates(log, reader.exercise):
            said += f"; it looks like {rates}"
    elif reader.texts:
        first = next(iter(reader.texts))[:40]
        said = f"no number stands in this log, only text such as “{first}”; {expected}"
    else:
        said = f"no number stands in this log; {expected}"
    raise UnusableInput([Problem(1, 1, said)])
