"""What kind of letter a code is, and its other case, in the dialect's words and in C's. All know the 128 codes of ASCII only."""

import string
from collections.abc import Callable
from typing import Any

from verifex.core.program.calls.registry import At, Machine, call
from verifex.core.program.types import BOOL, Int

INT = Int(16, True)
BLANK, SPACE = " \t", string.whitespace
PUNCTUATION = string.punctuation
LETTERS, DIGITS = string.ascii_letters, string.digits

#: The letters of each kind, with the dialect's name for it and C's.
KINDS = {
    ("isAlpha", "isalpha"): LETTERS,
    ("isAlphaNumeric", "isalnum"): LETTERS + DIGITS,
    ("isDigit", "isdigit"): DIGITS,
    ("isHexadecimalDigit", "isxdigit"): string.hexdigits,
    ("isLowerCase", "islower"): string.ascii_lowercase,
    ("isUpperCase", "isupper"): string.ascii_uppercase,
    ("isPunct", "ispunct"): PUNCTUATION,
    ("isSpace", "isspace"): SPACE,
    ("isWhitespace", "isblank"): BLANK,
    ("isGraph", "isgraph"): LETTERS + DIGITS + PUNCTUATION,
    ("isPrintable", "isprint"): LETTERS + DIGITS + PUNCTUATION + " ",
    ("isControl", "iscntrl"): "".join(chr(code) for code in (*range(32), 127)),
    ("isAscii", "isascii"): "".join(map(chr, range(128))),
}


def _enter(name: str, test: Callable[[int], bool]) -> None:
    @call(name, (INT,), BOOL)
    def act(m: Machine, at: At, _: Any, code: int) -> int:
        return int(test(code))


for _names, _letters in KINDS.items():
    _codes = frozenset(map(ord, _letters))
    for _name in _names:
        _enter(_name, _codes.__contains__)


def _enter_change(name: str, change: Callable[[int], int]) -> None:
    @call(name, (INT,), INT)
    def act(m: Machine, at: At, _: Any, code: int) -> int:
        return change(code)


def _upper(code: int) -> int:
    return code - 32 if ord("a") <= code <= ord("z") else code


def _lower(code: int) -> int:
    return code + 32 if ord("A") <= code <= ord("Z") else code


for _name, _change in {
    "toupper": _upper, "toUpperCase": _upper, "tolower": _lower, "toLowerCase": _lower,
    "toascii": lambda code: code & 0x7F, "toAscii": lambda code: code & 0x7F,
}.items():  # fmt: skip
    _enter_change(_name, _change)
