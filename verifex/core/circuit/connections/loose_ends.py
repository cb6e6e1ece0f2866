"""Ends that are alone in their row: the evidence behind several rules."""

from collections import Counter
from dataclasses import dataclass

from verifex.core.circuit.bench import Bench, Wire
from verifex.core.circuit.nets import Nets
from verifex.core.circuit.places import Hole, LegOf, Rail


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

    @property
    def is_wire(self) -> bool:
        return self.wire is not None

    def __str__(self) -> str:
        return f"leg {self.leg.leg} of {self.leg.ref}" if self.leg else str(self.wire)

    def rows_from(self, hole: Hole) -> int:
        """How far away another hole is; the ditch counts as one row."""
        return abs(hole.row - self.place.row) + (hole.half != self.place.half)


def holes_in_use(bench: Bench) -> list[Hole]:
    holes = [p for part in bench.parts.values() for p in part.legs.values() if isinstance(p, Hole)]
    return holes + [p for wire in bench.wires for p in wire.ends if isinstance(p, Hole)]


def loose_ends(bench: Bench, nets: Nets) -> list[LooseEnd]:
    """Every loose end on the bench; legs that may stay open, or that a wire names directly, are none."""
    used = Counter((hole.row, hole.half) for hole in holes_in_use(bench))
    named = {end for wire in bench.wires for end in wire.ends if isinstance(end, LegOf)}
    ends = []
    for part in bench.parts.values():
        # One leg of each joined pair is enough: the other may stand alone.
        metal = {leg: pair for pair in part.type.joined for leg in pair}
        for leg, place in part.legs.items():
            if part.type.leg(leg).optional or LegOf(part.ref, leg) in named or not isinstance(place, Hole):
                continue
            if used[(place.row, place.half)] != 1:
                continue
            net = nets.of_leg(part.ref, leg)
            if (
                leg in metal
                and net is not None
                and len(net.legs) > sum(1 for other in net.legs if other.ref == part.ref)
            ):
                continue
            ends.append(LooseEnd(place, part.line, leg=LegOf(part.ref, leg)))
    for wire in bench.wires:
        for place in wire.ends:
            if isinstance(place, Hole) and used[(place.row, place.half)] == 1:
                ends.append(LooseEnd(place, wire.line, wire=wire))
    return ends


def far_end(end: LooseEnd) -> Hole | Rail | LegOf | None:
    """Where a loose wire comes from."""
    if end.wire is None:
        return None
    one, other = end.wire.ends
    return other if one == end.place else one
