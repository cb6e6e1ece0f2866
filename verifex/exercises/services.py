"""Bringing exercises in and releasing them."""

from functools import lru_cache

from django.db import transaction

from verifex.acts import clock
from verifex.acts.events import record
from verifex.acts.refusals import Refused
from verifex.core.exercise import Criterion, read_exercise
from verifex.core.expected.release import Obstacle, release_obstacles
from verifex.exercises.models import Exercise, ExerciseVersion, MarkScheme
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
    MarkScheme.objects.create(version=version, number=1, criteria=[c.model_dump(mode="json") for c in file.criteria])
    record(actor, "exercise version added", f"exercise:{file.id}", number=version.number)
    return version


@transaction.atomic
def release(actor: User, version: ExerciseVersion) -> None:
    """Freeze a version. Refused with everything that is in the way: its own bench, its sheet, its plan."""
    require_course_instructor(actor, version.exercise.course)
    if version.released_at:
        return
    stops = [obstacle.message for obstacle in _obstacles(version.text) if not obstacle.warns]
    if stops:
        raise Refused(" ".join(stops))
    version.released_at = clock.now()
    version.save()
    record(actor, "exercise released", f"exercise:{version.exercise.slug}", number=version.number)


@lru_cache(maxsize=64)
def _obstacles(text: str) -> tuple[Obstacle, ...]:
    """What is in the way of a file: it depends on its text alone, so it is worked out once."""
    return tuple(release_obstacles(read_exercise(text)))


def criteria_of(scheme: MarkScheme) -> list[Criterion]:
    return [Criterion.model_validate(entry) for entry in scheme.criteria]
