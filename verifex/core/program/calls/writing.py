"""Values as text by a pattern: `%5d`, `%x`, `%s`."""

import re
from typing import Any

from verifex.core.program.types import Int, Type
from verifex.core.program.values import chars_read

MOST_WIDE = 255  # wider than any buffer of a small board
_FORMAT = re.compile(r"%([-+ 0#]*)(\d*)(?:\.(\d+))?(hh?|l*|z)([diuoxXcsfegFEG%])")


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
        if kind in "fegFEG" and int_bits == 16:
            return "?".rjust(int(width or 0))
        if kind in "fegFEG":
            return f"%{flags}{width}.{precision or 6}{kind}" % float(value)
        if kind == "s":
            # A number where a text is named is read as an address: what comes out is anybody's guess.
            text = value if isinstance(value, str) else "?" if isinstance(value, int | float) else chars_read(value)
            text = text[: int(precision)] if precision else text
        elif kind == "c":
            text = chr(int(value) & 0xFF)
        else:
            bits = {"hh": 8, "h": 16, "l": 32, "ll": 64}.get(long, int_bits)
            number = Int(bits, kind in "di").wrap(int(value))
            text = format(number, {"x": "x", "X": "X", "o": "o"}.get(kind, "d"))
            if "#" in flags and number and kind in "xXo":
                text = {"x": "0x", "X": "0X", "o": "0"}[kind] + text
            if precision:
                text = text.zfill(int(precision))
            if number >= 0 and kind in "di":
                text = ("+" if "+" in flags else " " if " " in flags else "") + text
        if "-" in flags:
            return text.ljust(int(width or 0))
        pad = "0" if "0" in flags and kind not in "sc" else " "
        if pad == "0" and text[:1] in ("-", "+", " "):
            return text[0] + text[1:].rjust(int(width or 0) - 1, "0")
        return text.rjust(int(width or 0), pad)

    return _FORMAT.sub(one, pattern)
