"""Ids of tags in a log, in any way of writing the same bytes."""

import re

from verifex.core.printed.lines import IDS

_BYTE = re.compile(r"(?:0x)?([0-9A-Fa-f]{2})(?![0-9A-Fa-f])")
_RUN = re.compile(r"(?<![\w.])(?:0x)?((?:[0-9A-Fa-f]{2}){4,10})(?!\w)")


def id_in(line: str) -> str | None:
    """The id of a line as bytes in upper case, `04 A2 19 7C`; None where none stands in it."""
    if found := IDS.search(line):
        return " ".join(byte.upper() for byte in _BYTE.findall(found.group()))
    if (run := _RUN.search(line)) and re.search(r"[A-Fa-f]", run.group(1)):
        return same_id(run.group(1))
    return None


def same_id(text: str) -> str:
    """An id written in one way, to be compared."""
    digits = re.sub(r"0x|[^0-9A-Fa-f]", "", text, flags=re.IGNORECASE).upper()
    return " ".join(digits[i : i + 2] for i in range(0, len(digits), 2))
