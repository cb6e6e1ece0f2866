"""My bench: a pair's own dockets and nothing else."""

from typing import Any

from django.http import HttpRequest
from ninja import Router

from verifex.api.bench import bench_out
from verifex.api.findings import hints_of, to_come
from verifex.api.http import Id, is_known, knows_something, not_modified_or, nothing_new
from verifex.dockets import services
from verifex.dockets.access import done, own_docket, own_docket_with_sheets, own_key, own_revision
from verifex.dockets.models import Docket
from verifex.dockets.present.pair import docket_line, my_docket_json
from verifex.dockets.schemas.acts import DoneOut, HandInIn, MeasureIn, OpenHintIn, StationIn, TextIn
from verifex.dockets.schemas.pair import DocketLineOut, MyDocketOut, PairCheckOut
from verifex.dockets.schemas.program import LineInRunOut
from verifex.dockets.study import check_now, line_of_hint
from verifex.people.access import pairs_of, reader

router = Router(tags=["my bench"])
MOST_LISTED = 50


@router.get("/my/dockets", response=list[DocketLineOut])
def my_dockets(request: HttpRequest) -> Any:
    """One's dockets, the one of the latest session first: what to choose from, not what is in them."""
    mine = Docket.objects.filter(pair__in=pairs_of(reader(request))).order_by("-session__starts_at", "-id")
    dockets = list(mine.select_related("version__exercise").defer("version__text")[:MOST_LISTED])
    return not_modified_or(request, [d.pk for d in dockets], lambda: [docket_line(d) for d in dockets])


@router.get("/my/dockets/{docket_id}", response=MyDocketOut)
def my_docket(request: HttpRequest, docket_id: Id) -> Any:
    if knows_something(request):  # most often there is nothing new, which the revision alone tells
        revision = own_revision(request, docket_id)
        if is_known(request, [docket_id, revision]):
            return nothing_new(request, [docket_id, revision])
    docket = own_docket_with_sheets(request, docket_id)
    return not_modified_or(request, [docket.pk, docket.revision], lambda: my_docket_json(docket))


@router.post("/my/dockets/{docket_id}/check-wiring", response=PairCheckOut)
def check_my_wiring(request: HttpRequest, docket_id: Id, data: TextIn) -> dict[str, Any]:
    """A live check while typing: hints only, nothing stored."""
    checked = check_now(reader(request), own_key(request, docket_id), data.text)
    return {
        "problems": checked["problems"],
        "hints": hints_of(checked["findings"]),
        "to_come": to_come(checked["findings"]),
        "bench": bench_out(checked["bench"]),
    }


@router.post("/my/dockets/{docket_id}/hand-in", response=DoneOut)
def hand_in(request: HttpRequest, docket_id: Id, data: HandInIn) -> dict[str, int]:
    own_revision(request, docket_id)
    services.hand_in(
        reader(request), docket_id, data.kind, data.text, token=data.token, based_on_attempt=data.based_on_attempt
    )
    return done(docket_id)


@router.post("/my/dockets/{docket_id}/open-hint", response=DoneOut)
def open_hint(request: HttpRequest, docket_id: Id, data: OpenHintIn) -> dict[str, int]:
    own_revision(request, docket_id)
    services.open_hint(reader(request), docket_id, data.key, data.step)
    return done(docket_id)


@router.get("/my/dockets/{docket_id}/hint-line", response=LineInRunOut)
def hint_line(request: HttpRequest, docket_id: Id, key: str = "") -> dict[str, Any]:
    """The line of a hint in the run of one's own program on its bench."""
    return line_of_hint(reader(request), own_docket(request, docket_id), key)


@router.post("/my/dockets/{docket_id}/ask", response=DoneOut)
def ask(request: HttpRequest, docket_id: Id, data: StationIn) -> dict[str, int]:
    own_revision(request, docket_id)
    services.ask(reader(request), docket_id, data.station)
    return done(docket_id)


@router.post("/my/dockets/{docket_id}/withdraw", response=DoneOut)
def withdraw(request: HttpRequest, docket_id: Id, data: StationIn) -> dict[str, int]:
    own_revision(request, docket_id)
    services.withdraw(reader(request), docket_id, data.station)
    return done(docket_id)


@router.post("/my/dockets/{docket_id}/measure", response=DoneOut)
def measure(request: HttpRequest, docket_id: Id, data: MeasureIn) -> dict[str, int]:
    own_revision(request, docket_id)
    services.measure(reader(request), docket_id, data.name, data.value, data.instrument)
    return done(docket_id)
