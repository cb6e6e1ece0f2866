"""What a model writes into: the elements of one bench in one state, and which of them carry a leg's current."""

from collections.abc import Callable, Hashable, Mapping

import numpy as np

from verifex.core.circuit.bench import Part
from verifex.core.circuit.conditions import Conditions
from verifex.core.circuit.nets import Nets
from verifex.core.circuit.solver import Circuit, Junction, Resistance, Source, Transistor
from verifex.core.parts import Output

PowerState = Hashable
VoltsOf = Callable[[str], float | None]  # a leg's name → its solved volts


class Stamp:
    """The circuit being built. `flows` gives for each (ref, leg) the elements whose current goes into that leg."""

    def __init__(self, nets: Nets, conditions: Conditions, power_states: Mapping[str, PowerState]) -> None:
        self.nets, self.conditions, self.power_states = nets, conditions, power_states
        count = len(nets.nets)
        # A bench without a ground wire has the board's ground all the same: a node that nothing reaches.
        ground = nets.ground_id
        self.circuit = Circuit(count, ground) if ground is not None else Circuit(count + 1, count)
        self.flows: dict[tuple[str, str], list[tuple[str, int]]] = {}

    def copied_for(self, conditions: Conditions, power_states: Mapping[str, PowerState]) -> "Stamp":
        """A stamp that begins with what this one holds."""
        copy = Stamp.__new__(Stamp)
        copy.nets, copy.conditions, copy.power_states = self.nets, conditions, power_states
        own = self.circuit
        copy.circuit = Circuit(
            own.nodes, own.ground, list(own.resistances), list(own.sources), list(own.junctions), list(own.transistors)
        )
        copy.flows = dict(self.flows)
        return copy

    def node(self, part: Part, leg: str) -> int | None:
        """The node a leg lies on; None when it is nowhere. Legs a rule exchanges to try are exchanged here."""
        conditions = self.conditions
        if part.ref in conditions.flipped and len(part.type.legs) == 2:
            first, second, *_ = part.ends
            leg = {first: second, second: first}.get(leg, leg)
        elif pair := conditions.exchanged.get(part.ref):
            leg = {pair[0]: pair[1], pair[1]: pair[0]}.get(leg, leg)
        net = self.nets.of_leg(part.ref, leg)
        return net.id if net else None

    def stimulus(self, part: Part, quantity: str, rest: float) -> float:
        return self.conditions.stimulus.get((part.ref, quantity), rest)

    def sensed(self, part: Part, output: Output) -> float:
        """What a sensor makes of its stimulus: volts, a share of its supply or ohms."""
        given = self.conditions.sensed.get(part.ref)
        if given is not None:
            return given
        at = self.stimulus(part, output.quantity, output.rest)
        key = (part.ref, at)
        known = self.nets.sensed.get(key)
        if known is None:  # a bench is solved in many states, its sensors answer alike in most of them
            known = self.nets.sensed[key] = float(output.state(np.asarray(at), {}, part.figures()))
        return known

    def setting(self, part: Part, name: str, unit: str, otherwise: float) -> float:
        value = part.quantity(name, unit)
        return otherwise if value is None else value

    def resistance(self, name: str, a: int, b: int, ohms: float, *, into: tuple[str, str], back: str | None) -> None:
        """A resistance from leg `into` (ref, leg) at node `a` to node `b`, where it comes out of leg `back`."""
        self.circuit.resistances.append(Resistance(name, a, b, ohms))
        self._flow(name, into, back)

    def source(self, name: str, plus: int, minus: int, volts: float, ohms: float) -> None:
        self.circuit.sources.append(Source(name, plus, minus, volts, ohms))

    def junction(self, name: str, anode: int, cathode: int, saturation_amps: float, slope_volts: float) -> None:
        self.circuit.junctions.append(Junction(name, anode, cathode, saturation_amps, slope_volts))

    def transistor(self, element: Transistor) -> None:
        self.circuit.transistors.append(element)

    def _flow(self, name: str, into: tuple[str, str], back: str | None) -> None:
        self.flow(into[0], into[1], name, 1)
        if back is not None:
            self.flow(into[0], back, name, -1)

    def flow(self, ref: str, leg: str, element: str, sign: int) -> None:
        """Element `element` carries current into (1) or out of (−1) a leg."""
        self.flows.setdefault((ref, leg), []).append((element, sign))
