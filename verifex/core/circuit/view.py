"""What the wiring rules look at: one bench with its nets and its solved states."""

from collections.abc import Callable, Mapping
from dataclasses import dataclass
from functools import cached_property

from verifex.core.circuit.bench import Bench, Part
from verifex.core.circuit.nets import Net, Nets
from verifex.core.circuit.operating import Conditions, OperatingPoint, operating_point
from verifex.core.circuit.places import LegOf
from verifex.core.circuit.solver import NoSensibleAnswer
from verifex.core.circuit.states import inferred_outputs, output_states
from verifex.core.exercise import Exercise
from verifex.core.parts.schema import LegRole


@dataclass(frozen=True, slots=True)
class StatePoint:
    """A named state of the outputs, and what flows in it."""

    name: str
    conditions: Conditions
    point: OperatingPoint


class BenchView:
    """A bench with everything the rules ask of it, each computed once."""

    def __init__(
        self,
        bench: Bench,
        *,
        exercise: Exercise | None = None,
        outputs: list[str] | None = None,
        batch_orders: Mapping[str, str] | None = None,
        rail_volts: float | None = None,
        issued_ohms: Mapping[str, float] | None = None,
    ) -> None:
        """`outputs` are the pins a program drives; without it they are inferred from the wiring.

        `issued_ohms` gives, by the exercise's reference, a resistor the hatch handed out in place of the recipe's.
        """
        self.bench = bench
        self.exercise = exercise
        self.batch_orders = dict(batch_orders or {})
        self.rail_volts = rail_volts
        self.issued_ohms = dict(issued_ohms or {})
        self.nets = Nets(bench)
        # A pin that something hangs on may be driven by whatever program comes: both are tried.
        inferred = inferred_outputs(self.nets)
        self.outputs = inferred + [pin for pin in outputs or [] if pin not in inferred]

    @cached_property
    def shorted(self) -> list[Net]:
        """Nets on which a supply meets ground, or two different supplies meet."""
        found = []
        for net in self.nets.nets:
            volts = {pin.supply_volts for pin in self.nets.supplies(net)}
            if len(volts) > 1 or (volts and self.nets.is_ground(net)):
                found.append(net)
        return found

    @cached_property
    def points(self) -> list[StatePoint]:
        """Every output state, solved with the pair's measured values; empty when nothing can be solved."""
        return self.solved(frozenset())

    def solved(self, flipped: frozenset[str]) -> list[StatePoint]:
        board = self.bench.board
        if board is None:
            return []
        high = self.rail_volts if self.rail_volts is not None else board.rail_volts
        wired = {pin.name for net in self.nets.nets for pin in self.nets.signal_pins(net)}
        states = output_states([pin for pin in self.outputs if pin in wired], high)
        points = []
        for name, driven in states:
            conditions = Conditions(driven=driven, rail_volts=self.rail_volts, flipped=flipped)
            try:
                points.append(StatePoint(name, conditions, operating_point(self.nets, conditions)))
            except NoSensibleAnswer:
                return []
        return points

    def net(self, part: Part, leg: str) -> Net | None:
        return self.nets.of_leg(part.ref, leg)

    def place(self, part: Part, leg: str) -> str:
        return str(part.legs.get(leg, LegOf(part.ref, leg)))

    def across(self, state: StatePoint, part: Part, plus: str, minus: str) -> float | None:
        """Volts from leg `plus` to leg `minus` in a state; None when a leg is nowhere."""
        one, other = self.net(part, plus), self.net(part, minus)
        if one is None or other is None:
            return None
        return state.point.volts[one.id] - state.point.volts[other.id]

    def module_parts(self) -> list[Part]:
        """Parts with a supply leg and a ground leg."""
        return [
            part
            for part in self.bench.parts.values()
            if part.type.legs_with(LegRole.SUPPLY) and part.type.legs_with(LegRole.GROUND)
        ]

    def is_fed(self, net: Net) -> bool:
        """Whether a supply or a driving pin is on the net, or reaches it through a resistor."""
        return self._reaches(
            net,
            lambda n: bool(self.nets.supplies(n)) or any(p.name in self.outputs for p in self.nets.board_pins(n)),
        )

    def is_grounded(self, net: Net) -> bool:
        return self._reaches(net, self.nets.is_ground)

    def _reaches(self, start: Net, wanted: Callable[[Net], bool]) -> bool:
        seen, ahead = {start.id}, [start]
        while ahead:
            net = ahead.pop()
            if wanted(net):
                return True
            for leg in self.nets.part_legs(net):
                part = self.bench.parts.get(leg.ref)
                if part is None or part.type.model != "resistor":
                    continue
                for other_leg in part.legs:
                    other = self.net(part, other_leg)
                    if other and other.id not in seen:
                        seen.add(other.id)
                        ahead.append(other)
        return False

    def parts_behind(self, net: Net) -> list[str]:
        """Parts that hang on `net`, and those one resistor, light or diode further on."""
        refs = []
        for leg in self.nets.part_legs(net):
            part = self.bench.parts.get(leg.ref)
            refs.append(leg.ref)
            if part is None or part.type.model not in ("resistor", "led", "diode"):
                continue
            for other in part.legs:
                far = self.net(part, other)
                if far is not None and far.id != net.id and not self.nets.is_ground(far):
                    refs += [o.ref for o in self.nets.part_legs(far)]
        return list(dict.fromkeys(refs))

    def matching(self, exercise_ref: str) -> Part | None:
        """The bench's part that plays the exercise's `exercise_ref`: the same reference, else the same turn of its type."""
        return roles(self.bench, self.exercise).get(exercise_ref) if self.exercise else None


def roles(bench: Bench, exercise: Exercise) -> dict[str, Part]:
    """Which part on the bench plays which reference of the exercise; references that nothing plays are absent."""
    found: dict[str, Part] = {}
    for recipe in exercise.recipe:
        part = bench.parts.get(recipe.ref)
        if part and part.type.id == recipe.part:
            found[recipe.ref] = part
    for recipe in exercise.recipe:
        if recipe.ref in found:
            continue
        taken = {part.ref for part in found.values()}
        free = [p for p in bench.parts.values() if p.type.id == recipe.part and p.ref not in taken]
        if free:
            found[recipe.ref] = free[0]
    return found
