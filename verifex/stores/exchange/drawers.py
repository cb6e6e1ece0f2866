"""Drawers as a table."""

from collections.abc import Iterable
from decimal import Decimal
from typing import Any

from verifex.core.parts import catalogue
from verifex.core.planning.stock import ItemKey, item_title
from verifex.core.quantity import in_words, parse_quantity
from verifex.people.models import User
from verifex.stores.exchange.table import Done, Row, Table, changes_text, number, whole
from verifex.stores.models import StockItem
from verifex.stores.refusals.exchange import ValueNotReadable, WattsNotPositive
from verifex.stores.services import stock
from verifex.tables.write import Cells

HEAD = (
    "Part",
    "Title",
    "Value",
    "Colour",
    "Drawer",
    "Count",
    "Smallest stock",
    "Watts",
    "Tolerance %",
    "Supplier",
    "Lead days",
    "Price",
)


def _rows(actor: User) -> Iterable[Cells]:
    for item in StockItem.objects.order_by("drawer", "part", "ohms", "colour", "title"):
        yield (
            item.part, item.title, in_words(item.ohms, "Ω") if item.ohms else "", item.colour, item.drawer, item.count,
            item.least, item.rated_watts, item.tolerance_percent, item.supplier, item.lead_days, item.price,
        )  # fmt: skip


def _put(actor: User, row: Row) -> Done:
    """The count of a thing that is there already is a stock-taking."""
    part = row["Part"]
    try:
        ohms = parse_quantity(row["Value"], "ohm") if row.get("Value") else 0.0
    except ValueError as wrong:
        raise ValueNotReadable(str(wrong)) from None
    key = ItemKey(part, ohms, row.get("Colour", ""))
    title = row.get("Title") or (item_title(key, catalogue().parts[part].title) if part in catalogue().parts else "")
    watts, tolerance = number(row, "Watts", 0.25), number(row, "Tolerance %", 5.0)
    if watts <= 0 or tolerance <= 0:
        raise WattsNotPositive()
    values: dict[str, Any] = {
        "part": part, "title": title, "ohms": ohms, "colour": key.colour, "drawer": row.get("Drawer", "")[:40],
        "least": whole(row, "Smallest stock"), "rated_watts": watts,
        "tolerance_percent": tolerance, "supplier": row.get("Supplier", "")[:80],
        "lead_days": whole(row, "Lead days", 14), "price": Decimal(str(number(row, "Price"))) if row.get("Price") else None,
    }  # fmt: skip
    same = {name: values[name] for name in ("part", "ohms", "colour", "rated_watts", "tolerance_percent")}
    held = StockItem.objects.filter(**same, **({} if part else {"title__iexact": title})).first()
    if held is None:
        item = stock.save_item(actor, {**values, "count": whole(row, "Count")})
        return "added", f"{item.count} in drawer {item.drawer or '(none)'}"
    found = whole(row, "Count", held.count)
    names = (
        ("Drawer", "drawer"),
        ("Smallest stock", "least"),
        ("Supplier", "supplier"),
        ("Lead days", "lead_days"),
        ("Price", "price"),
    )
    values = {
        **values,
        **{field: getattr(held, field) for name, field in names if name not in row},
        "title": held.title,
    }
    changes = [(name, getattr(held, field), values[field]) for name, field in names]
    said = changes_text([*changes, ("Count", held.count, found)])
    if not said:
        return "same", ""
    stock.save_item(actor, values, held.pk)
    if found != held.count:
        stock.count_drawer(actor, held.pk, seen=held.count, found=found)
    return "changed", said


DRAWERS = Table("drawers", "Drawers", HEAD, _rows, _put, asked=2)
