"""What every act on a docket has in common: who may, on which revision, what is written down."""

from typing import Any

from verifex.dockets.models import Docket
from verifex.people.access import NotAllowed, Stale, is_member, role_in
from verifex.people.events import record, told_since
from verifex.people.models import User


def begin(docket_id: int, based_on: int | None) -> Docket:
    """The docket to act on, inside a transaction. Raises Stale when it has moved on from revision `based_on`."""
    docket = Docket.objects.select_related("pair", "session__section", "version__exercise", "scheme").get(pk=docket_id)
    if based_on is not None and docket.revision != based_on:
        raise Stale(told_since(docket.subject, based_on))
    return docket


def finish(docket: Docket, actor: User, verb: str, **detail: Any) -> None:
    """Count the act and write it into the event log."""
    docket.revision += 1
    docket.save(update_fields=["revision", "claimed_by"])
    record(actor, verb, docket.subject, revision=docket.revision, **detail)


def require_pair_or_staff(actor: User, docket: Docket) -> None:
    if not is_member(actor, docket.pair) and role_in(actor, docket.session.section) is None:
        raise NotAllowed("This docket belongs to another pair.")
