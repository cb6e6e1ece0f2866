"""Writing the event log, inside the transaction of the act it records; and telling from it whether there is anything new."""

from collections.abc import Sequence
from typing import Any

from django.contrib.auth.models import AbstractUser
from django.db.models import Max

from verifex.acts.models import Event

STORES = "stores"  # the scope of kits and drawers


def record(
    actor: AbstractUser | None, verb: str, subject: str, *, scope: str = "", revision: int = 0, **detail: Any
) -> Event:
    entry = Event(verb=verb, subject=subject, scope=scope, revision=revision, detail=detail)
    entry.actor_id = actor.pk if actor else None
    entry.save()
    return entry


def session_scope(session_id: int) -> str:
    return f"session:{session_id}"


def newest(scopes: Sequence[str]) -> int:
    """A number that grows whenever something happens in these scopes: one look into one index."""
    return Event.objects.filter(scope__in=scopes).aggregate(last=Max("id"))["last"] or 0


def described_since(subject: str, revision: int) -> list[str]:
    """What people did to a subject after a revision, in words; what the program did by itself only where that is all."""
    events = list(Event.objects.filter(subject=subject, revision__gt=revision).select_related("actor"))
    told = [event for event in events if event.actor] or events
    return [f"{event.actor.get_full_name() if event.actor else 'Verifex'}: {event.verb}" for event in told]
