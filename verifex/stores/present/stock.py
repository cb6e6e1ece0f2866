"""Drawers and orders as the stores show them."""

from typing import Any

from django.db.models import Max, Sum

from verifex.stores.models import StockItem, StockMove
from verifex.stores.orders import Ordered
from verifex.stores.schemas.stock import OrderOut

ORDER = ("drawer", "part", "ohms", "colour", "title")


def stock_json() -> list[dict[str, Any]]:
    """Everything that is counted, drawer by drawer, each with the last act on it."""
    items = list(StockItem.objects.annotate(last_move=Max("moves")).order_by(*ORDER))
    last = StockMove.objects.select_related("by").in_bulk([item.last_move for item in items if item.last_move])
    counted = dict(
        StockMove.objects.filter(why="counted").values_list("item").annotate(last=Max("id")).values_list("item", "last")
    )
    short: dict[int, int] = {}
    for row in StockMove.objects.filter(short__gt=0).values("item", "id").annotate(short=Sum("short")):
        if row["id"] > counted.get(row["item"], 0):
            short[row["item"]] = short.get(row["item"], 0) + row["short"]
    return [item_json(item, last.get(item.last_move or 0), short.get(item.pk, 0)) for item in items]


def item_json(item: StockItem, last: StockMove | None, short: int) -> dict[str, Any]:
    names = (
        "id", "part", "title", "ohms", "colour", "tolerance_percent", "rated_watts", "count", "least", "drawer", "supplier",
        "lead_days", "price",
    )  # fmt: skip
    return {
        **{name: getattr(item, name) for name in names},
        "low": item.count < item.least,
        "short": short,
        "last": move_json(last) if last else None,
    }


def move_json(move: StockMove) -> dict[str, Any]:
    by = move.by.get_full_name() if move.by else ""
    names = ("id", "delta", "short", "count_after", "why", "note", "at")
    return {**{name: getattr(move, name) for name in names}, "by": by}


def order_json(one: Ordered) -> OrderOut:
    return OrderOut(
        title=one.order.name,
        count=one.order.count,
        by=one.order.by,
        runs_out=one.order.runs_out,
        supplier=one.supplier,
        lead_days=one.lead_days,
        cost=one.price * one.order.count if one.price is not None else None,
        because=one.because,
    )
