"""Shapes of kits and drawers in the API."""

from datetime import datetime

from verifex.api.fields import Reason
from verifex.api.shape import Shape


class KitPartOut(Shape):
    ref: str
    part: str
    title: str
    present: bool
    module: str


class KitTestOut(Shape):
    """A part that has to be tested before its kit goes out; `broken_before` is how often it was broken already."""

    id: int
    ref: str
    title: str
    because: str
    how: str
    well: str
    broken_before: int


class KitTestAnswerIn(Shape):
    is_well: bool
    note: Reason = ""


class KitTestAnsweredOut(Shape):
    message: str


class KitRowOut(Shape):
    """A kit with its state; `serves` are other exercises that it has everything for, `planned` says that its exercise is that of a session
    of today."""

    id: int
    tag: str
    exercise: str
    state: str
    reason: str
    why: str
    holder: str
    issue_id: int | None
    docket_pair: int | None
    parts: list[KitPartOut]
    leg_orders: dict[str, str]
    tests: list[KitTestOut]
    serves: list[str]
    planned: bool
    substitutions: list[str]


class FillOut(Shape):
    """A kit that the spares complete, and with what."""

    tag: str
    what: list[str]


class ComingOut(Shape):
    """An exercise of a coming session: the pairs expected, the kits ready; `fill` says which kits the spares complete, `swap` which are
    completed from one another, `missing` what is then still missing, `short` how many kits are too few."""

    session: int
    starts_at: datetime
    section: str
    exercise: str
    pairs: int
    ready: int
    to_test: list[str]
    swap: list[str]
    fill: list[FillOut]
    missing: list[str]
    short: int


class OfferOut(Shape):
    """A substitute from the drawers: `values_ohms` joined as `how` says."""

    ohms: float
    how: str
    values_ohms: list[float]
    said: str
    drawers: list[str]
    count: int
