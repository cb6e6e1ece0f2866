"""The Floor: the room with its benches, and the Round."""

from typing import Any

from django.http import HttpRequest
from ninja import Router

from verifex.acts import clock
from verifex.acts.events import STORES, newest, session_scope
from verifex.acts.refusals import Refused, Stale
from verifex.api.http import Id, not_modified_or
from verifex.dockets import services
from verifex.dockets.models import Docket
from verifex.floor.present import floor_of, session_of
from verifex.floor.schemas import CleanIn, CleanOut, FloorOut, PairOut, SessionOut
from verifex.people.access import reader, require_instructor, sections_of
from verifex.people.models import Pair
from verifex.plan.access import session_for_staff
from verifex.plan.models import Seat, Session

"""The Floor: the room with its benches, and the Round."""


router = Router(tags=["floor"])


@router.get("/sessions", response=list[SessionOut])
def list_sessions(request: HttpRequest) -> list[SessionOut]:
    """Sessions of the reader's sections: the one that runs now, those that come, then those that are over, the latest first."""
    now = clock.now()
    sections = sections_of(reader(request))
    sessions = list(Session.objects.filter(section__in=sections).select_related("section__course", "room"))
    sessions.sort(key=lambda s: (s.ends_at <= now, abs((s.starts_at - now).total_seconds()), s.pk))
    sessions.sort(key=lambda s: not s.starts_at <= now < s.ends_at)
    return [session_of(s) for s in sessions]


@router.get("/sessions/{session_id}/floor", response=FloorOut)
def floor(request: HttpRequest, session_id: Id) -> Any:
    session = _session_of(request, session_id)
    version = newest([session_scope(session.pk), STORES])
    return not_modified_or(request, ["floor", session.pk, version], lambda: floor_of(session, reader(request)))


@router.get("/sessions/{session_id}/pairs", response=list[PairOut])
def pairs(request: HttpRequest, session_id: Id) -> list[PairOut]:
    """The pairs of a session with their members, by bench."""
    session = _session_of(request, session_id)
    benches = dict(Seat.objects.filter(session=session).values_list("pair_id", "bench"))
    dockets = dict(Docket.objects.filter(session=session).order_by("id").values_list("pair_id", "pk"))
    found = Pair.objects.filter(pk__in=[*benches, *dockets]).prefetch_related("members__user")
    rows = [
        PairOut(
            pair=pair.name,
            members=[m.user.get_full_name() for m in pair.members.all() if m.until is None],
            bench=benches.get(pair.pk),
            docket=dockets.get(pair.pk),
        )
        for pair in found
    ]
    return sorted(rows, key=lambda row: (row.bench is None, row.bench or 0, row.pair))


def _session_of(request: HttpRequest, session_id: int) -> Session:
    return session_for_staff(reader(request), session_id)


@router.post("/sessions/{session_id}/pass-clean", response=CleanOut)
def pass_clean(request: HttpRequest, session_id: Id, data: CleanIn) -> CleanOut:
    """Pass together what asks and has nothing to look at; what changed since it was shown is left out, and reported."""
    session = _session_of(request, session_id)
    require_instructor(reader(request), session.section)
    passed: list[str] = []
    changed: list[str] = []
    for docket in Docket.objects.filter(session=session, pk__in=list(data.dockets)).select_related("pair"):
        try:
            stations = services.pass_clean(reader(request), docket.pk, based_on=data.dockets[docket.pk])
        except (Stale, Refused):
            stations = []
        (passed if stations else changed).append(docket.pair.name)
    return CleanOut(passed=passed, changed=changed)
