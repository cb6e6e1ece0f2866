"""The readings station: the log against the sheet of the pair's own bench, what explains a misfit, and a second look."""

import numpy as np

from verifex.core.assess.program import assess_program
from verifex.core.assess.records import (
    ExplanationRecord,
    FindingRecord,
    ProgramRecord,
    ReadingsRecord,
    SharedRun,
    StepRecord,
)
from verifex.core.assess.workbench import Workbench
from verifex.core.exercise import Exercise
from verifex.core.expected import Sheet
from verifex.core.problems import UnusableInput
from verifex.core.program import ProgramReport
from verifex.core.readings import ReadingsReport, judge_log, read_log
from verifex.core.readings.diagnosis import Explanation, program_rules_of
from verifex.core.readings.grid import printable_values
from verifex.core.readings.honesty import run_hashes, shared_runs
from verifex.core.readings.log.states import NOTHING_TOLD, Told, is_state, told_by


def assess_readings(bench: Workbench) -> ReadingsRecord | None:
    """A log that cannot be judged is still a log that was handed in: its record says what it is."""
    case = bench.case
    if case.log is None:
        return None
    program = _program(bench)
    try:
        log = read_log(case.log, case.exercise, bench.built, _told_by(program, case.exercise))
    except UnusableInput as wrong:
        said = tuple(_sentence(problem.message) for problem in wrong.problems)
        return ReadingsRecord(notes=said, log_notes=said)
    report = judge_log(log, case.exercise, bench.built, grid=_grid(bench), others=case.others)
    intended = judge_log(log, case.exercise, bench.intended)
    values = [value for step in log.steps for value in step.values]
    return ReadingsRecord(
        findings=tuple(FindingRecord.of(found) for found in report.honesty),
        steps=tuple(StepRecord.model_validate(step.as_json()) for step in report.steps),
        verdict=report.verdict,
        diagnosis=tuple(_explained(explanation, program) for explanation in report.diagnosis),
        notes=report.notes,
        log_notes=report.log_notes,
        intended={step.name: step.verdict for step in intended.steps},
        follows_program=tuple(_follows_program(report, bench.built, program)),
        shared=tuple(SharedRun(other=ref, readings=length) for ref, length in shared_runs(values, case.others)),
        runs=tuple(run_hashes(values)),
        read=len(values),
    )


def _sentence(message: str) -> str:
    return f"{message[:1].upper()}{message[1:].rstrip('.')}."


def _program(bench: Workbench) -> ProgramRecord | None:
    try:
        return assess_program(bench)
    except UnusableInput:
        return None


def _told_by(program: ProgramRecord | None, exercise: Exercise) -> Told:
    """What the lines of the pair's own program say of a state, from its run on the twin."""
    states = [reading for reading in exercise.readings if is_state(exercise, reading)]
    if program is None or not program.trace or not program.behaviour or len(states) != 1:
        return NOTHING_TOLD
    key = (states[0].ref, states[0].quantity)
    outcomes = {outcome["name"]: outcome for outcome in program.behaviour["outcomes"]}
    output = exercise.sensed(*key)
    spans = [
        (
            outcomes[step.name]["start_ms"],
            outcomes[step.name]["end_ms"],
            int(output.state(np.asarray(given.value), {}, {})),
        )
        for step in exercise.steps
        if output is not None and step.name in outcomes and (given := step.value_of(*key))
    ]
    return told_by(program.trace["lines"], spans)


def _grid(bench: Workbench) -> list[str] | None:
    """Every line the pair's program can print, where that can be said."""
    try:
        report: ProgramReport | None = bench.program
    except UnusableInput:
        return None
    return printable_values(report) if report else None


def _explained(explanation: Explanation, program: ProgramRecord | None) -> ExplanationRecord:
    """With what the program check says of the very same fault, where it found that."""
    rules = program_rules_of(explanation.fault)
    found = next((f for f in program.findings if f.rule in rules), None) if program else None
    if found is None:
        return ExplanationRecord(**explanation.as_json())
    return ExplanationRecord(**explanation.as_json(), program_says=found.seen, program_line=found.where.line)


def _follows_program(report: ReadingsReport, sheet: Sheet, program: ProgramRecord | None) -> list[str]:
    """Steps whose centre is what the twin of the program handed in printed there, within the sheet's width."""
    outcomes = program.behaviour["outcomes"] if program and program.behaviour else []
    printed = {outcome["name"]: outcome["printed"] for outcome in outcomes}
    follows = []
    for step in report.steps:
        expected, said = sheet.step(step.name), printed.get(step.name)
        if expected is None or said is None or step.centre is None:
            continue
        if any(reading.verdict == "out" for reading in step.readings[1:]):
            continue  # what the program is known to print is the first reading only
        if abs(step.centre - said) <= (expected.value.high - expected.value.low) / 2:
            follows.append(step.name)
    return follows
