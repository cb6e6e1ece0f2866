"""Batches as a table. Figures that deviate from the catalogue stand as `volts_at_zero=0.4; high_volts=5`."""

from collections.abc import Iterable
from decimal import Decimal

from verifex.people.models import User
from verifex.stores.exchange.table import Done, Row, Table, changes_text, day, number, whole
from verifex.stores.models import Batch
from verifex.stores.refusals.exchange import NotAFigure
from verifex.stores.services import modules
from verifex.tables.write import Cells

HEAD = ("Batch", "Part", "Marking", "Leg order", "Figures", "Supplier", "Lead days", "Price", "Bought on")
_FIELDS = (
    ("Part", "part"), ("Marking", "marking"), ("Leg order", "leg_order"), ("Figures", "figures"), ("Supplier", "supplier"),
    ("Lead days", "lead_days"), ("Price", "price"), ("Bought on", "bought_on"),
)  # fmt: skip


def _rows(actor: User) -> Iterable[Cells]:
    for batch in Batch.objects.all():
        yield (
            batch.name, batch.part, batch.marking, batch.leg_order, "; ".join(f"{n}={v:g}" for n, v in batch.figures.items()),
            batch.supplier, batch.lead_days, batch.price, batch.bought_on,
        )  # fmt: skip


def _put(actor: User, row: Row) -> Done:
    held = Batch.objects.filter(name__iexact=row["Batch"]).first()
    values = {
        "name": row["Batch"][:40], "part": row["Part"], "marking": row.get("Marking", "")[:80],
        "leg_order": row.get("Leg order", ""), "figures": figures_of(row.get("Figures", "")),
        "supplier": row.get("Supplier", "")[:80], "lead_days": whole(row, "Lead days", 14),
        "price": Decimal(str(number(row, "Price"))) if row.get("Price") else None, "bought_on": day(row, "Bought on"),
    }  # fmt: skip
    if held is None:
        modules.save_batch(actor, values)
        return "added", ""
    values = {**values, **{field: getattr(held, field) for name, field in _FIELDS if name not in row}}
    said = changes_text([(name, getattr(held, field), values[field]) for name, field in _FIELDS])
    if not said:
        return "same", ""
    modules.save_batch(actor, values, held.pk)
    return "changed", said


def figures_of(text: str) -> dict[str, float]:
    """`volts_at_zero=0.4; high_volts=5` as figures by name. Raises Refused."""
    found: dict[str, float] = {}
    for entry in filter(None, (one.strip() for one in text.split(";"))):
        name, _, value = entry.partition("=")
        found[name.strip()] = number({"Figures": value.strip()}, "Figures")
        if not name.strip():
            raise NotAFigure(entry)
    return found


BATCHES = Table("batches", "Batches", HEAD, _rows, _put, asked=2)
