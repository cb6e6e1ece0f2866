"""The four elements every part is made of. Nodes are numbers from 0; one of them is the ground at 0 V."""

from dataclasses import dataclass, field
from typing import NamedTuple

GMIN_SIEMENS = 1e-12  # from every node to ground, so that a floating island has an answer
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
