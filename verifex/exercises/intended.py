"""What follows from an exercise's own bench, as its reference wiring builds it: worked out once a version."""

from functools import lru_cache
from typing import Any

from verifex.core.circuit import check_wiring
from verifex.core.circuit.evidence.windows import ResistorJob, resistor_jobs
from verifex.core.expected import expected_sheet, sheet_json
from verifex.exercises.models import ExerciseVersion, file_of


def intended_resistors(version: ExerciseVersion) -> dict[str, ResistorJob]:
    """Each resistor of the reference wiring with the window its job gives it there; none without a reference wiring."""
    wiring = version.reference_wiring
    return {job.ref: job for job in _resistors(version.text, wiring)} if wiring.strip() else {}


@lru_cache(maxsize=64)
def _resistors(exercise_text: str, wiring: str) -> tuple[ResistorJob, ...]:
    return tuple(resistor_jobs(check_wiring(wiring, exercise=file_of(exercise_text)).view))


@lru_cache(maxsize=64)
def _sheet(exercise_text: str) -> dict[str, Any]:
    return sheet_json(expected_sheet(file_of(exercise_text)))


def intended_sheet(version: ExerciseVersion) -> dict[str, Any]:
    """The expected sheet of the exercise's own bench, with nothing measured; shared, so it is not to be changed."""
    return _sheet(version.text)
