"""Bench notation → breadboard → nets → solved circuit → wiring findings.

`notation` splits text, `reading` builds the `bench`, `nets` and `paths` say what hangs together, `models` turn parts
into elements for `solver/`, `operating` solves one state, `states` lists them, `view` holds it all for `rules/`.
"""

from verifex.core.circuit.bench import Bench
from verifex.core.circuit.check import WiringReport, check_wiring
from verifex.core.circuit.conditions import Conditions
from verifex.core.circuit.handed_out import HandedOut
from verifex.core.circuit.operating import OperatingPoint, operating_point
from verifex.core.circuit.text.parse import parse_bench
from verifex.core.circuit.view import Programmed

__all__ = [
    "Bench",
    "Conditions",
    "HandedOut",
    "OperatingPoint",
    "Programmed",
    "WiringReport",
    "check_wiring",
    "operating_point",
    "parse_bench",
]
