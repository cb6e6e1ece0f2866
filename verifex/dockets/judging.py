"""Judging what was handed in: outside the write, in a worker process, kept by a short write that checks nothing moved meanwhile."""

import logging
import os
from dataclasses import dataclass
from datetime import timedelta

from django.db import transaction

from verifex.acts import clock
from verifex.core.assess import (
    JudgedWith,
    ProgramRecord,
    ReadingsRecord,
    StationRecord,
    assess_station,
    overrun_record,
    summary_of,
)
from verifex.core.assess.judged_with import catalogue_digest
from verifex.core.hand_ins import HAND_INS, HandIn
from verifex.core.problems import UnusableInput
from verifex.core.rulebook import RULES_VERSION
from verifex.dockets.act import find, finish
from verifex.dockets.inputs import DocketInputs
from verifex.dockets.models import (
    Attempt,
    BenchSheets,
    Docket,
    Judgement,
    SharedReadings,
    State,
    Station,
    StationState,
)
from verifex.dockets.stations import state_of
from verifex.dockets.voiding import void_clearance
from verifex.exercises.present import readings_json
from verifex.work import outdated, queue
from verifex.work.pool import Limit, OverLimit, compute

logger = logging.getLogger(__name__)
JUDGE = "judge"
SHEETS = "sheets"
#: What the check of each hand-in, and the making of the bench's sheets, may use.
LIMITS = {SHEETS: Limit(4)} | {
    hand_in: Limit(facts.check_seconds, facts.check_bytes) for hand_in, facts in HAND_INS.items()
}
#: Hand-ins that each of them reads.
HAND_INS_CHECKED = {SHEETS: (HandIn.WIRING,)} | {hand_in: facts.check_reads for hand_in, facts in HAND_INS.items()}
#: What could not be finished is tried again after as long as it has waited, within these bounds, and with more time: nobody
#: waits for it any more. After a day it is left to "check again".
RETRY = "judge-again"
RETRY_NOW = "judge-again-now"  # a person asked for it
SOONEST, LATEST, LAST = timedelta(minutes=1), timedelta(hours=1), timedelta(days=1)
RETRY_TIMES = 3
BUSY_AT = 1.5  # runnable processes a core: then a retry waits for a quieter moment
MOST_PASSES = 5  # so that hand-ins in quick succession do not keep one thread for good; the rest is queued again


@dataclass(frozen=True, slots=True)
class Judged:
    """A station's record, with what it was judged with."""

    station: str
    record: StationRecord
    judged_with: JudgedWith


def ask_for_judgement(docket: Docket) -> None:
    """Queue a docket inside the transaction that changed something a judgement depends on; `queue.run_pending` after it."""
    if docket.judging_since is None or docket.judging_failed_at is not None:
        docket.judging_since, docket.judging_failed_at = clock.now(), None
        docket.save(update_fields=["judging_since", "judging_failed_at"])
    queue.put(JUDGE, docket.pk)


@queue.handles(JUDGE, about=Docket)
def judge_docket(docket_id: int) -> None:
    """Judge every station of a docket whose judgement does not hold any more. A closed docket stays as it is."""
    for _ in range(MOST_PASSES):
        stale = _stale(docket_id)
        if not stale:
            break
        for station in stale:
            keep(docket_id, _judge(docket_id, station))
    else:
        queue.put(JUDGE, docket_id)
        return
    _settle(docket_id)


@queue.when_failed(JUDGE)
def judging_failed(docket_id: int) -> None:
    """The judging of a docket broke off again and again: staff see that, and can have it judged again."""
    with transaction.atomic():
        docket = find(docket_id)
        docket.judging_since, docket.judging_failed_at = None, clock.now()
        docket.save(update_fields=["judging_since", "judging_failed_at"])
        finish(docket, None, "could not be judged")


@queue.handles(RETRY, about=Docket)
def judge_again(docket_id: int) -> None:
    """Check once more what of a docket could not be finished, when the machine is quiet enough for it."""
    if _unfinished(docket_id) and os.getloadavg()[0] > BUSY_AT * (os.cpu_count() or 1):
        queue.put(RETRY, docket_id, after=SOONEST)
        return
    judge_again_now(docket_id)


@queue.handles(RETRY_NOW, about=Docket)
def judge_again_now(docket_id: int) -> None:
    """Check once more what of a docket could not be finished, and what was judged without it; however busy the machine is."""
    done: set[str] = set()
    for station in _unfinished(docket_id):
        judged = _judge(docket_id, station, times=RETRY_TIMES)
        if not judged.record.overrun and keep(docket_id, judged, again=True):
            done.add(station)
    inputs = DocketInputs(find(docket_id))
    for station, reads in HAND_INS_CHECKED.items():
        if station not in done and done & set(reads) and (station == SHEETS or station in inputs.attempts):
            keep(docket_id, _judge(docket_id, str(station)), again=True)
    _schedule_retry(docket_id)


def _unfinished(docket_id: int) -> list[str]:
    """The stations whose last judgement says that their check was not finished."""
    docket = find(docket_id)
    if state_of(docket, Station.MARK) == State.PASSED:
        return []
    found = [SHEETS] if BenchSheets.objects.filter(docket=docket, record__overrun__gt="").exists() else []
    for kind in HandIn:
        kept = Judgement.objects.filter(docket=docket, kind=kind).order_by("-id")
        if kept.values_list("summary__overrun", flat=True).first():
            found.append(kind.value)
    return found


def _schedule_retry(docket_id: int) -> None:
    """Ask for another try at what is not finished, the later the longer it has waited; nothing after a day."""
    if not _unfinished(docket_id):
        return
    first = Judgement.objects.filter(docket=docket_id).exclude(summary__overrun="").order_by("-id").first()
    waited = clock.now() - first.at if first else timedelta(0)
    if waited < LAST:
        queue.put(RETRY, docket_id, after=min(LATEST, max(SOONEST, waited)))


def check_again(docket_id: int) -> None:
    """Have what was not finished, or failed, checked now: a person asks for it. Call it inside a write."""
    docket = find(docket_id)
    if docket.judging_failed_at is not None or _stale(docket_id):
        ask_for_judgement(docket)
    if _unfinished(docket_id):
        queue.put(RETRY_NOW, docket_id)


def bring_up_to_date(docket_id: int, station: str) -> None:
    """Judge one station now, where its judgement does not hold any more; waits for the answer, within the limits."""
    docket = find(docket_id)
    if state_of(docket, Station.MARK) != State.PASSED and not is_current(DocketInputs(docket), str(station)):
        keep(docket_id, _judge(docket_id, str(station)))


def is_current(inputs: DocketInputs, station: str) -> bool:
    """Whether the standing judgement of a station is of the last attempt, and was judged with what there is now."""
    attempt = inputs.attempts.get(station)
    now = (inputs.judged_with(station).digest, attempt.pk if attempt and station != SHEETS else None)
    return _kept(inputs.docket, station) == now


def is_settled(docket: Docket) -> bool:
    """Whether every hand-in of a docket is judged with what there is now."""
    return not _stale(docket.pk)


def _kept(docket: Docket, station: str) -> tuple[str, int | None] | None:
    """The digest of the standing judgement, and the attempt it is of."""
    if station == SHEETS:
        digest = BenchSheets.objects.filter(docket=docket).values_list("digest", flat=True).first()
        return (digest, None) if digest is not None else None
    kept = Judgement.objects.filter(docket=docket, kind=station).order_by("-id")
    return kept.values_list("digest", "attempt").first()


def _stale(docket_id: int) -> list[str]:
    docket = find(docket_id)
    if state_of(docket, Station.MARK) == State.PASSED:
        return []
    inputs = DocketInputs(docket)
    # Plain words: a worker knows nothing of this site's own kinds.
    stations = [SHEETS, *(kind.value for kind in HandIn if kind in inputs.attempts)]
    return [station for station in stations if not is_current(inputs, station)]


def _judge(docket_id: int, station: str, *, times: int = 1) -> Judged:
    """What the core says of a station now, within so many times its limit; over it, the record says so."""
    inputs = DocketInputs(find(docket_id))
    with_ = inputs.judged_with(station)
    if (same := _judged_before(inputs.docket, station, with_.digest)) is not None:
        return Judged(station, same, with_)
    others = inputs.other_logs() if station == HandIn.READINGS else []
    kinds = [kind for kind in HAND_INS_CHECKED[station] if kind == station or not _overran(inputs, kind)]
    case = inputs.case(kinds, others=others)
    try:
        record = compute(assess_station, case, station, limit=LIMITS[station].times(times))
    except OverLimit as over:
        record = overrun_record(station, over.reason)
    except UnusableInput:
        # Its lines were read when it was handed in; what turns up now is for a person's eyes.
        record = overrun_record(station, "failed")
    except Exception:
        logger.exception("judging %s of docket %s failed", station, docket_id)
        record = overrun_record(station, "failed")
    return Judged(station, record, with_)


def _judged_before(docket: Docket, station: str, digest: str) -> StationRecord | None:
    """The record of an attempt that was judged to its end with the very same: a text that is handed in again."""
    same = Judgement.objects.filter(docket=docket, kind=station, digest=digest).order_by("-id")
    return next((one.typed(StationRecord) for one in same if not one.summary.get("overrun")), None)


def _overran(inputs: DocketInputs, kind: str) -> bool:
    """Whether the check of another hand-in came to its limit: then it is left out, or this one would as well."""
    kept = Judgement.objects.filter(docket=inputs.docket, kind=kind, digest=inputs.judged_with(kind).digest)
    return bool(kept.values_list("summary__overrun", flat=True).first())


@transaction.atomic
def keep(docket_id: int, judged: Judged, *, again: bool = False) -> bool:
    """Keep a record if what it was judged with is still what there is; returns whether it was kept. `again` takes it in place
    of one that was judged with the very same."""
    docket = find(docket_id)
    inputs = DocketInputs(docket)
    if inputs.judged_with(judged.station).digest != judged.judged_with.digest:
        return False
    if not again and is_current(inputs, judged.station):
        return False
    if not [station for station in _stale(docket_id) if station != judged.station]:
        docket.judging_since = docket.judging_failed_at = None
    if judged.record.overrun and not again:
        queue.put(RETRY, docket_id, after=SOONEST)
    if judged.station == SHEETS:
        values = {
            "digest": judged.judged_with.digest,
            "record": judged.record.model_dump(mode="json"),
            "at": clock.now(),
        }
        BenchSheets.objects.update_or_create(docket=docket, defaults=values)
        finish(docket, None, "worked out what the bench should read")
        return True
    attempt = inputs.attempts[judged.station]
    unit = next((reading.unit for reading in readings_json(inputs.exercise)), "")
    Judgement.objects.create(
        docket=docket,
        attempt=attempt,
        kind=judged.station,
        rules_version=judged.judged_with.rules,
        digest=judged.judged_with.digest,
        judged_with=judged.judged_with.model_dump(mode="json"),
        record=judged.record.model_dump(mode="json", exclude=set(judged.record.DETAILS)),
        details=judged.record.model_dump(mode="json", include=set(judged.record.DETAILS)),
        summary=summary_of(judged.record, unit, inputs.measured.rail_volts).model_dump(mode="json"),
    )
    if isinstance(judged.record, ProgramRecord):
        _void_on_new_stop(docket, judged.record)
    if isinstance(judged.record, ReadingsRecord):
        _remember_shared(attempt, judged.record)
    finish(docket, None, f"judged attempt {attempt.number} of the {judged.station}")
    return True


def _void_on_new_stop(docket: Docket, record: ProgramRecord) -> None:
    """A program that drives pins so that a Stop appears voids the clearance."""
    if record.new_stops:
        void_clearance(docket, f"the program drives pins so that: {record.new_stops[0].seen}", by_program=True)


def _remember_shared(attempt: Attempt, record: ReadingsRecord) -> None:
    """The same readings are something to look at on both benches."""
    for shared in record.shared:
        SharedReadings.objects.update_or_create(
            one=attempt, other_id=int(shared.other), defaults={"readings": shared.readings}
        )


@transaction.atomic
def _settle(docket_id: int) -> None:
    """Where there was nothing to judge after all, nobody waits for it any longer."""
    docket = find(docket_id)
    if docket.judging_since is not None:
        docket.judging_since = docket.judging_failed_at = None
        finish(docket, None, "had nothing to judge")


@outdated.when_changed("judgements", lambda: f"{RULES_VERSION} {catalogue_digest()[:16]}")
def judge_with_new_rules() -> int:
    """Ask for the judging of every open docket: its sheets and findings are of other rules or another catalogue."""
    closed = StationState.objects.filter(station=Station.MARK, state=State.PASSED).values("docket")
    open_ = Docket.objects.exclude(pk__in=closed).filter(attempts__isnull=False).distinct()
    for docket in open_:
        ask_for_judgement(docket)
    return len(open_)
