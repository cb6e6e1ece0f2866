"""`verifex readings check` and `verifex mark`."""

from argparse import Namespace
from collections.abc import Iterator
from pathlib import Path
from typing import Any

from verifex.core.assess import Case, ReadingsRecord, Workbench, assess, assess_station, evidence_of
from verifex.core.cli.files import bench_text, text_of, the_exercise
from verifex.core.cli.output import exit_code, print_findings, print_json
from verifex.core.cli.unusable import CannotUse
from verifex.core.cli.values import handed_out_of, measured_of
from verifex.core.exercise import Exercise
from verifex.core.marking import propose
from verifex.core.problems import UnusableInput
from verifex.core.readings import read_log
from verifex.core.readings.honesty import OtherLog

PROGRAMS = ("program.cpp", "program.py")  # either of them


def case_of(arguments: Namespace, exercise: Exercise, **hand_ins: Any) -> Case:
    """The case of a command's options and hand-ins. Raises CannotUse for a value that is none."""
    return Case(exercise, measured=measured_of(arguments), handed_out=handed_out_of(arguments), **hand_ins)


def other_logs(folder: str, exercise: Exercise, but: str) -> Iterator[OtherLog]:
    """The logs in a folder, by file name; what is no log is passed over, and so is the one that is judged."""
    path = Path(folder)
    if not path.is_dir():
        raise CannotUse(f"{folder}:1:1: there is no such folder")
    for file in sorted(p for p in path.iterdir() if p.is_file() and p.resolve() != Path(but).resolve()):
        try:
            log = read_log(text_of(str(file)), exercise)
        except (UnusableInput, CannotUse):
            continue
        yield OtherLog.of(file.name, [value for step in log.steps for value in step.values])


def check_log(arguments: Namespace) -> int:
    exercise = the_exercise(arguments.exercise)
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
    exercise = the_exercise(arguments.exercise)
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
    proposal = propose(exercise.criteria, evidence_of(exercise, assessment, final=True), step=exercise.mark_step)
    if arguments.json:
        print_json(proposal.as_json())
    else:
        print(proposal.feedback())
    found = [*(assessment.wiring.findings if assessment.wiring else ()),
             *(assessment.program.findings if assessment.program else ())]  # fmt: skip
    return exit_code([finding.finding() for finding in found])
