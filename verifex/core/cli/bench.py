"""`verifex expected`, `verifex readings check`, `verifex mark`."""

from argparse import Namespace
from pathlib import Path
from typing import Any

from verifex.core.circuit import check_wiring
from verifex.core.cli.files import (
    CannotUse,
    exercise_of,
    exit_code,
    measured_pairs,
    print_findings,
    print_json,
    text_of,
)
from verifex.core.cli.wiring import bench_text
from verifex.core.exercise import Exercise
from verifex.core.expected import Measured, Sheet, expected_sheet, sheet_json
from verifex.core.expected.thresholds import suggest_threshold
from verifex.core.findings import Finding, will_not_do
from verifex.core.marking import Evidence, propose
from verifex.core.program.rules import PROGRAM
from verifex.core.readings import compare_log
from verifex.core.readings.grid import printable_values
from verifex.core.twin import check_behaviour, check_on_bench, plan_stimulus, run_twin

PROGRAMS = ("program.cpp", "program.py")  # either of them


def add_commands(commands: Any) -> None:
    expected = commands.add_parser("expected", help="what a bench should read")
    expected.add_argument("exercise")
    expected.add_argument("--wiring")
    expected.add_argument("--board", help="the reference bench on this board, where no wiring is given")
    expected.add_argument("--variant", help="how the sensor is fed, where no wiring is given")
    expected.add_argument(
        "--measured", nargs="*", metavar="vref=4.87", help="also internal, aref, R1=9.87k, U1.r10=11k"
    )
    expected.add_argument(
        "--step", action="append", metavar='"Room air=22.4"', help="the value really measured at a step"
    )
    expected.add_argument("--json", action="store_true")
    expected.set_defaults(act=show_expected)
    threshold = commands.add_parser("threshold", help="a threshold from readings of the two states")
    threshold.add_argument("--off", nargs="+", type=float, required=True, metavar="COUNT")
    threshold.add_argument("--on", nargs="+", type=float, required=True, metavar="COUNT")
    threshold.add_argument("--json", action="store_true")
    threshold.set_defaults(act=show_threshold)
    readings = commands.add_parser("readings", help="judge a log").add_subparsers(dest="what", required=True)
    check = readings.add_parser("check")
    check.add_argument("file")
    check.add_argument("--exercise", required=True)
    check.add_argument("--wiring")
    check.add_argument("--program")
    check.add_argument("--measured", nargs="*", metavar="vref=4.87")
    check.add_argument("--json", action="store_true")
    check.set_defaults(act=check_log)
    mark = commands.add_parser("mark", help="propose a mark for a folder with wiring.bench, program.cpp, log.txt")
    mark.add_argument("folder")
    mark.add_argument("--exercise", required=True)
    mark.add_argument("--measured", nargs="*", metavar="vref=4.87")
    mark.add_argument("--json", action="store_true")
    mark.set_defaults(act=mark_folder)


def _measured(arguments: Namespace) -> Measured:
    pairs = measured_pairs(arguments)
    named = ("vref", "internal", "aref")
    return Measured(
        rail_volts=pairs.get("vref"),
        internal_volts=pairs.get("internal"),
        outside_volts=pairs.get("aref"),
        values={name: value for name, value in pairs.items() if name not in named},
        stimulus=_stimuli(arguments),
    )


def _stimuli(arguments: Namespace) -> dict[str, float]:
    """`--step "Room air=22.4"` as numbers by step. Raises CannotUse for what is none."""
    found: dict[str, float] = {}
    for text in getattr(arguments, "step", None) or []:
        name, _, value = text.rpartition("=")
        try:
            found[name] = float(value)
        except ValueError:
            raise CannotUse(f"--step:1:1: '{text}' is no value of a step; \"Room air=22.4\" was expected") from None
    return found


def _exercise(name: str) -> Exercise:
    exercise = exercise_of(name)
    assert exercise is not None
    return exercise


def show_expected(arguments: Namespace) -> int:
    exercise = _exercise(arguments.exercise)
    wiring = bench_text(arguments.wiring) if arguments.wiring else None
    if arguments.board and arguments.board not in exercise.boards:
        raise CannotUse(f"--board:1:1: it suits {', '.join(exercise.boards)}, not '{arguments.board}'")
    variant = next((v for v in exercise.variants if v.id == arguments.variant), None)
    if arguments.variant and variant is None:
        raise CannotUse(
            f"--variant:1:1: {', '.join(v.id for v in exercise.variants)} was expected, not '{arguments.variant}'"
        )
    sheet = expected_sheet(exercise, wiring, measured=_measured(arguments), board=arguments.board, variant=variant)
    if arguments.json:
        print_json(sheet_json(sheet))
    else:
        _print_sheet(exercise, sheet)
    return 1 if sheet.reason else 0


def _print_sheet(exercise: Exercise, sheet: Sheet) -> None:
    if sheet.reason:
        print(sheet.reason)
        return
    print(f"{exercise.title}, {sheet.variant.title if sheet.variant else ''}")
    for step in sheet.steps:
        states = ", ".join(f"{ref} {state}" for ref, state in step.indicators.items())
        for index, r in enumerate(step.readings):
            volts = f"{r.volts.nominal:6.3f} V" if r.volts else " " * 8
            raw = f"{r.raw_unit} {r.raw[1]:g} ({r.raw[0]:g}–{r.raw[2]:g})" if r.raw_unit in ("count", "µs") else ""
            limits = (
                f"({r.value.low:.{r.decimals}f} … {r.value.high:.{r.decimals}f})" if r.value.low < r.value.high else ""
            )
            print(
                f"{step.name if index == 0 else '':28} {volts}   {raw:22} {r.printed:>12} {limits:18} {states if index == 0 else ''}".rstrip()
            )
    for note in sheet.notes:
        print(note)


def show_threshold(arguments: Namespace) -> int:
    found = suggest_threshold(arguments.off, arguments.on)
    if arguments.json:
        print_json(found.as_json())
    elif found.threshold is None:
        print(found.reason)
    else:
        print(f"Threshold {found.threshold:g}: on at {found.on_at:g}, off again at {found.off_at:g}.")
        print(f"Either reading is {found.margin:.1f} times its noise ({found.noise:g}) away from where it switches.")
    return 0 if found.threshold is not None else 1


def check_log(arguments: Namespace) -> int:
    exercise = _exercise(arguments.exercise)
    wiring = bench_text(arguments.wiring) if arguments.wiring else None
    sheet = expected_sheet(exercise, wiring, measured=_measured(arguments))
    grid = None
    if arguments.program:
        view = check_wiring(wiring, exercise=exercise).view if wiring else None
        grid = printable_values(check_on_bench(text_of(arguments.program), view, exercise))
    report = compare_log(text_of(arguments.file), exercise, sheet, grid=grid)
    if arguments.json:
        print_json(report.as_json())
    else:
        for step in report.steps:
            centre = f"{step.centre:8.2f} {sheet.unit}" if step.centre is not None else " " * 11
            print(f"{step.name:20} {centre}   {step.count:3} readings   {step.verdict.replace('-', ' ')}")
        for explanation in report.diagnosis:
            print(f"{explanation.likelihood:10} {explanation.title}. {explanation.look_at}")
        for note in report.notes:
            print(note)
        print_findings(report.honesty)
    return 0 if report.verdict == "in-limits" else 1


def mark_folder(arguments: Namespace) -> int:
    exercise = _exercise(arguments.exercise)
    folder = Path(arguments.folder)
    if not folder.is_dir():
        raise CannotUse(f"{folder}:1:1: there is no such folder")
    texts = {
        name: text_of(str(folder / name)) for name in ("wiring.bench", *PROGRAMS, "log.txt") if (folder / name).exists()
    }
    if all(name in texts for name in PROGRAMS):
        raise CannotUse(f"{folder}:1:1: {' and '.join(PROGRAMS)} are both there; one program was expected")
    evidence, findings = _evidence(exercise, texts, _measured(arguments))
    proposal = propose(exercise.criteria, evidence)
    if arguments.json:
        print_json(proposal.as_json())
    else:
        print(proposal.feedback())
    return exit_code(findings)


def _evidence(exercise: Exercise, texts: dict[str, str], measured: Measured) -> tuple[Evidence, list[Finding]]:
    wiring_text = texts.get("wiring.bench")
    wiring = check_wiring(wiring_text, exercise=exercise, rail_volts=measured.rail_volts) if wiring_text else None
    sheet = expected_sheet(exercise, wiring_text, measured=measured)
    program: list[Finding] = []
    source = next((texts[name] for name in PROGRAMS if name in texts), None)
    if source is not None:
        report = check_on_bench(source, wiring.view if wiring else None, exercise)
        program = list(report.findings)
        if wiring and report.runnable:
            plan = plan_stimulus(exercise)
            trace = run_twin(wiring.view, report, plan, plan.seconds, internal_volts=measured.internal_volts)
            limits = {step.name: (step.value.low, step.value.high) for step in sheet.steps}
            behaviour = check_behaviour(wiring.view, exercise, plan, trace, limits).findings
            if not will_not_do(wiring.findings):
                program += PROGRAM.unexplained(report.findings, behaviour)
    steps: dict[str, str] = {}
    intended: dict[str, str] = {}
    if "log.txt" in texts:
        steps = {s.name: s.verdict for s in compare_log(texts["log.txt"], exercise, sheet).steps}
        meant = expected_sheet(exercise, measured=measured, variant=sheet.variant)
        intended = {s.name: s.verdict for s in compare_log(texts["log.txt"], exercise, meant).steps}
    findings = list(wiring.findings) if wiring else []
    evidence = Evidence(
        wiring=tuple(findings),
        wiring_handed_in=wiring is not None,
        program=tuple(program),
        program_handed_in=source is not None,
        steps=steps,
        intended=intended,
    )
    return evidence, [*findings, *program]
