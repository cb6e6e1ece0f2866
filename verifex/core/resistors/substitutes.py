"""What may be given in place of a resistor: single values the store holds, else two of them joined."""

from collections.abc import Iterable
from dataclasses import dataclass
from itertools import combinations_with_replacement
from math import log

from verifex.core.resistors.formulas import parallel_ohms, series_ohms

MOST_SINGLE, MOST_JOINED = 4, 2
GOOD_ENOUGH = log(1.5)  # a single value within half as much again needs no pair beside it


@dataclass(frozen=True, slots=True)
class Substitute:
    """One way to make a value. `how` is single, series or parallel; `values_ohms` the resistors it takes."""

    ohms: float
    how: str
    values_ohms: tuple[float, ...]

    def as_json(self) -> dict[str, object]:
        return {"ohms": self.ohms, "how": self.how, "values_ohms": list(self.values_ohms)}


def substitutes(wanted_ohms: float, low_ohms: float, high_ohms: float, held_ohms: Iterable[float]) -> list[Substitute]:
    """Substitutes inside a window, best first: nearest to what is wanted by ratio, single ones before joined ones.

    Joined ones (two in series or side by side) are offered only where no single one comes near. A value that is
    held twice has to be given twice for a joined one of equal resistors to be offered.
    """
    held = sorted(held_ohms)
    single = _best(
        (Substitute(ohms, "single", (ohms,)) for ohms in set(held)), wanted_ohms, low_ohms, high_ohms, MOST_SINGLE
    )
    if single and abs(log(single[0].ohms / wanted_ohms)) <= GOOD_ENOUGH:
        return single
    pairs = {
        pair
        for pair in combinations_with_replacement(sorted(set(held)), 2)
        if pair[0] != pair[1] or held.count(pair[0]) > 1
    }
    joined = [Substitute(series_ohms(pair), "series", pair) for pair in pairs]
    joined += [Substitute(parallel_ohms(pair), "parallel", pair) for pair in pairs]
    return single + _best(joined, wanted_ohms, low_ohms, high_ohms, MOST_JOINED)


def _best(made: Iterable[Substitute], wanted: float, low: float, high: float, most: int) -> list[Substitute]:
    inside = [one for one in made if low <= one.ohms <= high]
    return sorted(inside, key=lambda one: abs(log(one.ohms / wanted)))[:most]
