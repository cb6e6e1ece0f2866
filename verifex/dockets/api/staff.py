"""Dockets for staff."""

from typing import Any

from django.http import HttpRequest
from ninja import Router

from verifex.acts.models import Event
from verifex.api.http import Id, not_modified_or
from verifex.api.sheet import SheetIn, SheetOut, SlidersOut
from verifex.core.assess import ProgramRecord
from verifex.core.hand_ins import HandIn
from verifex.dockets import services
from verifex.dockets.access import docket_for_staff, done
from verifex.dockets.judgements import newest, sheets_of
from verifex.dockets.models import Docket
from verifex.dockets.present.staff import docket_json
from verifex.dockets.refusals import SheetNotWorkedOut
from verifex.dockets.schemas.acts import (
    CarryIn,
    ClaimIn,
    ClearIn,
    ConstantIn,
    DoneOut,
    HandInIn,
    HistoryOut,
    MeasureIn,
    PassIn,
    StationIn,
    UndoIn,
)
from verifex.dockets.schemas.program import FlowOut, LineInRunOut
from verifex.dockets.schemas.staff import DocketOut, SheetsOut
from verifex.dockets.services.decide import undoable
from verifex.dockets.study import line_of, sheet_if, sliders_if
from verifex.people.access import reader
from verifex.plan.models import Session

router = Router(tags=["dockets"])


@router.get("/dockets/{docket_id}", response=DocketOut)
def get_docket(request: HttpRequest, docket_id: Id) -> Any:
    docket = docket_for_staff(request, docket_id)
    return not_modified_or(
        request, [docket.pk, docket.revision, undo_state(docket)], lambda: docket_json(docket, reader(request))
    )


def undo_state(docket: Docket) -> int:
    """Changes when the last decision can no longer be taken back."""
    decision = undoable(docket)
    return decision.pk if decision else 0


@router.get("/dockets/{docket_id}/history", response=list[HistoryOut])
def history(request: HttpRequest, docket_id: Id) -> list[HistoryOut]:
    """The event log of a docket, the newest entry first."""
    docket = docket_for_staff(request, docket_id)
    events = Event.objects.filter(subject=docket.subject).select_related("actor").order_by("-id")[:200]
    return [
        HistoryOut(at=e.at, by=e.actor.get_full_name() if e.actor else "Verifex", what=_event_text(e)) for e in events
    ]


def _event_text(event: Event) -> str:
    reason = str(event.detail.get("reason") or "")
    return f"{event.verb}: {reason}" if reason else event.verb


@router.get("/dockets/{docket_id}/sheets", response=SheetsOut)
def get_sheets(request: HttpRequest, docket_id: Id) -> SheetsOut:
    """The expected sheet of the pair's own bench, and the exercise's, as they were worked out last."""
    docket = docket_for_staff(request, docket_id)
    record = sheets_of(docket)
    if record is None or record.overrun:
        raise SheetNotWorkedOut()
    return SheetsOut(built=SheetOut.model_validate(record.built), intended=SheetOut.model_validate(record.intended))


@router.post("/dockets/{docket_id}/sheet", response=SheetOut)
def try_sheet(request: HttpRequest, docket_id: Id, data: SheetIn) -> dict[str, Any]:
    """The sheet of the pair's own bench with values as if they were measured; nothing is kept."""
    return sheet_if(reader(request), docket_for_staff(request, docket_id), data.measured)


@router.post("/dockets/{docket_id}/sliders", response=SlidersOut)
def sliders(request: HttpRequest, docket_id: Id, data: SheetIn, reading: str = "") -> dict[str, Any]:
    """What can be measured on the pair's bench, each with a dense table of how a reading follows it."""
    return sliders_if(reader(request), docket_for_staff(request, docket_id), data.measured, reading)


@router.get("/dockets/{docket_id}/program/line", response=LineInRunOut)
def program_line(request: HttpRequest, docket_id: Id, line: int = 1, moment_ms: float | None = None) -> dict[str, Any]:
    """One line of the program in the run on its bench: its variables before and after, around a moment."""
    return line_of(reader(request), docket_for_staff(request, docket_id), line, moment_ms)


@router.get("/dockets/{docket_id}/program/flow", response=list[FlowOut])
def program_flow(request: HttpRequest, docket_id: Id) -> list[dict[str, Any]]:
    """The flow chart of the program last handed in, function by function; empty where it cannot be read."""
    judgement = newest(docket_for_staff(request, docket_id), HandIn.PROGRAM)
    return list(judgement.typed(ProgramRecord).flow) if judgement else []


@router.post("/dockets/{docket_id}/hand-in", response=DoneOut)
def hand_in_for_pair(request: HttpRequest, docket_id: Id, data: HandInIn) -> dict[str, int]:
    docket_for_staff(request, docket_id)
    services.hand_in(
        reader(request), docket_id, data.kind, data.text, token=data.token, based_on_attempt=data.based_on_attempt
    )
    return done(docket_id)


@router.post("/dockets/{docket_id}/pass", response=DoneOut)
def pass_station(request: HttpRequest, docket_id: Id, data: PassIn) -> dict[str, int]:
    services.pass_station(
        reader(request),
        docket_id,
        data.station,
        based_on=data.based_on,
        reason=data.reason,
        overrule_reason=data.overrule_reason,
    )
    return done(docket_id)


@router.post("/dockets/{docket_id}/send-back", response=DoneOut)
def send_back(request: HttpRequest, docket_id: Id, data: StationIn) -> dict[str, int]:
    services.send_back(reader(request), docket_id, data.station, based_on=data.based_on, reason=data.reason)
    return done(docket_id)


@router.post("/dockets/{docket_id}/clear", response=DoneOut)
def clear_power(request: HttpRequest, docket_id: Id, data: ClearIn) -> dict[str, int]:
    services.clear_power(reader(request), docket_id, **data.dict())
    return done(docket_id)


@router.post("/dockets/{docket_id}/reopen", response=DoneOut)
def reopen(request: HttpRequest, docket_id: Id, data: StationIn) -> dict[str, int]:
    services.reopen(reader(request), docket_id, data.station, based_on=data.based_on, reason=data.reason)
    return done(docket_id)


@router.post("/dockets/{docket_id}/undo", response=DoneOut)
def undo(request: HttpRequest, docket_id: Id, data: UndoIn) -> dict[str, int]:
    """Take the last decision back, while it is fresh and nothing has followed from it."""
    services.undo(reader(request), docket_id, based_on=data.based_on)
    return done(docket_id)


@router.post("/dockets/{docket_id}/check-again", response=DoneOut)
def check_again(request: HttpRequest, docket_id: Id) -> dict[str, int]:
    """Have what could not be checked, or is not judged with today's rules, judged now."""
    docket_for_staff(request, docket_id)
    services.check_again(reader(request), docket_id)
    return done(docket_id)


@router.post("/dockets/{docket_id}/measure", response=DoneOut)
def measure(request: HttpRequest, docket_id: Id, data: MeasureIn) -> dict[str, int]:
    docket_for_staff(request, docket_id)
    services.measure(reader(request), docket_id, data.name, data.value, data.instrument)
    return done(docket_id)


@router.post("/dockets/{docket_id}/constants", response=DoneOut)
def explain_constant(request: HttpRequest, docket_id: Id, data: ConstantIn) -> dict[str, int]:
    """Say what a library's constant stands for; it is remembered for the exercise."""
    docket_for_staff(request, docket_id)
    services.explain_constant(reader(request), docket_id, data.name, data.stands_for)
    return done(docket_id)


@router.post("/dockets/{docket_id}/carry-over", response=DoneOut)
def carry_over(request: HttpRequest, docket_id: Id, data: CarryIn) -> dict[str, int]:
    """An unfinished docket goes on in a later session."""
    docket_for_staff(request, docket_id)
    services.carry_over(reader(request), docket_id, Session.objects.get(pk=data.session))
    return done(docket_id)


@router.post("/dockets/{docket_id}/claim", response=DoneOut)
def claim(request: HttpRequest, docket_id: Id, data: ClaimIn) -> dict[str, int]:
    services.claim(reader(request), docket_id, release=data.release)
    return done(docket_id)
