"""A pair's own prediction, made before it measures, against the sheet of its own bench."""

import csv
import io
from dataclasses import dataclass
from typing import Any

from verifex.core.exercise import Exercise
from verifex.core.expected import Sheet
from verifex.core.problems import Problem, UnusableInput
from verifex.core.quantity import numbers_in

HEADER = ["step", "reading", "value"]


@dataclass(frozen=True, slots=True)
class Predicted:
    """One predicted value: of which step and reading (`U1.celsius`), on which line."""

    step: str
    reading: str
    value: float
    line: int


@dataclass(frozen=True, slots=True)
class PredictionVerdict:
    """One predicted value judged: likely, in-limits, out, or unjudged where there is no sheet."""

    step: str
    reading: str
    value: float
    verdict: str

    def as_json(self) -> dict[str, Any]:
        return {"step": self.step, "reading": self.reading, "value": self.value, "verdict": self.verdict}


def read_prediction(text: str, exercise: Exercise) -> list[Predicted]:
    """Predictions from CSV `step,reading,value`; lines without a value are left out.

    Raises UnusableInput with every line that cannot be, and for a prediction without a single value.
    """
    rows = list(csv.reader(io.StringIO(text)))
    if not rows or [cell.strip() for cell in rows[0]] != HEADER:
        raise UnusableInput([Problem(1, 1, f"the first line must read {','.join(HEADER)}")])
    steps = {step.name for step in exercise.steps}
    known = {f"{r.ref}.{r.quantity}" for r in exercise.readings}
    problems: list[Problem] = []
    found: list[Predicted] = []
    for line, row in enumerate(rows[1:], start=2):
        cells = [cell.strip() for cell in row]
        if not any(cells):
            continue
        if len(cells) != len(HEADER) or cells[0] not in steps or cells[1] not in known:
            problems.append(Problem(line, 1, "a step of the plan, a reading of the exercise and a value were expected"))
        elif cells[2]:
            numbers = numbers_in(cells[2].replace(",", "."))
            if len(numbers) == 1:
                found.append(Predicted(cells[0], cells[1], numbers[0], line))
            else:
                problems.append(Problem(line, 1, f"'{cells[2]}' is no number; one such as 21.5 was expected"))
    if not problems and not found:
        problems.append(Problem(1, 1, "nothing is predicted yet; fill in at least one value"))
    if problems:
        raise UnusableInput(problems)
    return found


def judge_prediction(predictions: list[Predicted], sheet: Sheet) -> list[PredictionVerdict]:
    """Each predicted value against the sheet of the pair's own bench."""
    return [PredictionVerdict(p.step, p.reading, p.value, _verdict(p, sheet)) for p in predictions]


def _verdict(predicted: Predicted, sheet: Sheet) -> str:
    step = sheet.step(predicted.step)
    readings = step.readings if step else ()
    expected = next((r for r in readings if f"{r.ref}.{r.quantity}" == predicted.reading), None)
    if expected is None:
        return "unjudged"
    # A value is told by as many decimals as the program prints.
    slack = 0.5 * 10**-expected.decimals
    if expected.likely[0] - slack <= predicted.value <= expected.likely[1] + slack:
        return "likely"
    inside = expected.value.low - slack <= predicted.value <= expected.value.high + slack
    return "in-limits" if inside else "out"
