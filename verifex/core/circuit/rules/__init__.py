"""The wiring rules. Each file holds one family; importing it enters its rules into the book."""

from verifex.core.circuit.rules import dangling, habits, layout, lights, signal, supply, values  # noqa: F401
from verifex.core.circuit.rules.book import WIRING

__all__ = ["WIRING"]
