"""What the text of a setting says in SI units: parsed once, whoever asks."""

from functools import lru_cache

from verifex.core.resistors.bands import BandReading, read_bands


@lru_cache(maxsize=1024)
def bands_or_none(text: str) -> BandReading | None:
    """What bands such as `red-red-brown-gold` say, or None when they say nothing."""
    try:
        return read_bands(text.split("-"))
    except ValueError:
        return None


def address_or_none(text: str) -> int | None:
    """An address on the two-wire bus, written as 0x27 or 39; None for what is none."""
    try:
        return int(text, 0)
    except ValueError:
        return None
