"""The four elements every part is made of. Nodes are numbers from 0; one of them is the ground at 0 V."""

from collections.abc import Iterable
from dataclasses import dataclass, field
from typing import NamedTuple

GMIN_SIEMENS = 1e-12  # from every node to ground, so that a node behind junctions has an answer
FLOATING_NAME = "floats:"
FLOATING_OHMS = 1e6  # what says where a floating island has its zero
LEAST_OHMS = 1e-3  # a stiff supply, and a piece of wire between two sources
JUNCTION_SIEMENS = 1e-12  # across every junction
THERMAL_VOLTS = 0.02586492  # kT/q at 300.15 K, 27 °C: the temperature SPICE assumes


class Resistance(NamedTuple):
    """`ohms` between nodes `a` and `b`; its current counts positive from a to b."""

    name: str
    a: int
    b: int
    ohms: float


class Source(NamedTuple):
    """`volts` between `plus` and `minus` behind `ohms`; its current counts positive out of plus."""

    name: str
    plus: int
    minus: int
    volts: float
    ohms: float


class Junction(NamedTuple):
    """A diode: I = saturation_amps · (exp(V / slope_volts) − 1), positive from anode to cathode."""

    name: str
    anode: int
    cathode: int
    saturation_amps: float
    slope_volts: float


class Transistor(NamedTuple):
    """An NPN transistor by the transport model with high injection; currents count positive into the leg.

    I_F = I_S·(exp(V_BE/V_T) − 1), I_R likewise with V_BC, q = (1 + √(1 + 4·I_F/I_K))/2,
    I_C = (I_F − I_R)/q − I_R/β_R, I_B = I_F/β_F + I_R/β_R
    (H. K. Gummel, H. C. Poon, Bell Syst. Tech. J. 49, 1970, without base-width modulation).
    """

    name: str
    collector: int
    base: int
    emitter: int
    saturation_amps: float
    gain: float
    reverse_gain: float
    knee_amps: float
    slope_volts: float = THERMAL_VOLTS


@dataclass(slots=True)
class Circuit:
    """Elements between nodes 0 … nodes−1; `ground` is the node held at 0 V."""

    nodes: int
    ground: int
    resistances: list[Resistance] = field(default_factory=list)
    sources: list[Source] = field(default_factory=list)
    junctions: list[Junction] = field(default_factory=list)
    transistors: list[Transistor] = field(default_factory=list)

    def new_node(self) -> int:
        self.nodes += 1
        return self.nodes - 1

    def hold_islands(self, anchors: Iterable[int]) -> set[int]:
        """Tie each island that hangs on nothing to ground by one resistance, at the first of `anchors` in it.

        No current flows there: it only says where the island's zero is. An island with one of `anchors` in it
        that hangs on junctions alone is tied too: a stiff source behind a leak of picoamps has no zero that
        arithmetic could find. Returns the nodes of all islands that hang on nothing at all.
        """
        root = list(range(self.nodes))

        def find(node: int) -> int:
            while root[node] != node:
                root[node] = root[root[node]]
                node = root[node]
            return node

        for r in self.resistances:
            root[find(r.a)] = find(r.b)
        for s in self.sources:
            root[find(s.plus)] = find(s.minus)
        wanted = list(anchors)
        tied: set[int] = set()
        for anchor in wanted:
            if (top := find(anchor)) not in (find(self.ground), *tied):
                tied.add(top)
                self.resistances.append(Resistance(f"{FLOATING_NAME}{anchor}", anchor, self.ground, FLOATING_OHMS))
        for j in self.junctions:
            root[find(j.anode)] = find(j.cathode)
        for t in self.transistors:
            root[find(t.collector)] = root[find(t.base)] = find(t.emitter)
        at_ground = find(self.ground)
        islands: dict[int, list[int]] = {}
        for node in range(self.nodes):
            if (top := find(node)) != at_ground:
                islands.setdefault(top, []).append(node)
        for nodes in islands.values():
            if not any(node in nodes for node in wanted):
                self.resistances.append(Resistance(f"{FLOATING_NAME}{nodes[0]}", nodes[0], self.ground, FLOATING_OHMS))
        return {node for nodes in islands.values() for node in nodes}
