"""A line of a log taken apart: stamps and rules put aside, numbers with what stands around them."""

import json
import re
from collections.abc import Iterator, Mapping, Sequence
from dataclasses import dataclass
from functools import lru_cache

from verifex.core.printed.words import about, unit_ahead, unit_behind, words_of
from verifex.core.quantity import MOST_PRINTED, PRINTED_NUMBER

#: A stamp that a console or a program puts before a line: a clock, a date, a time in brackets.
STAMP = re.compile(
    r"^\s*(?:"
    r"\d{4}-\d\d-\d\d[T ]\d\d:\d\d(?::\d\d)?(?:[.,]\d+)?Z?\s*[,;|>-]*|"
    r"\[?\d{1,2}:\d\d(?::\d\d)?(?:[.,]\d+)?\]?\s*(?:->|[-|>,;:])?(?=\s)|"
    r"\[\s*\d+(?:\.\d+)?\s*(?:ms|s)?\s*\](?=\s*\S)|"
    r"\d+(?:\.\d+)?\s*(?:ms|s|sec)\s*[:>|-]+(?=\s*\S)"
    r")\s*"
)
COMMA_NUMBER = re.compile(r"(?<![\w.])([-+]?\d+),(\d{1,3})(?![\d,.])")
IDS = re.compile(r"(?<![\w.])(?:0x)?[0-9A-Fa-f]{2}(?:[\s:,-]+(?:0x)?[0-9A-Fa-f]{2}){3,9}(?![\w.])")
_COUNTED = re.compile(r"[:).]\s+[^\W\d]")  # what stands behind a running number: `12: adc 0`
_PROSE_WORD = re.compile(r"\b[^\W\d_]{3,}\b")
MOST_BLANKS, WORDS_A_NUMBER = 14, 4  # of a printed line; a longer one without a number for every few words is prose
_SEPARATOR = re.compile(r"[,;|\t/]|\s{2,}|\s-\s")
_SIGNS = "#-=/*>[]<~:;.+_ \t"
MARK_SIGNS = ("#", "--", "==", "//", "***", ">>", "[", "<", "~~", "++")


@dataclass(frozen=True, slots=True)
class Slot:
    """What the text around a number says: its label and its unit as written, the units it means and may mean."""

    label: str
    unit: str
    means: str
    may_mean: tuple[str, ...]
    position: int  # among the numbers of its line
    count: int = 1  # of the numbers of its line

    @property
    def key(self) -> tuple[str, str, int, int]:
        """Numbers of one column have the same; where nothing is written beside them, their position tells, among lines of as
        many numbers."""
        return (self.label, self.unit, -1, 0) if self.label or self.unit else ("", "", self.position, self.count)


def without_stamp(line: str) -> str:
    """The line without the time in front of it."""
    return STAMP.sub("", line, count=1)


def is_rule(line: str) -> bool:
    """Whether a line is nothing but a ruled line: `=====`, `- - -`, `*****`; dots are a program that waits."""
    return len(line) >= 3 and not line.strip(_SIGNS) and line.strip(". ") != ""


def is_garbage(line: str) -> bool:
    """Whether most of a line is characters no program prints: the pattern of a wrong baud rate."""
    if line.isascii() and line.isprintable():
        return False
    strange = sum(
        1
        for c in line
        if c == "\ufffd"
        or (not c.isprintable() and c != "\t")
        or "\x80" <= c <= "\x9f"
        or (ord(c) > 0x17F and c not in "Ωωμ≤≥±√→Δ–—“”’°")
    )
    latin = sum(1 for c in line if "\xa1" <= c <= "\xff" and c not in "°µº²³±äöüÄÖÜßéèàçñåøæ")
    return (strange + latin) * 3 >= len(line)


def is_prose(line: str, texts: Sequence[str]) -> bool:
    """Whether a line is a sentence, in which a number is no reading; `texts` stand around its numbers."""
    words = sum(len(_PROSE_WORD.findall(text)) for text in texts)
    return line.count(" ") >= MOST_BLANKS and words > WORDS_A_NUMBER * (len(texts) - 1)


def plain_line(line: str) -> str:
    """A line that is one object of JSON with its names and values beside each other; any other line as it is."""
    if not (line.startswith("{") and line.endswith("}")):
        return line
    try:
        read = json.loads(line)
    except (ValueError, RecursionError):
        return line
    return "; ".join(_fields(read)) if isinstance(read, dict) else line


def _fields(read: Mapping[str, object]) -> Iterator[str]:
    for name, value in read.items():
        if isinstance(value, dict):
            yield from (f"{name} {inner}" for inner in _fields(value))
        elif isinstance(value, str | int | float) and not isinstance(value, bool):
            yield f"{name}: {value}"


def numbers_and_texts(line: str) -> tuple[list[float], tuple[str, ...]]:
    """The numbers of a line, and the texts before, between and behind them: one more than there are numbers."""
    numbers: list[float] = []
    texts: list[str] = []
    end = 0
    for match in PRINTED_NUMBER.finditer(line):
        number = float(match.group())
        if abs(number) > MOST_PRINTED:
            continue
        numbers.append(number)
        texts.append(line[end : match.start()])
        end = match.end()
    texts.append(line[end:])
    return numbers, tuple(texts)


@lru_cache(maxsize=4096)
def slots_of(texts: tuple[str, ...]) -> tuple[Slot, ...]:
    """What the texts around the numbers of a line say of each."""
    slots = []
    label = texts[0]
    for position, text in enumerate(texts[1:]):
        last = position == len(texts) - 2
        unit, following = _shared(text, last=last)
        slots.append(_slot(label, unit, position, len(texts) - 1))
        label = following
    return tuple(slots)


def _shared(text: str, *, last: bool) -> tuple[str, str]:
    """A text between two numbers, as the unit of the first and the label of the second."""
    if not last and _COUNTED.match(text):
        return "", text
    separator = _SEPARATOR.search(text)
    words = words_of(text[: separator.start()] if separator else text)
    unit, count = unit_ahead(words)
    if separator:
        return " ".join(words[:count]), text[separator.end() :]
    if last:  # what follows the unit (`37.9 C ALARM!`) is printed besides, and makes no other column
        return " ".join(words[:count]), ""
    if not unit or (count == len(words) and re.search(r"[:=]\s*$", text)):
        return "", text
    rest = words[count:]
    return " ".join(words[:count]), " ".join(rest)


def _slot(label: str, unit: str, position: int, count: int) -> Slot:
    label_words, unit_words = words_of(label), words_of(unit)
    means, _ = unit_ahead(unit_words)
    means = means or unit_behind(label_words)
    return Slot(" ".join(label_words), " ".join(unit_words[:2]), means, about(label_words), position, count)


def core_of(line: str) -> str:
    """A line without the signs that make a mark of it."""
    return line.strip(_SIGNS)
