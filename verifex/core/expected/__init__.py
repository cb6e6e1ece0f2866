"""What a bench should read: stimulus → volts → count → value, with limits and the budget behind them."""

from verifex.core.expected.budget import Budget, Contribution
from verifex.core.expected.measured import Measured
from verifex.core.expected.sheet import ExpectedStep, Sheet, expected_sheet

__all__ = ["Budget", "Contribution", "ExpectedStep", "Measured", "Sheet", "expected_sheet"]
