"""Which of the exercise's variants a bench is wired as."""

from verifex.core.circuit.bench import Part
from verifex.core.circuit.view import BenchView
from verifex.core.exercise import Exercise, Variant
from verifex.core.parts import LegRole


def variant_of(view: BenchView, exercise: Exercise, sensor: Part) -> Variant:
    """The variant whose supply volts are nearest to what feeds the sensor; the first one when nothing does."""
    supply = view.net(sensor, sensor.type.legs_with(LegRole.SUPPLY)[0])
    volts = next((pin.supply_volts for pin in view.nets.supplies(supply)), None) if supply else None
    if volts is None:
        return exercise.variants[0]
    return min(exercise.variants, key=lambda v: abs(v.supply_volts - volts))
