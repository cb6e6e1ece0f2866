"""What to order by when: drawers that fall below their smallest stock, and modules that the coming sessions lack."""

from collections import Counter
from collections.abc import Iterable, Sequence
from dataclasses import dataclass
from datetime import date, timedelta
from decimal import Decimal

from django.db.models import Sum

from verifex.core.planning.readiness import Demand, Order, Stock, to_order
from verifex.people.times import local, today
from verifex.stores.coming import Coming
from verifex.stores.models import Batch, KitIssue, StockItem, StockMove

USED = ("given", "filled", "used", "broken")
USUAL_LEAD_DAYS = 14


@dataclass(frozen=True, slots=True)
class Ordered:
    """An order with where it goes and why."""

    order: Order
    supplier: str
    lead_days: int
    price: Decimal | None
    because: str


def orders(rows: Sequence[Coming]) -> list[Ordered]:
    """The most urgent first."""
    now = today(rows[0].session.section.course if rows else None)
    demands = [_demand(row) for row in rows]
    found = [*_of_drawers(demands, now), *_of_modules(rows, now)]
    return sorted(found, key=lambda one: (one.order.by or now, one.order.runs_out, one.order.name))


def _demand(row: Coming) -> Demand:
    day = local(row.session.starts_at, row.session.section.course).date()
    return Demand(str(row.session.pk), day, row.exercise.title, row.pairs)


def _of_drawers(demands: Sequence[Demand], now: date) -> Iterable[Ordered]:
    """Rate of use: what left the drawer for each kit that was ever handed out."""
    issues = KitIssue.objects.count()
    moves = StockMove.objects.filter(why__in=USED).values_list("item").annotate(used=Sum("delta") - Sum("short"))
    used = {item: -amount for item, amount in moves.values_list("item", "used")}
    for item in StockItem.objects.all():
        rate = max(0, used.get(item.pk, 0)) / issues if issues else 0.0
        order = to_order(Stock(item.title, item.count, item.least, rate, item.lead_days), demands, now)
        if order is None:
            continue
        because = f"{item.count} left, {item.least} is the smallest stock"
        because += f"; {rate * 10:.1f} used for ten kits" if rate else ""
        yield Ordered(order, item.supplier, item.lead_days, item.price, because)


def _of_modules(rows: Sequence[Coming], now: date) -> Iterable[Ordered]:
    """Parts that no spare and no swap gives: as many as the worst of the coming sessions lacks, in time for the first of them."""
    most: Counter[str] = Counter()
    first: dict[str, Coming] = {}
    for row in rows:
        for title, count in row.missing.items():
            most[title] = max(most[title], count)
            first.setdefault(title, row)
    counted = set(StockItem.objects.values_list("title", flat=True))
    batches = {b.part: b for b in Batch.objects.order_by("bought_on", "pk")}
    for title, count in most.items():
        row = first[title]
        if title in counted:
            continue
        batch = batches.get(row.parts.get(title, ""))
        lead = batch.lead_days if batch else USUAL_LEAD_DAYS
        day = local(row.session.starts_at, row.session.section.course).date()
        by = day - timedelta(days=lead)
        because = f"{count} short for {row.exercise} on {day.day} {day:%b}"
        order = Order(title, count, by if by > now else None, day)
        yield Ordered(order, batch.supplier if batch else "", lead, batch.price if batch else None, because)
