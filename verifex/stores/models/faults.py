"""What is wrong with kits, their parts and modules, until somebody says that it is well or that it is retired."""

from django.db import models

from verifex.acts import clock
from verifex.people.models import User
from verifex.stores.models.kits import Kit, KitIssue
from verifex.stores.models.modules import Module


class Fault(models.Model):
    """A fault of a module, of a part of a kit (by the kit's reference), or of a kit as a whole. One that is not closed holds what it
    is about back."""

    class State(models.TextChoices):
        OPEN = "open"
        MENDING = "mending"
        WELL = "well"
        RETIRED = "retired"

    kit = models.ForeignKey(Kit, null=True, blank=True, on_delete=models.CASCADE, related_name="fault_rows")
    ref = models.CharField(max_length=16, blank=True)
    module = models.ForeignKey(Module, null=True, blank=True, on_delete=models.CASCADE, related_name="faults")
    issue = models.ForeignKey(KitIssue, null=True, blank=True, on_delete=models.SET_NULL, related_name="fault_rows")
    title = models.CharField(max_length=80)
    what = models.CharField(max_length=200)
    state = models.CharField(max_length=8, choices=State, default=State.OPEN)
    opened_at = models.DateTimeField(default=clock.now)
    opened_by = models.ForeignKey(User, null=True, on_delete=models.SET_NULL, related_name="+")
    closed_at = models.DateTimeField(null=True, blank=True)
    closed_by = models.ForeignKey(User, null=True, on_delete=models.SET_NULL, related_name="+")
    closing_note = models.CharField(max_length=200, blank=True)

    class Meta:
        constraints = [
            models.CheckConstraint(
                condition=models.Q(state__in=["open", "mending"], closed_at__isnull=True)
                | models.Q(state__in=["well", "retired"], closed_at__isnull=False),
                name="a_fault_is_closed_at_a_time",
            ),
            models.CheckConstraint(
                condition=models.Q(kit__isnull=False) | models.Q(module__isnull=False), name="a_fault_is_of_something"
            ),
        ]
        ordering = ["opened_at", "id"]

    @property
    def is_open(self) -> bool:
        return self.closed_at is None


class FaultPhoto(models.Model):
    """A picture of a fault, made small when it is put in; it lies in the database so that a backup has it."""

    fault = models.ForeignKey(Fault, on_delete=models.CASCADE, related_name="photos")
    jpeg = models.BinaryField()
    at = models.DateTimeField(default=clock.now)
    by = models.ForeignKey(User, null=True, on_delete=models.SET_NULL, related_name="+")

    class Meta:
        ordering = ["at", "id"]
