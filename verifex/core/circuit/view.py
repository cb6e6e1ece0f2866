"""What the wiring rules look at: one bench with its nets and its solved states."""

from collections.abc import Callable, Collection, Iterable, Iterator, Mapping
from dataclasses import dataclass
from functools import cached_property
from typing import Any, TypeVar

from verifex.core.circuit.bench import Bench, Part
from verifex.core.circuit.conditions import Conditions
from verifex.core.circuit.connections.driving_pins import inferred_outputs
from verifex.core.circuit.connections.loose_ends import LooseEnd, loose_ends
from verifex.core.circuit.connections.paths import EVERYTHING, FEEDING, Paths
from verifex.core.circuit.connections.roles import roles
from verifex.core.circuit.connections.shorts import shorted_nets
from verifex.core.circuit.handed_out import HandedOut, with_given_values
from verifex.core.circuit.nets import Net, Nets
from verifex.core.circuit.operating import OperatingPoint, operating_point
from verifex.core.circuit.places import LegOf, Place
from verifex.core.circuit.solver import NoSensibleAnswer
from verifex.core.circuit.states import UNDRIVEN, Clusters, State, states_of
from verifex.core.exercise import Exercise
from verifex.core.parts import PinKind

T = TypeVar("T")
NEAR_A_LIMIT = 0.55  # of an absolute limit: from here the tolerance corner is solved too


@dataclass(frozen=True, slots=True)
class Programmed:
    """What a program does with the pins: which it drives, which have their own pull-up on, which reference it selects."""

    outputs: tuple[str, ...] = ()
    pulled_up: frozenset[str] = frozenset()
    reference: str | None = None


@dataclass(frozen=True, slots=True)
class StatePoint:
    """A state of the bench, and what flows in it."""

    state: State
    conditions: Conditions
    point: OperatingPoint

    @property
    def name(self) -> str:
        return self.state.name


class BenchView:
    """A bench with everything the rules ask of it, each computed once."""

    def __init__(
        self,
        bench: Bench,
        *,
        exercise: Exercise | None = None,
        program: Programmed | None = None,
        handed_out: HandedOut | None = None,
        rail_volts: float | None = None,
    ) -> None:
        """Without a program, which pins drive is inferred from the wiring."""
        bench = with_given_values(bench, roles(bench, exercise), exercise.recipe, handed_out) if exercise else bench
        self.bench = bench
        self.exercise = exercise
        self.program = program
        self.handed_out = handed_out or HandedOut()
        self.rail_volts = rail_volts
        self.nets = Nets(bench)
        self.paths = Paths(self.nets)
        # A pin that something hangs on may be driven by whatever program comes: both are tried.
        inferred = inferred_outputs(self.nets, self.paths)
        wired = {pin.name for net in self.nets.nets for pin in self.nets.signal_pins(net)}
        driven = [pin for pin in (program.outputs if program else ()) if pin in wired and pin not in inferred]
        self.outputs = inferred + driven
        self.operating_points = 0

    def with_bench(self, bench: Bench) -> "BenchView":
        """The same circumstances with another bench."""
        return BenchView(
            bench, exercise=self.exercise, program=self.program, handed_out=self.handed_out, rail_volts=self.rail_volts
        )

    @cached_property
    def shorted(self) -> list[Net]:
        """Nets on which a supply meets ground or its own return, or two different supplies meet."""
        return shorted_nets(self.nets)

    @cached_property
    def points(self) -> list[StatePoint]:
        """Every state, solved with the pair's measured values; empty when nothing can be solved."""
        if self.bench.board is None and not self.bench.parts_of("battery"):
            return []
        near: dict[tuple[tuple[str, bool], ...], OperatingPoint] = {}
        last: OperatingPoint | None = None
        found = []
        for state in states_of(self.nets, self.paths, self.clusters, self.outputs):
            key = tuple(state.driven.items())
            point = self.solve(state, near=near.get(key, last))
            if point is None:
                return []
            last = near[key] = point.point
            found.append(point)
        return found

    def memoised(self, make: "Callable[[BenchView], Iterable[T]]") -> list[T]:
        """What `make` finds on this bench, worked out at the first call."""
        if make not in self._made:
            self._made[make] = list(make(self))
        return self._made[make]

    @cached_property
    def _made(self) -> dict[object, list[Any]]:
        return {}

    @cached_property
    def loose_ends(self) -> list[LooseEnd]:
        """Ends that are alone in their row."""
        return loose_ends(self.bench, self.nets)

    @cached_property
    def clusters(self) -> Clusters:
        return Clusters(self.nets, self.paths)

    def when(self, state: StatePoint, *things: Part | str) -> str:
        """A state in words, as it concerns parts or pins (by name)."""
        clusters = [
            cluster
            for thing in things
            for cluster in ([self.clusters.of_pin(thing)] if isinstance(thing, str) else self.clusters.of_part(thing))
        ]
        said = [
            state.state.said[cluster] for cluster in clusters if cluster is not None and cluster in state.state.said
        ]
        return ", ".join(dict.fromkeys(said)) or state.name

    def solve(
        self,
        state: State,
        *,
        corner: int = 0,
        flipped: Collection[str] = (),
        exchanged: Mapping[str, tuple[str, str]] | None = None,
        near: OperatingPoint | None = None,
    ) -> StatePoint | None:
        """One state, perhaps at a tolerance corner or with legs exchanged; None when it has no answer."""
        board = self.bench.board
        high = 0.0 if board is None else self.rail_volts if self.rail_volts is not None else board.rail_volts
        conditions = Conditions(
            driven={pin: high if on else 0.0 for pin, on in state.driven.items()},
            held=state.held,
            stimulus=state.stimulus,
            rail_volts=self.rail_volts,
            corner=corner,
            flipped=frozenset(flipped),
            exchanged=exchanged or {},
            pulled_up=self.program.pulled_up if self.program else frozenset(),
        )
        self.operating_points += 1
        try:
            return StatePoint(state, conditions, operating_point(self.nets, conditions, near))
        except NoSensibleAnswer:
            return None

    def solved(
        self, *, flipped: Collection[str] = (), exchanged: Mapping[str, tuple[str, str]] | None = None
    ) -> Iterator[StatePoint]:
        """Every state of the pins once more with something tried: `flipped` parts, `exchanged` legs."""
        for state in self.points:
            again = self.solve(state.state, near=state.point, flipped=flipped, exchanged=exchanged)
            if again is not None:
                yield again

    def worst_case(self, state: StatePoint) -> StatePoint:
        """The state with every tolerance at the end that gives the most current."""
        key = state.name
        if key not in self._worst_case_by_state:
            self._worst_case_by_state[key] = self.solve(state.state, corner=1, near=state.point) or state
        return self._worst_case_by_state[key]

    @cached_property
    def _worst_case_by_state(self) -> dict[str, StatePoint]:
        return {}

    @cached_property
    def undriven(self) -> StatePoint | None:
        """The state before any program runs: all pins are inputs."""
        return next((p for p in self.points if p.name == UNDRIVEN), self.points[0] if self.points else None)

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

    def volts(self, state: StatePoint, net: Net) -> float:
        return state.point.volts[net.id]

    def amps(self, state: StatePoint, part: Part, leg: str | None = None) -> float:
        """Amps into a leg (the first one where none is named) in a state."""
        return state.point.amps.get((part.ref, leg or part.ends[0]), 0.0)

    def module_parts(self) -> list[Part]:
        """Parts with a supply leg and a ground leg, the regulator among them."""
        return [p for p in self.bench.parts.values() if p.type.supply_leg and p.type.ground_leg]

    def wired_pins(self) -> Iterator[tuple[PinKind, Net]]:
        """Every signal pin of the board that something is on."""
        for net in self.nets.nets:
            if len(net.places) > 1:
                for pin in self.nets.signal_pins(net):
                    yield pin, net

    @property
    def supply_places(self) -> list[Place]:
        """The board's supply pins, the usual one first; without a board the plus of each battery."""
        board = self.bench.board
        if board is None:
            return [LegOf(part.ref, "plus") for part in self.bench.parts_of("battery")]
        return [
            LegOf(self.bench.board_ref, pin) for pin in sorted(board.supplies, key=lambda pin: pin != board.rail_pin)
        ]

    @property
    def ground_places(self) -> list[Place]:
        """The board's ground; without a board the minus of each battery."""
        board = self.bench.board
        if board is None:
            return [LegOf(part.ref, "minus") for part in self.bench.parts_of("battery")]
        return [LegOf(self.bench.board_ref, board.ground)]

    def pin_place(self, pin: str) -> str:
        return f"{self.bench.board_ref}.{pin}"

    def drives(self, net: Net) -> bool:
        return any(pin.name in self.outputs for pin in self.nets.board_pins(net))

    def is_fed(self, net: Net, without: Collection[str] = ()) -> bool:
        """Whether a supply or a driving pin is on the net, or feeds it through resistors, contacts or a diode."""
        way = self.paths.leads_to(net, lambda n: self.nets.is_source(n) or self.drives(n), FEEDING, without)
        return way is not None

    def is_grounded(self, net: Net, without: Collection[str] = ()) -> bool:
        return self.paths.leads_to(net, lambda n: self.nets.is_return(n), FEEDING, without) is not None

    def parts_behind(self, net: Net) -> list[str]:
        """Parts that would be dead with `net`: those on it, and what hangs on them, up to the rails."""

        refs: list[str] = []
        for net_id, way in self.paths.reach(net, EVERYTHING).items():
            refs += [edge.ref for edge in way]
            reached = self.nets.nets[net_id]
            if net_id == net.id or not self.nets.is_rail(reached):
                refs += [leg.ref for leg in self.nets.part_legs(reached)]
        for ref in list(dict.fromkeys(refs)):
            refs += self.behind_contacts(self.bench.parts[ref])
        return list(dict.fromkeys(refs))

    def behind_contacts(self, part: Part) -> list[str]:
        """What a relay's contacts switch; nothing for any other part."""
        if part.type.model != "relay":
            return []
        nets = [net for leg in ("common", "open", "closed") if (net := self.net(part, leg))]
        found = [self.paths.reach(net, EVERYTHING, without={part.ref}) for net in nets]
        return list(dict.fromkeys(edge.ref for ways in found for way in ways.values() for edge in way))

    @cached_property
    def roles(self) -> dict[str, Part]:
        return roles(self.bench, self.exercise) if self.exercise else {}

    def matching(self, exercise_ref: str) -> Part | None:
        """The bench's part that plays the exercise's `exercise_ref`: the same reference, else the same turn of its type."""
        return self.roles.get(exercise_ref)
