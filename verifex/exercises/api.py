"""Exercises: the list, and what follows from one."""

from typing import Any

from django.http import HttpRequest
from ninja import Router, Schema

from verifex.core.expected import expected_sheet
from verifex.core.parts import catalogue
from verifex.exercises.models import ExerciseVersion
from verifex.exercises.schemas import ExerciseOut, SheetOut
from verifex.exercises.views import exercise_json
from verifex.people.access import NotAllowed, reader, sections_of

router = Router(tags=["exercises"])


class PartNamesOut(Schema):
    """A part as the table of leads completes it."""

    id: str
    title: str
    legs: list[str]
    settings: list[str]
    by_name: bool  # its legs are only given by name, as makers differ


class NamesOut(Schema):
    """What can be named in a wiring: the pins of each board, and the parts with their legs."""

    pins: dict[str, list[str]]
    parts: list[PartNamesOut]


@router.get("/names", response=NamesOut)
def names(request: HttpRequest) -> dict[str, Any]:
    """For completion while a wiring is typed; anyone who is logged in may read it."""
    shelf = catalogue()
    parts = [
        {
            "id": p.id,
            "title": p.title,
            "legs": list(p.legs),
            "settings": list(p.settings),
            "by_name": p.by_name_only,
        }
        for p in shelf.parts.values()
    ]
    return {"pins": {board.id: board.pin_names() for board in shelf.boards.values()}, "parts": parts}


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
    if not sections_of(reader(request)):
        raise NotAllowed("Only staff may see this.")
