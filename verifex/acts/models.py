from django.conf import settings
from django.db import models

from verifex.acts import clock


class Event(models.Model):
    """One entry of the log: who did what to what, when. Entries are never changed.

    `scope` is the lab session it happened in (`session:3`), or `stores`: what a screen shows is as new as the last
    entry of its scopes.
    """

    at = models.DateTimeField(default=clock.now, db_index=True)
    actor = models.ForeignKey(settings.AUTH_USER_MODEL, null=True, on_delete=models.SET_NULL)
    verb = models.CharField(max_length=120)
    subject = models.CharField(max_length=60, db_index=True)  # such as docket:12 or kit:HB-07
    scope = models.CharField(max_length=40, default="")
    revision = models.PositiveIntegerField(default=0)  # of the subject, after this event
    detail = models.JSONField(default=dict)

    class Meta:
        ordering = ["id"]
        indexes = [models.Index(fields=["scope", "id"], name="newest_of_a_scope")]
