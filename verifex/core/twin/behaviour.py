"""What the exercise asks against what the twin did: a table, and findings where they part."""

from collections.abc import Mapping
from dataclasses import dataclass
from typing import Any

from verifex.core.circuit.view import BenchView
from verifex.core.exercise import Exercise
from verifex.core.exercise.schema import Behaviour
from verifex.core.findings import Finding
from verifex.core.twin.behaviour_rules import BEHAVIOUR, RunView, StepOutcome
from verifex.core.twin.printed import Printed, columns, is_judged, reading_column
from verifex.core.twin.run import TwinTrace
from verifex.core.twin.stimulus import Stimulus, Window

SETTLE_SHARE = 0.5  # the second half of a step is judged


@dataclass(frozen=True, slots=True)
class BehaviourReport:
    """The table of the run, the findings, and when it first parts from what is asked (ms)."""

    outcomes: list[StepOutcome]
    findings: list[Finding]
    first_divergence_ms: float | None

    def as_json(self) -> dict[str, Any]:
        return {
            "outcomes": [outcome.as_json() for outcome in self.outcomes],
            "findings": [finding.as_json() for finding in self.findings],
            "first_divergence_ms": self.first_divergence_ms,
        }


def check_behaviour(
    view: BenchView,
    exercise: Exercise,
    plan: Stimulus,
    trace: TwinTrace,
    limits: Mapping[str, tuple[float, float]] | None = None,
) -> BehaviourReport:
    """Hold a run through the plan against the exercise.

    `limits` gives, by step name, the value limits of this bench's expected sheet; without them printed
    values are shown but not judged.
    """
    refs = {recipe.ref: part.ref for recipe in exercise.recipe if (part := view.matching(recipe.ref))}
    steps = [window for window in plan.windows if window.kind == "step"]
    judged = [(limits or {}).get(window.name) if is_judged(exercise) else None for window in steps]
    printed = reading_column(columns(trace.run.lines, [(_judged_from(w), w.end_ms) for w in steps]), judged)
    known = {id(w): (p, within) for w, p, within in zip(steps, printed, judged, strict=True)}
    outcomes = [
        _outcome(exercise, plan, window, trace, refs, *known.get(id(window), (None, None))) for window in plan.windows
    ]
    run = RunView(exercise, trace, outcomes, refs)
    first = next((o.window.start_ms for o in outcomes if o.window.kind == "step" and not o.agrees), None)
    return BehaviourReport(outcomes, BEHAVIOUR.run(run), first)


def _outcome(
    exercise: Exercise,
    plan: Stimulus,
    window: Window,
    trace: TwinTrace,
    refs: Mapping[str, str],
    printed: Printed | None,
    limits: tuple[float, float] | None,
) -> StepOutcome:
    asked: dict[str, str] = {}
    seen: dict[str, str] = {}
    switched: dict[str, float] = {}
    for statement in exercise.behaviour:
        for ref in dict.fromkeys([*statement.then, *statement.otherwise]):
            if ref not in refs:
                continue
            if window.kind == "step":
                wanted = _wanted(statement, ref, window)
                if wanted is not None:
                    asked[ref] = "on" if wanted else "off"
                seen[ref] = _seen(trace, refs[ref], _judged_from(window), window.end_ms)
            else:
                turned = _switch_point(trace, plan, refs[ref], window, statement)
                if turned is not None:
                    switched[ref] = turned
    return StepOutcome(window, asked, seen, printed, limits, switched)


def _judged_from(window: Window) -> float:
    return window.start_ms + SETTLE_SHARE * (window.end_ms - window.start_ms)


def _wanted(statement: Behaviour, ref: str, window: Window) -> bool | None:
    side = statement.then if statement.when.holds(window.value, window.text) else statement.otherwise
    return side.get(ref)


def _seen(trace: TwinTrace, ref: str, start_ms: float, end_ms: float) -> str:
    changes = [on for ms, who, on in trace.indicator_events if who == ref and start_ms < ms <= end_ms]
    at_start = trace.is_on(ref, start_ms)
    if not changes:
        return "on" if at_start else "off"
    return "changes"


def _switch_point(trace: TwinTrace, plan: Stimulus, ref: str, window: Window, statement: Behaviour) -> float | None:
    """The stimulus at which an output switched in a sweep; the last change counts."""
    towards_on = (window.kind == "up") == (statement.when.side == "over")
    times = [
        ms
        for ms, who, on in trace.indicator_events
        if who == ref and window.start_ms <= ms < window.end_ms and on == towards_on
    ]
    return plan.at(times[-1]).get(window.key) if times else None
