"""The times that stand before the lines of a log, and how often a program prints."""

import re
from collections.abc import Sequence
from itertools import pairwise
from statistics import median

from verifex.core.printed.columns import Column
from verifex.core.printed.lines import without_stamp

MOST_LINES = 400
LEAST_GAPS = 8
STEADY = 0.25  # how far most gaps may lie from their middle for there to be one interval at all
_CLOCK = re.compile(r"^\s*\[?(\d{1,2}):(\d\d):(\d\d)(?:[.,](\d{1,3}))?")
_NUMBER = re.compile(r"[-+]?\d+(?:\.\d+)?")
_BRACKET_MS = re.compile(r"^\s*\[\s*(\d{3,})\s*(?:ms)?\s*\](?=\s*\S)")
_MS = re.compile(r"^\s*(\d{3,})\s*ms\s*[:>|-]+(?=\s*\S)")


def stamp_ms(line: str) -> float | None:
    """The time before a line in milliseconds; None where none stands there."""
    if clock := _CLOCK.match(line):
        hours, minutes, seconds, part = clock.groups()
        return ((int(hours) * 60 + int(minutes)) * 60 + int(seconds)) * 1000 + int((part or "0").ljust(3, "0"))
    found = _BRACKET_MS.match(line) or _MS.match(line)
    return float(found.group(1)) if found else None


def times_of(lines: Sequence[str], numbers: Sequence[int], columns: Sequence[Column]) -> list[float] | None:
    """The time of each of the lines (numbers from 1) in milliseconds: as it stands before them, else in a column that counts up
    as a clock does, in seconds or milliseconds; None where no time is printed."""
    stamps = [stamp_ms(lines[number - 1]) for number in numbers]
    times: list[float] = [stamp for stamp in stamps if stamp is not None]
    if len(times) != len(numbers):
        clock = next((c for c in columns if c.lines == list(numbers) and _is_clock(c.values)), None)
        if clock is None:
            return None
        scale = 1.0 if median(b - a for a, b in pairwise(clock.values)) >= LEAST_MS else 1000.0
        times = [scale * value for value in clock.values]
    return times if len(times) > 1 and all(b >= a for a, b in pairwise(times)) else None


LEAST_MS = 20.0  # a usual gap from which a column of times is in milliseconds, and not in seconds


def _is_clock(values: Sequence[float]) -> bool:
    """Whether values only rise, most often by the same."""
    gaps = [b - a for a, b in pairwise(values)]
    if len(gaps) < LEAST_GAPS or min(gaps) <= 0:
        return False
    return sum(1 for gap in gaps if abs(gap - median(gaps)) <= STEADY * median(gaps)) >= 0.7 * len(gaps)


def interval_ms(times_ms: Sequence[float]) -> float | None:
    """How often something comes, in milliseconds: the middle of the gaps, where most of them lie near it."""
    gaps = [b - a for a, b in pairwise(times_ms) if b > a]
    if len(gaps) < LEAST_GAPS:
        return None
    middle = median(gaps)
    near = sum(1 for gap in gaps if abs(gap - middle) <= STEADY * middle)
    return middle if near >= 0.7 * len(gaps) else None


def shape_of(line: str) -> str:
    """A line without its time and with one 0 for each number: what lines that are printed alike have in common."""
    return _NUMBER.sub("0", without_stamp(line.strip()))


def program_interval_ms(printed: Sequence[tuple[float, str]], text: str, reading_lines: Sequence[int]) -> float | None:
    """How often a program prints the lines that stand in the log as readings; `printed` are (ms, text) of its run. None where it
    prints none that are alike."""
    lines = text.splitlines()
    shapes = {shape_of(lines[number - 1]) for number in reading_lines[:MOST_LINES] if number <= len(lines)}
    return interval_ms([ms for ms, said in printed if shape_of(said) in shapes]) if len(shapes) == 1 else None


def log_interval_ms(text: str, reading_lines: Sequence[int]) -> float | None:
    """How often readings came, from the times before their lines (numbers from 1); None where none stand there."""
    lines = text.splitlines()
    stamps = [stamp_ms(lines[number - 1]) for number in reading_lines[:MOST_LINES] if number <= len(lines)]
    known = [stamp for stamp in stamps if stamp is not None]
    return interval_ms(known) if len(known) > LEAST_GAPS else None
