"""What a bench should read: stimulus → volts → raw reading → printed value, with limits and the budget behind them.

`build.py` makes the chain of a reading from a bench, `limits.py` puts its contributors at their ends, `making.py` goes
through the plan and fills a `sheet.py`, `plot.py` makes dense tables, `release.py` says what keeps an exercise from being released.
"""

from verifex.core.expected.budget import Budget, Contribution
from verifex.core.expected.making import expected_sheet
from verifex.core.expected.measured import Measured
from verifex.core.expected.sheet import Sheet
from verifex.core.expected.sheet_json import sheet_json
from verifex.core.expected.step import ExpectedReading, ExpectedStep

__all__ = [
    "Budget",
    "Contribution",
    "ExpectedReading",
    "ExpectedStep",
    "Measured",
    "Sheet",
    "expected_sheet",
    "sheet_json",
]
