"""The hatch: hand out, take back, substitute."""

from dataclasses import dataclass

from django.db import models, transaction

from verifex.core.quantity import in_words
from verifex.exercises.models import ExerciseVersion
from verifex.people import clock
from verifex.people.access import Refused, require_staff
from verifex.people.events import record
from verifex.people.models import Pair, User
from verifex.plan.models import Session
from verifex.stores.advice import allowed_resistors
from verifex.stores.models import Kit, KitIssue, StockResistor, Substitution


@dataclass(frozen=True, slots=True)
class Readiness:
    """Whether a kit can go out: 'ready', 'incomplete', 'out' or 'repair', with the reason in words."""

    state: str
    reason: str


def readiness(kit: Kit) -> Readiness:
    if kit.in_repair:
        return Readiness("repair", f"{kit.tag} is in repair: {kit.repair_note or 'no note'}.")
    open_issue = next((issue for issue in kit.issues.all() if issue.returned_at is None), None)
    if open_issue:
        return Readiness("out", f"{kit.tag} is already out, with {open_issue.pair}.")
    missing = [part.title for part in kit.parts.all() if not part.present]
    if missing:
        return Readiness("incomplete", f"{kit.tag} lacks {', '.join(missing)}.")
    return Readiness("ready", "")


@transaction.atomic
def issue_kit(actor: User, kit: Kit, pair: Pair, session: Session) -> KitIssue:
    """Hand a kit to a pair. Raises Refused with the reason; an earlier kit of the pair must be back first."""
    require_staff(actor, session.section)
    ready = readiness(kit)
    if ready.state != "ready":
        raise Refused(ready.reason)
    if held := KitIssue.objects.filter(pair=pair, session=session, returned_at__isnull=True).first():
        raise Refused(f"{pair} still has {held.kit.tag}; take it back first.")
    issue = KitIssue.objects.create(kit=kit, pair=pair, session=session, issued_by=actor, leg_orders=kit.leg_orders)
    record(actor, f"handed out {kit.tag}", f"kit:{kit.tag}", pair=pair.pk)
    return issue


@transaction.atomic
def take_back(actor: User, issue: KitIssue, faults: list[str]) -> None:
    """A kit comes back; a fault sends it to repair."""
    require_staff(actor, issue.session.section)
    if issue.returned_at:
        raise Refused(f"{issue.kit.tag} is back already.")
    issue.returned_at = clock.now()
    issue.faults = faults
    issue.save()
    if faults:
        issue.kit.in_repair, issue.kit.repair_note = True, "; ".join(faults)[:200]
        issue.kit.save()
    record(actor, f"took back {issue.kit.tag}", f"kit:{issue.kit.tag}", faults=faults)


@transaction.atomic
def substitute(
    actor: User, issue: KitIssue, version: ExerciseVersion, ref: str, ohms: float, reason: str
) -> Substitution:
    """Record a resistor given instead of the recipe's; one of that value leaves its drawer.

    Refused outside the window of its job, and where the store counts that value and none is left.
    """
    require_staff(actor, issue.session.section)
    allowed = allowed_resistors(version).get(ref)
    if allowed is None:
        raise Refused(f"{ref} is no resistor of this recipe; only resistors are substituted.")
    if not allowed.holds(ohms):
        raise Refused(f"{in_words(ohms, 'Ω')} lies outside the window of {ref}: {allowed.window_words}.")
    if not reason.strip():
        raise Refused("Say why another value is given, such as “no 330 Ω left”.")
    _take_one(ohms)
    made = Substitution.objects.create(issue=issue, ref=ref, ohms=ohms, reason=reason.strip())
    record(actor, f"gave {in_words(ohms, 'Ω')} for {ref}", f"kit:{issue.kit.tag}", reason=made.reason)
    return made


def _take_one(ohms: float) -> None:
    """One resistor out of its drawer. A value the store does not count is taken as brought along."""
    counted = StockResistor.objects.filter(ohms=ohms)
    held = counted.filter(count__gt=0).order_by("rated_watts").first()
    if held is None:
        if counted.exists():
            raise Refused(f"The drawers hold no {in_words(ohms, 'Ω')} any more.")
        return
    StockResistor.objects.filter(pk=held.pk).update(count=models.F("count") - 1)


def issued_ohms(issue: KitIssue | None) -> dict[str, float]:
    """Substituted values by reference; the last one counts."""
    return {s.ref: s.ohms for s in issue.substitutions.all()} if issue else {}
