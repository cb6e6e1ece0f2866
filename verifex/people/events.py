"""Writing the event log; called inside the transaction of the act it records."""

from typing import Any

from verifex.people.models import Event, User


def record(actor: User | None, verb: str, subject: str, *, revision: int = 0, **detail: Any) -> Event:
    return Event.objects.create(actor=actor, verb=verb, subject=subject, revision=revision, detail=detail)


def told_since(subject: str, revision: int) -> list[str]:
    """What happened to a subject after a revision, in words."""
    events = Event.objects.filter(subject=subject, revision__gt=revision).select_related("actor")
    return [f"{event.actor.get_full_name() if event.actor else 'Someone'}: {event.verb}" for event in events]
