"""The Floor as its screen shows it: cards of benches, visits of the Round, what the hatch has to report."""

from collections.abc import Mapping

from verifex.acts import clock
from verifex.dockets.models import Docket, State, Station
from verifex.dockets.schemas.parts import StationOut
from verifex.dockets.stations import ORDER, stations_of
from verifex.exercises.models import ExerciseVersion
from verifex.floor.round import words
from verifex.floor.schemas import BenchCardOut, FloorOut, SessionOut, VisitOut
from verifex.floor.standing import Standing, standings
from verifex.people.models import User
from verifex.plan.models import Seat, Session
from verifex.stores.models import Substitution
from verifex.stores.readiness import held_back

MOST_TITLES = 2


#: Fields of a docket that its card shows.
NEEDED = (
    *("session", "revision", "judging_since", "pair__name", "pair__badge", "version__exercise__title"),
    *("claimed_by__first_name", "claimed_by__last_name"),
)


def floor_of(session: Session, user: User) -> FloorOut:
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
    cards = [card_of(seat, by_pair.get(seat.pair_id), stations) for seat in seats]
    cards += [card_of(None, standing, stations) for pair_id, standing in by_pair.items() if pair_id not in seated]
    benches = {seat.pair_id: seat.bench for seat in seats}
    waiting = [standing for standing in found.values() if standing.asks or standing.is_off]
    waiting.sort(key=lambda s: (s.docket.claimed_by_id not in (None, user.pk), *s.urgency(now)))
    for card, seat in zip(cards, seats, strict=False):
        card.row, card.column, card.place = places.get(seat.bench, (None, None, ""))
        card.exercise = card.exercise or planned.get(does.get(seat.pair_id, 0), "")
    titles = list(dict.fromkeys([*planned.values(), *(docket.version.exercise.title for docket in dockets)]))
    return FloorOut(
        session=session_of(session),
        columns=max((column for _, column, _ in places.values()), default=session.room.columns - 1) + 1,
        title=title_of(titles, session),
        exercises=len(titles),
        benches=cards,
        round=[visit_of(benches.get(standing.docket.pair_id), standing, user) for standing in waiting],
        hatch=hatch_lines(session),
    )


def title_of(titles: list[str], session: Session) -> str:
    """The exercises of a session, counted where they are many; its section where there are none yet."""
    if len(titles) > MOST_TITLES:
        return f"{len(titles)} exercises"
    return " · ".join(titles) or str(session.section)


def session_of(session: Session) -> SessionOut:
    return SessionOut(
        id=session.pk,
        section=str(session.section),
        room=session.room.name,
        starts_at=session.starts_at,
        ends_at=session.ends_at,
        zone=session.section.course.zone,
        paused=session.paused_at is not None,
    )


def card_of(seat: Seat | None, standing: Standing | None, stations: Mapping[int, list[Station]]) -> BenchCardOut:
    docket = standing.docket if standing else None
    row = standing.row if standing else None
    rows = standing.rows if standing else {}
    pair = seat.pair if seat else docket.pair if docket else None
    assert pair is not None  # a card is of a seat or of a docket
    return BenchCardOut(
        bench=seat.bench if seat else None,
        row=None,
        column=None,
        place="",
        exercise=docket.version.exercise.title if docket else "",
        pair=pair.name,
        badge=pair.badge,
        docket=docket.pk if docket else None,
        revision=docket.revision if docket else 0,
        stations=[
            StationOut(
                station=s.value, state=rows[s].state if s in rows else None, since=rows[s].since if s in rows else None
            )
            for s in (stations.get(docket.version_id, ORDER) if docket else ORDER)
        ],
        station=row.station if row else "kit",
        state=row.state if row else None,
        since=row.since if row else None,
        asks=bool(standing and standing.asks),
        off=bool(standing and standing.is_off),
        clean=bool(standing and standing.is_clean),
        line=words(standing)[0] if standing else "no kit yet",
        last_value=standing.last_value if standing else "",
        findings=standing.summary.counts if standing and row and (row.state != State.PASSED) else {},
        claimed_by=docket.claimed_by.get_full_name() if docket and docket.claimed_by else "",
    )


def visit_of(bench: int | None, standing: Standing, reader: User) -> VisitOut:
    docket, row = standing.docket, standing.row
    assert row is not None
    worst = standing.summary.worst
    serious = worst in ("stop", "fix")
    return VisitOut(
        docket=docket.pk,
        bench=bench,
        pair=docket.pair.name,
        station="power" if standing.is_off else row.station,
        since=standing.rows["power"].since if standing.is_off else row.since,
        revision=docket.revision,
        reason=words(standing)[1],
        severity="stop" if standing.is_off else worst if serious else None,
        seen=standing.summary.seen if serious and (not standing.is_off) else "",
        claimed_by=docket.claimed_by.get_full_name() if docket.claimed_by else "",
        mine=docket.claimed_by_id == reader.pk,
    )


def hatch_lines(session: Session) -> list[str]:
    """What the hatch has to say: substitutions of this session, kits of this course in repair or incomplete."""
    given = Substitution.objects.filter(issue__session=session).select_related("issue__pair")
    said = [f"{s.issue.pair}: {s.ref} is {s.ohms:g} Ω, {s.reason}. The sheet follows." for s in given]
    return said + held_back(session.section.course_id)
