"""Ids of tags in a log, in any way of writing the same bytes."""

import re

from verifex.core.printed.lines import IDS

_BYTE = re.compile(r"(?:0x)?([0-9A-Fa-f]{2})(?![0-9A-Fa-f])")
_RUN = re.compile(r"(?<![\w.])(?:0x)?([0-9A-Fa-f]{7,20})(?!\w)")
_SHORT = re.compile(r"(?<![\w.])[0-9A-Fa-f]{1,2}(?:[\s:,-]+[0-9A-Fa-f]{1,2}){3,9}(?![\w.])")


_DECIMAL = re.compile(r"(?<![\w.])(\d{1,3}(?:[\s:,-]+\d{1,3}){3,9})(?![\w.])")


def id_in(line: str) -> str | None:
    """The id of a line as bytes in upper case, `04 A2 19 7C`; None where none stands in it. Bytes printed as decimal numbers
    are distinguished from hexadecimal ones by a number of three digits or of one."""
    if (found := _DECIMAL.search(line)) and any(len(byte) != 2 for byte in re.findall(r"\d+", found.group())):
        numbers = [int(byte) for byte in re.findall(r"\d+", found.group())]
        if max(numbers) <= 0xFF:
            return " ".join(f"{byte:02X}" for byte in numbers)
    if found := IDS.search(line):
        return " ".join(byte.upper() for byte in _BYTE.findall(found.group()))
    if (short := _SHORT.search(line)) and re.search(r"[A-Fa-f]", short.group()) and re.search(r"\d", short.group()):
        return " ".join(byte.upper().zfill(2) for byte in re.findall(r"[0-9A-Fa-f]+", short.group()))
    if (run := _RUN.search(line)) and re.search(r"[A-Fa-f]", run.group(1)):
        return same_id(run.group(1))
    return None


def same_id(text: str) -> str:
    """An id written in one way, to be compared."""
    digits = re.sub(r"0x|[^0-9A-Fa-f]", "", text, flags=re.IGNORECASE).upper()
    return " ".join(digits[i : i + 2] for i in range(0, len(digits), 2))
