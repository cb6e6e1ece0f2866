"""What the exercise asks against what the twin did: a table, and findings where they part."""

from collections.abc import Mapping
from dataclasses import dataclass, field, replace
from typing import Any

from verifex.core.circuit.view import BenchView
from verifex.core.exercise import Exercise
from verifex.core.exercise.output_states import OutputState
from verifex.core.exercise.schema import Behaviour
from verifex.core.expected import Sheet
from verifex.core.findings import Finding
from verifex.core.twin.behaviour_rules import BEHAVIOUR
from verifex.core.twin.outcome import RunView, StepOutcome
from verifex.core.twin.printed import PrintedColumns, output_lines
from verifex.core.twin.program_run import TwinTrace
from verifex.core.twin.shown import Course, course_of
from verifex.core.twin.stimulus import Stimulus, Window
from verifex.core.twin.thresholds import Turn, switching, turn_of

MOST_POINTS = 1500


@dataclass(frozen=True, slots=True)
class BehaviourReport:
    """The table of the run, the findings, and when it first differs from what is asked (ms)."""

    outcomes: list[StepOutcome]
    findings: list[Finding]
    first_divergence_ms: float | None
    #: The values of the reading's own column over time: (ms, value).
    reading: list[tuple[float, float]] = field(default_factory=list)

    def as_json(self) -> dict[str, Any]:
        return {
            "outcomes": [outcome.as_json() for outcome in self.outcomes],
            "findings": [finding.as_json() for finding in self.findings],
            "first_divergence_ms": self.first_divergence_ms,
            "reading": [[round(ms, 1), value] for ms, value in self.reading],
        }


def check_behaviour(
    view: BenchView,
    exercise: Exercise,
    plan: Stimulus,
    trace: TwinTrace,
    sheet: Sheet | None = None,
) -> BehaviourReport:
    """Hold a run through the plan against the exercise.

    `sheet` is what this bench should read; without it printed values are shown but not judged.
    """
    refs = {recipe.ref: part.ref for recipe in exercise.recipe if (part := view.matching(recipe.ref))}
    courses = {own: course_of(trace, ref, exercise.states_of(own)) for own, ref in refs.items()}
    columns = PrintedColumns(output_lines(trace.run), exercise, sheet, _steps_of(plan))
    outcomes = [_outcome(exercise, plan, window, courses, columns) for window in plan.windows]
    outcomes = _straying(exercise, refs, outcomes)
    run = RunView(exercise, trace, outcomes, refs)
    first = min((o.parts_ms for o in outcomes if not o.agrees), default=None)
    points = columns.points(0)
    reading = points[:: max(1, len(points) // MOST_POINTS)]
    findings = [replace(f, moment_ms=first) if f.moment_ms is None else f for f in BEHAVIOUR.run(run)]
    return BehaviourReport(outcomes, findings, first, reading)


def _steps_of(plan: Stimulus) -> list[tuple[str, tuple[float, float]]]:
    """The second half of each step of the plan, in which a program prints what it reads there (ms)."""
    return [(w.name, ((w.start_ms + w.end_ms) / 2, w.end_ms)) for w in plan.windows if w.kind == "step"]


def _straying(exercise: Exercise, refs: Mapping[str, str], outcomes: list[StepOutcome]) -> list[StepOutcome]:
    """The outcomes, with the sweeps marked in which an output changed at another value than asked."""
    strays: set[tuple[str, str]] = set()
    for statement in exercise.behaviour:
        for ref in statement.outputs:
            seen = switching(exercise, statement, ref, outcomes) if ref in refs else None
            if seen is not None and not seen.is_right:
                strays.add((statement.when.ref, statement.when.quantity))
    return [replace(o, strays=True) if o.window.kind != "step" and o.window.key in strays else o for o in outcomes]


def _outcome(
    exercise: Exercise,
    plan: Stimulus,
    window: Window,
    courses: Mapping[str, Course],
    columns: PrintedColumns,
) -> StepOutcome:
    asked: dict[str, str] = {}
    seen: dict[str, str] = {}
    changes: dict[tuple[str, float], float] = {}
    at_ms: float | None = None
    for statement in exercise.behaviour:
        for ref in statement.outputs:
            if ref not in courses:
                continue
            if window.kind == "step":
                wanted = _wanted(plan, statement, ref, window)
                if wanted is not None:
                    asked[ref] = str(wanted)
                    seen[ref] = courses[ref].in_words_over(window.judged_ms, window.end_ms, wanted)
                elif ref not in seen:
                    at_rest = (statement.otherwise or statement.then).get(ref) or statement.then[ref]
                    seen[ref] = courses[ref].in_words_over(window.judged_ms, window.end_ms, at_rest)
            elif window.key == (statement.when.ref, statement.when.quantity):
                turn = turn_of(exercise, statement, ref)
                turned = _switch_point(courses[ref], plan, window, statement, turn) if turn is not None else None
                if turned is not None:
                    changes[(ref, statement.when.threshold)] = turned[1]
                    at_ms = turned[0] if at_ms is None else min(at_ms, turned[0])
    is_step = window.kind == "step"
    readings = columns.over(window.name, (window.judged_ms, window.end_ms)) if is_step else ()
    return StepOutcome(window, asked, seen, readings, changes, switched_ms=at_ms)


def _wanted(plan: Stimulus, statement: Behaviour, ref: str, window: Window) -> OutputState | None:
    """What is asked of an output in a step; None where the step says nothing of what the statement is about."""
    key = (statement.when.ref, statement.when.quantity)
    value = window.value if key == window.key else plan.at(window.start_ms).get(key)
    if value is None:
        return None
    text = window.text if key == window.key else plan.text_at(key, window.start_ms)
    side = statement.then if statement.when.holds(value, text) else statement.otherwise
    return side.get(ref)


def _switch_point(
    course: Course, plan: Stimulus, window: Window, statement: Behaviour, turn: Turn
) -> tuple[float, float] | None:
    """When (ms) and at which stimulus an output switched in a sweep.

    Of several changes the same way the one nearest to the threshold counts, of those near it the last.
    """
    times = turn.times(course, window.kind, window.start_ms, window.end_ms)
    found = [(ms, value) for ms in times if (value := plan.at(ms).get(window.key)) is not None]
    if not found:
        return None
    near = window.stretch / 2
    close = [row for row in found if abs(row[1] - statement.when.threshold) <= near]
    return close[-1] if close else min(found, key=lambda row: abs(row[1] - statement.when.threshold))
