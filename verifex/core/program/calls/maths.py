"""Arithmetic helpers and pseudo-random numbers."""

import math
from collections.abc import Callable
from typing import Any

from verifex.core.program.calls.registry import At, Machine, call
from verifex.core.program.types import FLOAT, LONG, ULONG, VOID, as_float32


@call("map", (LONG,) * 5, LONG)
def map_range(m: Machine, at: At, _: Any, x: int, low: int, high: int, to_low: int, to_high: int) -> int:
    if high == low:
        m.runtime_faults[("division-by-zero", at)] += 1
        return -1
    product = LONG.wrap((x - low) * (to_high - to_low))
    span = high - low
    whole = abs(product) // abs(span)
    return LONG.wrap((whole if (product < 0) == (span < 0) else -whole) + to_low)


@call("constrain", ("any", "any", "any"), "common")
def constrain(m: Machine, at: At, _: Any, x: float, low: float, high: float) -> float:
    return low if x < low else high if x > high else x


@call("min", ("any", "any"), "common")
def least(m: Machine, at: At, _: Any, a: float, b: float) -> float:
    return a if a < b else b


@call("max", ("any", "any"), "common")
def greatest(m: Machine, at: At, _: Any, a: float, b: float) -> float:
    return a if a > b else b


@call("abs", ("any",), "common")
def absolute(m: Machine, at: At, _: Any, x: float) -> float:
    return abs(x)


@call("sq", ("any",), "common")
def square(m: Machine, at: At, _: Any, x: float) -> float:
    return x * x


@call("isnan", (FLOAT,), LONG)
def is_nan(m: Machine, at: At, _: Any, x: float) -> int:
    return int(math.isnan(x))


def _enter(name: str, function: Callable[..., float], arguments: int) -> None:
    @call(name, (FLOAT,) * arguments, FLOAT)
    def act(m: Machine, at: At, _: Any, *args: float) -> float:
        try:
            return as_float32(function(*args))
        except ValueError:
            return math.nan
        except (OverflowError, ZeroDivisionError):
            return math.inf


FUNCTIONS: dict[str, Callable[[float], float]] = {
    "sqrt": math.sqrt, "log": math.log, "log10": math.log10, "exp": math.exp, "sin": math.sin, "cos": math.cos,
    "tan": math.tan, "asin": math.asin, "acos": math.acos, "atan": math.atan, "fabs": abs,
    "floor": lambda x: float(math.floor(x)), "ceil": lambda x: float(math.ceil(x)), "trunc": lambda x: float(math.trunc(x)),
    "cbrt": lambda x: math.copysign(abs(x) ** (1 / 3), x), "radians": math.radians, "degrees": math.degrees,
}  # fmt: skip
for _name, _function in FUNCTIONS.items():
    _enter(_name, _function, 1)
_enter("pow", math.pow, 2)
_enter("atan2", math.atan2, 2)
_enter("fmod", math.fmod, 2)
_enter("hypot", math.hypot, 2)


@call("round", (FLOAT,), LONG)
def nearest(m: Machine, at: At, _: Any, x: float) -> int:
    return LONG.wrap(int(x + 0.5) if x >= 0 else int(x - 0.5)) if math.isfinite(x) else 0


@call("randomSeed", (ULONG,), VOID)
def random_seed(m: Machine, at: At, _: Any, seed: int) -> None:
    m.random_state = seed or 1


@call("random", (LONG, LONG), LONG, least=1)
def random_number(m: Machine, at: At, _: Any, low: int, high: int | None = None) -> int:
    if high is None:
        low, high = 0, low
    m.unsteady += 1
    # Park and Miller's minimal generator, as the small boards' C library has it.
    m.random_state = (m.random_state * 16807) % 2147483647
    return low + m.random_state % (high - low) if high > low else low
