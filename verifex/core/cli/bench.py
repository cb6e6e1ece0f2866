"""`verifex expected`, `verifex readings check`, `verifex mark`."""

from argparse import Namespace
from pathlib import Path
from typing import Any

from verifex.core.assess import ReadingsRecord, Workbench, assess, assess_station, evidence_of
from verifex.core.cli.case import case_of, other_logs, takes_bench_values
from verifex.core.cli.files import exercise_of, text_of
from verifex.core.cli.output import exit_code, print_findings, print_json
from verifex.core.cli.unusable import CannotUse
from verifex.core.cli.wiring import bench_text
from verifex.core.exercise import Exercise
from verifex.core.expected import Sheet, expected_sheet, sheet_json
from verifex.core.expected.thresholds import suggest_threshold
from verifex.core.marking import propose
from verifex.core.readings import read_log

PROGRAMS = ("program.cpp", "program.py")  # either of them


def add_commands(commands: Any) -> None:
    expected = commands.add_parser("expected", help="what a bench should read")
    expected.add_argument("exercise")
    expected.add_argument("--wiring")
    expected.add_argument("--board", help="the reference bench on this board, where no wiring is given")
    expected.add_argument("--variant", help="how the sensor is fed, where no wiring is given")
    takes_bench_values(expected)
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
    check.add_argument("--others", metavar="FOLDER", help="other pairs' logs, to look for the same readings")
    takes_bench_values(check)
    check.add_argument("--json", action="store_true")
    check.set_defaults(act=check_log)
    mark = commands.add_parser("mark", help="propose a mark for a folder with wiring.bench, program.cpp, log.txt")
    mark.add_argument("folder")
    mark.add_argument("--exercise", required=True)
    takes_bench_values(mark)
    mark.add_argument("--json", action="store_true")
    mark.set_defaults(act=mark_folder)


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
    case = case_of(arguments, exercise, wiring=wiring)
    sheet = expected_sheet(
        exercise,
        wiring,
        measured=case.measured,
        handed_out=case.handed_out,
        board=arguments.board,
        variant=variant,
    )
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
    case = case_of(
        arguments,
        exercise,
        wiring=bench_text(arguments.wiring) if arguments.wiring else None,
        program=text_of(arguments.program) if arguments.program else None,
        log=text_of(arguments.file),
        others=tuple(other_logs(arguments.others, exercise, but=arguments.file)) if arguments.others else (),
    )
    read_log(case.log or "", exercise)  # what cannot be used at all ends here, with its place
    record = assess_station(case, "readings")
    assert isinstance(record, ReadingsRecord)
    if arguments.json:
        print_json(_readings_json(record))
    else:
        _print_readings(record, Workbench(case).built.unit)
    return 0 if record.verdict == "in-limits" else 1


def _readings_json(record: ReadingsRecord) -> dict[str, Any]:
    """The record under the contract's names."""
    keys = ("verdict", "diagnosis", "notes", "intended", "follows_program", "shared")
    plain = record.model_dump(mode="json", exclude_none=True)
    return {
        "steps": [step.model_dump(mode="json") for step in record.steps],
        **{key: plain[key] for key in keys},
        "honesty": [finding.finding().as_json() for finding in record.findings],
    }


def _print_readings(record: ReadingsRecord, unit: str) -> None:
    for step in record.steps:
        centre = f"{step.centre:8.2f} {unit}" if step.centre is not None else " " * 11
        print(f"{step.name:20} {centre}   {step.readings:3} readings   {step.verdict.replace('-', ' ')}")
    for explanation in record.diagnosis:
        at = f" (line {explanation.program_line})" if explanation.program_line else ""
        said = f" The program check found it{at}: {explanation.program_says}" if explanation.program_says else ""
        print(f"{explanation.likelihood:10} {explanation.title}. {said or explanation.look_at}")
    for note in record.notes:
        print(note)
    print_findings([finding.finding() for finding in record.findings])


def mark_folder(arguments: Namespace) -> int:
    exercise = _exercise(arguments.exercise)
    folder = Path(arguments.folder)
    if not folder.is_dir():
        raise CannotUse(f"{folder}:1:1: there is no such folder")
    texts = {
        name: text_of(str(folder / name))
        for name in ("wiring.bench", *PROGRAMS, "log.txt", "prediction.csv")
        if (folder / name).exists()
    }
    if all(name in texts for name in PROGRAMS):
        raise CannotUse(f"{folder}:1:1: {' and '.join(PROGRAMS)} are both there; one program was expected")
    case = case_of(
        arguments,
        exercise,
        wiring=texts.get("wiring.bench"),
        program=next((texts[name] for name in PROGRAMS if name in texts), None),
        log=texts.get("log.txt"),
        prediction=texts.get("prediction.csv"),
    )
    assessment = assess(case)
    proposal = propose(exercise.criteria, evidence_of(exercise, assessment, final=True))
    if arguments.json:
        print_json(proposal.as_json())
    else:
        print(proposal.feedback())
    found = [*(assessment.wiring.findings if assessment.wiring else ()),
             *(assessment.program.findings if assessment.program else ())]  # fmt: skip
    return exit_code([finding.finding() for finding in found])
