"""The exercise file: what is to be built and shown, validated line by line."""

from verifex.core.exercise.circuit import ResistorJob, Variant
from verifex.core.exercise.plan import Reading, Step, StepValue
from verifex.core.exercise.reader import exercise_json_schema, read_exercise
from verifex.core.exercise.references import asks_for_print, printable
from verifex.core.exercise.schema import MARK_STEP, MARK_STEPS, Criterion, Exercise

__all__ = [
    "MARK_STEP",
    "MARK_STEPS",
    "Criterion",
    "Exercise",
    "Reading",
    "ResistorJob",
    "Step",
    "StepValue",
    "Variant",
    "asks_for_print",
    "exercise_json_schema",
    "printable",
    "read_exercise",
]
