"""People and how they belong together: course, section, staff, pairs with dated membership; the event log."""

from django.contrib.auth.models import AbstractUser
from django.db import models

from verifex.acts import clock


class User(AbstractUser):
    """Someone who logs in as themselves. The least personal data: a name and a log-in."""


class Course(models.Model):
    """A course; `zone` is the time zone its clock is shown in."""

    title = models.CharField(max_length=120)
    zone = models.CharField(max_length=60, default="UTC")

    def __str__(self) -> str:
        return self.title


class Section(models.Model):
    """A class list of a course."""

    course = models.ForeignKey(Course, on_delete=models.CASCADE, related_name="sections")
    name = models.CharField(max_length=60)

    class Meta:
        constraints = [models.UniqueConstraint(fields=["course", "name"], name="section_name_once_a_course")]

    def __str__(self) -> str:
        return f"{self.course}: {self.name}"


class Staff(models.Model):
    """Someone's part in a section; one person may belong to several."""

    class Role(models.TextChoices):
        INSTRUCTOR = "instructor"
        ASSISTANT = "assistant"

    section = models.ForeignKey(Section, on_delete=models.CASCADE, related_name="staff")
    user = models.ForeignKey(User, on_delete=models.CASCADE, related_name="staff_of")
    role = models.CharField(max_length=12, choices=Role.choices)

    class Meta:
        constraints = [
            models.UniqueConstraint(fields=["section", "user"], name="one_part_a_person_and_section"),
            models.CheckConstraint(condition=models.Q(role__in=["instructor", "assistant"]), name="staff_role_known"),
        ]


class Pair(models.Model):
    """Two students (a three is allowed) who work together."""

    section = models.ForeignKey(Section, on_delete=models.CASCADE, related_name="pairs")
    name = models.CharField(max_length=80)
    badge = models.CharField(max_length=40, unique=True)

    class Meta:
        constraints = [models.UniqueConstraint(fields=["section", "name"], name="pair_name_once_a_section")]

    def __str__(self) -> str:
        return self.name


class PairMember(models.Model):
    """A student's membership of a pair, from a time until another (or still)."""

    pair = models.ForeignKey(Pair, on_delete=models.CASCADE, related_name="members")
    user = models.ForeignKey(User, on_delete=models.CASCADE, related_name="memberships")
    since = models.DateTimeField(default=clock.now)
    until = models.DateTimeField(null=True, blank=True)

    class Meta:
        constraints = [
            models.CheckConstraint(
                condition=models.Q(until__isnull=True) | models.Q(until__gt=models.F("since")),
                name="membership_ends_after_it_begins",
            ),
            models.UniqueConstraint(
                fields=["pair", "user"], condition=models.Q(until__isnull=True), name="one_open_membership_a_pair"
            ),
        ]
