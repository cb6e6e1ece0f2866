"""Puts blocks on a breadboard by chance: sides, rows, rails, pins, leg orders, order of statements."""

from dataclasses import dataclass, field
from random import Random

from tests.corpus.wiring.blocks import Block, Maker, Placed
from verifex.core.parts import catalogue

LETTERS = {"left": "abcde", "right": "fghij"}
BOARDS = ["mcu-5v", "mcu-5v", "mcu-5v-compact", "mcu-3v3-wireless", "sbc-3v3"]
DIGITAL = {
    "mcu-5v": [f"D{n}" for n in range(2, 10)], "mcu-5v-compact": [f"D{n}" for n in range(2, 10)],
    "mcu-3v3-wireless": [f"GPIO{n}" for n in (4, 13, 14, 16, 17, 25, 26, 27)], "sbc-3v3": [f"GPIO{n}" for n in (17, 27, 22, 23, 24, 25, 5, 6, 16, 26)],
}  # fmt: skip
PWM = {"mcu-5v": ["D3", "D5", "D6", "D9"], "mcu-5v-compact": ["D3", "D5", "D6", "D9"]}
ANALOGUE = {"mcu-5v": ["A0", "A1", "A2", "A3"], "mcu-5v-compact": ["A0", "A1", "A2", "A3", "A6", "A7"],
            "mcu-3v3-wireless": [f"GPIO{n}" for n in (32, 33, 34, 35, 36, 39)], "sbc-3v3": []}  # fmt: skip
ROWS = 63


@dataclass(slots=True)
class Line:
    """One statement. `tag` tells what a mutation may do to it: ('leg', ref, leg), ('rail', node), ('link', node)."""

    text: str
    tag: tuple[str, ...] = ()


@dataclass(slots=True)
class Layout:
    """A bench as drawn: its parts with the places of their legs, and its wires."""

    seed: int
    board: str = ""
    blocks: list[Block] = field(default_factory=list)
    places: dict[tuple[str, str], str] = field(default_factory=dict)
    wires: list[Line] = field(default_factory=list)
    pins: dict[str, str] = field(default_factory=dict)
    orders: dict[str, list[str]] = field(default_factory=dict)
    free_rows: dict[str, list[int]] = field(default_factory=dict)

    @property
    def parts(self) -> list[Placed]:
        return [part for block in self.blocks for part in block.parts]

    def text(self, shuffle: bool = True) -> str:
        lines = [
            "board B1 " + self.board,
            "base full",
            *(self._part(part) for part in self.parts),
            *(wire.text for wire in self.wires),
        ]
        if shuffle:
            Random(self.seed + 1).shuffle(lines)
        return "\n".join(lines) + "\n"

    def _part(self, part: Placed) -> str:
        order = self.orders.get(part.ref)
        if order:
            legs = [self.places[(part.ref, leg)] for leg in order]
            settings = (
                {**part.settings, "order": "-".join(order)}
                if order != list(catalogue().parts[part.type].legs)
                else part.settings
            )
        else:
            legs = [f"{leg}={self.places[(part.ref, leg)]}" for leg in part.legs]
            settings = part.settings
        return " ".join(["part", part.ref, part.type, *legs, *(f"{k}={v}" for k, v in settings.items())])


class Placer:
    """Draws one layout from a seed."""

    def __init__(self, seed: int) -> None:
        self.rng = Random(seed)
        board = self.rng.choice(BOARDS)
        maker = Maker(self.rng, board)
        self.layout = Layout(seed, board, maker.blocks())
        self.row = {"left": self.rng.randint(1, 4), "right": self.rng.randint(1, 4)}
        self.used: set[str] = set()
        self.rows_of: dict[str, list[tuple[str, int]]] = {}
        self.free_pins = {
            kind: list(names.get(board, [])) for kind, names in (("d", DIGITAL), ("a", ANALOGUE), ("pwm", PWM))
        }
        for names in self.free_pins.values():
            self.rng.shuffle(names)
        self.rails = {"GND": f"-{self.rng.choice('LR')}", maker.rail: f"+{self.rng.choice('LR')}"}

    def draw(self) -> Layout | None:
        """The layout, or None when the board ran out of rows or pins."""
        try:
            for part in self.layout.parts:
                self._put(part)
            self._wire()
        except IndexError:
            return None
        self.layout.free_rows = {side: list(range(row + 1, ROWS - 3)) for side, row in self.row.items()}
        return self.layout

    def _hole(self, side: str, row: int) -> str:
        free = [f"{letter}{row}" for letter in LETTERS[side] if f"{letter}{row}" not in self.used]
        hole = self.rng.choice(free)
        self.used.add(hole)
        return hole

    def _new_rows(self, side: str, count: int, apart: int = 1) -> list[int]:
        first = self.row[side] + self.rng.randint(0, 1)
        rows = [first + i * apart for i in range(count)]
        if rows[-1] > ROWS - 6:
            raise IndexError("the board is full")
        self.row[side] = rows[-1] + 1
        return rows

    def _put(self, part: Placed) -> None:
        kind = catalogue().parts[part.type]
        side = self.rng.choice(["left", "right"])
        if kind.model in ("module", "pot", "led-three") or (kind.model == "transistor"):
            order = list(part.legs)
            if kind.model in ("module", "transistor"):
                self.rng.shuffle(order)
            letter = self.rng.choice(LETTERS[side])
            for leg, row in zip(order, self._new_rows(side, len(order)), strict=True):
                hole = f"{letter}{row}"
                self.used.add(hole)
                self._take(part, leg, hole, side, row)
            if kind.model == "module" and len(part.legs) == len(kind.legs) and self.rng.random() < 0.6:
                self.layout.orders[part.ref] = order
            return
        for leg in part.legs:
            self._put_leg(part, leg, side)

    def _put_leg(self, part: Placed, leg: str, side: str) -> None:
        node = part.legs[leg]
        rail = self.rails.get(node)
        mine = {self.layout.places[(part.ref, other)] for other in part.legs if (part.ref, other) in self.layout.places}
        shared = [
            (s, row) for s, row in self.rows_of.get(node, []) if self._room(s, row) > 2 and not _in_row(mine, s, row)
        ]
        if rail and self.rng.random() < 0.25 and part.type in ("resistor", "led"):
            self.layout.places[(part.ref, leg)] = rail
        elif shared and self.rng.random() < 0.7:
            s, row = self.rng.choice(shared)
            self._take(part, leg, self._hole(s, row), s, row, new=False)
        else:
            row = self._new_rows(side, 1)[0]
            self._take(part, leg, self._hole(side, row), side, row)

    def _room(self, side: str, row: int) -> int:
        return sum(f"{letter}{row}" not in self.used for letter in LETTERS[side])

    def _take(self, part: Placed, leg: str, hole: str, side: str, row: int, new: bool = True) -> None:
        self.layout.places[(part.ref, leg)] = hole
        if new:
            self.rows_of.setdefault(part.legs[leg], []).append((side, row))

    def _pin(self, node: str) -> str:
        if node in self.layout.pins:
            return self.layout.pins[node]
        _, wish, *_ = node.split(":")
        if wish.startswith("="):
            pin = wish[1:]
        elif wish == "pwm" and not self.free_pins["pwm"]:
            pin = self.free_pins["d"].pop()
        else:
            pin = self.free_pins[wish].pop()
        for names in self.free_pins.values():
            if pin in names:
                names.remove(pin)
        self.layout.pins[node] = pin
        return pin

    def _wire(self) -> None:
        supplies = {"+5": "B1.5V", "+3": "B1.3V3", "GND": "B1.GND"}
        for node, rail in self.rails.items():
            on_rail = any(place == rail for place in self.layout.places.values())
            if on_rail or node in self.rows_of:
                colour = self.rng.choice(["", " red" if node != "GND" else " black"])
                self.layout.wires.append(Line(f"wire {supplies[node]} {rail}{colour}", ("rail", node)))
        for node, rows in self.rows_of.items():
            source = supplies.get(node) or (f"B1.{self._pin(node)}" if node.startswith("pin:") else None)
            own_rail = self.rails.get(node)
            done: list[tuple[str, int]] = []
            for side, row in rows:
                tag = ("node", node, f"{side}{row}")
                if own_rail and self.rng.random() < 0.85:
                    self._link(own_rail, self._hole(side, row), tag)
                elif source and (not done or node in supplies) and self._may_use(source, done):
                    self._link(source, self._hole(side, row), tag)
                elif done:
                    near = [place for place in done if self._room(*place)]
                    self._link(self._hole(*self.rng.choice(near)), self._hole(side, row), tag)
                done.append((side, row))

    def _may_use(self, source: str, done: list[tuple[str, int]]) -> bool:
        return not done or source in ("B1.GND", "B1.5V", "B1.3V3")

    def _link(self, one: str, other: str, tag: tuple[str, ...]) -> None:
        ends = [one, other]
        self.rng.shuffle(ends)
        colour = self.rng.choice(["", " green", " yellow", " blue", " white"])
        self.layout.wires.append(Line(f"wire {ends[0]} {ends[1]}{colour}", tag))


def _in_row(places: set[str], side: str, row: int) -> bool:
    return any(place[0] in LETTERS[side] and place[1:] == str(row) for place in places)


def sound_layout(seed: int) -> Layout:
    """A sound layout for a seed; seeds whose board overflows take the next draw."""
    for turn in range(50):
        layout = Placer(seed * 50 + turn).draw()
        if layout is not None:
            return layout
    raise RuntimeError(f"seed {seed} draws no layout that fits")
