"""A docket as the API shows it: once for staff, once for its own pair."""

from dataclasses import asdict
from typing import Any

from django.http import HttpRequest

from verifex.core.expected import sheet_json
from verifex.core.expected.plan import how_to
from verifex.core.twin import checklist_on_bench
from verifex.dockets.bench import DocketBench, last_judgement
from verifex.dockets.measured import measurables
from verifex.dockets.models import Attempt, Docket, Kind, State, Station
from verifex.dockets.stations import ORDER, current, state_of, states
from verifex.dockets.study import changes_since
from verifex.exercises.schemas import bench_out, finding_out, hint_of
from verifex.exercises.views import exercise_json, readings_json
from verifex.people.access import reader, require_staff, role_in
from verifex.people.models import User
from verifex.plan.models import Seat

#: What a pair is told of decisions about it.
TOLD = ("sent back", "passed", "cleared", "overruled", "reopened")


def find_docket(docket_id: int) -> Docket:
    return Docket.objects.select_related(
        "pair", "session__section", "session__room", "version__exercise", "scheme", "claimed_by"
    ).get(pk=docket_id)


def docket_for_staff(request: HttpRequest, docket_id: int) -> Docket:
    """A docket of a section whose staff the reader is. Raises NotAllowed for anyone else."""
    docket = find_docket(docket_id)
    require_staff(reader(request), docket.session.section)
    return docket


def bench_number(docket: Docket) -> int | None:
    return Seat.objects.filter(session=docket.session, pair=docket.pair).values_list("bench", flat=True).first()


def docket_json(docket: Docket, by: User) -> dict[str, Any]:
    """Everything of a docket, for staff."""
    bench = DocketBench(docket)
    clearance = bench.standing_clearance()
    wiring, program, readings = (bench.last(kind) for kind in (Kind.WIRING, Kind.PROGRAM, Kind.READINGS))
    return {
        **_common(docket),
        "revision": docket.revision,
        "session": docket.session_id,
        "exercise": exercise_json(docket.version),
        "scheme": docket.scheme.number,
        "members": [{"id": m.user_id, "name": m.user.get_full_name()} for m in _members(docket)],
        "kit": _kit(bench),
        "claimed_by": docket.claimed_by.get_full_name() if docket.claimed_by else "",
        "may_overrule": role_in(by, docket.session.section) == "instructor",
        "wiring": _attempt(wiring, _wiring_result, changes=True),
        "program": _attempt(program, _program_result),
        "readings": _attempt(readings, dict),
        "clearance": {
            "wiring_attempt": clearance.wiring.number,
            "kit": clearance.kit_issue.kit.tag,
            "by": _name(clearance.by),
            "at": clearance.at,
            "overruled": clearance.overruled,
            "reason": clearance.reason,
        }
        if clearance
        else None,
        "voided": _voided(docket),
        "measurements": _measurements(docket),
        "measurables": [asdict(m) for m in measurables(bench)],
        "prediction": _prediction(bench),
        "decisions": [_decision(d) for d in docket.decisions.select_related("by")],
    }


def my_docket_json(docket: Docket) -> dict[str, Any]:
    """What its own pair sees: hints only; no expected value before its readings are in; no honesty ever."""
    bench = DocketBench(docket)
    file = bench.file
    wiring, program, readings = (bench.last(kind) for kind in (Kind.WIRING, Kind.PROGRAM, Kind.READINGS))
    judged = last_judgement(readings)
    issue = bench.kit_issue()
    board = bench.board()
    return {
        **_common(docket),
        "members": [m.user.get_full_name() for m in _members(docket)],
        "exercise": {
            "title": file.title,
            "summary": file.summary,
            "version": docket.version.number,
            "board": file.board,
            "minutes": file.minutes,
            "recipe": [{"ref": p.ref, "part": p.part, "title": p.title, "settings": p.settings} for p in file.recipe],
            "variants": [v.title for v in file.variants],
            "steps": [{"name": s.name, "how": how_to(s)} for s in file.steps],
            "readings": readings_json(file),
            "own_threshold": file.conventions.threshold == "two-readings",
            "behaviour": exercise_json(docket.version)["behaviour"],
            "criteria": [{"title": c.title, "of": str(c.of)} for c in file.criteria],
            "cautions": file.cautions,
            "baud": file.baud(board.id),
            "language": board.languages[0],
        },
        "kit": issue.kit.tag if issue else "",
        "substitutions": _substitutions(bench),
        "wiring": _pair_attempt(wiring, with_bench=True),
        "program": _pair_attempt(program),
        "checklist": _checklist(bench, program),
        # The findings on readings are the second look at honesty: a pair never sees those.
        "readings": _pair_attempt(readings, with_hints=False),
        "prediction": _own_prediction(bench, told=readings is not None),
        "steps": judged.result["steps"] if judged else [],
        "sheet": sheet_json(bench.sheet_as_built()) if readings else None,
        "cleared": bench.standing_clearance() is not None,
        "voided": _voided(docket),
        "messages": [_decision(d) for d in docket.decisions.select_related("by") if d.what in TOLD],
        "measurements": _measurements(docket),
        "measurables": [asdict(m) for m in measurables(bench, with_plan=False)],
    }


def _checklist(bench: DocketBench, program: Attempt | None) -> list[dict[str, Any]]:
    """What to look at before the program runs: of the last one handed in, else of the board."""
    judged = last_judgement(program)
    if judged and "checklist" in judged.result:
        return list(judged.result["checklist"])
    return [c.as_json() for c in checklist_on_bench(None, None, bench.file, bench.board().id)]


def _prediction(bench: DocketBench) -> dict[str, Any] | None:
    attempt = bench.last(Kind.PREDICTION)
    judgement = last_judgement(attempt)
    if attempt is None or judgement is None:
        return None
    return {"number": attempt.number, "by": _name(attempt.by), "at": attempt.at, **judgement.result}


def _own_prediction(bench: DocketBench, *, told: bool) -> dict[str, Any] | None:
    """A pair's own prediction; how it is judged would tell the answer, so that comes after its readings."""
    found, attempt = _prediction(bench), bench.last(Kind.PREDICTION)
    if found is None or attempt is None:
        return None
    rows = [{**row, "verdict": row["verdict"] if told else None} for row in found["predictions"]]
    return {**found, "text": attempt.text, "predictions": rows}


def _common(docket: Docket) -> dict[str, Any]:
    rows = states(docket)
    now = current(rows)
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
    }


def _members(docket: Docket) -> Any:
    return docket.pair.members.filter(until__isnull=True).select_related("user").order_by("user__last_name")


def _name(user: User | None) -> str:
    return user.get_full_name() if user else ""


def _wiring_result(result: dict[str, Any]) -> dict[str, Any]:
    return {"bench": bench_out(result["bench"]), "nets": result["nets"]}


def _program_result(result: dict[str, Any]) -> dict[str, Any]:
    """The trace with its columns named; it is kept as rows."""
    trace = result["trace"]
    if trace is None:
        return result
    columns = {
        "lines": ("ms", "text"),
        "indicators": ("ms", "ref", "on"),
        "samples": ("ms", "pin", "stimulus", "count"),
        "displays": ("ms", "name", "rows"),
    }
    named = {key: [dict(zip(names, row, strict=True)) for row in trace.get(key, [])] for key, names in columns.items()}
    return {**result, "trace": {**trace, **named}}


def _attempt(attempt: Attempt | None, shape: Any, *, changes: bool = False) -> dict[str, Any] | None:
    judgement = last_judgement(attempt)
    if attempt is None or judgement is None:
        return None
    return {
        "number": attempt.number,
        "text": attempt.text,
        "by": _name(attempt.by),
        "at": attempt.at,
        "rules_version": judgement.rules_version,
        "findings": [finding_out(f) for f in judgement.findings],
        **shape(judgement.result),
        **({"changes": changes_since(attempt)} if changes else {}),
    }


def _pair_attempt(
    attempt: Attempt | None, *, with_bench: bool = False, with_hints: bool = True
) -> dict[str, Any] | None:
    judgement = last_judgement(attempt)
    if attempt is None or judgement is None:
        return None
    out: dict[str, Any] = {
        "number": attempt.number,
        "text": attempt.text,
        "by": _name(attempt.by),
        "at": attempt.at,
        "hints": [hint_of(f) for f in judgement.findings] if with_hints else [],
    }
    if with_bench:
        out["bench"] = bench_out(judgement.result["bench"])
        out["changes"] = changes_since(attempt)
    return out


def _kit(bench: DocketBench) -> dict[str, Any] | None:
    issue = bench.kit_issue()
    if issue is None:
        return None
    return {
        "tag": issue.kit.tag,
        "issued_at": issue.issued_at,
        "returned": issue.returned_at is not None,
        "leg_orders": issue.leg_orders,
        "substitutions": _substitutions(bench),
    }


def _substitutions(bench: DocketBench) -> list[dict[str, Any]]:
    issue = bench.kit_issue()
    return [{"ref": s.ref, "ohms": s.ohms, "reason": s.reason} for s in issue.substitutions.all()] if issue else []


def _voided(docket: Docket) -> str:
    """Why the clearance was voided, while it is."""
    if state_of(docket, Station.POWER) != State.VOIDED:
        return ""
    last = docket.clearances.filter(voided_at__isnull=False).order_by("-voided_at").first()
    return last.void_reason if last else ""


def _measurements(docket: Docket) -> list[dict[str, Any]]:
    latest = {m.name: m for m in docket.measurements.all()}
    return [
        {"name": m.name, "value": m.value, "unit": m.unit, "instrument": m.instrument, "at": m.at}
        for m in latest.values()
    ]


def _decision(decision: Any) -> dict[str, Any]:
    return {
        "station": decision.station,
        "what": decision.what,
        "reason": decision.reason,
        "by": _name(decision.by),
        "at": decision.at,
    }
