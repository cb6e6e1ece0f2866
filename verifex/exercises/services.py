"""Bringing exercises in and releasing them."""

import math
from functools import lru_cache

from django.db import transaction

from verifex.acts import clock
from verifex.acts.events import record
from verifex.core.exercise import Criterion, read_exercise
from verifex.core.exercise import Exercise as ExerciseFile
from verifex.core.exercise.drivers import METHOD_PURPOSES
from verifex.core.expected.release import Obstacle, release_obstacles
from verifex.core.parts import catalogue
from verifex.exercises.models import Exercise, ExerciseVersion, ExplainedConstant, MarkScheme
from verifex.exercises.refusals import NeitherNumberNorModule, NotANumber, ReleaseStopped, UnknownMethodPurpose
from verifex.people.access import require_course_instructor
from verifex.people.models import Course, User


@transaction.atomic
def add_version(actor: User, course: Course, text: str, *, program: str = "") -> ExerciseVersion:
    """A new version of a course's exercise from an exercise file, by an instructor of that course. Raises UnusableInput
    with located problems."""
    require_course_instructor(actor, course)
    file = read_exercise(text)
    exercise, _ = Exercise.objects.get_or_create(course=course, slug=file.id, defaults={"title": file.title})
    last = exercise.versions.order_by("-number").first()
    version = ExerciseVersion.objects.create(
        exercise=exercise,
        number=last.number + 1 if last else 1,
        text=text,
        reference_program=program,
    )
    MarkScheme.objects.create(
        version=version,
        number=1,
        criteria=[c.model_dump(mode="json") for c in file.criteria],
        step=file.mark_step,
    )
    record(actor, "exercise version added", f"exercise:{file.id}", number=version.number)
    return version


@transaction.atomic
def release(actor: User, version: ExerciseVersion) -> None:
    """Freeze a version. Refused with everything that is in the way: its own bench, its sheet, its plan."""
    require_course_instructor(actor, version.exercise.course)
    if version.released_at:
        return
    stops = tuple(obstacle.message for obstacle in _obstacles(version.text) if not obstacle.warns)
    if stops:
        raise ReleaseStopped(stops)
    version.released_at = clock.now()
    version.save()
    record(actor, "exercise released", f"exercise:{version.exercise.slug}", number=version.number)


@transaction.atomic
def explain_constant(actor: User, exercise: Exercise, name: str, stands_for: str) -> None:
    """Remember what a constant of a library stands for: a number, or a part of the catalogue; or what a method (`Class.method`)
    is for. Empty forgets it. Raises Refused for anything else."""
    require_course_instructor(actor, exercise.course)
    words = stands_for.strip()
    if "." in name and words and words not in METHOD_PURPOSES:
        raise UnknownMethodPurpose(words, tuple(METHOD_PURPOSES))
    if "." in name and words:
        ExplainedConstant.objects.update_or_create(
            exercise=exercise, name=name[:80], defaults={"number": None, "module": words}
        )
    elif not words:
        exercise.constants.filter(name=name).delete()
    else:
        try:
            number: float | None = (
                float(int(words, 0)) if words.lower().startswith("0x") else float(words.replace(",", "."))
            )
        except ValueError:
            number = None
        if number is not None and not math.isfinite(number):
            raise NotANumber(words)
        if number is None and words not in catalogue().parts:
            near = catalogue().near(words)
            meant = f" Did you mean {' or '.join(near)}?" if near else ""
            raise NeitherNumberNorModule(words, meant)
        values = {"number": number, "module": "" if number is not None else words}
        ExplainedConstant.objects.update_or_create(exercise=exercise, name=name[:80], defaults=values)
    record(actor, f"explained {name}"[:120], f"exercise:{exercise.slug}", stands_for=words)


def with_constants(file: ExerciseFile, exercise_id: int) -> ExerciseFile:
    """An exercise file with the constants that an instructor explained since; what the file itself says stays."""
    explained = {c.name: c.explanation for c in ExplainedConstant.objects.filter(exercise=exercise_id)}
    if not explained:
        return file
    methods = {name: purpose for name, purpose in explained.items() if "." in name}
    constants = {name: stands_for for name, stands_for in explained.items() if "." not in name}
    return file.model_copy(
        update={
            "library_constants": {**constants, **file.library_constants},
            "library_methods": {**methods, **file.library_methods},
        }
    )


@lru_cache(maxsize=64)
def _obstacles(text: str) -> tuple[Obstacle, ...]:
    """What is in the way of a file: it depends on its text alone, so it is worked out once."""
    return tuple(release_obstacles(read_exercise(text)))


def criteria_of(scheme: MarkScheme) -> list[Criterion]:
    return [Criterion.model_validate(entry) for entry in scheme.criteria]
