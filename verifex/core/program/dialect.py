"""Which dialect a program is written in."""

import re
from typing import Literal

from verifex.core.parts import Board

Dialect = Literal["cpp", "python"]
TITLES: dict[Dialect, str] = {"cpp": "the setup() and loop() dialect of C++", "python": "Python"}

_CPP = re.compile(
    r"^\s*(?:#\s*(?:include|define)\b|(?:void|int|float|bool|const|byte|unsigned|long|String)\s+\w+\s*[(=;]|.*[;{]\s*(?://.*)?$|\}\s*$)"
)
_PYTHON = re.compile(
    r"^\s*(?:from\s+[\w.]+\s+import\b|import\s+[\w.]+|def\s+\w+.*:|(?:if|elif|while|for|else|try|except|with|class)\b.*:\s*(?:#.*)?$|print\s*\()"
)


def dialect_of(source: str) -> Dialect | None:
    """What most lines look like; None when they say nothing."""
    lines = source.splitlines()
    cpp = sum(1 for line in lines if _CPP.match(line))
    python = sum(1 for line in lines if _PYTHON.match(line))
    if cpp == python:
        return None
    return "cpp" if cpp > python else "python"


def read_as(source: str, board: Board) -> Dialect:
    """The dialect a program for a board is read in: its own where the board takes both."""
    languages = board.languages
    if len(languages) == 1:
        return languages[0]
    return dialect_of(source) or languages[0]
