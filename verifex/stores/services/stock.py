"""Counts by drawer: every change is an act that is kept."""

from collections.abc import Mapping
from typing import Any

from django.db import transaction

from verifex.acts.events import STORES, record
from verifex.core.parts import catalogue
from verifex.core.planning.stock import ItemKey, Moved, Why, counted, item_title, moved
from verifex.people.models import User
from verifex.stores.access import require_store_staff
from verifex.stores.models import StockItem, StockMove
from verifex.stores.refusals.modules import UnknownPart
from verifex.stores.refusals.stock import (
    DrawerChangedSince,
    ItemAlreadyCounted,
    StockBookingRange,
    StockCountRange,
    StockItemUnnamed,
)

MOST = 1_000_000


def items_of(key: ItemKey) -> list[StockItem]:
    """What the drawers have of a kind, full ones first and then the weakest rating, so that the better one is left."""
    found = StockItem.objects.filter(part=key.part, ohms=key.ohms, colour=key.colour)
    return sorted(found, key=lambda item: (item.count == 0, item.rated_watts))


def put(actor: User | None, item: StockItem, result: Moved, why: Why, note: str = "") -> StockMove:
    """Keep what an act did to a count; the count is written with it, inside the caller's transaction."""
    item.count = result.count
    item.save(update_fields=["count"])
    return StockMove.objects.create(
        item=item, delta=result.delta, short=result.short, count_after=result.count, why=why, note=note[:200], by=actor
    )


def change(actor: User | None, item_id: int, by: int, why: Why, note: str = "") -> StockMove:
    """More (or, below 0, fewer) of a thing. What is taken beyond the count is reported as a shortfall and kept."""
    with transaction.atomic():
        item = StockItem.objects.get(pk=item_id)  # as it is now, inside the write
        return put(actor, item, moved(item.count, by), why, note)


def take_one(actor: User | None, key: ItemKey, why: Why, note: str = "") -> StockMove | None:
    """One out of its drawer; None where the drawers do not count that thing at all."""
    held = items_of(key)
    return change(actor, held[0].pk, -1, why, note) if held else None


@transaction.atomic
def count_drawer(actor: User, item_id: int, *, seen: int, found: int) -> StockMove:
    """Stock-taking: somebody found so many while the list said `seen`. What others took since then stays taken."""
    require_store_staff(actor)
    if not 0 <= found <= MOST:
        raise StockCountRange(MOST)
    item = StockItem.objects.get(pk=item_id)
    move = put(actor, item, counted(item.count, seen, found), "counted")
    record(actor, f"counted {item.title}: {found}"[:120], f"stock:{item.pk}", scope=STORES, seen=seen, found=found)
    return move


@transaction.atomic
def book_in(actor: User, item_id: int, count: int, note: str = "") -> StockMove:
    """Bought, or found and put back."""
    require_store_staff(actor)
    if not 1 <= count <= MOST:
        raise StockBookingRange(MOST)
    move = change(actor, item_id, count, "bought", note)
    record(actor, f"booked in {count} {move.item.title}"[:120], f"stock:{item_id}", scope=STORES)
    return move


@transaction.atomic
def undo_move(actor: User, move_id: int) -> StockItem:
    """Take back one act on a count. Refused for one that is not the last of its drawer: later counts rest on it."""
    require_store_staff(actor)
    move = StockMove.objects.select_related("item").get(pk=move_id)
    last = move.item.moves.order_by("-id").first()
    if last is None or last.pk != move.pk or move.why not in ("counted", "bought"):
        raise DrawerChangedSince(move.item.title)
    item = move.item
    item.count -= move.delta
    item.save(update_fields=["count"])
    record(actor, f"took back the count of {item.title}"[:120], f"stock:{item.pk}", scope=STORES)
    move.delete()
    return item


@transaction.atomic
def save_item(actor: User, data: Mapping[str, Any], item_id: int | None = None) -> StockItem:
    """A drawer's thing as it is described; a new one begins with its count. Raises Refused for one that is there already."""
    require_store_staff(actor)
    values = {name: data[name] for name in data if name != "count"}
    part = values.get("part") or ""
    kinds = catalogue().parts
    if part and part not in kinds:
        raise UnknownPart(part)
    if not values.get("title"):
        if not part:
            raise StockItemUnnamed()
        values["title"] = item_title(
            ItemKey(part, values.get("ohms") or 0.0, values.get("colour") or ""), kinds[part].title
        )
    same = StockItem.objects.filter(
        part=part, ohms=values.get("ohms") or 0.0, colour=values.get("colour") or "",
        tolerance_percent=values.get("tolerance_percent", 5.0), rated_watts=values.get("rated_watts", 0.25),
    )  # fmt: skip
    if not part:
        same = same.filter(title__iexact=values["title"])
    if (held := same.exclude(pk=item_id or 0).first()) is not None:
        raise ItemAlreadyCounted(held.title, held.drawer or "(none)")
    if item_id is None:
        item = StockItem.objects.create(**values)
        put(actor, item, moved(0, max(0, int(data.get("count") or 0))), "first")
    else:
        item = StockItem.objects.get(pk=item_id)
        for name, value in values.items():
            setattr(item, name, value)
        item.save()
    record(actor, f"described {item.title}"[:120], f"stock:{item.pk}", scope=STORES)
    return item
