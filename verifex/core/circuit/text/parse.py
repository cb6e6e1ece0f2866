"""Builds the bench that a text describes: every statement placed, every one that cannot be kept aside."""

from collections.abc import Mapping
from dataclasses import replace

from verifex.core.circuit.bench import Bench, Impossible, Part, Wire
from verifex.core.circuit.places import BASES, Hole, LegOf, Place, Rail, read_place
from verifex.core.circuit.text.notation import BenchText, Statement, Token, read_text
from verifex.core.parts import Catalogue, PartType, catalogue

#: Settings that any part may have; a setting that does not concern it changes nothing.
SETTINGS = (
    "value", "tolerance", "measured", "bands", "colour", "order", "jumper", "hold", "range", "volts", "watts", "amps",
    "lead", "r10", "gamma", "load", "r0", "position", "address", "pullup", "trip", "active",
    "resistor",
)  # fmt: skip


def parse_bench(text: str, part_types: Catalogue | None = None, batch_orders: Mapping[str, str] | None = None) -> Bench:
    """Build the bench that `text` describes.

    `batch_orders` gives, by part id or by the part's reference in the text (which wins), the leg order of the batch that was handed
    out, as `supply-out-ground`; it wins over what the hand-in says of the same part.

    Lines that are no statement go to `problems`; statements that cannot be (an unknown part, a row
    outside the base, a hole used twice) go to `impossible`; everything else is built, so that one
    mistake hides nothing else. Raises UnusableInput only when the text is over the size limit.
    """
    return _Builder(read_text(text), part_types or catalogue(), batch_orders or {}).bench


class _Builder:
    """Places statements one after the other; a part may be named before its own line comes."""

    def __init__(self, text: BenchText, part_types: Catalogue, batch_orders: Mapping[str, str]) -> None:
        self.part_types = part_types
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
            kind = self.part_types.parts.get(statement.words[1].text)
            if kind:
                self.leg_names[statement.words[0].text] = tuple(kind.leg_names())
        for statement in parts:
            self._part(statement)
        for statement in by_keyword.get("wire", []):
            self._wire(statement)

    def _cannot(
        self, line: int, at: Token, seen: str, remedy: str, parts: tuple[str, ...] = (), rule: str = "cannot-be"
    ) -> None:
        self.bench.impossible.append(Impossible(line, at.column, seen, remedy, parts, (at.text,), rule=rule))

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
        ref, kind, *rest = statement.words
        if self.bench.board is not None:
            self._cannot(
                statement.line,
                ref,
                "A second board is named; a bench has one.",
                "Leave one of the two board lines out.",
            )
            return
        self.bench.board_ref = ref.text
        if rest and rest[0].text not in ("usb=yes", "usb=no"):
            remedy = "Write usb=no where the computer's lead is not in; else nothing."
            self._cannot(statement.line, rest[0], f"'{rest[0].text}' says nothing about a board.", remedy)
        self.bench.on_usb = not rest or rest[0].text != "usb=no"
        self.bench.board = self.part_types.boards.get(kind.text)
        if self.bench.board is None:
            known = ", ".join(self.part_types.boards)
            self._cannot(statement.line, kind, f"No board is called '{kind.text}'.", f"Write one of {known}.")

    def _part(self, statement: Statement) -> None:
        ref, kind_word, *rest = statement.words
        kind = self.part_types.parts.get(kind_word.text)
        if kind is None:
            near = self.part_types.near(kind_word.text)
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
            if place is None:
                continue
            if leg in legs:
                self._cannot(
                    statement.line, word, f"Leg {leg} of {ref.text} is placed twice.", "Leave one out.", (ref.text,)
                )
                continue
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
            if key in kind.leg_names():
                placed.append((key, Token(value, word.column + len(key) + 1)))
            elif key in SETTINGS or key in kind.settings:
                settings[key] = value
            else:
                known = ", ".join([*kind.leg_names(), *kind.settings])
                self._cannot(
                    line,
                    word,
                    f"{ref} ({kind.title}) has neither a leg nor a setting called '{key}'.",
                    f"It has {known}.",
                    (ref,),
                )
        legs = tuple(kind.legs)
        order = tuple(settings["order"].split("-")) if "order" in settings else legs
        if not kind.is_order(order):
            word = next(word for (key, _), word in named if key == "order")
            self._cannot(
                line,
                word,
                f"The order '{settings.pop('order')}' does not name each leg of {ref} once; only legs that may stay open may be left out.",
                f"Its legs are {', '.join(kind.legs)}.",
                (ref,),
            )
            order = legs
        batch = self.batch_orders.get(ref, self.batch_orders.get(kind.id, ""))
        if kind.is_order(tuple(batch.split("-"))):
            order = tuple(batch.split("-"))
            self.bench.batch_orders[ref] = batch
        if kind.by_name_only and positional and "order" not in settings:
            self._cannot(
                line,
                positional[0],
                f"{ref} needs its legs by name; makers differ.",
                f"Write {legs[0]}=… and so on.",
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
            said = self.bench.impossible[-1]
            self.bench.impossible[-1] = replace(said, other_ends=tuple(end for end in ends if end is not None))
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
                    "hole-used-twice",
                )
                # It is intended for this row: the rest is judged as if it were in a hole of its own there.
                return place
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
