"""Each step of a log against the expected sheet of the pair's own bench."""

from collections.abc import Sequence
from dataclasses import dataclass
from statistics import median
from typing import Any

import numpy as np

from verifex.core.exercise import Exercise
from verifex.core.expected import ExpectedStep, Sheet
from verifex.core.expected.thresholds import suggest_threshold
from verifex.core.findings import Finding
from verifex.core.readings.diagnosis import Explanation, explain
from verifex.core.readings.honesty import OtherLog, look_closer
from verifex.core.readings.log import Log, StepLog, read_log


@dataclass(frozen=True, slots=True)
class StepVerdict:
    """One step: how many readings, their centre and spread, and how they lie: in-limits, likely, out, exempt or missing.

    'likely' lies inside the k = 2 interval, 'in-limits' between that and the worst case.
    """

    name: str
    count: int
    centre: float | None
    spread: float | None
    drift: float | None
    verdict: str
    values: tuple[float, ...]

    def as_json(self) -> dict[str, Any]:
        return {
            "name": self.name,
            "readings": self.count,
            "centre": self.centre,
            "spread": self.spread,
            "drift": self.drift,
            "verdict": self.verdict,
            "values": list(self.values[:400]),
        }


@dataclass(frozen=True, slots=True)
class ReadingsReport:
    """The whole comparison: `verdict` is 'in-limits', 'out', 'incomplete' or 'not-judged'."""

    steps: tuple[StepVerdict, ...]
    verdict: str
    diagnosis: tuple[Explanation, ...]
    honesty: tuple[Finding, ...]
    notes: tuple[str, ...]
    log_notes: tuple[str, ...] = ()  # those of them that are of the log itself

    def as_json(self, with_honesty: bool = True) -> dict[str, Any]:
        out: dict[str, Any] = {
            "steps": [step.as_json() for step in self.steps],
            "verdict": self.verdict,
            "diagnosis": [explanation.as_json() for explanation in self.diagnosis],
            "notes": list(self.notes),
        }
        if with_honesty:
            out["honesty"] = [finding.as_json() for finding in self.honesty]
        return out


def compare_log(
    text: str,
    exercise: Exercise,
    sheet: Sheet,
    *,
    grid: list[str] | None = None,
    others: Sequence[OtherLog] = (),
) -> ReadingsReport:
    """Read a log and judge it, as `judge_log` does. Raises UnusableInput as `read_log` does."""
    return judge_log(read_log(text, exercise), exercise, sheet, grid=grid, others=others)


def judge_log(
    log: Log,
    exercise: Exercise,
    sheet: Sheet,
    *,
    grid: list[str] | None = None,
    others: Sequence[OtherLog] = (),
) -> ReadingsReport:
    """Judge a log against `sheet`. `grid` are the texts the pair's program can print, `others` the logs of other pairs."""
    steps = tuple(_judge(step, [s for s in log.steps if s.name == step.name]) for step in sheet.steps)
    verdict = _verdict(steps)
    diagnosis = tuple(explain(steps, sheet)) if any(step.verdict == "out" for step in steps) else ()
    log_notes = [*log.notes, *_strangers(log, sheet)]
    notes = log_notes + _own_threshold(exercise, steps)
    if sheet.reason:
        notes.append(f"There is no expected sheet for this bench: {sheet.reason}")
    honesty = tuple(look_closer(log, grid, others))
    return ReadingsReport(steps, verdict, diagnosis, honesty, tuple(notes), tuple(log_notes))


def _verdict(steps: tuple[StepVerdict, ...]) -> str:
    """Of the whole log: nothing is 'in-limits' of which no step was found."""
    if all(step.verdict == "missing" for step in steps):
        return "not-judged"
    if any(step.verdict == "missing" for step in steps):
        return "incomplete"
    return "out" if any(step.verdict == "out" for step in steps) else "in-limits"


def _own_threshold(exercise: Exercise, steps: tuple[StepVerdict, ...]) -> list[str]:
    """Where a pair's own two readings put the threshold, for exercises that ask for that."""
    if exercise.conventions.threshold != "two-readings":
        return []
    said = []
    for statement in exercise.behaviour:
        on: list[float] = []
        off: list[float] = []
        for step, judged in zip(exercise.steps, steps, strict=False):
            value = step.value_of(statement.when.ref, statement.when.quantity)
            if value is not None and judged.centre is not None:
                (on if statement.when.holds(value.value) else off).append(judged.centre)
        if not on or not off:
            continue
        # The two readings nearest to each other decide.
        near = min(((a, b) for a in off for b in on), key=lambda pair: abs(pair[1] - pair[0]))
        found = suggest_threshold([near[0]], [near[1]])
        if found.threshold is None:
            said.append(found.reason)
        else:
            said.append(
                f"From these readings: threshold {found.threshold:g}, on at {found.on_at:g}, off again at {found.off_at:g}; "
                f"{found.margin:.0f} noise widths of margin."
            )
    return said


def _judge(step: ExpectedStep, marked: list[StepLog]) -> StepVerdict:
    values = [value for part in marked for value in part.values]
    if not values:
        return StepVerdict(step.name, 0, None, None, None, "missing", ())
    # The first fifth is settling time: a case in the hand warms for a while.
    settled = values[len(values) // 5 :]
    centre = round(median(settled), 3)
    drift = round(median(settled[-3:]) - median(settled[:3]), 3) if len(settled) >= 6 else 0.0
    if step.first.exempt:
        verdict = "exempt"  # at a flat end of the converter no reading tells anything
    elif step.likely[0] <= centre <= step.likely[1]:
        verdict = "likely"
    else:
        verdict = "in-limits" if step.value.low <= centre <= step.value.high else "out"
    return StepVerdict(step.name, len(values), centre, round(float(np.std(settled)), 3), drift, verdict, tuple(values))


def _strangers(log: Log, sheet: Sheet) -> list[str]:
    known = {step.name for step in sheet.steps}
    return [
        f"The mark “{step.mark}” belongs to no step of the plan."
        for step in log.steps
        if step.name not in known and sheet.steps
    ]
