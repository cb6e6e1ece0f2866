"""The same reading printed in two units: whether one follows from the other."""

from collections.abc import Callable, Iterator, Mapping
from statistics import median

from verifex.core.exercise import Exercise
from verifex.core.exercise.units import PRINTED
from verifex.core.parts import LinearOutput
from verifex.core.printed.columns import Column, printed_unit
from verifex.core.readings.log import Log

Turn = Callable[[float], float]
#: What a value in the first unit is in the second.
TURNS: Mapping[tuple[str, str], Turn] = {
    ("celsius", "fahrenheit"): lambda v: v * 1.8 + 32,
    ("fahrenheit", "celsius"): lambda v: (v - 32) / 1.8,
    ("centimetre", "inch"): lambda v: v / 2.54,
    ("inch", "centimetre"): lambda v: v * 2.54,
    ("centimetre", "millimetre"): lambda v: v * 10,
    ("volt", "millivolt"): lambda v: v * 1000,
    ("millivolt", "volt"): lambda v: v / 1000,
}
LEAST_LINES = 3
SHARE_OFF, LEAST_OFF = (
    0.02,
    1.0,
)  # of the value and in the unit: so far two units of one reading lie apart by their digits alone


def two_units(log: Log, exercise: Exercise) -> Iterator[str]:
    """A sentence for each column that is the reading's in another unit and does not follow from it."""
    for position, (reading, choice) in enumerate(zip(exercise.readings, log.choices, strict=False)):
        if choice is None:
            continue
        unit = choice.column.slot.means or printed_unit(reading)
        for column in log.columns:
            turn = TURNS.get((unit, column.slot.means))
            if turn is None or column is choice.column or any(c and c.column is column for c in log.choices):
                continue
            pairs = _beside(choice.column, column)
            if len(pairs) < LEAST_LINES:
                continue
            off = median(other - turn(value) for value, other in pairs)
            value, other = pairs[len(pairs) // 2]
            if abs(off) > max(LEAST_OFF, SHARE_OFF * abs(turn(value))):
                first, second = PRINTED[unit].symbol, PRINTED[column.slot.means].symbol
                yield (
                    f"The two units do not belong together: beside {value:g} {first} stands {other:g} {second}, and "
                    f"{value:g} {first} are {turn(value):.4g} {second}." + _of_the_offset(exercise, position, turn, off)
                )


def _beside(one: Column, other: Column) -> list[tuple[float, float]]:
    """The values of two columns that stand on one line."""
    there = dict(zip(other.lines, other.values, strict=True))
    return [(value, there[line]) for line, value in zip(one.lines, one.values, strict=True) if line in there]


def _of_the_offset(exercise: Exercise, position: int, turn: Turn, off: float) -> str:
    """Where the difference is the offset of the module: that it is left out in one of the two."""
    reading = exercise.readings[position]
    output = exercise.sensed(reading.ref, reading.quantity)
    if not isinstance(output, LinearOutput) or not output.volts_at_zero:
        return ""
    offset = output.volts_at_zero / output.volts_per_unit
    if abs(off - (turn(offset) - turn(0.0))) > max(LEAST_OFF, SHARE_OFF * abs(off)):
        return ""
    return f" There the offset of the module, {output.volts_at_zero:g} V, is not taken off."
