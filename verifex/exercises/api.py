"""Exercises: the list, and what follows from one."""

from dataclasses import asdict
from typing import Annotated, Any

from django.http import Http404, HttpRequest
from ninja import Router
from pydantic import Field

from verifex.acts.refusals import NotAllowed
from verifex.api.exercise import ExerciseOut
from verifex.api.http import Id
from verifex.api.shape import Shape
from verifex.api.sheet import SheetIn, SheetOut, SlidersOut
from verifex.core.assess.live import sliders_json
from verifex.core.circuit.bench import WIRE_COLOURS
from verifex.core.expected import Measured, Sheet, expected_sheet, sheet_json
from verifex.core.expected.derived import derived_json
from verifex.core.expected.release import release_obstacles
from verifex.core.parts import catalogue
from verifex.core.resistors.bands import CODES
from verifex.exercises.models import ExerciseVersion
from verifex.exercises.present import exercise_json
from verifex.exercises.refusals import CourseNotNamed, ExerciseFileNotReadable, NoBenchForBoard
from verifex.exercises.schemas import DerivedOut, ObstacleOut
from verifex.exercises.services import add_version, release
from verifex.people.access import courses_of, is_staff_of, reader, sections_of
from verifex.people.models import Course

router = Router(tags=["exercises"])
MOST_FILE_LETTERS = 512 * 1024


class PartNamesOut(Shape):
    """A part as the table of leads completes it."""

    id: str
    title: str
    legs: list[str]
    settings: list[str]
    by_name: bool  # its legs are only given by name, as makers differ
    letters: str  # what its references begin with
    short: str  # the letter or two it may be typed by
    value_setting: str  # the setting that a bare figure is taken for
    colours: list[str]


class NamesOut(Shape):
    """What can be named in a wiring: the pins of each board, and the parts with their legs."""

    pins: dict[str, list[str]]
    parts: list[PartNamesOut]
    band_codes: dict[str, str]  # two letters → the colour of a band
    wire_colours: list[str]


class FileIn(Shape):
    """An exercise file; `course` where its instructor has more than one."""

    text: Annotated[str, Field(max_length=MOST_FILE_LETTERS)]
    course: Annotated[int, Field(ge=0, le=2**63 - 1)] | None = None


class FileOut(Shape):
    name: str
    text: str


@router.get("/names", response=NamesOut)
def names(request: HttpRequest) -> NamesOut:
    """For completion while a wiring is typed; anyone who is logged in may read it."""
    known = catalogue()
    parts = [
        PartNamesOut(
            id=p.id,
            title=p.title,
            legs=list(p.legs),
            settings=list(p.settings),
            by_name=p.by_name_only,
            letters=p.letters,
            short=p.short,
            value_setting=p.value_setting,
            colours=list(p.colours),
        )
        for p in known.parts.values()
    ]
    pins = {board.id: board.pin_names() for board in known.boards.values()}
    return NamesOut(pins=pins, parts=parts, band_codes=CODES, wire_colours=list(WIRE_COLOURS))


@router.get("/exercises", response=list[ExerciseOut])
def list_exercises(request: HttpRequest) -> list[ExerciseOut]:
    _staff_only(request)
    courses = courses_of(reader(request))
    versions = ExerciseVersion.objects.filter(exercise__course__in=courses).select_related("exercise__course")
    return [exercise_json(v) for v in versions]


@router.post("/exercises/{version_id}/sheet", response=SheetOut)
def exercise_sheet(request: HttpRequest, version_id: Id, data: SheetIn) -> dict[str, Any]:
    """The sheet of the exercise's own bench, for one of its boards and variants, with values as if measured."""
    return sheet_json(_sheet(_version(request, version_id), data))


@router.post("/exercises/{version_id}/sliders", response=SlidersOut)
def exercise_sliders(request: HttpRequest, version_id: Id, data: SheetIn, reading: str = "") -> dict[str, Any]:
    """What can be measured, each with a dense table of how a reading follows it."""
    try:
        return sliders_json(_sheet(_version(request, version_id), data), reading)
    except ValueError as wrong:
        raise ExerciseFileNotReadable(str(wrong)) from None


@router.post("/exercises", response=ExerciseOut)
def bring_in(request: HttpRequest, data: FileIn) -> ExerciseOut:
    """A new version from an exercise file; refused with every problem at its line."""
    return exercise_json(add_version(reader(request), _course(request, data.course), data.text))


def _course(request: HttpRequest, wanted: int | None) -> Course:
    """The course an exercise is for: the one named, else the only one the reader is an instructor of."""
    courses = courses_of(reader(request), "instructor")
    named = [course for course in courses if wanted in (None, course.pk)]
    if not named:
        raise NotAllowed("Only an instructor of the course may do that.")
    if len(named) > 1:
        raise CourseNotNamed(tuple(course.title for course in named))
    return named[0]


def _version(request: HttpRequest, version_id: int) -> ExerciseVersion:
    """A version of a course the reader is staff in; one of another course does not exist for them."""
    _staff_only(request)
    version = ExerciseVersion.objects.select_related("exercise__course").get(pk=version_id)
    if not is_staff_of(reader(request), version.exercise.course):
        raise Http404
    return version


@router.get("/exercises/{version_id}/file", response=FileOut)
def exercise_file(request: HttpRequest, version_id: Id) -> FileOut:
    """The exercise as the file it is, to keep or to change and bring in again."""
    version = _version(request, version_id)
    return FileOut(name=f"{version.exercise.slug}-{version.number}.yaml", text=version.text)


@router.get("/exercises/{version_id}/derived", response=DerivedOut)
def derived(request: HttpRequest, version_id: Id) -> dict[str, Any]:
    """What follows from the exercise: kit, windows, hazards, bench time, what each way of feeding costs."""
    return derived_json(_version(request, version_id).file)


@router.get("/exercises/{version_id}/obstacles", response=list[ObstacleOut])
def obstacles(request: HttpRequest, version_id: Id) -> list[dict[str, Any]]:
    """What keeps this version from being released; empty when nothing does."""
    return [asdict(o) for o in release_obstacles(_version(request, version_id).file)]


@router.post("/exercises/{version_id}/release", response=ExerciseOut)
def release_version(request: HttpRequest, version_id: Id) -> ExerciseOut:
    """Freeze a version. Refused with what is in the way."""
    version = _version(request, version_id)
    release(reader(request), version)
    return exercise_json(version)


def _sheet(version: ExerciseVersion, data: SheetIn) -> Sheet:
    file = version.file
    chosen = next((v for v in file.variants if v.id == data.variant), None)
    if data.board and data.board not in file.boards:
        raise NoBenchForBoard(data.board, tuple(file.boards))
    return expected_sheet(file, variant=chosen, board=data.board or None, measured=Measured.named(data.measured))


def _staff_only(request: HttpRequest) -> None:
    if not sections_of(reader(request)):
        raise NotAllowed("Only staff may see this.")
