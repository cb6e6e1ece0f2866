"""The book that the program rules are entered in."""

from verifex.core.program.rules.view import ProgramView
from verifex.core.rulebook import RuleBook

PROGRAM: RuleBook[ProgramView] = RuleBook("Program")
