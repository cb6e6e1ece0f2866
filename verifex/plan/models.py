"""Rooms with their benches, sessions with their exercises, who sits where and who is absent."""

from datetime import datetime

from django.db import models

from verifex.exercises.models import Exercise
from verifex.people.models import Course, Pair, Section, User


class Room(models.Model):
    """A lab room of a course. Its benches stand where they are drawn; a room without any has `columns` in a row."""

    course = models.ForeignKey(Course, on_delete=models.CASCADE, related_name="rooms")
    name = models.CharField(max_length=60)
    columns = models.PositiveSmallIntegerField(default=4)
    archived_at = models.DateTimeField(null=True, blank=True)

    class Meta:
        constraints = [models.UniqueConstraint(fields=["course", "name"], name="room_name_once_a_course")]
        ordering = ["name"]

    def __str__(self) -> str:
        return self.name


class Bench(models.Model):
    """A bench where it stands in the room's grid; a place without one is a gap or an aisle."""

    room = models.ForeignKey(Room, on_delete=models.CASCADE, related_name="benches")
    number = models.PositiveSmallIntegerField()
    name = models.CharField(max_length=20, blank=True)
    row = models.PositiveSmallIntegerField()
    column = models.PositiveSmallIntegerField()

    class Meta:
        constraints = [
            models.UniqueConstraint(fields=["room", "number"], name="bench_number_once_a_room"),
            models.UniqueConstraint(fields=["room", "row", "column"], name="one_bench_a_place"),
        ]
        ordering = ["number"]


class Session(models.Model):
    """A lab day of one section in one room.

    `code` is what students type to join. While `paused_at` is set nobody is cleared for power. `late_minutes` is how long
    after its end a pair may still hand in; None for as long as its docket is open.
    """

    section = models.ForeignKey(Section, on_delete=models.CASCADE, related_name="sessions")
    room = models.ForeignKey(Room, on_delete=models.PROTECT)
    starts_at = models.DateTimeField()
    ends_at = models.DateTimeField()
    code = models.CharField(max_length=8, blank=True)
    paused_at = models.DateTimeField(null=True, blank=True)
    late_minutes = models.PositiveIntegerField(null=True, blank=True)
    staff = models.ManyToManyField(User, blank=True, related_name="sessions_staffed")

    class Meta:
        constraints = [
            models.CheckConstraint(
                condition=models.Q(ends_at__gt=models.F("starts_at")), name="session_ends_after_it_begins"
            ),
            models.UniqueConstraint(fields=["code"], condition=~models.Q(code=""), name="session_code_once"),
        ]
        ordering = ["starts_at"]

    def is_running(self, now: datetime) -> bool:
        return self.starts_at <= now < self.ends_at


class PlannedExercise(models.Model):
    """An exercise that is done in a session; there may be several at once."""

    session = models.ForeignKey(Session, on_delete=models.CASCADE, related_name="planned")
    exercise = models.ForeignKey(Exercise, on_delete=models.PROTECT, related_name="planned")

    class Meta:
        constraints = [models.UniqueConstraint(fields=["session", "exercise"], name="exercise_once_a_session")]
        ordering = ["id"]


class Assignment(models.Model):
    """Which of a session's exercises a pair does."""

    session = models.ForeignKey(Session, on_delete=models.CASCADE, related_name="assignments")
    pair = models.ForeignKey(Pair, on_delete=models.CASCADE, related_name="assignments")
    exercise = models.ForeignKey(Exercise, on_delete=models.PROTECT, related_name="+")

    class Meta:
        constraints = [models.UniqueConstraint(fields=["session", "pair"], name="one_exercise_a_pair_and_session")]


class Absence(models.Model):
    """A student who is not there in a session; the marks know."""

    session = models.ForeignKey(Session, on_delete=models.CASCADE, related_name="absences")
    user = models.ForeignKey(User, on_delete=models.CASCADE, related_name="absences")

    class Meta:
        constraints = [models.UniqueConstraint(fields=["session", "user"], name="absent_once_a_session")]


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
