"""Reads an exercise file: YAML with every complaint at its own line and column."""

from typing import Any

import yaml
from pydantic import ValidationError

from verifex.core.exercise.references import complaints
from verifex.core.exercise.schema import Exercise
from verifex.core.problems import Problem, UnusableInput
from verifex.core.yaml_marks import Marks, at_path, located, note_marks
from verifex.core.yaml_traps import trap_in

LIMIT_BYTES = 256 * 1024


def read_exercise(text: str) -> Exercise:
    """The exercise in `text`. Raises UnusableInput with a problem a mistake, each at its line and column."""
    if len(text.encode("utf-8", "replace")) > LIMIT_BYTES:
        raise UnusableInput([Problem(1, 1, "the exercise file is larger than 256 kB")])
    try:
        if trap := trap_in(text):
            raise UnusableInput([trap])
        root = yaml.compose(text, Loader=yaml.SafeLoader)
    except yaml.MarkedYAMLError as wrong:
        mark = wrong.problem_mark
        line, column = (mark.line + 1, mark.column + 1) if mark else (1, 1)
        raise UnusableInput([Problem(line, column, f"this is no YAML here: {wrong.problem}")]) from None
    except yaml.YAMLError as wrong:
        raise UnusableInput([Problem(1, 1, f"this is no YAML: {wrong}".splitlines()[0])]) from None
    if not isinstance(root, yaml.MappingNode):
        raise UnusableInput([Problem(1, 1, "an exercise is a list of 'name: value' lines; none was found")])
    marks: Marks = {}
    problems: list[Problem] = []
    note_marks(root, (), marks, problems)
    if problems:
        raise UnusableInput(problems)
    try:
        exercise = Exercise.model_validate(yaml.safe_load(text))
    except ValidationError as wrong:
        raise UnusableInput([located(dict(error), marks) for error in wrong.errors()]) from None
    except (ValueError, yaml.YAMLError) as wrong:
        raise UnusableInput([Problem(1, 1, str(wrong).splitlines()[0])]) from None
    if unknown := complaints(exercise):
        raise UnusableInput([at_path(path, message, marks) for path, message in unknown])
    return exercise


def exercise_json_schema() -> dict[str, Any]:
    """The published JSON Schema of the exercise file; `when` is written as text."""
    schema = Exercise.model_json_schema()
    schema["$defs"]["When"] = {"type": "string", "examples": ["U1.celsius over 33 for 2 s", "U1.tag is 04 A2 19 7C"]}
    return schema
