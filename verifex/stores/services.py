"""The hatch: hand out, take back, substitute."""

from dataclasses import dataclass

from django.db import transaction

from verifex.core.exercise import Exercise as ExerciseFile
from verifex.core.quantity import in_words
from verifex.people import clock
from verifex.people.access import Refused, require_staff
from verifex.people.events import record
from verifex.people.models import Pair, User
from verifex.plan.models import Session
from verifex.stores.models import Kit, KitIssue, Substitution


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
def substitute(actor: User, issue: KitIssue, file: ExerciseFile, ref: str, ohms: float, reason: str) -> Substitution:
    """Record a resistor given instead of the recipe's. Refused outside the window of its job."""
    require_staff(actor, issue.session.section)
    job = next((job for job in file.resistor_jobs if job.ref == ref), None)
    if job is None:
        raise Refused(f"{ref} is no resistor of this recipe; only resistors are substituted.")
    if job.low_ohms and job.high_ohms and not job.low_ohms <= ohms <= job.high_ohms:
        window = f"{in_words(job.low_ohms, 'Ω')} to {in_words(job.high_ohms, 'Ω')}"
        raise Refused(f"{in_words(ohms, 'Ω')} lies outside the window of {ref}: {window}.")
    if not reason.strip():
        raise Refused("Say why another value is given, such as “no 330 Ω left”.")
    made = Substitution.objects.create(issue=issue, ref=ref, ohms=ohms, reason=reason.strip())
    record(actor, f"gave {in_words(ohms, 'Ω')} for {ref}", f"kit:{issue.kit.tag}", reason=made.reason)
    return made


def issued_ohms(issue: KitIssue | None) -> dict[str, float]:
    """Substituted values by reference; the last one counts."""
    return {s.ref: s.ohms for s in issue.substitutions.all()} if issue else {}
