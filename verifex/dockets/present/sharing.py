"""Logs that share readings with another bench, and the attempts before."""

from django.db.models import Q

from verifex.api.findings import FindingOut, WhereOut
from verifex.core.hand_ins import HandIn
from verifex.dockets.models import (
    Attempt,
    Docket,
    Judgement,
    SharedReadings,
)
from verifex.dockets.schemas.staff import ReadingsAttemptOut, SharedWithOut
from verifex.plan.models import Seat


def shared_with(attempt: Attempt) -> list[SharedWithOut]:
    """The benches whose logs share a long run of readings with this attempt, whichever was handed in first."""
    related = SharedReadings.objects.filter(Q(one=attempt) | Q(other=attempt))
    rows = list(related.select_related("one__docket__pair", "other__docket__pair").defer("one__text", "other__text"))
    seats = Seat.objects.filter(session__in={a.docket.session_id for row in rows for a in (row.one, row.other)})
    benches = {(seat.session_id, seat.pair_id): seat.bench for seat in seats} if rows else {}
    found = []
    for row in rows:
        other = row.other if row.one_id == attempt.pk else row.one
        found.append(
            SharedWithOut(
                docket=other.docket_id,
                bench=benches.get((other.docket.session_id, other.docket.pair_id)),
                pair=other.docket.pair.name,
                readings=row.readings,
                first=other.at < attempt.at,
            )
        )
    return found


def shared_finding(row: SharedWithOut) -> FindingOut:
    where = f"bench {row.bench}, {row.pair}" if row.bench else row.pair
    order = "handed in before this one" if row.first else "handed in after this one"
    return FindingOut(
        rule="same-noise",
        severity="check",
        seen=f"{row.readings} readings in a row are the same as in the log of {where}, {order}.",
        why="Noise differs from bench to bench; the same run of values twice is worth a question.",
        remedy="Look at this together: ask both pairs to show a step once more.",
        hint="",
        criterion="readings",
        where=WhereOut(),
        also=[],
    )


def earlier_readings(docket: Docket) -> list[ReadingsAttemptOut]:
    """Every attempt at the readings with its verdict, the first one first: a later one may have been made with the
    expected values in sight."""
    newest: dict[int, Judgement] = {}
    for judgement in (
        Judgement.objects.filter(docket=docket, kind=HandIn.READINGS).only("attempt", "summary").order_by("id")
    ):
        newest[judgement.attempt_id] = judgement
    attempts = docket.attempts.filter(kind=HandIn.READINGS).defer("text").order_by("number")
    return [
        ReadingsAttemptOut(number=a.number, at=a.at, verdict=newest[a.pk].summed.verdict if a.pk in newest else "")
        for a in attempts
    ]
