"""Runs the core on an attempt and keeps what it said. Judging again adds a judgement; nothing is overwritten."""

from typing import Any

from verifex.core.circuit.solver import NoSensibleAnswer
from verifex.core.expected import Sheet
from verifex.core.findings import Finding, will_not_do
from verifex.core.problems import UnusableInput
from verifex.core.program import ProgramReport
from verifex.core.program.rules import PROGRAM
from verifex.core.readings import compare_log, read_log
from verifex.core.readings.grid import printable_values
from verifex.core.readings.honesty import OtherLog
from verifex.core.readings.prediction import judge_prediction, read_prediction
from verifex.core.rulebook import RULES_VERSION
from verifex.core.twin import check_behaviour, check_on_bench, checklist_on_bench, plan_stimulus, run_twin
from verifex.dockets.bench import DocketBench, last_judgement
from verifex.dockets.models import Attempt, Judgement, Kind

MOST_OTHERS = 60


def judge(attempt: Attempt) -> Judgement:
    """A new judgement of an attempt with today's rules and the docket's values of now."""
    bench = DocketBench(attempt.docket)
    judges = {
        Kind.WIRING: judge_wiring,
        Kind.PROGRAM: judge_program,
        Kind.READINGS: judge_readings,
        Kind.PREDICTION: judge_predicted,
    }
    findings, result = judges[Kind(attempt.kind)](bench, attempt.text)
    return Judgement.objects.create(
        attempt=attempt, rules_version=RULES_VERSION, findings=[f.as_json() for f in findings], result=result
    )


def judge_wiring(bench: DocketBench, text: str) -> tuple[list[Finding], dict[str, Any]]:
    """Findings with the bench and its nets. Raises UnusableInput for lines that are no statement."""
    report = bench.check_wiring(text)
    if report.bench.problems:
        raise UnusableInput(report.bench.problems)
    return report.findings, {"bench": report.bench.as_json(), "nets": report.nets_json()}


def judge_program(bench: DocketBench, text: str) -> tuple[list[Finding], dict[str, Any]]:
    """Static findings, then a run through the plan on the twin of the pair's own bench."""
    wiring = bench.wiring()
    on_bench = bench.check_wiring(wiring.text) if wiring else None
    view, wiring_findings = (on_bench.view, on_bench.findings) if on_bench else (None, [])
    report = check_on_bench(text, view, bench.file)
    findings = list(report.findings)
    result: dict[str, Any] = {
        "compiles": report.compiles,
        "runnable": report.runnable,
        "trace": None,
        "behaviour": None,
        "not_run": "",
        "dialect": report.tree.dialect,
        "checklist": [c.as_json() for c in checklist_on_bench(report, view, bench.file)],
    }
    if view is None:
        result["not_run"] = "There is no wiring yet to run it on."
    elif not report.runnable:
        result["not_run"] = (
            "It does not compile." if not report.compiles else "Part of it is not read yet; judge it by eye."
        )
    else:
        measured = bench.measured()
        plan = plan_stimulus(bench.file, measured.stimulus)
        sheet = bench.sheet_as_built()
        limits = {step.name: (step.value.low, step.value.high) for step in sheet.steps}
        try:
            trace = run_twin(view, report, plan, plan.seconds, internal_volts=measured.internal_volts)
        except NoSensibleAnswer:
            result["not_run"] = "The circuit as wired has no operating point, so there is nothing to run it on."
        else:
            behaviour = check_behaviour(view, bench.file, plan, trace, limits)
            if will_not_do(wiring_findings):
                # What goes wrong on a wrong bench is not held against the program.
                result["not_run"] = "The wiring has findings; what goes wrong in this run may come from there."
            else:
                findings += PROGRAM.unexplained(report.findings, behaviour.findings)
                if sheet.reason:
                    result["not_run"] = f"What is printed is not judged: {sheet.reason}"
            result |= {"trace": trace.as_json(plan), "behaviour": behaviour.as_json()}
    return findings, result


def judge_readings(bench: DocketBench, text: str) -> tuple[list[Finding], dict[str, Any]]:
    """The log against the sheet of the pair's own bench, and a second look at it (kept apart from the result)."""
    sheet = bench.sheet_as_built()
    report = compare_log(text, bench.file, sheet, grid=_grid(bench), others=_others(bench))
    intended = compare_log(text, bench.file, bench.sheet_as_intended(sheet))
    result = report.as_json(with_honesty=False)
    result["intended"] = {step.name: step.verdict for step in intended.steps}
    result["follows_program"] = _follows_program(bench, sheet, result["steps"])
    return list(report.honesty), result


def judge_predicted(bench: DocketBench, text: str) -> tuple[list[Finding], dict[str, Any]]:
    """The pair's prediction against the sheet of its own bench."""
    predicted = read_prediction(text, bench.file)
    return [], {"predictions": [v.as_json() for v in judge_prediction(predicted, bench.sheet_as_built())]}


def _follows_program(bench: DocketBench, sheet: Sheet, steps: list[dict[str, Any]]) -> list[str]:
    """Steps whose centre is what the twin of the program handed in printed there, within the sheet's width."""
    judgement = last_judgement(bench.last(Kind.PROGRAM))
    behaviour = judgement.result.get("behaviour") if judgement else None
    printed = {o["name"]: o["printed"] for o in behaviour["outcomes"]} if behaviour else {}
    follows = []
    for step in steps:
        expected, said = sheet.step(step["name"]), printed.get(step["name"])
        if expected is None or said is None or step["centre"] is None:
            continue
        if abs(step["centre"] - said) <= (expected.value.high - expected.value.low) / 2:
            follows.append(step["name"])
    return follows


def _grid(bench: DocketBench) -> list[str] | None:
    program = bench.last(Kind.PROGRAM)
    if program is None:
        return None
    report: ProgramReport = check_on_bench(program.text, None, bench.file, bench.board().id)
    return printable_values(report)


def _others(bench: DocketBench) -> list[OtherLog]:
    """The last logs of other pairs in the same exercise version."""
    attempts = (
        Attempt.objects.filter(kind=Kind.READINGS, docket__version=bench.docket.version)
        .exclude(docket=bench.docket)
        .select_related("docket__pair")
        .order_by("docket", "-number")
    )
    logs: dict[int, OtherLog] = {}
    for attempt in attempts[:MOST_OTHERS]:
        if attempt.docket_id in logs:
            continue
        try:
            log = read_log(attempt.text, bench.file)
        except UnusableInput:
            continue
        values = tuple(value for step in log.steps for value in step.values)
        logs[attempt.docket_id] = OtherLog(attempt.docket.pair.name, values)
    return list(logs.values())
