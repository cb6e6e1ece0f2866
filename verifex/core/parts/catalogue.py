"""Reads the data files beside this module into one checked catalogue."""

from collections.abc import Mapping
from dataclasses import dataclass, field
from functools import cache
from importlib import resources
from typing import Any

import yaml
from pydantic import ValidationError

from verifex.core.parts.board import Board
from verifex.core.parts.part import PartType
from verifex.core.parts.way import Way
from verifex.core.problems import Problem, UnusableInput


@dataclass(frozen=True, slots=True)
class Catalogue:
    """Boards, part types and ways of making a stimulus by id."""

    boards: dict[str, Board]
    parts: dict[str, PartType]
    ways: dict[str, Way] = field(default_factory=dict)

    def near(self, wrong: str) -> list[str]:
        """Ids that `wrong` may be intended as, best first."""
        from difflib import get_close_matches

        return get_close_matches(wrong, [*self.parts, *self.boards], n=2, cutoff=0.6)


def _entries(folder: str) -> dict[str, dict[str, Any]]:
    """All entries of the YAML files in `folder`; an id in two files is a mistake of ours."""
    entries: dict[str, dict[str, Any]] = {}
    for file in sorted(resources.files("verifex.core.parts").joinpath("data", folder).iterdir(), key=lambda f: f.name):
        if not file.name.endswith(".yaml"):
            continue
        for key, body in yaml.load(file.read_text("utf-8"), Loader=yaml.CSafeLoader).items():
            if key in entries:
                raise ValueError(f"{key} stands in two catalogue files")
            entries[key] = {"id": key, **body}
    return entries


@cache
def catalogue() -> Catalogue:
    """The shipped catalogue. Raises ValidationError when a data file breaks its schema."""
    return Catalogue(
        boards={key: Board.model_validate(body) for key, body in _entries("boards").items()},
        parts={key: PartType.model_validate(body) for key, body in _entries("parts").items()},
        ways={key: Way.model_validate(body) for key, body in _entries("ways").items()},
    )


def with_entries(text: str, part_types: Catalogue | None = None) -> Catalogue:
    """A catalogue with the part entries of a data file added, or put in place of those of the same id.

    This is how a user's own module, or another figure for a batch, comes in. Raises UnusableInput naming the
    entry and the field that cannot be.
    """
    part_types = part_types or catalogue()
    try:
        entries = yaml.load(text, Loader=yaml.CSafeLoader)
    except yaml.MarkedYAMLError as wrong:
        mark = wrong.problem_mark
        at = (mark.line + 1, mark.column + 1) if mark else (1, 1)
        raise UnusableInput([Problem(*at, f"this is no YAML here: {wrong.problem}")]) from None
    if not isinstance(entries, Mapping):
        raise UnusableInput([Problem(1, 1, "a parts file is a list of 'id: {…}' entries; none was found")])
    added: dict[str, PartType] = {}
    for key, body in entries.items():
        line = _line_of(text, str(key))
        if not isinstance(body, Mapping):
            raise UnusableInput([Problem(line, 1, f"{key}: an entry is a list of 'field: value' lines")])
        try:
            added[str(key)] = PartType.model_validate({"id": str(key), **body})
        except ValidationError as wrong:
            first = wrong.errors()[0]
            field = ".".join(str(step) for step in first["loc"])
            raise UnusableInput([Problem(line, 1, f"{key}: {field}: {first['msg']}")]) from None
    return Catalogue(part_types.boards, {**part_types.parts, **added}, part_types.ways)


def _line_of(text: str, key: str) -> int:
    return next((n for n, line in enumerate(text.splitlines(), 1) if line.startswith(key)), 1)
