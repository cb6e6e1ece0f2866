"""A lead whose end meets nothing, with the row it was probably meant for."""

from collections.abc import Iterator

from verifex.core.circuit.places import LegOf
from verifex.core.circuit.rules.book import OPEN_CIRCUIT, WIRING
from verifex.core.circuit.rules.loose import LooseEnd, holes_in_use, loose_ends
from verifex.core.circuit.view import BenchView
from verifex.core.findings import Finding, Severity
from verifex.core.rulebook import Found


@WIRING.rule(
    "dangling-lead",
    Severity.FIX,
    title="A lead that meets nothing",
    why="A lead in an empty row carries nothing; an input there still reads something, which misleads.",
    hint="Follow this lead to its end: is there anything else in that row?",
    criterion="wiring",
    source="the base: rows of five joined holes",
    explains=OPEN_CIRCUIT,
)
def dangling_lead(view: BenchView, found: Found) -> Iterator[Finding]:
    loose = loose_ends(view)
    told: set[LooseEnd] = set()
    # Wires first: "this wire should be one row further" is the more useful sentence.
    for end in sorted(loose, key=lambda e: e.leg is not None):
        if end in told:
            continue
        other = _counterpart(end, [o for o in loose if o not in told])
        told |= {end} | ({other} if other else set())
        row = other.strip if other else _used_neighbour(view, end)
        if row:
            remedy = f"Move {'its end' if end.wire else 'the leg'} to {row}."
        elif end.leg:
            remedy = f"Lead a wire to {end.strip}, or move the leg to the row it is meant for."
        else:
            remedy = "Move it to the row it is meant for, or take it out."
        alone = f"; {other} is alone in {other.strip}." if other else "."
        said = str(end)
        yield found(
            f"{said[0].upper()}{said[1:]} ends in {end.strip}, where nothing else is{alone}",
            remedy,
            parts=_cut_off(view, end, other),
            places=[str(e.place) for e in (end, other) if e],
            line=end.line,
        )


def _counterpart(end: LooseEnd, loose: list[LooseEnd]) -> LooseEnd | None:
    """A wire's end for a lonely leg, or a leg for a lonely wire, at most two rows away."""
    near = [o for o in loose if (o.leg is None) != (end.leg is None) and 0 < end.rows_from(o.place) <= 2]
    return min(near, key=lambda o: end.rows_from(o.place), default=None)


def _used_neighbour(view: BenchView, end: LooseEnd) -> str | None:
    """The only used row next to a loose wire's end. A loose leg wants a wire, not a move."""
    if end.leg:
        return None
    rows = {h.row for h in holes_in_use(view) if end.rows_from(h) == 1 and h.half == end.place.half}
    return f"row {rows.pop()} {end.place.half}" if len(rows) == 1 else None


def _cut_off(view: BenchView, *ends: LooseEnd | None) -> list[str]:
    """Parts that the loose ends belong to or would have served: what follows from the opening is theirs."""
    refs: list[str] = []
    for end in ends:
        if end is None:
            continue
        if end.leg:
            refs.append(end.leg.ref)
        net = view.nets.at(end.place)
        if net and not view.nets.supplies(net) and not view.nets.is_ground(net):
            refs += view.parts_behind(net)
        if end.wire:
            refs += [far.ref for far in end.wire.ends if isinstance(far, LegOf)]
    return [ref for ref in dict.fromkeys(refs) if ref in view.bench.parts]
