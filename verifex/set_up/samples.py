"""Exercises that ship with the application: a course may begin with them and change them later."""

from dataclasses import dataclass
from functools import lru_cache
from pathlib import Path

from django.conf import settings

from verifex.core.exercise import Exercise, read_exercise


@dataclass(frozen=True, slots=True)
class Sample:
    """An exercise file with its instructor's program."""

    file: Exercise
    text: str
    program: str


@lru_cache(maxsize=1)
def samples() -> dict[str, Sample]:
    """By the exercise's id, in the order of their titles."""
    found = [_read(folder) for folder in sorted((settings.DEMO_DIR / "exercises").iterdir()) if folder.is_dir()]
    return {sample.file.id: sample for sample in sorted(found, key=lambda sample: sample.file.title)}


def _read(folder: Path) -> Sample:
    text = (folder / "exercise.yaml").read_text("utf-8")
    program = next((file.read_text("utf-8") for file in sorted(folder.glob("reference.*"))), "")
    return Sample(read_exercise(text), text, program)
