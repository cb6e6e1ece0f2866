"""Modules and boards that are tagged one by one, the batches they came in, and what was measured of them."""

from django.db import models

from verifex.acts import clock
from verifex.people.models import User


class Batch(models.Model):
    """What modules that were bought together have in common. `figures` are those in which they deviate from the catalogue."""

    name = models.CharField(max_length=40, unique=True)
    part = models.CharField(max_length=40)
    marking = models.CharField(max_length=80, blank=True)  # the maker's, as somebody typed it
    leg_order = models.CharField(max_length=120, blank=True)
    figures = models.JSONField(default=dict, blank=True)
    price = models.DecimalField(max_digits=8, decimal_places=2, null=True, blank=True)
    supplier = models.CharField(max_length=80, blank=True)
    lead_days = models.PositiveIntegerField(default=14)
    bought_on = models.DateField(null=True, blank=True)

    class Meta:
        ordering = ["name"]

    def __str__(self) -> str:
        return self.name


class Module(models.Model):
    """A module or a board with a tag of its own. Whether it is ready, out, to test or in repair follows from its kit, its tests and
    its faults; only that it is retired is kept here."""

    tag = models.CharField(max_length=20, unique=True)
    part = models.CharField(max_length=40)  # of the catalogue's parts or boards
    batch = models.ForeignKey(Batch, null=True, blank=True, on_delete=models.PROTECT, related_name="modules")
    settings = models.JSONField(default=dict, blank=True)  # trimmers and jumpers as they were last found
    headers = models.BooleanField(null=True, blank=True)  # soldered on; None where nobody looked
    bought_on = models.DateField(null=True, blank=True)
    note = models.CharField(max_length=200, blank=True)
    retired_at = models.DateTimeField(null=True, blank=True)

    class Meta:
        ordering = ["tag"]

    def __str__(self) -> str:
        return self.tag


class Calibration(models.Model):
    """What was measured of a module or a board: the figures as they were typed, and what they came to."""

    module = models.ForeignKey(Module, on_delete=models.CASCADE, related_name="calibrations")
    kind = models.CharField(max_length=24)
    quantity = models.CharField(max_length=16, blank=True)
    values = models.JSONField()
    found = models.JSONField()  # a list of {quantity, figures}
    words = models.CharField(max_length=200)
    with_what = models.CharField(max_length=80, blank=True)
    on = models.DateField()
    days = models.PositiveIntegerField()  # that it counts
    at = models.DateTimeField(default=clock.now)
    by = models.ForeignKey(User, null=True, on_delete=models.SET_NULL, related_name="+")
    withdrawn_at = models.DateTimeField(null=True, blank=True)

    class Meta:
        ordering = ["on", "id"]
