"""People and how they belong together: course, section, staff, class list, pairs with dated membership."""

from django.contrib.auth.models import AbstractUser
from django.db import models

from verifex.acts import clock


class User(AbstractUser):
    """Someone who logs in as themselves. The least personal data: a name and a log-in.

    A superuser set up this installation and may found courses; everything else follows from parts in sections.
    `made_by` made the account, in the course `made_in`; both decide who may give the person a new first password.
    """

    must_change_password = models.BooleanField(default=False)  # the one it has was printed on paper
    log_outs = models.PositiveIntegerField(default=0)  # each ends every session of the person
    made_in = models.ForeignKey("Course", null=True, blank=True, on_delete=models.SET_NULL, related_name="+")
    made_by = models.ForeignKey("User", null=True, blank=True, on_delete=models.SET_NULL, related_name="+")
    # Who replaced the person's password, and when, until the person has chosen another one.
    password_reset_by = models.ForeignKey("User", null=True, blank=True, on_delete=models.SET_NULL, related_name="+")
    password_reset_at = models.DateTimeField(null=True, blank=True)

    def _get_session_auth_hash(self, secret: str | None = None) -> str:
        own: str = super()._get_session_auth_hash(secret=secret)  # type: ignore[misc]
        return f"{own}-{self.log_outs}" if self.log_outs else own


class Course(models.Model):
    """A course; `zone` is the time zone its clock is shown in, `holidays` days without a session (ISO dates).

    A closed course is kept and no longer worked in.
    """

    title = models.CharField(max_length=120)
    zone = models.CharField(max_length=60, default="UTC")
    starts_on = models.DateField(null=True, blank=True)
    ends_on = models.DateField(null=True, blank=True)
    holidays = models.JSONField(default=list, blank=True)
    closed_at = models.DateTimeField(null=True, blank=True)

    class Meta:
        constraints = [
            models.CheckConstraint(
                condition=models.Q(starts_on=None)
                | models.Q(ends_on=None)
                | models.Q(ends_on__gte=models.F("starts_on")),
                name="term_ends_after_it_begins",
            )
        ]

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


class Invitation(models.Model):
    """A part in a section that was offered to somebody who has an account of another course; gone once it is answered."""

    section = models.ForeignKey(Section, on_delete=models.CASCADE, related_name="invitations")
    user = models.ForeignKey(User, on_delete=models.CASCADE, related_name="invitations")
    role = models.CharField(max_length=12, choices=Staff.Role.choices)
    by = models.ForeignKey(User, on_delete=models.CASCADE, related_name="+")
    at = models.DateTimeField(default=clock.now)

    class Meta:
        constraints = [
            models.UniqueConstraint(fields=["section", "user"], name="one_invitation_a_person_and_section"),
            models.CheckConstraint(condition=models.Q(role__in=["instructor", "assistant"]), name="invited_role_known"),
        ]
        ordering = ["id"]


class Student(models.Model):
    """Someone on a section's class list, from a time until another (or still). `number` is the school's, where it gives one;
    `group` what its list says of a group."""

    section = models.ForeignKey(Section, on_delete=models.CASCADE, related_name="students")
    user = models.ForeignKey(User, on_delete=models.CASCADE, related_name="student_of")
    number = models.CharField(max_length=40, blank=True)
    group = models.CharField(max_length=40, blank=True)
    since = models.DateTimeField(default=clock.now)
    until = models.DateTimeField(null=True, blank=True)

    class Meta:
        constraints = [
            models.UniqueConstraint(
                fields=["section", "user"], condition=models.Q(until=None), name="once_on_a_class_list"
            ),
            models.UniqueConstraint(
                fields=["section", "number"],
                condition=models.Q(until=None) & ~models.Q(number=""),
                name="student_number_once_a_section",
            ),
        ]
        ordering = ["user__last_name", "user__first_name", "id"]


class Pair(models.Model):
    """Two students (a three is allowed) who work together."""

    section = models.ForeignKey(Section, on_delete=models.CASCADE, related_name="pairs")
    name = models.CharField(max_length=80)
    badge = models.CharField(max_length=40)
    archived_at = models.DateTimeField(null=True, blank=True)

    class Meta:
        constraints = [
            models.UniqueConstraint(
                fields=["section", "name"], condition=models.Q(archived_at=None), name="pair_name_once_a_section"
            ),
            models.UniqueConstraint(fields=["section", "badge"], name="badge_once_a_section"),
        ]

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
