"""From the stations' records to the evidence that marks are proposed from."""

from collections.abc import Iterable

from verifex.core.assess.records import Assessment, FindingRecord, ProgramRecord
from verifex.core.exercise import Exercise
from verifex.core.findings import Finding
from verifex.core.marking import Evidence


def evidence_of(
    exercise: Exercise,
    assessment: Assessment,
    *,
    final: bool,
    sent_back: Iterable[FindingRecord] = (),
    mended: Iterable[FindingRecord] = (),
    cleared: bool = False,
    overruled: bool = False,
    kit_faults: tuple[str, ...] = (),
    hints_opened: int = 0,
) -> Evidence:
    """Evidence from what was assessed; the rest is what people did. What is missing counts as nothing once it is `final`."""
    wiring, program, readings = assessment.wiring, assessment.program, assessment.readings
    return Evidence(
        wiring=_findings(wiring.findings if wiring else ()),
        sent_back=_findings(sent_back),
        mended=_findings(mended),
        wiring_handed_in=wiring is not None,
        cleared=cleared,
        overruled=overruled,
        program=_findings(program.findings if program else ()),
        program_handed_in=program is not None,
        program_not_judged=_not_judged(exercise, program),
        readings_handed_in=readings is not None,
        resistors=_resistors(exercise, set(wiring.roles.values()) if wiring else set()),
        steps={step.name: step.verdict for step in readings.steps} if readings else {},
        intended=dict(readings.intended) if readings else {},
        follows_program=frozenset(readings.follows_program) if readings else frozenset(),
        predictions=_predictions(exercise, assessment),
        prediction_unchecked=bool(assessment.prediction and assessment.prediction.overrun),
        kit_faults=kit_faults,
        hints_opened=hints_opened,
        hints_cost=exercise.hints.marks(hints_opened),
        final=final,
    )


def _not_judged(exercise: Exercise, program: ProgramRecord | None) -> str:
    """Why the run of a program was not judged; empty where it was, and where it does not compile (which is judged)."""
    return program.not_run if program is not None and program.compiles and exercise.program else ""


def _findings(records: Iterable[FindingRecord]) -> tuple[Finding, ...]:
    return tuple(record.finding() for record in records)


def _resistors(exercise: Exercise, there: set[str]) -> dict[str, bool]:
    """Each resistor that has a job in the exercise, by title, and whether it is on the bench."""
    titles = {part.ref: part.title for part in exercise.recipe}
    return {
        f"{job.ref}, {titles[job.ref]}" if titles.get(job.ref) else job.ref: job.ref in there
        for job in exercise.resistor_jobs
    }


def _predictions(exercise: Exercise, assessment: Assessment) -> dict[str, str]:
    rows = assessment.prediction.predictions if assessment.prediction else ()
    several = len(exercise.readings) > 1
    return {f"{row.step}, {row.reading}" if several else row.step: row.verdict for row in rows}
