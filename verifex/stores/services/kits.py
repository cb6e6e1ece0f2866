"""Kits out and back."""

from datetime import timedelta

from django.db import models, transaction

from verifex.acts import clock
from verifex.acts.events import STORES, record
from verifex.exercises.models import Exercise
from verifex.people.access import require_staff
from verifex.people.models import Pair, User
from verifex.plan.models import Session
from verifex.stores.access import require_kit_staff
from verifex.stores.models import Fault, Kit, KitIssue, KitPart
from verifex.stores.readiness import not_in, places_for, readiness, recipe_of
from verifex.stores.refusals.faults import FaultTextMissing
from verifex.stores.refusals.kits import (
    KitLacksParts,
    KitLacksPlaces,
    KitNotHeldBack,
    KitNotOut,
    KitNotReady,
    KitNotTakenBack,
    KitReturnedTooLongAgo,
    PairHasKitNow,
    PairHasOtherKit,
    UnknownKit,
)
from verifex.stores.services.faults import close_all, open_fault
from verifex.stores.services.given import snapshot
from verifex.stores.services.replace import fill_place

UNDO_FOR = timedelta(minutes=15)


def kit_of(tag: str) -> Kit:
    """The kit with this tag. Raises Refused."""
    kit = Kit.objects.filter(tag__iexact=tag.strip()).select_related("exercise__course").first()
    if kit is None:
        raise UnknownKit(tag.strip())
    return kit


def open_issue(tag: str) -> KitIssue:
    """Who has the kit with this tag. Raises Refused where it is not out."""
    issue = _issues(tag).filter(returned_at__isnull=True).first()
    if issue is None:
        raise KitNotOut(kit_of(tag).tag)
    return issue


def _issues(tag: str) -> "models.QuerySet[KitIssue]":
    related = ("kit__exercise__course", "exercise", "pair", "session__section")
    return KitIssue.objects.filter(kit=kit_of(tag)).select_related(*related)


@transaction.atomic
def issue_kit(actor: User, kit: Kit, pair: Pair, session: Session, exercise: Exercise) -> KitIssue:
    """Hand a kit to a pair for an exercise that it serves. Raises Refused with the reason; a kit that the pair has for the same
    exercise must be back first."""
    require_staff(actor, session.section)
    kit = Kit.objects.select_related("exercise").get(pk=kit.pk)  # as it is now, inside the write
    held = KitIssue.objects.filter(kit=kit, returned_at__isnull=True).select_related("session__section").first()
    may_name = held is None or held.session.section_id == session.section_id
    ready = readiness(
        kit, may_name_holder=may_name, recipe=recipe_of(kit.exercise_id) if exercise == kit.exercise else ()
    )
    if ready.state != "ready" and not (ready.state == "incomplete" and exercise != kit.exercise):
        raise KitNotReady(ready.reason)
    places = _places(kit, exercise)
    own = KitIssue.objects.filter(pair=pair, session=session, exercise=exercise, returned_at__isnull=True)
    if (one := own.select_related("kit").first()) is not None:
        raise PairHasOtherKit(str(pair), one.kit.tag)
    issue = KitIssue.objects.create(
        kit=kit, pair=pair, session=session, exercise=exercise, issued_by=actor,
        refs={} if exercise == kit.exercise else places, **snapshot(kit, places),
    )  # fmt: skip
    record(actor, f"handed out {kit.tag}", f"kit:{kit.tag}", scope=STORES, pair=pair.pk)
    return issue


def _places(kit: Kit, exercise: Exercise) -> dict[str, str]:
    """By the exercise's references the kit's own. Raises Refused where the kit does not have all of it."""
    if exercise.pk == kit.exercise_id:
        return {part.ref: part.ref for part in kit.parts.all()}
    places = places_for(kit, recipe_of(exercise.pk))
    if places is None:
        raise KitLacksParts(kit.tag, str(kit.exercise), str(exercise))
    return places


@transaction.atomic
def take_back(actor: User, tag: str, faults: list[str]) -> KitIssue:
    """A kit comes back; a fault sends it to repair. Refused where it is not out: a second call changes nothing."""
    issue = open_issue(tag)
    require_staff(actor, issue.session.section)
    issue.returned_at = clock.now()
    issue.faults = faults
    issue.save(update_fields=["returned_at", "faults"])
    for what in faults:
        open_fault(actor, what, kit=issue.kit, issue=issue)
    record(actor, f"took back {issue.kit.tag}", f"kit:{issue.kit.tag}", scope=STORES, faults=faults)
    return issue


@transaction.atomic
def note_faults(actor: User, tag: str, faults: list[str], ref: str = "") -> KitIssue:
    """Write down what is wrong with a kit that has just come back, or with one part of it; it goes to repair."""
    issue = just_back(actor, tag)
    if not faults:
        raise FaultTextMissing()
    issue.faults = [*issue.faults, *faults]
    issue.save(update_fields=["faults"])
    for what in faults:
        open_fault(actor, what, kit=issue.kit, ref=ref, issue=issue)
    record(actor, f"found a fault in {issue.kit.tag}", f"kit:{issue.kit.tag}", scope=STORES, faults=faults)
    return issue


@transaction.atomic
def note_missing(actor: User, tag: str, refs: list[str], *, used_up: bool) -> KitIssue:
    """Parts of a kit that did not come back, or were used up: the kit is incomplete until they are in it again."""
    issue = just_back(actor, tag)
    parts = list(issue.kit.parts.filter(ref__in=refs))
    if unknown := set(refs) - {part.ref for part in parts}:
        raise KitLacksPlaces(issue.kit.tag, tuple(sorted(unknown)))
    for part in parts:
        part.present = False
        part.save(update_fields=["present"])
    word = "used up" if used_up else "missing"
    said = ", ".join(part.title for part in parts)
    record(actor, f"{word} in {issue.kit.tag}: {said}"[:120], f"kit:{issue.kit.tag}", scope=STORES)
    return issue


@transaction.atomic
def put_right(actor: User, tag: str) -> tuple[Kit, list[str]]:
    """A kit that was held back can go out again: it is mended, and what it lacked is in it, out of the drawers where those count it.
    Refused where nothing held it back. With it, what is to be mentioned besides."""
    kit = kit_of(tag)
    require_kit_staff(actor, kit)
    absent = not_in(kit, recipe_of(kit.exercise_id))
    missing = list(kit.parts.filter(present=False).select_related("module"))
    mended = close_all(actor, kit)
    if not mended and not missing and not absent:
        raise KitNotHeldBack(kit.tag)
    notes = [note for part in missing if (note := fill_place(actor, part))]
    for part in absent:
        made = KitPart.objects.create(
            kit=kit,
            ref=part.ref,
            part=part.part,
            title=part.title or part.part,
            settings=dict(part.settings),
            present=False,
        )
        if note := fill_place(actor, made):
            notes.append(note)
    what = [f"repaired: {'; '.join(mended)}"] if mended else []
    titles = [*(part.title for part in missing), *(part.title or part.part for part in absent)]
    what += [f"filled up: {', '.join(titles)}"] if titles else []
    record(actor, f"put {kit.tag} right", f"kit:{kit.tag}", scope=STORES, what="; ".join(what))
    return kit, notes


def just_back(actor: User, tag: str) -> KitIssue:
    """The issue that ended with a kit's return a moment ago. Raises Refused."""
    issue = _issues(tag).order_by("-issued_at", "-id").first()
    if issue is None:
        require_kit_staff(actor, kit_of(tag))
    else:
        require_staff(actor, issue.session.section)
    if issue is None or issue.returned_at is None:
        raise KitNotTakenBack(kit_of(tag).tag)
    if clock.now() - issue.returned_at > UNDO_FOR:
        raise KitReturnedTooLongAgo(issue.kit.tag)
    return issue


@transaction.atomic
def undo_take_back(actor: User, tag: str) -> KitIssue:
    """Put a kit that was just taken back into its pair's hands again, without the faults written down then."""
    issue = just_back(actor, tag)
    own = KitIssue.objects.filter(
        pair=issue.pair, session=issue.session, exercise=issue.exercise, returned_at__isnull=True
    ).first()
    if own:
        raise PairHasKitNow(str(issue.pair), own.kit.tag)
    Fault.objects.filter(issue=issue, closed_at=None).delete()
    issue.returned_at, issue.faults = None, []
    issue.save(update_fields=["returned_at", "faults"])
    record(actor, f"{issue.kit.tag} is out again", f"kit:{issue.kit.tag}", scope=STORES)
    return issue
