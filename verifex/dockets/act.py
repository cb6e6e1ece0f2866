"""What every act on a docket has in common: who may, in which state, on which revision, what is written down."""

from collections.abc import Mapping
from typing import Any

from django.db.models import OuterRef, QuerySet, Subquery

from verifex.acts.events import described_since, record, session_scope
from verifex.acts.refusals import Stale
from verifex.dockets.models import Docket, StationState
from verifex.dockets.stations import states
from verifex.dockets.transitions import DocketAct, Transition, permitted, transition
from verifex.people.access import is_member, role_in
from verifex.people.models import User
from verifex.plan.models import Seat


def found() -> "QuerySet[Docket]":
    """Dockets with what nearly everything about them asks for, `seat` (the bench's number) among it."""
    seat = Seat.objects.filter(session=OuterRef("session"), pair=OuterRef("pair")).values("bench")[:1]
    related = ("pair", "session__section__course", "session__room", "version__exercise", "scheme", "claimed_by")
    return Docket.objects.select_related(*related).annotate(seat=Subquery(seat))


def find(docket_id: int) -> Docket:
    """One docket. Raises DoesNotExist."""
    return found().get(pk=docket_id)


def begin(docket_id: int, based_on: int | None) -> Docket:
    """The docket to act on, inside a transaction. Raises Stale when it has moved on from revision `based_on`."""
    docket = find(docket_id)
    if based_on is not None and docket.revision != based_on:
        raise Stale(described_since(docket.subject, based_on))
    return docket


def enter(actor: User, docket: Docket, act: DocketAct, station: str) -> Transition:
    """The table's entry for an act of this person now. Raises NotAllowed, or Refused where it is not possible."""
    return transition(act, station, **situation(actor, docket))


def require(actor: User, docket: Docket, act: DocketAct, station: str) -> None:
    """Raises NotAllowed where this person may never do this act, whatever the states are now."""
    permitted(act, station, role=role_in(actor, docket.session.section), is_member=is_member(actor, docket.pair))


def situation(actor: User, docket: Docket, rows: Mapping[str, StationState] | None = None) -> dict[str, Any]:
    """What the table of transitions is asked with; `rows` are the docket's station states where they are read already."""
    return {
        "states": {station: row.state for station, row in (states(docket) if rows is None else rows).items()},
        "role": role_in(actor, docket.session.section),
        "is_member": is_member(actor, docket.pair),
        "cleared": docket.clearances.filter(voided_at__isnull=True).exists(),
    }


def finish(docket: Docket, actor: User | None, verb: str, **detail: Any) -> None:
    """Count the act and write it into the event log."""
    docket.revision += 1
    docket.save(update_fields=["revision", "claimed_by", "judging_since", "judging_failed_at"])
    scope = session_scope(docket.session_id)
    record(actor, verb[:120], docket.subject, scope=scope, revision=docket.revision, **detail)
