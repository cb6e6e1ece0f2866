"""What comes to the pin of each reading at each step on a bench: the raw reading, or that nothing comes."""

from collections.abc import Mapping
from contextlib import suppress
from dataclasses import dataclass, replace
from functools import cached_property

import numpy as np

from verifex.core.circuit.bench import Bench, Part
from verifex.core.circuit.conditions import Conditions
from verifex.core.circuit.operating import OperatingPoint, operating_point, source_ohms
from verifex.core.circuit.solver import NoSensibleAnswer
from verifex.core.circuit.view import BenchView
from verifex.core.diagnosis.case import BenchCase
from verifex.core.expected.sheet import Key
from verifex.core.expected.signal.chain import AdcChain, Chain, DigitalChain, facing
from verifex.core.expected.signal.path_to_pin import route_of
from verifex.core.expected.unavailable import Unavailable
from verifex.core.identity import IdentityMap
from verifex.core.parts import LegRole, Output

FLOATS_FROM_OHMS = 1e6  # a pin that sees more than this is held by nothing
NO_PULL_UP = "no-pull-up"  # the state of a case whose program leaves the pins' own pull-ups off
SPEAKING = (LegRole.ANALOGUE_OUT, LegRole.DIGITAL_OUT, LegRole.OPEN_OUT, LegRole.TWO_WAY, LegRole.INPUT)


@dataclass(frozen=True, slots=True)
class Raw:
    """`value` is a count, a level, µs or the module's number. A pin that `floats` has none; a module that is `mute` sends
    nothing."""

    value: float = 0.0
    floats: bool = False
    mute: bool = False


FLOATING, MUTE = Raw(floats=True), Raw(mute=True)


class FaultBench:
    """A case's bench, ready to be read: each different circuit is solved once, whichever fault leads to it."""

    def __init__(self, sound: BenchCase) -> None:
        self.sound = sound
        self._solved: dict[object, list[Raw]] = {}
        self._points: dict[object, OperatingPoint | None] = {}
        self._views: IdentityMap[Bench, tuple[BenchView, object]] = IdentityMap()

    # -- the sound bench ---------------------------------------------------------------------------

    @cached_property
    def pins(self) -> dict[Key, str]:
        """The pin that the program reads for each reading: a fault moves leads, not what the program reads."""
        found = {}
        for key in self.sound.keys:
            view, part = self.sound.view, self._part(self.sound.view, key)
            chain = self.sound.sheet.chains.get(key)
            if view is None or part is None or chain is None:
                continue
            with suppress(Unavailable):
                found[key] = route_of(view, part, chain.output).pin.name
        return found

    @cached_property
    def fed_by(self) -> dict[Key, tuple[str, ...]]:
        """Pins that the program raises while it reads, since they feed the module."""
        found: dict[Key, tuple[str, ...]] = {}
        for key in self.pins:
            view, part = self.sound.view, self._part(self.sound.view, key)
            net = view.net(part, part.type.supply_leg) if view and part and part.type.supply_leg else None
            pins = view.nets.signal_pins(net) if view and net else ()
            found[key] = tuple(pin.name for pin in pins if pin.digital_out)
        return found

    @cached_property
    def pulled_up(self) -> frozenset[str]:
        """Pins whose own pull-up the sound bench needs, and which its program therefore turns on."""
        found = set()
        for key, pin in self.pins.items():
            if isinstance(self.sound.sheet.chains[key], DigitalChain) and any(
                raw.floats for raw in self._levels(self.sound, key, frozenset())
            ):
                found.add(pin)
        return frozenset(found)

    # -- any bench ---------------------------------------------------------------------------------

    def raw(self, case: BenchCase, key: Key) -> list[Raw]:
        """The raw reading of a key at each step of the plan, in its order."""
        chain = self.sound.sheet.chains.get(key)
        if chain is None:
            return []
        known = (
            key, self.signature(case), case.reference_volts, case.rail_volts, case.rail_on_volts, case.rail_on_steps,
            tuple(sorted(case.ohms.items())), tuple(sorted((r, o.kind, str(o)) for r, o in case.outputs.items())),
            tuple(sorted(case.points.items())), NO_PULL_UP in case.states,
        )  # fmt: skip
        if known not in self._solved:
            self._solved[known] = self._read(case, key, chain)
        return self._solved[known]

    def _read(self, case: BenchCase, key: Key, chain: Chain) -> list[Raw]:
        if isinstance(chain, AdcChain):
            return self._counts(case, key, chain)
        if isinstance(chain, DigitalChain):
            return self._levels(case, key, self._pull_ups(case))
        return self._numbers(case, key, chain)

    def _pull_ups(self, case: BenchCase) -> frozenset[str]:
        return frozenset() if NO_PULL_UP in case.states else self.pulled_up

    def stimuli(self, key: Key) -> list[float]:
        """What the sensor gets at each step, as the sheet has it; NaN where a step says nothing of it."""
        values = []
        for step in self.sound.sheet.steps:
            reading = next((r for r in step.readings if (r.ref, r.quantity) == key), None)
            values.append(reading.stimulus.nominal if reading else float("nan"))
        return values

    def _counts(self, case: BenchCase, key: Key, chain: AdcChain) -> list[Raw]:
        output = case.outputs.get(key[0], chain.output)
        states = [float(output.state(np.asarray(at), {}, chain.settings)) for at in self.stimuli(key)]
        reference = case.reference_volts or chain.reference.nominal
        if case.view is None and case.bench is None:
            rails = self._rails(case)
            volts = [float(chain.response.volts(np.asarray(s), {})) for s in states]
            share = output.carries != "volts"
            volts = [
                v * (rail / case.board.rail_volts if share and rail else 1.0)
                for v, rail in zip(volts, rails, strict=True)
            ]
            return [Raw(float(chain.board.count(np.asarray(v), np.asarray(reference)))) for v in volts]
        found = []
        for state, rail in zip(states, self._rails(case), strict=True):
            volts_at_pin = self._volts(case, key, output, state, rail)
            own_rail = rail if rail and chain.reference.key == "rail" else reference
            if volts_at_pin is None:
                found.append(FLOATING)
            else:
                found.append(Raw(float(chain.board.count(np.asarray(volts_at_pin), np.asarray(own_rail)))))
        return found

    def _rails(self, case: BenchCase) -> list[float | None]:
        """The supply at each step: lower while an output is on, where the case says so."""
        if case.rail_on_volts is None:
            return [case.rail_volts] * len(case.sheet.steps)
        return [
            case.rail_on_volts if index in case.rail_on_steps else case.rail_volts
            for index, _ in enumerate(case.sheet.steps)
        ]

    def _levels(self, case: BenchCase, key: Key, pulled_up: frozenset[str]) -> list[Raw]:
        chain = self.sound.sheet.chains[key]
        assert isinstance(chain, DigitalChain)
        output = case.outputs.get(key[0], chain.output)
        settings = dict(chain.settings)
        setting = getattr(output, "setting", None)
        if key[0] in case.points and setting:
            settings[setting] = case.points[key[0]]
        targets = [step.target for step in case.exercise.steps if self._is_planned(step.name)]
        states = [
            float(output.state(np.asarray(at), {}, {**settings, **_reflectance(chain, target)}))
            for at, target in zip(self.stimuli(key), targets, strict=True)
        ]
        if case.view is None and case.bench is None:
            return [Raw(1.0 if chain.volts_of[int(s > 0.5)] >= chain.board.input_high_volts else 0.0) for s in states]
        found = []
        for state in states:
            volts = self._volts(case, key, output, state, case.rail_volts, pulled_up)
            found.append(FLOATING if volts is None else Raw(1.0 if volts >= chain.board.input_high_volts else 0.0))
        return found

    def _is_planned(self, name: str) -> bool:
        return self.sound.sheet.step(name) is not None

    def _numbers(self, case: BenchCase, key: Key, chain: Chain) -> list[Raw]:
        output = case.outputs.get(key[0], chain.output)
        sent = [
            Raw(float(replace(chain, output=output).raw(np.asarray(at), {})))  # type: ignore[type-var]
            for at in self.stimuli(key)
        ]
        return sent if self.answers(case, key) else [MUTE] * len(sent)

    def answers(self, case: BenchCase, key: Key) -> bool:
        """Whether the module is fed and each of its signal legs reaches the pins it reaches on the sound bench."""
        if case.bench is None:
            return True
        view, sound = self.view(case), self.sound.view
        part = self._part(view, key)
        own = self._part(sound, key)
        if view is None or sound is None or part is None or own is None:
            return False
        for leg in own.type.legs_with(*SPEAKING):
            was, now = sound.net(own, leg), view.net(part, leg)
            before = {pin.name for pin in sound.nets.signal_pins(was)} if was else set()
            after = {pin.name for pin in view.nets.signal_pins(now)} if now else set()
            if before and not before <= after:
                return False
        point = self._point(case, key, {}, {}, case.rail_volts, frozenset())
        return point is not None and (part.type.supply_leg is None or point.power_states.get(part.ref) is not None)

    # -- the circuit -------------------------------------------------------------------------------

    def _volts(
        self,
        case: BenchCase,
        key: Key,
        output: Output,
        state: float,
        rail: float | None,
        pulled_up: frozenset[str] = frozenset(),
    ) -> float | None:
        """Volts at the pin that the program reads; None where nothing holds it."""
        view, pin = self.view(case), self.pins.get(key)
        part = self._part(view, key)
        if view is None or pin is None or part is None:
            return None
        net = view.nets.of_pin(pin)
        if net is None:
            return case.board.rail_volts if pin in pulled_up else None
        if output.carries in ("position", "level"):
            at = state
            if output.kind == "switch":
                at = output.active if state >= 0.5 else output.rest
            point = self._point(case, key, {(part.ref, output.quantity): at}, {}, rail, pulled_up)
        else:
            point = self._point(case, key, {}, {part.ref: state}, rail, pulled_up)
        if point is None or net.id in point.floating:
            return None
        if source_ohms(point, [net.id])[net.id] > FLOATS_FROM_OHMS:
            return None
        return point.volts[net.id]

    def _point(
        self,
        case: BenchCase,
        key: Key,
        stimulus: Mapping[tuple[str, str], float],
        sensed: Mapping[str, float],
        rail: float | None,
        pulled_up: frozenset[str],
    ) -> OperatingPoint | None:
        view = self.view(case)
        if view is None or view.shorted:
            return None
        rail = rail if rail is not None else case.measured.rail_volts
        high = rail if rail is not None else case.board.rail_volts
        own = {ref: value for ref, value in case.measured.values.items() if "." not in ref}
        conditions = Conditions(
            ohms={**own, **case.ohms}, driven=dict.fromkeys(self.fed_by.get(key, ()), high), stimulus=stimulus,
            sensed=sensed, rail_volts=rail, pulled_up=pulled_up,
        )  # fmt: skip
        try:
            return operating_point(view.nets, conditions)
        except NoSensibleAnswer:
            return None

    def volts_on(self, case: BenchCase, net_id: int | None, step: int = 0) -> float | None:
        """Volts from a net to ground with the plan's step as stimulus; None where nothing holds it."""
        view = self.view(case)
        key = next((key for key in case.keys if key in self.sound.sheet.chains), case.keys[0])
        if view is None or net_id is None:
            return None
        point = self._stimulated(case, key, step)
        if point is None or net_id in point.floating:
            return None
        if net_id == view.nets.ground_id:
            return 0.0
        if source_ohms(point, [net_id])[net_id] > FLOATS_FROM_OHMS:
            return None
        return point.volts[net_id]

    def _stimulated(self, case: BenchCase, key: Key, step: int) -> OperatingPoint | None:
        pulled_up = self._pull_ups(case)
        known = (
            self.signature(case), case.rail_volts, tuple(sorted(case.ohms.items())), step,
            str(case.outputs.get(key[0])), pulled_up,
        )  # fmt: skip
        if known not in self._points:
            chain = self.sound.sheet.chains.get(key)
            output = case.outputs.get(key[0], chain.output) if chain else None
            part = self._part(self.view(case), key)
            at = self.stimuli(key)[step]
            if part is None or output is None:
                self._points[known] = self._point(case, key, {}, {}, case.rail_volts, pulled_up)
            elif output.carries in ("volts", "share", "ohms"):
                state = float(output.state(np.asarray(at), {}, getattr(chain, "settings", {})))
                self._points[known] = self._point(case, key, {}, {part.ref: state}, case.rail_volts, pulled_up)
            else:
                stimulus = {(part.ref, output.quantity): at}
                self._points[known] = self._point(case, key, stimulus, {}, case.rail_volts, pulled_up)
        return self._points[known]

    def view(self, case: BenchCase) -> BenchView | None:
        """The case's bench as the solver takes it."""
        if case.bench is None or case.view is None:
            return case.view
        return self._viewed(case)[0]

    def signature(self, case: BenchCase) -> object:
        """The same for two benches that are one circuit: which legs are one metal, and what parts they belong to."""
        if case.bench is None or case.view is None:
            return None
        return self._viewed(case)[1]

    def _viewed(self, case: BenchCase) -> tuple[BenchView, object]:
        assert case.bench is not None
        known = self._views.get(case.bench)
        if known is None:
            view = BenchView(case.bench, exercise=case.exercise, rail_volts=case.measured.rail_volts)
            nets = frozenset(frozenset(map(str, net.legs)) for net in view.nets.nets if len(net.legs) > 1)
            parts = frozenset((p.ref, p.type.id, tuple(sorted(p.settings.items()))) for p in case.bench.parts.values())
            known = self._views[case.bench] = (view, (nets, parts))
        return known

    @staticmethod
    def _part(view: BenchView | None, key: Key) -> Part | None:
        if view is None:
            return None
        return view.matching(key[0])


def _reflectance(chain: DigitalChain, target: str) -> dict[str, float]:
    faced = facing(chain, target)
    settings = faced.settings if isinstance(faced, DigitalChain) else {}
    return {name: value for name, value in settings.items() if name == "reflectance"}
