"""Arithmetic helpers and pseudo-random numbers."""

import math
from collections.abc import Callable
from typing import Any

from verifex.core.program.calls.registry import At, Machine, call
from verifex.core.program.types import FLOAT, LONG, ULONG, VOID, Int, as_float32

INT = Int(16, True)


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


def _enter_test(name: str, test: Callable[[float], bool]) -> None:
    @call(name, (FLOAT,), INT)
    def act(m: Machine, at: At, _: Any, x: float) -> int:
        return int(test(x))


for _name, _test in {
    "isnan": math.isnan, "isinf": math.isinf, "isfinite": math.isfinite, "signbit": lambda x: math.copysign(1, x) < 0,
}.items():  # fmt: skip
    _enter_test(_name, _test)


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
    "cbrt": lambda x: math.copysign(abs(x) ** (1 / 3), x), "square": lambda x: x * x, "log2": math.log2, "log1p": math.log1p,
    "expm1": math.expm1, "sinh": math.sinh, "cosh": math.cosh, "tanh": math.tanh,
}  # fmt: skip
OF_TWO: dict[str, Callable[[float, float], float]] = {
    "pow": math.pow, "atan2": math.atan2, "fmod": math.fmod, "hypot": math.hypot, "copysign": math.copysign,
    "fmin": lambda a, b: b if math.isnan(a) else a if math.isnan(b) else min(a, b),
    "fmax": lambda a, b: b if math.isnan(a) else a if math.isnan(b) else max(a, b),
    "fdim": lambda a, b: max(a - b, 0.0),
}  # fmt: skip
for _name, _function in FUNCTIONS.items():
    for _spelled in (_name, f"{_name}f"):
        _enter(_spelled, _function, 1)
for _name, _two in OF_TWO.items():
    for _spelled in (_name, f"{_name}f"):
        _enter(_spelled, _two, 2)
_enter("radians", math.radians, 1)
_enter("degrees", math.degrees, 1)


@call("ldexp", (FLOAT, INT), FLOAT)
def ldexp(m: Machine, at: At, _: Any, x: float, exponent: int) -> float:
    return as_float32(math.ldexp(x, min(exponent, 300)))


@call("labs", (LONG,), LONG)
def labs(m: Machine, at: At, _: Any, x: int) -> int:
    return LONG.wrap(abs(x))


def _enter_round(name: str) -> None:
    @call(name, (FLOAT,), LONG)
    def act(m: Machine, at: At, _: Any, x: float) -> int:
        return LONG.wrap(int(x + 0.5) if x >= 0 else int(x - 0.5)) if math.isfinite(x) else 0


for _name in ("round", "roundf", "lround", "lroundf"):
    _enter_round(_name)


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


@call("srand", (Int(16, False),), VOID)
def seed_of_rand(m: Machine, at: At, _: Any, seed: int) -> None:
    m.own["rand"] = seed


@call("rand", (), INT)
def rand(m: Machine, at: At, _: Any) -> int:
    """C's own numbers, apart from those of `random`; by the same generator, cut to RAND_MAX."""
    m.unsteady += 1
    before = m.own.get("rand")
    state = (before if isinstance(before, int) and before else 1) * 16807 % 2147483647
    m.own["rand"] = state
    return state & (0x7FFF if m.board.int_bits == 16 else 0x7FFFFFFF)
