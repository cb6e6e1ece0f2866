"""The wiring station: findings, and what a person looks at beside them."""

from dataclasses import replace

from verifex.core.assess.records import (
    ChangeRecord,
    FindingRecord,
    StepDoneRecord,
    WalkRecord,
    WalkStepRecord,
    WiringRecord,
)
from verifex.core.assess.workbench import Workbench
from verifex.core.circuit import WiringReport, parse_bench
from verifex.core.circuit.evidence.functions import compare_functions
from verifex.core.circuit.evidence.windows import resistor_jobs
from verifex.core.circuit.handles import handles
from verifex.core.circuit.solver import NoSensibleAnswer
from verifex.core.circuit.text.changes import changes_between
from verifex.core.diagnosis import bench_case
from verifex.core.diagnosis.walk import meter_walk
from verifex.core.expected.measured import WALK, digest
from verifex.core.findings import Severity, has_errors
from verifex.core.problems import UnusableInput
from verifex.core.twin import BehaviourReport, check_behaviour, plan_stimulus, run_alone


def assess_wiring(bench: Workbench) -> WiringRecord | None:
    """Raises UnusableInput for lines that are no statement."""
    report = bench.wiring
    if report is None:
        return None
    if report.bench.problems:
        raise UnusableInput(report.bench.problems)
    view = report.view
    run = _run_by_itself(bench, report)
    # What a rule on behaviour finds here is the wiring's: there is no program that could do it.
    findings = [*report.findings, *(replace(found, criterion="wiring") for found in (run.findings if run else ()))]
    return WiringRecord(
        findings=tuple(FindingRecord.of(found) for found in findings),
        board=report.bench.board.id if report.bench.board else None,
        bench=report.bench.as_json(),
        nets=tuple(report.nets_json()),
        changes=_changes(bench),
        resistors=tuple(job.as_json() for job in resistor_jobs(view)),
        roles={part.ref: role for role, part in view.roles.items()},
        comparison=_comparison(bench, report),
        handles=tuple(handle.as_json() for handle in handles(view)),
        walk=_walk(bench, report),
        by_itself=tuple(
            StepDoneRecord(step=o.window.name, asked=o.asked, seen=o.seen, agrees=o.agrees)
            for o in (run.outcomes if run else ())
            if o.window.kind == "step"
        ),
    )


def _run_by_itself(bench: Workbench, report: WiringReport) -> BehaviourReport | None:
    """What a bench without a program does through the plan, held against what the exercise asks; None for one with a program,
    and where the bench is wrong anyway."""
    exercise = bench.case.exercise
    if exercise.program or has_errors(report.findings):
        return None
    plan = plan_stimulus(exercise, bench.case.measured.stimulus)
    try:
        trace = run_alone(report.view, plan, plan.seconds)
    except NoSensibleAnswer:
        return None
    return check_behaviour(report.view, exercise, plan, trace)


def _walk(bench: Workbench, report: WiringReport) -> WalkRecord | None:
    """The measurements before power; there are none for a bench that must not get power yet."""
    case = bench.case
    stopped = any(found.severity is Severity.STOP for found in report.findings)
    if case.exercise.meter_walk == "none" or stopped or case.wiring is None:
        return None
    walk = meter_walk(bench_case(case.exercise, bench.board, bench.built, report.view, case.measured))
    if walk is None:
        return None
    own = f"{WALK}{digest(case.wiring)}:"
    steps = tuple(
        WalkStepRecord(
            name=own + step.slug, text=step.text, unit=step.unit, low=step.low, high=step.high, should=step.should,
            range=step.range, catches=step.catches,
        )
        for step in walk.steps
    )  # fmt: skip
    return WalkRecord(
        steps=steps, shown=walk.shown, mistakes=walk.mistakes, harm_shown=walk.harm_shown, harmful=walk.harmful
    )


def _changes(bench: Workbench) -> tuple[ChangeRecord, ...] | None:
    earlier, now = bench.case.earlier_wiring, bench.case.wiring
    if earlier is None or now is None:
        return None
    return tuple(
        ChangeRecord.model_validate(change.as_json())
        for change in changes_between(parse_bench(earlier), parse_bench(now))
    )


def _comparison(bench: Workbench, report: WiringReport) -> tuple[dict[str, object], ...]:
    """Against the exercise's own bench on the same board; empty where it has none."""
    text = bench.case.exercise.reference_wiring(bench.board.id) or bench.case.exercise.reference_wiring()
    if not text:
        return ()
    rows = compare_functions(report.view, bench.wiring_of(text).view)
    # What a Stop is open for is never reported as intended, whatever else it does.
    stopped = {ref for f in report.findings if f.severity is Severity.STOP for ref in f.where.parts}
    roles = {part.ref: role for role, part in report.view.roles.items()}
    halted = stopped | {roles[ref] for ref in stopped if ref in roles}
    return tuple({**row.as_json(), "agrees": row.agrees and row.ref not in halted} for row in rows)
