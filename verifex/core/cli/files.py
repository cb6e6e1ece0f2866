"""Reading a user's files."""

from pathlib import Path

from verifex.core.circuit.bench import Bench
from verifex.core.circuit.solver import NoSensibleAnswer
from verifex.core.circuit.text.csv_table import csv_to_bench
from verifex.core.cli.unusable import CannotUse
from verifex.core.decoding import decoded
from verifex.core.exercise import Exercise, read_exercise
from verifex.core.parts import Catalogue, catalogue, with_entries
from verifex.core.problems import UnusableInput

MOST_BYTES = 12 * 1024 * 1024


def text_of(name: str) -> str:
    """The text of a file. Raises CannotUse when there is none, or it is no text."""
    path = Path(name)
    try:
        if path.stat().st_size > MOST_BYTES:
            raise CannotUse(f"{name}:1:1: the file is larger than 12 MB")
        return decoded(path.read_bytes())
    except FileNotFoundError:
        raise CannotUse(f"{name}:1:1: there is no such file") from None
    except (IsADirectoryError, PermissionError) as wrong:
        raise CannotUse(f"{name}:1:1: it cannot be read: {wrong.strerror}") from None
    except UnicodeDecodeError as wrong:
        raise CannotUse(f"{name}:1:{wrong.start + 1}: this is no text in UTF-8 or UTF-16; save it as UTF-8") from None


def exercise_of(name: str | None) -> Exercise | None:
    """The exercise in a file, or in the `exercise.yaml` of a folder."""
    if name is None:
        return None
    path = Path(name)
    file = str(path / "exercise.yaml") if path.is_dir() else name
    try:
        return read_exercise(text_of(file))
    except UnusableInput as wrong:
        raise CannotUse("\n".join(f"{file}:{problem}" for problem in wrong.problems)) from None


def shelf_of(name: str | None) -> Catalogue:
    """The shipped catalogue, with the entries of a data file where one is named."""
    if name is None:
        return catalogue()
    try:
        return with_entries(text_of(name))
    except UnusableInput as wrong:
        raise CannotUse("\n".join(f"{name}:{problem}" for problem in wrong.problems)) from None


def no_operating_point(file: str, wrong: NoSensibleAnswer) -> CannotUse:
    """What to say where the solver settles nowhere."""
    parts = ", ".join(wrong.parts)
    return CannotUse(f"{file}:1:1: no operating point was found" + (f"; look at {parts}" if parts else ""))


def bench_text(name: str) -> str:
    """A bench's text, whether the file is in bench notation or a table."""
    text = text_of(name)
    return csv_to_bench(text) if name.lower().endswith(".csv") else text


def usable(bench: Bench) -> None:
    """Raises UnusableInput when lines of the bench are no statement."""
    if bench.problems:
        raise UnusableInput(bench.problems)


def the_exercise(name: str) -> Exercise:
    """An exercise that has to be named."""
    exercise = exercise_of(name)
    assert exercise is not None
    return exercise
