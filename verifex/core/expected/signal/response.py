"""From what a sensor gives to the volts at its pin: through the solved circuit, loading included."""

from collections.abc import Mapping
from dataclasses import dataclass, field, replace
from typing import Any, Protocol

import numpy as np

from verifex.core.circuit.conditions import Conditions
from verifex.core.circuit.operating import OperatingPoint, operating_point
from verifex.core.circuit.values import METER_PERCENT, measured_ohms, resistor_ohms, tolerance_percent
from verifex.core.circuit.view import BenchView
from verifex.core.expected.measured import RAIL
from verifex.core.expected.signal.contributors import Contributor
from verifex.core.expected.signal.curve import Curve, curve_of
from verifex.core.expected.signal.path_to_pin import Route
from verifex.core.parts import Output
from verifex.core.parts.outputs import FloatArray
from verifex.core.quantity import Spread

MATTERS_VOLTS = 1e-4  # a resistor that moves the pin by less is left out
REACH = 0.25  # of a resistor's value: how far its slider goes


class Response(Protocol):
    """Volts at the pin for a sensor's state and for the contributors as `chosen` by key (else nominal). Broadcasts."""

    @property
    def contributors(self) -> tuple[Contributor, ...]: ...

    def volts(self, state: FloatArray, chosen: Mapping[str, FloatArray]) -> FloatArray: ...


@dataclass(frozen=True, slots=True)
class IdealResponse:
    """The pin gets what the sensor gives, which ends at its supply: an exercise without a bench."""

    carries: str
    supply_volts: float
    contributors: tuple[Contributor, ...] = ()

    def volts(self, state: FloatArray, chosen: Mapping[str, FloatArray]) -> FloatArray:
        if self.carries == "volts":
            return np.minimum(state, self.supply_volts)
        return np.clip(state, 0.0, 1.0) * self.supply_volts


@dataclass(frozen=True, slots=True)
class SolvedResponse:
    """Curves over the sensor's state: one at nominal values, and one for each step of each contributor on its own.

    The effects of several contributors add, which is exact to first order; the sensor's own state is followed exactly.
    """

    base: Curve
    contributors: tuple[Contributor, ...] = ()
    steps: Mapping[str, tuple[FloatArray, tuple[Curve, ...]]] = field(default_factory=dict)

    def volts(self, state: FloatArray, chosen: Mapping[str, FloatArray]) -> FloatArray:
        nominal = self.base(state)
        found = nominal
        for key, (knots, curves) in self.steps.items():
            if key not in chosen:
                continue
            for index, curve in enumerate(curves):
                hat = np.zeros(len(knots))
                hat[index] = 1.0
                weight = np.interp(chosen[key], knots, hat)
                found = found + weight * (curve(state) - nominal)
        return found


class BenchSolver:
    """Operating points of one bench as one sensor's state and the other values move."""

    def __init__(
        self,
        view: BenchView,
        route: Route,
        output: Output,
        rail_volts: float | None,
        measured_ohms: Mapping[str, float],
    ) -> None:
        self.view, self.route, self.output, self.measured_ohms = view, route, output, measured_ohms
        self.conditions = Conditions(
            ohms=measured_ohms,
            driven=dict.fromkeys(route.fed_by, rail_volts or _board_volts(view)),
            rail_volts=rail_volts,
            pulled_up=route.pulled_up,
        )
        self.near: OperatingPoint | None = None
        self.solved = 0

    def pin_volts(self, state: float, **changed: Any) -> float:
        """Volts at the pin. Raises NoSensibleAnswer."""
        point = self.point(state, **changed)
        return point.volts[self.route.net.id]

    def point(self, state: float, **changed: Any) -> OperatingPoint:
        ref = self.route.part.ref
        if self.output.carries in ("position", "level"):
            at = {(ref, self.output.quantity): self._stimulus(state)}
            conditions = replace(self.conditions, stimulus=at, **changed)
        else:
            conditions = replace(self.conditions, sensed={ref: state}, **changed)
        self.solved += 1
        self.near = operating_point(self.view.nets, conditions, self.near)
        return self.near

    def _stimulus(self, state: float) -> float:
        if self.output.kind == "switch":
            return self.output.active if state >= 0.5 else self.output.rest
        return state


def _board_volts(view: BenchView) -> float:
    return view.bench.board.rail_volts if view.bench.board else 0.0


def solved_response(solver: BenchSolver, states: tuple[float, float], rail: Spread) -> SolvedResponse:
    """The response between two states of the sensor. Raises NoSensibleAnswer where nothing settles."""
    low, high = states
    resistance = solver.output.carries == "ohms"

    def curve(**changed: Any) -> Curve:
        return curve_of(lambda x: solver.pin_volts(x, **changed), low, high, resistance=resistance)

    def with_ohms(ref: str, ohms: float) -> dict[str, float]:
        return {**solver.measured_ohms, ref: ohms}

    base = curve()
    middle = (low * high) ** 0.5 if resistance else (low + high) / 2
    at_middle = float(base(np.asarray(middle)))
    contributors: list[Contributor] = []
    steps: dict[str, tuple[FloatArray, tuple[Curve, ...]]] = {}
    for part in solver.view.bench.parts_of("resistor"):
        ohms = solver.measured_ohms.get(part.ref) or resistor_ohms(part, "measured")
        if ohms is None or part.ref not in solver.route.near:
            continue
        if abs(solver.pin_volts(middle, ohms=with_ohms(part.ref, ohms * 1.1)) - at_middle) < MATTERS_VOLTS:
            continue
        measured = part.ref in solver.measured_ohms or measured_ohms(part) is not None
        percent = METER_PERCENT if measured else tolerance_percent(part, "measured")
        half = ohms * percent / 100
        found = Contributor(
            part.ref, f"Resistor {part.ref}", ohms - half, ohms, ohms + half, "Ω",
            "as measured" if measured else f"± {percent:g} % of its bands",
            None if measured else ohms * METER_PERCENT / 100, f"measure {part.ref} out of the circuit",
        )  # fmt: skip
        knots = np.array(sorted({ohms * (1 - REACH), found.low, ohms, found.high, ohms * (1 + REACH)}))
        curves = tuple(base if k == ohms else curve(ohms=with_ohms(part.ref, float(k))) for k in knots)
        contributors.append(found)
        steps[part.ref] = (knots, curves)
    moved = solver.pin_volts(middle, rail_volts=rail.nominal * 1.02)
    if abs(moved - at_middle) > MATTERS_VOLTS:
        knots = np.array([rail.nominal * 0.85, rail.nominal, rail.nominal * 1.1])
        curves = tuple(base if k == rail.nominal else curve(rail_volts=float(k)) for k in knots)
        steps[RAIL] = (knots, curves)
    return SolvedResponse(base, tuple(contributors), steps)
