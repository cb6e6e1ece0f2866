"""Bringing exercises in and releasing them."""

from django.db import transaction

from verifex.core.exercise import Criterion, read_exercise
from verifex.exercises.models import Exercise, ExerciseVersion, MarkScheme
from verifex.people import clock
from verifex.people.access import Refused
from verifex.people.events import record
from verifex.people.models import User


@transaction.atomic
def add_version(actor: User | None, text: str, *, wiring: str = "", program: str = "") -> ExerciseVersion:
    """A new version from an exercise file. Raises UnusableInput with located problems."""
    file = read_exercise(text)
    exercise, _ = Exercise.objects.get_or_create(slug=file.id, defaults={"title": file.title})
    last = exercise.versions.order_by("-number").first()
    version = ExerciseVersion.objects.create(
        exercise=exercise,
        number=last.number + 1 if last else 1,
        text=text,
        reference_wiring=wiring,
        reference_program=program,
    )
    MarkScheme.objects.create(version=version, number=1, criteria=[c.model_dump(mode="json") for c in file.criteria])
    record(actor, "exercise version added", f"exercise:{file.id}", number=version.number)
    return version


@transaction.atomic
def release(actor: User | None, version: ExerciseVersion) -> None:
    """Freeze a version. Refused while its plan has no step clear of a threshold on each side."""
    if version.released_at:
        return
    if not version.file.is_clear_of_thresholds():
        raise Refused(
            "The plan has no step clear of a threshold on each side, so the alarm could not be judged. Add one."
        )
    version.released_at = clock.now()
    version.save()
    record(actor, "exercise released", f"exercise:{version.exercise.slug}", number=version.number)


def criteria_of(scheme: MarkScheme) -> list[Criterion]:
    return [Criterion.model_validate(entry) for entry in scheme.criteria]
