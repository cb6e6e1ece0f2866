"""What happens around the bench over time: a script, or the plan of the exercise."""

import csv
import io
import re
from bisect import bisect_right
from dataclasses import dataclass, field

from verifex.core.exercise import Exercise
from verifex.core.problems import Problem, UnusableInput

Key = tuple[str, str]  # (reference, quantity)

SWEEP_SPAN = 5.0  # units to each side of a threshold
SWEEP_SECONDS = 15.0
_RAMP = re.compile(r"(-?[0-9.]+)->(-?[0-9.]+)/([0-9.]+)s$")


@dataclass(frozen=True, slots=True)
class Segment:
    """From `start_ms` on: `first` towards `last` over `ramp_ms`, then held."""

    start_ms: float
    first: float
    last: float
    ramp_ms: float = 0.0

    def at(self, ms: float) -> float:
        if self.ramp_ms <= 0 or ms >= self.start_ms + self.ramp_ms:
            return self.last
        return self.first + (self.last - self.first) * (ms - self.start_ms) / self.ramp_ms


@dataclass(frozen=True, slots=True)
class Window:
    """A stretch of the plan: a step, or a sweep through a threshold up or down."""

    name: str
    start_ms: float
    end_ms: float
    key: Key
    kind: str  # 'step', 'up' or 'down'
    value: float  # the step's value, or the threshold swept through


@dataclass(slots=True)
class Stimulus:
    """Quantities at parts over time; what is not named keeps the part's own default."""

    segments: dict[Key, list[Segment]] = field(default_factory=dict)
    windows: list[Window] = field(default_factory=list)
    seconds: float = 0.0

    def add(self, key: Key, segment: Segment) -> None:
        self.segments.setdefault(key, []).append(segment)

    def at(self, ms: float) -> dict[Key, float]:
        """Every quantity that has begun by `ms`, with its value then."""
        values = {}
        for key, segments in self.segments.items():
            index = bisect_right([s.start_ms for s in segments], ms) - 1
            if index >= 0:
                values[key] = segments[index].at(ms)
        return values


def plan_stimulus(exercise: Exercise, values: dict[str, float] | None = None) -> Stimulus:
    """The exercise's plan in time: each step for its dwell, then a sweep through each threshold, up and down.

    `values` replaces a step's value by the one really measured, by step name.
    """
    plan = Stimulus()
    now = 0.0
    for step in exercise.steps:
        key = (step.ref, step.quantity)
        value = (values or {}).get(step.name, step.value)
        plan.add(key, Segment(now, value, value))
        plan.windows.append(Window(step.name, now, now + step.dwell_seconds * 1000, key, "step", value))
        now += step.dwell_seconds * 1000
    for statement in exercise.behaviour:
        when = statement.when
        key = (when.ref, when.quantity)
        low, high = when.threshold - SWEEP_SPAN, when.threshold + SWEEP_SPAN
        for kind, first, last in (("up", low, high), ("down", high, low)):
            plan.add(key, Segment(now, first, last, SWEEP_SECONDS * 1000))
            plan.windows.append(
                Window(
                    f"sweep {kind} through {when.threshold:g}",
                    now,
                    now + SWEEP_SECONDS * 1000,
                    key,
                    kind,
                    when.threshold,
                )
            )
            now += SWEEP_SECONDS * 1000
    plan.seconds = now / 1000
    return plan


def read_stimulus(text: str) -> Stimulus:
    """A stimulus script (CSV `time_ms,ref,quantity,value`). Raises UnusableInput with every bad line."""
    rows = list(csv.reader(io.StringIO(text)))
    if not rows or [cell.strip() for cell in rows[0]] != ["time_ms", "ref", "quantity", "value"]:
        raise UnusableInput([Problem(1, 1, "the first line must read time_ms,ref,quantity,value")])
    problems: list[Problem] = []
    entries: list[tuple[Key, Segment]] = []
    for number, row in enumerate(rows[1:], start=2):
        if not any(cell.strip() for cell in row):
            continue
        try:
            ms_text, ref, quantity, value = (cell.strip() for cell in row)
            ms = float(ms_text)
            if ramp := _RAMP.match(value):
                first, last, seconds = (float(part) for part in ramp.groups())
                entries.append(((ref, quantity), Segment(ms, first, last, seconds * 1000)))
            else:
                entries.append(((ref, quantity), Segment(ms, float(value), float(value))))
        except ValueError:
            problems.append(
                Problem(
                    number,
                    1,
                    "a time, a reference, a quantity and a value (31.5 or 20->35/10s) were expected",
                )
            )
    if problems:
        raise UnusableInput(problems)
    stimulus = Stimulus()
    for key, segment in sorted(entries, key=lambda entry: entry[1].start_ms):
        stimulus.add(key, segment)
        stimulus.seconds = max(stimulus.seconds, (segment.start_ms + segment.ramp_ms) / 1000)
    return stimulus
