"""Faults: opened, taken to the repair bench, mended or retired."""

from django.db import transaction

from verifex.acts import clock
from verifex.acts.events import STORES, record
from verifex.people.models import User
from verifex.stores.access import require_fault_staff, require_module_staff
from verifex.stores.models import Fault, Kit, KitIssue, KitPart, Module
from verifex.stores.readiness import open_faults
from verifex.stores.refusals.faults import FaultAlreadyClosed, FaultTextMissing, KitHasNoSuchPlace, WholeKitFault

CLOSED = (Fault.State.WELL, Fault.State.RETIRED)


def open_fault(
    actor: User | None,
    what: str,
    *,
    kit: Kit | None = None,
    ref: str = "",
    module: Module | None = None,
    issue: KitIssue | None = None,
) -> Fault:
    """Write down a fault of a module, of a kit, or of one part of a kit (and so of the module that is in that place)."""
    if not what.strip():
        raise FaultTextMissing()
    title = ""
    if kit is not None and ref:
        place = kit.parts.filter(ref=ref).select_related("module").first()
        if place is None and not ref.startswith("pin "):
            raise KitHasNoSuchPlace(kit.tag, ref)
        module = module or (place.module if place else None)
        title = place.title if place else ref
    title = " ".join(filter(None, [title, module.tag if module else ""])) or (kit.tag if kit else "")
    fault = Fault.objects.create(
        kit=kit, ref=ref, module=module, issue=issue, title=title[:80], what=what.strip()[:200], opened_by=actor
    )
    record(actor, f"fault of {title}: {fault.what}"[:120], _subject(fault), scope=STORES)
    return fault


@transaction.atomic
def open_fault_of_module(actor: User, module: Module, what: str) -> Fault:
    require_module_staff(actor, module)
    place = place_of(module)
    return open_fault(actor, what, kit=place.kit if place else None, ref=place.ref if place else "", module=module)


@transaction.atomic
def mend(actor: User, fault_id: int) -> Fault:
    """It lies on the repair bench now."""
    fault = _open(actor, fault_id)
    fault.state = Fault.State.MENDING
    fault.save(update_fields=["state"])
    record(actor, f"{fault.title} is being mended"[:120], _subject(fault), scope=STORES)
    return fault


@transaction.atomic
def close_fault(actor: User, fault_id: int, *, is_well: bool, note: str = "") -> Fault:
    """Somebody says that it is well, or that it is thrown away. A module that is retired leaves its kit, which lacks it from then on."""
    fault = _open(actor, fault_id)
    if not is_well and not fault.module and not fault.ref:
        raise WholeKitFault(fault.title)
    _close(actor, fault, Fault.State.WELL if is_well else Fault.State.RETIRED, note)
    if not is_well:
        if fault.module:
            retire(fault.module)
        elif fault.kit:
            fault.kit.parts.filter(ref=fault.ref).update(present=False)
    said = "is well again" if is_well else "is retired"
    record(actor, f"{fault.title} {said}"[:120], _subject(fault), scope=STORES, note=note)
    return fault


def close_all(actor: User, kit: Kit) -> list[str]:
    """Everything that was wrong with a kit and what is in it is mended; what that was, in words."""
    faults = open_faults(kit)
    for fault in faults:
        _close(actor, fault, Fault.State.WELL, "")
    return [fault.what for fault in faults]


def retire(module: Module) -> None:
    module.retired_at = clock.now()
    module.save(update_fields=["retired_at"])
    KitPart.objects.filter(module=module).update(module=None, present=False)


def place_of(module: Module) -> KitPart | None:
    return KitPart.objects.filter(module=module).select_related("kit__exercise__course").first()


def _close(actor: User, fault: Fault, state: str, note: str) -> None:
    fault.state, fault.closed_at, fault.closed_by, fault.closing_note = state, clock.now(), actor, note.strip()[:200]
    fault.save(update_fields=["state", "closed_at", "closed_by", "closing_note"])


def _open(actor: User, fault_id: int) -> Fault:
    related = ("kit__exercise__course", "module")
    fault = Fault.objects.select_related(*related).get(pk=fault_id)
    require_fault_staff(actor, fault)
    if fault.state in CLOSED:
        raise FaultAlreadyClosed(fault.title)
    return fault


def _subject(fault: Fault) -> str:
    return f"kit:{fault.kit.tag}" if fault.kit else f"module:{fault.module}"
