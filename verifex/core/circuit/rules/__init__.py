"""The wiring rules. Each file holds one family; importing it enters its rules into the book, causes first."""

from verifex.core.circuit.rules import (  # noqa: F401  (the order is the order of the book)
    bus,
    currents,
    danger,
    dangling,
    exercise,
    habits,
    inputs,
    layout,
    levels,
    lights,
    loads,
    outputs,
    pins,
    rails,
    shorts,
    statements,
    supply,
    transistors,
    values,
)  # isort: skip
from verifex.core.circuit.rules.book import WIRING

__all__ = ["WIRING"]
