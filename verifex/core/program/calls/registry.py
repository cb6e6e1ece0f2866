"""How a call of the board is entered: its name, what it takes, what it gives, how long it takes."""

from collections.abc import Callable
from dataclasses import dataclass
from typing import Any, Literal

from verifex.core.program.runtime.machine import Machine
from verifex.core.program.tree import At
from verifex.core.program.types import Type

Taken = Type | Literal["any", "place", "where"]
USUAL_US = 4.0


@dataclass(frozen=True, slots=True)
class Spec:
    """A call: `takes` a type for each argument ("any" leaves it as it is, "place" gives
    where it lies, "where" wants an array or a pointer to whatever), at least `least` of them.

    `gives` is its type, or "common" for the common type of its arguments. `act(machine, at, types, *args)`
    does it; `types` are the arguments' own types.
    """

    name: str
    takes: tuple[Taken, ...]
    least: int
    gives: Type | Literal["common"]
    act: Callable[..., Any]
    us: float
    open_ended: bool = False  # takes any number of values more, each as the last
    int_bits: int = 16  # boards with a narrower `int` do not offer it


CALLS: dict[str, Spec] = {}

Act = Callable[..., Any]


def call(
    name: str,
    takes: tuple[Taken, ...],
    gives: Type | Literal["common"],
    *,
    least: int | None = None,
    us: float = USUAL_US,
    open_ended: bool = False,
    int_bits: int = 16,
) -> Callable[[Act], Act]:
    """Enter the decorated function as the call `name` (`Serial.print` for one on an object)."""

    def enter(act: Act) -> Act:
        CALLS[name] = Spec(name, takes, len(takes) if least is None else least, gives, act, us, open_ended, int_bits)
        return act

    return enter


__all__ = ["CALLS", "At", "Machine", "Spec", "call"]
