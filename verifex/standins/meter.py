"""A simulated multimeter: two probes on any two places of a bench, in any state; with a meter's own error and burden."""

from collections.abc import Mapping
from dataclasses import dataclass, replace
from random import Random

from verifex.core.circuit.bench import Bench, Part
from verifex.core.circuit.conditions import Conditions
from verifex.core.circuit.nets import Net, Nets
from verifex.core.circuit.operating import ohms_between, operating_point
from verifex.core.circuit.places import LegOf, Place, read_place
from verifex.core.parts import catalogue

INPUT_OHMS = 10e6  # of the volts range; typical of the family
SHUNT_OHMS = 1.0  # of the milliamps range
VOLTS_SHARE, VOLTS_DIGITS = 0.005, 0.01
OHMS_SHARE, LEAD_OHMS = 0.008, 0.3
AMPS_SHARE, AMPS_DIGITS = 0.01, 1e-5
OVERLOAD_OHMS = 20e6


@dataclass(frozen=True)
class Multimeter:
    """A meter of one sample: `seed` decides where in its limits it lies."""

    bench: Bench
    seed: int = 1

    def volts(self, red: str, black: str, *, driven: Mapping[str, float] | None = None) -> float:
        """Volts from the red to the black probe, with pins `driven` to volts. Raises ValueError for a place where nothing is."""
        probed = self._with_resistor(red, black, INPUT_OHMS)
        nets = Nets(probed)
        point = operating_point(nets, Conditions(driven=dict(driven or {})))
        one, other = self._net(nets, red), self._net(nets, black)
        return self._off(point.volts[one.id] - point.volts[other.id], VOLTS_SHARE, VOLTS_DIGITS)

    def ohms(self, red: str, black: str) -> float:
        """Ohms between the probes with the power off; `inf` where the meter shows an open circuit."""
        nets = Nets(self.bench)
        ohms = ohms_between(nets, self._net(nets, red).id, self._net(nets, black).id)
        if ohms is None or ohms > OVERLOAD_OHMS:
            return float("inf")
        return self._off(ohms, OHMS_SHARE, 0.1) + LEAD_OHMS

    def amps(self, wire: int, *, driven: Mapping[str, float] | None = None) -> float:
        """Amps in a wire (by its place in the hand-in), the meter put in its stead."""
        ends = self.bench.wires[wire].ends
        wires = [*self.bench.wires[:wire], *self.bench.wires[wire + 1 :]]
        opened = replace(self.bench, wires=wires)
        metered = replace(opened, parts={**opened.parts, METER: _resistor(ends[0], ends[1], SHUNT_OHMS)})
        point = operating_point(Nets(metered), Conditions(driven=dict(driven or {})))
        return self._off(point.amps.get((METER, "1"), 0.0), AMPS_SHARE, AMPS_DIGITS)

    def _with_resistor(self, red: str, black: str, ohms: float) -> Bench:
        ends = [read_place(red), read_place(black)]
        return replace(self.bench, parts={**self.bench.parts, METER: _resistor(ends[0], ends[1], ohms)})

    def _net(self, nets: Nets, place: str) -> Net:
        at = read_place(place)
        net = nets.of_leg(at.ref, at.leg) if isinstance(at, LegOf) else nets.at(at)
        if net is None:
            raise ValueError(f"nothing is at {place}")
        return net

    def _off(self, value: float, share: float, digits: float) -> float:
        """The value as this meter shows it."""
        error = Random(self.seed).uniform(-1, 1)
        return round((value * (1 + error * share)) / digits) * digits


METER = "RM99"


def _resistor(one: Place, other: Place, ohms: float) -> Part:
    return Part(METER, catalogue().parts["resistor"], {"1": one, "2": other}, {"value": f"{ohms:g}"}, 0)
