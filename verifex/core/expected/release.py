"""What keeps an exercise from being released: its own bench, its sheet, its plan."""

from dataclasses import dataclass

from verifex.core.circuit import check_wiring
from verifex.core.exercise import Exercise
from verifex.core.exercise.settling import least_dwell_seconds, settle_seconds
from verifex.core.expected.indicators import EITHER
from verifex.core.expected.making import expected_sheet
from verifex.core.expected.measured import Measured
from verifex.core.expected.sheet import Sheet
from verifex.core.findings import has_errors
from verifex.core.parts import Board, catalogue
from verifex.core.problems import UnusableInput


@dataclass(frozen=True, slots=True)
class Obstacle:
    """One thing in the way of a release: where (the board it is about, or empty) and what, in words.

    What only `warns` is for the instructor to weigh.
    """

    about: str
    message: str
    warns: bool = False


def release_obstacles(exercise: Exercise) -> list[Obstacle]:
    """Everything that keeps `exercise` from being released, worst first; only warnings when it may be."""
    found: list[Obstacle] = []
    if not exercise.references:
        found.append(
            Obstacle("", "It has no reference bench, so neither its wiring nor its sheet can be checked. Add one.")
        )
    if exercise.board not in exercise.references and exercise.references:
        found.append(Obstacle("", f"There is no reference bench for its own board, {exercise.board}."))
    for board, text in exercise.references.items():
        found += _bench(exercise, board, text)
        found += _sheet(exercise, board)
    found += [
        Obstacle("", f"“{step.name}” says neither how it is done nor names a way.", True)
        for step in exercise.steps
        if not (step.how or step.way)
    ]
    found += _held_too_short(exercise)
    return sorted(found, key=lambda o: o.warns)


def _held_too_short(exercise: Exercise) -> list[Obstacle]:
    """Steps that end before module and program can have settled: with no moment to judge them in, or hardly one."""
    found = []
    for index, step in enumerate(exercise.steps):
        settles, needed = settle_seconds(exercise, index), least_dwell_seconds(exercise, index)
        if step.dwell_seconds >= needed:
            continue
        leaves = "leaves no moment to judge it in" if step.dwell_seconds <= settles else "leaves hardly a moment"
        message = (
            f"“{step.name}” is held {step.dwell_seconds:g} s, but what was before it can last {settles:g} s longer by itself:"
            f" that {leaves}. Hold it {needed:g} s at least."
        )
        found.append(Obstacle("", message, warns=step.dwell_seconds > settles))
    return found


def as_measured(board: Board) -> Measured:
    """The values every pair measures before readings count, at their nominal values: the sheet's limits on lab day."""
    return Measured(
        rail_volts=board.rail_volts,
        internal_volts=board.internal_reference_volts[1] if board.internal_reference_volts else None,
    )


def _bench(exercise: Exercise, board: str, text: str) -> list[Obstacle]:
    report = check_wiring(text, exercise=exercise)
    found = [Obstacle(board, f"The reference bench cannot be read: {problem}") for problem in report.bench.problems]
    on = report.bench.board.id if report.bench.board else "no board"
    if on != board:
        found.append(Obstacle(board, f"The reference bench for {board} stands on {on}."))
    for finding in report.findings:
        if not has_errors([finding]):
            continue
        found.append(Obstacle(board, f"Its own wiring check says {finding.severity.value}: {finding.seen}"))
    return found


def _sheet(exercise: Exercise, board: str) -> list[Obstacle]:
    try:
        sheet = expected_sheet(exercise, board=board, measured=as_measured(catalogue().boards[board]))
    except UnusableInput as wrong:
        return [Obstacle(board, f"There is no expected sheet: {wrong.problems[0].message}")]
    if sheet.reason:
        return [Obstacle(board, f"There is no expected sheet: {sheet.reason}")]
    missing = [step.name for step in exercise.steps if sheet.step(step.name) is None]
    found = [Obstacle(board, f"“{name}” has nothing to read.") for name in missing]
    found += [Obstacle(board, message) for message in unclear_thresholds(exercise, sheet)]
    for step in sheet.steps:
        if step.waits_seconds > step.dwell_seconds:
            message = f"“{step.name}” is held {step.dwell_seconds:g} s, the sensor needs {step.waits_seconds:.0f} s to settle."
            found.append(Obstacle(board, message, True))
    return found


def unclear_thresholds(exercise: Exercise, sheet: Sheet) -> list[str]:
    """For each behaviour statement without a step clear of its threshold on each side, what is missing, in words."""
    said = []
    for statement in exercise.behaviour:
        outputs = statement.outputs
        for side, word in ((True, "where it holds"), (False, "where it does not")):
            steps = [
                step
                for step, own in ((s, exercise.steps[i]) for i, s in enumerate(sheet.steps))
                if (value := own.value_of(statement.when.ref, statement.when.quantity))
                and statement.when.holds(value.value, value.text) is side
                and all(step.indicators.get(o) != EITHER for o in outputs if o in step.indicators)
            ]
            if not steps:
                said.append(
                    f"The plan has no step clear of “{statement.when}” {word}: the limits straddle the threshold, "
                    "so the output could not be judged. Add a step farther from it."
                )
    return said
