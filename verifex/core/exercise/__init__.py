"""The exercise file: what is to be built and shown, validated line by line."""

from verifex.core.exercise.reader import exercise_json_schema, read_exercise
from verifex.core.exercise.schema import Criterion, Exercise, Step, Variant

__all__ = ["Criterion", "Exercise", "Step", "Variant", "exercise_json_schema", "read_exercise"]
