"""Reads an exercise file: YAML with every complaint at its own line and column."""

from typing import Any

import yaml
from pydantic import ValidationError

from verifex.core.exercise.references import complaints
from verifex.core.exercise.schema import Exercise
from verifex.core.problems import Problem, UnusableInput

Path = tuple[str | int, ...]
LIMIT_BYTES = 256 * 1024
MOST_DEPTH = 30
KEY = "\0key"  # beside a value's mark: where its name stands


def read_exercise(text: str) -> Exercise:
    """The exercise in `text`. Raises UnusableInput with a problem a mistake, each at its line and column."""
    if len(text.encode("utf-8", "replace")) > LIMIT_BYTES:
        raise UnusableInput([Problem(1, 1, "the exercise file is larger than 256 kB")])
    try:
        if trap := _trap(text):
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
    marks: dict[Path, tuple[int, int]] = {}
    problems: list[Problem] = []
    _note_marks(root, (), marks, problems)
    if problems:
        raise UnusableInput(problems)
    try:
        exercise = Exercise.model_validate(yaml.safe_load(text))
    except ValidationError as wrong:
        raise UnusableInput([_located(dict(error), marks) for error in wrong.errors()]) from None
    except (ValueError, yaml.YAMLError) as wrong:
        raise UnusableInput([Problem(1, 1, str(wrong).splitlines()[0])]) from None
    if unknown := complaints(exercise):
        raise UnusableInput([_at(path, message, marks) for path, message in unknown])
    return exercise


def _trap(text: str) -> Problem | None:
    """What makes a short text a huge or endless one: names for a value that is used again, and nesting without end."""
    depth = 0
    for event in yaml.parse(text, Loader=yaml.CSafeLoader):
        mark = event.start_mark
        line, column = (mark.line + 1, mark.column + 1) if mark else (1, 1)
        if isinstance(event, yaml.AliasEvent):
            return Problem(line, column, f"'*{event.anchor}' uses a value by name; write the value out here")
        if isinstance(event, yaml.CollectionStartEvent):
            depth += 1
        elif isinstance(event, yaml.CollectionEndEvent):
            depth -= 1
        if depth > MOST_DEPTH:
            return Problem(line, column, f"this is nested more than {MOST_DEPTH} deep; an exercise is not")
    return None


def _note_marks(node: yaml.Node, path: Path, marks: dict[Path, tuple[int, int]], problems: list[Problem]) -> None:
    marks[path] = (node.start_mark.line + 1, node.start_mark.column + 1)
    if isinstance(node, yaml.MappingNode):
        for key, value in node.value:
            name = str(key.value)
            marks[(*path, name, KEY)] = (key.start_mark.line + 1, key.start_mark.column + 1)
            if (*path, name) in marks:
                problems.append(
                    Problem(key.start_mark.line + 1, key.start_mark.column + 1, f"'{name}' stands here twice")
                )
            _note_marks(value, (*path, name), marks, problems)
    elif isinstance(node, yaml.SequenceNode):
        for index, value in enumerate(node.value):
            _note_marks(value, (*path, index), marks, problems)


def _located(error: dict[str, Any], marks: dict[Path, tuple[int, int]]) -> Problem:
    kinds = {"missing": "is missing", "extra_forbidden": "is not something an exercise can say"}
    message = kinds.get(error["type"]) or str(error["msg"]).removeprefix("Value error, ")
    path = tuple(error["loc"])
    where = marks.get((*path, KEY)) if error["type"] == "extra_forbidden" else None
    return _at(path, message, {**marks, path: where} if where else marks)


def _at(path: Path, message: str, marks: dict[Path, tuple[int, int]]) -> Problem:
    """A problem at the field of that path, else at what holds it."""
    known = path
    while known not in marks:
        known = known[:-1]
    line, column = marks[known]
    name = ".".join(str(step) for step in path) or "the exercise"
    return Problem(line, column, f"{name}: {message}")


def exercise_json_schema() -> dict[str, Any]:
    """The published JSON Schema of the exercise file; `when` is written as text."""
    schema = Exercise.model_json_schema()
    schema["$defs"]["When"] = {"type": "string", "examples": ["U1.celsius over 33 for 2 s", "U1.tag is 04 A2 19 7C"]}
    return schema
