"""Short cuts for the commonest operands: a local variable or a constant is fetched without a further call.

A value's function may carry `slot` (its place in the frame) or `const` (what it always is); whoever combines two values
asks here for the shortest way to both.
"""

from collections.abc import Callable
from typing import Any

Value = Callable[[list[Any]], Any]
Two = Callable[[Any, Any], Any]
MISSING = object()


def local(slot: int) -> Value:
    """The value in a slot of the frame."""

    def read(frame: list[Any]) -> Any:
        return frame[slot]

    vars(read)["slot"] = slot
    return read


def constant(value: Any) -> Value:
    """Always the same value."""

    def read(frame: list[Any]) -> Any:
        return value

    vars(read)["const"] = value
    return read


def pair(act: Two, a: Value, b: Value) -> Value:
    """`act` on two values, by the shortest way to each."""
    slot_a, slot_b = getattr(a, "slot", None), getattr(b, "slot", None)
    const_a, const_b = getattr(a, "const", MISSING), getattr(b, "const", MISSING)
    if slot_a is not None:
        if slot_b is not None:
            return lambda frame: act(frame[slot_a], frame[slot_b])
        if const_b is not MISSING:
            return lambda frame: act(frame[slot_a], const_b)
        return lambda frame: act(frame[slot_a], b(frame))
    if slot_b is not None:
        if const_a is not MISSING:
            return lambda frame: act(const_a, frame[slot_b])
        return lambda frame: act(a(frame), frame[slot_b])
    if const_b is not MISSING:
        return lambda frame: act(a(frame), const_b)
    if const_a is not MISSING:
        return lambda frame: act(const_a, b(frame))
    return lambda frame: act(a(frame), b(frame))
