"""How much of a corpus the tests try: a fixed part of it every day, all of it with LONG=1, as `make corpus` does."""

import os
from collections.abc import Sequence
from typing import TypeVar

T = TypeVar("T")
LONG = bool(os.environ.get("LONG"))


def sample(cases: Sequence[T], every: int) -> Sequence[T]:
    """Every so many of the cases, always the same ones; all of them in a long run."""
    return cases if LONG else cases[::every]
