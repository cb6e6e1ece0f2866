"""Ends that are alone in their row: the evidence behind several rules."""

from dataclasses import dataclass

from verifex.core.circuit.bench import Wire
from verifex.core.circuit.places import Hole, LegOf
from verifex.core.circuit.view import BenchView
from verifex.core.parts.schema import LegRole


@dataclass(frozen=True, slots=True)
class LooseEnd:
    """A wire's end (`wire`) or a part's leg (`leg`) with nothing else in its row."""

    place: Hole
    line: int
    leg: LegOf | None = None
    wire: Wire | None = None

    @property
    def strip(self) -> str:
        return f"row {self.place.row} {self.place.half}"

    def __str__(self) -> str:
        return f"leg {self.leg.leg} of {self.leg.ref}" if self.leg else str(self.wire)

    def rows_from(self, hole: Hole) -> int:
        """How far away another hole is; the ditch counts as one row."""
        return abs(hole.row - self.place.row) + (hole.half != self.place.half)


def holes_in_use(view: BenchView) -> list[Hole]:
    holes = [p for part in view.bench.parts.values() for p in part.legs.values() if isinstance(p, Hole)]
    return holes + [p for wire in view.bench.wires for p in wire.ends if isinstance(p, Hole)]


def loose_ends(view: BenchView) -> list[LooseEnd]:
    """Every loose end on the bench; legs that may stay open, or that a wire names directly, are none."""
    rows = [(hole.row, hole.half) for hole in holes_in_use(view)]
    named = {end for wire in view.bench.wires for end in wire.ends if isinstance(end, LegOf)}
    ends = []
    for part in view.bench.parts.values():
        for leg, place in part.legs.items():
            if part.type.role(leg) is LegRole.OPEN_ALLOWED or LegOf(part.ref, leg) in named:
                continue
            if isinstance(place, Hole) and rows.count((place.row, place.half)) == 1:
                ends.append(LooseEnd(place, part.line, leg=LegOf(part.ref, leg)))
    for wire in view.bench.wires:
        for place in wire.ends:
            if isinstance(place, Hole) and rows.count((place.row, place.half)) == 1:
                ends.append(LooseEnd(place, wire.line, wire=wire))
    return ends
