"""What the coming sessions need, and what to order by when.

Rates are of use: what was used up or broken in the past, for each pair and session; lead times are those of the supplier.
"""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from datetime import date, timedelta
from math import ceil

SAFETY_SHARE = 0.2  # ordered besides what is reckoned with


@dataclass(frozen=True, slots=True)
class Demand:
    """A session to come: its day, the exercise, and how many pairs are expected at it."""

    session: str
    day: date
    exercise: str
    pairs: int


@dataclass(frozen=True, slots=True)
class Kits:
    """The kits of an exercise: how many are ready, and what each of the others lacks, by its tag."""

    ready: int
    lacking: Mapping[str, tuple[str, ...]]


@dataclass(frozen=True, slots=True)
class Lacking:
    """What a session has and needs: `fill` are kits that spares complete, with what goes into them; `missing` what no spare is there
    for, and how many of it."""

    demand: Demand
    ready: int
    fill: Mapping[str, tuple[str, ...]]
    missing: Mapping[str, int]

    @property
    def short(self) -> int:
        """Kits too few, with those counted that spares complete."""
        return max(0, self.demand.pairs - self.ready - len(self.fill))


def readiness_of(demand: Demand, kits: Kits, spares: Mapping[str, int]) -> Lacking:
    """Which kits to complete from the spares for a session, those that lack least first, and what is then still missing."""
    left = dict(spares)
    fill: dict[str, tuple[str, ...]] = {}
    wanted = max(0, demand.pairs - kits.ready)
    open_: list[tuple[str, ...]] = []
    for tag, lacks in sorted(kits.lacking.items(), key=lambda item: (len(item[1]), item[0])):
        need = {part: lacks.count(part) for part in lacks}
        if len(fill) < wanted and all(left.get(part, 0) >= count for part, count in need.items()):
            fill[tag] = lacks
            for part, count in need.items():
                left[part] -= count
        else:
            open_.append(lacks)
    missing: dict[str, int] = {}
    for lacks in open_[: max(0, wanted - len(fill))]:
        for part in lacks:
            missing[part] = missing.get(part, 0) + 1
    missing = {part: count - left.get(part, 0) for part, count in missing.items() if count > left.get(part, 0)}
    return Lacking(demand, kits.ready, fill, missing)


@dataclass(frozen=True, slots=True)
class Stock:
    """What is counted of one thing: how many there are, the smallest stock, how many a pair uses up in a session, and the supplier's
    lead time."""

    name: str
    count: int
    least: int
    used_a_pair: float
    lead_days: int


@dataclass(frozen=True, slots=True)
class Order:
    """How many to order, at the latest on `by` (None: at once), and on which day they would run out."""

    name: str
    count: int
    by: date | None
    runs_out: date


def to_order(stock: Stock, demands: Sequence[Demand], today: date) -> Order | None:
    """What to order so that the smallest stock is kept through all demands; None where it is kept."""
    left = float(stock.count)
    low: date | None = None
    for demand in sorted(demands, key=lambda d: d.day):
        left -= stock.used_a_pair * demand.pairs
        if low is None and left < stock.least:
            low = demand.day
    if low is None:
        if stock.count >= stock.least:
            return None
        low = today
    count = ceil((stock.least - left) * (1 + SAFETY_SHARE))
    by = low - timedelta(days=stock.lead_days)
    return Order(stock.name, max(1, count), by if by > today else None, low)


@dataclass(frozen=True, slots=True)
class Swap:
    """A part that goes from one incomplete kit into another, which is complete with it."""

    part: str
    out_of: str


def swaps(
    lacking: Mapping[str, Sequence[str]], inside: Mapping[str, Sequence[str]], wanted: int
) -> dict[str, list[Swap]]:
    """Which incomplete kits become complete with parts of other incomplete ones, those that lack least first: at most `wanted` of them.

    `lacking` is by tag what a kit lacks, `inside` what it has. A kit that gives a part away is completed no more, and none gives
    one part twice.
    """
    order = sorted(lacking, key=lambda tag: (len(lacking[tag]), tag))
    left = {tag: list(inside.get(tag, ())) for tag in order}
    givers: set[str] = set()
    found: dict[str, list[Swap]] = {}
    for tag in order:
        if len(found) >= wanted or tag in givers:
            continue
        taken: list[Swap] = []
        for part in lacking[tag]:
            # From the one that lacks most: it is the last that anybody would complete.
            giver = next(
                (g for g in reversed(order) if g != tag and g not in found and part in _left(left, taken, g)), None
            )
            if giver is None:
                break
            taken.append(Swap(part, giver))
        if taken and len(taken) == len(lacking[tag]):
            found[tag] = taken
            for swap in taken:
                left[swap.out_of].remove(swap.part)
                givers.add(swap.out_of)
    return found


def _left(left: Mapping[str, Sequence[str]], taken: Sequence[Swap], tag: str) -> list[str]:
    """What a kit still has when what is taken of it so far is out."""
    parts = list(left[tag])
    for swap in taken:
        if swap.out_of == tag:
            parts.remove(swap.part)
    return parts
