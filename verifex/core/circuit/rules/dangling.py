"""A lead whose end meets nothing, with the row it was probably intended for."""

from collections.abc import Iterator

from verifex.core.circuit.connections.loose_ends import LooseEnd, far_end, holes_in_use
from verifex.core.circuit.evidence.lights import is_spare_colour
from verifex.core.circuit.places import Hole, LegOf
from verifex.core.circuit.remedies import Shift
from verifex.core.circuit.rules.book import OPEN_CIRCUIT, WIRING
from verifex.core.circuit.view import BenchView
from verifex.core.findings import Finding, Remedy, Severity
from verifex.core.parts import LegRole
from verifex.core.rulebook import FindingFactory

NEAR_ROWS = 2


@WIRING.rule(
    "dangling-lead",
    Severity.FIX,
    title="A lead that meets nothing",
    why="A lead in an empty row carries nothing; an input there still reads something, which misleads.",
    hint="Follow this lead to its end: is there anything else in that row?",
    criterion="wiring",
    source="the base: rows of five joined holes",
    explains=("rail-never-fed", "rail-half-unfed", *OPEN_CIRCUIT),
)
def dangling_lead(view: BenchView, finding: FindingFactory) -> Iterator[Finding]:
    loose = [end for end in view.loose_ends if not _spare_leg(view, end)]
    reported: set[LooseEnd] = set()
    # Wires first: "this wire should be one row further" is the more useful sentence.
    for end in sorted(loose, key=lambda e: e.leg is not None):
        if end in reported:
            continue
        other = _counterpart(view, end, [o for o in loose if o not in reported])
        reported |= {end} | ({other} if other else set())
        wanting = [] if other else _wanting(view, end)
        row = other.place if other else wanting[0][1] if len(wanting) == 1 else _used_neighbour(view, end)
        remedies = []
        if row:
            words = f"Move {'its end' if end.wire else 'the leg'} to row {row.row} {row.half}."
            remedies.append(Remedy(words, (Shift(end.place, row),)))
        remedies.append(
            Remedy(f"Lead a wire to {end.strip}, or move the leg to the row it is meant for.")
            if end.leg
            else Remedy("Move it to the row it is meant for, or take it out.")
        )
        alone = f"; {other} is alone in {other.strip}." if other else "."
        said = str(end)
        yield finding(
            f"{said[0].upper()}{said[1:]} ends in {end.strip}, where nothing else is{alone}",
            remedies,
            parts=list(
                dict.fromkeys([*_own_parts(view, end, other), *(ref for ref, _ in wanting[:1] if len(wanting) == 1)])
            ),
            places=[str(e.place) for e in (end, other) if e],
            line=end.line,
            affects=[*_cut_off(view, end, other), *(ref for ref, _ in wanting)],
        )


def _spare_leg(view: BenchView, end: LooseEnd) -> bool:
    """A leg that need not be used: the second end of a knob that works as a plain resistance, a colour that nothing asks for."""
    if end.leg is None:
        return False
    part = view.bench.parts[end.leg.ref]
    if part.type.model == "led-three" and end.leg.leg != "common":
        return is_spare_colour(view, part, end.leg.leg)
    return part.type.model == "pot" and end.leg.leg != "wiper" and _others_used(view, end)


def _others_used(view: BenchView, end: LooseEnd) -> bool:
    assert end.leg is not None
    part = view.bench.parts[end.leg.ref]
    nets = [view.net(part, leg) for leg in part.legs if leg != end.leg.leg]
    return len(nets) == 2 and all(net is not None and len(net.places) > 2 for net in nets)


def _counterpart(view: BenchView, end: LooseEnd, loose: list[LooseEnd]) -> LooseEnd | None:
    """A wire's end for a lonely leg, a leg for a lonely wire, or two lonely legs, at most two rows away.

    The only lonely wire and the only lonely leg of the bench belong together at any distance, where one brings what
    the other wants.
    """
    near = [o for o in loose if o != end and not (end.wire and o.wire) and 0 < end.rows_from(o.place) <= NEAR_ROWS]
    near = [o for o in near if not (o.leg and end.leg and o.leg.ref == end.leg.ref)]
    if near:
        return min(near, key=lambda o: (_mismatch(view, end, o), end.rows_from(o.place)))
    others = [o for o in loose if o != end]
    sole = len(others) == 1 and others[0].is_wire != end.is_wire and not _mismatch(view, end, others[0])
    return others[0] if sole else None


def _mismatch(view: BenchView, one: LooseEnd, other: LooseEnd) -> int:
    """0 when a wire brings what the leg wants (supply, ground, a pin), 1 when it does not, or nobody can tell."""
    wire, leg = (one, other.leg) if one.wire else (other, one.leg)
    far = far_end(wire)
    if leg is None or far is None:
        return 1
    net = view.nets.at(far)
    if net is None:
        return 1
    role = view.bench.parts[leg.ref].type.role(leg.leg)
    if role is LegRole.SUPPLY:
        return 0 if view.nets.supplies(net) else 1
    if role is LegRole.GROUND:
        return 0 if view.nets.is_ground(net) else 1
    return 0 if view.nets.signal_pins(net) and not view.nets.supplies(net) else 1


def _wanting(view: BenchView, end: LooseEnd) -> list[tuple[str, Hole]]:
    """(part, a hole of the row) of modules that lack just what a loose wire would bring: a supply, or a ground."""
    far = far_end(end)
    net = view.nets.at(far) if far else None
    if net is None:
        return []
    grounds = view.nets.is_return(net)
    if not grounds and not view.nets.is_source(net):
        return []
    found = []
    for part in view.bench.parts.values():
        for leg in part.type.legs_with(LegRole.GROUND if grounds else LegRole.SUPPLY):
            place, own = part.legs.get(leg), view.net(part, leg)
            if isinstance(place, Hole) and own and not (view.is_grounded(own) if grounds else view.is_fed(own)):
                found.append((part.ref, place))
    return found


def _used_neighbour(view: BenchView, end: LooseEnd) -> Hole | None:
    """The only used row next to a loose wire's end. A loose leg wants a wire, not a move."""
    if end.leg:
        return None
    rows = {h.row for h in holes_in_use(view.bench) if end.rows_from(h) == 1 and h.half == end.place.half}
    return Hole(end.place.letter, rows.pop()) if len(rows) == 1 else None


def _own_parts(view: BenchView, *ends: LooseEnd | None) -> list[str]:
    """Parts that the loose ends belong to, or that hang straight on the same lead."""
    refs: list[str] = []
    for end in ends:
        if end is None:
            continue
        if end.leg:
            refs.append(end.leg.ref)
        if end.wire:
            refs += [far.ref for far in end.wire.ends if isinstance(far, LegOf)]
            near = _used_neighbour(view, end)
            if near:
                refs += _in_row(view, near)
            far = far_end(end)
            net = view.nets.at(far) if far else None
            if net and not view.nets.board_pins(net):
                refs += [leg.ref for leg in view.nets.part_legs(net)]
    return [ref for ref in dict.fromkeys(refs) if ref in view.bench.parts]


def _in_row(view: BenchView, hole: Hole) -> list[str]:
    return [
        part.ref
        for part in view.bench.parts.values()
        for place in part.legs.values()
        if isinstance(place, Hole) and (place.row, place.half) == (hole.row, hole.half)
    ]


def _cut_off(view: BenchView, *ends: LooseEnd | None) -> list[str]:
    """Parts that go dead with the opening: all that hangs on the loose net or on what the wire comes from."""
    refs: list[str] = []
    for end in ends:
        if end is None:
            continue
        places = [end.place]
        for place in (*places, *([far] if (far := far_end(end)) else [])):
            net = view.nets.at(place)
            if net and not view.nets.supplies(net) and not view.nets.is_ground(net):
                refs += view.parts_behind(net)
    for ref in _own_parts(view, *ends):
        part = view.bench.parts[ref]
        for leg in part.type.leg_names():
            net = view.net(part, leg)
            if net and not view.nets.supplies(net) and not view.nets.is_ground(net):
                refs += view.parts_behind(net)
    return list(dict.fromkeys(refs))
