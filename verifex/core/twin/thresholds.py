"""At which stimulus a program really switches, from a sweep up and one down, against the threshold that is asked.

Both sweeps run at the same pace, so what a program is late by (its pause, a mean of several readings, a hysteresis) moves
the two changes apart by as much on either side; their middle is the threshold. Only a state that is asked to last moves
the middle, by half of what the stimulus covers meanwhile.
"""

from collections.abc import Sequence
from dataclasses import dataclass

from verifex.core.exercise import Exercise
from verifex.core.exercise.output_states import OutputState
from verifex.core.exercise.schema import Behaviour
from verifex.core.twin.outcome import StepOutcome
from verifex.core.twin.shown import Course

PAUSE_SHARE = 0.07  # of the slow stretch of a sweep: what pauses and rounding may add
FREE_SECONDS = 1.5  # of holding more or less long than asked


@dataclass(frozen=True, slots=True)
class Switching:
    """The stimulus at the change on the way up and down, in the quantity's unit, and what is right.

    Right is a middle between `least` and `most`; or, with a hysteresis, a change to the asked state there and back on the
    other side.
    """

    up: float
    down: float
    least: float
    most: float
    over: bool  # the statement holds above the threshold

    @property
    def middle(self) -> float:
        return (self.up + self.down) / 2

    @property
    def is_right(self) -> bool:
        if self.least <= self.middle <= self.most:
            return True
        there, back = (self.up, self.down) if self.over else (self.down, self.up)
        late = self.most - self.least
        if self.over:
            return self.least <= there <= self.most + late and back < self.least
        return self.least - late <= there <= self.most and back > self.most


def is_the_pairs(exercise: Exercise, statement: Behaviour) -> bool:
    """Whether it is the program that decides on the value: not where a module's own trimmer does, nor where the pair takes
    the threshold from two readings of its own."""
    output = exercise.sensed(statement.when.ref, statement.when.quantity)
    return output is not None and output.carries != "level" and exercise.conventions.threshold != "two-readings"


def requested_state(exercise: Exercise, key: tuple[str, str], ref: str, value: float) -> OutputState | None:
    """What is asked of an output at a value of a quantity: the last statement that is about it; None where none does."""
    state: OutputState | None = None
    for statement in exercise.behaviour:
        if (statement.when.ref, statement.when.quantity) == key and statement.when.side != "is":
            side = statement.then if statement.when.holds(value) else statement.otherwise
            state = side.get(ref, state)
    return state


@dataclass(frozen=True, slots=True)
class Turn:
    """The states asked of an output just below a threshold and just above it; None where nothing is asked."""

    below: OutputState | None
    above: OutputState | None

    def times(self, course: Course, kind: str, start_ms: float, end_ms: float) -> list[float]:
        """When the output turns in a sweep ('up' or 'down'): to what is asked behind the threshold, else from what was."""
        ahead, behind = (self.above, self.below) if kind == "up" else (self.below, self.above)
        if ahead is not None:
            return course.turns_to(ahead, start_ms, end_ms)
        return course.turns_from(behind, start_ms, end_ms) if behind is not None else []


def turn_of(exercise: Exercise, statement: Behaviour, ref: str) -> Turn | None:
    """How an output is asked to change as the quantity rises through the statement's threshold; None where another statement
    decides there, and nothing changes."""
    when = statement.when
    key, grain = (when.ref, when.quantity), 1e-6 * max(1.0, abs(when.threshold))
    below = requested_state(exercise, key, ref, when.threshold - grain)
    above = requested_state(exercise, key, ref, when.threshold + grain)
    return None if below == above else Turn(below, above)


def switching(exercise: Exercise, statement: Behaviour, ref: str, outcomes: Sequence[StepOutcome]) -> Switching | None:
    """Where an output switched in the sweeps of its statement; None when it did not in either, or another decides.

    What did not change in one of the two would have done so beyond its end, so the end is the least that is known.
    """
    when = statement.when
    swept = {
        o.window.kind: o for o in outcomes if o.window.kind != "step" and o.window.key == (when.ref, when.quantity)
    }
    turn = turn_of(exercise, statement, ref)
    change = (ref, when.threshold)
    at = {kind: o.changes[change] for kind, o in swept.items() if change in o.changes}
    if not at or len(swept) < 2 or turn is None or not is_the_pairs(exercise, statement):
        return None
    at = {kind: swept[kind].window.ends[kind == "up"] for kind in swept} | at
    pace = swept["up"].window.per_second
    # A module that tells whole steps turns at the half of one.
    step = getattr(exercise.sensed(when.ref, when.quantity), "resolution", 0.0)
    free = PAUSE_SHARE * swept["up"].window.stretch + _reads_otherwise(outcomes) + step / 2
    late = pace * (when.for_ms / 1000 + FREE_SECONDS) / 2
    early = pace * FREE_SECONDS / 2
    over = when.side == "over"
    least, most = when.threshold - free - (early if over else late), when.threshold + free + (late if over else early)
    return Switching(at["up"], at["down"], least, most, over)


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
