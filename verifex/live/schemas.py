"""What live readings are asked with and answered as."""

from typing import Annotated

from pydantic import Field

from verifex.api.shape import Shape

MOST_LINES = 500  # at once


class LinesIn(Shape):
    """Lines from the helper; `first` counts from 0 over all it sent."""

    first: Annotated[int, Field(ge=0, le=10_000_000)]
    lines: Annotated[list[Annotated[str, Field(max_length=2000)]], Field(max_length=MOST_LINES)]


class TakenOut(Shape):
    """How many lines the server has of what was sent."""

    received: int


class FeedOut(Shape):
    code: str
    lines: int
    open: bool


class MarkIn(Shape):
    step: Annotated[str, Field(max_length=200)]


class LiveStepOut(Shape):
    """A step so far; `verdict` as of a log that is handed in, `values` its last ones. What the bench should print, from `low`
    to `high`, is shown to staff only."""

    name: str
    verdict: str
    centre: float | None
    readings: int
    values: list[float]
    low: float | None
    high: float | None


class LiveVerdictOut(Shape):
    steps: list[LiveStepOut]
    notes: list[str]
