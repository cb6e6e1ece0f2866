"""Long work: what was asked for, how far it is, what came of it. Its state lives here, so it survives a restart."""

from django.db import models

from verifex.people import clock
from verifex.people.models import User


class State(models.TextChoices):
    WAITING = "waiting"
    RUNNING = "running"
    DONE = "done"
    FAILED = "failed"
    CANCELLED = "cancelled"


class Work(models.Model):
    """One piece of long work. `beat` is when it last gave a sign of life; what stopped beating is taken up again."""

    kind = models.CharField(max_length=40)
    detail = models.JSONField(default=dict)
    by = models.ForeignKey(User, on_delete=models.CASCADE)
    asked_at = models.DateTimeField(default=clock.now)
    state = models.CharField(max_length=10, choices=State.choices, default=State.WAITING)
    done = models.PositiveIntegerField(default=0)
    total = models.PositiveIntegerField(default=0)
    beat = models.DateTimeField(null=True)
    wants_cancel = models.BooleanField(default=False)
    message = models.CharField(max_length=300, blank=True)
    file_name = models.CharField(max_length=120, blank=True)
    file = models.BinaryField(null=True)

    class Meta:
        constraints = [models.CheckConstraint(condition=models.Q(state__in=State.values), name="work_state_known")]
        ordering = ["-id"]
