"""What happens around the bench over time: a script, or the plan of the exercise."""

import csv
import io
import math
import re
from bisect import bisect_right
from dataclasses import dataclass, field
from itertools import pairwise

from verifex.core.exercise import Exercise
from verifex.core.exercise.settling import SETTLE_SHARE, hold_seconds, settle_seconds
from verifex.core.problems import Problem, UnusableInput

Key = tuple[str, str]  # (reference, quantity)

SWEEP_SHARE = 1 / 10  # of the exercise's stimulus axis, to each side of a threshold: there a sweep goes slowly
SWEEP_SECONDS = 15.0  # for that stretch
FAR_SECONDS = 6.0  # for all of the axis that is not near a threshold
USUAL_PAUSE_SECONDS = 1.0  # up to here a program keeps up with the sweeps as they are
MOST_SLOWER = 20.0
PAUSES_OF_A_STEP = 2.5  # a step is judged in its second half: by then the program has looked at least once
REST_SECONDS = 3.0  # at either end of a sweep
RAMP_GRAIN_MS = 20.0  # a ramp moves in steps so small that no converter tells them apart, and stands between them
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
        ms = self.start_ms + (ms - self.start_ms) // RAMP_GRAIN_MS * RAMP_GRAIN_MS
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
    text: str = ""  # the id of the tag in a step
    judged_ms: float = 0.0  # of a step: from when on it is judged
    ends: tuple[float, float] = (0.0, 0.0)  # of a sweep: its lowest value and its highest
    per_second: float = 0.0  # of a sweep: how fast it goes near a threshold
    stretch: float = 0.0  # of a sweep: how much of the quantity it goes slowly through at a threshold


@dataclass(slots=True)
class Stimulus:
    """Quantities at parts over time; what is not named keeps the part's own default."""

    segments: dict[Key, list[Segment]] = field(default_factory=dict)
    windows: list[Window] = field(default_factory=list)
    seconds: float = 0.0
    #: What is typed at the other end of the serial line: (ms, text).
    typed: list[tuple[float, str]] = field(default_factory=list)

    #: Ids at tag readers over time: (ms, id), an empty one for none.
    texts: dict[Key, list[tuple[float, str]]] = field(default_factory=dict)

    def add(self, key: Key, segment: Segment) -> None:
        self.segments.setdefault(key, []).append(segment)

    def add_text(self, key: Key, ms: float, text: str) -> None:
        self.texts.setdefault(key, []).append((ms, text))
        self.seconds = max(self.seconds, ms / 1000)

    def text_at(self, key: Key, ms: float) -> str:
        """The id at a reader at a time; empty for none."""
        found = [text for at, text in self.texts.get(key, []) if at <= ms]
        return found[-1] if found else ""

    def at(self, ms: float) -> dict[Key, float]:
        """Every quantity that has begun by `ms`, with its value then."""
        values = {}
        for key, segments in self.segments.items():
            index = bisect_right([s.start_ms for s in segments], ms) - 1
            if index >= 0:
                values[key] = segments[index].at(ms)
        return values

    def curve(self, key: Key) -> list[tuple[float, float]]:
        """A quantity over the whole plan as the corners (ms, value) of the line it follows."""
        segments = self.segments.get(key, [])
        corners: list[tuple[float, float]] = []
        for index, segment in enumerate(segments):
            end = segments[index + 1].start_ms if index + 1 < len(segments) else self.seconds * 1000
            ramp_end = min(end, segment.start_ms + segment.ramp_ms)
            corners += [(segment.start_ms, segment.at(segment.start_ms)), (ramp_end, segment.at(ramp_end))]
            corners.append((end, segment.at(max(ramp_end, end - 1e-6))))
        return list(dict.fromkeys(corners))

    def next_change_ms(self, ms: float) -> float:
        """When anything next moves after `ms`; infinity when nothing ever does."""
        found = math.inf
        for segments in self.segments.values():
            index = bisect_right([s.start_ms for s in segments], ms)
            if index < len(segments):
                found = min(found, segments[index].start_ms)
            if index > 0 and ms < segments[index - 1].start_ms + segments[index - 1].ramp_ms:
                begun = segments[index - 1].start_ms
                found = min(found, begun + ((ms - begun) // RAMP_GRAIN_MS + 1) * RAMP_GRAIN_MS)
        for texts in self.texts.values():
            found = min([found, *(at for at, _ in texts if at > ms)])
        return found


def plan_stimulus(
    exercise: Exercise, values: dict[str, float] | None = None, *, pause_seconds: float = 0.0
) -> Stimulus:
    """The exercise's plan in time: each step for its dwell (longer where module and program could not have settled by its
    second half), then each quantity with thresholds swept up and down.

    `values` replaces a step's value by the one really measured, by step name. A program that looks only once in
    `pause_seconds` is given the time to notice: what it answers late is right all the same.
    """
    slower = min(MOST_SLOWER, max(1.0, pause_seconds / USUAL_PAUSE_SECONDS))
    least_dwell = PAUSES_OF_A_STEP * pause_seconds
    plan = Stimulus()
    now = 0.0
    for index, step in enumerate(exercise.steps):
        key = (step.ref, step.quantity)
        value = (values or {}).get(step.name, step.value)
        plan.add(key, Segment(now, value, value))
        if step.quantity == "tag":
            plan.add_text(key, now, step.text)
        for other in step.also:
            plan.add((other.ref, other.quantity), Segment(now, other.value, other.value))
        settles = settle_seconds(exercise, index) + (pause_seconds if settle_seconds(exercise, index) else 0.0)
        dwell_ms = max(step.dwell_seconds, least_dwell, settles / (1 - SETTLE_SHARE)) * 1000
        judged = now + max(SETTLE_SHARE * dwell_ms, settles * 1000)
        plan.windows.append(Window(step.name, now, now + dwell_ms, key, "step", value, step.text, judged))
        now += dwell_ms
    for key in dict.fromkeys((s.when.ref, s.when.quantity) for s in exercise.behaviour if s.when.side != "is"):
        now = _sweep(plan, exercise, key, now, slower)
    plan.seconds = now / 1000
    return plan


def _sweep(plan: Stimulus, exercise: Exercise, key: Key, now: float, slower: float) -> float:
    """A quantity through all of its plausible range, up and down: slowly near each threshold, quickly elsewhere.

    Returns when it is over, in ms.
    """
    asked = [s.when for s in exercise.behaviour if (s.when.ref, s.when.quantity) == key]
    thresholds = sorted({when.threshold for when in asked})
    low, high = _axis(exercise, key)
    near = SWEEP_SHARE * (high - low)
    low, high = min(low, thresholds[0] - near), max(high, thresholds[-1] + near)
    output = exercise.sensed(key[0], key[1])
    if output is not None:  # no module is given what cannot be
        low, high = max(low, output.low), min(high, output.high)
    corners = [(a, b, ms * slower) for a, b, ms in _corners(low, high, thresholds, near)]
    hold = hold_seconds(exercise, key[0])
    rest = REST_SECONDS * slower + max(when.for_ms for when in asked) / 1000
    named = " and ".join(f"{round(asked[0].as_stated(t), 4):g}" for t in thresholds)
    for kind in ("up", "down"):
        begun = now
        way = corners if kind == "up" else [(b, a, ms) for a, b, ms in reversed(corners)]
        for first, last, ms in way:
            plan.add(key, Segment(now, first, last, ms))
            now += ms
        # Then it stands still until even a slow program has noticed; what a module holds on to by itself is over by then too.
        now += (rest + (hold if kind == "down" else 0.0)) * 1000
        name = f"sweep {kind} through {named} {asked[0].unit}".rstrip()
        pace = 2 * near / (SWEEP_SECONDS * slower)
        plan.windows.append(
            Window(name, begun, now, key, kind, thresholds[0], ends=(low, high), per_second=pace, stretch=2 * near)
        )
    return now


def _axis(exercise: Exercise, key: Key) -> tuple[float, float]:
    """The plausible range of a quantity: the exercise's axis for its first one, else the plan with a margin."""
    first = exercise.steps[0]
    if key == (first.ref, first.quantity):
        return exercise.plot_range
    seen = [v.value for step in exercise.steps if (v := step.value_of(*key))]
    if not seen:
        return 0.0, 1.0
    margin = (max(seen) - min(seen)) / 4 or 1.0
    return min(seen) - margin, max(seen) + margin


def _corners(low: float, high: float, thresholds: list[float], near: float) -> list[tuple[float, float, float]]:
    """The way from `low` to `high` as (from, to, ms): slow within `near` of a threshold. Each stretch takes a whole number of
    grains, so that times stay exact."""
    edges = sorted({low, high, *(min(high, max(low, t + side)) for t in thresholds for side in (-near, near))})
    found = []
    for a, b in pairwise(edges):
        slow = any(t - near <= (a + b) / 2 <= t + near for t in thresholds)
        seconds = SWEEP_SECONDS * (b - a) / (2 * near) if slow else FAR_SECONDS * (b - a) / (high - low)
        found.append((a, b, RAMP_GRAIN_MS * max(1, round(1000 * seconds / RAMP_GRAIN_MS))))
    return found


def read_stimulus(text: str) -> Stimulus:
    """A stimulus script (CSV `time_ms,ref,quantity,value`). Raises UnusableInput with every bad line."""
    rows = list(csv.reader(io.StringIO(text)))
    if not rows or [cell.strip() for cell in rows[0]] != ["time_ms", "ref", "quantity", "value"]:
        raise UnusableInput([Problem(1, 1, "the first line must read time_ms,ref,quantity,value")])
    problems: list[Problem] = []
    entries: list[tuple[Key, Segment]] = []
    typed: list[tuple[float, str]] = []
    tags: list[tuple[Key, float, str]] = []
    for number, row in enumerate(rows[1:], start=2):
        if not any(cell.strip() for cell in row):
            continue
        try:
            ms_text, ref, quantity, value = (cell.strip() for cell in row)
            ms = float(ms_text)
            if quantity == "serial":
                typed.append((ms, value.replace("\\n", "\n").replace("\\r", "\r")))
                continue
            if quantity == "tag":
                tags.append(((ref, quantity), ms, value))
                continue
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
    stimulus = Stimulus(typed=sorted(typed))
    for key, ms, text in sorted(tags, key=lambda tag: tag[1]):
        stimulus.add_text(key, ms, text)
    for key, segment in sorted(entries, key=lambda entry: entry[1].start_ms):
        stimulus.add(key, segment)
        stimulus.seconds = max(stimulus.seconds, (segment.start_ms + segment.ramp_ms) / 1000)
    return stimulus
