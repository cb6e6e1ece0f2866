"""What flows on a bench in one state of its pins and its surroundings: elements out of parts, then the solver."""

from collections.abc import Mapping
from dataclasses import dataclass, field
from math import exp
from typing import Literal

from verifex.core.circuit.bench import Part
from verifex.core.circuit.nets import Net, Nets
from verifex.core.circuit.solver import Circuit, Junction, Resistance, Solution, Source, solve
from verifex.core.parts.schema import DiodeFigures, LegRole, SupplyWindow
from verifex.core.quantity import parse_quantity
from verifex.core.resistors.bands import read_bands

ROOM_CELSIUS = 25.0


@dataclass(frozen=True, slots=True)
class Conditions:
    """The state a bench is solved in.

    `driven` gives volts for each pin that drives, `stimulus` a value for `(ref, quantity)`, `rail_volts`
    the measured supply; `sagging` puts the board's USB resistance before the rail; `flipped` parts are
    taken with their two legs exchanged (how a rule asks "would it light the other way round?").
    """

    driven: Mapping[str, float] = field(default_factory=dict)
    stimulus: Mapping[tuple[str, str], float] = field(default_factory=dict)
    values: Literal["nominal", "measured"] = "measured"
    rail_volts: float | None = None
    sagging: bool = False
    flipped: frozenset[str] = frozenset()


@dataclass(frozen=True, slots=True)
class OperatingPoint:
    """Volts by net id, amps by (ref, leg) positive into the leg, watts by part, amps out of each board pin."""

    volts: dict[int, float]
    amps: dict[tuple[str, str], float]
    watts: dict[str, float]
    pin_amps: dict[str, float]


def resistor_ohms(part: Part, values: Literal["nominal", "measured"]) -> float | None:
    """A resistor's value in ohms: as measured where asked for and given, else value, else bands; None without any."""
    settings = part.settings
    if values == "measured" and (measured := _quantity(settings.get("measured"))):
        return measured
    if value := _quantity(settings.get("value")):
        return value
    if "bands" in settings:
        try:
            return read_bands(settings["bands"].split("-")).ohms
        except ValueError:
            return None
    return _quantity(settings.get("measured"))


def _quantity(text: str | None) -> float | None:
    try:
        return parse_quantity(text, "ohm") if text else None
    except ValueError:
        return None


def operating_point(nets: Nets, conditions: Conditions) -> OperatingPoint:
    """Solve the bench in `conditions`. Raises NoSensibleAnswer when the solver finds no point.

    Sensors speak only when they are fed, so the supplies are solved first and the outputs after.
    """
    asleep = _Elements(nets, conditions)
    first = solve(asleep.circuit)
    awake = _Elements(nets, conditions, fed=first)
    return awake.point(solve(awake.circuit) if awake.speaks else first)


class _Elements:
    """The circuit elements of one bench in one state."""

    def __init__(self, nets: Nets, conditions: Conditions, fed: Solution | None = None) -> None:
        self.nets, self.conditions, self.fed = nets, conditions, fed
        self.bench = nets.bench
        ground = next((net.id for net in nets.nets if nets.is_ground(net)), None)
        # A bench without a ground wire has the board's ground all the same: a node that nothing reaches.
        nodes = len(nets.nets)
        self.circuit = Circuit(nodes, ground) if ground is not None else Circuit(nodes + 1, nodes)
        self.speaks = False
        self.pins: dict[str, str] = {}  # board pin → name of the source that stands for it
        self.flows: dict[tuple[str, str], list[tuple[str, int]]] = {}  # leg → (element, sign)
        self.ends: dict[str, tuple[int, int]] = {}
        if self.bench.board:
            self._board()
        for part in self.bench.parts.values():
            self._part(part)

    def _board(self) -> None:
        board = self.bench.board
        assert board is not None
        for net in self.nets.nets:
            for pin in self.nets.supplies(net):
                nominal = pin.supply_volts or 0.0
                is_rail = abs(nominal - board.rail_volts) < 0.01
                measured = self.conditions.rail_volts if is_rail else None
                ohms = board.usb_ohms if self.conditions.sagging and is_rail else 0.0
                self._source(pin.name, net, nominal if measured is None else measured, ohms)
            for pin in self.nets.signal_pins(net):
                if pin.name in self.conditions.driven:
                    self._source(pin.name, net, self.conditions.driven[pin.name], board.pin_ohms)

    def _source(self, pin: str, net: Net, volts: float, ohms: float) -> None:
        if net.id == self.circuit.ground:
            return  # shorted to ground: a rule's matter, not a number's
        name = f"pin:{pin}"
        self.circuit.sources.append(Source(name, net.id, self.circuit.ground, volts, ohms))
        self.pins[pin] = name

    def _node(self, part: Part, leg: str) -> int | None:
        net = self.nets.of_leg(part.ref, leg)
        return net.id if net else None

    def _part(self, part: Part) -> None:
        model = part.type.model
        if model == "linear-sensor":
            self._sensor(part)
            return
        if model == "not-yet" or len(part.type.legs) != 2:
            return
        one, other = part.type.legs
        if part.ref in self.conditions.flipped:
            one, other = other, one
        a, b = self._node(part, one), self._node(part, other)
        if a is None or b is None:
            return
        self.ends[part.ref] = (a, b)
        self.flows[(part.ref, one)] = [(part.ref, 1)]
        self.flows[(part.ref, other)] = [(part.ref, -1)]
        if model == "resistor":
            ohms = resistor_ohms(part, self.conditions.values)
            self.circuit.resistances.append(Resistance(part.ref, a, b, 1e9 if ohms is None else ohms))
        elif model in ("led", "diode") and part.type.diode:
            self._diode(part.ref, part.type.diode, part.settings.get("colour"), a, b)
        elif model == "load" and part.type.load:
            load = part.type.load
            if load.one_way:
                # An active sounder has a junction inside: nothing flows through it backwards.
                inner = self.circuit.new_node()
                self.circuit.junctions.append(Junction(part.ref, a, inner, 1e-9, 0.03))
                self.circuit.resistances.append(
                    Resistance(f"{part.ref}:load", inner, b, (load.at_volts - 0.5) / load.amps)
                )
            else:
                self.circuit.resistances.append(Resistance(part.ref, a, b, load.at_volts / load.amps))

    def _diode(self, ref: str, figures: DiodeFigures, colour: str | None, a: int, b: int) -> None:
        by_colour = figures.forward_volts
        _, forward, _ = by_colour.get(colour or "", next(iter(by_colour.values())))
        inner = self.circuit.new_node()
        at_junction = forward - figures.at_amps * figures.series_ohms
        saturation = figures.at_amps / (exp(at_junction / figures.slope_volts) - 1)
        self.circuit.resistances.append(Resistance(f"{ref}:series", a, inner, figures.series_ohms))
        self.circuit.junctions.append(Junction(ref, inner, b, saturation, figures.slope_volts))

    def _sensor(self, part: Part) -> None:
        supply_leg = part.type.legs_with(LegRole.SUPPLY)[0]
        ground_leg = part.type.legs_with(LegRole.GROUND)[0]
        out_leg = part.type.legs_with(LegRole.ANALOGUE_OUT)[0]
        supply, ground, out = (self._node(part, leg) for leg in (supply_leg, ground_leg, out_leg))
        window, output = part.type.supply, part.type.output
        if supply is None or ground is None or window is None or output is None:
            return
        ohms = window.high_volts / max(part.type.draws_amps, 1e-9)
        draw = f"{part.ref}:supply"
        self.circuit.resistances.append(Resistance(draw, supply, ground, ohms))
        self.flows[(part.ref, supply_leg)] = [(draw, 1)]
        self.flows[(part.ref, ground_leg)] = [(draw, -1)]
        if self.fed is None or out is None or not self._is_fed(supply, ground, window):
            return
        fed_volts = float(self.fed.volts[supply] - self.fed.volts[ground])
        value = self.conditions.stimulus.get((part.ref, output.quantity), ROOM_CELSIUS)
        volts = min(output.volts(value), fed_volts)
        name = f"{part.ref}:out"
        self.circuit.sources.append(Source(name, out, ground, volts, output.source_ohms))
        self.flows[(part.ref, out_leg)] = [(name, -1)]
        self.flows[(part.ref, ground_leg)].append((name, 1))
        self.speaks = True

    def _is_fed(self, supply: int, ground: int, window: SupplyWindow) -> bool:
        assert self.fed is not None
        across = float(self.fed.volts[supply] - self.fed.volts[ground])
        return 0.8 * window.low_volts <= across <= 1.05 * window.absolute_volts

    def point(self, solution: Solution) -> OperatingPoint:
        volts = {net.id: float(solution.volts[net.id]) for net in self.nets.nets}
        amps = {
            leg: sum(sign * solution.amps.get(name, 0.0) for name, sign in flows) for leg, flows in self.flows.items()
        }
        watts: dict[str, float] = {}
        for (ref, leg), into in amps.items():
            net = self.nets.of_leg(ref, leg)
            if net is not None:
                watts[ref] = watts.get(ref, 0.0) + into * volts[net.id]
        return OperatingPoint(volts, amps, watts, {pin: solution.amps[name] for pin, name in self.pins.items()})
