"""Modules and boards as a table. Settings stand as `jumper=single; hold=8s`."""

from collections.abc import Iterable

from verifex.people.models import User
from verifex.stores.exchange.table import Done, Row, Table, changes_text, day
from verifex.stores.models import Batch, Module
from verifex.stores.present.modules import state_of, whole_modules
from verifex.stores.refusals.exchange import HeadersNotYesOrNo, ModuleIsOtherPart, UnknownBatch
from verifex.stores.services import modules
from verifex.stores.services.kits import kit_of
from verifex.tables.write import Cells

HEAD = ("Tag", "Part", "Batch", "Kit", "Place", "Settings", "Headers", "Bought on", "Note", "State")
HEADERS = {"": None, "yes": True, "no": False}


def _rows(actor: User) -> Iterable[Cells]:
    for module in whole_modules():
        place = getattr(module, "place", None)
        yield (
            module.tag, module.part, module.batch.name if module.batch else "", place.kit.tag if place else "",
            place.ref if place else "", "; ".join(f"{n}={v}" for n, v in module.settings.items()),
            {None: "", True: "yes", False: "no"}[module.headers], module.bought_on, module.note, state_of(module)[0],
        )  # fmt: skip


def _put(actor: User, row: Row) -> Done:
    """State is not read: it follows from kits, tests and faults. A module that is in a kit already stays there."""
    batch = Batch.objects.filter(name__iexact=row["Batch"]).first() if row.get("Batch") else None
    if row.get("Batch") and batch is None:
        raise UnknownBatch(row["Batch"])
    headers = row.get("Headers", "").casefold()
    if headers not in HEADERS:
        raise HeadersNotYesOrNo()
    held = Module.objects.filter(tag__iexact=row["Tag"]).select_related("batch", "place__kit").first()
    settings = _settings(row.get("Settings", ""))
    made = held is None
    if held is None:
        held = modules.add_module(actor, row["Tag"], row["Part"], day(row, "Bought on"))
    elif row["Part"] != held.part:
        raise ModuleIsOtherPart(held.tag, held.part)
    place = getattr(held, "place", None)
    values = {
        "batch": batch if "Batch" in row else held.batch, "settings": settings if "Settings" in row else held.settings,
        "headers": HEADERS[headers] if "Headers" in row else held.headers, "note": row.get("Note", held.note)[:200],
    }  # fmt: skip
    said = changes_text([(name.title(), getattr(held, name), value) for name, value in values.items()])
    kit = row.get("Kit", "") if place is None else ""
    if said or made:
        modules.save_module(actor, held, values)
    if kit:
        where = modules.put_into(actor, held, kit_of(kit), row.get("Place", "").upper())
        said = ", ".join(filter(None, [said, f"into {where.kit.tag}, {where.ref}"]))
    if made:
        return "added", said
    return ("changed", said) if said else ("same", "")


def _settings(text: str) -> dict[str, str]:
    pairs = (entry.partition("=") for entry in text.split(";") if entry.strip())
    return {name.strip().lower(): value.strip() for name, _, value in pairs}


MODULES = Table("modules", "Modules", HEAD, _rows, _put, asked=2)
