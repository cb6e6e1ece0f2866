"""How each kind of part answers in a circuit: one function a model, from a part's legs to elements.

`stamp.py` holds what a model writes into. A model that has states of its own (fed or not, pulled or not) reads
them from `stamp.awake` and tells the next ones in `wake`.
"""

from collections.abc import Callable
from dataclasses import dataclass

from verifex.core.circuit.bench import Part
from verifex.core.circuit.models import feeding, junctions, loads, module, passive
from verifex.core.circuit.models.stamp import Stamp, VoltsOf, Waking

Stamping = Callable[[Part, Stamp], None]
Wakes = Callable[[Part, VoltsOf, Stamp], Waking]


@dataclass(frozen=True, slots=True)
class PartModel:
    """`stamp` writes the part's elements; `wake` tells its state from solved voltages, where it has one."""

    stamp: Stamping
    wake: Wakes | None = None


MODELS: dict[str, PartModel] = {
    "resistor": PartModel(passive.resistor),
    "capacitor": PartModel(passive.capacitor),
    "pot": PartModel(passive.pot),
    "switch": PartModel(passive.switch),
    "light-cell": PartModel(passive.light_cell),
    "diode": PartModel(junctions.diode),
    "led": PartModel(junctions.led),
    "led-three": PartModel(junctions.led_three),
    "transistor": PartModel(junctions.transistor),
    "load": PartModel(loads.load),
    "relay": PartModel(loads.relay, loads.relay_wakes),
    "battery": PartModel(feeding.battery),
    "regulator": PartModel(feeding.regulator, feeding.regulator_wakes),
    "module": PartModel(module.module, module.module_wakes),
}

__all__ = ["MODELS", "PartModel", "Stamp"]
