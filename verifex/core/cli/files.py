"""Reading a user's files and printing results, for people or as JSON."""

import json
import sys
from collections.abc import Sequence
from pathlib import Path
from typing import Any

from verifex.core.circuit.solver import NoSensibleAnswer
from verifex.core.exercise import Exercise, read_exercise
from verifex.core.findings import Finding, will_not_do
from verifex.core.parts import Catalogue, catalogue, with_entries
from verifex.core.problems import UnusableInput

MOST_BYTES = 12 * 1024 * 1024


class CannotUse(Exception):
    """An input that cannot be used; the text is the whole line for stderr."""


def text_of(name: str) -> str:
    """The text of a file. Raises CannotUse when there is none, or it is no text."""
    path = Path(name)
    try:
        if path.stat().st_size > MOST_BYTES:
            raise CannotUse(f"{name}:1:1: the file is larger than 12 MB")
        return path.read_text("utf-8")
    except FileNotFoundError:
        raise CannotUse(f"{name}:1:1: there is no such file") from None
    except (IsADirectoryError, PermissionError) as wrong:
        raise CannotUse(f"{name}:1:1: it cannot be read: {wrong.strerror}") from None
    except UnicodeDecodeError as wrong:
        raise CannotUse(f"{name}:1:{wrong.start + 1}: this is no UTF-8 text") from None


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


def print_json(result: Any) -> None:
    json.dump(result, sys.stdout, ensure_ascii=False, indent=1)
    print()


def print_findings(findings: Sequence[Finding]) -> None:
    """Findings for people, most urgent first."""
    if not findings:
        print("No findings.")
    for found in findings:
        where = ", ".join(found.where.parts) or (f"line {found.where.line}" if found.where.line else "")
        print(f"{found.severity.value.upper():5}  {found.rule}  [{where}]")
        print(f"       {found.seen}\n       Why: {found.why}\n       Do:  {found.remedy}")


def exit_code(findings: Sequence[Finding]) -> int:
    return 1 if will_not_do(list(findings)) else 0
