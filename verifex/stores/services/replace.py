"""One part of a kit exchanged, or put in where it was missing: a tagged module, or one out of a drawer."""

from collections.abc import Collection

from django.db import transaction

from verifex.acts import clock
from verifex.acts.events import STORES, record
from verifex.core.parts import catalogue
from verifex.people.models import User
from verifex.stores.access import require_kit_staff
from verifex.stores.models import Kit, KitPart, Module, Replacement
from verifex.stores.readiness import key_of
from verifex.stores.refusals.modules import ModuleRetired
from verifex.stores.refusals.replacing import (
    ModuleElsewhere,
    ModuleHasFault,
    NoSuchPlace,
    NothingReplaced,
    ReplacedAgainSince,
    ReplacementIsOtherPart,
    ReplacementNeedsReason,
    ReplacementNeedsTag,
    TakenOutModuleInUse,
    UnknownReplacementTag,
)
from verifex.stores.services.faults import open_fault
from verifex.stores.services.found_settings import forget_settings, restore_settings
from verifex.stores.services.given import issue_of_now, renew
from verifex.stores.services.stock import change, take_one


def loose_modules(parts: Collection[str]) -> list[Module]:
    """Modules of these kinds that are well and in no kit, by tag."""
    loose = Module.objects.filter(part__in=parts, place=None, retired_at=None).exclude(
        faults__closed_at=None, faults__isnull=False
    )
    return list(loose.select_related("batch").order_by("tag"))


def fill_place(actor: User | None, place: KitPart) -> str:
    """Put the part in: the module that belongs there, else a loose one where such modules are tagged, else one out of its drawer.
    Returns what somebody should know."""
    tagged = place.module is None and Module.objects.filter(part=place.part, retired_at=None).exists()
    if tagged and (loose := loose_modules([place.part])):
        place.module = loose[0]
    place.present = True
    place.save(update_fields=["present", "module"])
    forget_settings(place.kit, place.ref)
    if place.module is not None:
        return f"{place.module.tag} is its {place.title} now."
    if tagged:
        return f"No tagged {place.title} is free, so one without a tag counts as put in."
    move = take_one(actor, key_of(place), "filled", f"{place.kit.tag} {place.ref}")
    return f"The drawer of {move.item.title} counted none: count it again." if move and move.short else ""


@transaction.atomic
def replace_part(actor: User, kit: Kit, ref: str, *, tag: str = "", reason: str, dead: bool) -> Replacement:
    """Give another part for one of a kit: the module with this tag, or one out of the drawer. `dead` opens a fault of the one that
    was taken out. Raises Refused."""
    require_kit_staff(actor, kit)
    place = kit.parts.select_related("module").filter(ref=ref).first()
    if place is None:
        raise NoSuchPlace(kit.tag, ref or "such part", tuple(p.ref for p in kit.parts.all()))
    if not reason.strip():
        raise ReplacementNeedsReason()
    module = _module(tag, place) if tag.strip() else None
    if module is None and place.module is not None:
        raise ReplacementNeedsTag(place.module.tag, place.title)
    out, was_present = place.module, place.present
    if dead and out is not None:
        open_fault(actor, reason, module=out)
    place.module, place.present = module, True
    place.save(update_fields=["module", "present"])
    before = forget_settings(kit, ref)
    move = None if module else take_one(actor, key_of(place), "given", f"{kit.tag} {ref}")
    made = Replacement.objects.create(
        kit=kit, ref=ref, title=place.title, was_present=was_present, settings_before=before, taken_out=out, put_in=module,
        item=move.item if move else None, reason=reason.strip()[:200], by=actor,
    )  # fmt: skip
    given = module.tag if module else "another"
    _tell(actor, kit, f"{ref}: {given} given for it", f"{place.title} was exchanged")
    record(actor, f"{ref} of {kit.tag}: {given} given"[:120], f"kit:{kit.tag}", scope=STORES, reason=made.reason)
    return made


def _module(tag: str, place: KitPart) -> Module:
    module = Module.objects.filter(tag__iexact=tag.strip()).first()
    if module is None:
        raise UnknownReplacementTag(tag.strip())
    if module.part != place.part:
        kind = catalogue().parts.get(module.part) or catalogue().boards.get(module.part)
        raise ReplacementIsOtherPart(module.tag, place.title, kind.title if kind else module.part)
    if module.retired_at:
        raise ModuleRetired(module.tag)
    if fault := module.faults.filter(closed_at=None).first():
        raise ModuleHasFault(module.tag, fault.what)
    if (held := KitPart.objects.filter(module=module).select_related("kit").first()) is not None:
        where = "in this place already" if held.pk == place.pk else f"in {held.kit.tag}"
        raise ModuleElsewhere(module.tag, where)
    return module


@transaction.atomic
def undo_replacement(actor: User, kit: Kit) -> Replacement:
    """Take back the last replacement in a kit. Refused where something else happened in that place since, or there is none."""
    require_kit_staff(actor, kit)
    made = kit.replacements.filter(undone_at=None).select_related("taken_out", "put_in").order_by("-id").first()
    if made is None:
        raise NothingReplaced(kit.tag)
    place = kit.parts.get(ref=made.ref)
    if place.module_id != made.put_in_id:
        raise ReplacedAgainSince(made.title, kit.tag)
    if made.taken_out and KitPart.objects.filter(module=made.taken_out).exists():
        raise TakenOutModuleInUse(made.taken_out.tag)
    place.module, place.present = made.taken_out, made.was_present
    place.save(update_fields=["module", "present"])
    restore_settings(kit, made.ref, made.settings_before)
    if made.taken_out:
        made.taken_out.faults.filter(closed_at=None, kit=None, what=made.reason).delete()  # what was opened with it
    if made.item:
        change(actor, made.item.pk, 1, "put-back", f"{kit.tag} {made.ref}")
    _tell(actor, kit, f"{made.ref} is as it was before", f"{made.title} was exchanged")
    made.undone_at = clock.now()
    made.save(update_fields=["undone_at"])
    record(actor, f"{made.ref} of {kit.tag} as it was before", f"kit:{kit.tag}", scope=STORES)
    return made


def _tell(actor: User, kit: Kit, verb: str, because: str) -> None:
    """Whoever has the kit wires the new part, so power is cleared anew."""
    if (issue := issue_of_now(kit)) is not None:
        renew(actor, issue, verb, voids_because=because)
