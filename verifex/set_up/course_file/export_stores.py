"""The stores in a course's file: its kits, the modules in them with their batches, and what the drawers hold."""

from django.db.models import QuerySet

from verifex.people.models import Course
from verifex.set_up.course_file.shapes import (
    BatchPart,
    CalibrationPart,
    DrawerPart,
    KitPartFile,
    KitPartPart,
    ModulePart,
)
from verifex.stores.models import Batch, Kit, Module, StockItem
from verifex.stores.readiness import fault_words, open_faults


def kits_of(course: Course) -> "QuerySet[Kit]":
    kits = Kit.objects.filter(exercise__course=course).select_related("exercise")
    return kits.prefetch_related("parts__module__faults", "fault_rows")


def kit_file(kit: Kit) -> KitPartFile:
    """A kit as it is; what is wrong with it now in words, without its history."""
    parts = [
        KitPartPart(
            ref=p.ref, part=p.part, title=p.title, settings=p.settings, present=p.present,
            module=p.module.tag if p.module else "",
        )
        for p in kit.parts.all()
    ]  # fmt: skip
    faulty = open_faults(kit)
    note = "; ".join(fault_words(fault) for fault in faulty)[:200]
    return KitPartFile(
        tag=kit.tag, exercise=kit.exercise.slug, in_repair=bool(faulty), repair_note=note,
        leg_orders=kit.leg_orders, settings=kit.settings, parts=parts,
    )  # fmt: skip


def drawers() -> list[DrawerPart]:
    names = [name for name in DrawerPart.model_fields if name != "price"]
    return [
        DrawerPart(
            **{name: getattr(item, name) for name in names}, price=None if item.price is None else str(item.price)
        )
        for item in StockItem.objects.all()
    ]


def batches(course: Course) -> list[BatchPart]:
    names = [name for name in BatchPart.model_fields if name != "price"]
    rows = Batch.objects.filter(modules__in=_modules(course)).distinct()
    return [
        BatchPart(**{name: getattr(row, name) for name in names}, price=None if row.price is None else str(row.price))
        for row in rows
    ]


def modules(course: Course) -> list[ModulePart]:
    """Those in the course's kits, and loose ones; with the calibrations that count."""
    names = list(CalibrationPart.model_fields)
    return [
        ModulePart(
            tag=m.tag, part=m.part, batch=m.batch.name if m.batch else "", settings=m.settings, headers=m.headers,
            bought_on=m.bought_on, note=m.note,
            calibrations=[
                CalibrationPart(**{name: getattr(c, name) for name in names})
                for c in m.calibrations.all()
                if c.withdrawn_at is None
            ],
        )
        for m in _modules(course).select_related("batch").prefetch_related("calibrations")
    ]  # fmt: skip


def _modules(course: Course) -> "QuerySet[Module]":
    there = Module.objects.filter(retired_at=None)
    return there.filter(place=None) | there.filter(place__kit__exercise__course=course)
