"""Which nets hang together through parts, and through what: the questions a finger on the board would ask."""

from collections import deque
from collections.abc import Callable, Collection, Iterator
from dataclasses import dataclass
from enum import StrEnum
from itertools import combinations

from verifex.core.circuit.bench import Part
from verifex.core.circuit.nets import Net, Nets


class Link(StrEnum):
    """What lies between two legs of a part."""

    OHMS = "ohms"  # a resistor or a track
    CELL = "cell"  # a light cell
    CONTACT = "contact"  # closed in one position
    CHANNEL = "channel"  # collector to emitter
    DIODE = "diode"
    JUNCTION = "junction"  # base to emitter or collector
    LIGHT = "light"
    LOAD = "load"
    DRAW = "draw"  # inside a module
    SOURCE = "source"


FEEDING = (Link.OHMS, Link.CONTACT, Link.CHANNEL, Link.DIODE)
EVERYTHING = tuple(Link)


@dataclass(frozen=True, slots=True)
class Edge:
    """Part `ref` joins the nets `one` and `other` (by id)."""

    ref: str
    legs: tuple[str, str]
    one: int
    other: int
    link: Link


def links_of(part: Part) -> Iterator[tuple[str, str, Link]]:
    """The pairs of legs between which a part lets current flow, with what lies there."""
    match part.type.model:
        case "resistor":
            yield (*part.ends, Link.OHMS)
        case "pot":
            yield "end1", "wiper", Link.OHMS
            yield "wiper", "end2", Link.OHMS
            yield "end1", "end2", Link.OHMS
        case "light-cell":
            yield (*part.ends, Link.CELL)
        case "switch":
            groups: tuple[tuple[str, ...], ...] = part.type.joined or tuple((leg,) for leg in part.ends)
            yield groups[0][0], groups[1][0], Link.CONTACT
            if part.type.joined:  # whichever leg of each side is placed
                for one in groups[0]:
                    for other in groups[1]:
                        if (one, other) != (groups[0][0], groups[1][0]):
                            yield one, other, Link.CONTACT
        case "diode":
            yield "anode", "cathode", Link.DIODE
        case "led":
            yield "anode", "cathode", Link.LIGHT
        case "led-three":
            for colour in ("red", "green", "blue"):
                yield colour, "common", Link.LIGHT
        case "load":
            yield (*part.ends, Link.LOAD)
        case "relay":
            yield "coil1", "coil2", Link.LOAD
            yield "common", "open", Link.CONTACT
            yield "common", "closed", Link.CONTACT
        case "transistor":
            yield "collector", "emitter", Link.CHANNEL
            yield "base", "emitter", Link.JUNCTION
            yield "base", "collector", Link.JUNCTION
        case "battery":
            yield "plus", "minus", Link.SOURCE
        case "regulator":
            yield "in", "out", Link.SOURCE
            yield "out", "ground", Link.DRAW
            yield "in", "ground", Link.DRAW
        case "module":
            light = part.type.inner_light
            if light:
                yield light.plus, light.minus, Link.LIGHT
            inner = [leg for leg in part.type.legs if not light or leg not in (light.plus, light.minus)]
            for one, other in combinations(inner, 2):
                yield one, other, Link.DRAW


class Paths:
    """The nets of a bench as a graph whose edges are parts."""

    def __init__(self, nets: Nets) -> None:
        self.nets = nets
        self.edges: dict[int, list[Edge]] = {net.id: [] for net in nets.nets}
        for part in nets.bench.parts.values():
            for one_leg, other_leg, link in links_of(part):
                one, other = nets.of_leg(part.ref, one_leg), nets.of_leg(part.ref, other_leg)
                if one is None or other is None or one.id == other.id:
                    continue
                self.edges[one.id].append(Edge(part.ref, (one_leg, other_leg), one.id, other.id, link))
                self.edges[other.id].append(Edge(part.ref, (other_leg, one_leg), other.id, one.id, link))
        self._reached: dict[tuple[object, ...], dict[int, tuple[Edge, ...]]] = {}

    def edges_at(self, net: Net, *links: Link) -> list[Edge]:
        """Edges that leave `net`, of the kinds asked for (all without any)."""
        return [edge for edge in self.edges[net.id] if not links or edge.link in links]

    def reach(
        self, start: Net, links: tuple[Link, ...], *, past_rails: bool = False, without: Collection[str] = ()
    ) -> dict[int, tuple[Edge, ...]]:
        """Nets that can be reached from `start` through `links`, each with the edges on the way (breadth first).

        A rail is reached but not gone through unless `past_rails`; parts in `without` are not used.
        """
        key = (start.id, links, past_rails, frozenset(without))
        found = self._reached.get(key)
        if found is None:
            found = self._reached[key] = self._walk(start.id, frozenset(links), past_rails, key[3])
        return found

    def _walk(
        self, start: int, links: frozenset[Link], past_rails: bool, without: frozenset[str]
    ) -> dict[int, tuple[Edge, ...]]:
        nets = self.nets
        found: dict[int, tuple[Edge, ...]] = {start: ()}
        ahead = deque([start])
        while ahead:
            at = ahead.popleft()
            if at != start and not past_rails and nets.is_rail(nets.nets[at]):
                continue
            way = found[at]
            for edge in self.edges[at]:
                if edge.other not in found and edge.link in links and edge.ref not in without:
                    found[edge.other] = (*way, edge)
                    ahead.append(edge.other)
        return found

    def leads_to(
        self, start: Net, wanted: Callable[[Net], bool], links: tuple[Link, ...], without: Collection[str] = ()
    ) -> tuple[Edge, ...] | None:
        """The shortest way from `start` to a net for which `wanted` holds, past no rail; None when there is none."""
        for net_id, way in self.reach(start, links, without=without).items():
            if wanted(self.nets.nets[net_id]):
                return way
        return None

    def island(self, start: Net) -> set[int]:
        """All nets that hang together with `start` through parts of any kind; a relay's coil and contacts do not."""
        return set(self.reach(start, EVERYTHING, past_rails=True))
