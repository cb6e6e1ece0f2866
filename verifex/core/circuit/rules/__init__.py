"""The wiring rules. Each file holds one family; importing it enters its rules into the book, causes first."""

# The order is the order of the book: of two rules that explain each other the earlier stands.
# isort: off
from verifex.core.circuit.rules import statements, layout, shorts, danger, supply, sources, outputs  # noqa: F401
from verifex.core.circuit.rules import dangling, rails  # noqa: F401
from verifex.core.circuit.rules.parts import loads, transistors, lights, currents  # noqa: F401
from verifex.core.circuit.rules import pins, bus, levels, inputs, exercise  # noqa: F401
from verifex.core.circuit.rules.parts import values  # noqa: F401
from verifex.core.circuit.rules import habits  # noqa: F401
from verifex.core.circuit.rules.book import WIRING

# isort: on
__all__ = ["WIRING"]
