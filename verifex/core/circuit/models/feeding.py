"""What feeds: the board's supplies and pins, the battery, the regulator."""

from verifex.core.circuit.bench import Part
from verifex.core.circuit.models.stamp import PowerState, Stamp, VoltsOf
from verifex.core.circuit.solver import Resistance, Source
from verifex.core.parts import Board

PIN = "pin:"  # the element that stands for a pin is called after it
FEEDS_AMPS_PER_VOLT = 0.01  # a regulator's own draw, as a conductance


class BoardFeed:
    """The board's supplies and driving pins, written into a stamp."""

    def __init__(self, board: Board, stamp: Stamp) -> None:
        self.stamp, self.board = stamp, board
        self.pins: set[str] = set()
        self.ground = stamp.circuit.ground
        conditions = stamp.conditions
        if conditions.unpowered:
            return
        rail_net = stamp.nets.of_pin(board.rail_pin)
        self.rail = stamp.circuit.new_node() if rail_net is None else rail_net.id
        self.rail_volts = self._rail_volts()
        if self.rail != self.ground:
            ohms = board.usb_ohms if conditions.sagging else 0.0
            self._source(board.rail_pin, self.rail, self.rail_volts, ohms)
        for name, volts in board.supplies.items():
            net = stamp.nets.of_pin(name)
            if name != board.rail_pin and net is not None and net.id not in (self.ground, self.rail):
                self._source(name, net.id, volts, 0.0)
            elif name != board.rail_pin and net is not None and net.id == self.rail:
                # Two supplies on one piece of metal: solved with the step of a protection between them.
                inner = stamp.circuit.new_node()
                self._source(name, inner, volts, 0.0)
                stamp.circuit.resistances.append(Resistance(f"{name}:clash", inner, self.rail, 0.1))
        for net in stamp.nets.nets:
            for pin in stamp.nets.signal_pins(net):
                self._pin(pin.name, net.id)

    def _rail_volts(self) -> float:
        conditions, board = self.stamp.conditions, self.board
        if conditions.rail_volts is not None:
            return conditions.rail_volts
        return {1: board.rail_high_volts, -1: board.rail_low_volts}.get(conditions.corner, board.rail_volts)

    def _source(self, name: str, node: int, volts: float, ohms: float) -> None:
        self.stamp.circuit.sources.append(Source(PIN + name, node, self.ground, volts, ohms))
        self.pins.add(name)

    def _pin(self, name: str, node: int) -> None:
        """A pin that drives is its output resistance to the rail or to ground; one with its pull-up on, that."""
        conditions, board = self.stamp.conditions, self.board
        resistances = self.stamp.circuit.resistances
        if name in board.fitted_pull_ups:
            resistances.append(Resistance(f"{name}:fitted", self.rail, node, board.fitted_pull_ups[name]))
        volts = conditions.driven.get(name)
        if volts is None:
            if name in conditions.pulled_up:
                resistances.append(Resistance(f"{name}:pull-up", self.rail, node, board.pull_up_ohms[1]))
            elif name in conditions.pulled_down:
                resistances.append(Resistance(f"{name}:pull-down", self.ground, node, board.pull_up_ohms[1]))
            return
        if node == self.ground:
            if volts > 0:  # driven high into ground: the whole current shows in the rail
                resistances.append(Resistance(PIN + name, self.rail, node, board.pin_ohms))
                self.pins.add(name)
            return
        self.pins.add(name)
        if volts <= 0:
            resistances.append(Resistance(PIN + name, self.ground, node, board.pin_ohms))
        elif volts >= 0.999 * min(self.rail_volts, board.rail_volts):
            resistances.append(Resistance(PIN + name, self.rail, node, board.pin_ohms))
        else:
            self.stamp.circuit.sources.append(Source(PIN + name, node, self.ground, volts, board.pin_ohms))


def battery(part: Part, stamp: Stamp) -> None:
    plus, minus = stamp.node(part, "plus"), stamp.node(part, "minus")
    for leg in ("plus", "minus"):
        stamp.flows.setdefault((part.ref, leg), [])
    if plus is None or minus is None or plus == minus or stamp.conditions.unpowered:
        return
    stamp.source(part.ref, plus, minus, stamp.setting(part, "volts", "volt", 9.0), 0.0)
    stamp.flow(part.ref, "plus", part.ref, -1)
    stamp.flow(part.ref, "minus", part.ref, 1)


def regulator(part: Part, stamp: Stamp) -> None:
    """A pass element: the output is the input less what it drops, so its load's current comes out of the input."""
    into, ground, out = (stamp.node(part, leg) for leg in ("in", "ground", "out"))
    figures = part.type.regulator
    for leg in part.type.legs:
        stamp.flows.setdefault((part.ref, leg), [])
    if into is None or ground is None or figures is None or stamp.conditions.unpowered:
        return
    idle = f"{part.ref}:idle"
    ohms = (part.type.supply.low_volts if part.type.supply else 7.0) / figures.idle_amps
    stamp.resistance(idle, into, ground, ohms, into=(part.ref, "in"), back="ground")
    drop = stamp.power_states.get(part.ref)
    if out is None or not isinstance(drop, float) or out == into:
        return
    stamp.source(part.ref, out, into, -drop, 0.02)
    stamp.flow(part.ref, "in", part.ref, 1)
    stamp.flow(part.ref, "out", part.ref, -1)


def regulator_wakes(part: Part, volts: VoltsOf, stamp: Stamp) -> PowerState:
    """Volts it drops now, from input to output; None while it is not fed."""
    into, ground, figures = volts("in"), volts("ground"), part.type.regulator
    if into is None or ground is None or figures is None or into - ground <= figures.drop_volts:
        return None
    return round(max(figures.drop_volts, into - ground - figures.out_volts), 4)
