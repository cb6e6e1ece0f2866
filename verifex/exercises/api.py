"""Exercises: the list, and what follows from one."""

from typing import Any

from django.http import HttpRequest
from ninja import Router

from verifex.core.expected import expected_sheet
from verifex.exercises.models import ExerciseVersion
from verifex.exercises.schemas import ExerciseOut, SheetOut
from verifex.exercises.views import exercise_json
from verifex.people.access import NotAllowed, sections_of

router = Router(tags=["exercises"])


@router.get("/exercises", response=list[ExerciseOut])
def list_exercises(request: HttpRequest) -> list[dict[str, Any]]:
    _staff_only(request)
    return [exercise_json(v) for v in ExerciseVersion.objects.select_related("exercise")]


@router.get("/exercises/{version_id}/sheet", response=SheetOut)
def exercise_sheet(request: HttpRequest, version_id: int, variant: str = "") -> dict[str, Any]:
    """The sheet of the exercise as intended, for one of its variants."""
    _staff_only(request)
    file = ExerciseVersion.objects.get(pk=version_id).file
    chosen = next((v for v in file.variants if v.id == variant), file.variants[0])
    return expected_sheet(file, variant=chosen).as_json()


def _staff_only(request: HttpRequest) -> None:
    if not sections_of(request.user):  # type: ignore[arg-type]
        raise NotAllowed("Only staff may see this.")
