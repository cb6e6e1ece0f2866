"""Each step of a log against the expected sheet of the pair's own bench."""

from collections.abc import Iterator, Sequence
from dataclasses import dataclass, replace
from itertools import pairwise
from statistics import median
from typing import Any

import numpy as np

from verifex.core.exercise import Exercise, Step
from verifex.core.expected import ExpectedStep, Sheet
from verifex.core.expected.signal.chain import AdcChain, DigitalChain
from verifex.core.expected.step import ExpectedReading
from verifex.core.expected.thresholds import suggest_threshold
from verifex.core.findings import Finding
from verifex.core.parts import Output
from verifex.core.printed.no_answers import no_answer
from verifex.core.quantity import numbers_in, printed_step
from verifex.core.readings.conduct import conduct_sentences
from verifex.core.readings.honesty import NO_PACE, OtherLog, Pace, look_closer
from verifex.core.readings.log import Log, StepLog, is_state, read_log, same_id, state_in
from verifex.core.readings.second_unit import two_units

#: How readings of a step lie, the best first.
WORST_LAST = ("exempt", "likely", "in-limits", "missing", "out")
MOST_SHOWN = 400
MOVED, SLOWS = 4.0, 0.5  # noise widths that a step moves, and how much less it moves later, for it to be settling
MOST_STRANGERS = 5
LEAST_FOR_DRIFT = 6
LEAST_LEFT = 3  # readings, without those that stand for no answer
SURELY = 4.0  # standard deviations from which a drift is no noise


@dataclass(frozen=True, slots=True)
class ReadingVerdict:
    """One reading at one step: how many values, their centre and spread, and how they lie: in-limits, likely, out, exempt or
    missing.

    'likely' lies inside the k = 2 interval, 'in-limits' between that and the worst case. `lines` are where the values stand
    in the log, from 1. `said` is what was printed in words, or the id that was printed; `unanswered` are values that stand for a read
    without an answer and were left out.
    """

    ref: str
    quantity: str
    name: str
    unit: str
    count: int
    centre: float | None
    spread: float | None
    drift: float | None
    verdict: str
    values: tuple[float, ...] = ()
    lines: tuple[int, ...] = ()
    said: str = ""
    unanswered: tuple[float, ...] = ()

    def as_json(self) -> dict[str, Any]:
        return {
            "ref": self.ref,
            "quantity": self.quantity,
            "name": self.name,
            "unit": self.unit,
            "readings": self.count,
            "centre": self.centre,
            "spread": self.spread,
            "drift": self.drift,
            "verdict": self.verdict,
            "values": list(self.values[:MOST_SHOWN]),
            "lines": list(self.lines[:MOST_SHOWN]),
            "said": self.said,
        }


@dataclass(frozen=True, slots=True)
class StepVerdict:
    """One step: its readings, the exercise's first one first, and how they lie together."""

    name: str
    readings: tuple[ReadingVerdict, ...]

    @property
    def first(self) -> ReadingVerdict:
        return self.readings[0]

    @property
    def centre(self) -> float | None:
        return self.first.centre

    @property
    def verdict(self) -> str:
        """The worst of its readings."""
        return max((reading.verdict for reading in self.readings), key=WORST_LAST.index)

    def as_json(self) -> dict[str, Any]:
        """The first reading's figures stand in the step itself; `others` has the rest."""
        first = self.first.as_json()
        own = {key: first[key] for key in ("readings", "centre", "spread", "drift", "values", "lines", "said")}
        others = [reading.as_json() for reading in self.readings[1:]]
        return {"name": self.name, **own, "verdict": self.verdict, "first_verdict": first["verdict"], "others": others}


@dataclass(frozen=True, slots=True)
class ReadingsReport:
    """The whole comparison: `verdict` is 'in-limits', 'out', 'incomplete' or 'not-judged'."""

    steps: tuple[StepVerdict, ...]
    verdict: str
    honesty: tuple[Finding, ...]
    notes: tuple[str, ...]
    log_notes: tuple[str, ...] = ()  # those of them that are of the log itself

    def as_json(self, with_honesty: bool = True) -> dict[str, Any]:
        out: dict[str, Any] = {
            "steps": [step.as_json() for step in self.steps],
            "verdict": self.verdict,
            "notes": list(self.notes),
        }
        if with_honesty:
            out["honesty"] = [finding.as_json() for finding in self.honesty]
        return out


def compare_log(
    text: str,
    exercise: Exercise,
    sheet: Sheet,
    *,
    grid: list[str] | None = None,
    others: Sequence[OtherLog] = (),
) -> ReadingsReport:
    """Read a log and judge it, as `judge_log` does. Raises UnusableInput as `read_log` does."""
    return judge_log(read_log(text, exercise, sheet), exercise, sheet, grid=grid, others=others)


def judge_log(
    log: Log,
    exercise: Exercise,
    sheet: Sheet,
    *,
    grid: list[str] | None = None,
    others: Sequence[OtherLog] = (),
    pace: Pace = NO_PACE,
) -> ReadingsReport:
    """Judge a log against `sheet`. `grid` are the texts the pair's program can print, `others` the logs of other pairs."""
    planned = zip(sheet.steps, exercise.steps, strict=True) if sheet.steps else ()
    steps = tuple(
        _judge(step, plan, [part for part in log.steps if part.index == index], exercise)
        for index, (step, plan) in enumerate(planned)
    )
    verdict = _verdict(steps)
    log_notes = [*log.notes, *_unknown_marks(log, sheet)]
    notes = [
        *log_notes,
        *_words_against_numbers(log, exercise, sheet),
        *two_units(log, exercise),
        *conduct_sentences(steps, sheet, exercise),
        *log.taken,
        *_own_threshold(exercise, steps),
    ]
    if sheet.reason:
        notes.append(f"There is no expected sheet for this bench: {sheet.reason}")
    is_noisy = isinstance(sheet.main, AdcChain) and not any(step.first.saturated for step in sheet.steps)
    possible = _possible(sheet) if is_noisy else []
    expected = [
        (judged.first.values, numbers[0])
        for judged, step in zip(steps, sheet.steps, strict=False)
        if (numbers := numbers_in(step.first.printed))
    ]
    honesty = look_closer(log, grid, others, pace=pace, possible=possible, expected=expected, is_noisy=is_noisy)
    return ReadingsReport(steps, verdict, tuple(honesty), tuple(notes), tuple(log_notes))


def _possible(sheet: Sheet) -> list[float]:
    """What the exercise's formula gives of every count of the converter."""
    chain = sheet.main
    if not isinstance(chain, AdcChain):
        return []
    values: list[float] = chain.formula.value(np.arange(chain.board.counts, dtype=float)).tolist()
    return values


def _verdict(steps: tuple[StepVerdict, ...]) -> str:
    """Of the whole log: nothing is 'in-limits' of which no step was found."""
    if all(step.verdict == "missing" for step in steps):
        return "not-judged"
    if any(step.verdict == "missing" for step in steps):
        return "incomplete"
    return "out" if any(step.verdict == "out" for step in steps) else "in-limits"


def _own_threshold(exercise: Exercise, steps: tuple[StepVerdict, ...]) -> list[str]:
    """Where a pair's own two readings put the threshold, for exercises that ask for that."""
    if exercise.conventions.threshold != "two-readings":
        return []
    said = []
    for statement in exercise.behaviour:
        on: list[float] = []
        off: list[float] = []
        for step, judged in zip(exercise.steps, steps, strict=False):
            value = step.value_of(statement.when.ref, statement.when.quantity)
            if value is not None and judged.centre is not None:
                (on if statement.when.holds(value.value) else off).append(judged.centre)
        if not on or not off:
            continue
        # The two readings nearest to each other decide.
        near = min(((a, b) for a in off for b in on), key=lambda pair: abs(pair[1] - pair[0]))
        found = suggest_threshold([near[0]], [near[1]])
        if found.threshold is None:
            said.append(found.reason)
        else:
            said.append(
                f"From these readings: threshold {found.threshold:g}, on at {found.on_at:g}, off again at {found.off_at:g}; "
                f"{found.margin:.0f} noise widths of margin."
            )
    return said


def _judge(step: ExpectedStep, planned: Step, marked: list[StepLog], exercise: Exercise) -> StepVerdict:
    readings = []
    for expected in step.readings:
        position = expected.position
        asked = exercise.readings[position]
        if asked.quantity == "tag":
            readings.append(_judge_id(expected, planned, marked))
            continue
        values = [value for part in marked if position < len(part.columns) for value in part.columns[position]]
        lines = [line for part in marked if position < len(part.column_lines) for line in part.column_lines[position]]
        if not values and is_state(exercise, asked):
            readings.append(_judge_state(expected, planned, marked, exercise))
        else:
            readings.append(_judge_values(expected, values, lines, exercise.sensed(expected.ref, asked.quantity)))
    return StepVerdict(step.name, tuple(readings))


def _judge_values(
    expected: ExpectedReading, values: list[float], lines: list[int], output: Output | None
) -> ReadingVerdict:
    if not values:
        return _verdict_of(expected, 0, "missing")
    unanswered = _unanswered(expected, values, output)
    settled = settled_part([value for value in values if value not in unanswered])
    centre = round(median(settled), 3)
    drift = drift_of(settled)
    if expected.exempt:
        verdict = "exempt"  # at a flat end of the converter no reading tells anything
    else:
        # A printed number stands for all that is cut or rounded to it: 11 for what lies from 10.5 to 12.
        grain = max(0.0, printed_step(values) - 10.0**-expected.decimals)
        if expected.likely[0] - grain <= centre <= expected.likely[1] + grain / 2:
            verdict = "likely"
        else:
            inside = expected.value.low - grain <= centre <= expected.value.high + grain / 2
            verdict = "in-limits" if inside else "out"
    spread = round(float(np.std(settled)), 3)
    return replace(
        _verdict_of(expected, len(values), verdict),
        centre=centre,
        spread=spread,
        drift=drift,
        values=tuple(values),
        lines=tuple(lines),
        unanswered=tuple(value for value in values if value in unanswered),
    )


def _unanswered(expected: ExpectedReading, values: list[float], output: Output | None) -> frozenset[float]:
    """Values outside the limits that stand for a read without an answer, where readings enough are left without them."""
    found = {v for v in values if not expected.value.low <= v <= expected.value.high and no_answer(v, output)}
    left = sum(value not in found for value in values)
    return frozenset(found) if left >= max(LEAST_LEFT, len(values) / 2) else frozenset()


def drift_of(values: Sequence[float]) -> float:
    """By how much a step's readings rise from first to last, by the means of its first and last third; 0 where noise alone can
    make that."""
    third = max(2, len(values) // 3)
    if len(values) < LEAST_FOR_DRIFT:
        return 0.0
    moved = float(np.mean(values[-third:]) - np.mean(values[:third]))
    # The differences from reading to reading hold little of a drift; the mean of n readings wanders by σ/√n.
    noise = float(np.std(np.diff(values))) / 2**0.5
    from_end_to_end = moved * (len(values) - 1) / (len(values) - third)
    return round(from_end_to_end, 3) if abs(moved) > SURELY * noise * (2 / third) ** 0.5 else 0.0


def settled_part(values: list[float]) -> list[float]:
    """The readings of a step from where they stand: without the first fifth, in which a case in the hand still warms, and
    where they come nearer more and more slowly, as a first-order lag does, only the last part.
    """
    body = values[len(values) // 5 :]
    part = max(2, len(values) // 4)
    if len(body) < 3 * part:
        return body
    first, before, last = (median(body[:part]), median(body[-2 * part : -part]), median(body[-part:]))
    noise = median(abs(b - a) for a, b in pairwise(body[-2 * part :]))
    slows = abs(last - before) < SLOWS * abs(before - first)
    return body[-part:] if slows and abs(last - first) > MOVED * noise else body


def _judge_state(expected: ExpectedReading, planned: Step, marked: list[StepLog], exercise: Exercise) -> ReadingVerdict:
    """A state in words is held against what was done in the step, not against a level: `blocked` is printed of either."""
    states = [state for part in marked for state in part.states.get(expected.position, [])]
    there = state_in(exercise, exercise.readings[expected.position], planned)
    if not states or there is None:
        return _verdict_of(expected, len(states), "missing")
    right = sum(state == there for state in states)
    said = "there" if states[0] else "not there"
    # Where only changes are printed, a step ends with the next one's: the first word of a step is its own.
    fits = right * 2 > len(states) or bool(states[0]) == there
    return replace(_verdict_of(expected, len(states), "likely" if fits else "out"), said=said)


def _judge_id(expected: ExpectedReading, planned: Step, marked: list[StepLog]) -> ReadingVerdict:
    """An id is the one that was held there, or it is not; a step without a tag has none."""
    asked = planned.value_of(expected.ref, expected.quantity.partition("/")[0])
    ids = [found for part in marked for found in part.ids]
    wanted = same_id(asked.text) if asked else ""
    if not marked or (not ids and wanted):
        return _verdict_of(expected, 0, "missing")
    fits = all(found == wanted for found in ids)
    said = max(set(ids), key=ids.count) if ids else "no tag"
    return replace(_verdict_of(expected, len(ids), "likely" if fits else "out"), said=said)


def _verdict_of(expected: ExpectedReading, count: int, verdict: str) -> ReadingVerdict:
    return ReadingVerdict(
        expected.ref, expected.quantity, expected.name, expected.unit, count, None, None, None, verdict
    )


def _words_against_numbers(log: Log, exercise: Exercise, sheet: Sheet) -> Iterator[str]:
    """Lines whose words contradict the level beside them: `0 motion!`."""
    for reading, (said, level, line) in log.beside.items():
        chain = sheet.chains.get(exercise.reading_keys[reading])
        if isinstance(chain, DigitalChain) and level in (0.0, 1.0):
            there = (level > 0.5) == (chain.volts_of[1] >= chain.board.input_high_volts)
            if there != bool(said):
                shown = "something is there" if said else "nothing is there"
                yield f"Line {line}: the words say that {shown}, and the {level:g} beside them says the opposite on this bench."


def _unknown_marks(log: Log, sheet: Sheet) -> list[str]:
    strange = [step.mark for step in log.steps if step.index is None and step.mark and sheet.steps]
    return [f"The mark “{mark}” belongs to no step of the plan." for mark in dict.fromkeys(strange)][:MOST_STRANGERS]
