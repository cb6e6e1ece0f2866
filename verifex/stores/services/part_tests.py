"""Parts that have to be tested before their kit goes out again: opened when it comes back, answered by who tested them."""

from collections.abc import Iterable

from django.db import transaction

from verifex.acts import clock
from verifex.acts.events import STORES, record
from verifex.core.planning import Look
from verifex.people.models import User
from verifex.stores.access import require_kit_staff
from verifex.stores.models import KitIssue, PartTest
from verifex.stores.refusals.faults import PartTestAnswered
from verifex.stores.services.faults import close_fault, open_fault


def open_tests(issue: KitIssue, looks: Iterable[Look]) -> list[PartTest]:
    """Open the tests that must be made; one that is open already for the same place stays as it is."""
    held = set(issue.kit.tests.filter(outcome=PartTest.Outcome.OPEN).values_list("ref", flat=True))
    modules = dict(issue.kit.parts.exclude(module=None).values_list("ref", "module"))
    due = [(issue.refs.get(look.ref, look.ref), look) for look in looks if look.must]
    return [
        PartTest.objects.create(
            kit=issue.kit, issue=issue, ref=ref, module_id=modules.get(ref), title=look.title[:80],
            because=look.because[:200], how=look.how[:300], well=look.well[:200],
        )
        for ref, look in due
        if ref not in held
    ]  # fmt: skip


def forget_tests(issue: KitIssue) -> None:
    """The kit was taken back by mistake: what was opened then is not due."""
    issue.tests.filter(outcome=PartTest.Outcome.OPEN).delete()


@transaction.atomic
def answer_test(actor: User, test_id: int, *, is_well: bool, note: str = "") -> PartTest:
    """Say what a test came to. A broken part is missing from its kit from then on. Refused where it was answered already; raises
    DoesNotExist for a test that is none."""
    test = PartTest.objects.select_related("kit__exercise__course", "module").get(pk=test_id)
    require_kit_staff(actor, test.kit)
    if test.outcome != PartTest.Outcome.OPEN:
        raise PartTestAnswered(test.title, test.kit.tag, test.outcome)
    test.outcome = PartTest.Outcome.WELL if is_well else PartTest.Outcome.BROKEN
    test.note, test.answered_at, test.answered_by = note.strip()[:200], clock.now(), actor
    test.save(update_fields=["outcome", "note", "answered_at", "answered_by"])
    if not is_well:
        _broken(actor, test)
    said = "is well" if is_well else "is broken"
    record(actor, f"{test.ref} of {test.kit.tag} {said}"[:120], f"kit:{test.kit.tag}", scope=STORES, note=test.note)
    return test


def _broken(actor: User, test: PartTest) -> None:
    """It stays in the list of faults; its place in the kit is empty, and another one goes in. A board is mended where it is."""
    what = test.note or test.because
    place = test.kit.parts.filter(ref=test.ref).select_related("module").first()
    if test.module is not None and (place is None or place.module_id != test.module_id):
        open_fault(actor, what, module=test.module, issue=test.issue)  # it was exchanged meanwhile: the new one is well
        return
    fault = open_fault(actor, what, kit=test.kit, ref=test.ref, issue=test.issue)
    if place is None:
        return
    if place.module is None:  # it has no tag, so it is thrown away
        close_fault(actor, fault.pk, is_well=False)
        return
    fault.kit, fault.ref = None, ""  # it is a fault of the module from here on, wherever that lies
    fault.save(update_fields=["kit", "ref"])
    place.module, place.present = None, False
    place.save(update_fields=["module", "present"])
