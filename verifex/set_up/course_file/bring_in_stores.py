"""Kits, modules and drawers of a course's file put in. What the store has already stays as it is."""

from collections.abc import Mapping
from decimal import Decimal
from typing import Any

from verifex.core.parts import catalogue
from verifex.core.planning.stock import ItemKey, item_title
from verifex.exercises.models import Exercise
from verifex.set_up.course_file.shapes import CourseFile
from verifex.stores.models import Batch, Calibration, Fault, Kit, KitPart, Module, StockItem, StockMove


class StoresBringer:
    def __init__(self, file: CourseFile, exercises: Mapping[str, Exercise]) -> None:
        self.file, self.exercises = file, exercises
        self.modules: dict[str, Module] = {}

    def bring(self) -> None:
        self._modules()
        for part in self.file.kits:
            self._kit(part)
        self._drawers()

    def _modules(self) -> None:
        """Only new ones: a tag that is there already is another module, and stays where it is."""
        held = set(Module.objects.values_list("tag", flat=True))
        batches = {batch.name: batch for batch in Batch.objects.all()}
        for row in self.file.batches:
            if row.name not in batches:
                batches[row.name] = Batch.objects.create(**_priced(row.model_dump()))
        for one in self.file.modules:
            if one.tag in held:
                continue
            made = Module.objects.create(
                batch=batches.get(one.batch), **one.model_dump(exclude={"batch", "calibrations"})
            )
            Calibration.objects.bulk_create(Calibration(module=made, **c.model_dump()) for c in one.calibrations)
            self.modules[one.tag] = made

    def _kit(self, part: Any) -> None:
        data = part.model_dump(exclude={"exercise", "parts", "in_repair", "repair_note"})
        kit = Kit.objects.create(exercise=self.exercises[part.exercise], **data)
        KitPart.objects.bulk_create(
            KitPart(kit=kit, module=self.modules.get(one.module), **one.model_dump(exclude={"module"}))
            for one in part.parts
        )
        if part.in_repair:
            Fault.objects.create(kit=kit, title=kit.tag, what=part.repair_note or "no note")

    def _drawers(self) -> None:
        kinds = catalogue().parts
        rows = [one.model_dump() for one in self.file.drawers]
        for old in self.file.resistors:
            title = item_title(ItemKey("resistor", old.ohms), kinds["resistor"].title)
            rows.append({**old.model_dump(), "part": "resistor", "title": title})
        for row in rows:
            kind = {n: row[n] for n in ("part", "ohms", "tolerance_percent", "rated_watts")} | {
                "colour": row.get("colour", ""), "title": row["title"],
            }  # fmt: skip
            item, made = StockItem.objects.get_or_create(**kind, defaults=_priced(row))
            if made and item.count:
                StockMove.objects.create(item=item, delta=item.count, count_after=item.count, why="first")


def _priced(row: dict[str, Any]) -> dict[str, Any]:
    return {**row, "price": Decimal(row["price"]) if row.get("price") else None}
