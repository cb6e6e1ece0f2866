"""The program rules. Each file holds one family; importing it enters its rules into the book."""

from verifex.core.program.rules import (  # noqa: F401
    branches,
    budgets,
    comparisons,
    displays,
    endless,
    identity,
    language,
    levels,
    libraries,
    narrow,
    pace,
    pins,
    printing,
    python,
    registers,
    scaling,
    serial,
    statements,
    sums,
    texts,
    tidy,
    variables,
    waiting,
    wording,
)
from verifex.core.program.rules.book import PROGRAM

__all__ = ["PROGRAM"]
