"""Volts at a pin over what a sensor gives, from a few solved points."""

from collections.abc import Callable
from dataclasses import dataclass

import numpy as np

from verifex.core.parts.outputs import FloatArray

AGREES_VOLTS = 2e-4
DENSE = 17

Solve = Callable[[float], float]  # what the sensor gives → volts at the pin


@dataclass(frozen=True, slots=True)
class Curve:
    """Volts by straight lines between knots of a coordinate of the sensor's state.

    Over a linear circuit the pin follows volts, shares and positions in a straight line, and a resistance R as
    R/(R + k) (the bilinear theorem of linear networks); `k_ohms` is that k. Else the knots are dense.
    """

    knots: FloatArray
    volts: FloatArray
    k_ohms: float | None = None
    in_logs: bool = False

    def __call__(self, state: FloatArray) -> FloatArray:
        at = np.asarray(state, dtype=float)
        if self.k_ohms is not None:
            at = at / (at + self.k_ohms)
        elif self.in_logs:
            at = np.log(np.maximum(at, 1e-12))
        return np.asarray(np.interp(at, self.knots, self.volts))


def curve_of(solve: Solve, low: float, high: float, *, resistance: bool = False, held_low: bool = False) -> Curve:
    """The curve between two states, by as few solved points as it needs; a last point checks the shape."""
    if high - low < 1e-12:
        return Curve(np.array([0.0, 1.0]), np.full(2, solve(low)))
    if resistance:
        return _over_ohms(solve, low, high)
    ends = np.array([low, high])
    volts = np.array([solve(low), solve(high)])
    for share in (0.37,) if not held_low else (0.37, 0.71):
        between = low + share * (high - low)
        if abs(solve(between) - np.interp(between, ends, volts)) > AGREES_VOLTS:
            knots = np.linspace(low, high, DENSE)
            return Curve(knots, np.array([solve(float(x)) for x in knots]))
    return Curve(ends, volts)


def _over_ohms(solve: Solve, low: float, high: float) -> Curve:
    """V = (A + B·R)/(k + R) through three points, checked at a fourth."""
    middle, check = (low * high) ** 0.5, (low**0.3) * high**0.7
    v = [solve(low), solve(middle), solve(high)]
    # V·R = A + B·R − k·V, three equations for A, B and k.
    rows = np.array([[1.0, r, -volt] for r, volt in zip((low, middle, high), v, strict=True)])
    right = np.array([volt * r for r, volt in zip((low, middle, high), v, strict=True)])
    try:
        _, _, k = np.linalg.solve(rows, right)
    except np.linalg.LinAlgError:
        k = -1.0
    if k > 0:
        knots = np.array([low / (low + k), high / (high + k)])
        curve = Curve(knots, np.array([v[0], v[2]]), k_ohms=float(k))
        if abs(solve(check) - float(curve(np.asarray(check)))) <= AGREES_VOLTS:
            return curve
    states = np.geomspace(low, high, DENSE)
    return Curve(np.log(states), np.array([solve(float(x)) for x in states]), in_logs=True)
