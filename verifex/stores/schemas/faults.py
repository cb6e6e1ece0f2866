"""Shapes of faults."""

from datetime import datetime
from typing import Annotated

from pydantic import Field

from verifex.api.shape import Shape


class FaultOut(Shape):
    """`times` is how often this module (or this place of this kit) was faulty, this time counted: `third time`."""

    id: int
    kit: str
    ref: str
    module: str
    title: str
    what: str
    state: str
    times: str
    opened_at: datetime
    opened_by: str
    closed_at: datetime | None
    closed_by: str
    note: str
    photos: list[int]


class FaultClosedIn(Shape):
    is_well: bool
    note: Annotated[str, Field(max_length=200)] = ""


class PhotoIn(Shape):
    """A picture as base64: JPEG, PNG or WebP, at most 10 MB."""

    data: Annotated[str, Field(max_length=14_000_000)]
