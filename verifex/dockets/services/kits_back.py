"""Kits that come back: power is off from then on, and what happened to them at the bench is looked at."""

from collections.abc import Mapping, Sequence

from django.db import transaction

from verifex.core.planning import Look
from verifex.dockets.inspection import inspection_of
from verifex.dockets.services.opening import docket_of, kit_changed
from verifex.people.models import User
from verifex.stores.models import Kit, KitIssue
from verifex.stores.services import kits
from verifex.stores.services.part_tests import forget_tests, open_tests
from verifex.work import queue


def take_back(actor: User, tag: str, faults: list[str]) -> KitIssue:
    """A kit comes back; power is off from then on."""
    with transaction.atomic():
        issue = kits.take_back(actor, tag, faults)
        docket = docket_of(issue)
        if docket is not None:
            open_tests(issue, inspection_of(docket, issue))
        kit_changed(actor, issue, f"kit {issue.kit.tag} is back", f"took back {issue.kit.tag}")
    queue.run_pending()
    return issue


def came_back(
    actor: User, tag: str, missing: Sequence[str], used_up: Sequence[str], faults: Mapping[str, str]
) -> tuple[list[str], dict[str, int]]:
    """How a kit that was just taken back really is, in words: parts missing or used up, faults by reference. With it the faults that
    were opened, by reference."""
    said: list[str] = []
    opened: dict[str, int] = {}
    with transaction.atomic():
        kits.just_back(actor, tag)
        for refs, word in ((missing, "missing"), (used_up, "used up")):
            if refs:
                kits.note_missing(actor, tag, [ref.strip().upper() for ref in refs], used_up=word == "used up")
                said.append(f"{', '.join(refs)} {word}")
        for ref, what in faults.items():
            if what.strip():
                issue = note_faults(actor, tag, [what.strip()], ref)
                opened[ref] = issue.fault_rows.filter(ref=ref).latest("pk").pk
                said.append(f"{ref or 'the kit'} to repair: {what.strip()}")
    return said, opened


def looks_of(kit: Kit) -> list[Look]:
    """What to look at in a kit, from what happened to it when it was out last; nothing where it never was."""
    issue = (
        kit.issues.select_related("pair", "session__section", "kit", "exercise").order_by("-issued_at", "-id").first()
    )
    docket = docket_of(issue) if issue else None
    return inspection_of(docket, issue) if docket and issue else []


def note_faults(actor: User, tag: str, faults: list[str], ref: str = "") -> KitIssue:
    """What is wrong with a kit that has just come back; it counts for the care of it."""
    with transaction.atomic():
        issue = kits.note_faults(actor, tag, faults, ref)
        kit_changed(actor, issue, "", f"found a fault in {issue.kit.tag}")
    queue.run_pending()
    return issue


def undo_take_back(actor: User, tag: str) -> KitIssue:
    """A kit that was taken back by mistake is out again, as it was; the bench is cleared anew before power."""
    with transaction.atomic():
        issue = kits.undo_take_back(actor, tag)
        forget_tests(issue)
        kit_changed(actor, issue, "", f"{issue.kit.tag} is out again")
    queue.run_pending()
    return issue
