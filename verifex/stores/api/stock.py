"""Drawers: what is counted, stock-taking, and what to order."""

from typing import Any

from django.http import HttpRequest, HttpResponse
from ninja import Router

from verifex.api.http import Id
from verifex.people.access import reader, sections_of
from verifex.stores.access import require_store_staff
from verifex.stores.coming import coming
from verifex.stores.models import StockItem, StockMove
from verifex.stores.orders import orders
from verifex.stores.present.stock import move_json, order_json, stock_json
from verifex.stores.schemas.stock import (
    BookIn,
    CountIn,
    OrderOut,
    StockItemIn,
    StockItemOut,
    StockMoveOut,
    StockSavedOut,
)
from verifex.stores.services import stock
from verifex.tables.write import as_csv

router = Router(tags=["stores"])
MOST_MOVES = 60


@router.get("/stock", response=list[StockItemOut])
def list_stock(request: HttpRequest) -> list[dict[str, Any]]:
    """Everything that is counted, drawer by drawer."""
    require_store_staff(reader(request))
    return stock_json()


@router.post("/stock", response=StockSavedOut)
def add_item(request: HttpRequest, data: StockItemIn) -> dict[str, Any]:
    """A new thing in a drawer."""
    item = stock.save_item(reader(request), data.model_dump())
    return {"message": f"{item.title} is in drawer {item.drawer or '(none)'}."}


@router.put("/stock/{item_id}", response=StockSavedOut)
def change_item(request: HttpRequest, item_id: Id, data: StockItemIn) -> dict[str, Any]:
    """Drawer, smallest stock, supplier and price of a thing; its count is counted, not written."""
    return {"message": f"{stock.save_item(reader(request), data.model_dump(), item_id).title} is saved."}


@router.post("/stock/{item_id}/count", response=StockSavedOut)
def count_item(request: HttpRequest, item_id: Id, data: CountIn) -> StockSavedOut:
    """Stock-taking of one thing."""
    move = stock.count_drawer(reader(request), item_id, seen=data.seen, found=data.found)
    return StockSavedOut(message=_counted(move, data.found), move=move.pk)


@router.post("/stock/{item_id}/book-in", response=StockSavedOut)
def book_in(request: HttpRequest, item_id: Id, data: BookIn) -> StockSavedOut:
    """Bought ones that have come."""
    move = stock.book_in(reader(request), item_id, data.count, data.note)
    return StockSavedOut(message=f"{move.item.title}: {move.count_after} now.", move=move.pk)


@router.post("/stock/moves/{move_id}/undo", response=StockSavedOut)
def undo_move(request: HttpRequest, move_id: Id) -> dict[str, Any]:
    """The last count or delivery of a drawer is taken back."""
    item = stock.undo_move(reader(request), move_id)
    return {"message": f"{item.title}: {item.count} again."}


@router.get("/stock/{item_id}/moves", response=list[StockMoveOut])
def list_moves(request: HttpRequest, item_id: Id) -> list[dict[str, Any]]:
    """What happened in a drawer, the newest first."""
    require_store_staff(reader(request))
    item = StockItem.objects.get(pk=item_id)
    return [move_json(move) for move in item.moves.select_related("by").order_by("-id")[:MOST_MOVES]]


@router.get("/stores/orders", response=list[OrderOut])
def list_orders(request: HttpRequest) -> list[OrderOut]:
    """What to order by when, from the rate of use, the coming sessions and the suppliers' lead times."""
    require_store_staff(reader(request))
    return [order_json(one) for one in orders(coming(sections_of(reader(request))))]


@router.get("/stores/orders.csv", include_in_schema=False)
def orders_as_csv(request: HttpRequest) -> HttpResponse:
    """The same as a table."""
    rows = list_orders(request)
    head = ["What", "How many", "Order by", "Below its smallest stock on", "Supplier", "Lead days", "Cost", "Why"]
    names = ("title", "count", "by", "runs_out", "supplier", "lead_days", "cost", "because")
    answer = HttpResponse(
        as_csv(head, [["at once" if n == "by" and row.by is None else getattr(row, n) for n in names] for row in rows]),
        content_type="text/csv; charset=utf-8",
    )
    answer["Content-Disposition"] = 'attachment; filename="orders.csv"'
    return answer


def _counted(move: StockMove, found: int) -> str:
    if move.delta < 0:
        return f"{move.item.title}: {found}; {-move.delta} fewer than the list said."
    return f"{move.item.title}: {found}" + (
        f"; {move.delta} more than the list said." if move.delta else ", as the list said."
    )
