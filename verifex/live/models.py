"""What a board prints while somebody listens to it."""

from django.db import models

from verifex.acts import clock
from verifex.dockets.models import Docket
from verifex.people.models import User


class LiveFeed(models.Model):
    """One stretch of listening to a docket's board. `code` is what the helper on the computer with the port is started with; it
    needs no log-in and works until the feed is closed. `lines` counts its lines, `letters` what is in them, `received` what the
    helper sent: marks of steps are lines of their own."""

    docket = models.ForeignKey(Docket, on_delete=models.CASCADE, related_name="feeds")
    code = models.CharField(max_length=16, unique=True)
    lines = models.PositiveIntegerField(default=0)
    letters = models.PositiveIntegerField(default=0)
    received = models.PositiveIntegerField(default=0)
    by = models.ForeignKey(User, null=True, on_delete=models.SET_NULL)
    opened_at = models.DateTimeField(default=clock.now)
    heard_at = models.DateTimeField(null=True)
    closed_at = models.DateTimeField(null=True)

    class Meta:
        ordering = ["id"]


class LiveLine(models.Model):
    """One line of a feed; `number` counts from 0. Each is a row of its own, so that a line costs the same after an hour."""

    feed = models.ForeignKey(LiveFeed, on_delete=models.CASCADE, related_name="rows")
    number = models.PositiveIntegerField()
    text = models.TextField(blank=True)
    is_mark = models.BooleanField(default=False)

    class Meta:
        ordering = ["feed", "number"]
        constraints = [models.UniqueConstraint(fields=["feed", "number"], name="one_line_of_a_number")]
        indexes = [models.Index(fields=["feed", "is_mark", "number"], name="marks_of_a_feed")]
