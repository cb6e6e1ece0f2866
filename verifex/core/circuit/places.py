"""Places a lead can go: a hole, a rail, a leg of a part or a pin of the board."""

import re
from dataclasses import dataclass
from functools import lru_cache
from typing import TypeAlias

BASES = {"half": 30, "full": 63, "full-split": 63, "none": 0}
SPLIT_AFTER_ROW = 31
LEFT, RIGHT = "abcde", "fghij"


@dataclass(frozen=True, slots=True)
class Hole:
    """A hole of the breadboard: `letter` a–j, `row` from 1."""

    letter: str
    row: int

    @property
    def half(self) -> str:
        return "left" if self.letter in LEFT else "right"

    def __str__(self) -> str:
        return f"{self.letter}{self.row}"


@dataclass(frozen=True, slots=True)
class Rail:
    """A supply rail: `sign` + or -, `side` L or R; the row matters on a split base only."""

    sign: str
    side: str
    row: int | None = None

    @property
    def name(self) -> str:
        return f"{self.sign}{self.side}"

    def __str__(self) -> str:
        return f"{self.name}{self.row if self.row else ''}"


@dataclass(frozen=True, slots=True)
class LegOf:
    """A part's leg or a board's pin, `REF.leg`."""

    ref: str
    leg: str

    def __str__(self) -> str:
        return f"{self.ref}.{self.leg}"


Place: TypeAlias = Hole | Rail | LegOf

_HOLE = re.compile(r"([a-jA-J])([0-9]{1,3})$")
_RAIL = re.compile(r"([+\-−])([LRlr])([0-9]{1,3})?$")
_LEG = re.compile(r"([A-Za-z]+[0-9]+)\.([A-Za-z0-9]+)$")


@lru_cache(maxsize=8192)
def read_place(text: str) -> Place:
    """The place that `text` names. Raises ValueError saying what was expected."""
    if match := _HOLE.match(text):
        return Hole(match.group(1).lower(), int(match.group(2)))
    if match := _RAIL.match(text):
        sign = "+" if match.group(1) == "+" else "-"
        return Rail(sign, match.group(2).upper(), int(match.group(3)) if match.group(3) else None)
    if match := _LEG.match(text):
        return LegOf(match.group(1), match.group(2))
    raise ValueError(f"'{text}' is no place; a hole (a12), a rail (+L) or a leg (U1.out, B1.A0) was expected")


def joined_with(place: Place, base: str) -> tuple[str, ...]:
    """The key of the metal strip under `place`: places with equal keys are joined by the base itself."""
    if isinstance(place, Hole):
        return ("row", str(place.row), place.half)
    if isinstance(place, Rail):
        lower = base == "full-split" and place.row is not None and place.row > SPLIT_AFTER_ROW
        return ("rail", place.name, "lower" if lower else "upper")
    return ("leg", place.ref, place.leg)


def strip_name(key: tuple[str, ...]) -> str:
    """A strip in words: `row 12 left`, `rail +L`, `U1.out`."""
    if key[0] == "row":
        return f"row {key[1]} {key[2]}"
    if key[0] == "rail":
        return f"rail {key[1]}" + (" lower half" if key[2] == "lower" else "")
    return f"{key[1]}.{key[2]}"
