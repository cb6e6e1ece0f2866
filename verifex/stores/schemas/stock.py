"""Shapes of drawers and orders."""

from datetime import date, datetime
from decimal import Decimal
from typing import Annotated

from pydantic import Field

from verifex.api.shape import Shape

Name = Annotated[str, Field(max_length=80)]
Count = Annotated[int, Field(ge=0, le=1_000_000)]


class StockItemIn(Shape):
    """A counted thing: `part` of the catalogue with its `ohms` or `colour`, or a `title` of its own. `count` only for a new one."""

    part: Annotated[str, Field(max_length=40)] = ""
    title: Name = ""
    ohms: Annotated[float, Field(ge=0, le=1e9)] = 0.0
    colour: Annotated[str, Field(max_length=20)] = ""
    tolerance_percent: Annotated[float, Field(gt=0, le=20)] = 5.0
    rated_watts: Annotated[float, Field(gt=0, le=1000)] = 0.25
    count: Count = 0
    least: Count = 0
    drawer: Annotated[str, Field(max_length=40)] = ""
    supplier: Name = ""
    lead_days: Annotated[int, Field(ge=0, le=1000)] = 14
    price: Annotated[Decimal, Field(ge=0, lt=1_000_000)] | None = None


class StockMoveOut(Shape):
    id: int
    delta: int
    short: int
    count_after: int
    why: str
    note: str
    at: datetime
    by: str


class StockItemOut(Shape):
    """`low` says that fewer are there than the smallest stock; `last` is the last act on it; `short` how many were taken beyond the count
    since it was counted last."""

    id: int
    part: str
    title: str
    ohms: float
    colour: str
    tolerance_percent: float
    rated_watts: float
    count: int
    least: int
    drawer: str
    supplier: str
    lead_days: int
    price: Decimal | None
    low: bool
    short: int
    last: StockMoveOut | None


class CountIn(Shape):
    """`seen` is the count that the list showed while somebody counted."""

    seen: Count
    found: Count


class BookIn(Shape):
    count: Annotated[int, Field(ge=1, le=1_000_000)]
    note: Annotated[str, Field(max_length=200)] = ""


class StockSavedOut(Shape):
    """`move` can be undone as long as it is the last of its drawer."""

    message: str
    move: int | None = None


class OrderOut(Shape):
    """What to order, at the latest on `by` (none: at once), and the day on which it would fall below its smallest stock."""

    title: str
    count: int
    by: date | None
    runs_out: date
    supplier: str
    lead_days: int
    cost: Decimal | None
    because: str
