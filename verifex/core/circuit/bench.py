"""A bench as built: the board, the parts with their legs in places, the wires between them."""

from dataclasses import dataclass, field

from verifex.core.circuit.places import BASES, LegOf, Place
from verifex.core.circuit.settings import address_or_none
from verifex.core.parts import Board, PartType
from verifex.core.problems import Problem
from verifex.core.quantity import quantity_or_none

#: Settings that give a figure of one sample, with the unit they are written in.
FIGURE_UNITS = {"r10": "ohm", "gamma": "none", "load": "ohm", "r0": "ohm", "range": "centimetre", "bits": "none"}

#: Colours that hook-up wire is sold in, for completion; any other word is taken as well.
WIRE_COLOURS = ("red", "black", "yellow", "green", "blue", "orange", "white", "brown", "violet", "grey", "pink")


@dataclass(frozen=True, slots=True)
class Impossible:
    """A statement that cannot be as written, though it is one: kept aside, reported at its line."""

    line: int
    column: int
    seen: str
    remedy: str
    parts: tuple[str, ...] = ()
    places: tuple[str, ...] = ()
    rule: str = "cannot-be"
    other_ends: tuple[Place, ...] = ()  # where the rest of a wire goes


#: The setting of a light that says which series resistor is built into it.
BUILT_IN = "resistor"


@dataclass(frozen=True, slots=True)
class Part:
    """A part on the bench; `legs` maps a leg's name to the place it is put in."""

    ref: str
    type: PartType
    legs: dict[str, Place]
    settings: dict[str, str]
    line: int
    #: The names of the first two legs, as this hand-in calls them (plus and minus of a polarised part).
    ends: tuple[str, str] = ("", "")

    def __post_init__(self) -> None:
        called = {known: other for other, known in self.type.other_names.items() if other in self.legs}
        first, second, *_ = (called.get(leg, leg) for leg in self.type.legs)
        object.__setattr__(self, "ends", (first, second))

    @property
    def title(self) -> str:
        return f"{self.type.title} {self.ref}"

    def quantity(self, setting: str, unit: str) -> float | None:
        """A setting, or the type's default for it, in the SI unit; None when it is absent or cannot be read."""
        text = self.settings.get(setting) or self.type.defaults.get(setting)
        return quantity_or_none(text, unit) if text else None

    @property
    def built_in_ohms(self) -> float:
        """The series resistor that a light has inside; 0 for none."""
        return self.quantity(BUILT_IN, "ohm") or 0.0 if BUILT_IN in self.type.settings else 0.0

    @property
    def addresses(self) -> tuple[int, ...]:
        """Where it may be on the two-wire bus: the address that is entered, else all that its kind is sold with."""
        entered = self.settings.get("address")
        said = [entered] if entered else [self.type.address, *self.type.other_addresses]
        return tuple(address for text in said if text and (address := address_or_none(text)) is not None)

    def figures(self) -> dict[str, float]:
        """The settings that say something of this sample, as its output takes them: only those that are given."""
        given = {name: self.quantity(name, unit) for name, unit in FIGURE_UNITS.items() if name in self.settings}
        return {name: value for name, value in given.items() if value is not None}


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
    on_usb: bool = True  # whether the computer's lead is in, and feeds the board
    board: Board | None = None
    base: str = "half"
    parts: dict[str, Part] = field(default_factory=dict)
    wires: list[Wire] = field(default_factory=list)
    impossible: list[Impossible] = field(default_factory=list)
    problems: list[Problem] = field(default_factory=list)
    batch_orders: dict[str, str] = field(
        default_factory=dict
    )  # by part the leg order of its batch, where the hatch recorded one

    def parts_of(self, *models: str) -> list[Part]:
        """Parts of these models, those of the first model first."""
        return [part for model in models for part in self.parts.values() if part.type.model == model]

    def pin(self, place: Place) -> str | None:
        """The board pin that a place names, or None when it is another place."""
        return place.leg if isinstance(place, LegOf) and place.ref == self.board_ref else None

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
