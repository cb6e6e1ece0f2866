"""Long work: what was asked for, how far it is, what came of it. Its state lives here, so it survives a restart."""

from django.db import models

from verifex.acts import clock
from verifex.people.models import User


class State(models.TextChoices):
    WAITING = "waiting"
    RUNNING = "running"
    DONE = "done"
    FAILED = "failed"
    CANCELLED = "cancelled"


class Work(models.Model):
    """One piece of long work: a file comes of it."""

    kind = models.CharField(max_length=40)
    detail = models.JSONField(default=dict)
    by = models.ForeignKey(User, on_delete=models.CASCADE)
    asked_at = models.DateTimeField(default=clock.now)
    state = models.CharField(max_length=10, choices=State.choices, default=State.WAITING)
    done = models.PositiveIntegerField(default=0)
    total = models.PositiveIntegerField(default=0)
    wants_cancel = models.BooleanField(default=False)
    message = models.CharField(max_length=300, blank=True)
    file_name = models.CharField(max_length=120, blank=True)
    file_type = models.CharField(max_length=80, default="application/pdf")
    file = models.BinaryField(null=True)

    class Meta:
        constraints = [models.CheckConstraint(condition=models.Q(state__in=State.values), name="work_state_known")]
        ordering = ["-id"]


class Queued(models.Model):
    """Work on one thing (`key`) that waits until `due_at`, or is under way; gone once it is done.

    `owner` is the token of the run that took it, for as long as its lease is renewed: a process number may be given to
    another process, a token never. `again` says that it was asked for once more while it was under way. What failed too often
    has `failed_at`, and waits for a person to ask for it again.
    """

    kind = models.CharField(max_length=20)
    key = models.PositiveBigIntegerField()
    asked_at = models.DateTimeField(default=clock.now)
    due_at = models.DateTimeField(default=clock.now)
    owner = models.CharField(max_length=32, blank=True)
    leased_until = models.DateTimeField(null=True)
    again = models.BooleanField(default=False)
    tries = models.PositiveSmallIntegerField(default=0)
    failed_at = models.DateTimeField(null=True)

    class Meta:
        constraints = [models.UniqueConstraint(fields=["kind", "key"], name="queued_once")]
        ordering = ["asked_at"]
        indexes = [models.Index(fields=["failed_at", "due_at"], name="queued_next")]


class BroughtUpTo(models.Model):
    """With which version something was worked out last that depends on the program's own rules."""

    name = models.CharField(max_length=40, unique=True)
    version = models.CharField(max_length=100)


class SharedCacheRow(models.Model):
    """The table of the cache that all processes share, in the shape Django's database cache has."""

    cache_key = models.CharField(max_length=255, primary_key=True)
    value = models.TextField()
    expires = models.DateTimeField(db_index=True)

    class Meta:
        db_table = "shared_cache"
