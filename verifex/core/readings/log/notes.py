"""What a person should know of how a log was read."""

from verifex.core.exercise import Exercise, Reading
from verifex.core.exercise.units import PRINTED
from verifex.core.printed.baud import probable_rate
from verifex.core.printed.columns import printed_unit
from verifex.core.readings.log.model import Log

FOUND_BY = {
    "changes": "where the readings change",
    "rules": "between the ruled lines",
    "pauses": "at the pauses in the times",
    "plan": "by the times, as long as the plan holds each step",
}


def tell(log: Log, exercise: Exercise, columns: int) -> None:
    """Put into a log's notes what was left out of it, and which of so many columns were taken for what."""
    if log.garbage_lines:
        what = _lines(log.garbage_lines, "is", "are")
        rates = probable_rates(log, exercise)
        looks = f" It looks like {rates}." if rates else ""
        log.notes.append(f"{what} garbage characters, as from another baud rate; left out.{looks}")
    if log.found_by:
        log.notes.append(f"No step is marked; the steps were found {FOUND_BY[log.found_by]}.")
    elif not any(step.index is not None or step.mark for step in log.steps):
        log.notes.append("No step is marked. Write a line such as “# Room air” before the readings of each step.")
    elif log.unmarked:
        log.notes.append(f"{len(log.unmarked)} readings stand before the first mark; they were left out.")
    if columns > 1:
        for reading, choice in zip(exercise.readings, log.choices, strict=True):
            if choice is not None:
                log.taken.append(
                    f"Taken for {_reading_name(reading)}: {choice.column.title}, because {choice.because}."
                )
    for index in log.moved:
        log.notes.append(f"A person set where “{exercise.steps[index].name}” begins.")
    for step in log.steps:
        if step.not_numbers:
            log.notes.append(f"“{step.name}”: {_lines(step.not_numbers, 'says', 'say')} nan, a read that failed.")


def probable_rates(log: Log, exercise: Exercise) -> str:
    """At which rate the port was probably read, against what a program on the exercise's board prints at; empty where that
    cannot be known."""
    sent = exercise.baud(None)
    read = probable_rate(log.garbage, sent)
    return f"a port read at {read} baud while the program prints at {sent}" if read else ""


def _reading_name(reading: Reading) -> str:
    """What a person calls a reading."""
    unit = PRINTED.get(printed_unit(reading))
    return reading.name or (f"the {unit.title}" if unit else reading.quantity)


def _lines(count: int, one: str, more: str) -> str:
    return f"{count} line {one}" if count == 1 else f"{count} lines {more}"
