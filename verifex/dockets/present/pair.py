"""A docket as its own pair sees it: hints only; what should be read only once its readings are passed; no honesty ever."""

from collections.abc import Mapping
from typing import Any

from verifex.api.bench import bench_out
from verifex.api.exercise import RecipeOut
from verifex.api.findings import hint_of, hints_of, to_come
from verifex.core.assess import ProgramRecord, ReadingsRecord, SheetsRecord, WiringRecord
from verifex.core.expected.plan import how_to
from verifex.core.hand_ins import HandIn
from verifex.core.parts import catalogue
from verifex.dockets.hints import hints_in_steps, opened
from verifex.dockets.inputs import kit_issue_of
from verifex.dockets.judgements import sheets_of
from verifex.dockets.models import Act, Decision, Docket, State, Station, StationState
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
from verifex.dockets.present.staff import prediction_json
from verifex.dockets.schemas.acts import DecisionOut
from verifex.dockets.schemas.pair import DocketLineOut, PairExerciseOut
from verifex.dockets.stations import states
from verifex.exercises.present import exercise_json, readings_json


def my_docket_json(docket: Docket) -> dict[str, Any]:
    """One docket whole, for its pair."""
    handed_in = HandedIn(docket)
    sheets, measured = sheets_of(docket), measurements(docket)
    judgement = handed_in.judgements.get(HandIn.READINGS)
    readings = judgement.typed(ReadingsRecord) if judgement else None
    issue = kit_issue_of(docket)
    rows, clearances = states(docket), list(docket.clearances.all())
    voided = last_voided(rows, clearances)
    decisions = list(docket.decisions.select_related("by").filter(undone_at__isnull=True))
    return {
        **common(docket, rows),
        "members": [m.user.get_full_name() for m in members(docket)],
        "exercise": _exercise(docket, sheets),
        "kit": issue.kit.tag if issue else "",
        "substitutions": substitutions(issue),
        "wiring": _wiring(handed_in),
        "program": _program(handed_in),
        "checklist": _checklist(handed_in, sheets),
        "readings": _readings(handed_in, readings),
        "prediction": _own_prediction(handed_in),
        "steps": [step.model_dump() for step in readings.steps] if readings else [],
        "sheet": _sheet(sheets, readings) if is_passed(rows, Station.READINGS) else None,
        "cleared": any(clearance.voided_at is None for clearance in clearances),
        "voided": voided.void_told or voided.void_reason if voided else "",
        "passed_over_stop": sorted({d.station for d in decisions if d.overruled}),
        "messages": [_message(d) for d in decisions],
        "measurements": measured,
        "measurables": measurables(sheets, measured, told=False),
    }


def docket_line(docket: Docket) -> DocketLineOut:
    """One docket among others: enough to choose it by."""
    return DocketLineOut(id=docket.pk, title=docket.version.exercise.title, opened_at=docket.opened_at)


def _exercise(docket: Docket, sheets: SheetsRecord | None) -> PairExerciseOut:
    file = docket.version.file
    board = catalogue().boards[(sheets and sheets.board) or file.board]
    return PairExerciseOut(
        title=file.title,
        summary=file.summary,
        version=docket.version.number,
        board=file.board,
        minutes=file.minutes,
        recipe=[RecipeOut(ref=p.ref, part=p.part, title=p.title, settings=p.settings) for p in file.recipe],
        variants=[v.title for v in file.variants],
        steps=[{"name": s.name, "how": how_to(s)} for s in file.steps],
        readings=readings_json(file),
        own_threshold=file.conventions.threshold == "two-readings",
        behaviour=exercise_json(docket.version).behaviour,
        criteria=[{"title": c.title, "of": str(c.of)} for c in file.criteria],
        cautions=file.cautions,
        baud=file.baud(board.id),
        language=board.languages[0],
    )


def _attempt(handed_in: HandedIn, kind: str) -> dict[str, Any] | None:
    common = handed_in.common(kind)
    if common is None:
        return None
    findings = handed_in.findings(kind)
    return {**common, "hints": hints_of(findings), "to_come": to_come(findings)}


def _program(handed_in: HandedIn) -> dict[str, Any] | None:
    attempt = handed_in.common(HandIn.PROGRAM)
    if attempt is None:
        return None
    so_far = opened(handed_in.docket)
    return {
        **attempt,
        "hints": [],
        "stepped": hints_in_steps(so_far, handed_in.findings(HandIn.PROGRAM)),
        "hints_left": so_far.left,
        "hint_cost": str(so_far.next_cost),
    }


def _wiring(handed_in: HandedIn) -> dict[str, Any] | None:
    attempt, judgement = _attempt(handed_in, HandIn.WIRING), handed_in.judgements.get(HandIn.WIRING)
    if attempt is None or judgement is None:
        return attempt
    record = judgement.typed(WiringRecord)
    changes = None if record.changes is None else [change.model_dump() for change in record.changes]
    return {**attempt, "bench": bench_out(record.bench) if record.bench else None, "changes": changes}


def _readings(handed_in: HandedIn, record: ReadingsRecord | None) -> dict[str, Any] | None:
    """The findings on readings are the second look at honesty, which a pair never sees; what the log lacks it does."""
    attempt = _attempt(handed_in, HandIn.READINGS)
    if attempt is None or record is None:
        return attempt
    hints = [hint_of(f.finding().as_json()) for f in record.findings] if record.overrun else []
    return {**attempt, "hints": hints, "notes": list(record.log_notes)}


def _checklist(handed_in: HandedIn, sheets: SheetsRecord | None) -> list[dict[str, Any]]:
    """What to look at before the program runs: of the last one handed in, else of the board."""
    judgement = handed_in.judgements.get(HandIn.PROGRAM)
    checks = judgement.typed(ProgramRecord).checklist if judgement else ()
    checks = checks or (sheets.checklist if sheets else ())
    return [check.model_dump() for check in checks]


def _own_prediction(handed_in: HandedIn) -> dict[str, Any] | None:
    """A pair's own prediction; how it is judged would tell the answer, so that comes after its readings."""
    found = prediction_json(handed_in)
    if found is None:
        return None
    told = HandIn.READINGS in handed_in.attempts
    rows = [{**row.model_dump(), "verdict": row.verdict if told else None} for row in found.predictions]
    return {**found.model_dump(), "text": handed_in.attempts[HandIn.PREDICTION].text, "predictions": rows}


def is_passed(rows: Mapping[str, StationState], station: Station) -> bool:
    return station in rows and rows[station].state == State.PASSED


def _sheet(sheets: SheetsRecord | None, readings: ReadingsRecord | None) -> dict[str, Any] | None:
    """The expected sheet of the steps that the pair has read, and of no other; without the curve that tells the rest."""
    read = {step.name for step in readings.steps if step.readings} if readings else set()
    if sheets is None or not read:
        return None
    steps = [step for step in sheets.built.get("steps", []) if step["name"] in read]
    columns = [{**reading, "plot": [], "thresholds": []} for reading in sheets.built.get("readings", [])]
    return {**sheets.built, "steps": steps, "readings": columns, "plot": [], "budget": None, "notes": []}


def _message(decision: Decision) -> DecisionOut:
    """Why a Stop was passed over is the instructor's; the pair is shown that it was."""
    return DecisionOut(
        station=decision.station,
        act=Act(decision.act),
        overruled=bool(decision.overruled),
        reason="" if decision.overruled else decision.reason,
        by=name_of(decision.by),
        at=decision.at,
        undone=False,
    )
