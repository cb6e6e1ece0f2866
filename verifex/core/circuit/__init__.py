"""Bench notation → breadboard → nets → solved circuit → wiring findings."""

from verifex.core.circuit.bench import Bench, read_bench
from verifex.core.circuit.check import WiringReport, check_wiring
from verifex.core.circuit.operating import Conditions, OperatingPoint, operating_point

__all__ = [
    "Bench",
    "Conditions",
    "OperatingPoint",
    "WiringReport",
    "check_wiring",
    "operating_point",
    "read_bench",
]
