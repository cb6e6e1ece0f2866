"""What an operation on many values costs, so that one step of a program is never an hour of the host.

A list may hold itself, or the same list twice sixty layers deep: comparing, sorting and hashing would then never end, in
one operation that nothing can interrupt. So such values are walked through first, each value a step of the run's budget.
"""

from typing import Any

from verifex.core.program.runtime.machine import Machine
from verifex.core.program.tree import At

CONTAINERS = (list, tuple, dict, set)
LETTERS_A_STEP = 64  # what the host looks through in the time of a step


def walk(m: Machine, value: Any, at: At) -> None:
    """Counts every value in a value. Raises Ended when that is more than the run may take."""
    if type(value) not in CONTAINERS:
        return
    waiting = [value]
    while waiting:
        held = waiting.pop()
        for one in (*held.keys(), *held.values()) if type(held) is dict else held:
            m.step(at)
            if type(one) in CONTAINERS:
                waiting.append(one)


def looked_through(m: Machine, value: Any, at: At) -> None:
    """Counts going once along a text or a list."""
    m.steps += len(value) // LETTERS_A_STEP
    m.step(at)


def searched(m: Machine, value: Any, sought: Any, at: At) -> None:
    """Counts looking for a text in a text, at worst once for each letter of both, before it is done."""
    if isinstance(sought, str | bytes | bytearray) and isinstance(value, str | bytes | bytearray):
        m.steps += len(value) * len(sought) // LETTERS_A_STEP
    looked_through(m, value, at)


def as_key(m: Machine, value: Any, at: At) -> Any:
    """A value that is about to be hashed: a tuple is gone through to its last value."""
    if type(value) is tuple:
        walk(m, value, at)
    return value
