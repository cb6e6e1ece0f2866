"""The program rules. Each file holds one family; importing it enters its rules into the book."""

from verifex.core.program.rules import (  # noqa: F401
    branches,
    budgets,
    identity,
    language,
    levels,
    pace,
    pins,
    python,
    serial,
    sums,
    texts,
    tidy,
)
from verifex.core.program.rules.book import PROGRAM

__all__ = ["PROGRAM"]
