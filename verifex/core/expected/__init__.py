"""What a bench should read: stimulus → volts → raw reading → printed value, with limits and the budget behind them.

`build.py` makes the chain of a reading from a bench, `limits.py` puts its contributors at their ends, `making.py` goes
through the plan and fills a `sheet.py`, `plot.py` makes dense tables, `release.py` says what keeps an exercise from being released.

    >>> from pathlib import Path
    >>> from verifex.core.exercise import read_exercise
    >>> exercise = read_exercise(Path("demo/exercises/brood-box-heat-watch/exercise.yaml").read_text("utf-8"))
    >>> sheet = expected_sheet(exercise)
    >>> [(step.name, step.readings[0].printed) for step in sheet.steps]
    [('Room air', '21.3 °C'), ('Held in the hand', '27.6 °C'), ('Warm pack', '37.9 °C')]
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
