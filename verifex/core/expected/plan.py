"""What follows from the stimulus plan: values as measured, their uncertainty, how long to wait."""

from verifex.core.exercise import Exercise, Step, StepValue
from verifex.core.expected.measured import Measured
from verifex.core.parts import Catalogue, Output, Way, catalogue
from verifex.core.quantity import Spread

GRAIN_SHARE = 0.01  # of the sensor's range: what a step may still be away when it is read


def way_of(step: Step, part_types: Catalogue | None = None) -> Way | None:
    """The catalogue's way of making a step's stimulus; None where the step tells its own."""
    return (part_types or catalogue()).ways.get(step.way) if step.way else None


def ways_for(part_id: str, quantity: str, value: float | None = None) -> list[Way]:
    """Safe ways of making a quantity at a kind of part (to a value, where one is given), those made for it first."""
    found = [
        way
        for way in catalogue().ways.values()
        if way.quantity == quantity
        and (not way.parts or part_id in way.parts)
        and (value is None or way.low <= value <= way.high)
    ]
    return sorted(found, key=lambda way: part_id not in way.parts)


def stimulus_of(step: Step, value: StepValue, measured: Measured) -> Spread:
    """What the sensor gets at a step: the value really measured, else the plan's, with its uncertainty."""
    at = measured.of_step(step.name, value.ref, value.quantity, first=value is step)
    way = way_of(step)
    half = value.uncertainty
    if half is None:
        half = way.uncertainty if way and way.quantity == value.quantity else 0.0
    return Spread.around(value.value if at is None else at, half)


def how_to(step: Step) -> str:
    way = way_of(step)
    return step.how or (way.how if way else "")


def cautions_of(step: Step) -> tuple[str, ...]:
    way = way_of(step)
    return way.cautions if way else ()


def waits_seconds(exercise: Exercise, index: int, output: Output) -> float:
    """How long a step needs until the sensor is within a hundredth of its range, or a half of the step's uncertainty,
    of the new value: a first-order lag from the value of the step before.
    """
    step = exercise.steps[index]
    way = way_of(step)
    if way is None:
        return 0.0
    before = exercise.steps[index - 1].value_of(step.ref, step.quantity) if index else None
    jump = step.value - (before.value if before else output.rest)
    left = max((step.uncertainty if step.uncertainty is not None else way.uncertainty) / 2, 1e-9)
    return way.seconds_until(jump, left)
