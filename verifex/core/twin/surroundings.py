"""The bench as the program's pins meet it: every read is a solved circuit."""

from random import Random

from verifex.core.circuit.conditions import Conditions
from verifex.core.circuit.nets import Net
from verifex.core.circuit.operating import OperatingPoint, operating_point
from verifex.core.circuit.view import BenchView
from verifex.core.program import Machine
from verifex.core.twin.stimulus import Stimulus

STIMULUS_GRAIN = 1e-3  # stimulus values are taken to this grain, so that a ramp does not defeat the cache


class BenchSurroundings:
    """Answers a machine's pins from the solved bench; operating points are kept by pin states and stimulus."""

    def __init__(self, view: BenchView, stimulus: Stimulus, internal_volts: float | None, seed: int = 1) -> None:
        self.view, self.stimulus = view, stimulus
        self.internal_volts = internal_volts
        self.noise = Random(seed)
        self.cache: dict[tuple[object, ...], OperatingPoint] = {}
        self.nets_of_pins: dict[str, Net] = {}
        for net in view.nets.nets:
            for pin in view.nets.board_pins(net):
                self.nets_of_pins[pin.name] = net
        self.indicators: dict[str, bool] = {}
        self.indicator_events: list[tuple[float, str, bool]] = []
        self.samples: list[tuple[float, str, float, int]] = []
        self._last: OperatingPoint | None = None

    def _conditions(self, machine: Machine) -> tuple[tuple[object, ...], Conditions]:
        board = machine.board
        high = self.view.rail_volts or board.rail_volts
        driven = {
            pin: machine.levels.get(pin, 0) * high
            for pin, mode in machine.modes.items()
            if mode == "output" and pin in self.nets_of_pins
        }
        values = {
            k: round(v / STIMULUS_GRAIN) * STIMULUS_GRAIN for k, v in self.stimulus.at(machine.now_us / 1000).items()
        }
        pulled_up = frozenset(pin for pin, mode in machine.modes.items() if mode == "pull-up")
        key = (tuple(sorted(driven.items())), tuple(sorted(values.items())), pulled_up)
        return key, Conditions(
            driven=driven,
            stimulus=values,
            rail_volts=self.view.rail_volts,
            sagging=self.view.rail_volts is None,
            pulled_up=pulled_up,
        )

    def point(self, machine: Machine) -> OperatingPoint:
        key, conditions = self._conditions(machine)
        found = self.cache.get(key)
        if found is None:
            found = self.cache[key] = self._last = operating_point(self.view.nets, conditions, self._last)
        return found

    def _is_floating(self, net: Net | None) -> bool:
        """A net with nothing on it but the pin: it reads whatever leaks in."""
        return net is None or (
            not self.view.nets.part_legs(net) and not self.view.nets.supplies(net) and not self.view.nets.is_ground(net)
        )

    def analogue_count(self, machine: Machine, pin: str) -> int:
        board, net = machine.board, self.nets_of_pins.get(pin)
        if net is None or self._is_floating(net):
            count = int(board.counts * 0.3 + self.noise.gauss(0, board.counts * 0.06))
        else:
            point = self.point(machine)
            count = int(point.volts[net.id] / self._reference_volts(machine, point) * board.counts + 1e-9)
        count = max(0, min(board.counts - 1, count))
        self.samples.append((round(machine.now_us / 1000, 3), pin, self._stimulus_now(machine), count))
        return count

    def _stimulus_now(self, machine: Machine) -> float:
        return next(iter(self.stimulus.at(machine.now_us / 1000).values()), 0.0)

    def _reference_volts(self, machine: Machine, point: OperatingPoint) -> float:
        board = machine.board
        if machine.reference == "internal" and board.internal_reference_volts:
            return self.internal_volts or board.internal_reference_volts[1]
        rail = self.nets_of_pins.get(next(pin for pin, volts in board.supplies.items() if volts == board.rail_volts))
        return point.volts[rail.id] if rail else (self.view.rail_volts or board.rail_volts)

    def level(self, machine: Machine, pin: str) -> bool:
        if machine.modes.get(pin) == "output":
            return bool(machine.levels.get(pin))
        net = self.nets_of_pins.get(pin)
        if net is None or self._is_floating(net):
            return machine.modes.get(pin) == "pull-up" or self.noise.random() < 0.5
        return self.point(machine).volts[net.id] >= machine.board.input_high_share * machine.board.rail_volts

    def pulse_us(self, machine: Machine, pin: str) -> int:
        return 0

    def pins_changed(self, machine: Machine) -> None:
        """See which lights and sounders go on or off with the new pin states."""
        point = self.point(machine)
        for part in self.view.bench.parts_of("led", "load", "relay"):
            amps = point.amps.get((part.ref, part.ends[0]), 0.0)
            if part.type.diode:
                on = amps >= part.type.diode.visible_amps
            else:
                on = part.type.load is not None and amps > 0.3 * part.type.load.amps
            if self.indicators.get(part.ref, False) != on:
                self.indicators[part.ref] = on
                self.indicator_events.append((round(machine.now_us / 1000, 3), part.ref, on))
