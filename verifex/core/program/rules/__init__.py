"""The program rules. Each file holds one family; importing it enters its rules into the book."""

# The order is the order of the book.
# isort: off
from verifex.core.program.rules.flow import branches, budgets  # noqa: F401
from verifex.core.program.rules.numbers import comparisons  # noqa: F401
from verifex.core.program.rules.hardware import displays  # noqa: F401
from verifex.core.program.rules.flow import endless  # noqa: F401
from verifex.core.program.rules.numbers import identity  # noqa: F401
from verifex.core.program.rules import language  # noqa: F401
from verifex.core.program.rules.hardware import levels, libraries  # noqa: F401
from verifex.core.program.rules.numbers import narrow  # noqa: F401
from verifex.core.program.rules.flow import pace  # noqa: F401
from verifex.core.program.rules.hardware import pins  # noqa: F401
from verifex.core.program.rules import printing, python  # noqa: F401
from verifex.core.program.rules.hardware import registers  # noqa: F401
from verifex.core.program.rules.numbers import scaling  # noqa: F401
from verifex.core.program.rules.hardware import serial  # noqa: F401
from verifex.core.program.rules.flow import statements  # noqa: F401
from verifex.core.program.rules.numbers import sums  # noqa: F401
from verifex.core.program.rules import texts, tidy  # noqa: F401
from verifex.core.program.rules.numbers import variables  # noqa: F401
from verifex.core.program.rules.flow import waiting  # noqa: F401
from verifex.core.program.rules import wording  # noqa: F401
from verifex.core.program.rules.book import PROGRAM

# isort: on
__all__ = ["PROGRAM"]
