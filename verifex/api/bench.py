"""A bench as the board map draws it, and its nets."""

from typing import Any

from verifex.api.shape import Shape


class BoardPartOut(Shape):
    ref: str
    type: str
    title: str
    legs: dict[str, str]
    settings: dict[str, str]
    line: int


class WireOut(Shape):
    from_place: str
    to_place: str
    colour: str | None
    line: int


class BenchOut(Shape):
    """What the board map draws."""

    name: str
    board: str | None
    board_ref: str
    base: str
    rows: int
    parts: list[BoardPartOut]
    wires: list[WireOut]


class NetOut(Shape):
    name: str
    places: list[str]
    volts: float | None
    by_state: dict[str, float]


def bench_out(data: dict[str, Any]) -> dict[str, Any]:
    """The core's bench with names that are no keywords."""
    wires = [WireOut(from_place=w["from"], to_place=w["to"], colour=w["colour"], line=w["line"]) for w in data["wires"]]
    return {**data, "wires": wires}
