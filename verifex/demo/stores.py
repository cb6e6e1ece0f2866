"""The demo's stores: kits of all exercises, modules tagged one by one, drawers, calibrations and faults, through the services."""

from collections.abc import Mapping
from datetime import date, datetime, timedelta
from decimal import Decimal
from itertools import cycle
from typing import Any

from verifex.acts.clock import acting_at
from verifex.core.quantity import parse_quantity
from verifex.exercises.models import ExerciseVersion
from verifex.people.models import User
from verifex.stores.models import Batch, Kit, KitPart, Module
from verifex.stores.services import faults, modules, stock
from verifex.stores.services.filling import make_kits

DAYS_BEFORE = 300  # when the stores were filled


def fill_stores(data: Mapping[str, Any], versions: Mapping[str, ExerciseVersion], actor: User, now: datetime) -> None:
    with acting_at(now - timedelta(days=DAYS_BEFORE)):
        _kits(data["kits"], versions, actor)
        for row in data["drawers"]:
            _drawer(row, actor)
        for row in data["batches"]:
            _batch(row, actor, now.date())
        for part, row in data["modules"].items():
            _tag(part, row, actor)
        _boards(data["boards"], actor)
    for row in data["calibrations"]:
        with acting_at(now - timedelta(days=row["days_ago"])):
            _calibrate(row, actor)
    for row in sorted(data["faults"], key=lambda row: -row["days_ago"]):
        with acting_at(now - timedelta(days=row["days_ago"])):
            _fault(row, actor)


def _kits(rows: list[dict[str, Any]], versions: Mapping[str, ExerciseVersion], actor: User) -> None:
    for row in rows:
        make_kits(actor, versions[row["exercise"]].exercise, row["prefix"], row["count"])
        for tag, refs in row.get("lacks", {}).items():
            KitPart.objects.filter(kit__tag=tag, ref__in=refs).update(present=False)


def _drawer(row: dict[str, Any], actor: User) -> None:
    values = {name: row[name] for name in row if name != "value"}
    if "value" in row:
        values["ohms"] = parse_quantity(str(row["value"]), "ohm")
    stock.save_item(actor, {"supplier": "mail order", "lead_days": 10, **values})


def _batch(row: dict[str, Any], actor: User, today: date) -> None:
    values = {name: row[name] for name in row if name != "bought_days_ago"}
    bought = today - timedelta(days=row["bought_days_ago"])
    modules.save_batch(actor, {**values, "price": Decimal(row["price"]), "bought_on": bought})


def _tag(part: str, row: dict[str, Any], actor: User) -> None:
    """One for each place of a kit that is not empty, and the spares."""
    batches = cycle([Batch.objects.get(name=name) for name in row["batches"]])
    places = list(KitPart.objects.filter(part=part, present=True).select_related("kit").order_by("kit__tag"))
    for place in [*places, *[None] * row["spares"]]:
        [module] = modules.tag_modules(actor, part, row["prefix"], 1, next(batches), None)
        if place is not None:
            modules.put_into(actor, module, place.kit, place.ref)


def _boards(row: dict[str, Any], actor: User) -> None:
    made = modules.tag_modules(actor, row["part"], row["prefix"], row["count"], None, None)
    for board, kit in zip(made, Kit.objects.filter(tag__startswith="HB-").order_by("tag"), strict=False):
        modules.put_into(actor, board, kit, "B1")


def _calibrate(row: dict[str, Any], actor: User) -> None:
    module = _module(row)
    modules.calibrate(actor, module, row["kind"], row.get("quantity", ""), row["values"], row["with_what"], None)


def _fault(row: dict[str, Any], actor: User) -> None:
    """A fault of the module in a place; a `loose` one was taken out, and its place is empty."""
    if row.get("loose"):
        part = KitPart.objects.get(kit__tag=row["kit"], ref=row["ref"]).part
        last = Module.objects.filter(part=part).exclude(batch=None).latest("pk")
        [module] = modules.tag_modules(actor, part, last.tag.rsplit("-", 1)[0], 1, last.batch, None)
    else:
        module = _module(row)
    fault = faults.open_fault_of_module(actor, module, row["what"])
    if row.get("state") == "mending":
        faults.mend(actor, fault.pk)
    if "closed" in row:
        faults.close_fault(actor, fault.pk, is_well=row["closed"] == "well", note=row["note"])
        if row["closed"] == "retired":
            place = KitPart.objects.get(kit__tag=row["kit"], ref=row["ref"])
            [new] = modules.tag_modules(actor, module.part, module.tag.rsplit("-", 1)[0], 1, module.batch, None)
            modules.put_into(actor, new, place.kit, place.ref)


def _module(row: dict[str, Any]) -> Module:
    found = KitPart.objects.select_related("module").get(kit__tag=row["kit"], ref=row["ref"]).module
    assert found is not None, f"{row['kit']} {row['ref']} of the demo has no module"
    return found
