"""Parts that have to be tested before their kit goes out again: opened when it comes back, answered by who tested them."""

from collections.abc import Iterable

from django.db import transaction

from verifex.acts import clock
from verifex.acts.events import STORES, record
from verifex.acts.refusals import NotAllowed, Refused
from verifex.core.planning import Look
from verifex.people.access import is_staff_of
from verifex.people.models import User
from verifex.stores.models import KitIssue, PartTest


def open_tests(issue: KitIssue, looks: Iterable[Look]) -> list[PartTest]:
    """Open the tests that must be made; one that is open already for the same place stays as it is."""
    held = set(issue.kit.tests.filter(outcome=PartTest.Outcome.OPEN).values_list("ref", flat=True))
    return [
        PartTest.objects.create(
            kit=issue.kit, issue=issue, ref=look.ref, title=look.title[:80], because=look.because[:200],
            how=look.how[:300], well=look.well[:200],
        )
        for look in looks
        if look.must and look.ref not in held
    ]  # fmt: skip


def forget_tests(issue: KitIssue) -> None:
    """The kit was taken back by mistake: what was opened then is not due."""
    issue.tests.filter(outcome=PartTest.Outcome.OPEN).delete()


@transaction.atomic
def answer_test(actor: User, test_id: int, *, is_well: bool, note: str = "") -> PartTest:
    """Say what a test came to. A broken part is missing from its kit from then on. Refused where it was answered already; raises
    DoesNotExist for a test that is none."""
    test = PartTest.objects.select_related("kit__exercise__course").get(pk=test_id)
    if not is_staff_of(actor, test.kit.exercise.course):
        raise NotAllowed("Only the staff of this course may do that.")
    if test.outcome != PartTest.Outcome.OPEN:
        raise Refused(f"{test.title} of {test.kit.tag} was answered already: {test.outcome}.")
    test.outcome = PartTest.Outcome.WELL if is_well else PartTest.Outcome.BROKEN
    test.note, test.answered_at, test.answered_by = note.strip()[:200], clock.now(), actor
    test.save(update_fields=["outcome", "note", "answered_at", "answered_by"])
    if not is_well and not test.kit.parts.filter(ref=test.ref).update(present=False):
        test.kit.in_repair, test.kit.repair_note = True, f"{test.title} is dead"[:200]
        test.kit.save(update_fields=["in_repair", "repair_note"])
    said = "is well" if is_well else "is broken"
    record(actor, f"{test.ref} of {test.kit.tag} {said}"[:120], f"kit:{test.kit.tag}", scope=STORES, note=test.note)
    return test
