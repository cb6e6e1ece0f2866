"""Preferred values (IEC 60063:2015): the rounded geometric series, with E24's older irregular members."""

from bisect import bisect_left, bisect_right
from math import floor, log10

E24 = (1.0, 1.1, 1.2, 1.3, 1.5, 1.6, 1.8, 2.0, 2.2, 2.4, 2.7, 3.0, 3.3, 3.6, 3.9, 4.3, 4.7, 5.1, 5.6, 6.2, 6.8, 7.5, 8.2, 9.1)  # fmt: skip


def _fine(count: int) -> tuple[float, ...]:
    values = [round(10 ** (i / count), 2) for i in range(count)]
    # The standard prints 9.20 where the formula rounds to 9.19.
    return tuple(9.20 if count == 192 and value == 9.19 else value for value in values)


SERIES: dict[str, tuple[float, ...]] = {
    "E3": E24[::8], "E6": E24[::4], "E12": E24[::2], "E24": E24, "E48": _fine(48), "E96": _fine(96), "E192": _fine(192),
}  # fmt: skip


def neighbours(ohms: float, series: str = "E12") -> tuple[float, float, float]:
    """(next down or equal, nearest, next up or equal) preferred values of `ohms`, in ohms.

    Nearest is by ratio, as the series is geometric. Raises ValueError for a value of 0 or less, or an
    unknown series.
    """
    if ohms <= 0:
        raise ValueError("a preferred value is above 0 Ω")
    if series not in SERIES:
        raise ValueError(f"'{series}' is no preferred series; one of {', '.join(SERIES)} was expected")
    decade = floor(log10(ohms))
    members = [round(m * 10.0**d, 6) for d in (decade - 1, decade, decade + 1) for m in SERIES[series]]
    slack = ohms * 1e-9
    down = members[bisect_right(members, ohms + slack) - 1]
    up = members[bisect_left(members, ohms - slack)]
    nearest = down if ohms / down <= up / ohms else up
    return down, nearest, up


def is_preferred(ohms: float, series: str = "E24") -> bool:
    """Whether a value belongs to a preferred series (E192 counts the members of E24 too)."""
    if ohms <= 0:
        return False
    names = [series, "E24"] if series in ("E48", "E96", "E192") else [series]
    return any(abs(neighbours(ohms, name)[1] / ohms - 1) < 1e-6 for name in names)
