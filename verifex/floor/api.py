"""The Floor: the room with its benches, and the Round."""

from collections.abc import Mapping
from datetime import datetime
from typing import Any

from django.http import HttpRequest
from ninja import Router

from verifex.acts import clock
from verifex.acts.events import STORES, newest, session_scope
from verifex.acts.refusals import Refused, Stale
from verifex.api.fields import Counter
from verifex.api.http import Id, not_modified_or
from verifex.api.shape import Shape
from verifex.dockets import services
from verifex.dockets.models import Docket, State, Station
from verifex.dockets.schemas.parts import StationOut
from verifex.dockets.stations import ORDER, stations_of
from verifex.exercises.models import ExerciseVersion
from verifex.floor.round import words
from verifex.floor.standing import Standing, standings
from verifex.people.access import reader, require_instructor, sections_of
from verifex.people.models import Pair, User
from verifex.plan.access import session_for_staff
from verifex.plan.models import Seat, Session
from verifex.stores.models import Substitution
from verifex.stores.readiness import held_back

router = Router(tags=["floor"])
MOST_TITLES = 2

#: Fields of a docket that its card shows.
NEEDED = (
    *("session", "revision", "judging_since", "pair__name", "pair__badge", "version__exercise__title"),
    *("claimed_by__first_name", "claimed_by__last_name"),
)


class SessionOut(Shape):
    id: int
    section: str
    room: str
    starts_at: datetime
    ends_at: datetime
    zone: str
    paused: bool


class BenchCardOut(Shape):
    """One bench, at `row` and `column` of the room's grid (from 0) where it is drawn; a pair without a seat has no `bench`.

    `line` is its state in words; `asks` whether it waits for a person, `off` whether its power must be off, `clean` whether
    what it asks for can be passed without a look.
    """

    bench: int | None
    row: int | None
    column: int | None
    place: str  # what the room calls the bench, where it has a name
    exercise: str
    pair: str
    badge: str
    docket: int | None
    revision: int
    stations: list[StationOut]
    station: str
    state: str | None
    since: datetime | None
    asks: bool
    off: bool
    clean: bool
    line: str
    last_value: str
    findings: dict[str, int]
    claimed_by: str


class VisitOut(Shape):
    """One entry of the Round, with the reason to go there."""

    docket: int
    bench: int | None
    pair: str
    station: str
    since: datetime
    revision: int
    reason: str
    severity: str | None
    seen: str
    claimed_by: str
    mine: bool


class PairOut(Shape):
    """A pair of a session, to find it by a name; without a kit it has no `docket`, without a seat no `bench`."""

    pair: str
    members: list[str]
    bench: int | None
    docket: int | None


class FloorOut(Shape):
    session: SessionOut
    columns: int
    title: str
    exercises: int
    benches: list[BenchCardOut]
    round: list[VisitOut]
    hatch: list[str]


class CleanOut(Shape):
    """What was passed: the pairs, and those that had changed meanwhile."""

    passed: list[str]
    changed: list[str]


class CleanIn(Shape):
    """Dockets to pass, each with the revision that was looked at."""

    dockets: dict[int, Counter]


@router.get("/sessions", response=list[SessionOut])
def list_sessions(request: HttpRequest) -> list[dict[str, Any]]:
    """Sessions of the reader's sections: the one that runs now, those that come, then those that are over, the latest first."""
    now = clock.now()
    sections = sections_of(reader(request))
    sessions = list(Session.objects.filter(section__in=sections).select_related("section__course", "room"))
    sessions.sort(key=lambda s: (s.ends_at <= now, abs((s.starts_at - now).total_seconds()), s.pk))
    sessions.sort(key=lambda s: not s.starts_at <= now < s.ends_at)
    return [_session(s) for s in sessions]


@router.get("/sessions/{session_id}/floor", response=FloorOut)
def floor(request: HttpRequest, session_id: Id) -> Any:
    session = _session_of(request, session_id)
    version = newest([session_scope(session.pk), STORES])
    return not_modified_or(request, ["floor", session.pk, version], lambda: _floor(session, reader(request)))


@router.get("/sessions/{session_id}/pairs", response=list[PairOut])
def pairs(request: HttpRequest, session_id: Id) -> list[dict[str, Any]]:
    """The pairs of a session with their members, by bench."""
    session = _session_of(request, session_id)
    benches = dict(Seat.objects.filter(session=session).values_list("pair_id", "bench"))
    dockets = dict(Docket.objects.filter(session=session).order_by("id").values_list("pair_id", "pk"))
    found = Pair.objects.filter(pk__in=[*benches, *dockets]).prefetch_related("members__user")
    rows = [
        {
            "pair": pair.name,
            "members": [m.user.get_full_name() for m in pair.members.all() if m.until is None],
            "bench": benches.get(pair.pk),
            "docket": dockets.get(pair.pk),
        }
        for pair in found
    ]
    return sorted(rows, key=lambda row: (row["bench"] is None, row["bench"], row["pair"]))


def _session_of(request: HttpRequest, session_id: int) -> Session:
    return session_for_staff(reader(request), session_id)


@router.post("/sessions/{session_id}/pass-clean", response=CleanOut)
def pass_clean(request: HttpRequest, session_id: Id, data: CleanIn) -> dict[str, Any]:
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
    return {"passed": passed, "changed": changed}


def _floor(session: Session, user: User) -> dict[str, Any]:
    now = clock.now()
    related = ("pair", "version__exercise", "claimed_by")
    every = Docket.objects.filter(session=session).select_related(*related).order_by("id")
    dockets = list(every.only(*NEEDED))
    found = standings(dockets)
    by_pair: dict[int, Standing] = {}
    for docket in dockets:  # of several, the one that asks, else the last opened
        if docket.pair_id not in by_pair or not by_pair[docket.pair_id].asks:
            by_pair[docket.pair_id] = found[docket.pk]
    seats = list(Seat.objects.filter(session=session).select_related("pair"))
    seated = {seat.pair_id for seat in seats}
    drawn = session.room.benches.values_list("number", "row", "column", "name")
    places = {number: (row, column, name) for number, row, column, name in drawn}
    planned = dict(session.planned.values_list("exercise_id", "exercise__title"))
    does = dict(session.assignments.values_list("pair_id", "exercise_id"))
    # A session has few exercises, whose texts are read once for all of its dockets.
    versions = ExerciseVersion.objects.in_bulk({docket.version_id for docket in dockets})
    stations = {pk: stations_of(version.file) for pk, version in versions.items()}
    cards = [_card(seat, by_pair.get(seat.pair_id), stations) for seat in seats]
    cards += [_card(None, standing, stations) for pair_id, standing in by_pair.items() if pair_id not in seated]
    benches = {seat.pair_id: seat.bench for seat in seats}
    waiting = [standing for standing in found.values() if standing.asks or standing.is_off]
    waiting.sort(key=lambda s: (s.docket.claimed_by_id not in (None, user.pk), *s.urgency(now)))
    for card, seat in zip(cards, seats, strict=False):
        card["row"], card["column"], card["place"] = places.get(seat.bench, (None, None, ""))
        card["exercise"] = card["exercise"] or planned.get(does.get(seat.pair_id, 0), "")
    titles = list(dict.fromkeys([*planned.values(), *(docket.version.exercise.title for docket in dockets)]))
    return {
        "session": _session(session),
        "columns": max((column for _, column, _ in places.values()), default=session.room.columns - 1) + 1,
        "title": _title(titles, session),
        "exercises": len(titles),
        "benches": cards,
        "round": [_visit(benches.get(standing.docket.pair_id), standing, user) for standing in waiting],
        "hatch": _hatch(session),
    }


def _title(titles: list[str], session: Session) -> str:
    """The exercises of a session, counted where they are many; its section where there are none yet."""
    if len(titles) > MOST_TITLES:
        return f"{len(titles)} exercises"
    return " · ".join(titles) or str(session.section)


def _session(session: Session) -> dict[str, Any]:
    return {
        "id": session.pk,
        "section": str(session.section),
        "room": session.room.name,
        "starts_at": session.starts_at,
        "ends_at": session.ends_at,
        "zone": session.section.course.zone,
        "paused": session.paused_at is not None,
    }


def _card(seat: Seat | None, standing: Standing | None, stations: Mapping[int, list[Station]]) -> dict[str, Any]:
    docket = standing.docket if standing else None
    row = standing.row if standing else None
    rows = standing.rows if standing else {}
    pair = seat.pair if seat else docket.pair if docket else None
    assert pair is not None  # a card is of a seat or of a docket
    return {
        "bench": seat.bench if seat else None,
        "row": None,
        "column": None,
        "place": "",
        "exercise": docket.version.exercise.title if docket else "",
        "pair": pair.name,
        "badge": pair.badge,
        "docket": docket.pk if docket else None,
        "revision": docket.revision if docket else 0,
        "stations": [
            {
                "station": s.value,
                "state": rows[s].state if s in rows else None,
                "since": rows[s].since if s in rows else None,
            }
            for s in (stations.get(docket.version_id, ORDER) if docket else ORDER)
        ],
        "station": row.station if row else "kit",
        "state": row.state if row else None,
        "since": row.since if row else None,
        "asks": bool(standing and standing.asks),
        "off": bool(standing and standing.is_off),
        "clean": bool(standing and standing.is_clean),
        "line": words(standing)[0] if standing else "no kit yet",
        "last_value": standing.last_value if standing else "",
        "findings": standing.summary.counts if standing and row and row.state != State.PASSED else {},
        "claimed_by": docket.claimed_by.get_full_name() if docket and docket.claimed_by else "",
    }


def _visit(bench: int | None, standing: Standing, reader: User) -> dict[str, Any]:
    docket, row = standing.docket, standing.row
    assert row is not None
    worst = standing.summary.worst
    serious = worst in ("stop", "fix")
    return {
        "docket": docket.pk,
        "bench": bench,
        "pair": docket.pair.name,
        "station": "power" if standing.is_off else row.station,
        "since": standing.rows["power"].since if standing.is_off else row.since,
        "revision": docket.revision,
        "reason": words(standing)[1],
        "severity": "stop" if standing.is_off else worst if serious else None,
        "seen": standing.summary.seen if serious and not standing.is_off else "",
        "claimed_by": docket.claimed_by.get_full_name() if docket.claimed_by else "",
        "mine": docket.claimed_by_id == reader.pk,
    }


def _hatch(session: Session) -> list[str]:
    """What the hatch has to say: substitutions of this session, kits of this course in repair or incomplete."""
    given = Substitution.objects.filter(issue__session=session).select_related("issue__pair")
    said = [f"{s.issue.pair}: {s.ref} is {s.ohms:g} Ω, {s.reason}. The sheet follows." for s in given]
    return said + held_back(session.section.course_id)
