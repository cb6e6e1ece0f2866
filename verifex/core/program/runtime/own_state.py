"""What a dialect's libraries keep of their own for one run."""

from collections.abc import Callable
from typing import TypeVar, cast

from verifex.core.program.runtime.machine import Machine

T = TypeVar("T")


def own_state(machine: Machine, name: str, make: Callable[[], T]) -> T:
    """What is kept under a name for this run, made at its first use; always of the same kind under one name."""
    if name not in machine.own:
        machine.own[name] = make()
    return cast("T", machine.own[name])
