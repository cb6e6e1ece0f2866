"""What is counted by drawer: which drawer a part of a recipe comes out of, and what an act does to a count.

A count never falls below zero: what is taken beyond it is reported as a shortfall, which stock-taking then explains.
"""

from collections.abc import Mapping
from dataclasses import dataclass
from typing import Literal, NamedTuple

from verifex.core.parts import PartType
from verifex.core.quantity import in_words, parse_quantity

Why = Literal["first", "bought", "given", "filled", "used", "put-back", "broken", "counted"]
TAGGED_MODELS = ("module", "relay", "battery")


class ItemKey(NamedTuple):
    """One kind of counted thing: a part of the catalogue with its value in ohms, or its colour; `part` may be a thing that the
    catalogue does not have, such as wires."""

    part: str
    ohms: float = 0.0
    colour: str = ""


def item_key(part: str, settings: Mapping[str, str]) -> ItemKey:
    """Which counted thing a part of a recipe is."""
    try:
        ohms = parse_quantity(settings["value"], "ohm") if part == "resistor" and "value" in settings else 0.0
    except ValueError:
        ohms = 0.0
    return ItemKey(part, ohms, settings.get("colour", "") if part.startswith("led") else "")


def item_title(key: ItemKey, title: str) -> str:
    """`330 Ω resistor`, `red light`: the title of the kind with what tells it from others."""
    told = in_words(key.ohms, "Ω") if key.ohms else key.colour
    return f"{told} {title}".strip()


def is_tagged(kind: PartType) -> bool:
    """Whether parts of a kind are usually tagged one by one: what measures, what is fed, what is dear. The rest is counted."""
    return kind.model in TAGGED_MODELS or bool(kind.channels) or kind.supply is not None


@dataclass(frozen=True, slots=True)
class Moved:
    """A count after an act: `delta` is what really changed, `short` what was taken beyond what was counted."""

    count: int
    delta: int
    short: int = 0


def moved(count: int, change: int) -> Moved:
    """The count after `change` more (or, below 0, fewer)."""
    after = max(0, count + change)
    return Moved(after, after - count, after - count - change)


def counted(count: int, seen: int, found: int) -> Moved:
    """The count after someone found `found` in the drawer while the list said `seen`: what others did since then is kept."""
    return moved(count, found - seen)
