"""Bench notation as text: splits a file into statements, keeping every line and column.

Nothing here knows what a part is; that is `bench.py`'s work. The text itself stays the thing that is
stored, so comments and order survive every round trip.
"""

import re
from dataclasses import dataclass, field

from verifex.core.hand_ins import HandIn
from verifex.core.problems import Problem

STATEMENTS = ("bench", "board", "base", "part", "wire")
REF = re.compile(r"[A-Za-z]+[0-9]+$")


@dataclass(frozen=True, slots=True)
class Token:
    """A word of a statement with the column (from 1) where it begins."""

    text: str
    column: int


@dataclass(frozen=True, slots=True)
class Statement:
    """One statement: its keyword, the words behind it, and the line (from 1) it stands on."""

    keyword: str
    words: tuple[Token, ...]
    line: int


@dataclass(slots=True)
class BenchText:
    """The statements of a file and the lines that are none."""

    statements: list[Statement] = field(default_factory=list)
    problems: list[Problem] = field(default_factory=list)


def read_text(text: str) -> BenchText:
    """Split `text` into statements. A line that is no statement becomes a `Problem`; the rest is kept.

    Raises UnusableInput when the text is larger than 64 kB.
    """
    HandIn.WIRING.facts.refuse_larger(text)
    result = BenchText()
    for number, line in enumerate(text.splitlines(), start=1):
        words = _words(line)
        if not words:
            continue
        keyword = words[0]
        if keyword.text not in STATEMENTS:
            result.problems.append(
                Problem(
                    number,
                    keyword.column,
                    f"'{_short(keyword.text)}' begins no statement; bench, board, base, part or wire was expected",
                )
            )
            continue
        problem = _misshapen(keyword.text, words[1:], number, len(line) + 1)
        if problem:
            result.problems.append(problem)
        else:
            result.statements.append(Statement(keyword.text, tuple(words[1:]), number))
    return result


def _words(line: str) -> list[Token]:
    body = re.split(r"(?:^|(?<=\s))#", line, maxsplit=1)[0] if "#" in line else line
    return [Token(match.group(), match.start() + 1) for match in re.finditer(r"\S+", body)]


def _short(text: str) -> str:
    return text if len(text) <= 24 else text[:23] + "…"


def _misshapen(keyword: str, words: list[Token], line: int, end: int) -> Problem | None:
    """What makes a line no statement: too few words, too many, or a reference that is none."""
    needs = {
        "bench": (1, 1, "the bench's number or name"),
        "board": (2, 3, "a reference and a board's id, as in 'board B1 mcu-5v'"),
        "base": (1, 1, "half, full, full-split or none"),
        "part": (2, None, "a reference and a part's id, as in 'part R1 resistor a20 a24 value=330'"),
        "wire": (2, 3, "two places and perhaps a colour, as in 'wire B1.5V +L red'"),
    }
    least, most, expected = needs[keyword]
    if len(words) < least:
        return Problem(line, end, f"'{keyword}' wants {expected}")
    if most is not None and len(words) > most:
        return Problem(
            line,
            words[most].column,
            f"'{_short(words[most].text)}' is one word too many; '{keyword}' wants {expected}",
        )
    if keyword in ("board", "part") and not REF.match(words[0].text):
        return Problem(
            line,
            words[0].column,
            f"'{_short(words[0].text)}' is no reference; letters, then digits (U1) were expected",
        )
    return None
