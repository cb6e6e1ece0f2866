"""What came of a run, step by step and in the sweeps, as the behaviour rules look at it."""

from dataclasses import dataclass
from typing import Any

from verifex.core.exercise import Exercise
from verifex.core.twin.printed import Printed, PrintedReading
from verifex.core.twin.program_run import TwinTrace
from verifex.core.twin.stimulus import Window


@dataclass(frozen=True, slots=True)
class StepOutcome:
    """A step or a sweep: what was asked of each output, what it did, what was printed."""

    window: Window
    asked: dict[str, str]
    seen: dict[str, str]
    readings: tuple[PrintedReading, ...]  # what was printed of each reading, the exercise's first one first
    #: In a sweep, by output and threshold: the stimulus at which it changed.
    changes: dict[tuple[str, float], float]
    switched_ms: float | None = None  # when the first of them did, in a sweep
    strays: bool = False  # a sweep in which something changed at another value than asked

    @property
    def switched_at(self) -> dict[str, float]:
        """By output the stimulus at its change; of several thresholds the last one's."""
        return {ref: value for (ref, _), value in self.changes.items()}

    @property
    def parts_ms(self) -> float:
        """When it parts from what is asked, if it does: a sweep at the change, a step from its beginning."""
        return self.window.start_ms if self.switched_ms is None else self.switched_ms

    @property
    def reading(self) -> Printed | None:
        """What was printed of the first reading."""
        return self.readings[0].printed if self.readings else None

    @property
    def limits(self) -> tuple[float, float] | None:
        """What the sheet allows of the first reading."""
        return self.readings[0].limits if self.readings else None

    @property
    def printed(self) -> float | None:
        return self.reading.value if self.reading else None

    @property
    def inside(self) -> bool:
        """Whether all that is printed can be what this bench gives."""
        return all(reading.inside for reading in self.readings)

    @property
    def agrees(self) -> bool:
        right = all(self.asked[ref] in ("either", self.seen.get(ref)) for ref in self.asked)
        return right and self.inside and not self.strays

    def as_json(self) -> dict[str, Any]:
        return {
            "name": self.window.name,
            "kind": self.window.kind,
            "start_ms": self.window.start_ms,
            "end_ms": self.window.end_ms,
            "stimulus": self.window.value,
            "text": self.window.text,
            "asked": self.asked,
            "seen": self.seen,
            "printed": self.printed,
            "limits": list(self.limits) if self.limits else None,
            "switched_at": {ref: round(v, 2) for ref, v in self.switched_at.items()},
            "agrees": self.agrees,
        }


@dataclass(frozen=True, slots=True)
class RunView:
    """What the behaviour rules look at."""

    exercise: Exercise
    trace: TwinTrace
    outcomes: list[StepOutcome]
    refs: dict[str, str]  # the exercise's reference → the bench's

    @property
    def outputs(self) -> list[str]:
        """The outputs the behaviour is about, as the exercise calls them, as far as the bench has them."""
        return list(dict.fromkeys(ref for s in self.exercise.behaviour for ref in s.outputs if ref in self.refs))

    @property
    def switched(self) -> list[str]:
        """Those of them that are asked to be on or off and nothing else."""
        return [ref for ref in self.outputs if all(state.is_level for state in self.exercise.states_of(ref))]

    def states(self, ref: str, kind: str = "step") -> list[tuple[str, str]]:
        """(asked, seen) of an output over the windows of a kind."""
        return [
            (o.asked[ref], o.seen[ref])
            for o in self.outcomes
            if o.window.kind == kind and ref in o.asked and ref in o.seen
        ]
