"""`verifex program check`, `verifex program run`, `verifex twin run`."""

from argparse import Namespace
from typing import Any

from verifex.core.assess.case import Case
from verifex.core.assess.program import judged_on_bench
from verifex.core.assess.workbench import Workbench
from verifex.core.circuit import check_wiring
from verifex.core.circuit.solver import NoSensibleAnswer
from verifex.core.cli.files import bench_text, exercise_of, no_operating_point, text_of, usable
from verifex.core.cli.output import exit_code, print_findings, print_json
from verifex.core.cli.unusable import CannotUse
from verifex.core.exercise import Exercise
from verifex.core.findings import Finding
from verifex.core.parts import Board, catalogue
from verifex.core.program import ScriptedPins, check_program, read_script
from verifex.core.program.flow import dot_of, flow_charts, placed, svg_of
from verifex.core.twin import TwinTrace, check_on_bench, plan_stimulus, read_stimulus, run_twin
from verifex.core.twin.stimulus import Stimulus

MOST_SECONDS = 3600.0


USUAL = {"py": "sbc-3v3"}  # the board for a file of this ending, unless one is named; else the first


def _board(name: str | None, file: str) -> Board:
    name = name or USUAL.get(file.rsplit(".", 1)[-1], "mcu-5v")
    board = catalogue().boards.get(name)
    if board is None:
        raise CannotUse(
            f"--board:1:1: no board is called '{name}'; one of {', '.join(catalogue().boards)} was expected"
        )
    return board


def _seconds(arguments: Namespace) -> float:
    if not 0 < arguments.seconds <= MOST_SECONDS:
        raise CannotUse(f"--seconds:1:1: {arguments.seconds:g} is outside 0 to {MOST_SECONDS:g}")
    return float(arguments.seconds)


def show_flow(arguments: Namespace) -> int:
    report = check_program(text_of(arguments.file), _board(arguments.board, arguments.file))
    if not report.tree.functions:
        raise CannotUse(
            f"{arguments.file}:1:1: there is no function to draw; {report.findings[0].seen if report.findings else ''}"
        )
    charts = flow_charts(report.tree)
    if arguments.form == "dot":
        print(dot_of(charts), end="")
    elif arguments.form == "json":
        print_json([placed(chart).as_json() for chart in charts])
    else:
        print(svg_of([placed(chart) for chart in charts]), end="")
    return 0


def check_file(arguments: Namespace) -> int:
    exercise = exercise_of(arguments.exercise)
    if exercise and arguments.wiring and not arguments.board:
        return _check_through_the_plan(arguments, exercise)
    view = None
    if arguments.wiring:
        wiring = check_wiring(bench_text(arguments.wiring), exercise=exercise)
        usable(wiring.bench)
        view = wiring.view
    board = _board(arguments.board, arguments.file).id if arguments.board or not exercise else None
    report = check_on_bench(text_of(arguments.file), view, exercise, board)
    if arguments.json:
        print_json({"compiles": report.compiles, "findings": [f.as_json() for f in report.findings]})
    else:
        print_findings(report.findings)
    return exit_code(report.findings)


def _check_through_the_plan(arguments: Namespace, exercise: Exercise) -> int:
    """With an exercise and a wiring the program is run through the plan on its bench, as a hand-in is."""
    case = Case(exercise, wiring=bench_text(arguments.wiring), program=text_of(arguments.file))
    bench = Workbench(case)
    if bench.wiring is not None:
        usable(bench.wiring.bench)
    assert bench.program is not None
    found = judged_on_bench(bench, bench.program)
    if arguments.json:
        findings = [f.as_json() for f in found.findings]
        print_json({"compiles": bench.program.compiles, "findings": findings, "not_run": found.not_run})
    else:
        print_findings(found.findings)
        if found.not_run:
            print(found.not_run)
    return exit_code(found.findings)


def run_file(arguments: Namespace) -> int:
    board = _board(arguments.board, arguments.file)
    report = check_program(text_of(arguments.file), board)
    try:
        pins = read_script(text_of(arguments.pins), board) if arguments.pins else ScriptedPins()
    except Exception as wrong:
        if hasattr(wrong, "problems"):
            raise CannotUse("\n".join(f"{arguments.pins}:{p}" for p in wrong.problems)) from None
        raise
    result: dict[str, Any] = {
        "compiles": report.compiles,
        "serial": "",
        "events": [],
        "findings": [f.as_json() for f in report.findings],
    }
    if report.runnable:
        run = report.run(pins, _seconds(arguments))
        result |= {
            "serial": run.serial,
            "events": [list(event) for event in run.events],
            "ended": run.ended,
            "ended_ms": run.ended_ms,
        }
    if arguments.json:
        print_json(result)
    else:
        print(result["serial"], end="")
        print_findings(report.findings)
    return exit_code(report.findings)


def run_on_bench(arguments: Namespace) -> int:
    exercise = exercise_of(arguments.exercise)
    wiring = check_wiring(bench_text(arguments.wiring), exercise=exercise)
    usable(wiring.bench)
    report = check_on_bench(text_of(arguments.file), wiring.view, exercise)
    plan = plan_stimulus(exercise) if exercise else Stimulus()
    stimulus = read_stimulus(text_of(arguments.stimulus)) if arguments.stimulus else plan
    if arguments.seconds is None:
        if not plan.seconds:
            raise CannotUse("--seconds:1:1: how long to run is needed where no exercise has a plan")
        arguments.seconds = plan.seconds
    if not report.runnable:
        print_findings(report.findings)
        return 1
    try:
        trace = run_twin(wiring.view, report, stimulus, _seconds(arguments), cold=arguments.cold)
    except NoSensibleAnswer as wrong:
        raise no_operating_point(arguments.wiring, wrong) from None
    if arguments.json:
        print_json(trace.as_json())
    else:
        _print_trace(trace)
        found = _found_in_plan(arguments, exercise) if exercise and not arguments.stimulus else report.findings
        print_findings(found)
        return exit_code(found)
    return 0


def _print_trace(trace: TwinTrace) -> None:
    """What the log shows, then when each light, sounder and display changed."""
    print(trace.run.serial, end="")
    looks = [(ms, f"{ref} {look}") for ms, ref, look in trace.looks]
    displays = [
        (ms, f"{name} │{'│'.join(rows)}│") for ms, name, rows in trace.run.displays if any(row.strip() for row in rows)
    ]
    for ms, shown in sorted([*looks, *displays]):
        print(f"{ms / 1000:9.3f} s  {shown}")


def _found_in_plan(arguments: Namespace, exercise: Exercise) -> list[Finding]:
    bench = Workbench(Case(exercise, wiring=bench_text(arguments.wiring), program=text_of(arguments.file)))
    assert bench.program is not None
    return judged_on_bench(bench, bench.program).findings
