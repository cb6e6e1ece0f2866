"""Sums, chance and means."""

import math
import statistics
from collections.abc import Callable
from random import Random
from typing import Any

from verifex.core.program.dynamic.builtins import leave
from verifex.core.program.dynamic.calling import all_of
from verifex.core.program.dynamic.values import Builtin, Thing, error
from verifex.core.program.runtime.machine import Machine
from verifex.core.program.tree import At

SEED = 1


def _plain(act: Callable[..., Any]) -> Builtin:
    return Builtin(act.__name__, lambda m, at, *args, **named: act(*args, **named))


MATHS: dict[str, Any] = {"pi": math.pi, "e": math.e, "inf": math.inf, "nan": math.nan, "tau": math.tau}
for _act in (
    math.sqrt, math.sin, math.cos, math.tan, math.asin, math.acos, math.atan, math.atan2, math.exp, math.log10, math.log2, math.fabs,
    math.floor, math.ceil, math.trunc, math.degrees, math.radians, math.hypot, math.isnan, math.isinf, math.fmod, math.copysign,
    math.isclose, math.log, math.gcd, math.modf, math.sinh, math.cosh, math.tanh, math.asinh, math.acosh, math.atanh, math.expm1,
    math.ldexp, math.frexp,
):  # fmt: skip
    MATHS[_act.__name__] = _plain(_act)
MOST_FACTORIAL = 500  # a larger one takes longer than a pass of a program


def _factorial(m: Machine, at: At, n: int) -> int:
    if n > MOST_FACTORIAL:
        raise error("OverflowError", f"factorial() of more than {MOST_FACTORIAL}", at)
    return math.factorial(n)


MATHS["factorial"] = Builtin("factorial", _factorial)
MATHS["pow"] = Builtin("pow", lambda m, at, a, b: math.pow(a, b))


def _random(m: Machine) -> Random:
    m.unsteady += 1
    found = m.own.setdefault("random", Random(SEED))
    assert isinstance(found, Random)
    return found


def _one_of(m: Machine, at: At, values: Any) -> Any:
    given = all_of(m, values, at)
    if not given:
        raise error("IndexError", "a choice from nothing", at)
    return _random(m).choice(given)


def _shuffle(m: Machine, at: At, values: list[Any]) -> None:
    _random(m).shuffle(values)


def _seed(m: Machine, at: At, *seed: Any) -> None:
    m.own["random"] = Random(repr(seed) if all(isinstance(s, int | float | str) for s in seed) else SEED)


_CHANCE: dict[str, Callable[..., Any]] = {
    "random": lambda m, at: _random(m).random(),
    "randint": lambda m, at, low, high: _random(m).randint(low, high),
    "randrange": lambda m, at, *ends: _random(m).randrange(*ends),
    "uniform": lambda m, at, low, high: _random(m).uniform(low, high),
    "choice": _one_of,
    "getrandbits": lambda m, at, bits: _random(m).getrandbits(bits) if bits else 0,
    "shuffle": _shuffle,
    "seed": _seed,
}
CHANCE: dict[str, Any] = {name: Builtin(name, act) for name, act in _CHANCE.items()}


def _mean(act: Callable[[list[Any]], Any]) -> Any:
    def run(m: Machine, at: At, values: Any) -> Any:
        given = all_of(m, values, at)
        if not given or not all(isinstance(value, int | float) for value in given):
            raise error("ValueError", "a mean of numbers needs at least one", at)
        return act(given)

    return run


STATISTICS = (
    statistics.mean, statistics.fmean, statistics.median, statistics.pstdev, statistics.stdev, statistics.variance, statistics.mode,
)  # fmt: skip
MEANS: dict[str, Any] = {act.__name__: Builtin(act.__name__, _mean(act)) for act in STATISTICS}


class _Out(Thing):
    name = "stdout"

    def do_write(self, m: Machine, at: At, text: str) -> int:
        m.activity += 1
        m.emit(str(text), at)
        return len(text)

    def do_flush(self, m: Machine, at: At) -> None:
        return None


SYSTEM: dict[str, Any] = {
    "maxsize": 0x7FFFFFFF,
    "version": "3.4.0",
    "exit": Builtin("exit", leave),
    "stdout": _Out(),
    "stderr": _Out(),
    "argv": ["program.py"],
    "platform": "bench",
}
