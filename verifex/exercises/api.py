"""Exercises: the list, and what follows from one."""

from dataclasses import asdict
from typing import Any

from django.http import HttpRequest
from ninja import Router, Schema

from verifex.core.expected import Sheet, expected_sheet, sheet_json
from verifex.core.expected.derived import derived_json
from verifex.core.expected.plot import SLIDER_POINTS, stimuli
from verifex.core.expected.release import release_obstacles
from verifex.core.parts import catalogue
from verifex.exercises.measured import measured_of
from verifex.exercises.models import ExerciseVersion
from verifex.exercises.schemas import DerivedOut, ExerciseOut, ObstacleOut, SheetIn, SheetOut, SlidersOut
from verifex.exercises.services import import_version, release_as
from verifex.exercises.views import exercise_json
from verifex.people.access import NotAllowed, Refused, reader, sections_of

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


class FileIn(Schema):
    text: str


class FileOut(Schema):
    name: str
    text: str


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


@router.post("/exercises/{version_id}/sheet", response=SheetOut)
def exercise_sheet(request: HttpRequest, version_id: int, data: SheetIn) -> dict[str, Any]:
    """The sheet of the exercise's own bench, for one of its boards and variants, with values as if measured."""
    _staff_only(request)
    return sheet_json(_sheet(version_id, data))


@router.post("/exercises/{version_id}/sliders", response=SlidersOut)
def exercise_sliders(request: HttpRequest, version_id: int, data: SheetIn, reading: str = "") -> dict[str, Any]:
    """What can be measured, each with a dense table of how a reading follows it."""
    _staff_only(request)
    return sliders_json(_sheet(version_id, data), reading)


@router.post("/exercises", response=ExerciseOut)
def bring_in(request: HttpRequest, data: FileIn) -> dict[str, Any]:
    """A new version from an exercise file; refused with every problem at its line."""
    return exercise_json(import_version(reader(request), data.text))


@router.get("/exercises/{version_id}/file", response=FileOut)
def exercise_file(request: HttpRequest, version_id: int) -> dict[str, str]:
    """The exercise as the file it is, to keep or to change and bring in again."""
    _staff_only(request)
    version = ExerciseVersion.objects.select_related("exercise").get(pk=version_id)
    return {"name": f"{version.exercise.slug}-{version.number}.yaml", "text": version.text}


@router.get("/exercises/{version_id}/derived", response=DerivedOut)
def derived(request: HttpRequest, version_id: int) -> dict[str, Any]:
    """What follows from the exercise: kit, windows, hazards, bench time, what each way of feeding costs."""
    _staff_only(request)
    return derived_json(ExerciseVersion.objects.get(pk=version_id).file)


@router.get("/exercises/{version_id}/obstacles", response=list[ObstacleOut])
def obstacles(request: HttpRequest, version_id: int) -> list[dict[str, Any]]:
    """What keeps this version from being released; empty when nothing does."""
    _staff_only(request)
    return [asdict(o) for o in release_obstacles(ExerciseVersion.objects.get(pk=version_id).file)]


@router.post("/exercises/{version_id}/release", response=ExerciseOut)
def release_version(request: HttpRequest, version_id: int) -> dict[str, Any]:
    """Freeze a version. Refused with what is in the way."""
    version = ExerciseVersion.objects.get(pk=version_id)
    release_as(reader(request), version)
    return exercise_json(version)


def _sheet(version_id: int, data: SheetIn) -> Sheet:
    file = ExerciseVersion.objects.get(pk=version_id).file
    chosen = next((v for v in file.variants if v.id == data.variant), None)
    if data.board and data.board not in file.boards:
        raise Refused(f"This exercise has no bench for {data.board}; {', '.join(file.boards)} suit it.")
    return expected_sheet(file, variant=chosen, board=data.board or None, measured=measured_of(data.measured))


def sliders_json(sheet: Sheet, reading: str) -> dict[str, Any]:
    """The sliders of one reading (`U1.celsius`; the main one where none is named); empty without a sheet."""
    known = {f"{ref}.{quantity}": (ref, quantity) for ref, quantity in sheet.chains}
    if reading and reading not in known:
        raise Refused(f"“{reading}” is no reading of this exercise.")
    key = known[reading] if reading else next(iter(sheet.chains), None)
    if key is None:
        return {"reading": "", "stimuli": [], "sliders": []}
    return {
        "reading": f"{key[0]}.{key[1]}",
        "stimuli": stimuli(*sheet.plot_range(key), SLIDER_POINTS).tolist(),
        "sliders": [slider.as_json() for slider in sheet.sliders(key)],
    }


def _staff_only(request: HttpRequest) -> None:
    if not sections_of(reader(request)):
        raise NotAllowed("Only staff may see this.")
