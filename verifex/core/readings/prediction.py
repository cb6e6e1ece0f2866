"""A pair's own prediction, made before it measures, against the sheet of its own bench."""

import csv
import io
import math
from dataclasses import dataclass
from typing import Any

from verifex.core.exercise import Exercise, Reading, printable
from verifex.core.exercise.units import UNITS_OF_QUANTITY
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
    """One predicted value judged: likely, in-limits, out, or unjudged where there is no sheet, or what the sensor got at
    the step was not measured."""

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
    known = {
        ".".join(key): printed_range(exercise, r)
        for r, key in zip(exercise.readings, exercise.reading_keys, strict=True)
    }
    problems: list[Problem] = []
    found: list[Predicted] = []
    for line, row in enumerate(rows[1:], start=2):
        cells = [cell.strip() for cell in row]
        if not any(cells):
            continue
        if len(cells) != len(HEADER) or cells[0] not in steps or cells[1] not in known:
            problems.append(Problem(line, 1, "a step of the plan, a reading of the exercise and a value were expected"))
        elif cells[2]:
            cell = cells[0] if len(known) == 1 else f"{cells[0]}, {cells[1]}"
            value = _number(cells[2])
            low, high = known[cells[1]]
            if value is None:
                problems.append(Problem(line, 1, f"{cell}: '{cells[2]}' is no number; one such as 21.5 was expected"))
            elif not low <= value <= high:
                problems.append(Problem(line, 1, f"{cell}: {value:g} cannot be; {low:g} to {high:g} can"))
            else:
                found.append(Predicted(cells[0], cells[1], value, line))
    if not problems and not found:
        problems.append(Problem(1, 1, "nothing is predicted yet; fill in at least one value"))
    if problems:
        raise UnusableInput(problems)
    return found


#: What can be printed in units that are not the sensor's own, whatever it senses.
RANGES = {
    "count": (0.0, 4095.0),
    "volt": (0.0, 5.5),
    "full-scale": (0.0, 100.0),
    "microsecond": (0.0, 40_000.0),
    "degree": (-180.0, 180.0),
    "scaled": (0.0, 255.0),
    "level": (0.0, 1.0),
    "ratio": (0.0, 1000.0),
    "ppm": (0.0, 1e6),
    "g": (-16.0, 16.0),
}


def printed_range(exercise: Exercise, reading: Reading) -> tuple[float, float]:
    """The lowest and highest value that a program can sensibly print of a reading, in its printed unit."""
    output = exercise.sensed(reading.ref, reading.quantity)
    if output is None:
        return (-1e6, 1e6)
    unit = reading.print or printable(output)[0]
    if unit in RANGES:
        return RANGES[unit]
    scale, shift = {"fahrenheit": (1.8, 32.0), "inch": (1 / 2.54, 0.0)}.get(unit, (1.0, 0.0))
    return output.low * scale + shift, output.high * scale + shift


def _number(text: str) -> float | None:
    numbers = numbers_in(text.replace(",", "."))
    return numbers[0] if len(numbers) == 1 and math.isfinite(numbers[0]) else None


def judge_prediction(predictions: list[Predicted], sheet: Sheet) -> list[PredictionVerdict]:
    """Each predicted value against the sheet of the pair's own bench.

    A pair is not shown the plan's values, so a step is judged once its stimulus was measured on the bench.
    """
    return [PredictionVerdict(p.step, p.reading, p.value, _verdict(p, sheet)) for p in predictions]


def _is_known(predicted: Predicted, sheet: Sheet) -> bool:
    """Whether the pair could know what the sensor gets at the step: it measured that, or it is nothing that is measured."""
    ref, _, quantity = predicted.reading.partition("/")[0].partition(".")
    if quantity not in UNITS_OF_QUANTITY:
        return True
    first = next((s for s in sheet.exercise.steps if s.name == predicted.step), None)
    is_main = first is not None and (first.ref, first.quantity) == (ref, quantity)
    return sheet.measured.of_step(predicted.step, ref, quantity, first=is_main) is not None


def _verdict(predicted: Predicted, sheet: Sheet) -> str:
    step = sheet.step(predicted.step)
    readings = step.readings if step else ()
    expected = next((r for r in readings if f"{r.ref}.{r.quantity}" == predicted.reading), None)
    if expected is None or not _is_known(predicted, sheet):
        return "unjudged"
    # A value is reported by as many decimals as the program prints.
    slack = 0.5 * 10**-expected.decimals
    if expected.likely[0] - slack <= predicted.value <= expected.likely[1] + slack:
        return "likely"
    inside = expected.value.low - slack <= predicted.value <= expected.value.high + slack
    return "in-limits" if inside else "out"
