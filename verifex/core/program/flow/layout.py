"""Places a chart: each part around its own middle line, branches side by side, loops with a way back at the left."""

from dataclasses import dataclass, field
from textwrap import wrap
from typing import Any

from verifex.core.program.flow.chart import Box, Branch, Chart, Loop, Part

LETTER, LINE, PAD_X, PAD_Y = 7.3, 17.0, 16.0, 9.0
MOST_LETTERS = 30
GAP_Y, GAP_X, LANE = 26.0, 28.0, 18.0  # between boxes, between branches, for a way beside a loop
MARGIN = 14.0


@dataclass(frozen=True, slots=True)
class PlacedBox:
    """A box with its middle top (x, y), its size, and its text wrapped to lines."""

    box: Box
    x: float
    y: float
    width: float
    height: float
    text: tuple[str, ...]


@dataclass(frozen=True, slots=True)
class Way:
    """A line between boxes; the label stands at its beginning. Without an arrow it joins another."""

    points: tuple[tuple[float, float], ...]
    label: str = ""
    arrow: bool = True


@dataclass(slots=True)
class Placed:
    """A chart with everything in its place; sizes in units of the drawing."""

    name: str
    width: float = 0.0
    height: float = 0.0
    boxes: list[PlacedBox] = field(default_factory=list)
    ways: list[Way] = field(default_factory=list)

    def as_json(self) -> dict[str, Any]:
        return {
            "name": self.name,
            "width": round(self.width, 1),
            "height": round(self.height, 1),
            "boxes": [
                {
                    "kind": b.box.kind,
                    "x": round(b.x, 1),
                    "y": round(b.y, 1),
                    "width": round(b.width, 1),
                    "height": round(b.height, 1),
                    "text": list(b.text),
                    "first_line": b.box.lines[0],
                    "last_line": b.box.lines[1],
                }
                for b in self.boxes
            ],
            "ways": [
                {"points": [[round(x, 1), round(y, 1)] for x, y in w.points], "label": w.label, "arrow": w.arrow}
                for w in self.ways
            ],
        }


@dataclass(frozen=True, slots=True)
class _Room:
    """What a part needs to the left and right of its middle line, and downwards."""

    left: float
    right: float
    height: float


def _lines(box: Box) -> tuple[str, ...]:
    return tuple(line for text in box.text for line in (wrap(text, MOST_LETTERS) or [""]))


def _size(box: Box) -> tuple[float, float]:
    lines = _lines(box)
    width = max(len(line) for line in lines) * LETTER + 2 * PAD_X
    extra = 2 * LANE if box.kind == "decision" else 0.0
    return max(width + extra, 70.0), len(lines) * LINE + 2 * PAD_Y


def _room(part: Part) -> _Room:
    match part:
        case Box():
            width, height = _size(part)
            return _Room(width / 2, width / 2, height)
        case Branch():
            width, height = _size(part.question)
            yes, no = _room_of(part.yes), _room_of(part.no)
            right = max(width / 2 + GAP_X, yes.right + GAP_X + no.left) + no.right
            return _Room(max(width / 2, yes.left), right, height + GAP_Y + max(yes.height, no.height) + GAP_Y)
        case Loop():
            width, height = _size(part.question)
            body = _room_of(part.body)
            side = max(width / 2, body.left) + LANE
            return _Room(side, max(width / 2, body.right) + LANE, height + GAP_Y + body.height + GAP_Y)
    raise TypeError(part)


def _room_of(parts: tuple[Part, ...]) -> _Room:
    rooms = [_room(part) for part in parts]
    if not rooms:
        return _Room(0.0, 0.0, 0.0)
    height = sum(room.height for room in rooms) + GAP_Y * (len(rooms) - 1)
    return _Room(max(room.left for room in rooms), max(room.right for room in rooms), height)


def placed(chart: Chart) -> Placed:
    """The chart with everything in its place."""
    room = _room_of(chart.parts)
    out = Placed(chart.name, room.left + room.right + 2 * MARGIN, room.height + 2 * MARGIN)
    _sequence(out, chart.parts, MARGIN + room.left, MARGIN)
    return out


def _sequence(out: Placed, parts: tuple[Part, ...], x: float, y: float) -> tuple[float, bool]:
    """Puts parts one under the other; gives where the last ends, and whether anything goes on from there."""
    goes_on = True
    for index, part in enumerate(parts):
        if index:
            if goes_on:
                out.ways.append(Way(((x, y), (x, y + GAP_Y))))
            y += GAP_Y
        y, goes_on = _put(out, part, x, y)
    return y, goes_on


def _put(out: Placed, part: Part, x: float, y: float) -> tuple[float, bool]:
    match part:
        case Box():
            height = _put_box(out, part, x, y)
            return y + height, part.kind != "end"
        case Branch():
            return _put_branch(out, part, x, y)
        case Loop():
            return _put_loop(out, part, x, y)
    raise TypeError(part)


def _put_box(out: Placed, box: Box, x: float, y: float) -> float:
    width, height = _size(box)
    out.boxes.append(PlacedBox(box, x, y, width, height, _lines(box)))
    return height


def _put_branch(out: Placed, part: Branch, x: float, y: float) -> tuple[float, bool]:
    width, height = _size(part.question)
    _put_box(out, part.question, x, y)
    yes, no = _room_of(part.yes), _room_of(part.no)
    top, join = y + height + GAP_Y, y + height + GAP_Y + max(yes.height, no.height) + GAP_Y
    other = x + max(width / 2 + GAP_X, yes.right + GAP_X + no.left)
    out.ways.append(Way(((x, y + height), (x, top)), "yes", arrow=bool(part.yes)))
    yes_end, yes_on = _sequence(out, part.yes, x, top)
    if yes_on:
        out.ways.append(Way(((x, yes_end), (x, join)), arrow=False))
    middle = y + height / 2
    if part.no:
        out.ways.append(Way(((x + width / 2, middle), (other, middle), (other, top)), "no"))
        no_end, no_on = _sequence(out, part.no, other, top)
        if no_on:
            out.ways.append(Way(((other, no_end), (other, join), (x, join)), arrow=False))
    else:
        no_on = True
        out.ways.append(Way(((x + width / 2, middle), (other, middle), (other, join), (x, join)), "no", arrow=False))
    return join, yes_on or no_on


def _put_loop(out: Placed, part: Loop, x: float, y: float) -> tuple[float, bool]:
    width, height = _size(part.question)
    body = _room_of(part.body)
    left, right = x - max(width / 2, body.left) - LANE, x + max(width / 2, body.right) + LANE
    end = y + height + GAP_Y + body.height + GAP_Y
    if part.at_end:
        after, goes_on = _sequence(out, part.body, x, y)
        asked_at = y + body.height + GAP_Y
        if goes_on:
            out.ways.append(Way(((x, after), (x, asked_at))))
        _put_box(out, part.question, x, asked_at)
        middle = asked_at + height / 2
        out.ways.append(
            Way(((x - width / 2, middle), (left, middle), (left, y - GAP_Y / 2), (x, y - GAP_Y / 2)), "yes")
        )
        out.ways.append(Way(((x, asked_at + height), (x, end)), "no", arrow=False))
        return end, True
    _put_box(out, part.question, x, y)
    middle, top = y + height / 2, y + height + GAP_Y
    out.ways.append(Way(((x, y + height), (x, top)), "yes", arrow=bool(part.body)))
    after, goes_on = _sequence(out, part.body, x, top)
    if goes_on:
        back = end - GAP_Y / 2
        out.ways.append(Way(((x, after), (x, back), (left, back), (left, middle), (x - width / 2, middle))))
    out.ways.append(Way(((x + width / 2, middle), (right, middle), (right, end), (x, end)), "no", arrow=False))
    return end, True
