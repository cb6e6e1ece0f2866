"""An exercise version as the API shows it."""

from typing import Any

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
            f"When {statement.when}: {_says(statement.then)}; otherwise {_says(statement.otherwise)}."
            for statement in file.behaviour
        ],
        "thresholds": [statement.when.threshold for statement in file.behaviour],
        "criteria": [c.model_dump(mode="json") for c in file.criteria],
        "cautions": file.cautions,
        "plot_low": file.plot_low,
        "plot_high": file.plot_high,
    }


def _says(outputs: dict[str, bool]) -> str:
    return ", ".join(f"{ref} {'on' if on else 'off'}" for ref, on in outputs.items()) or "nothing"
