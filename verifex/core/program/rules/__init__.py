"""The program rules. Each file holds one family; importing it enters its rules into the book."""

from verifex.core.program.rules import budgets, language, pins, serial, sums  # noqa: F401
from verifex.core.program.rules.book import PROGRAM

__all__ = ["PROGRAM"]
