"""Proposed marks, what a person decided, and each student's own mark."""

from decimal import Decimal

from django.core.validators import MinValueValidator
from django.db import models

from verifex.dockets.models import Docket
from verifex.exercises.models import MarkScheme
from verifex.people import clock
from verifex.people.models import User


class Proposal(models.Model):
    """What the engine proposed, with the scheme and the rules it came from. The last one counts."""

    docket = models.ForeignKey(Docket, on_delete=models.CASCADE, related_name="proposals")
    scheme = models.ForeignKey(MarkScheme, on_delete=models.PROTECT)
    rules_version = models.CharField(max_length=20)
    criteria = models.JSONField()
    at = models.DateTimeField(default=clock.now)

    class Meta:
        ordering = ["id"]


class GivenMark(models.Model):
    """An instructor's own mark for a criterion, with the reason. A proposal never overwrites it."""

    docket = models.ForeignKey(Docket, on_delete=models.CASCADE, related_name="given")
    criterion = models.CharField(max_length=30)
    marks = models.DecimalField(max_digits=5, decimal_places=2, validators=[MinValueValidator(Decimal(0))])
    reason = models.TextField()
    by = models.ForeignKey(User, null=True, on_delete=models.SET_NULL)
    at = models.DateTimeField(default=clock.now)

    class Meta:
        constraints = [
            models.UniqueConstraint(fields=["docket", "criterion"], name="one_given_mark_a_criterion"),
            models.CheckConstraint(condition=models.Q(marks__gte=0), name="given_mark_not_negative"),
            models.CheckConstraint(condition=~models.Q(reason=""), name="given_mark_has_a_reason"),
        ]


class StudentMark(models.Model):
    """A student's mark: the docket's, adjusted, or none when absent."""

    docket = models.ForeignKey(Docket, on_delete=models.CASCADE, related_name="student_marks")
    user = models.ForeignKey(User, on_delete=models.CASCADE)
    adjustment = models.DecimalField(max_digits=5, decimal_places=2, default=Decimal(0))
    absent = models.BooleanField(default=False)
    reason = models.TextField(blank=True)

    class Meta:
        constraints = [models.UniqueConstraint(fields=["docket", "user"], name="one_mark_a_student")]
