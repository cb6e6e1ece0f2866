"""At which stimulus a program really switches, from a sweep up and one down, against the threshold that is asked.

Both sweeps run at the same pace, so what a program is late by (its pause, a mean of several readings, a hysteresis) moves
the two changes apart by as much on either side; their middle is the threshold. Only a state that is asked to last moves
the middle, by half of what the stimulus covers meanwhile.
"""

from collections.abc import Sequence
from dataclasses import dataclass

from verifex.core.exercise import Exercise
from verifex.core.exercise.schema import Behaviour
from verifex.core.parts import catalogue
from verifex.core.twin.outcome import StepOutcome

FREE_SHARE = 0.05  # of the sweep: what pauses and rounding may add
FREE_SECONDS = 2.0  # of holding more or less long than asked


@dataclass(frozen=True, slots=True)
class Switching:
    """The stimulus at the change on the way up and down, and what is right for their middle, in the stimulus' unit."""

    up: float
    down: float
    least: float
    most: float

    @property
    def middle(self) -> float:
        return (self.up + self.down) / 2

    @property
    def is_right(self) -> bool:
        return self.least <= self.middle <= self.most


def is_the_pairs(exercise: Exercise, statement: Behaviour) -> bool:
    """Whether it is the program that decides on the value: not where a module's own trimmer does, nor where the pair takes
    the threshold from two readings of its own."""
    recipe = exercise.part_of(statement.when.ref)
    output = catalogue().parts[recipe.part].sensing(statement.when.quantity) if recipe else None
    return output is not None and output.carries != "level" and exercise.conventions.threshold != "two-readings"


def switching(exercise: Exercise, statement: Behaviour, ref: str, outcomes: Sequence[StepOutcome]) -> Switching | None:
    """Where an output switched in the sweeps of its statement; None when it did not in either, or another decides.

    What did not change in one of the two would have done so beyond its end, so the end is the least that can be said.
    """
    swept = {
        o.window.kind: o
        for o in outcomes
        if o.window.kind != "step" and o.window.key == (statement.when.ref, statement.when.quantity)
    }
    at = {kind: o.switched_at[ref] for kind, o in swept.items() if ref in o.switched_at}
    if not at or len(swept) < 2 or not is_the_pairs(exercise, statement):
        return None
    at = {kind: swept[kind].window.ends[kind == "up"] for kind in swept} | at
    width = swept["up"].window.span
    pace = width / ((swept["up"].window.end_ms - swept["up"].window.start_ms) / 1000)
    free = FREE_SHARE * width + _reads_otherwise(outcomes)
    late = pace * (statement.when.for_ms / 1000 + FREE_SECONDS) / 2
    asked = statement.when.threshold
    if statement.when.side == "over":
        return Switching(at["up"], at["down"], asked - free - pace * FREE_SECONDS / 2, asked + free + late)
    return Switching(at["up"], at["down"], asked - free - late, asked + free + pace * FREE_SECONDS / 2)


def _reads_otherwise(outcomes: Sequence[StepOutcome]) -> float:
    """How far this bench's printed values lie from the stimulus, where the two are in one unit: no fault of a threshold."""
    return max(
        (
            abs(o.printed - o.window.value)
            for o in outcomes
            if o.limits and o.printed is not None and o.limits[0] <= o.window.value <= o.limits[1]
        ),
        default=0.0,
    )
