"""Dockets for staff."""

from typing import Any

from django.http import HttpRequest
from ninja import Router

from verifex.core.expected import sheet_json
from verifex.core.program import read_program
from verifex.core.program.flow import flow_charts, placed
from verifex.dockets import services
from verifex.dockets.bench import DocketBench
from verifex.dockets.models import Docket, Kind
from verifex.dockets.schemas import (
    ClaimIn,
    ClearIn,
    DocketOut,
    DoneOut,
    HandInIn,
    MeasureIn,
    SheetsOut,
    StationIn,
)
from verifex.dockets.schemas_program import FlowOut
from verifex.dockets.views import docket_for_staff, docket_json
from verifex.exercises.api import sliders_json
from verifex.exercises.schemas import SheetIn, SheetOut, SlidersOut
from verifex.people.access import reader

router = Router(tags=["dockets"])


def _done(docket_id: int) -> dict[str, int]:
    return {"revision": Docket.objects.values_list("revision", flat=True).get(pk=docket_id)}


@router.get("/dockets/{docket_id}", response=DocketOut)
def get_docket(request: HttpRequest, docket_id: int) -> dict[str, Any]:
    return docket_json(docket_for_staff(request, docket_id), reader(request))


@router.get("/dockets/{docket_id}/sheets", response=SheetsOut)
def get_sheets(request: HttpRequest, docket_id: int) -> dict[str, Any]:
    """The expected sheet of the pair's own bench, and the exercise's."""
    bench = DocketBench(docket_for_staff(request, docket_id))
    built = bench.sheet_as_built()
    return {"built": sheet_json(built), "intended": sheet_json(bench.sheet_as_intended(built))}


@router.post("/dockets/{docket_id}/sheet", response=SheetOut)
def try_sheet(request: HttpRequest, docket_id: int, data: SheetIn) -> dict[str, Any]:
    """The sheet of the pair's own bench with values as if they were measured; nothing is kept."""
    return sheet_json(DocketBench(docket_for_staff(request, docket_id)).sheet_as_built(data.measured))


@router.post("/dockets/{docket_id}/sliders", response=SlidersOut)
def sliders(request: HttpRequest, docket_id: int, data: SheetIn, reading: str = "") -> dict[str, Any]:
    """What can be measured on the pair's bench, each with a dense table of how a reading follows it."""
    return sliders_json(DocketBench(docket_for_staff(request, docket_id)).sheet_as_built(data.measured), reading)


@router.get("/dockets/{docket_id}/program/flow", response=list[FlowOut])
def program_flow(request: HttpRequest, docket_id: int) -> list[dict[str, Any]]:
    """The flow chart of the program last handed in, function by function; empty where it cannot be read."""
    bench = DocketBench(docket_for_staff(request, docket_id))
    program = bench.last(Kind.PROGRAM)
    if program is None:
        return []
    return [placed(chart).as_json() for chart in flow_charts(read_program(program.text, bench.board()))]


@router.post("/dockets/{docket_id}/hand-in", response=DoneOut)
def hand_in_for_pair(request: HttpRequest, docket_id: int, data: HandInIn) -> dict[str, int]:
    docket_for_staff(request, docket_id)
    services.hand_in(
        reader(request), docket_id, data.kind, data.text, token=data.token, based_on_attempt=data.based_on_attempt
    )
    return _done(docket_id)


@router.post("/dockets/{docket_id}/pass", response=DoneOut)
def pass_station(request: HttpRequest, docket_id: int, data: StationIn) -> dict[str, int]:
    services.pass_station(reader(request), docket_id, data.station, based_on=data.based_on, reason=data.reason)
    return _done(docket_id)


@router.post("/dockets/{docket_id}/send-back", response=DoneOut)
def send_back(request: HttpRequest, docket_id: int, data: StationIn) -> dict[str, int]:
    services.send_back(reader(request), docket_id, data.station, based_on=data.based_on, reason=data.reason)
    return _done(docket_id)


@router.post("/dockets/{docket_id}/clear", response=DoneOut)
def clear_power(request: HttpRequest, docket_id: int, data: ClearIn) -> dict[str, int]:
    services.clear_power(reader(request), docket_id, **data.dict())
    return _done(docket_id)


@router.post("/dockets/{docket_id}/reopen", response=DoneOut)
def reopen(request: HttpRequest, docket_id: int, data: StationIn) -> dict[str, int]:
    services.reopen(reader(request), docket_id, data.station, based_on=data.based_on, reason=data.reason)
    return _done(docket_id)


@router.post("/dockets/{docket_id}/measure", response=DoneOut)
def measure(request: HttpRequest, docket_id: int, data: MeasureIn) -> dict[str, int]:
    docket_for_staff(request, docket_id)
    services.measure(reader(request), docket_id, data.name, data.value, data.instrument)
    return _done(docket_id)


@router.post("/dockets/{docket_id}/claim", response=DoneOut)
def claim(request: HttpRequest, docket_id: int, data: ClaimIn) -> dict[str, int]:
    services.claim(reader(request), docket_id, release=data.release)
    return _done(docket_id)
