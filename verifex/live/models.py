"""What a board prints while somebody listens to it."""

from django.db import models

from verifex.acts import clock
from verifex.dockets.models import Docket
from verifex.people.models import User


class LiveFeed(models.Model):
    """One stretch of listening to a docket's board. `code` is what the helper on the computer with the port is started with; it
    needs no log-in and works until the feed is closed. `lines` counts what is in `text`, `received` what the helper sent: marks of
    steps are lines of their own."""

    docket = models.ForeignKey(Docket, on_delete=models.CASCADE, related_name="feeds")
    code = models.CharField(max_length=16, unique=True)
    text = models.TextField(blank=True)
    lines = models.PositiveIntegerField(default=0)
    received = models.PositiveIntegerField(default=0)
    by = models.ForeignKey(User, null=True, on_delete=models.SET_NULL)
    opened_at = models.DateTimeField(default=clock.now)
    heard_at = models.DateTimeField(null=True)
    closed_at = models.DateTimeField(null=True)

    class Meta:
        ordering = ["id"]
