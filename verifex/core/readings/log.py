"""Reads a log as students print it: marks of steps, one number a line, and whatever else there is."""

from dataclasses import dataclass, field
from difflib import SequenceMatcher

from verifex.core.exercise import Exercise
from verifex.core.problems import Problem, UnusableInput
from verifex.core.quantity import numbers_in

LIMIT_BYTES = 10 * 1024 * 1024
MARK_SIGNS = ("#", "--", "==", "//")
LEAST_LIKENESS = 0.6


@dataclass(slots=True)
class StepLog:
    """The readings under one mark: values with the line (from 1) each stood on."""

    name: str
    mark: str
    values: list[float] = field(default_factory=list)
    lines: list[int] = field(default_factory=list)
    not_numbers: int = 0  # lines that printed nan


@dataclass(slots=True)
class Log:
    """A log by steps; `unmarked` are values before the first mark, `notes` what a person should know."""

    steps: list[StepLog] = field(default_factory=list)
    unmarked: list[float] = field(default_factory=list)
    garbage_lines: int = 0
    notes: list[str] = field(default_factory=list)


def read_log(text: str, exercise: Exercise) -> Log:
    """The log in `text`, its marked steps matched to those of the exercise by name, number or order.

    A mark is a line that begins with #, --, == or //. Raises UnusableInput for an empty log, one over
    10 MB, or one without a single number.
    """
    if len(text) > LIMIT_BYTES:
        raise UnusableInput([Problem(1, 1, "the log is larger than 10 MB, the limit for one hand-in")])
    if not text.strip():
        raise UnusableInput([Problem(1, 1, "the log is empty; paste what the board printed")])
    log = Log()
    current: StepLog | None = None
    for number, raw in enumerate(text.splitlines(), start=1):
        line = raw.strip()
        if not line:
            continue
        if line.startswith(MARK_SIGNS):
            mark = line.lstrip("#-=/ ").rstrip("-= ")
            current = StepLog(_meant(mark, exercise, len(log.steps)), mark)
            log.steps.append(current)
            continue
        if _is_garbage(line):
            log.garbage_lines += 1
            continue
        if line.lower().rstrip(".").endswith("nan"):
            if current:
                current.not_numbers += 1
            continue
        values = numbers_in(line)
        if not values:
            continue
        value = _column(line, values)
        if current is None:
            log.unmarked.append(value)
        else:
            current.values.append(value)
            current.lines.append(number)
    if not log.unmarked and not any(step.values for step in log.steps):
        if log.garbage_lines:
            raise UnusableInput(
                [
                    Problem(
                        1,
                        1,
                        "these are garbage characters: the log was opened at another baud rate than the program prints at",
                    )
                ]
            )
        raise UnusableInput(
            [Problem(1, 1, "no number stands in this log; lines as the board printed them were expected")]
        )
    _say(log)
    return log


def _say(log: Log) -> None:
    if log.garbage_lines:
        log.notes.append(
            f"{log.garbage_lines} lines are garbage characters, as from another baud rate; they were left out."
        )
    if not log.steps:
        log.notes.append("No step is marked. Write a line such as “# Room air” before the readings of each step.")
    elif log.unmarked:
        log.notes.append(f"{len(log.unmarked)} readings stand before the first mark; they were left out.")
    for step in log.steps:
        if step.not_numbers:
            log.notes.append(f"“{step.mark}”: {step.not_numbers} lines say nan, a read that failed.")


def _meant(mark: str, exercise: Exercise, order: int) -> str:
    """The exercise's step a mark means: by likeness of its name, else by its number, else by its order."""
    names = [step.name for step in exercise.steps]
    likeness = [SequenceMatcher(None, mark.lower()[: len(name) + 4], name.lower()).ratio() for name in names]
    if max(likeness) >= LEAST_LIKENESS:
        return names[likeness.index(max(likeness))]
    numbers = [int(n) for n in numbers_in(mark) if n == int(n)]
    if numbers and 1 <= numbers[0] <= len(names):
        return names[numbers[0] - 1]
    return names[order] if order < len(names) and not mark else mark


def _column(line: str, values: list[float]) -> float:
    """The value of a line: the number before a degree sign or C, else the last with a point, else the last."""
    if len(values) == 1:
        return values[0]
    for sign in ("°", "C"):
        before = numbers_in(line.split(sign)[0]) if sign in line else []
        if before:
            return before[-1]
    with_point = [value for value in values if value != int(value)]
    return (with_point or values)[-1]


def _is_garbage(line: str) -> bool:
    """Whether most of a line is characters no program prints: the pattern of a wrong baud rate."""
    if line.isascii() and line.isprintable():
        return False
    strange = sum(
        1
        for c in line
        if c == "\ufffd"
        or (not c.isprintable() and c != "\t")
        or "\x80" <= c <= "\x9f"
        or (ord(c) > 0x17F and c not in "Ωµμ≤≥±√→Δ–—“”’°")
    )
    return strange * 3 >= len(line)
