"""The Floor: the room with its benches, and the Round."""

from datetime import datetime
from typing import Any

from django.http import HttpRequest
from ninja import Router, Schema

from verifex.dockets.models import Docket, State
from verifex.dockets.schemas import StationOut
from verifex.dockets.stations import ORDER, states
from verifex.floor.round import Standing, standing
from verifex.people import clock
from verifex.people.access import reader, require_staff, sections_of
from verifex.people.models import User
from verifex.plan.models import Seat, Session

router = Router(tags=["floor"])


class SessionOut(Schema):
    id: int
    section: str
    room: str
    starts_at: datetime
    ends_at: datetime
    zone: str


class BenchCardOut(Schema):
    """One bench. `line` is its state in words; `asks` whether it waits for a person."""

    bench: int
    pair: str
    badge: str
    docket: int | None
    revision: int
    stations: list[StationOut]
    station: str
    state: str | None
    since: datetime | None
    asks: bool
    line: str
    last_value: str
    findings: dict[str, int]
    claimed_by: str


class VisitOut(Schema):
    """One entry of the Round, with the reason to go there."""

    docket: int
    bench: int
    pair: str
    station: str
    since: datetime
    reason: str
    severity: str | None
    seen: str
    claimed_by: str
    mine: bool


class FloorOut(Schema):
    session: SessionOut
    now: datetime
    columns: int
    title: str
    version: int | None
    benches: list[BenchCardOut]
    round: list[VisitOut]
    hatch: list[str]


@router.get("/sessions", response=list[SessionOut])
def list_sessions(request: HttpRequest) -> list[dict[str, Any]]:
    """Sessions of the reader's sections; the one that runs now, or comes next, first."""
    now = clock.now()
    sections = sections_of(reader(request))
    sessions = list(Session.objects.filter(section__in=sections).select_related("section__course", "room"))
    sessions.sort(key=lambda s: (s.ends_at < now, abs((s.starts_at - now).total_seconds())))
    return [_session(s) for s in sessions]


@router.get("/sessions/{session_id}/floor", response=FloorOut)
def floor(request: HttpRequest, session_id: int) -> dict[str, Any]:
    session = Session.objects.select_related("section__course", "room").get(pk=session_id)
    user = reader(request)
    require_staff(user, session.section)
    now = clock.now()
    dockets = {
        d.pair_id: d
        for d in Docket.objects.filter(session=session).select_related(
            "pair", "version__exercise", "scheme", "claimed_by", "session"
        )
    }
    cards: list[dict[str, Any]] = []
    visits: list[tuple[tuple[bool, int, float], dict[str, Any]]] = []
    for seat in Seat.objects.filter(session=session).select_related("pair"):
        docket = dockets.get(seat.pair_id)
        stand = standing(docket) if docket else None
        cards.append(_card(seat, docket, stand))
        if docket and stand and stand.asks and stand.row:
            taken = docket.claimed_by_id not in (None, user.pk)
            visits.append(((taken, *stand.urgency(now)), _visit(seat, docket, stand, user)))
    visits.sort(key=lambda pair: pair[0])
    first = next(iter(dockets.values()), None)
    return {
        "session": _session(session),
        "now": now,
        "columns": session.room.columns,
        "title": first.version.exercise.title if first else str(session.section),
        "version": first.version.number if first else None,
        "benches": cards,
        "round": [visit for _, visit in visits],
        "hatch": _hatch(session),
    }


def _session(session: Session) -> dict[str, Any]:
    return {
        "id": session.pk,
        "section": str(session.section),
        "room": session.room.name,
        "starts_at": session.starts_at,
        "ends_at": session.ends_at,
        "zone": session.section.course.zone,
    }


def _card(seat: Seat, docket: Docket | None, stand: Standing | None) -> dict[str, Any]:
    rows = states(docket) if docket else {}
    row = stand.row if stand else None
    return {
        "bench": seat.bench,
        "pair": seat.pair.name,
        "badge": seat.pair.badge,
        "docket": docket.pk if docket else None,
        "revision": docket.revision if docket else 0,
        "stations": [
            {
                "station": s.value,
                "state": rows[s].state if s in rows else None,
                "since": rows[s].since if s in rows else None,
            }
            for s in ORDER
        ],
        "station": row.station if row else "kit",
        "state": row.state if row else None,
        "since": row.since if row else None,
        "asks": bool(stand and stand.asks),
        "line": stand.line if stand else "no kit yet",
        "last_value": stand.last_value if stand else "",
        "findings": stand.open_findings if stand and row and row.state != State.PASSED else {},
        "claimed_by": docket.claimed_by.get_full_name() if docket and docket.claimed_by else "",
    }


def _visit(seat: Seat, docket: Docket, stand: Standing, reader: User) -> dict[str, Any]:
    assert stand.row is not None
    serious = stand.severity in ("stop", "fix")
    return {
        "docket": docket.pk,
        "bench": seat.bench,
        "pair": seat.pair.name,
        "station": stand.row.station,
        "since": stand.row.since,
        "reason": stand.reason,
        "severity": stand.severity if serious else None,
        "seen": stand.seen if serious else "",
        "claimed_by": docket.claimed_by.get_full_name() if docket.claimed_by else "",
        "mine": docket.claimed_by_id == reader.pk,
    }


def _hatch(session: Session) -> list[str]:
    """What the hatch has to say: substitutions of this session, kits in repair or incomplete."""
    from verifex.stores.models import Kit, Substitution
    from verifex.stores.services import readiness

    said = [
        f"{s.issue.pair}: {s.ref} is {s.ohms:g} Ω, {s.reason}. The sheet follows."
        for s in Substitution.objects.filter(issue__session=session).select_related("issue__pair")
    ]
    for kit in Kit.objects.prefetch_related("parts", "issues__pair"):
        ready = readiness(kit)
        if ready.state in ("repair", "incomplete"):
            said.append(ready.reason)
    return said
