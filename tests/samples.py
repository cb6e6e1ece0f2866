"""The demo course's own files, as the tests' sound examples."""

from functools import cache
from pathlib import Path

from verifex.core.exercise import Exercise, read_exercise

DEMO = Path(__file__).parent.parent / "demo"
FOLDER = DEMO / "exercises" / "brood-box-heat-watch"
EXERCISE_TEXT = (FOLDER / "exercise.yaml").read_text("utf-8")
PROGRAM = (FOLDER / "reference.cpp").read_text("utf-8")
EXERCISE: Exercise = read_exercise(EXERCISE_TEXT)
WIRING = EXERCISE.reference_wiring()


def hand_in(name: str) -> str:
    return (DEMO / "hand-ins" / name).read_text("utf-8")


@cache
def exercise(name: str) -> Exercise:
    """An exercise of the demo course."""
    return read_exercise((DEMO / "exercises" / name / "exercise.yaml").read_text("utf-8"))
