"""The readings station: the log against the sheet of the pair's own bench, what explains a misfit, and a second look."""

from collections.abc import Iterator, Sequence

import numpy as np

from verifex.core.assess.case import Case
from verifex.core.assess.program import assess_program
from verifex.core.assess.records import (
    ActRecord,
    BeginRecord,
    ColumnRecord,
    ExplanationRecord,
    FindingRecord,
    ProgramRecord,
    ReadingsRecord,
    SharedRun,
    StepRecord,
)
from verifex.core.assess.workbench import Workbench
from verifex.core.diagnosis import (
    TAG,
    Act,
    Candidate,
    Diagnosis,
    Explanation,
    diagnose,
    explanations,
    program_rules_of,
    steps_with_a_fault,
    with_results,
)
from verifex.core.exercise import Exercise
from verifex.core.expected import Sheet
from verifex.core.expected.measured import BEGIN, TELL, digest
from verifex.core.problems import UnusableInput
from verifex.core.readings import Log, ReadingsReport, judge_log, read_log
from verifex.core.readings.honesty import Pace, run_hashes, shared_runs
from verifex.core.readings.log.states import NO_STATE_LINES, StateLines, is_state, state_lines
from verifex.core.readings.times import log_interval_ms, program_interval_ms


def assess_readings(bench: Workbench) -> ReadingsRecord | None:
    """A log that cannot be judged is still a log that was handed in: its record says what it is."""
    case = bench.case
    if case.log is None:
        return None
    program = _program(bench)
    try:
        log = read_log(
            case.log, case.exercise, bench.built, _state_lines(program, case.exercise), case.measured.columns,
            case.measured.begins_in(case.log), _silent_steps(program, case.exercise),
        )  # fmt: skip
    except UnusableInput as wrong:
        said = tuple(_sentence(problem.message) for problem in wrong.problems)
        return ReadingsRecord(notes=said, log_notes=said)
    log = _with_steps(bench, log)
    pace = _pace(case.log, log, program)
    report = judge_log(log, case.exercise, bench.built, grid=bench.printable_lines, others=case.others, pace=pace)
    diagnosis = diagnosis_of(bench, log, report)
    acts: list[ActRecord] = []
    if diagnosis is not None:
        diagnosis, acts = _guided(diagnosis, case)
    intended = judge_log(log, case.exercise, bench.intended)
    values = [value for step in log.steps for value in step.values]
    return ReadingsRecord(
        findings=tuple(FindingRecord.of(found) for found in report.honesty),
        steps=tuple(StepRecord.model_validate(step.as_json()) for step in report.steps),
        verdict=report.verdict,
        diagnosis=tuple(_explained(one, program) for one in explanations(diagnosis)) if diagnosis else (),
        acts=tuple(acts),
        columns=tuple(_columns(log)),
        begins=tuple(_begins(log, case)),
        drawn=tuple(_drawn(log)),
        notes=report.notes,
        log_notes=report.log_notes,
        intended={step.name: step.verdict for step in intended.steps},
        follows_program=tuple(_follows_program(report, bench.built, program)),
        shared=tuple(SharedRun(other=ref, readings=length) for ref, length in shared_runs(values, case.others)),
        runs=tuple(run_hashes(values)),
        read=len(values),
    )


def _pace(text: str, log: Log, program: ProgramRecord | None) -> Pace:
    """How often readings came, by the times in the log and by the program's run."""
    lines = sorted(line for step in log.steps for line in step.lines)
    printed = program.trace["lines"] if program and program.trace else []
    return Pace(log_interval_ms(text, lines), program_interval_ms(printed, text, lines))


def _columns(log: Log) -> Iterator[ColumnRecord]:
    taken = {id(choice.column): (position, choice) for position, choice in enumerate(log.choices) if choice}
    for column in log.columns[:MOST_COLUMNS]:
        position, choice = taken.get(id(column), (None, None))
        yield ColumnRecord(
            key=column.key, title=column.title, values=tuple(column.values[:FEW_VALUES]), taken_for=position,
            because=choice.because if choice else "",
        )  # fmt: skip


MOST_COLUMNS, FEW_VALUES, MOST_DRAWN = 20, 4, 600


def _begins(log: Log, case: Case) -> Iterator[BeginRecord]:
    first = {
        step.index: min(lines) for step in reversed(log.steps) if (lines := [n for c in step.column_lines for n in c])
    }
    for index, step in enumerate(case.exercise.steps):
        name = f"{BEGIN}{digest(case.log or '')}:{index}"
        yield BeginRecord(step=step.name, name=name, line=first.get(index), is_moved=index in log.moved)


def _drawn(log: Log) -> list[tuple[int, float]]:
    column = log.choices[0].column if log.choices and log.choices[0] else None
    if column is None:
        return []
    every = -(-len(column.lines) // MOST_DRAWN)
    return list(zip(column.lines[::every], column.values[::every], strict=True))


def _sentence(message: str) -> str:
    return f"{message[:1].upper()}{message[1:].rstrip('.')}."


def _program(bench: Workbench) -> ProgramRecord | None:
    try:
        return assess_program(bench)
    except UnusableInput:
        return None


def _state_lines(program: ProgramRecord | None, exercise: Exercise) -> StateLines:
    """What the lines of the pair's own program say of a state, from its run on the twin."""
    states = [reading for reading in exercise.readings if is_state(exercise, reading)]
    if program is None or not program.trace or not program.behaviour or len(states) != 1:
        return NO_STATE_LINES
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
    return state_lines(program.trace["lines"], spans)


def _silent_steps(program: ProgramRecord | None, exercise: Exercise) -> list[int]:
    """The places of steps in which the pair's own program prints nothing on the twin, where it prints in others."""
    if program is None or not program.trace or not program.behaviour:
        return []
    outcomes = {outcome["name"]: outcome for outcome in program.behaviour["outcomes"]}
    spans = {
        index: (outcomes[step.name]["start_ms"], outcomes[step.name]["end_ms"])
        for index, step in enumerate(exercise.steps)
        if step.name in outcomes
    }
    printed = [ms for ms, _ in program.trace["lines"]]
    silent = [index for index, (start, end) in spans.items() if not any(start <= ms < end for ms in printed)]
    return silent if len(silent) < len(spans) else []


def diagnosis_of(bench: Workbench, log: Log, report: ReadingsReport) -> Diagnosis | None:
    """What explains the log, where a step lies outside its limits or gives no number at all."""
    failed = any(step.not_numbers and not step.values for step in log.steps)
    silent = any(step.ids == [] and _tag_is_due(bench.case.exercise, step.index) for step in log.steps)
    if not failed and not silent and all(step.verdict != "out" for step in report.steps):
        return None
    return diagnose(bench.suspects, log)


def _with_steps(bench: Workbench, log: Log) -> Log:
    """A log without steps with those that a fault would print, where one explains it."""
    if log.steps or not bench.built.chains or not log.unmarked:
        return log
    return steps_with_a_fault(bench.suspects, log) or log


def _tag_is_due(exercise: Exercise, index: int | None) -> bool:
    return index is not None and any(value.quantity == TAG and value.text for value in exercise.steps[index].values())


def _guided(diagnosis: Diagnosis, case: Case) -> tuple[Diagnosis, list[ActRecord]]:
    """The diagnosis after what was done at the bench for this very log, and what to do next."""
    own = f"{digest(case.log or '')}:"
    results = {name.removeprefix(own): value for name, value in case.measured.told.items() if name.startswith(own)}
    guided = with_results(diagnosis, results)
    done = [(act, results[act.slug]) for act in guided.done]
    rows: list[tuple[Act, float | None]] = [*done, *((act, None) for act in guided.next)]
    return guided.diagnosis, [_act(act, f"{TELL}{own}{act.slug}", result, guided.candidates) for act, result in rows]


def _act(act: Act, name: str, result: float | None, candidates: Sequence[Candidate]) -> ActRecord:
    shows = [(candidates[index].fault.title, act.describe(outcome)) for index, outcome in act.outcomes.items()]
    return ActRecord(
        name=name, kind=act.kind, text=act.text, unit=act.unit, choices=act.choices, seconds=act.seconds, range=act.range,
        places=act.places, shows=tuple(shows[:MOST_SHOWN]), result=result,
    )  # fmt: skip


MOST_SHOWN = 6  # faults whose result is reported with an act


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
