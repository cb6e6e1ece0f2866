"""What a person decided about marks, each student's own mark, and marking as it was closed."""

from decimal import Decimal

from django.core.validators import MinValueValidator
from django.db import models

from verifex.acts import clock
from verifex.dockets.models import Docket
from verifex.exercises.models import MarkScheme
from verifex.people.models import User


class ClosedMark(models.Model):
    """A docket's marking as it was closed: nothing that happens later changes it. Reopening keeps it, with when and why.

    `criteria` are the rows as they stood (proposed, given, reason, evidence, what counts), `students` each student's total.
    """

    docket = models.ForeignKey(Docket, on_delete=models.CASCADE, related_name="closed_marks")
    scheme = models.ForeignKey(MarkScheme, on_delete=models.PROTECT)
    rules_version = models.CharField(max_length=20)
    catalogue = models.CharField(max_length=64)
    criteria = models.JSONField()
    total = models.DecimalField(max_digits=7, decimal_places=2)
    of = models.DecimalField(max_digits=7, decimal_places=2)
    judged_with = models.JSONField(default=dict)  # by station: measured values, what was handed out, digests
    students = models.JSONField(default=list)
    second_look = models.TextField(blank=True)  # what was decided about a log that was worth a second look; staff only
    by = models.ForeignKey(User, null=True, on_delete=models.SET_NULL, related_name="+")
    at = models.DateTimeField(default=clock.now)
    reopened_at = models.DateTimeField(null=True, blank=True)
    reopened_by = models.ForeignKey(User, null=True, on_delete=models.SET_NULL, related_name="+")
    reopened_because = models.TextField(blank=True)

    class Meta:
        constraints = [
            models.UniqueConstraint(
                fields=["docket"], condition=models.Q(reopened_at__isnull=True), name="one_closed_mark_a_docket"
            )
        ]
        ordering = ["id"]


class GivenMark(models.Model):
    """An instructor's own mark for a criterion, with the reason. A proposal never overwrites it."""

    docket = models.ForeignKey(Docket, on_delete=models.CASCADE, related_name="given")
    criterion = models.CharField(max_length=30)
    marks = models.DecimalField(max_digits=5, decimal_places=2, validators=[MinValueValidator(Decimal(0))])
    proposed = models.CharField(max_length=12, blank=True)  # what stood there then; empty for nothing yet
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
