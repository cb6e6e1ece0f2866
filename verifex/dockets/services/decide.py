"""What a person decides: pass, send back, clear for power, reopen, claim."""

from django.db import transaction

from verifex.dockets.bench import DocketBench
from verifex.dockets.judge import judge
from verifex.dockets.models import Attempt, Clearance, Decision, Docket, Kind, State, Station
from verifex.dockets.services.act import begin, finish
from verifex.dockets.services.voiding import void_clearance
from verifex.dockets.stations import reach, set_state, state_of
from verifex.people.access import Refused, require_instructor, require_staff, role_in
from verifex.people.models import Staff, User

#: Stop findings that nobody can overrule: dangerous voltage.
NEVER_OVERRULED = ("dangerous-voltage",)
HANDED_IN = {Station.WIRING: Kind.WIRING, Station.PROGRAM: Kind.PROGRAM, Station.READINGS: Kind.READINGS}


def _attempt_at(docket: Docket, station: str) -> Attempt | None:
    kind = HANDED_IN.get(Station(station))
    return docket.attempts.filter(kind=kind).order_by("-number").first() if kind else None


def _decide(actor: User, docket: Docket, station: str, what: str, reason: str = "") -> None:
    Decision.objects.create(
        docket=docket, station=station, what=what, reason=reason, attempt=_attempt_at(docket, station), by=actor
    )
    if docket.claimed_by_id == actor.pk:
        docket.claimed_by = None
    finish(docket, actor, f"{what} {station}", reason=reason)


@transaction.atomic
def pass_station(actor: User, docket_id: int, station: str, *, based_on: int | None, reason: str = "") -> None:
    """Pass wiring, program or readings. Power has its own decision; marks pass at the Mark station."""
    docket = begin(docket_id, based_on)
    require_instructor(actor, docket.session.section)
    if station == Station.POWER:
        raise Refused("Power is cleared, not passed.")
    if station in HANDED_IN and _attempt_at(docket, station) is None:
        raise Refused("Nothing was handed in here yet.")
    if state_of(docket, station) in (None, State.PASSED):
        raise Refused("This station is not open.")
    set_state(docket, station, State.PASSED)
    for following in {"wiring": ["power"], "program": ["readings"], "readings": ["mark"]}.get(station, []):
        reach(docket, following)
    if station == Station.READINGS:
        set_state(docket, Station.MARK, State.ASKS)
    _decide(actor, docket, station, "passed", reason)


@transaction.atomic
def send_back(actor: User, docket_id: int, station: str, *, based_on: int | None, reason: str = "") -> None:
    """Send a station back to the pair; the hints of its findings go with it."""
    docket = begin(docket_id, based_on)
    require_instructor(actor, docket.session.section)
    if state_of(docket, station) not in (State.ASKS, State.WORKING):
        raise Refused("There is nothing to send back here.")
    set_state(docket, station, State.SENT_BACK)
    _decide(actor, docket, station, "sent back", reason)


@transaction.atomic
def clear_power(
    actor: User, docket_id: int, *, based_on: int | None, wiring_attempt: int, compared: bool, overrule_reason: str = ""
) -> Clearance:
    """Clear a pair for power: for the wiring attempt that was looked at, and the kit the pair has.

    Refused without the tick "I compared supply, ground and polarity with the real bench", without a kit,
    for a wiring that is not the last, and while a Stop is open; an instructor overrules a Stop with a
    reason, but never one about dangerous voltage.
    """
    docket = begin(docket_id, based_on)
    require_staff(actor, docket.session.section)
    bench = DocketBench(docket)
    attempt, issue = bench.last(Kind.WIRING), bench.kit_issue()
    if attempt is None:
        raise Refused("No wiring was handed in, so there is nothing to clear.")
    if attempt.number != wiring_attempt:
        raise Refused(f"The pair has handed in attempt {attempt.number} meanwhile; look at that one.")
    if issue is None or issue.returned_at is not None:
        raise Refused("The pair has no kit now.")
    if not compared:
        raise Refused("Compare supply, ground and polarity with the real bench first, and tick that you did.")
    # The rules of now decide, with the supply and substitutions of now.
    judgement = judge(attempt)
    stops = [f for f in judgement.findings if f["severity"] == "stop"]
    if stops:
        if role_in(actor, docket.session.section) != Staff.Role.INSTRUCTOR:
            raise Refused(f"A Stop is open: {stops[0]['seen']} Only an instructor can overrule it.")
        if any(f["rule"] in NEVER_OVERRULED for f in stops):
            raise Refused("A Stop about dangerous voltage cannot be overruled.")
        if not overrule_reason.strip():
            raise Refused(f"A Stop is open: {stops[0]['seen']} To overrule it, give the reason.")
    void_clearance(docket, "cleared anew")
    clearance = Clearance.objects.create(
        docket=docket,
        wiring=attempt,
        kit_issue=issue,
        compared=True,
        overruled=[f["rule"] for f in stops],
        reason=overrule_reason.strip(),
        by=actor,
    )
    set_state(docket, Station.WIRING, State.PASSED)
    set_state(docket, Station.POWER, State.PASSED)
    reach(docket, Station.PROGRAM)
    _decide(actor, docket, Station.POWER, "cleared" if not stops else "overruled", overrule_reason.strip())
    return clearance


@transaction.atomic
def reopen(actor: User, docket_id: int, station: str, *, based_on: int | None, reason: str) -> None:
    """Open a passed station again. Reopening power or wiring voids the clearance."""
    docket = begin(docket_id, based_on)
    require_instructor(actor, docket.session.section)
    if not reason.strip():
        raise Refused("Say why it is reopened.")
    if state_of(docket, station) != State.PASSED:
        raise Refused("Only a passed station can be reopened.")
    if station in (Station.WIRING, Station.POWER):
        void_clearance(docket, f"{station} was reopened")
    set_state(docket, station, State.WORKING)
    _decide(actor, docket, station, "reopened", reason.strip())


@transaction.atomic
def claim(actor: User, docket_id: int, *, release: bool = False) -> None:
    """Say "I go there", so that two do not meet at one bench; or give it back."""
    docket = begin(docket_id, None)
    require_staff(actor, docket.session.section)
    if not release and docket.claimed_by_id not in (None, actor.pk):
        assert docket.claimed_by is not None
        raise Refused(f"{docket.claimed_by.get_full_name()} is on the way there already.")
    docket.claimed_by = None if release else actor
    finish(docket, actor, "gave the visit back" if release else "is on the way")
