"""The program station: what is found in the text, and what the run on the twin of the pair's own bench shows."""

from dataclasses import dataclass, replace

from verifex.core.assess.records import CheckRecord, FindingRecord, ProgramRecord
from verifex.core.assess.workbench import Workbench
from verifex.core.circuit import check_wiring
from verifex.core.circuit.solver import NoSensibleAnswer
from verifex.core.findings import Finding, Severity, has_errors
from verifex.core.program import ProgramReport
from verifex.core.program.flow import flow_charts, placed
from verifex.core.program.rules import PROGRAM
from verifex.core.program.runtime.watch import LineWatch
from verifex.core.twin import (
    BehaviourReport,
    TwinTrace,
    check_behaviour,
    checklist_on_bench,
    plan_stimulus,
    programmed,
    run_twin,
)
from verifex.core.twin.stimulus import Stimulus


@dataclass(frozen=True, slots=True)
class OnBench:
    """What is found of a program on its bench: in the text and in the run through the plan; `not_run` says why that was not judged."""

    findings: list[Finding]
    not_run: str
    plan: Stimulus
    trace: TwinTrace | None
    behaviour: BehaviourReport | None


def judged_on_bench(bench: Workbench, report: ProgramReport) -> OnBench:
    """Static findings, then a run through the plan, as far as wiring and program allow it."""
    findings, not_run = list(report.findings), _why_not_run(bench, report)
    plan = plan_of(bench, report)
    trace = None if not_run else run_through(bench, report, plan)
    behaviour: BehaviourReport | None = None
    if trace is None:
        not_run = not_run or "The circuit as wired has no operating point, so there is nothing to run it on."
    else:
        behaviour = _behaviour(bench, plan, trace)
        assert bench.wiring is not None
        if has_errors(bench.wiring.findings):
            # What goes wrong on a wrong bench is not held against the program.
            not_run = "The wiring has findings; what goes wrong in this run may come from there."
        else:
            findings = PROGRAM.with_consequences(_with_moments(findings, trace), behaviour.findings)
            if bench.built.reason:
                not_run = f"What is printed is not judged: {bench.built.reason}"
    return OnBench(findings, not_run, plan, trace, behaviour)


def assess_program(bench: Workbench) -> ProgramRecord | None:
    """Static findings, then a run through the plan. Raises UnusableInput for a text that is no program at all."""
    report = bench.program
    if report is None:
        return None
    found = judged_on_bench(bench, report)
    plan, trace, behaviour = found.plan, found.trace, found.behaviour
    view = bench.wiring.view if bench.wiring else None
    return ProgramRecord(
        findings=tuple(FindingRecord.of(one) for one in found.findings),
        dialect=report.tree.dialect,
        compiles=report.compiles,
        unknown_constants=tuple(dict.fromkeys(report.tree.unknown_constants)),
        unknown_methods=tuple(dict.fromkeys(_unknown_methods(report, trace))),
        runnable=report.runnable,
        not_run=found.not_run,
        checklist=tuple(
            CheckRecord.model_validate(c.as_json()) for c in checklist_on_bench(report, view, bench.case.exercise)
        ),
        trace=trace.as_json(plan) if trace else None,
        behaviour=behaviour.as_json() if behaviour else None,
        flow=tuple(placed(chart).as_json() for chart in flow_charts(report.tree)),
        new_stops=tuple(FindingRecord.of(found) for found in _new_stops(bench, report)),
    )


def _unknown_methods(report: ProgramReport, trace: TwinTrace | None) -> list[str]:
    runs = [*report.runs, *([trace.run] if trace else [])]
    return [*report.tree.unknown_methods, *(name for run in runs for name in run.unknown_methods)]


def _with_moments(findings: list[Finding], trace: TwinTrace) -> list[Finding]:
    """The findings with the moment at which the run on the twin first showed what they say of their line."""
    first: dict[int, float] = {}
    for at, ms in trace.run.first_ms.items():
        first[at.line] = min(ms, first.get(at.line, ms))
    return [replace(found, moment_ms=first.get(found.where.line or 0)) for found in findings]


def _why_not_run(bench: Workbench, report: ProgramReport) -> str:
    if bench.wiring is None:
        return "There is no wiring yet to run it on."
    if not report.compiles:
        return "It does not compile."
    return "" if report.runnable else "Part of it is not supported yet; judge it by eye."


def plan_of(bench: Workbench, report: ProgramReport) -> Stimulus:
    """The plan that a program is run through: its steps, and the sweeps over each threshold."""
    pause_seconds = max((run.longest_wait[0] / 1000 for run in report.runs), default=0.0)
    return plan_stimulus(bench.case.exercise, bench.case.measured.stimulus, pause_seconds=pause_seconds)


def run_through(
    bench: Workbench, report: ProgramReport, plan: Stimulus, watch: LineWatch | None = None
) -> TwinTrace | None:
    """The run through the plan; None where the circuit has no operating point. `watch` notes one line's variables."""
    assert bench.wiring is not None
    internal = bench.case.measured.internal_volts
    try:
        return run_twin(bench.wiring.view, report, plan, plan.seconds, internal_volts=internal, watch=watch)
    except NoSensibleAnswer:
        return None


def _behaviour(bench: Workbench, plan: Stimulus, trace: TwinTrace) -> BehaviourReport:
    assert bench.wiring is not None
    return check_behaviour(bench.wiring.view, bench.case.exercise, plan, trace, bench.built)


def _new_stops(bench: Workbench, report: ProgramReport) -> list[Finding]:
    """Stops that the bench has with this program's outputs and not without them."""
    if bench.wiring is None or bench.case.wiring is None:
        return []
    case = bench.case
    driven = check_wiring(
        case.wiring or "",
        exercise=case.exercise,
        program=programmed(report),
        handed_out=bench.handed_out,
        rail_volts=case.measured.rail_volts,
    )
    known = {(f.rule, f.where.parts) for f in bench.wiring.findings}
    return [f for f in driven.findings if f.severity is Severity.STOP and (f.rule, f.where.parts) not in known]
