"""A docket as the API shows it to staff, from what is kept; nothing is judged here."""

from collections.abc import Mapping
from typing import Any

from verifex.api.bench import bench_out
from verifex.core.assess import PredictionRecord, ProgramRecord, ReadingsRecord, WiringRecord
from verifex.core.assess.records import ActRecord, WalkRecord
from verifex.core.exercise.drivers import METHOD_PURPOSES
from verifex.core.hand_ins import HandIn
from verifex.dockets.act import situation
from verifex.dockets.inputs import kit_issue_of
from verifex.dockets.judgements import sheets_of
from verifex.dockets.models import (
    Act,
    Clearance,
    Decision,
    Docket,
)
from verifex.dockets.present.handed_in import HandedIn
from verifex.dockets.present.parts import (
    common,
    last_voided,
    measurables,
    measurements,
    members,
    name_of,
    substitutions,
)
from verifex.dockets.present.sharing import earlier_readings, shared_finding, shared_with
from verifex.dockets.schemas.acts import ActOut, DecisionOut
from verifex.dockets.schemas.parts import ClearanceOut, KitOut, MemberOut
from verifex.dockets.schemas.program import ConstantOut
from verifex.dockets.schemas.staff import LogPointOut, PredictedOut, PredictionOut, ShowsOut
from verifex.dockets.services.decide import undoable
from verifex.dockets.stations import states
from verifex.dockets.transitions import possible
from verifex.exercises.present import exercise_json
from verifex.people.models import Course, User
from verifex.stores.models import KitIssue
from verifex.stores.services.given import calibration_texts


def docket_json(docket: Docket, by: User) -> dict[str, Any]:
    """Everything of a docket, for staff."""
    handed_in = HandedIn(docket)
    rows = states(docket)
    now = situation(by, docket, rows)
    clearances = list(docket.clearances.select_related("wiring", "kit_issue__kit", "by").defer("wiring__text"))
    clearance = next((c for c in clearances if c.voided_at is None), None)
    sheets, measured = sheets_of(docket), measurements(docket)
    decision = undoable(docket)
    return {
        **common(docket, rows),
        "revision": docket.revision,
        "session": docket.session_id,
        "exercise": exercise_json(docket.version),
        "scheme": docket.scheme.number,
        "members": [MemberOut(id=m.user_id, name=m.user.get_full_name()) for m in members(docket)],
        "kit": _kit(kit_issue_of(docket), docket.session.section.course),
        "claimed_by": docket.claimed_by.get_full_name() if docket.claimed_by else "",
        "may_overrule": now["role"] == "instructor",
        "acts": [ActOut(act=t.act, station=t.station.value, needs_reason=t.needs_reason) for t in possible(**now)],
        "undo": _decision(decision) if decision else None,
        "wiring": _wiring(handed_in),
        "program": _program(handed_in),
        "readings": _readings(handed_in),
        "clearance": _clearance(clearance) if clearance else None,
        "voided": voided.void_reason if (voided := last_voided(rows, clearances)) else "",
        "measurements": measured,
        "measurables": measurables(sheets, measured, told=True),
        "prediction": prediction_json(handed_in),
        "decisions": [_decision(d) for d in docket.decisions.select_related("by")],
    }


def _wiring(handed_in: HandedIn) -> dict[str, Any] | None:
    common_, judgement = handed_in.attempt(HandIn.WIRING), handed_in.judgements.get(HandIn.WIRING)
    if common_ is None or judgement is None:
        return common_
    record = judgement.typed(WiringRecord)
    return {
        **common_,
        "bench": bench_out(record.bench) if record.bench else None,
        "nets": list(record.nets),
        "changes": None if record.changes is None else [change.model_dump() for change in record.changes],
        "by_itself": [row.model_dump() for row in record.by_itself],
        "walk": walk_json(handed_in, record.walk) if record.walk else None,
    }


def walk_json(handed_in: HandedIn, walk: WalkRecord) -> dict[str, Any]:
    measured = {row.name: row.value for row in measurements(handed_in.docket)}
    steps = [{**step.model_dump(), "fits": step.fits(measured.get(step.name))} for step in walk.steps]
    required = handed_in.docket.version.file.meter_walk == "required"
    return {**walk.model_dump(exclude={"steps"}), "steps": steps, "required": required}


def _program(handed_in: HandedIn) -> dict[str, Any] | None:
    common_, judgement = handed_in.attempt(HandIn.PROGRAM), handed_in.judgements.get(HandIn.PROGRAM)
    if common_ is None or judgement is None:
        return common_
    record = judgement.typed(ProgramRecord)
    return {
        **common_,
        "compiles": record.compiles,
        "runnable": record.runnable,
        "not_run": record.not_run,
        "dialect": record.dialect,
        "constants": _constants(handed_in.docket, record),
        "checklist": [check.model_dump() for check in record.checklist],
        "trace": _trace(record.trace) if record.trace else None,
        "behaviour": record.behaviour,
    }


def _constants(docket: Docket, record: ProgramRecord) -> list[ConstantOut]:
    """Constants and methods of libraries: those the program needs and nobody has explained, then those that were."""
    explained = {
        c.name: f"{c.number:g}" if c.number is not None else c.module for c in docket.version.exercise.constants.all()
    }
    asked = [*record.unknown_methods, *record.unknown_constants]
    rows = {name: "" for name in asked if name not in explained} | explained
    return [
        ConstantOut(name=name, stands_for=text, purposes=list(METHOD_PURPOSES) if "." in name else [])
        for name, text in rows.items()
    ]


TRACE_COLUMNS = {
    "lines": ("ms", "text"),
    "indicators": ("ms", "ref", "on"),
    "looks": ("ms", "ref", "text"),
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
    common_, judgement = handed_in.attempt(HandIn.READINGS), handed_in.judgements.get(HandIn.READINGS)
    if common_ is None or judgement is None:
        return common_
    record = judgement.typed(ReadingsRecord)
    shared = shared_with(handed_in.attempts[HandIn.READINGS])
    findings = [f for f in common_["findings"] if f["rule"] != "same-noise"]
    return {
        **common_,
        "findings": [*[shared_finding(row) for row in shared], *findings],
        "steps": [step.model_dump() for step in record.steps],
        "verdict": record.verdict,
        "diagnosis": [explanation.model_dump() for explanation in record.diagnosis],
        "columns": [column.model_dump() for column in record.columns],
        "begins": [begin.model_dump() for begin in record.begins],
        "drawn": [LogPointOut(line=line, value=value) for line, value in record.drawn],
        "acts": [_act_json(act) for act in record.acts],
        "notes": list(record.notes),
        "intended": record.intended,
        "attempts": earlier_readings(handed_in.docket),
        "shared": shared,
    }


def _act_json(act: ActRecord) -> dict[str, Any]:
    return {**act.model_dump(), "shows": [ShowsOut(title=title, says=says) for title, says in act.shows]}


def prediction_json(handed_in: HandedIn) -> PredictionOut | None:
    attempt, judgement = handed_in.attempts.get(HandIn.PREDICTION), handed_in.judgements.get(HandIn.PREDICTION)
    if attempt is None:
        return None
    rows = judgement.typed(PredictionRecord).predictions if judgement else ()
    return PredictionOut(
        number=attempt.number,
        by=name_of(attempt.by),
        at=attempt.at,
        predictions=[PredictedOut.model_validate(row) for row in rows],
    )


def _kit(issue: KitIssue | None, course: Course) -> KitOut | None:
    if issue is None:
        return None
    return KitOut(
        tag=issue.kit.tag,
        issued_at=issue.issued_at,
        returned=issue.returned_at is not None,
        leg_orders=issue.leg_orders,
        modules=issue.modules,
        calibrations=calibration_texts(issue, course),
        substitutions=substitutions(issue),
    )


def _clearance(clearance: Clearance) -> ClearanceOut:
    return ClearanceOut(
        wiring_attempt=clearance.wiring.number,
        kit=clearance.kit_issue.kit.tag,
        by=name_of(clearance.by),
        at=clearance.at,
        overruled=clearance.overruled,
        reason=clearance.reason,
    )


def _decision(decision: Decision) -> DecisionOut:
    return DecisionOut(
        station=decision.station,
        act=Act(decision.act),
        overruled=bool(decision.overruled),
        reason=decision.reason,
        by=name_of(decision.by),
        at=decision.at,
        undone=decision.undone_at is not None,
    )
