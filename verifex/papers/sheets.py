"""The one-page sheet of a pair: the answer key, or the same without answers for a prediction."""

from typing import Any

from verifex.core.assess import SheetsRecord
from verifex.dockets.inputs import kit_issue_of
from verifex.dockets.judgements import sheets_of
from verifex.dockets.models import Docket
from verifex.dockets.present.parts import bench_number
from verifex.exercises.intended import intended_sheet
from verifex.exercises.models import ExerciseVersion
from verifex.exercises.present import exercise_json, readings_json
from verifex.papers.page import page_html
from verifex.papers.plot import transfer_svg
from verifex.papers.refusals import PairSheetNotWorkedOut
from verifex.people.models import Pair
from verifex.plan.models import Session

SHOWN_CONTRIBUTORS = 3


def sheet_html(docket: Docket, *, answers: bool) -> str:
    """The page of one docket. Without answers nothing of the sheet is in it, only what is to be filled in."""
    issue, sheets = kit_issue_of(docket), _sheets(docket)
    head = _head(docket.session, docket.version, sheets.board, docket.pair.name, bench_number(docket))
    head |= {"kit": issue.kit.tag if issue else ""}
    if not answers:
        return page_html("prediction", docket.session.section.course, head)
    measured = [m for m in _measured(docket) if not m[0].startswith("step:")]
    return _key(docket.session, head | {"measured": measured}, sheets.built)


def planned_html(session: Session, version: ExerciseVersion, *, pair: Pair | None, bench: int | None) -> str:
    """A page from the plan, before any kit is out: a pair's page to predict on, or without a pair the exercise's answer key."""
    head = _head(session, version, "", pair.name if pair else "for staff", bench)
    if pair is not None:
        return page_html("prediction", session.section.course, head | {"kit": "________"})
    return _key(session, head | {"kit": "any", "planned": True}, intended_sheet(version))


def _head(session: Session, version: ExerciseVersion, board: str, pair: str, bench: int | None) -> dict[str, Any]:
    """What stands on either page: whose it is, where and when, and how the exercise is printed."""
    return {
        "exercise": exercise_json(version),
        "bench": bench if bench is not None else "",
        "pair": pair,
        "date": session.starts_at,
        "room": session.room.name,
        "section": session.section.name,
        "columns": readings_json(version.file),
        "baud": version.file.baud(board or None),
        "divisor": version.file.conventions.divisor,
    }


def _key(session: Session, head: dict[str, Any], sheet: dict[str, Any]) -> str:
    return page_html(
        "sheet", session.section.course, {**head, "sheet": sheet, "plots": _plots(sheet), "rows": _rows(sheet)}
    )


def _sheets(docket: Docket) -> SheetsRecord:
    """The bench's sheets as they were worked out last: a page that is read changes nothing."""
    record = sheets_of(docket)
    if record is None or record.overrun:
        raise PairSheetNotWorkedOut(str(docket.pair))
    return record


def _measured(docket: Docket) -> list[tuple[str, str]]:
    latest = {m.name: m for m in docket.measurements.all()}
    names = {"rail": "supply", "internal": "internal reference", "aref": "AREF"}
    return [
        (m.name if m.name.startswith("step:") else names.get(m.name, m.name), f"{m.value:g} {m.unit}")
        for m in latest.values()
    ]


def _plots(sheet: dict[str, Any]) -> list[dict[str, Any]]:
    found = []
    for reading in sheet["readings"]:
        if reading["raw_unit"] == "level":
            continue
        steps = [
            (r["stimulus"]["expected"], r["value"]["expected"])
            for step in sheet["steps"]
            for r in step["readings"]
            if f"{r['ref']}.{r['quantity']}" == reading["key"]
        ]
        found.append({"reading": reading, **transfer_svg(reading, steps)})
    return found[:2]


def _rows(sheet: dict[str, Any]) -> list[dict[str, Any]]:
    """The table's rows, already in words."""
    units = {r["key"]: r["stimulus_unit"] for r in sheet["readings"]}
    rows = []
    for step in sheet["steps"]:
        for index, r in enumerate(step["readings"]):
            d = r["decimals"]
            counted = r["raw_unit"] in ("count", "µs") and r["unit"]
            limits = r["value"]["low"] < r["value"]["high"]
            rows.append(
                {
                    "step": step["name"] if index == 0 else "",
                    "name": r["name"] if len(step["readings"]) > 1 else "",
                    "given": f"{r['stimulus']['expected']:g} {units.get(r['ref'] + '.' + r['quantity'], '')}".strip()
                    if r["raw_unit"] != "id"
                    else "",
                    "volts": f"{r['volts']['expected']:.3f} V" if r["volts"] else "",
                    "count": f"{r['count']['expected']:g}{' µs' if r['raw_unit'] == 'µs' else ''}" if counted else "",
                    "count_limits": f"{r['count']['low']:g}–{r['count']['high']:g}" if counted else "",
                    "printed": r["printed"],
                    "limits": f"{r['value']['low']:.{d}f} … {r['value']['high']:.{d}f}" if limits else "",
                    "likely": f"{r['likely'][0]:.{d}f} … {r['likely'][1]:.{d}f}" if limits else "",
                    "states": ", ".join(f"{ref} {state}" for ref, state in step["indicators"].items())
                    if index == 0
                    else "",
                    "exempt": r["exempt"],
                    "widest": sorted(r["budget"]["contributions"], key=lambda c: -c["half_width"])[:SHOWN_CONTRIBUTORS],
                }
            )
    return rows
