"""How each kind of part answers in a circuit: one function a model, from a part's legs to elements.

`stamp.py` holds what a model writes into. A model that has states of its own (fed or not, pulled or not) reads
them from `stamp.power_states` and tells the next ones in `wake`.
"""

from collections.abc import Callable
from dataclasses import dataclass

from verifex.core.circuit.bench import Part
from verifex.core.circuit.models import feeding, junctions, loads, module, passive
from verifex.core.circuit.models.stamp import PowerState, Stamp, VoltsOf

Stamping = Callable[[Part, Stamp], None]
Wakes = Callable[[Part, VoltsOf, Stamp], PowerState]


@dataclass(frozen=True, slots=True)
class PartModel:
    """`stamp` writes the part's elements; `wake` tells its state from solved voltages, where it has one.

    A `still` part's elements are the same in every state of the bench, so they are written once.
    """

    stamp: Stamping
    wake: Wakes | None = None
    still: bool = False


MODELS: dict[str, PartModel] = {
    "resistor": PartModel(passive.resistor, still=True),
    "capacitor": PartModel(passive.capacitor, still=True),
    "pot": PartModel(passive.pot),
    "switch": PartModel(passive.switch),
    "light-cell": PartModel(passive.light_cell),
    "diode": PartModel(junctions.diode, still=True),
    "led": PartModel(junctions.led, still=True),
    "led-three": PartModel(junctions.led_three, still=True),
    "transistor": PartModel(junctions.transistor, still=True),
    "load": PartModel(loads.load, still=True),
    "relay": PartModel(loads.relay, loads.relay_wakes),
    "battery": PartModel(feeding.battery, still=True),
    "regulator": PartModel(feeding.regulator, feeding.regulator_wakes),
    "module": PartModel(module.module, module.module_wakes),
}

__all__ = ["MODELS", "PartModel", "Stamp"]
