"""Functions on C strings: lists of characters that end with a NUL."""

import math
from decimal import ROUND_HALF_UP, Decimal
from typing import Any

from verifex.core.program.calls.registry import At, Machine, call
from verifex.core.program.calls.texts import compared, float_in, whole_in
from verifex.core.program.calls.writing import formatted
from verifex.core.program.types import CHAR, FLOAT, LONG, TEXT, ULONG, Int, Pointer, Type
from verifex.core.program.values import chars_made, chars_read

INT, WORD = Int(16, True), Int(16, False)
CHARS = Pointer(CHAR)
DIGITS = "0123456789abcdefghijklmnopqrstuvwxyz"


def _put(m: Machine, at: At, where: Any, text: str, *, close: bool = True) -> Any:
    """Writes characters into cells; what does not fit is a runtime fault, as it would overwrite something else."""
    if where is None:
        m.runtime_faults[("points-nowhere", at)] += 1
        return where
    cells, start = where
    for offset, code in enumerate(chars_made(text) if close else chars_made(text)[:-1]):
        if not 0 <= start + offset < len(cells):
            m.runtime_faults[("outside-array", at)] += 1
            break
        cells[start + offset] = code
    return where


def _place(where: Any, offset: int) -> Any:
    """A pointer so many letters behind another; None where nothing was found."""
    return None if where is None or offset < 0 else (where[0], where[1] + offset)


@call("strlen", (CHARS,), WORD)
def strlen(m: Machine, at: At, _: Any, where: Any) -> int:
    return len(chars_read(where))


@call("strcmp", (CHARS, CHARS), INT)
def strcmp(m: Machine, at: At, _: Any, one: Any, other: Any) -> int:
    return compared(chars_read(one), chars_read(other))


@call("strncmp", (CHARS, CHARS, WORD), INT)
def strncmp(m: Machine, at: At, _: Any, one: Any, other: Any, most: int) -> int:
    return compared(chars_read(one)[:most], chars_read(other)[:most])


@call("strcasecmp", (CHARS, CHARS), INT)
def strcasecmp(m: Machine, at: At, _: Any, one: Any, other: Any) -> int:
    return compared(chars_read(one).lower(), chars_read(other).lower())


@call("strncasecmp", (CHARS, CHARS, WORD), INT)
def strncasecmp(m: Machine, at: At, _: Any, one: Any, other: Any, most: int) -> int:
    return compared(chars_read(one)[:most].lower(), chars_read(other)[:most].lower())


@call("strcpy", (CHARS, CHARS), CHARS)
def strcpy(m: Machine, at: At, _: Any, to: Any, text: Any) -> Any:
    return _put(m, at, to, chars_read(text))


@call("strncpy", (CHARS, CHARS, WORD), CHARS)
def strncpy(m: Machine, at: At, _: Any, to: Any, text: Any, most: int) -> Any:
    said = chars_read(text)[:most]
    return _put(m, at, to, said + "\0" * (most - len(said)), close=False)


@call("strcat", (CHARS, CHARS), CHARS)
def strcat(m: Machine, at: At, _: Any, to: Any, text: Any) -> Any:
    return _put(m, at, to, chars_read(to) + chars_read(text))


@call("strncat", (CHARS, CHARS, WORD), CHARS)
def strncat(m: Machine, at: At, _: Any, to: Any, text: Any, most: int) -> Any:
    return _put(m, at, to, chars_read(to) + chars_read(text)[:most])


@call("strchr", (CHARS, INT), CHARS)
def strchr(m: Machine, at: At, _: Any, where: Any, letter: int) -> Any:
    return _place(where, (chars_read(where) + "\0").find(chr(letter & 0xFF)))


@call("strrchr", (CHARS, INT), CHARS)
def strrchr(m: Machine, at: At, _: Any, where: Any, letter: int) -> Any:
    return _place(where, (chars_read(where) + "\0").rfind(chr(letter & 0xFF)))


@call("strstr", (CHARS, CHARS), CHARS)
def strstr(m: Machine, at: At, _: Any, where: Any, wanted: Any) -> Any:
    return _place(where, chars_read(where).find(chars_read(wanted)))


def _run_of(text: str, letters: str, *, inside: bool) -> int:
    return next((n for n, letter in enumerate(text) if (letter in letters) != inside), len(text))


@call("strspn", (CHARS, CHARS), WORD)
def strspn(m: Machine, at: At, _: Any, where: Any, letters: Any) -> int:
    return _run_of(chars_read(where), chars_read(letters), inside=True)


@call("strcspn", (CHARS, CHARS), WORD)
def strcspn(m: Machine, at: At, _: Any, where: Any, letters: Any) -> int:
    return _run_of(chars_read(where), chars_read(letters), inside=False)


@call("strtok", (CHARS, CHARS), CHARS)
def strtok(m: Machine, at: At, _: Any, where: Any, letters: Any) -> Any:
    """The next piece between separators; each is closed by a NUL in the place of the separator behind it."""
    here = where if where is not None else m.own.get("strtok")
    apart = chars_read(letters)
    text = chars_read(here)
    first = _run_of(text, apart, inside=True)
    if first == len(text):
        m.own["strtok"] = None
        return None
    end = first + _run_of(text[first:], apart, inside=False)
    if end < len(text):
        _put(m, at, _place(here, end), "\0", close=False)
        m.own["strtok"] = _place(here, end + 1)
    else:
        m.own["strtok"] = None
    return _place(here, first)


@call("atoi", (CHARS,), INT)
def atoi(m: Machine, at: At, _: Any, where: Any) -> int:
    return INT.wrap(whole_in(chars_read(where)))


@call("atol", (CHARS,), LONG)
def atol(m: Machine, at: At, _: Any, where: Any) -> int:
    return whole_in(chars_read(where))


@call("atof", (CHARS,), FLOAT)
def atof(m: Machine, at: At, _: Any, where: Any) -> float:
    return float_in(chars_read(where))


def _number_in_base(text: str, base: int) -> tuple[int, int]:
    """The whole number a text begins with, in a base (0: as it is written), and how many letters it takes; 0, 0 for none."""
    at = len(text) - len(text.lstrip())
    sign = -1 if text[at : at + 1] == "-" else 1
    at += text[at : at + 1] in ("-", "+")
    if base in (0, 16) and text[at : at + 2].lower() == "0x" and text[at + 2 : at + 3].lower() in tuple(DIGITS[:16]):
        at, base = at + 2, 16
    base = base or (8 if text[at : at + 1] == "0" else 10)
    digits = _run_of(text[at:].lower(), DIGITS[:base], inside=True)
    return (sign * int(text[at : at + digits], base), at + digits) if digits else (0, 0)


def _store_end(m: Machine, at: At, end: Any, where: Any, taken: int) -> None:
    if end:
        cells, index = end
        cells[index] = _place(where, taken)


@call("strtol", (CHARS, "where", INT), LONG)
def strtol(m: Machine, at: At, _: Any, where: Any, end: Any, base: int) -> int:
    value, taken = _number_in_base(chars_read(where), base)
    _store_end(m, at, end, where, taken)
    return min(max(value, LONG.low), LONG.high)


@call("strtoul", (CHARS, "where", INT), ULONG)
def strtoul(m: Machine, at: At, _: Any, where: Any, end: Any, base: int) -> int:
    value, taken = _number_in_base(chars_read(where), base)
    _store_end(m, at, end, where, taken)
    return ULONG.wrap(value) if abs(value) <= ULONG.high else ULONG.high


def _in_base(value: int, base: int) -> str:
    digits, rest = "", abs(value)
    while rest or not digits:
        digits = DIGITS[rest % base] + digits
        rest //= base
    return ("-" if value < 0 else "") + digits


@call("itoa", (INT, CHARS, INT), CHARS)
def itoa(m: Machine, at: At, _: Any, value: int, to: Any, base: int) -> Any:
    return _put(m, at, to, _in_base(value if base == 10 else value & 0xFFFF, base))


@call("ltoa", (LONG, CHARS, INT), CHARS)
def ltoa(m: Machine, at: At, _: Any, value: int, to: Any, base: int) -> Any:
    return _put(m, at, to, _in_base(value if base == 10 else value & 0xFFFFFFFF, base))


@call("utoa", (WORD, CHARS, INT), CHARS)
def utoa(m: Machine, at: At, _: Any, value: int, to: Any, base: int) -> Any:
    return _put(m, at, to, _in_base(value, base))


@call("ultoa", (ULONG, CHARS, INT), CHARS)
def ultoa(m: Machine, at: At, _: Any, value: int, to: Any, base: int) -> Any:
    return _put(m, at, to, _in_base(value, base))


@call("dtostrf", (FLOAT, INT, INT, CHARS), CHARS)
def dtostrf(m: Machine, at: At, _: Any, value: float, width: int, decimals: int, to: Any) -> Any:
    if math.isfinite(value):  # half of a last digit is rounded away from 0
        said = f"{Decimal(value).quantize(Decimal(1).scaleb(-max(0, decimals)), ROUND_HALF_UP):f}"
    else:
        said = str(value).upper()
    return _put(m, at, to, said.ljust(-width) if width < 0 else said.rjust(width))


@call("sprintf", (CHARS, TEXT, "any"), INT, least=2, open_ended=True)
def sprintf(m: Machine, at: At, kinds: tuple[Type, ...], to: Any, pattern: str, *values: Any) -> int:
    said = formatted(pattern, kinds[2:], values, m.board.int_bits)
    _put(m, at, to, said)
    return len(said)


@call("snprintf", (CHARS, WORD, TEXT, "any"), INT, least=3, open_ended=True)
def snprintf(m: Machine, at: At, kinds: tuple[Type, ...], to: Any, most: int, pattern: str, *values: Any) -> int:
    said = formatted(pattern, kinds[3:], values, m.board.int_bits)
    if most > 0:
        _put(m, at, to, said[: most - 1])
    return len(said)
