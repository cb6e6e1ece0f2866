"""Which places are one piece of metal: nets by union–find over strips, legs and wires."""

from dataclasses import dataclass

from verifex.core.circuit.bench import Bench
from verifex.core.circuit.places import Hole, LegOf, Place, Rail, joined_with, strip_name
from verifex.core.parts import PinKind

Key = tuple[str, ...]


@dataclass(frozen=True, slots=True)
class Net:
    """One piece of metal. `places` are the occupied ones; `legs` the legs and board pins on it."""

    id: int
    name: str
    places: tuple[str, ...]
    legs: tuple[LegOf, ...]


class Nets:
    """All nets of a bench; built once, read by the solver, the rules and the board map."""

    def __init__(self, bench: Bench, without_wire: int | None = None) -> None:
        """`without_wire` leaves out the wire of that index: how a rule asks which wire closes a short."""
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
        for index, wire in enumerate(bench.wires):
            keys = [occupy(end) for end in wire.ends]
            if index != without_wire:
                self._join(*keys)
        groups: dict[Key, list[Key]] = {}
        for key in self._parent:
            groups.setdefault(self._root(key), []).append(key)
        self.nets: list[Net] = []
        self._by_root: dict[Key, Net] = {}
        for root, keys in groups.items():
            places = sorted({str(place): place for key in keys for place in occupied[key]}.values(), key=_reading_order)
            legs = tuple(place for place in places if isinstance(place, LegOf))
            net = Net(len(self.nets), self._name(keys), tuple(str(place) for place in places), legs)
            self.nets.append(net)
            self._by_root[root] = net

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

        def weight(key: Key) -> tuple[int, str]:
            if key[0] == "leg" and key[1] == board_ref:
                pin = board.pin(key[2]) if board else None
                return (0 if pin and (pin.supply_volts or pin.ground) else 1, key[2])
            return ({"rail": 2, "row": 3, "leg": 4}[key[0]], strip_name(key))

        return strip_name(min(keys, key=weight))

    def at(self, place: Place) -> Net | None:
        """The net that `place` lies on, or None when nothing is there."""
        key = joined_with(place, self.bench.base)
        return self._by_root[self._root(key)] if key in self._parent else None

    def of_leg(self, ref: str, leg: str) -> Net | None:
        return self.at(LegOf(ref, leg))

    def board_pins(self, net: Net) -> list[PinKind]:
        """The board's pins on `net`."""
        if self.bench.board is None:
            return []
        found = (self.bench.board.pin(leg.leg) for leg in net.legs if leg.ref == self.bench.board_ref)
        return [pin for pin in found if pin is not None]

    def part_legs(self, net: Net) -> list[LegOf]:
        """The legs of parts (not of the board) on `net`."""
        return [leg for leg in net.legs if leg.ref != self.bench.board_ref]

    def supplies(self, net: Net) -> list[PinKind]:
        return [pin for pin in self.board_pins(net) if pin.supply_volts is not None]

    def is_ground(self, net: Net) -> bool:
        return any(pin.ground for pin in self.board_pins(net))

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
