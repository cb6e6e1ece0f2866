"""What a mutation works with: the kinds of parts of a layout, the wires to a leg, taking a part out or bridging it."""

from collections.abc import Callable
from dataclasses import dataclass
from random import Random

from tests.corpus.wiring.blocks import Placed
from tests.corpus.wiring.layout import Layout, Line
from verifex.core.parts import catalogue


@dataclass(frozen=True, slots=True)
class Wrong:
    """What was done and to whom. Several rules may say it rightly: a lead that is gone is a dangling leg or no supply."""

    name: str
    rules: tuple[str, ...]
    severity: str
    parts: tuple[str, ...]


Mutation = Callable[[Layout, Random], Wrong | None]


MUTATIONS: dict[str, Mutation] = {}


def mutation(act: Mutation) -> Mutation:
    MUTATIONS[act.__name__.replace("_", " ")] = act
    return act


def modules_of(layout: Layout, *types: str) -> list[Placed]:
    kinds = catalogue().parts
    return [p for p in layout.parts if kinds[p.type].model == "module" and (not types or p.type in types)]


def parts_of(layout: Layout, *types: str) -> list[Placed]:
    return [p for p in layout.parts if p.type in types]


def swap_legs(layout: Layout, part: Placed, one: str, other: str) -> None:
    """Exchange two legs of a part: each sits where the other sat."""
    places = layout.places
    places[(part.ref, one)], places[(part.ref, other)] = places[(part.ref, other)], places[(part.ref, one)]


def partner(layout: Layout, ref: str, *types: str) -> Placed | None:
    """A part of one of these types in the same block."""
    block = next(b for b in layout.blocks if any(p.ref == ref for p in b.parts))
    return next((p for p in block.parts if p.type in types), None)


def wires_to(layout: Layout, part: Placed, leg: str) -> list[Line]:
    """Wires that end in the row of a leg."""
    place = layout.places[(part.ref, leg)]
    if place[0] in "+-":
        return []
    side = "abcde" if place[0] in "abcde" else "fghij"
    return [w for w in layout.wires if any(e[0] in side and e[1:] == place[1:] for e in w.text.split()[1:3])]


def is_alone(layout: Layout, part: Placed, leg: str) -> bool:
    """Whether nothing but one wire shares the leg's row."""
    place = layout.places[(part.ref, leg)]
    side = "abcde" if place[0] in "abcde" else "fghij"
    legs = [p for p in layout.places.values() if p[0] in side and p[1:] == place[1:]]
    return place[0] not in "+-" and len(legs) == 1 and len(wires_to(layout, part, leg)) == 1


def bridge(layout: Layout, part: Placed) -> None:
    """A wire in place of a part."""
    # Where both rows are one node already, nothing need be laid.
    layout.wires.append(Line(f"wire {layout.places[(part.ref, '1')]} {layout.places[(part.ref, '2')]}"))
    for block in layout.blocks:
        block.parts = [p for p in block.parts if p.ref != part.ref]


def take_out(layout: Layout, part: Placed | None) -> None:
    """A part taken out, with the wires that then end in an empty row."""
    assert part is not None
    for block in layout.blocks:
        block.parts = [p for p in block.parts if p is not part]
    for leg in part.legs:
        layout.places.pop((part.ref, leg))
    while lonely := [wire for wire in layout.wires if _ends_in_nothing(layout, wire)]:
        for wire in lonely:
            layout.wires.remove(wire)


def _ends_in_nothing(layout: Layout, wire: Line) -> bool:
    others = [e for w in layout.wires if w is not wire for e in w.text.split()[1:3]] + list(layout.places.values())
    for end in wire.text.split()[1:3]:
        if end[0] in "abcdefghij" and "." not in end:
            side = "abcde" if end[0] in "abcde" else "fghij"
            if not any(o[0] in side and o[1:] == end[1:] for o in others):
                return True
    return False


def fed_from(
    layout: Layout,
    rng: Random,
    parts: list[Placed],
    old: str,
    new: str,
    name: str,
    rules: tuple[str, ...],
    severity: str,
) -> Wrong | None:
    """The supply wire of a module led to another supply pin; a rail in between is left aside."""
    parts = [p for p in parts if is_alone(layout, p, "supply")]
    if not parts:
        return None
    part = rng.choice(parts)
    wire = wires_to(layout, part, "supply")[0]
    words = wire.text.split(" ")
    place = layout.places[(part.ref, "supply")]
    side = "abcde" if place[0] in "abcde" else "fghij"
    far = next(i for i in (1, 2) if not (words[i][0] in side and words[i][1:] == place[1:]))
    if words[far] != old and words[far][0] not in "+-":
        return None
    words[far] = new
    wire.text = " ".join(words)
    return Wrong(name, rules, severity, (part.ref,))
