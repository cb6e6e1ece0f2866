"""Parts given instead, settings, and whatever else of a kit changes while a pair has it: the docket is judged anew."""

from django.db import transaction
from django.dispatch import receiver

from verifex.dockets.models import State, Station
from verifex.dockets.refusals import MarkingClosed, NoOpenDocketForKit
from verifex.dockets.services.opening import docket_of, kit_changed
from verifex.dockets.stations import state_of
from verifex.people.models import User
from verifex.stores.models import Kit, KitIssue, Substitution
from verifex.stores.services import found_settings, kits, substitutes
from verifex.stores.signals import issue_changed
from verifex.work import queue


def substitute(actor: User, tag: str, ref: str, ohms: float, reason: str) -> Substitution:
    """Record a resistor given instead of the recipe's; from then on checks and sheets follow it."""
    with transaction.atomic():
        issue = kits.open_issue(tag)
        docket = docket_of(issue)
        if docket is None:
            raise NoOpenDocketForKit()
        if state_of(docket, Station.MARK) == State.PASSED:
            raise MarkingClosed()
        made = substitutes.substitute(actor, issue, docket.version, ref, ohms, reason)
        kit_changed(actor, issue, "", f"gave {ohms:g} Ω for {ref}")
    queue.run_pending()
    return made


def undo_substitution(actor: User, tag: str) -> Substitution:
    """The last resistor that was given instead is the recipe's again."""
    with transaction.atomic():
        issue = kits.open_issue(tag)
        docket = docket_of(issue)
        if docket is not None and state_of(docket, Station.MARK) == State.PASSED:
            raise MarkingClosed()
        made = substitutes.undo_substitution(actor, issue)
        kit_changed(actor, issue, "", f"{made.ref} is the recipe’s again")
    queue.run_pending()
    return made


def note_setting(actor: User, tag: str, ref: str, setting: str, value: str) -> Kit:
    """Write down how a module of a kit is set, or what a resistor of it measures; checks and sheets of who has it follow it."""
    with transaction.atomic():
        kit = kits.kit_of(tag)
        found_settings.note_setting(actor, kit, ref, setting, value)
    queue.run_pending()
    return kit


@receiver(issue_changed)
def _hear(sender: object, issue: KitIssue, actor: User, verb: str, voids_because: str, **_: object) -> None:
    """What a pair was given is another thing now: its docket is judged anew."""
    kit_changed(actor, issue, voids_because, verb)
    transaction.on_commit(queue.run_pending)
