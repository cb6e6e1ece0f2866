'''Bench notation → breadboard → nets → solved circuit → wiring findings.

`notation` splits text, `reading` builds the `bench`, `nets` and `paths` say what hangs together, `models` turn parts
into elements for `solver/`, `operating` solves one state, `states` lists them, `view` holds it all for `rules/`.

    >>> report = check_wiring("""board B1 mcu-5v
    ... part D1 led anode=e14 cathode=e15 colour=red
    ... wire B1.D8 a14
    ... wire B1.GND a15""")
    >>> finding = report.findings[0]
    >>> finding.rule, str(finding.severity)
    ('led-no-series-resistor', 'stop')
'''

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
