"""My bench: a pair's own dockets and nothing else."""

from typing import Any

from django.http import Http404, HttpRequest
from ninja import Router

from verifex.dockets import services
from verifex.dockets.bench import DocketBench
from verifex.dockets.models import Docket
from verifex.dockets.schemas import DoneOut, HandInIn, MeasureIn, MyDocketOut, PairCheckOut, StationIn, TextIn
from verifex.dockets.views import find_docket, my_docket_json
from verifex.exercises.schemas import bench_out, hint_of
from verifex.people.access import is_member, pairs_of, reader

router = Router(tags=["my bench"])


def own_docket(request: HttpRequest, docket_id: int) -> Docket:
    """The docket, if it is the reader's own; another pair's does not exist for them."""
    docket = Docket.objects.filter(pk=docket_id).select_related("pair").first()
    if docket is None or not is_member(reader(request), docket.pair):
        raise Http404
    return find_docket(docket_id)


@router.get("/my/dockets", response=list[MyDocketOut])
def my_dockets(request: HttpRequest) -> list[dict[str, Any]]:
    mine = Docket.objects.filter(pair__in=pairs_of(reader(request))).order_by("-session__starts_at", "-id")
    return [my_docket_json(find_docket(docket.pk)) for docket in mine[:20]]


@router.get("/my/dockets/{docket_id}", response=MyDocketOut)
def my_docket(request: HttpRequest, docket_id: int) -> dict[str, Any]:
    return my_docket_json(own_docket(request, docket_id))


@router.post("/my/dockets/{docket_id}/check-wiring", response=PairCheckOut)
def check_my_wiring(request: HttpRequest, docket_id: int, data: TextIn) -> dict[str, Any]:
    """A live check while typing: hints only, nothing stored."""
    report = DocketBench(own_docket(request, docket_id)).check_wiring(data.text)
    return {
        "problems": [p.as_json() for p in report.bench.problems],
        "hints": [hint_of(f.as_json()) for f in report.findings],
        "bench": bench_out(report.bench.as_json()),
    }


@router.post("/my/dockets/{docket_id}/hand-in", response=DoneOut)
def hand_in(request: HttpRequest, docket_id: int, data: HandInIn) -> dict[str, int]:
    docket = own_docket(request, docket_id)
    services.hand_in(
        reader(request), docket_id, data.kind, data.text, token=data.token, based_on_attempt=data.based_on_attempt
    )
    return _revision(docket)


@router.post("/my/dockets/{docket_id}/ask", response=DoneOut)
def ask(request: HttpRequest, docket_id: int, data: StationIn) -> dict[str, int]:
    docket = own_docket(request, docket_id)
    services.ask(reader(request), docket_id, data.station)
    return _revision(docket)


@router.post("/my/dockets/{docket_id}/withdraw", response=DoneOut)
def withdraw(request: HttpRequest, docket_id: int, data: StationIn) -> dict[str, int]:
    docket = own_docket(request, docket_id)
    services.withdraw(reader(request), docket_id, data.station)
    return _revision(docket)


@router.post("/my/dockets/{docket_id}/measure", response=DoneOut)
def measure(request: HttpRequest, docket_id: int, data: MeasureIn) -> dict[str, int]:
    docket = own_docket(request, docket_id)
    services.measure(reader(request), docket_id, data.name, data.value, data.instrument)
    return _revision(docket)


def _revision(docket: Docket) -> dict[str, int]:
    docket.refresh_from_db()
    return {"revision": docket.revision}
