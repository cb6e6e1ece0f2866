"""Values one after the other: `itertools`, `iter` and `next`, `contextlib`."""

import itertools
from collections.abc import Callable, Iterator
from typing import Any

from verifex.core.program.dynamic.calling import all_of, call, each
from verifex.core.program.dynamic.running import truth
from verifex.core.program.dynamic.strands import Generator
from verifex.core.program.dynamic.values import UNSET, Builtin, Raised, Thing, error
from verifex.core.program.runtime.machine import Machine
from verifex.core.program.tree import At


class Stream(Thing):
    """Values that are given one by one, as often as they are asked for."""

    name = "iterator"

    def __init__(self, through: Iterator[Any]) -> None:
        self.through = through

    def next_value(self, m: Machine, at: At) -> Any:
        m.step(at)
        m.unsteady += 1
        found = next(self.through, UNSET)
        if found is UNSET:
            raise error("StopIteration", "", at)
        return found

    def values(self, m: Machine, at: At) -> Iterator[Any]:
        for value in self.through:
            m.step(at)
            m.unsteady += 1
            yield value

    def state(self) -> Any:
        return object()


def stream(m: Machine, at: At, value: Any) -> Any:
    """`iter(value)`."""
    return value if isinstance(value, Stream | Generator) else Stream(iter(each(m, value, at)))


def next_of(m: Machine, at: At, value: Any, *default: Any) -> Any:
    """`next(value)`."""
    if not isinstance(value, Stream | Generator):
        raise error("TypeError", "next() wants what iter() gives", at)
    try:
        return value.next_value(m, at)
    except Raised as wrong:
        if default and wrong.value.of.name == "StopIteration":
            return default[0]
        raise


def _made(act: Callable[..., Iterator[Any]]) -> Any:
    return lambda m, at, *args, **named: Stream(act(m, at, *args, **named))


def _slice(m: Machine, at: At, values: Any, *ends: int | None) -> Iterator[Any]:
    return itertools.islice(each(m, values, at), *ends)


def _accumulate(m: Machine, at: At, values: Any, function: Any = None) -> Iterator[Any]:
    if function is None:
        return itertools.accumulate(all_of(m, values, at))
    return itertools.accumulate(all_of(m, values, at), lambda a, b: call(m, function, (a, b), {}, at))


_STREAMS: dict[str, Callable[..., Iterator[Any]]] = {
    "count": lambda m, at, *ends: itertools.count(*ends),
    "cycle": lambda m, at, values: itertools.cycle(all_of(m, values, at)),
    "repeat": lambda m, at, *what: itertools.repeat(*what),
    "chain": lambda m, at, *many: itertools.chain.from_iterable(each(m, one, at) for one in many),
    "islice": _slice,
    "accumulate": _accumulate,
    "pairwise": lambda m, at, values: itertools.pairwise(all_of(m, values, at)),
    "takewhile": lambda m, at, f, values: itertools.takewhile(
        lambda v: truth(m, call(m, f, (v,), {}, at), at), each(m, values, at)
    ),
    "product": lambda m, at, *many: itertools.product(*(all_of(m, one, at) for one in many)),
    "zip_longest": lambda m, at, *many, fillvalue=None: itertools.zip_longest(
        *(all_of(m, one, at) for one in many), fillvalue=fillvalue
    ),
}
STREAMS: dict[str, Any] = {name: Builtin(name, _made(act)) for name, act in _STREAMS.items()}


class _Managed(Thing):
    """A generator of one value, as what `with` enters and leaves."""

    name = "context"

    def __init__(self, generator: Generator) -> None:
        self.generator = generator

    def enter(self, m: Machine, at: At) -> Any:
        return self.generator.next_value(m, at)

    def do_close(self, m: Machine, at: At) -> None:
        for _ in self.generator.values(m, at):
            raise error("RuntimeError", "generator didn't stop", at)


def _manager(m: Machine, at: At, function: Any) -> Builtin:
    def made(m_: Machine, at_: At, *args: Any, **named: Any) -> _Managed:
        generator = call(m_, function, args, named, at_)
        if not isinstance(generator, Generator):
            raise error("TypeError", "contextmanager() is put before a function with `yield`", at_)
        return _Managed(generator)

    return Builtin("contextmanager", made)


CONTEXTS: dict[str, Any] = {"contextmanager": Builtin("contextmanager", _manager)}
#: What the language itself brings of these.
BROUGHT: dict[str, Any] = {"iter": Builtin("iter", stream), "next": Builtin("next", next_of)}
