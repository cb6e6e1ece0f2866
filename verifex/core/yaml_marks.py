"""Where each value of a YAML file stands, so that a mistake found in what was read is reported with its line."""

from collections.abc import Collection
from difflib import get_close_matches
from typing import Any

import yaml

from verifex.core.problems import Problem

Path = tuple[str | int, ...]
Marks = dict[Path, tuple[int, int]]  # line and column, from 1, by the path of a value
KEY = "\0key"  # behind a path: where its name stands, not its value


def note_marks(node: yaml.Node, path: Path, marks: Marks, problems: list[Problem]) -> None:
    marks[path] = (node.start_mark.line + 1, node.start_mark.column + 1)
    if isinstance(node, yaml.MappingNode):
        for key, value in node.value:
            name = str(key.value)
            marks[(*path, name, KEY)] = (key.start_mark.line + 1, key.start_mark.column + 1)
            if (*path, name) in marks:
                problems.append(
                    Problem(key.start_mark.line + 1, key.start_mark.column + 1, f"'{name}' stands here twice")
                )
            note_marks(value, (*path, name), marks, problems)
    elif isinstance(node, yaml.SequenceNode):
        for index, value in enumerate(node.value):
            note_marks(value, (*path, index), marks, problems)


def probable_name(path: Path, known: Collection[str]) -> str:
    """The name of a field that was probably intended by the last step of a path; empty for none."""
    own = str(path[-1]) if path else ""
    near = get_close_matches(own, [name for name in known if name != own], n=1, cutoff=0.7) if own else []
    return near[0] if near else ""


def located(error: dict[str, Any], marks: Marks, known: Collection[str] = ()) -> Problem:
    """What a schema refuses, at its place; `known` are the names a field may have, for one that was intended."""
    kinds = {"missing": "is missing", "extra_forbidden": "is not something this file can say"}
    message = kinds.get(error["type"]) or str(error["msg"]).removeprefix("Value error, ")
    path = tuple(error["loc"])
    if error["type"] == "extra_forbidden" and (near := probable_name(path, known)):
        message += f"; '{near}' was probably meant"
    where = marks.get((*path, KEY)) if error["type"] == "extra_forbidden" else None
    return at_path(path, message, {**marks, path: where} if where else marks)


def at_path(path: Path, message: str, marks: Marks) -> Problem:
    """A problem at the field of that path, else at what holds it."""
    known = path
    while known not in marks:
        known = known[:-1]
    line, column = marks[known]
    name = ".".join(str(step) for step in path) or "the file"
    return Problem(line, column, f"{name}: {message}")
