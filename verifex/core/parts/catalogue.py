"""Reads the data files beside this module into one checked catalogue."""

from dataclasses import dataclass
from functools import cache
from importlib import resources
from typing import Any

import yaml

from verifex.core.parts.schema import Board, PartType


@dataclass(frozen=True, slots=True)
class Catalogue:
    """Boards and part types by id."""

    boards: dict[str, Board]
    parts: dict[str, PartType]

    def near(self, wrong: str) -> list[str]:
        """Ids that `wrong` may have been meant as, best first."""
        from difflib import get_close_matches

        return get_close_matches(wrong, [*self.parts, *self.boards], n=2, cutoff=0.6)


def _entries(folder: str) -> dict[str, dict[str, Any]]:
    """All entries of the YAML files in `folder`; an id in two files is a mistake of ours."""
    entries: dict[str, dict[str, Any]] = {}
    for file in sorted(resources.files("verifex.core.parts").joinpath("data", folder).iterdir(), key=lambda f: f.name):
        if not file.name.endswith(".yaml"):
            continue
        for key, body in yaml.safe_load(file.read_text("utf-8")).items():
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
    )
