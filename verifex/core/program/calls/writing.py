"""Values as text by a pattern: `%5d`, `%x`, `%s`."""

import re
from typing import Any

from verifex.core.program.types import Int, Type
from verifex.core.program.values import chars_read

MOST_WIDE = 255  # wider than any buffer of a small board
_FORMAT = re.compile(r"%([-+ 0#]*)(\d*)(?:\.(\d+))?(l*)([diuxXcsfeg%])")


def formatted(pattern: str, kinds: tuple[Type, ...], values: tuple[Any, ...], int_bits: int = 16) -> str:
    """What `sprintf` makes: whole numbers by their bits, texts, floats; the small boards give `?` for a float."""
    left = list(zip(kinds, values, strict=True))

    def one(match: re.Match[str]) -> str:
        flags, width, precision, long, kind = match.groups()
        width, precision = str(min(int(width or 0), MOST_WIDE)), precision and str(min(int(precision), MOST_WIDE))
        if kind == "%":
            return "%"
        if not left:
            return match.group(0)
        _, value = left.pop(0)
        if kind in "feg" and int_bits == 16:
            return "?".rjust(int(width or 0))
        if kind in "feg":
            return f"%{flags}{width}.{precision or 6}{kind}" % float(value)
        if kind == "s":
            # A number where a text is named is read as an address: what comes out is anybody's guess.
            text = value if isinstance(value, str) else "?" if isinstance(value, int | float) else chars_read(value)
            text = text[: int(precision)] if precision else text
        elif kind == "c":
            text = chr(int(value) & 0xFF)
        else:
            number = Int(32 if long else int_bits, kind in "di").wrap(int(value))
            text = format(number, {"x": "x", "X": "X"}.get(kind, "d"))
            if precision:
                text = text.zfill(int(precision))
            if "+" in flags and number >= 0 and kind in "di":
                text = "+" + text
        if "-" in flags:
            return text.ljust(int(width or 0))
        pad = "0" if "0" in flags and kind not in "sc" else " "
        if pad == "0" and text.startswith("-"):
            return "-" + text[1:].rjust(int(width or 0) - 1, "0")
        return text.rjust(int(width or 0), pad)

    return _FORMAT.sub(one, pattern)
