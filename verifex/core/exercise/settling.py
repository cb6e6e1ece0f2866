"""When a step of the plan can be judged: once what the module holds on to by itself, and what is asked to last, is over."""

from verifex.core.exercise.schema import Exercise
from verifex.core.parts import catalogue
from verifex.core.quantity import quantity_or_none

SETTLE_SHARE = 0.5  # of a step: its second half is judged, where nothing asks for more
HOLD_MARGIN_SECONDS = 1.0  # trimmers set a hold time roughly


def hold_seconds(exercise: Exercise, ref: str) -> float:
    """How long a module of the exercise goes on reporting what is over, with a margin; 0 for most."""
    recipe = exercise.part_of(ref)
    timing = catalogue().parts[recipe.part].timing if recipe else None
    if recipe is None or timing is None or not timing.hold_seconds:
        return 0.0
    held = quantity_or_none(recipe.settings.get("hold", ""), "second") or timing.usual_hold_seconds or 0.0
    return held + HOLD_MARGIN_SECONDS


def settle_seconds(exercise: Exercise, index: int) -> float:
    """How long after the beginning of a step module and program may still show the step before: the hold time of what
    changes in it, and the longest time a statement asks a value to last. 0 where nothing is held."""
    step, before = exercise.steps[index], exercise.steps[index - 1] if index else None
    longest = 0.0
    for value in step.values():
        earlier = before.value_of(value.ref, value.quantity) if before else None
        if earlier is None or earlier.value == value.value:
            continue
        lasting = [
            s.when.for_ms for s in exercise.behaviour if (s.when.ref, s.when.quantity) == (value.ref, value.quantity)
        ]
        # What is held shows only where something ends: a new motion is reported at once.
        held = hold_seconds(exercise, value.ref) if value.value < earlier.value else 0.0
        longest = max(longest, held + max(lasting, default=0.0) / 1000)
    return longest


def least_dwell_seconds(exercise: Exercise, index: int) -> float:
    """The shortest time a step can be held and still leave a moment in which it can be judged."""
    return settle_seconds(exercise, index) / (1 - SETTLE_SHARE)
