"""The bench as the program's pins meet it: every read is a solved circuit."""

import math
from random import Random

import numpy as np

from verifex.core.circuit.bench import Part
from verifex.core.circuit.conditions import Conditions
from verifex.core.circuit.connections.paths import Link
from verifex.core.circuit.nets import Net
from verifex.core.circuit.operating import OperatingPoint, operating_point
from verifex.core.circuit.view import BenchView
from verifex.core.parts import SIGNAL_ROLES, Output, SwitchOutput, catalogue
from verifex.core.parts.outputs import DataOutput
from verifex.core.program import Running
from verifex.core.program.runtime.run_result import Ended
from verifex.core.twin.looks import Looks
from verifex.core.twin.modules import ModulesInTime
from verifex.core.twin.stimulus import Stimulus

US_PER_CM_AT_20 = 58.24
STIMULUS_GRAIN = 1e-3  # stimulus values are taken to this grain, so that a ramp does not defeat the cache

#: Legs whose pins libraries of the C++ dialect are made with in this order.
TOLD_IN_ORDER = (("trigger", "echo"), ("select", "reset"))

TOGETHER_SECONDS = 0.2  # between asks of one turn of a program


class BenchSurroundings:
    """Answers a machine's pins from the solved bench; operating points are kept by pin states and stimulus."""

    def __init__(
        self, view: BenchView, stimulus: Stimulus, internal_volts: float | None, seed: int = 1, *, cold: bool = False
    ) -> None:
        self.view, self.stimulus, self.typed = view, stimulus, stimulus.typed
        self.internal_volts = internal_volts
        self.noise = Random(seed)
        self.cache: dict[tuple[object, ...], OperatingPoint] = {}
        self.nets_of_pins: dict[str, Net] = {}
        for net in view.nets.nets:
            for pin in view.nets.board_pins(net):
                self.nets_of_pins[pin.name] = net
        # The plan is about the exercise's references; the bench may call its parts otherwise.
        self.refs = {ref: part.ref for ref, part in view.roles.items()}
        self.modules = ModulesInTime(view, stimulus, self.refs, cold=cold)
        self.looks = Looks(view)
        self.samples: list[tuple[float, str, float, int]] = []
        self.begun_asking_at: dict[tuple[str, str], float] = {}  # the first of several asks in one turn
        self.asked_at: dict[tuple[str, str], float] = {}
        self.too_often: dict[tuple[str, str], tuple[float, float]] = {}
        self.elsewhere: dict[str, tuple[tuple[str, ...], dict[str, str]]] = {}
        self.told_another_kind: dict[str, tuple[str, str]] = {}
        self.read_asleep: dict[str, int] = {}
        self._last: OperatingPoint | None = None
        self._now: OperatingPoint | None = None
        self._stands_until_us = -math.inf

    def _conditions(self, machine: Running, low: str = "") -> tuple[tuple[object, ...], Conditions]:
        """What the bench is solved for. A pin with a tone on it is taken high; `low` is one pin that is taken low."""
        board = machine.board
        high = self.view.rail_volts or board.rail_volts
        driven = {
            pin: (machine.levels.get(pin, 0) or pin in machine.tones) * high * (pin != low)
            for pin, mode in machine.modes.items()
            if mode == "output" and pin in self.nets_of_pins
        }
        values = self._electrical(machine)
        pulled_up = frozenset(pin for pin, mode in machine.modes.items() if mode == "pull-up")
        pulled_down = frozenset(pin for pin, mode in machine.modes.items() if mode == "pull-down")
        held = self.modules.echoing(machine) if self.modules.echoes else {}
        key = (tuple(sorted(driven.items())), tuple(sorted(values.items())), pulled_up, pulled_down, tuple(held))
        return key, Conditions(
            driven=driven,
            stimulus=values,
            rail_volts=self.view.rail_volts,
            sagging=self.view.rail_volts is None,
            pulled_up=pulled_up,
            pulled_down=pulled_down,
            held=held,
        )

    def point(self, machine: Running) -> OperatingPoint:
        """The solved bench now; it stands until a pin, the stimulus or a module changes."""
        if self._now is not None and machine.now_us < self._stands_until_us:
            return self._now
        self._stands_until_us = self.next_change_us(machine.now_us)
        self._now = self._solved(*self._conditions(machine))
        return self._now

    def _solved_low(self, machine: Running, pin: str) -> OperatingPoint:
        """The bench now, but with one of its pins low: the other half of a fast switching."""
        return self._solved(*self._conditions(machine, pin))

    def _solved(self, key: tuple[object, ...], conditions: Conditions) -> OperatingPoint:
        found = self.cache.get(key)
        if found is None:
            found = self.cache[key] = self._last = operating_point(self.view.nets, conditions, self._last)
        return found

    def _is_floating(self, net: Net | None) -> bool:
        """A net with nothing on it but the pin: it reads whatever leaks in."""
        return net is None or (
            not self.view.nets.part_legs(net) and not self.view.nets.supplies(net) and not self.view.nets.is_ground(net)
        )

    def analogue_count(self, machine: Running, pin: str) -> int:
        board, net = machine.board, self.nets_of_pins.get(pin)
        if net is None or self._is_floating(net):
            machine.unsteady += 1
            count = int(board.counts * 0.3 + self.noise.gauss(0, board.counts * 0.06))
        else:
            point = self.point(machine)
            count = int(board.count(np.asarray(point.volts[net.id]), np.asarray(self._reference_volts(machine, point))))
        count = max(0, min(board.full_count, count))
        self.samples.append((round(machine.now_us / 1000, 3), pin, self._stimulus_now(machine), count))
        return count

    def _stimulus_now(self, machine: Running) -> float:
        return next(iter(self.stimulus.at(machine.now_us / 1000).values()), 0.0)

    def _reference_volts(self, machine: Running, point: OperatingPoint) -> float:
        board = machine.board
        if machine.reference == "internal" and board.internal_reference_volts:
            return self.internal_volts or board.internal_reference_volts[1]
        rail = self.nets_of_pins.get(next(pin for pin, volts in board.supplies.items() if volts == board.rail_volts))
        return point.volts[rail.id] if rail else (self.view.rail_volts or board.rail_volts)

    def level(self, machine: Running, pin: str) -> bool:
        if machine.modes.get(pin) == "output":
            return bool(machine.levels.get(pin))
        net = self.nets_of_pins.get(pin)
        if net is None or self._is_floating(net):
            if machine.modes.get(pin) in ("pull-up", "pull-down"):
                return machine.modes[pin] == "pull-up"
            machine.unsteady += 1
            return self.noise.random() < 0.5
        return self.point(machine).volts[net.id] >= machine.board.input_high_share * machine.board.rail_volts

    def next_change_us(self, since_us: float) -> float:
        """When the stimulus next moves, or a module does by itself."""
        return min(self.stimulus.next_change_ms(since_us / 1000) * 1000, self.modules.next_change_us(since_us))

    def pulse_us(self, machine: Running, pin: str) -> int:
        """The echo of a range module that was fired and whose leg reaches this pin; 0 where none does or it is not fed."""
        for part in self._speakers(machine, [pin]):
            output = part.type.sensing("cm")
            if output is not None and output.carries == "pulse":
                wait, pulse = self.modules.pulse_us(machine, part)
                if pulse:
                    machine.spend_us(wait)
                return pulse
        return 0

    def measured(
        self, machine: Running, pins: list[str], quantity: str, *, in_order: bool = False, read_as: str = ""
    ) -> float:
        """What a module that answers to `quantity` gives, on these pins or on the bus; nan when none does.

        `in_order`: of two pins the trigger's comes first, as libraries of the C++ dialect have it. What is sent is taken
        apart as the kind of module `read_as` sends it.
        """
        for part in self._speakers(machine, pins):
            output = part.type.sensing(quantity)
            if output is None:
                continue
            if in_order and self._crossed(part, pins):
                self.elsewhere[part.ref] = (tuple(pins), self._signal_pins(part))
                return math.nan
            self._note_reading(machine, part.ref, output)
            at = np.asarray(self._stimuli(machine).get((part.ref, quantity), output.rest))
            state = float(output.state(at, {}, part.figures()))
            # Libraries time the echo in whole microseconds; a tenth of a centimetre is what they can tell.
            if output.carries == "pulse":
                return round(state / US_PER_CM_AT_20, 1)
            return self._taken_apart(part, output, state, read_as)
        for part in self.view.module_parts() if pins else ():
            if part.type.sensing(quantity) is not None and self.point(machine).power_states.get(part.ref) is not None:
                self.elsewhere[part.ref] = (tuple(pins), self._signal_pins(part))
        return math.nan

    def _taken_apart(self, part: Part, output: Output, value: float, read_as: str) -> float:
        """What a library makes of the word a module sends, when it was configured to expect another kind; nan where it cannot."""
        told = catalogue().parts.get(read_as)
        if told is None or told == part.type:
            return value
        other = told.sensing(output.quantity)
        self.told_another_kind[part.ref] = (told.title, part.type.title)
        if not isinstance(output, DataOutput) or not isinstance(other, DataOutput):
            return math.nan
        if not output.counts_a_unit or not other.counts_a_unit:
            return math.nan
        return value * output.counts_a_unit / other.counts_a_unit

    def _crossed(self, part: Part, pins: list[str]) -> bool:
        """Whether a library is given the second leg's pin where the first's belongs: it fires the echo and listens at the trigger."""
        if len(pins) < 2:
            return False
        return any(
            self._reaches(part, second, pins[0]) and self._reaches(part, first, pins[1])
            for first, second in TOLD_IN_ORDER
            if {first, second} <= set(part.type.legs)
        )

    def _reaches(self, part: Part, leg: str, pin: str) -> bool:
        own, net = self.view.net(part, leg), self.nets_of_pins.get(pin)
        return own is not None and net is not None and net.id in self.view.paths.reach(own, (Link.OHMS,))

    def _signal_pins(self, part: Part) -> dict[str, str]:
        """By leg the board's pin that it reaches, of the legs that carry a signal."""
        pins = {}
        for leg in part.type.legs_with(*SIGNAL_ROLES):
            own = self.view.net(part, leg)
            reached = self.view.paths.reach(own, (Link.OHMS,)) if own else ()
            signals = (
                pin.name for net in self.view.nets.nets if net.id in reached for pin in self.view.nets.signal_pins(net)
            )
            if found := next(signals, None):
                pins[leg] = found
        return pins

    def conversion_us(self, machine: Running, pins: list[str], quantity: str) -> float:
        for part in self._speakers(machine, pins):
            output = part.type.sensing(quantity)
            if isinstance(output, DataOutput) and output.conversion_ms:
                return output.conversion(part.figures()) * 1000.0
        return 0.0

    def registers(self, machine: Running, address: int, register: int, count: int) -> list[int] | None:
        for part in self._speakers(machine, []):
            if address not in part.addresses:
                continue
            if count and not part.type.registers:
                raise Ended("unsupported", None, f"the bytes of {part.ref}, {part.type.title}")
            wake = part.type.wakes_by
            if count and wake and machine.written_registers.get((address, wake.at), wake.asleep) & wake.asleep:
                self.read_asleep[part.ref] = wake.at
                return [wake.asleep if place == wake.at else 0 for place in range(register, register + count)]
            stimuli, found = self._stimuli(machine), {}
            for entry in part.type.registers:
                output = part.type.sensing(entry.quantity)
                if output is not None:
                    at = np.asarray(stimuli.get((part.ref, entry.quantity), output.rest))
                    counts = int(float(output.state(at, {}, part.figures())))
                    for offset, byte in enumerate((counts & 0xFFFFFFFF).to_bytes(4, "big")[4 - entry.count :]):
                        found[entry.at + offset] = byte
            return [found.get(place & 0xFF, 0) for place in range(register, register + count)]
        return None

    def is_on_bus(self, machine: Running, address: int) -> bool:
        return any(address in part.addresses for part in self._speakers(machine, []))

    def tag(self, machine: Running, pins: list[str], *, in_order: bool = False) -> str:
        power_states = self.point(machine).power_states
        for part in self.view.module_parts():
            if power_states.get(part.ref) is None or part.type.sensing("tag") is None:
                continue
            if in_order and self._crossed(part, pins):
                self.elsewhere[part.ref] = (tuple(pins), self._signal_pins(part))
                return ""
            if self._on_buses(part, pins):
                names = [own for own, ref in self.refs.items() if ref == part.ref] or [part.ref]
                return self.stimulus.text_at((names[0], "tag"), machine.now_us / 1000)
        return ""

    def _on_buses(self, part: Part, pins: list[str]) -> bool:
        """Whether each bus leg of a module reaches the board's own pin of that bus; a select leg may be on a pin that is named."""
        board = self.view.bench.board
        for leg, figures in part.type.legs.items():
            if figures.bus is None or board is None:
                continue
            wanted = {board.pins.bus.get(figures.bus, ""), *(pins if figures.bus == "select" else ())}
            own = self.view.net(part, leg)
            reached = self.view.paths.reach(own, (Link.OHMS,)) if own else ()
            if not any((net := self.nets_of_pins.get(pin)) is not None and net.id in reached for pin in wanted):
                return False
        return True

    def _note_reading(self, machine: Running, ref: str, output: Output) -> None:
        """How soon after the last time a module is asked again, where that is sooner than it measures."""
        needs = output.sample_seconds if isinstance(output, DataOutput) else 0.0
        key, now = (ref, output.quantity), machine.now_us / 1e6
        since, gap = now - self.begun_asking_at.get(key, -1e9), now - self.asked_at.get(key, -1e9)
        self.asked_at[key] = now
        if since < TOGETHER_SECONDS:
            return  # °C and °F in one turn: the library answers the second from its last reading
        self.begun_asking_at[key] = now
        if since < 0.9 * needs:
            self.too_often[key] = min((gap, needs), self.too_often.get(key, (gap, needs)))

    def _speakers(self, machine: Running, pins: list[str]) -> list[Part]:
        """Modules that are fed and that reach one of these pins; without pins, those on the two-wire bus."""
        power_states = self.point(machine).power_states
        nets = {net.id for pin in pins if (net := self.nets_of_pins.get(pin))}
        found = []
        for part in self.view.module_parts():
            if power_states.get(part.ref) is None:
                continue
            on_bus = any(leg.bus == "sda" for leg in part.type.legs.values()) and self._on_buses(part, [])
            reached = {
                net_id
                for leg in part.type.legs_with(*SIGNAL_ROLES)
                if (own := self.view.net(part, leg))
                for net_id in self.view.paths.reach(own, (Link.OHMS,))
            }
            if (nets & reached) if nets else on_bus:
                found.append(part)
        return found

    def _electrical(self, machine: Running) -> dict[tuple[str, str], float]:
        """The stimuli as far as the circuit feels them: what only sends numbers does not change it, and what switches has
        two states. Few points have to be solved then.
        """
        felt: dict[tuple[str, str], float] = {}
        for (ref, quantity), value in self._stimuli(machine).items():
            part = self.view.bench.parts.get(ref)
            output = part.type.output if part else None
            if part is None or output is None or output.quantity != quantity:
                if part is None or part.type.sensing(quantity) is None:
                    felt[(ref, quantity)] = value
                continue
            if isinstance(output, SwitchOutput):
                point = part.quantity(output.setting, "centimetre") if output.setting else None
                felt[(ref, quantity)] = output.active if output.is_active(value, point) else output.rest
            else:
                felt[(ref, quantity)] = round(value / STIMULUS_GRAIN) * STIMULUS_GRAIN
        return felt

    def _stimuli(self, machine: Running) -> dict[tuple[str, str], float]:
        """What happens around the bench now, under the references the bench itself uses."""
        ms = machine.now_us / 1000
        now = {(self.refs.get(ref, ref), quantity): value for (ref, quantity), value in self.stimulus.at(ms).items()}
        return self.modules.now(now, ms)

    def pins_changed(self, machine: Running) -> None:
        """See what lights and sounders show with the new pin states."""
        self._now = None
        point = self.point(machine)
        self.modules.pins_changed(machine, point.power_states, self._stimuli(machine))
        self._now = None  # an echo may be on its way now
        self.looks.look(machine, self.point(machine), lambda pin: self._solved_low(machine, pin))
