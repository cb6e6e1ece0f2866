"""A simulated badge reader: it types codes as a keyboard does, each with Enter behind it."""

import sys
import time
from collections.abc import Callable, Iterable, Iterator
from typing import TextIO


def hand_out(
    kits: Iterable[str], badges: Iterable[str], *, badge_first: Callable[[int], bool] = lambda n: n % 2 == 0
) -> Iterator[str]:
    """The scans of a class at the hatch: a badge and a kit's tag for each pair, in either order."""
    for number, (kit, badge) in enumerate(zip(kits, badges, strict=True)):
        yield from (badge, kit) if badge_first(number) else (kit, badge)


def type_codes(codes: Iterable[str], out: TextIO = sys.stdout, *, seconds_between: float = 0.3) -> None:
    """Write codes as a reader in keyboard mode sends them."""
    for code in codes:
        out.write(f"{code}\n")
        out.flush()
        time.sleep(seconds_between)
