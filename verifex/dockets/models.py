"""A docket and all that is kept of it: station states, attempts, judgements, measurements, decisions, clearances."""

from django.db import models

from verifex.exercises.models import ExerciseVersion, MarkScheme
from verifex.people import clock
from verifex.people.models import Pair, User
from verifex.plan.models import Session
from verifex.stores.models import KitIssue


class Station(models.TextChoices):
    """The six stations, in the order of the work."""

    KIT = "kit"
    WIRING = "wiring"
    POWER = "power"
    PROGRAM = "program"
    READINGS = "readings"
    MARK = "mark"


class State(models.TextChoices):
    WORKING = "working"
    ASKS = "asks"
    SENT_BACK = "sent-back"
    PASSED = "passed"
    VOIDED = "voided"


class Kind(models.TextChoices):
    """What can be handed in."""

    WIRING = "wiring"
    PROGRAM = "program"
    READINGS = "readings"
    PREDICTION = "prediction"  # what the pair expects, before it measures


class Docket(models.Model):
    """One pair's run through one exercise. `revision` grows with every act; a stale act is refused."""

    pair = models.ForeignKey(Pair, on_delete=models.PROTECT, related_name="dockets")
    session = models.ForeignKey(Session, on_delete=models.PROTECT, related_name="dockets")
    version = models.ForeignKey(ExerciseVersion, on_delete=models.PROTECT)
    scheme = models.ForeignKey(MarkScheme, on_delete=models.PROTECT)
    opened_at = models.DateTimeField(default=clock.now)
    revision = models.PositiveIntegerField(default=0)
    claimed_by = models.ForeignKey(User, null=True, blank=True, on_delete=models.SET_NULL, related_name="+")

    class Meta:
        constraints = [
            models.UniqueConstraint(fields=["pair", "session", "version"], name="one_docket_a_pair_session_exercise")
        ]

    @property
    def subject(self) -> str:
        return f"docket:{self.pk}"


class StationState(models.Model):
    """The state of a station, keyed by docket and stage; a station that was never reached has no row."""

    docket = models.ForeignKey(Docket, on_delete=models.CASCADE, related_name="stations")
    stage = models.PositiveSmallIntegerField(default=1)
    station = models.CharField(max_length=10, choices=Station.choices)
    state = models.CharField(max_length=10, choices=State.choices)
    since = models.DateTimeField(default=clock.now)

    class Meta:
        constraints = [
            models.UniqueConstraint(fields=["docket", "stage", "station"], name="one_state_a_station"),
            models.CheckConstraint(condition=models.Q(station__in=Station.values), name="station_known"),
            models.CheckConstraint(condition=models.Q(state__in=State.values), name="state_known"),
        ]


class Attempt(models.Model):
    """Something handed in, kept as it was. `token` makes a hand-in that is sent twice be stored once."""

    docket = models.ForeignKey(Docket, on_delete=models.CASCADE, related_name="attempts")
    stage = models.PositiveSmallIntegerField(default=1)
    kind = models.CharField(max_length=10, choices=Kind.choices)
    number = models.PositiveIntegerField()
    text = models.TextField()
    token = models.CharField(max_length=64)
    by = models.ForeignKey(User, null=True, on_delete=models.SET_NULL)
    at = models.DateTimeField(default=clock.now)

    class Meta:
        constraints = [
            models.UniqueConstraint(fields=["docket", "stage", "kind", "number"], name="attempt_number_once"),
            models.UniqueConstraint(fields=["docket", "token"], name="hand_in_stored_once"),
        ]
        ordering = ["number"]


class Judgement(models.Model):
    """What the rules said of an attempt, with the rules that said it and the values it was judged with."""

    attempt = models.ForeignKey(Attempt, on_delete=models.CASCADE, related_name="judgements")
    rules_version = models.CharField(max_length=20)
    at = models.DateTimeField(default=clock.now)
    findings = models.JSONField()
    result = models.JSONField()

    class Meta:
        ordering = ["id"]


class Measurement(models.Model):
    """A value measured on the bench; the last one of a name counts.

    `rail`, `internal` or `aref` in volts, a resistor's reference (`R1`) in ohms, a figure of a sensor (`U1.r10`), or
    `step:NAME` for a stimulus (`step:NAME|U1.percent` for a further quantity of the step).
    """

    docket = models.ForeignKey(Docket, on_delete=models.CASCADE, related_name="measurements")
    name = models.CharField(max_length=80)
    value = models.FloatField()
    unit = models.CharField(max_length=12)
    instrument = models.CharField(max_length=80, blank=True)
    by = models.ForeignKey(User, null=True, on_delete=models.SET_NULL)
    at = models.DateTimeField(default=clock.now)

    class Meta:
        ordering = ["id"]


class Decision(models.Model):
    """What a person decided at a station, about which attempt, and why."""

    docket = models.ForeignKey(Docket, on_delete=models.CASCADE, related_name="decisions")
    stage = models.PositiveSmallIntegerField(default=1)
    station = models.CharField(max_length=10, choices=Station.choices)
    what = models.CharField(max_length=20)
    reason = models.TextField(blank=True)
    attempt = models.ForeignKey(Attempt, null=True, on_delete=models.PROTECT)
    by = models.ForeignKey(User, null=True, on_delete=models.SET_NULL)
    at = models.DateTimeField(default=clock.now)

    class Meta:
        ordering = ["id"]


class Clearance(models.Model):
    """A person's decision that a pair may switch on: for one wiring attempt and one kit issue."""

    docket = models.ForeignKey(Docket, on_delete=models.CASCADE, related_name="clearances")
    stage = models.PositiveSmallIntegerField(default=1)
    wiring = models.ForeignKey(Attempt, on_delete=models.PROTECT)
    kit_issue = models.ForeignKey(KitIssue, on_delete=models.PROTECT)
    compared = models.BooleanField()  # "I compared supply, ground and polarity with the real bench"
    overruled = models.JSONField(default=list)  # slugs of Stop findings overruled, with the reason below
    reason = models.TextField(blank=True)
    by = models.ForeignKey(User, null=True, on_delete=models.SET_NULL)
    at = models.DateTimeField(default=clock.now)
    voided_at = models.DateTimeField(null=True, blank=True)
    void_reason = models.CharField(max_length=200, blank=True)

    class Meta:
        constraints = [
            models.CheckConstraint(condition=models.Q(compared=True), name="cleared_only_when_compared"),
            models.UniqueConstraint(
                fields=["docket", "stage"], condition=models.Q(voided_at__isnull=True), name="one_standing_clearance"
            ),
        ]
        ordering = ["id"]
