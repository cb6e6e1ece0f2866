"""Shapes of kits and drawers in the API."""

from verifex.api.shape import Shape


class KitPartOut(Shape):
    ref: str
    part: str
    title: str
    present: bool


class KitRowOut(Shape):
    id: int
    tag: str
    exercise: str
    state: str
    reason: str
    holder: str
    issue_id: int | None
    docket_pair: int | None
    parts: list[KitPartOut]
    leg_orders: dict[str, str]
    substitutions: list[str]


class OfferOut(Shape):
    """A substitute from the drawers: `values_ohms` joined as `how` says."""

    ohms: float
    how: str
    values_ohms: list[float]
    said: str
    drawers: list[str]
    count: int


class StockResistorOut(Shape):
    ohms: float
    said: str
    tolerance_percent: float
    rated_watts: float
    count: int
    drawer: str
