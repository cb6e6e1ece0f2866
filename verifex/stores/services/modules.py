"""Modules, boards and batches as they are written down, and calibrations of them."""

import re
from collections.abc import Mapping
from datetime import date
from typing import Any

from django.db import transaction

from verifex.acts import clock
from verifex.acts.events import STORES, record
from verifex.core.parts import Board, PartType, catalogue
from verifex.core.parts.deviations import with_figures
from verifex.core.planning.calibrations import KINDS_BY_ID
from verifex.people.models import User
from verifex.people.times import latest_day, today
from verifex.stores.access import require_kit_staff, require_module_staff, require_store_staff
from verifex.stores.models import Batch, Calibration, Kit, KitPart, Module
from verifex.stores.refusals.modules import (
    BatchHasOtherModules,
    BatchNameMissing,
    BatchNameTaken,
    BatchOfOtherKind,
    BoardWithoutFigures,
    CalibrationAlreadyWithdrawn,
    CalibrationDayInFuture,
    CalibrationNotPlausible,
    FiguresNotPlausible,
    LegOrderWrong,
    ModuleCount,
    ModuleInKit,
    ModuleRetired,
    ModuleTagPrefix,
    ModuleTagSpelling,
    NoFreePlace,
    PlaceHasOtherModule,
    UnknownCalibrationKind,
    UnknownPart,
)
from verifex.stores.services.found_settings import forget_settings, refuse_setting
from verifex.stores.services.given import renew_for

MOST_AT_ONCE = 60
_TAG = re.compile(r"[A-Za-z0-9][A-Za-z0-9._/-]{0,19}")


def kind_of(part: str) -> PartType | Board:
    """The part or board of the catalogue. Raises Refused."""
    found = catalogue().parts.get(part) or catalogue().boards.get(part)
    if found is None:
        raise UnknownPart(part)
    return found


@transaction.atomic
def save_batch(actor: User, data: Mapping[str, Any], batch_id: int | None = None) -> Batch:
    """Raises Refused for a name that is taken, a leg order that is none, or a figure its kind does not have."""
    require_store_staff(actor)
    kind = kind_of(str(data["part"]))
    name = str(data["name"]).strip()
    if not name:
        raise BatchNameMissing()
    if Batch.objects.filter(name__iexact=name).exclude(pk=batch_id or 0).exists():
        raise BatchNameTaken(name)
    order = str(data.get("leg_order") or "").strip()
    if order and isinstance(kind, PartType) and not kind.is_order(order.split("-")):
        raise LegOrderWrong(order, tuple(kind.legs))
    figures = data.get("figures") or {}
    if figures:
        if not isinstance(kind, PartType):
            raise BoardWithoutFigures()
        try:
            with_figures(kind, figures)
        except ValueError as wrong:
            raise FiguresNotPlausible(str(wrong).splitlines()[0]) from None
    batch = Batch.objects.get(pk=batch_id) if batch_id else Batch()
    if batch_id and batch.part != data["part"] and batch.modules.exists():
        raise BatchHasOtherModules(batch.name)
    for field, value in {**data, "name": name, "leg_order": order, "figures": figures}.items():
        setattr(batch, field, value)
    batch.save()
    for module in batch.modules.select_related("place__kit"):
        renew_for(actor, module, f"batch {batch.name} is described anew")
    record(actor, f"described batch {batch.name}"[:120], f"batch:{batch.pk}", scope=STORES)
    return batch


def next_tags(prefix: str, count: int) -> list[str]:
    """Free tags that go on with a prefix: `T-31`, `T-32`."""
    letters = prefix.strip().upper().rstrip("-")
    if not re.fullmatch(r"[A-Z][A-Z0-9]{0,7}", letters):
        raise ModuleTagPrefix()
    if not 1 <= count <= MOST_AT_ONCE:
        raise ModuleCount(MOST_AT_ONCE)
    taken = set(Module.objects.filter(tag__istartswith=f"{letters}-").values_list("tag", flat=True))
    numbers = (number for number in range(1, 100_000) if f"{letters}-{number:02}" not in taken)
    return [f"{letters}-{next(numbers):02}" for _ in range(count)]


@transaction.atomic
def tag_modules(
    actor: User, part: str, prefix: str, count: int, batch: Batch | None, bought_on: date | None
) -> list[Module]:
    """So many modules of a kind with the next free tags. Raises Refused."""
    require_store_staff(actor)
    kind_of(part)
    if batch and batch.part != part:
        raise BatchOfOtherKind(batch.name)
    made = [
        Module.objects.create(
            tag=tag, part=part, batch=batch, bought_on=bought_on or (batch.bought_on if batch else None)
        )
        for tag in next_tags(prefix, count)
    ]
    said = made[0].tag if count == 1 else f"{made[0].tag} to {made[-1].tag}"
    record(actor, f"tagged {said}", f"module:{made[0].tag}", scope=STORES)
    return made


@transaction.atomic
def add_module(actor: User, tag: str, part: str, bought_on: date | None) -> Module:
    """One with a tag of its own, as a list of somebody's has it. Raises Refused."""
    require_store_staff(actor)
    kind_of(part)
    if not _TAG.fullmatch(tag):
        raise ModuleTagSpelling(tag)
    made = Module.objects.create(tag=tag, part=part, bought_on=bought_on)
    record(actor, f"tagged {made.tag}", f"module:{made.tag}", scope=STORES)
    return made


@transaction.atomic
def save_module(actor: User, module: Module, data: Mapping[str, Any]) -> Module:
    """Batch, settings, headers and note of a module. Raises Refused."""
    require_module_staff(actor, module)
    batch = data.get("batch")
    if batch and batch.part != module.part:
        raise BatchOfOtherKind(batch.name)
    settings = {name: value.strip() for name, value in (data.get("settings") or {}).items() if value.strip()}
    for name, value in settings.items():
        refuse_setting(module.part, module.tag, name, value)
    module.batch, module.settings = batch, settings
    module.headers, module.note = data.get("headers"), str(data.get("note") or "")[:200]
    module.save()
    renew_for(actor, module, f"{module.tag} is described anew")
    record(actor, f"described {module.tag}", f"module:{module.tag}", scope=STORES)
    return module


@transaction.atomic
def put_into(actor: User, module: Module, kit: Kit, ref: str) -> KitPart:
    """Say in which place of a kit a tagged module lies: what was filled before it was tagged. A board goes to `B1`. Raises Refused."""
    require_module_staff(actor, module)
    require_kit_staff(actor, kit)
    if module.retired_at:
        raise ModuleRetired(module.tag)
    if (held := KitPart.objects.filter(module=module).select_related("kit").first()) is not None:
        raise ModuleInKit(module.tag, held.kit.tag)
    if module.part in catalogue().boards:
        place, _ = KitPart.objects.get_or_create(
            kit=kit, ref="B1", defaults={"part": module.part, "title": kind_of(module.part).title[:80]}
        )
    else:
        place = _place(kit, module, ref)
    if place.module_id:
        raise PlaceHasOtherModule(place.ref, kit.tag)
    place.module, place.present = module, True
    place.save(update_fields=["module", "present"])
    forget_settings(kit, place.ref)
    renew_for(actor, module, f"{place.ref} is {module.tag}")
    record(actor, f"{module.tag} is {place.ref} of {kit.tag}", f"kit:{kit.tag}", scope=STORES)
    return place


def _place(kit: Kit, module: Module, ref: str) -> KitPart:
    places = kit.parts.filter(part=module.part, module=None)
    place = places.filter(ref=ref).first() if ref else places.order_by("present", "id").first()
    if place is None:
        raise NoFreePlace(kit.tag, kind_of(module.part).title)
    return place


@transaction.atomic
def calibrate(
    actor: User,
    module: Module,
    kind_id: str,
    quantity: str,
    values: Mapping[str, float],
    with_what: str,
    on: date | None,
) -> Calibration:
    """Write down a calibration; it counts for who has the module now and for all after. Raises Refused for figures that cannot be."""
    require_module_staff(actor, module)
    kind = KINDS_BY_ID.get(kind_id)
    if kind is None:
        raise UnknownCalibrationKind()
    if on and on > latest_day():
        raise CalibrationDayInFuture()
    try:
        found = kind.checked(kind_of(module.part), quantity, values)
    except ValueError as wrong:
        raise CalibrationNotPlausible(module.tag, str(wrong)) from None
    made = Calibration.objects.create(
        module=module, kind=kind.id, quantity=quantity, values=dict(values), with_what=with_what.strip()[:80],
        found=[{"quantity": one.quantity, "figures": one.figures} for one in found],
        words="; ".join(one.words for one in found)[:200], on=on or today(None), days=kind.days, by=actor,
    )  # fmt: skip
    renew_for(actor, module, f"{module.tag} was calibrated: {made.words}")
    record(actor, f"calibrated {module.tag}: {made.words}"[:120], f"module:{module.tag}", scope=STORES)
    return made


@transaction.atomic
def withdraw_calibration(actor: User, calibration_id: int) -> Calibration:
    """A calibration that was wrong counts no more."""
    made = Calibration.objects.select_related("module").get(pk=calibration_id)
    require_module_staff(actor, made.module)
    if made.withdrawn_at:
        raise CalibrationAlreadyWithdrawn()
    made.withdrawn_at = clock.now()
    made.save(update_fields=["withdrawn_at"])
    renew_for(actor, made.module, f"a calibration of {made.module.tag} was withdrawn")
    record(actor, f"withdrew a calibration of {made.module.tag}", f"module:{made.module.tag}", scope=STORES)
    return made
