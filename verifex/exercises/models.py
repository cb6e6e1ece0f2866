"""Exercises, their versions and their mark schemes. What was released never changes."""

from functools import lru_cache
from typing import Any

from django.db import models

from verifex.core.exercise import MARK_STEP, read_exercise
from verifex.core.exercise import Exercise as ExerciseFile
from verifex.people.models import Course


class Frozen(Exception):
    """Something released was about to be changed."""


class Exercise(models.Model):
    """An exercise of a course by its id; what it says is in its versions. Only that course's instructors change it."""

    course = models.ForeignKey(Course, on_delete=models.PROTECT, related_name="exercises")
    slug = models.SlugField()
    title = models.CharField(max_length=120)

    class Meta:
        constraints = [models.UniqueConstraint(fields=["course", "slug"], name="exercise_id_once_a_course")]

    def __str__(self) -> str:
        return self.title


class ExerciseVersion(models.Model):
    """One version: the exercise file (with the instructor's own benches in it) and the instructor's program."""

    exercise = models.ForeignKey(Exercise, on_delete=models.CASCADE, related_name="versions")
    number = models.PositiveIntegerField()
    text = models.TextField()
    reference_program = models.TextField(blank=True)
    released_at = models.DateTimeField(null=True, blank=True)

    class Meta:
        constraints = [models.UniqueConstraint(fields=["exercise", "number"], name="version_number_once")]
        ordering = ["exercise", "number"]

    def __str__(self) -> str:
        return f"{self.exercise}, version {self.number}"

    def save(self, *args: Any, **kwargs: Any) -> None:
        if self.pk and ExerciseVersion.objects.filter(pk=self.pk, released_at__isnull=False).exists():
            raise Frozen(f"{self} is released; make a new version instead.")
        super().save(*args, **kwargs)

    @property
    def file(self) -> ExerciseFile:
        return file_of(self.text)

    @property
    def reference_wiring(self) -> str:
        """The instructor's own bench on the usual board, in bench notation; empty where there is none."""
        return self.file.reference_wiring()


class ExplainedConstant(models.Model):
    """What a constant of a library stands for, as an instructor entered once for all pairs with this exercise: a number, or a
    kind of module of the catalogue."""

    exercise = models.ForeignKey(Exercise, on_delete=models.CASCADE, related_name="constants")
    name = models.CharField(max_length=80)
    number = models.FloatField(null=True, blank=True)
    module = models.CharField(max_length=40, blank=True)

    class Meta:
        constraints = [
            models.UniqueConstraint(fields=["exercise", "name"], name="constant_once_an_exercise"),
            models.CheckConstraint(
                condition=models.Q(number__isnull=False, module="")
                | (models.Q(number__isnull=True) & ~models.Q(module="")),
                name="constant_stands_for_one_thing",
            ),
        ]
        ordering = ["name"]

    @property
    def explanation(self) -> float | str:
        return self.number if self.number is not None else self.module


class MarkScheme(models.Model):
    """Criteria and weights, versioned on their own: {'name', 'title', 'of'} each, marks as text decimals."""

    version = models.ForeignKey(ExerciseVersion, on_delete=models.CASCADE, related_name="schemes")
    number = models.PositiveIntegerField()
    criteria = models.JSONField()
    step = models.DecimalField(max_digits=4, decimal_places=2, default=MARK_STEP)  # what marks are multiples of

    class Meta:
        constraints = [models.UniqueConstraint(fields=["version", "number"], name="scheme_number_once")]
        ordering = ["number"]


@lru_cache(maxsize=64)
def file_of(text: str) -> ExerciseFile:
    """Exercise files are read once a process; released texts never change."""
    return read_exercise(text)
