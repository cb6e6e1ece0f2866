"""A docket as the API shows it to staff, from what is kept; nothing is judged here."""

from collections.abc import Mapping, Sequence
from typing import Any

from django.db.models import Max, Q
from django.db.models.functions import Substr
from django.http import HttpRequest

from verifex.core.assess import FindingRecord, PredictionRecord, ProgramRecord, ReadingsRecord, WiringRecord
from verifex.core.assess.records import MeasurableRecord
from verifex.dockets.act import find, situation
from verifex.dockets.inputs import kit_issue_of
from verifex.dockets.judgements import sheets_of
from verifex.dockets.models import (
    Attempt,
    Clearance,
    Decision,
    Docket,
    Judgement,
    Kind,
    SharedReadings,
    State,
    Station,
    StationState,
)
from verifex.dockets.services.decide import undoable
from verifex.dockets.stations import ORDER, current, states
from verifex.dockets.transitions import possible
from verifex.exercises.schemas import bench_out, finding_out
from verifex.exercises.views import exercise_json
from verifex.people.access import reader, require_staff
from verifex.people.models import User
from verifex.plan.models import Seat
from verifex.stores.models import KitIssue


def docket_for_staff(request: HttpRequest, docket_id: int) -> Docket:
    """A docket of a section whose staff the reader is. Raises NotAllowed for anyone else."""
    docket = find(docket_id)
    require_staff(reader(request), docket.session.section)
    return docket


def bench_number(docket: Docket) -> int | None:
    """The bench the pair sits at in this session, where it has a seat."""
    if hasattr(docket, "seat"):
        return docket.seat  # type: ignore[no-any-return]
    seats = Seat.objects.filter(session=docket.session_id, pair=docket.pair_id)
    return seats.values_list("bench", flat=True).first()


def docket_json(docket: Docket, by: User) -> dict[str, Any]:
    """Everything of a docket, for staff."""
    handed_in = HandedIn(docket)
    now = situation(by, docket)
    clearances = list(docket.clearances.select_related("wiring", "kit_issue__kit", "by").defer("wiring__text"))
    clearance = next((c for c in clearances if c.voided_at is None), None)
    rows = states(docket)
    sheets = sheets_of(docket)
    decision = undoable(docket)
    return {
        **common(docket, rows),
        "revision": docket.revision,
        "session": docket.session_id,
        "exercise": exercise_json(docket.version),
        "scheme": docket.scheme.number,
        "members": [{"id": m.user_id, "name": m.user.get_full_name()} for m in members(docket)],
        "kit": _kit(kit_issue_of(docket)),
        "claimed_by": docket.claimed_by.get_full_name() if docket.claimed_by else "",
        "may_overrule": now["role"] == "instructor",
        "acts": [{"act": t.act, "station": t.station.value, "needs_reason": t.needs_reason} for t in possible(**now)],
        "undo": _decision(decision) if decision else None,
        "wiring": _wiring(handed_in),
        "program": _program(handed_in),
        "readings": _readings(handed_in),
        "clearance": _clearance(clearance) if clearance else None,
        "voided": voided.void_reason if (voided := last_voided(rows, clearances)) else "",
        "measurements": measurements(docket),
        "measurables": [measurable(m, told=True) for m in sheets.measurables if m.offered] if sheets else [],
        "prediction": prediction_json(handed_in),
        "decisions": [_decision(d) for d in docket.decisions.select_related("by")],
    }


MOST_SHOWN = 60_000  # letters of a log that a screen is sent; all of it is kept


class HandedIn:
    """The last attempt of each kind of a docket, with its newest judgement (None while it is being judged)."""

    def __init__(self, docket: Docket) -> None:
        self.docket = docket
        last = docket.attempts.order_by().values("kind").annotate(last=Max("pk")).values("last")
        attempts = Attempt.objects.filter(pk__in=last).select_related("by").defer("text")
        self.attempts: dict[str, Attempt] = {
            attempt.kind: attempt for attempt in attempts.annotate(beginning=Substr("text", 1, MOST_SHOWN))
        }
        newest = Judgement.objects.filter(docket=docket).order_by().values("attempt").annotate(last=Max("pk"))
        kept = Judgement.objects.filter(pk__in=newest.values("last"), attempt__in=last).defer("judged_with")
        self.judgements: dict[str, Judgement] = {judgement.kind: judgement for judgement in kept}

    def attempt(self, kind: str) -> dict[str, Any] | None:
        """What every hand-in has, for staff; None where there is none."""
        attempt, judgement = self.attempts.get(kind), self.judgements.get(kind)
        if attempt is None:
            return None
        return {
            "number": attempt.number,
            "text": shown_text(attempt),
            "by": name_of(attempt.by),
            "at": attempt.at,
            "cut": attempt.size_bytes > MOST_SHOWN,
            "judged": judgement is not None,
            "rules_version": judgement.rules_version if judgement else "",
            "findings": [] if judgement is None else [as_finding(f) for f in judgement.record.get("findings", [])],
        }


def shown_text(attempt: Attempt) -> str:
    """The text as handed in; of a very long log its beginning, and a line that says so."""
    beginning: str = attempt.beginning  # type: ignore[attr-defined]  # annotated by HandedIn
    if attempt.size_bytes <= MOST_SHOWN:
        return beginning
    return f"{beginning}\n… {attempt.size_bytes // 1024} kB in all; the rest is kept and was judged.\n"


def as_finding(data: dict[str, Any]) -> dict[str, Any]:
    return finding_out(FindingRecord.model_validate(data).finding().as_json())


def _wiring(handed_in: HandedIn) -> dict[str, Any] | None:
    common_, judgement = handed_in.attempt(Kind.WIRING), handed_in.judgements.get(Kind.WIRING)
    if common_ is None or judgement is None:
        return common_
    record = judgement.typed(WiringRecord)
    return {
        **common_,
        "bench": bench_out(record.bench) if record.bench else None,
        "nets": list(record.nets),
        "changes": None if record.changes is None else [change.model_dump() for change in record.changes],
    }


def _program(handed_in: HandedIn) -> dict[str, Any] | None:
    common_, judgement = handed_in.attempt(Kind.PROGRAM), handed_in.judgements.get(Kind.PROGRAM)
    if common_ is None or judgement is None:
        return common_
    record = judgement.typed(ProgramRecord)
    return {
        **common_,
        "compiles": record.compiles,
        "runnable": record.runnable,
        "not_run": record.not_run,
        "dialect": record.dialect,
        "checklist": [check.model_dump() for check in record.checklist],
        "trace": _trace(record.trace) if record.trace else None,
        "behaviour": record.behaviour,
    }


TRACE_COLUMNS = {
    "lines": ("ms", "text"),
    "indicators": ("ms", "ref", "on"),
    "samples": ("ms", "pin", "stimulus", "count"),
    "displays": ("ms", "name", "rows"),
}


def _trace(trace: Mapping[str, Any]) -> dict[str, Any]:
    """The trace with its columns named; it is kept as rows."""
    named = {
        key: [dict(zip(names, row, strict=True)) for row in trace.get(key, [])] for key, names in TRACE_COLUMNS.items()
    }
    return {**trace, **named}


def _readings(handed_in: HandedIn) -> dict[str, Any] | None:
    common_, judgement = handed_in.attempt(Kind.READINGS), handed_in.judgements.get(Kind.READINGS)
    if common_ is None or judgement is None:
        return common_
    record = judgement.typed(ReadingsRecord)
    shared = shared_with(handed_in.attempts[Kind.READINGS])
    findings = [f for f in common_["findings"] if f["rule"] != "same-noise"]
    return {
        **common_,
        "findings": [*[_shared_finding(row) for row in shared], *findings],
        "steps": [step.model_dump() for step in record.steps],
        "verdict": record.verdict,
        "diagnosis": [explanation.model_dump() for explanation in record.diagnosis],
        "notes": list(record.notes),
        "intended": record.intended,
        "attempts": earlier_readings(handed_in.docket),
        "shared": shared,
    }


def shared_with(attempt: Attempt) -> list[dict[str, Any]]:
    """The benches whose logs share a long run of readings with this attempt, whichever was handed in first."""
    rows = SharedReadings.objects.filter(Q(one=attempt) | Q(other=attempt))
    found = []
    for row in rows.select_related("one__docket__pair", "other__docket__pair").defer("one__text", "other__text"):
        other = row.other if row.one_id == attempt.pk else row.one
        found.append(
            {
                "docket": other.docket_id,
                "bench": bench_number(other.docket),
                "pair": other.docket.pair.name,
                "readings": row.readings,
                "first": other.at < attempt.at,
            }
        )
    return found


def _shared_finding(row: Mapping[str, Any]) -> dict[str, Any]:
    where = f"bench {row['bench']}, {row['pair']}" if row["bench"] else row["pair"]
    order = "handed in before this one" if row["first"] else "handed in after this one"
    return {
        "rule": "same-noise",
        "severity": "check",
        "seen": f"{row['readings']} readings in a row are the same as in the log of {where}, {order}.",
        "why": "Noise differs from bench to bench; the same run of values twice is worth a question.",
        "remedy": "Look at this together: ask both pairs to show a step once more.",
        "hint": "",
        "criterion": "readings",
        "where": {},
        "also": [],
    }


def earlier_readings(docket: Docket) -> list[dict[str, Any]]:
    """Every attempt at the readings with its verdict, the first one first: a later one may have been made with the
    expected values in sight."""
    newest: dict[int, Judgement] = {}
    for judgement in (
        Judgement.objects.filter(docket=docket, kind=Kind.READINGS).only("attempt", "summary").order_by("id")
    ):
        newest[judgement.attempt_id] = judgement
    attempts = docket.attempts.filter(kind=Kind.READINGS).defer("text").order_by("number")
    return [
        {"number": a.number, "at": a.at, "verdict": newest[a.pk].summed.verdict if a.pk in newest else ""}
        for a in attempts
    ]


def prediction_json(handed_in: HandedIn) -> dict[str, Any] | None:
    attempt, judgement = handed_in.attempts.get(Kind.PREDICTION), handed_in.judgements.get(Kind.PREDICTION)
    if attempt is None:
        return None
    rows = judgement.typed(PredictionRecord).predictions if judgement else ()
    return {
        "number": attempt.number,
        "by": name_of(attempt.by),
        "at": attempt.at,
        "predictions": [row.model_dump() for row in rows],
    }


def common(docket: Docket, rows: Mapping[str, StationState]) -> dict[str, Any]:
    now = current(dict(rows))
    return {
        "id": docket.pk,
        "bench": bench_number(docket),
        "pair": docket.pair.name,
        "stations": [
            {
                "station": s.value,
                "state": rows[s].state if s in rows else None,
                "since": rows[s].since if s in rows else None,
            }
            for s in ORDER
        ],
        "current": now.station if now else Station.KIT,
        "judging": docket.judging_since is not None,
    }


def members(docket: Docket) -> Any:
    return docket.pair.members.filter(until__isnull=True).select_related("user").order_by("user__last_name")


def name_of(user: User | None) -> str:
    return user.get_full_name() if user else ""


def _kit(issue: KitIssue | None) -> dict[str, Any] | None:
    if issue is None:
        return None
    return {
        "tag": issue.kit.tag,
        "issued_at": issue.issued_at,
        "returned": issue.returned_at is not None,
        "leg_orders": issue.leg_orders,
        "substitutions": substitutions(issue),
    }


def substitutions(issue: KitIssue | None) -> list[dict[str, Any]]:
    return [{"ref": s.ref, "ohms": s.ohms, "reason": s.reason} for s in issue.substitutions.all()] if issue else []


def _clearance(clearance: Clearance) -> dict[str, Any]:
    return {
        "wiring_attempt": clearance.wiring.number,
        "kit": clearance.kit_issue.kit.tag,
        "by": name_of(clearance.by),
        "at": clearance.at,
        "overruled": clearance.overruled,
        "reason": clearance.reason,
    }


def last_voided(rows: Mapping[str, StationState], clearances: Sequence[Clearance]) -> Clearance | None:
    """The clearance that was voided last, while the power station waits for another."""
    power = rows.get(Station.POWER)
    if power is None or power.state != State.VOIDED:
        return None
    voided = [(c.voided_at, c) for c in clearances if c.voided_at is not None]
    return max(voided, key=lambda pair: pair[0])[1] if voided else None


def measurements(docket: Docket) -> list[dict[str, Any]]:
    latest = {m.name: m for m in docket.measurements.all()}
    return [
        {"name": m.name, "value": m.value, "unit": m.unit, "instrument": m.instrument, "at": m.at}
        for m in latest.values()
    ]


def measurable(what: MeasurableRecord, *, told: bool) -> dict[str, Any]:
    """Something to measure; the plan's value of a step is `told` to staff only."""
    plan = f", plan {what.plan:g} {what.unit}" if told and what.plan is not None else ""
    return {"name": what.name, "label": what.label + plan, "unit": what.unit, "how": what.how}


def _decision(decision: Decision) -> dict[str, Any]:
    return {
        "station": decision.station,
        "act": decision.act,
        "overruled": bool(decision.overruled),
        "reason": decision.reason,
        "by": name_of(decision.by),
        "at": decision.at,
        "undone": decision.undone_at is not None,
    }
