"""What a person decides: pass, send back, clear for power, reopen, claim; and taking a decision back for a while."""

from datetime import timedelta
from typing import Any

from django.db import transaction

from verifex.acts import clock
from verifex.acts.refusals import NotAllowed
from verifex.core.hand_ins import HANDED_IN_AT, HandIn
from verifex.dockets.act import begin, enter, finish
from verifex.dockets.inputs import DocketInputs
from verifex.dockets.judgements import newest, walk_of
from verifex.dockets.judging import bring_up_to_date, is_current
from verifex.dockets.models import Act, Attempt, Clearance, Decision, Docket, State, Station
from verifex.dockets.refusals import (
    AlreadyClaimed,
    BenchNotCompared,
    DangerousVoltageHolds,
    MarkingIsClosedNotPassed,
    MeterWalkDiffers,
    MeterWalkUnfinished,
    NewerWiringAttempt,
    NothingHandedIn,
    NothingToTakeBack,
    NoWiringToClear,
    PairHasNoKit,
    PowerIsCleared,
    ReopeningNeedsReason,
    ReopenWithMarks,
    StillBeingJudged,
    StopHolds,
    StopNeedsReason,
)
from verifex.dockets.session_rules import refuse_while_paused
from verifex.dockets.stations import reach, set_state, snapshot, state_of
from verifex.dockets.transitions import DocketAct
from verifex.dockets.voiding import void_clearance
from verifex.people.access import require_instructor, require_staff, role_in
from verifex.people.models import Staff, User

#: Stop findings that nobody can overrule: dangerous voltage.
NEVER_OVERRULED = ("dangerous-voltage",)
UNDO_FOR = timedelta(minutes=15)
#: How the event log says that an act was done.
PAST_TENSE = {Act.PASS: "passed", Act.SEND_BACK: "sent back", Act.CLEAR: "cleared", Act.REOPEN: "reopened"}


def _decide(
    actor: User,
    docket: Docket,
    station: str,
    act: Act,
    reason: str = "",
    *,
    before: dict[str, Any],
    overruled: list[str] | None = None,
) -> None:
    kind = HANDED_IN_AT.get(Station(station))
    attempt = docket.attempts.filter(kind=kind).order_by("-number").first() if kind else None
    Decision.objects.create(
        docket=docket,
        station=station,
        act=act,
        reason=reason,
        attempt=attempt,
        overruled=overruled or [],
        before=before,
        after=snapshot(docket),
        by=actor,
    )
    if docket.claimed_by_id == actor.pk:
        docket.claimed_by = None
    finish(docket, actor, f"{PAST_TENSE[act]} {station}{' over a Stop' if overruled else ''}", reason=reason)


def _stops(inputs: DocketInputs, station: str) -> list[dict[str, Any]]:
    """The open Stops of what was last handed in. Refused while that is not judged yet."""
    kind = HANDED_IN_AT[Station(station)]
    if not is_current(inputs, kind):
        raise StillBeingJudged()
    judgement = newest(inputs.docket, kind)
    findings = judgement.record.get("findings", []) if judgement else []
    return [finding for finding in findings if finding["severity"] == "stop"]


def _unchecked(docket: Docket) -> list[dict[str, Any]]:
    """What of the wiring we could not check: nobody knows whether there is a Stop in it, so it holds power as one would."""
    judgement = newest(docket, HandIn.WIRING)
    findings = judgement.record.get("findings", []) if judgement else []
    return [finding for finding in findings if finding.get("unchecked")]


def _require_overrule(actor: User, docket: Docket, stops: list[dict[str, Any]], reason: str) -> None:
    """A Stop is passed over by an instructor only, with a reason, and never one about dangerous voltage."""
    if not stops:
        return
    if role_in(actor, docket.session.section) != Staff.Role.INSTRUCTOR:
        raise StopHolds(_held_by(stops[0]))
    if any(finding["rule"] in NEVER_OVERRULED for finding in stops):
        raise DangerousVoltageHolds()
    if not reason.strip():
        raise StopNeedsReason(_held_by(stops[0]))


def _held_by(finding: dict[str, Any]) -> str:
    return finding["seen"] if finding.get("unchecked") else f"A Stop is open: {finding['seen']}"


@transaction.atomic
def pass_station(
    actor: User, docket_id: int, station: str, *, based_on: int | None, reason: str = "", overrule_reason: str = ""
) -> None:
    """Pass wiring, program or readings. Power is cleared, and marking is closed: those are decisions of their own.

    With a Stop open it is an overrule, which needs its reason.
    """
    docket = begin(docket_id, based_on)
    if station == Station.POWER:
        raise PowerIsCleared()
    if station == Station.MARK:
        raise MarkingIsClosedNotPassed()
    entry, before = enter(actor, docket, DocketAct.PASS, station), snapshot(docket)
    inputs = DocketInputs(docket)
    if HANDED_IN_AT[Station(station)] not in inputs.attempts:
        raise NothingHandedIn()
    stops = _stops(inputs, station)
    _require_overrule(actor, docket, stops, overrule_reason)
    set_state(docket, station, State.PASSED)
    for following in entry.opens:
        reach(docket, following)
    if station == Station.READINGS:
        set_state(docket, Station.MARK, State.ASKS)
    said = overrule_reason.strip() if stops else reason
    slugs = [finding["rule"] for finding in stops]
    _decide(actor, docket, station, Act.PASS, said, before=before, overruled=slugs)


@transaction.atomic
def pass_clean(actor: User, docket_id: int, *, based_on: int) -> list[str]:
    """Pass whatever asks at this docket and has nothing to look at; returns the stations that were passed."""
    docket = begin(docket_id, based_on)
    require_instructor(actor, docket.session.section)
    passed = []
    for station, kind in HANDED_IN_AT.items():
        judgement = newest(docket, kind)
        if state_of(docket, station) == State.ASKS and judgement and judgement.summed.is_clean:
            pass_station(actor, docket_id, station, based_on=None)
            passed.append(station)
    return passed


@transaction.atomic
def send_back(actor: User, docket_id: int, station: str, *, based_on: int | None, reason: str = "") -> None:
    """Send a station back to the pair; the hints of its findings go with it."""
    docket = begin(docket_id, based_on)
    enter(actor, docket, DocketAct.SEND_BACK, station)
    before = snapshot(docket)
    set_state(docket, station, State.SENT_BACK)
    _decide(actor, docket, station, Act.SEND_BACK, reason, before=before)


def clear_power(
    actor: User, docket_id: int, *, based_on: int | None, wiring_attempt: int, compared: bool, overrule_reason: str = ""
) -> Clearance:
    """Clear a pair for power: for the wiring attempt that was looked at, and the kit the pair has.

    Refused without the tick "I compared supply, ground and polarity with the real bench", without a kit,
    for a wiring that is not the last, and while a Stop is open; an instructor overrules a Stop with a
    reason, but never one about dangerous voltage. The rules of now decide, with the supply and what was handed out now.
    """
    require_staff(actor, begin(docket_id, None).session.section)
    bring_up_to_date(docket_id, HandIn.WIRING)
    return _clear(actor, docket_id, based_on, wiring_attempt, compared, overrule_reason)


def _refuse_unwalked(docket: Docket, overrule_reason: str) -> list[str]:
    """Where the exercise asks for the meter walk, each of its measurements is there and reads as it should, or a reason is
    given; what was passed over is named."""
    walk = walk_of(docket) if docket.version.file.meter_walk == "required" else None
    measured = {row.name: row.value for row in docket.measurements.all()}
    steps = walk.steps if walk else ()
    missing = [step for step in steps if step.name not in measured]
    differing = [step for step in steps if step.fits(measured.get(step.name)) is False]
    if not missing and not differing:
        return []
    if overrule_reason.strip():
        return ["meter-walk"]
    if differing:
        step = differing[0]
        raise MeterWalkDiffers(step.text, measured[step.name], step.unit, step.should)
    count = "One measurement" if len(missing) == 1 else f"{len(missing)} measurements"
    raise MeterWalkUnfinished(count)


@transaction.atomic
def _clear(
    actor: User, docket_id: int, based_on: int | None, wiring_attempt: int, compared: bool, overrule_reason: str
) -> Clearance:
    docket = begin(docket_id, based_on)
    refuse_while_paused(docket.session)
    entry, before = enter(actor, docket, DocketAct.CLEAR, Station.POWER), snapshot(docket)
    inputs = DocketInputs(docket)
    attempt: Attempt | None = inputs.attempts.get(HandIn.WIRING)
    issue = inputs.kit_issue
    if attempt is None:
        raise NoWiringToClear()
    if attempt.number != wiring_attempt:
        raise NewerWiringAttempt(attempt.number)
    if issue is None or issue.returned_at is not None:
        raise PairHasNoKit()
    if not compared:
        raise BenchNotCompared()
    stops = [*_stops(inputs, Station.WIRING), *_unchecked(docket)]
    _require_overrule(actor, docket, stops, overrule_reason)
    unwalked = _refuse_unwalked(docket, overrule_reason)
    void_clearance(docket, "cleared anew")
    slugs = [*(finding["rule"] for finding in stops), *unwalked]
    clearance = Clearance.objects.create(
        docket=docket,
        wiring=attempt,
        kit_issue=issue,
        compared=True,
        overruled=slugs,
        reason=overrule_reason.strip(),
        by=actor,
    )
    set_state(docket, Station.WIRING, State.PASSED)
    set_state(docket, Station.POWER, entry.after or State.PASSED)
    for following in entry.opens:
        reach(docket, following)
    _decide(actor, docket, Station.POWER, Act.CLEAR, overrule_reason.strip(), before=before, overruled=slugs)
    return clearance


@transaction.atomic
def reopen(actor: User, docket_id: int, station: str, *, based_on: int | None, reason: str) -> None:
    """Open a passed station again. Reopening power or wiring voids the clearance."""
    docket = begin(docket_id, based_on)
    if station == Station.MARK:
        raise ReopenWithMarks()
    entry, before = enter(actor, docket, DocketAct.REOPEN, station), snapshot(docket)
    if not reason.strip():
        raise ReopeningNeedsReason()
    if station in (Station.WIRING, Station.POWER):
        void_clearance(docket, f"{station} was reopened")
    set_state(docket, station, entry.after or State.WORKING)
    _decide(actor, docket, station, Act.REOPEN, reason.strip(), before=before)


def undoable(docket: Docket) -> Decision | None:
    """The last decision, while it can still be taken back: it is fresh, and nothing has happened at its stations since."""
    last = docket.decisions.order_by("-id").first()
    if last is None or last.undone_at or clock.now() - last.at > UNDO_FOR:
        return None
    return last if last.after and snapshot(docket) == last.after else None


@transaction.atomic
def undo(actor: User, docket_id: int, *, based_on: int | None) -> None:
    """Take the last decision back: the stations are as they were. A clearance that it gave is void, one it voided stays
    void, since what was on the bench meanwhile is not known."""
    docket = begin(docket_id, based_on)
    role = require_staff(actor, docket.session.section)
    last = undoable(docket)
    if last is None:
        raise NothingToTakeBack()
    if role != Staff.Role.INSTRUCTOR and last.by_id != actor.pk:
        raise NotAllowed("Only an instructor may take back another person's decision.")
    if last.after.get("clearance") != last.before.get("clearance"):
        void_clearance(docket, "the clearance was taken back")
    for station in Station:
        before = last.before.get(station.value)
        if before is None:
            docket.stations.filter(station=station).delete()
        else:
            set_state(docket, station, before)
    last.undone_at = clock.now()
    last.save(update_fields=["undone_at"])
    finish(docket, actor, f"took back: {PAST_TENSE[Act(last.act)]} {last.station}")


@transaction.atomic
def claim(actor: User, docket_id: int, *, release: bool = False) -> None:
    """Say "I go there", so that two do not meet at one bench; or give it back."""
    docket = begin(docket_id, None)
    require_staff(actor, docket.session.section)
    if not release and docket.claimed_by_id not in (None, actor.pk):
        assert docket.claimed_by is not None
        raise AlreadyClaimed(docket.claimed_by.get_full_name())
    docket.claimed_by = None if release else actor
    finish(docket, actor, "gave the visit back" if release else "is on the way")
