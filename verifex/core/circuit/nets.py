"""Which places are one piece of metal: nets by union–find over strips, legs and wires."""

from collections.abc import Container
from dataclasses import dataclass
from functools import cached_property

from verifex.core.circuit.bench import Bench
from verifex.core.circuit.places import Hole, LegOf, Place, Rail, joined_with, strip_name
from verifex.core.parts import LegRole, PinKind

Key = tuple[str, ...]


@dataclass(frozen=True, slots=True)
class Net:
    """One piece of metal. `places` are the occupied ones; `legs` the legs and board pins on it."""

    id: int
    name: str
    places: tuple[str, ...]
    legs: tuple[LegOf, ...]
    strips: tuple[Key, ...]


class Nets:
    """All nets of a bench; built once, read by the solver, the rules and the board map."""

    def __init__(self, bench: Bench, without_wires: Container[int] = ()) -> None:
        """`without_wires` leaves out the wires of those indices: how a rule asks which wire closes a short."""
        self.bench = bench
        self._parent: dict[Key, Key] = {}
        occupied: dict[Key, list[Place]] = {}

        def occupy(place: Place) -> Key:
            key = joined_with(place, bench.base)
            self._parent.setdefault(key, key)
            occupied.setdefault(key, []).append(place)
            return key

        for part in bench.parts.values():
            for leg, place in part.legs.items():
                self._join(occupy(LegOf(part.ref, leg)), occupy(place))
            for one, other in part.type.joined:
                if one in part.legs and other in part.legs:
                    self._join(("leg", part.ref, one), ("leg", part.ref, other))
        for index, wire in enumerate(bench.wires):
            keys = [occupy(end) for end in wire.ends]
            if index not in without_wires:
                self._join(*keys)
        groups: dict[Key, list[Key]] = {}
        for key in self._parent:
            groups.setdefault(self._root(key), []).append(key)
        self.nets: list[Net] = []
        self._of_strip: dict[Key, Net] = {}
        self.stamped: dict[object, object] = {}  # what the solver keeps of this bench between states
        self.sensed: dict[tuple[str, float], float] = {}  # what a sensor makes of a stimulus, once worked out
        for keys in groups.values():
            places = sorted({str(place): place for key in keys for place in occupied[key]}.values(), key=_reading_order)
            legs = tuple(place for place in places if isinstance(place, LegOf))
            net = Net(len(self.nets), self._name(keys), tuple(str(place) for place in places), legs, tuple(keys))
            self.nets.append(net)
            for key in keys:
                self._of_strip[key] = net

    def _join(self, one: Key, other: Key) -> None:
        self._parent[self._root(one)] = self._root(other)

    def _root(self, key: Key) -> Key:
        while self._parent[key] != key:
            self._parent[key] = self._parent[self._parent[key]]
            key = self._parent[key]
        return key

    def _name(self, keys: list[Key]) -> str:
        """The most telling member: a supply or ground pin, another pin, a rail, a row, a leg."""
        board_ref, board = self.bench.board_ref, self.bench.board

        def weight(key: Key) -> tuple[int, int, str]:
            if key[0] == "leg" and key[1] == board_ref:
                pin = board.pin(key[2]) if board else None
                return (0 if pin and (pin.supply_volts or pin.ground) else 1, len(key[2]), key[2])
            name = strip_name(key)
            return ({"rail": 2, "row": 3, "leg": 4}[key[0]], len(name), name)

        return strip_name(min(keys, key=weight))

    def at(self, place: Place) -> Net | None:
        """The net that `place` lies on, or None when nothing is there."""
        return self._of_strip.get(joined_with(place, self.bench.base))

    def of_leg(self, ref: str, leg: str) -> Net | None:
        return self._of_strip.get(("leg", ref, leg))

    def of_pin(self, pin: str) -> Net | None:
        """The net of a board's pin, by the pin's own name."""
        return self._of_strip.get(("leg", self.bench.board_ref, pin))

    @cached_property
    def ground_id(self) -> int | None:
        net = self.of_pin(self.bench.board.ground) if self.bench.board else None
        return net.id if net else None

    @cached_property
    def _pins(self) -> dict[int, list[PinKind]]:
        board = self.bench.board
        if board is None:
            return {}
        pins: dict[int, list[PinKind]] = {}
        for net in self.nets:
            found = (board.pin(leg.leg) for leg in net.legs if leg.ref == self.bench.board_ref)
            pins[net.id] = [pin for pin in found if pin is not None]
        return pins

    def board_pins(self, net: Net) -> list[PinKind]:
        """The board's pins on `net`."""
        return self._pins.get(net.id, [])

    def part_legs(self, net: Net) -> list[LegOf]:
        """The legs of parts (not of the board) on `net`."""
        return [leg for leg in net.legs if leg.ref in self.bench.parts]

    def supplies(self, net: Net) -> list[PinKind]:
        return [pin for pin in self.board_pins(net) if pin.supply_volts is not None]

    def is_ground(self, net: Net) -> bool:
        return net.id == self.ground_id

    def is_source(self, net: Net) -> bool:
        """Whether a supply pin, a battery's plus or a regulator's output lies on the net."""
        return net.id in self._sources

    def is_return(self, net: Net) -> bool:
        """Whether the board's ground or a battery's minus lies on the net."""
        return net.id in self._returns

    def is_rail(self, net: Net) -> bool:
        """Whether the net is a source or a return: beyond it lies the rest of the bench."""
        return net.id in self._sources or net.id in self._returns

    @cached_property
    def _sources(self) -> frozenset[int]:
        fed = {net.id for net in self.nets if self.supplies(net)}
        for part in self.bench.parts.values():
            legs = ["plus"] if part.type.model == "battery" else part.type.legs_with(LegRole.SUPPLY_OUT)
            fed |= {net.id for leg in legs if (net := self.of_leg(part.ref, leg))}
        return frozenset(fed)

    @cached_property
    def _returns(self) -> frozenset[int]:
        minus = {
            net.id
            for part in self.bench.parts.values()
            if part.type.model == "battery" and (net := self.of_leg(part.ref, "minus"))
        }
        return frozenset(minus if self.ground_id is None else minus | {self.ground_id})

    def signal_pins(self, net: Net) -> list[PinKind]:
        return [pin for pin in self.board_pins(net) if pin.is_signal]


def _reading_order(place: Place) -> tuple[int, str, int]:
    if isinstance(place, LegOf):
        return (0, place.ref, 0)
    if isinstance(place, Rail):
        return (1, place.name, place.row or 0)
    if isinstance(place, Hole):
        return (2, "", place.row * 100 + ord(place.letter))
    raise TypeError(place)
