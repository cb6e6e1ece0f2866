"""An exercise's own bench, as its reference wiring builds it: read once a version."""

from functools import lru_cache

from verifex.core.circuit import check_wiring
from verifex.core.circuit.view import BenchView
from verifex.core.circuit.windows import ResistorJob, resistor_jobs
from verifex.exercises.models import ExerciseVersion, file_of


def intended_bench(version: ExerciseVersion) -> BenchView | None:
    """The solved bench the exercise intends; None where it has no reference wiring."""
    return _bench(version.text, version.reference_wiring) if version.reference_wiring.strip() else None


def intended_resistors(version: ExerciseVersion) -> dict[str, ResistorJob]:
    """Each resistor of the reference wiring with the window its job gives it there."""
    view = intended_bench(version)
    return {job.ref: job for job in resistor_jobs(view)} if view else {}


@lru_cache(maxsize=32)
def _bench(exercise_text: str, wiring: str) -> BenchView:
    return check_wiring(wiring, exercise=file_of(exercise_text)).view
