"""A resistor given in place of the recipe's, out of its drawer."""

from django.db import transaction

from verifex.acts.events import STORES, record
from verifex.core.planning.stock import ItemKey
from verifex.core.quantity import in_words
from verifex.exercises.models import ExerciseVersion
from verifex.people.access import require_staff
from verifex.people.models import User
from verifex.stores.advice import allowed_resistors
from verifex.stores.models import KitIssue, StockItem, Substitution
from verifex.stores.refusals.replacing import (
    DrawerEmpty,
    NotAResistorOfRecipe,
    NothingSubstituted,
    SubstituteOutsideWindow,
    SubstitutionNeedsReason,
)
from verifex.stores.services.stock import change, items_of


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
        raise NotAResistorOfRecipe(ref)
    if not allowed.holds(ohms):
        raise SubstituteOutsideWindow(in_words(ohms, "Ω"), ref, allowed.window_words)
    if not reason.strip():
        raise SubstitutionNeedsReason()
    item = _take_one(actor, ohms, f"{issue.kit.tag} {ref}")
    made = Substitution.objects.create(issue=issue, ref=ref, ohms=ohms, reason=reason.strip()[:200], item=item)
    record(actor, f"gave {in_words(ohms, 'Ω')} for {ref}", f"kit:{issue.kit.tag}", scope=STORES, reason=made.reason)
    return made


def _take_one(actor: User, ohms: float, note: str) -> StockItem | None:
    """One resistor out of its drawer. A value the store does not count is taken as brought along."""
    held = items_of(ItemKey("resistor", ohms))
    if not held:
        return None
    if not held[0].count:
        raise DrawerEmpty(in_words(ohms, "Ω"))
    change(actor, held[0].pk, -1, "given", note)
    return held[0]


@transaction.atomic
def undo_substitution(actor: User, issue: KitIssue) -> Substitution:
    """Take back the last one of a kit that is out; the resistor lies in its drawer again."""
    require_staff(actor, issue.session.section)
    made = issue.substitutions.order_by("-at", "-id").first()
    if made is None:
        raise NothingSubstituted(issue.kit.tag)
    if made.item_id:
        change(actor, made.item_id, 1, "put-back", f"{issue.kit.tag} {made.ref}")
    record(actor, f"{made.ref} is the recipe’s again", f"kit:{issue.kit.tag}", scope=STORES)
    made.delete()
    return made
