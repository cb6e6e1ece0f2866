"""Kits, what is in them, who has them, and what was given instead."""

from django.db import models

from verifex.acts import clock
from verifex.exercises.models import Exercise
from verifex.people.models import Pair, User
from verifex.plan.models import Session
from verifex.stores.models.modules import Module
from verifex.stores.models.stock import StockItem


class Kit(models.Model):
    """A tagged box filled to the recipe of an exercise. `leg_orders` gives by part id the printing of parts that have no tag of their
    own; a tagged module has that of its batch."""

    tag = models.CharField(max_length=20, unique=True)
    exercise = models.ForeignKey(Exercise, on_delete=models.PROTECT, related_name="kits")
    leg_orders = models.JSONField(default=dict, blank=True)
    #: Trimmers and jumpers as they were last found, by the recipe's reference: {"U1": {"jumper": "single"}}.
    settings = models.JSONField(default=dict, blank=True)

    class Meta:
        ordering = ["tag"]

    def __str__(self) -> str:
        return self.tag


class KitPart(models.Model):
    """One part of the recipe in a kit, by the recipe's reference."""

    kit = models.ForeignKey(Kit, on_delete=models.CASCADE, related_name="parts")
    ref = models.CharField(max_length=8)
    part = models.CharField(max_length=40)
    title = models.CharField(max_length=80)
    settings = models.JSONField(default=dict, blank=True)  # as the recipe has it: its value, its colour
    present = models.BooleanField(default=True)
    module = models.OneToOneField(Module, null=True, blank=True, on_delete=models.PROTECT, related_name="place")

    class Meta:
        constraints = [models.UniqueConstraint(fields=["kit", "ref"], name="ref_once_a_kit")]
        ordering = ["id"]


class KitIssue(models.Model):
    """A kit in a pair's hands, from a time to another. A swap is a new issue."""

    kit = models.ForeignKey(Kit, on_delete=models.PROTECT, related_name="issues")
    pair = models.ForeignKey(Pair, on_delete=models.PROTECT, related_name="kit_issues")
    session = models.ForeignKey(Session, on_delete=models.PROTECT, related_name="kit_issues")
    issued_at = models.DateTimeField(default=clock.now)
    issued_by = models.ForeignKey(User, null=True, on_delete=models.SET_NULL, related_name="+")
    returned_at = models.DateTimeField(null=True, blank=True)
    faults = models.JSONField(default=list, blank=True)
    #: The exercise it was given for, and by that exercise's references the kit's own where they differ.
    exercise = models.ForeignKey(Exercise, null=True, on_delete=models.PROTECT, related_name="+")
    refs = models.JSONField(default=dict, blank=True)
    # As it was on the day, by the exercise's references: leg orders (by part id), trimmers and jumpers, tags of modules, figures of
    # their batches, and calibrations.
    leg_orders = models.JSONField(default=dict, blank=True)
    settings = models.JSONField(default=dict, blank=True)
    modules = models.JSONField(default=dict, blank=True)
    figures = models.JSONField(default=dict, blank=True)
    calibrations = models.JSONField(default=dict, blank=True)

    class Meta:
        constraints = [
            models.UniqueConstraint(fields=["kit"], condition=models.Q(returned_at__isnull=True), name="kit_out_once"),
            models.CheckConstraint(
                condition=models.Q(returned_at__isnull=True) | models.Q(returned_at__gte=models.F("issued_at")),
                name="kit_returns_after_it_goes",
            ),
        ]
        ordering = ["issued_at"]


class PartTest(models.Model):
    """A part of a kit that has to be tested before the kit goes out again, by the kit's place for it (`U1`, `pin D7`). Once answered it
    stays as the part's history."""

    class Outcome(models.TextChoices):
        OPEN = "open"
        WELL = "well"
        BROKEN = "broken"

    kit = models.ForeignKey(Kit, on_delete=models.CASCADE, related_name="tests")
    issue = models.ForeignKey(KitIssue, on_delete=models.CASCADE, related_name="tests")
    ref = models.CharField(max_length=16)
    module = models.ForeignKey(Module, null=True, blank=True, on_delete=models.SET_NULL, related_name="tests")
    title = models.CharField(max_length=80)
    because = models.CharField(max_length=200)
    how = models.CharField(max_length=300)
    well = models.CharField(max_length=200)
    outcome = models.CharField(max_length=8, choices=Outcome, default=Outcome.OPEN)
    note = models.CharField(max_length=200, blank=True)
    opened_at = models.DateTimeField(default=clock.now)
    answered_at = models.DateTimeField(null=True, blank=True)
    answered_by = models.ForeignKey(User, null=True, on_delete=models.SET_NULL, related_name="+")

    class Meta:
        constraints = [
            models.UniqueConstraint(
                fields=["kit", "ref"], condition=models.Q(outcome="open"), name="one_open_test_a_part"
            ),
            models.CheckConstraint(
                condition=models.Q(outcome="open", answered_at__isnull=True)
                | (~models.Q(outcome="open") & models.Q(answered_at__isnull=False)),
                name="a_test_is_answered_at_a_time",
            ),
        ]
        ordering = ["opened_at", "id"]


class Substitution(models.Model):
    """A resistor given in place of the recipe's, out of a drawer where one counts it."""

    issue = models.ForeignKey(KitIssue, on_delete=models.CASCADE, related_name="substitutions")
    ref = models.CharField(max_length=8)
    ohms = models.FloatField()
    measured_ohms = models.FloatField(null=True, blank=True)  # what a meter read of the one that was given
    reason = models.CharField(max_length=200)
    item = models.ForeignKey(StockItem, null=True, blank=True, on_delete=models.SET_NULL, related_name="+")
    at = models.DateTimeField(default=clock.now)

    class Meta:
        constraints = [models.CheckConstraint(condition=models.Q(ohms__gt=0), name="substitute_above_zero_ohms")]
        ordering = ["at"]


class Replacement(models.Model):
    """One part of a kit exchanged for another: a module for a module, or one out of a drawer."""

    kit = models.ForeignKey(Kit, on_delete=models.CASCADE, related_name="replacements")
    ref = models.CharField(max_length=8)
    title = models.CharField(max_length=80)
    was_present = models.BooleanField(default=True)
    settings_before = models.JSONField(default=dict, blank=True)  # what was noted of the one that was taken out
    taken_out = models.ForeignKey(Module, null=True, blank=True, on_delete=models.PROTECT, related_name="+")
    put_in = models.ForeignKey(Module, null=True, blank=True, on_delete=models.PROTECT, related_name="+")
    item = models.ForeignKey(StockItem, null=True, blank=True, on_delete=models.SET_NULL, related_name="+")
    reason = models.CharField(max_length=200)
    at = models.DateTimeField(default=clock.now)
    by = models.ForeignKey(User, null=True, on_delete=models.SET_NULL, related_name="+")
    undone_at = models.DateTimeField(null=True, blank=True)

    class Meta:
        ordering = ["at", "id"]
