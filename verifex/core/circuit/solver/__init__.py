"""Operating point of any circuit students can wire: elements, Newton iteration, the same circuit as SPICE text."""

from verifex.core.circuit.solver.elements import FLOATING_NAME, Circuit, Junction, Resistance, Source, Transistor
from verifex.core.circuit.solver.newton import NoSensibleAnswer, Solution, small_signal_ohms, solve
from verifex.core.circuit.solver.spice import spice_netlist

__all__ = [
    "FLOATING_NAME",
    "Circuit",
    "Junction",
    "NoSensibleAnswer",
    "Resistance",
    "Solution",
    "Source",
    "Transistor",
    "small_signal_ohms",
    "solve",
    "spice_netlist",
]
