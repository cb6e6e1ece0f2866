"""An exercise version as the API shows it."""

from typing import Any

from verifex.core.exercise import Exercise
from verifex.core.exercise.statements import When
from verifex.exercises.models import ExerciseVersion


def exercise_json(version: ExerciseVersion) -> dict[str, Any]:
    file = version.file
    return {
        "id": version.pk,
        "slug": file.id,
        "title": file.title,
        "summary": file.summary,
        "version": version.number,
        "released": version.released_at is not None,
        "board": file.board,
        "minutes": file.minutes,
        "total": str(file.total),
        "recipe": [part.model_dump() for part in file.recipe],
        "variants": [variant.model_dump() for variant in file.variants],
        "steps": [step.model_dump() for step in file.steps],
        "behaviour": [
            f"When {_condition(file, statement.when)}: {_says(file, statement.then)}; "
            f"otherwise {_says(file, statement.otherwise)}."
            for statement in file.behaviour
        ],
        "thresholds": [statement.when.threshold for statement in file.behaviour],
        "criteria": [c.model_dump(mode="json") for c in file.criteria],
        "cautions": file.cautions,
        "plot_low": file.plot_low,
        "plot_high": file.plot_high,
    }


UNITS = {"celsius": "°C"}


def _title(file: Exercise, ref: str) -> str:
    """A part by what it is for, with its reference: `warning light D1`."""
    return next((f"{part.title} {ref}" for part in file.recipe if part.ref == ref and part.title), ref)


def _condition(file: Exercise, when: When) -> str:
    held = f" for {when.for_ms / 1000:g} s" if when.for_ms else ""
    return f"the {_title(file, when.ref)} is {when.side} {when.threshold:g} {UNITS.get(when.quantity, when.quantity)}{held}"


def _says(file: Exercise, outputs: dict[str, bool]) -> str:
    """`warning light D1 and sounder BZ1 on`: outputs of one state together."""
    said = []
    for state in (True, False):
        names = [_title(file, ref) for ref, on in outputs.items() if on is state]
        if names:
            said.append(f"{' and '.join(names)} {'on' if state else 'off'}")
    return ", ".join(said) or "nothing"
