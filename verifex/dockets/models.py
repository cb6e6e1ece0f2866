"""A docket and all that is kept of it: station states, attempts, judgements, measurements, decisions, clearances."""

from typing import TypeVar

from django.db import models

from verifex.acts import clock
from verifex.core.assess import StationRecord, Summary, read_record, summary_of
from verifex.core.hand_ins import HandIn
from verifex.exercises.models import ExerciseVersion, MarkScheme
from verifex.people.models import Pair, User
from verifex.plan.models import Session
from verifex.stores.models import KitIssue

R = TypeVar("R", bound=StationRecord)


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


HAND_IN_CHOICES = [(hand_in.value, hand_in.value.title()) for hand_in in HandIn]


class Docket(models.Model):
    """One pair's run through one exercise. `revision` grows with every act; a stale act is refused.

    `judging_since` is set while something handed in waits for its judgement, `judging_failed_at` where judging was given up.
    """

    pair = models.ForeignKey(Pair, on_delete=models.PROTECT, related_name="dockets")
    session = models.ForeignKey(Session, on_delete=models.PROTECT, related_name="dockets")
    version = models.ForeignKey(ExerciseVersion, on_delete=models.PROTECT)
    scheme = models.ForeignKey(MarkScheme, on_delete=models.PROTECT)
    opened_at = models.DateTimeField(default=clock.now)
    revision = models.PositiveIntegerField(default=0)
    judging_since = models.DateTimeField(null=True, blank=True)
    judging_failed_at = models.DateTimeField(null=True, blank=True)
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
    kind = models.CharField(max_length=10, choices=HAND_IN_CHOICES)
    number = models.PositiveIntegerField()
    text = models.TextField()
    digest = models.CharField(max_length=64, default="")  # SHA-256 of the text
    size_bytes = models.PositiveIntegerField(default=0)
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
    """What the checks found in an attempt: a typed record of `verifex.core.assess`, with what it was judged with.

    `record` is what lists and marks need, `details` the rest of the same record (map, nets, run), `summary` what a card
    says. `digest` is that of `judged_with`: equal digests are judged once.
    """

    docket = models.ForeignKey(Docket, on_delete=models.CASCADE, related_name="judgements")
    attempt = models.ForeignKey(Attempt, on_delete=models.CASCADE, related_name="judgements")
    kind = models.CharField(max_length=10, choices=HAND_IN_CHOICES)
    rules_version = models.CharField(max_length=20)
    digest = models.CharField(max_length=64)
    judged_with = models.JSONField(default=dict)
    record = models.JSONField()
    details = models.JSONField(default=dict)
    summary = models.JSONField(default=dict)
    at = models.DateTimeField(default=clock.now)

    class Meta:
        ordering = ["id"]
        indexes = [models.Index(fields=["docket", "kind", "id"], name="newest_of_a_kind")]

    @property
    def summed(self) -> Summary:
        """The summary; worked out from the record where an old judgement has none."""
        return Summary.model_validate(self.summary) if self.summary else summary_of(read_record(self.record))

    def typed(self, kind: type[R]) -> R:
        """The record, without its details where those were not read. Raises TypeError for one of another kind."""
        details = {} if "details" in self.get_deferred_fields() else self.details
        record = read_record({**self.record, **details})
        if not isinstance(record, kind):
            raise TypeError(f"a {kind.__name__} was expected, not a {type(record).__name__}")
        return record


class BenchSheets(models.Model):
    """The expected sheets of a docket's bench as it is now; what they were made from is in `digest`."""

    docket = models.OneToOneField(Docket, on_delete=models.CASCADE, related_name="sheets")
    digest = models.CharField(max_length=64)
    record = models.JSONField()
    at = models.DateTimeField(default=clock.now)


class SharedReadings(models.Model):
    """So many readings in a row stand in two pairs' logs: something to look at on both benches."""

    one = models.ForeignKey(Attempt, on_delete=models.CASCADE, related_name="shared_with")
    other = models.ForeignKey(Attempt, on_delete=models.CASCADE, related_name="shared_by")
    readings = models.PositiveIntegerField()

    class Meta:
        constraints = [models.UniqueConstraint(fields=["one", "other"], name="shared_once")]


class OpenedHint(models.Model):
    """A step of a hint on the program that the pair opened: 2 the idea, 3 nearly the answer. It stays open for later attempts."""

    docket = models.ForeignKey(Docket, on_delete=models.CASCADE, related_name="opened_hints")
    rule = models.CharField(max_length=60)
    step = models.PositiveSmallIntegerField()
    by = models.ForeignKey(User, null=True, on_delete=models.SET_NULL)
    at = models.DateTimeField(default=clock.now)

    class Meta:
        constraints = [models.UniqueConstraint(fields=["docket", "rule", "step"], name="hint_step_opened_once")]
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


class Act(models.TextChoices):
    """An act of the table of transitions that is a person's decision."""

    PASS = "pass"
    SEND_BACK = "send-back"
    CLEAR = "clear"
    REOPEN = "reopen"


class Decision(models.Model):
    """What a person decided at a station, about which attempt, and why.

    `act` is the act of the table of transitions; `overruled` are the Stops it passed over; `before` and `after` are the
    states it changed, so that it can be taken back for a while; `undone_at` is when it was.
    """

    docket = models.ForeignKey(Docket, on_delete=models.CASCADE, related_name="decisions")
    stage = models.PositiveSmallIntegerField(default=1)
    station = models.CharField(max_length=10, choices=Station.choices)
    act = models.CharField(max_length=10, choices=Act.choices)
    reason = models.TextField(blank=True)
    attempt = models.ForeignKey(Attempt, null=True, on_delete=models.PROTECT)
    overruled = models.JSONField(default=list)
    before = models.JSONField(default=dict)
    after = models.JSONField(default=dict)
    undone_at = models.DateTimeField(null=True, blank=True)
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
    void_told = models.CharField(max_length=200, blank=True)  # what the pair is shown of it

    class Meta:
        constraints = [
            models.CheckConstraint(condition=models.Q(compared=True), name="cleared_only_when_compared"),
            models.UniqueConstraint(
                fields=["docket", "stage"], condition=models.Q(voided_at__isnull=True), name="one_standing_clearance"
            ),
        ]
        ordering = ["id"]
