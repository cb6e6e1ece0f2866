"""Shapes of rooms, benches and the kits of an exercise."""

from typing import Annotated

from pydantic import Field

from verifex.api.shape import Shape
from verifex.set_up.schemas.common import Name, Small


class PlaceInRoomOut(Shape):
    """Where it stands in the grid; rows and columns count from 0."""

    number: int
    row: int
    column: int
    name: str


class RoomOut(Shape):
    id: int
    name: str
    columns: int
    archived: bool
    benches: list[PlaceInRoomOut]


class NewRoomIn(Shape):
    name: Name
    rows: Small
    columns: Small


class BenchIn(Shape):
    number: Small
    row: Small
    column: Small
    name: Annotated[str, Field(max_length=20)] = ""


class RoomIn(Shape):
    name: Name
    columns: Small
    benches: Annotated[list[BenchIn], Field(max_length=400)]


class KitsIn(Shape):
    prefix: Name
    count: Small
