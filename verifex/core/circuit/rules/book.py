"""The book that the wiring rules are entered in, and what commonly follows from what."""

from verifex.core.circuit.view import BenchView
from verifex.core.rulebook import RuleBook

WIRING: RuleBook[BenchView] = RuleBook("Wiring")

#: A module that is not fed as it should be.
NOT_FED = ("supply-missing", "ground-missing", "supply-under", "supply-over", "supply-inexact")
#: A light or a load whose circuit is not closed, or not as it should be.
DEAD_LOADS = (
    "light-never-lit",
    "light-too-dim",
    "sounder-never-sounds",
    "load-never-works",
    "transistor-never-on",
    "transistor-not-saturated",
)
#: A signal that does not arrive.
LOST_SIGNALS = (
    "output-unconnected",
    "input-unconnected",
    "floating-input",
    "divider-partner-missing",
    "data-without-pull-up",
    "level-too-low",
    "output-on-digital-pin",
    "converter-shared-with-radio",
    "bus-elsewhere",
    "bus-moved",
    "source-too-weak",
)
#: What follows when a circuit is open somewhere.
OPEN_CIRCUIT = (
    *NOT_FED,
    *DEAD_LOADS,
    *LOST_SIGNALS,
    "no-common-ground",
    "function-not-built",
    "level-over",
    "contrast-trimmer-missing",
    "coil-without-diode",
    "capacitor-reversed",
    "wire-colour",
    "pin-on-supply",
    "value-outside-window",
)
#: Too much current, wherever it shows.
OVER_CURRENTS = (
    "light-over-current",
    "pin-over-current",
    "all-pins-over-current",
    "supply-pin-over-current",
    "transistor-over-current",
    "transistor-not-saturated",
    "transistor-ratio",
    "resistor-over-watts",
    "led-no-series-resistor",
)
#: Voltages that mean nothing while supply and ground are confused.
CONFUSED_LEVELS = ("level-over", "level-at-module", "level-too-low", "level-margin", "pin-on-supply")
