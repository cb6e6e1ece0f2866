"""Rooms with their benches, sessions, and who sits where."""

from django.db import models

from verifex.people.models import Pair, Section


class Room(models.Model):
    """A lab room; its benches stand in a grid of `columns`."""

    name = models.CharField(max_length=60, unique=True)
    columns = models.PositiveSmallIntegerField(default=4)

    def __str__(self) -> str:
        return self.name


class Session(models.Model):
    """A lab day of one section in one room."""

    section = models.ForeignKey(Section, on_delete=models.CASCADE, related_name="sessions")
    room = models.ForeignKey(Room, on_delete=models.PROTECT)
    starts_at = models.DateTimeField()
    ends_at = models.DateTimeField()

    class Meta:
        constraints = [
            models.CheckConstraint(
                condition=models.Q(ends_at__gt=models.F("starts_at")), name="session_ends_after_it_begins"
            )
        ]
        ordering = ["starts_at"]


class Seat(models.Model):
    """A pair at a numbered bench for one session."""

    session = models.ForeignKey(Session, on_delete=models.CASCADE, related_name="seats")
    pair = models.ForeignKey(Pair, on_delete=models.CASCADE)
    bench = models.PositiveSmallIntegerField()

    class Meta:
        constraints = [
            models.UniqueConstraint(fields=["session", "bench"], name="one_pair_a_bench"),
            models.UniqueConstraint(fields=["session", "pair"], name="one_bench_a_pair"),
        ]
        ordering = ["bench"]
