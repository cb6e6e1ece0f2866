"""The book that the wiring rules are entered in."""

from verifex.core.circuit.view import BenchView
from verifex.core.rulebook import RuleBook

WIRING: RuleBook[BenchView] = RuleBook("Wiring")

#: What follows when a circuit is open somewhere: rules that find the opening explain these.
OPEN_CIRCUIT = (
    "supply-missing",
    "ground-missing",
    "output-unconnected",
    "light-never-lit",
    "sounder-never-sounds",
    "function-not-built",
    "no-common-ground",
    "light-too-dim",
)
