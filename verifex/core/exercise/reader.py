"""Reads an exercise file: YAML with every complaint at its own line and column."""

from collections.abc import Sequence
from functools import cache
from typing import Any

import yaml
from pydantic import ValidationError

from verifex.core.exercise.references import complaints
from verifex.core.exercise.schema import Exercise
from verifex.core.problems import Problem, UnusableInput
from verifex.core.yaml_marks import Marks, at_path, located, note_marks, probable_name
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
        raise UnusableInput(_all_of(wrong, marks, text)) from None
    except (ValueError, yaml.YAMLError) as wrong:
        raise UnusableInput([Problem(1, 1, str(wrong).splitlines()[0])]) from None
    if unknown := complaints(exercise):
        raise UnusableInput([at_path(path, message, marks) for path, message in unknown])
    return exercise.model_copy(update={"behaviour": [one for written in exercise.behaviour for one in written.plain()]})


def _all_of(wrong: ValidationError, marks: Marks, text: str) -> list[Problem]:
    """Everything the schema refuses, and what is wrong besides in all that it takes: one look at the file is enough."""
    names = _names_of_fields()
    errors: list[dict[str, Any]] = [dict(error) for error in wrong.errors()]
    read, meant = yaml.safe_load(text), set()
    for error in errors:
        path = tuple(error["loc"])
        near = probable_name(path, names) if error["type"] == "extra_forbidden" else ""
        holder = _at(read, path[:-1])
        if isinstance(holder, dict) and path:
            value = holder.pop(path[-1], None)
            if near and near not in holder:
                holder[near] = value
                meant.add((*path[:-1], near))
    # A name that is missing because it is misspelt is reported once, where it is.
    told = [error for error in errors if error["type"] != "missing" or tuple(error["loc"]) not in meant]
    problems = [located(error, marks, names) for error in told]
    try:
        problems += [at_path(path, message, marks) for path, message in complaints(Exercise.model_validate(read))]
    except (ValidationError, KeyError, ValueError):
        return problems  # what is left is no exercise
    return sorted(problems, key=lambda one: (one.line, one.column))


def _at(read: Any, path: Sequence[str | int]) -> Any:
    """What stands at a path; None where nothing does."""
    for step in path:
        if isinstance(read, dict):
            read = read.get(step)
        elif isinstance(read, list) and isinstance(step, int) and step < len(read):
            read = read[step]
        else:
            return None
    return read


@cache
def _names_of_fields() -> frozenset[str]:
    """Every name that a field of an exercise file may have."""
    schema = Exercise.model_json_schema()
    models = [schema, *schema.get("$defs", {}).values()]
    return frozenset(name for model in models for name in model.get("properties", {}))


def exercise_json_schema() -> dict[str, Any]:
    """The published JSON Schema of the exercise file; `when` is written as text."""
    schema = Exercise.model_json_schema()
    schema["$defs"]["When"] = {
        "type": "string",
        "examples": ["U1.celsius over 33 for 2 s", "U1.celsius between 20 and 30", "U1.tag is 04 A2 19 7C"],
    }
    return schema
