"""A bench as built: the board, the parts with their legs in places, the wires between them."""

from collections.abc import Mapping
from dataclasses import dataclass, field

from verifex.core.circuit.notation import BenchText, Statement, Token, read_text
from verifex.core.circuit.places import BASES, Hole, LegOf, Place, Rail, read_place
from verifex.core.parts import Board, Catalogue, PartType, catalogue
from verifex.core.problems import Problem


@dataclass(frozen=True, slots=True)
class Impossible:
    """A statement that cannot be as written, though it is one: kept aside, reported at its line."""

    line: int
    column: int
    seen: str
    remedy: str
    parts: tuple[str, ...] = ()
    places: tuple[str, ...] = ()


@dataclass(frozen=True, slots=True)
class Part:
    """A part on the bench; `legs` maps a leg's name to the place it is put in."""

    ref: str
    type: PartType
    legs: dict[str, Place]
    settings: dict[str, str]
    line: int

    @property
    def title(self) -> str:
        return f"{self.type.title} {self.ref}"


@dataclass(frozen=True, slots=True)
class Wire:
    """A wire between two places."""

    ends: tuple[Place, Place]
    colour: str | None
    line: int

    def __str__(self) -> str:
        return f"the wire {self.ends[0]}–{self.ends[1]}"


@dataclass(slots=True)
class Bench:
    """All that a hand-in says about one bench."""

    name: str = ""
    board_ref: str = "B1"
    board: Board | None = None
    base: str = "half"
    parts: dict[str, Part] = field(default_factory=dict)
    wires: list[Wire] = field(default_factory=list)
    impossible: list[Impossible] = field(default_factory=list)
    problems: list[Problem] = field(default_factory=list)

    def parts_of(self, *models: str) -> list[Part]:
        return [part for part in self.parts.values() if part.type.model in models]

    def as_json(self) -> dict[str, object]:
        """What a board map needs to draw: rows of the base, parts with their legs, wires."""
        return {
            "name": self.name,
            "board": self.board.id if self.board else None,
            "board_ref": self.board_ref,
            "base": self.base,
            "rows": BASES[self.base],
            "parts": [
                {
                    "ref": part.ref,
                    "type": part.type.id,
                    "title": part.type.title,
                    "legs": {leg: str(place) for leg, place in part.legs.items()},
                    "settings": part.settings,
                    "line": part.line,
                }
                for part in self.parts.values()
            ],
            "wires": [
                {"from": str(wire.ends[0]), "to": str(wire.ends[1]), "colour": wire.colour, "line": wire.line}
                for wire in self.wires
            ],
        }


def read_bench(text: str, shelf: Catalogue | None = None, batch_orders: Mapping[str, str] | None = None) -> Bench:
    """Build the bench that `text` describes.

    `batch_orders` gives, by part id, the leg order of the batch that was handed out, as
    `supply-out-ground`; it wins over what the hand-in says of the same part.

    Lines that are no statement go to `problems`; statements that cannot be (an unknown part, a row
    outside the base, a hole used twice) go to `impossible`; everything else is built, so that one
    mistake hides nothing else. Raises UnusableInput only when the text is over the size limit.
    """
    return _Builder(read_text(text), shelf or catalogue(), batch_orders or {}).bench


class _Builder:
    """Places statements one after the other; a part may be named before its own line comes."""

    def __init__(self, text: BenchText, shelf: Catalogue, batch_orders: Mapping[str, str]) -> None:
        self.shelf = shelf
        self.batch_orders = batch_orders
        self.bench = Bench(problems=list(text.problems))
        self.taken: dict[Hole, str] = {}
        by_keyword: dict[str, list[Statement]] = {}
        for statement in text.statements:
            by_keyword.setdefault(statement.keyword, []).append(statement)
        for statement in by_keyword.get("bench", []):
            self.bench.name = statement.words[0].text
        for statement in by_keyword.get("base", []):
            self._base(statement)
        for statement in by_keyword.get("board", []):
            self._board(statement)
        parts = by_keyword.get("part", [])
        self.refs = {statement.words[0].text for statement in parts} | {self.bench.board_ref}
        self.leg_names: dict[str, tuple[str, ...]] = {}
        for statement in parts:
            kind = self.shelf.parts.get(statement.words[1].text)
            if kind:
                self.leg_names[statement.words[0].text] = kind.legs
        for statement in parts:
            self._part(statement)
        for statement in by_keyword.get("wire", []):
            self._wire(statement)

    def _cannot(self, line: int, at: Token, seen: str, remedy: str, parts: tuple[str, ...] = ()) -> None:
        self.bench.impossible.append(Impossible(line, at.column, seen, remedy, parts, (at.text,)))

    def _base(self, statement: Statement) -> None:
        word = statement.words[0]
        if word.text in BASES:
            self.bench.base = word.text
        else:
            self._cannot(
                statement.line,
                word,
                f"There is no base called '{word.text}'.",
                "Write half, full, full-split or none.",
            )

    def _board(self, statement: Statement) -> None:
        ref, kind = statement.words
        if self.bench.board is not None:
            self._cannot(
                statement.line,
                ref,
                "A second board is named; a bench has one.",
                "Leave one of the two board lines out.",
            )
            return
        self.bench.board_ref = ref.text
        self.bench.board = self.shelf.boards.get(kind.text)
        if self.bench.board is None:
            known = ", ".join(self.shelf.boards)
            self._cannot(statement.line, kind, f"No board is called '{kind.text}'.", f"Write one of {known}.")

    def _part(self, statement: Statement) -> None:
        ref, kind_word, *rest = statement.words
        kind = self.shelf.parts.get(kind_word.text)
        if kind is None:
            near = self.shelf.near(kind_word.text)
            remedy = f"Did you mean {' or '.join(near)}?" if near else "The list of parts gives every name."
            self._cannot(statement.line, kind_word, f"No part is called '{kind_word.text}'.", remedy, (ref.text,))
            return
        if ref.text in self.bench.parts or ref.text == self.bench.board_ref:
            self._cannot(
                statement.line,
                ref,
                f"{ref.text} is named twice.",
                "Give one of the two another number.",
                (ref.text,),
            )
            return
        settings, placed = self._sort_words(statement.line, ref.text, kind, rest)
        legs: dict[str, Place] = {}
        for leg, word in placed:
            place = self._place(statement.line, word, ref.text)
            if place is not None:
                legs[leg] = place
        self.bench.parts[ref.text] = Part(ref.text, kind, legs, settings, statement.line)

    def _sort_words(
        self, line: int, ref: str, kind: PartType, words: list[Token]
    ) -> tuple[dict[str, str], list[tuple[str, Token]]]:
        """Tell legs from settings; legs by position follow `order=` where the batch gives one."""
        positional = [word for word in words if "=" not in word.text]
        named = [(word.text.split("=", 1), word) for word in words if "=" in word.text]
        settings: dict[str, str] = {}
        placed: list[tuple[str, Token]] = []
        for (key, value), word in named:
            if key in kind.legs:
                placed.append((key, Token(value, word.column + len(key) + 1)))
            elif key in kind.settings:
                settings[key] = value
            else:
                known = ", ".join([*kind.legs, *kind.settings])
                self._cannot(
                    line,
                    word,
                    f"{ref} ({kind.title}) has neither a leg nor a setting called '{key}'.",
                    f"It has {known}.",
                    (ref,),
                )
        order = tuple(settings["order"].split("-")) if "order" in settings else kind.legs
        if sorted(order) != sorted(kind.legs):
            word = next(word for (key, _), word in named if key == "order")
            self._cannot(
                line,
                word,
                f"The order '{settings.pop('order')}' does not name each leg of {ref} once.",
                f"Its legs are {', '.join(kind.legs)}.",
                (ref,),
            )
            order = kind.legs
        batch = tuple(self.batch_orders.get(kind.id, "").split("-"))
        if sorted(batch) == sorted(kind.legs):
            order = batch
        if kind.by_name_only and positional and "order" not in settings:
            self._cannot(
                line,
                positional[0],
                f"{ref} needs its legs by name; makers differ.",
                f"Write {kind.legs[0]}=… and so on.",
                (ref,),
            )
            positional = []
        for leg, word in zip(order, positional, strict=False):
            placed.append((leg, word))
        for word in positional[len(order) :]:
            self._cannot(
                line,
                word,
                f"{ref} ({kind.title}) has {len(order)} legs; '{word.text}' is one place too many.",
                "Leave it out.",
                (ref,),
            )
        return settings, placed

    def _wire(self, statement: Statement) -> None:
        ends = [self._place(statement.line, word, None) for word in statement.words[:2]]
        if ends[0] is None or ends[1] is None:
            return
        if ends[0] == ends[1]:
            self._cannot(
                statement.line,
                statement.words[1],
                f"Both ends of the wire are at {ends[0]}.",
                "Name the place where its other end goes.",
            )
            return
        colour = statement.words[2].text if len(statement.words) > 2 else None
        self.bench.wires.append(Wire((ends[0], ends[1]), colour, statement.line))

    def _place(self, line: int, word: Token, ref: str | None) -> Place | None:
        """The place a word names, or None with a report when there is no such place or it is full."""
        parts = (ref,) if ref else ()
        try:
            place = read_place(word.text)
        except ValueError as wrong:
            self._cannot(
                line,
                word,
                str(wrong).capitalize() if not str(wrong).startswith("'") else str(wrong),
                "Write the place anew.",
                parts,
            )
            return None
        rows = BASES[self.bench.base]
        if isinstance(place, LegOf):
            return self._leg(line, word, place, parts)
        if self.bench.base == "none":
            self._cannot(
                line,
                word,
                f"There is no breadboard here, so no {place}.",
                "Name a leg or a pin, or give the base.",
                parts,
            )
            return None
        row = place.row
        if row is not None and not 1 <= row <= rows:
            self._cannot(
                line,
                word,
                f"{place} lies outside the base, which has rows 1 to {rows}.",
                "Name a row on it, or another base.",
                parts,
            )
            return None
        if isinstance(place, Hole):
            if place in self.taken:
                self._cannot(
                    line,
                    word,
                    f"Hole {place} is used twice; {self.taken[place]} is in it already.",
                    f"Use another hole of row {place.row}.",
                    parts,
                )
                return None
            self.taken[place] = ref or "a wire"
        if isinstance(place, Rail) and self.bench.base != "full-split":
            return Rail(place.sign, place.side)
        return place

    def _leg(self, line: int, word: Token, place: LegOf, parts: tuple[str, ...]) -> Place | None:
        if place.ref not in self.refs:
            self._cannot(
                line,
                word,
                f"There is no part called {place.ref}.",
                "Give it a line of its own, or mend the name.",
                parts,
            )
            return None
        if place.ref != self.bench.board_ref:
            legs = self.leg_names.get(place.ref)
            if legs is not None and place.leg not in legs:
                self._cannot(
                    line,
                    word,
                    f"{place.ref} has no leg called '{place.leg}'.",
                    f"Its legs are {', '.join(legs)}.",
                    (*parts, place.ref),
                )
                return None
            return place
        if self.bench.board is None:
            return place
        pin = self.bench.board.pin(place.leg)
        if pin is None:
            pins = self.bench.board.pin_names()
            self._cannot(
                line,
                word,
                f"The {self.bench.board.title} has no pin called '{place.leg}'.",
                f"It has {pins[0]} … {pins[-1]}.",
                parts,
            )
            return None
        return LegOf(place.ref, pin.name)
