"""Texts: methods of the string class."""

import re
from collections.abc import Callable
from dataclasses import dataclass
from typing import Any, Literal

from verifex.core.program.types import BOOL, BYTE, CHAR, FLOAT, LONG, TEXT, Int, Pointer, Type, as_float32
from verifex.core.program.values import chars_made

INT, WORD = Int(16, True), Int(16, False)
CHARS = Pointer(CHAR)
MOST_LETTERS = 2048


@dataclass(frozen=True, slots=True)
class Method:
    """A method of the string class: what it takes and gives; one that `changes` gives the text anew."""

    takes: tuple[Type | Literal["text"], ...]
    least: int
    gives: Type
    act: Callable[..., Any]
    changes: bool = False


def _number_at_start(text: str, pattern: str) -> str:
    match = re.match(rf"\s*({pattern})", text)
    return match.group(1) if match else ""


def whole_in(text: str) -> int:
    """The whole number a text begins with, as the C library reads it; 0 for none."""
    found = _number_at_start(text, r"[-+]?\d+")
    return LONG.wrap(int(found)) if found else 0


def float_in(text: str) -> float:
    found = _number_at_start(text, r"[-+]?(?:\d+\.?\d*|\.\d+)(?:[eE][-+]?\d+)?")
    return as_float32(float(found)) if found else 0.0


def _substring(text: str, first: int, last: int | None = None) -> str:
    end = len(text) if last is None else last
    if end < first:
        first, end = end, first
    return text[max(0, first) : max(0, min(end, len(text)))] if first <= len(text) else ""


def _found(text: str, wanted: str, start: int = 0) -> int:
    return text.find(wanted, max(0, start))


def _found_last(text: str, wanted: str, start: int | None = None) -> int:
    return text.rfind(wanted, 0, None if start is None else start + len(wanted))


def _with_letter(text: str, at: int, letter: int) -> str:
    return text[:at] + chr(letter & 0xFF) + text[at + 1 :] if 0 <= at < len(text) else text


def _removed(text: str, at: int, count: int | None = None) -> str:
    if not 0 <= at < len(text):
        return text
    return text[:at] + (text[at + count :] if count is not None else "")


def compared(text: str, other: str) -> int:
    return (text > other) - (text < other)


def _into_chars(text: str, where: Any, size: int, begin: int = 0) -> int:
    """The text's letters from `begin` on into a list of characters: one fewer than `size`, and the closing NUL."""
    if where is not None and size > 0:
        cells, start = where
        for offset, code in enumerate(chars_made(text[begin : begin + size - 1])):
            if 0 <= start + offset < len(cells):
                cells[start + offset] = code
    return 0


METHODS: dict[str, Method] = {
    "length": Method((), 0, WORD, len),
    "charAt": Method((WORD,), 1, CHAR, lambda t, n: CHAR.wrap(ord(t[n])) if 0 <= n < len(t) else 0),
    "setCharAt": Method((WORD, CHAR), 2, TEXT, _with_letter, changes=True),
    "indexOf": Method(("text", WORD), 1, INT, _found),
    "lastIndexOf": Method(("text", WORD), 1, INT, _found_last),
    "toCharArray": Method((CHARS, WORD, WORD), 2, INT, _into_chars),
    "getBytes": Method((Pointer(BYTE), WORD, WORD), 2, INT, _into_chars),
    "substring": Method((WORD, WORD), 1, TEXT, _substring),
    "toInt": Method((), 0, LONG, whole_in),
    "toFloat": Method((), 0, FLOAT, float_in),
    "toDouble": Method((), 0, FLOAT, float_in),
    "equals": Method(("text",), 1, BOOL, lambda t, o: int(t == o)),
    "equalsIgnoreCase": Method(("text",), 1, BOOL, lambda t, o: int(t.lower() == o.lower())),
    "compareTo": Method(("text",), 1, INT, compared),
    "startsWith": Method(("text", WORD), 1, BOOL, lambda t, o, n=0: int(t.startswith(o, n))),
    "endsWith": Method(("text",), 1, BOOL, lambda t, o: int(t.endswith(o))),
    "isEmpty": Method((), 0, BOOL, lambda t: int(not t)),
    "c_str": Method((), 0, TEXT, lambda t: t),
    "toUpperCase": Method((), 0, TEXT, str.upper, changes=True),
    "toLowerCase": Method((), 0, TEXT, str.lower, changes=True),
    "trim": Method((), 0, TEXT, str.strip, changes=True),
    "concat": Method(("text",), 1, TEXT, lambda t, o: (t + o)[:MOST_LETTERS], changes=True),
    "replace": Method(
        ("text", "text"), 2, TEXT, lambda t, a, b: t.replace(a, b)[:MOST_LETTERS] if a else t, changes=True
    ),
    "remove": Method((WORD, WORD), 1, TEXT, _removed, changes=True),
    "reserve": Method((WORD,), 1, TEXT, lambda t, n: t, changes=True),
}

#: What the string class has besides.
METHODS_NOT_SUPPORTED = ("begin", "end", "equalsConstantTime")
