"""What is wrong with where things are put, before any current is thought of."""

from collections.abc import Iterator

from verifex.core.circuit.places import Hole, Place, Rail
from verifex.core.circuit.rules.book import OPEN_CIRCUIT, WIRING
from verifex.core.circuit.rules.loose import loose_ends
from verifex.core.circuit.view import BenchView
from verifex.core.findings import Finding, Severity
from verifex.core.parts.schema import LegRole
from verifex.core.rulebook import Found


@WIRING.rule(
    "cannot-be",
    Severity.FIX,
    title="A statement that cannot be",
    why="The check leaves it out, so what it should do is not judged.",
    hint="Look at this line again: the place, part or pin in it is not there, or is taken.",
    criterion="wiring",
    source="the catalogue and the base",
    explains=("dangling-lead", *OPEN_CIRCUIT),
)
def cannot_be(view: BenchView, found: Found) -> Iterator[Finding]:
    for wrong in view.bench.impossible:
        yield found(
            wrong.seen,
            wrong.remedy,
            parts=wrong.parts,
            places=wrong.places,
            line=wrong.line,
            column=wrong.column,
        )


@WIRING.rule(
    "board-missing",
    Severity.FIX,
    title="No board is named",
    why="Without the board nothing is fed and no pin can be checked.",
    hint="The first line of a wiring usually names the board.",
    criterion="wiring",
    source="bench notation",
    explains=OPEN_CIRCUIT,
)
def board_missing(view: BenchView, found: Found) -> Iterator[Finding]:
    bench = view.bench
    if bench.board is None and (bench.parts or bench.wires):
        yield found(
            "No board is named in this wiring.",
            "Add a line such as 'board B1 mcu-5v'.",
            parts=list(bench.parts),
        )


@WIRING.rule(
    "legs-in-one-row",
    Severity.FIX,
    title="Legs of one part in one row",
    why="The five holes of a row are one piece of metal, so the part is bridged and does nothing.",
    hint="Look at which holes of the board are joined underneath.",
    criterion="wiring",
    source="the base: rows of five joined holes",
    explains=("dangling-lead", *OPEN_CIRCUIT),
)
def legs_in_one_row(view: BenchView, found: Found) -> Iterator[Finding]:
    lonely = loose_ends(view)
    for part in view.bench.parts.values():
        by_net: dict[int, list[str]] = {}
        for leg in part.legs:
            net = view.net(part, leg)
            if net is not None:
                by_net.setdefault(net.id, []).append(leg)
        for legs in by_net.values():
            if len(legs) < 2 or part.type.id == "button-4":
                continue
            places = [view.place(part, leg) for leg in legs]
            row = _common_row([part.legs[leg] for leg in legs])
            if row is None and any(part.type.role(leg) is not LegRole.PLAIN for leg in legs):
                continue  # legs of a module joined by wires: the rules on supplies and outputs say it better
            where = f"all in {row}" if row else "joined by wires"
            together = " and ".join(legs) if len(legs) == 2 else ", ".join(legs)
            # What is alone in a row nearby tells where the bridged leg should have gone.
            holes = [place for place in (part.legs[leg] for leg in legs) if isinstance(place, Hole)]
            near = [end for end in lonely if end.leg is None or end.leg.ref != part.ref] if row else []
            likely = min(near, key=lambda end: end.rows_from(holes[0]), default=None)
            apart = f"Put the legs of {part.ref} in different rows" + (
                f", one of them in {likely.strip} beside {likely}." if likely else "."
            )
            yield found(
                f"The legs {together} of {part.ref} ({', '.join(places)}) are {where}.",
                apart if row else "Take away the wire that joins them.",
                parts=[part.ref, *([likely.leg.ref] if likely and likely.leg else [])],
                places=[*places, *([str(likely.place)] if likely else [])],
                line=part.line,
            )


def _common_row(places: list[Place]) -> str | None:
    rows = {(p.row, p.half) for p in places if isinstance(p, Hole)}
    if len(rows) == 1 and all(isinstance(p, Hole) for p in places):
        row, half = rows.pop()
        return f"row {row} {half}"
    return None


@WIRING.rule(
    "rail-never-fed",
    Severity.FIX,
    title="A rail that is never fed",
    why="A rail is only metal: until a wire links it to the supply or to ground, all that hangs on it is dead.",
    hint="Where does this rail get its supply or its ground from?",
    criterion="wiring",
    source="the base: the rails are not joined to each other",
    explains=("dangling-lead", "supply-reversed", "light-reversed", "sounder-reversed", *OPEN_CIRCUIT),
)
def rail_never_fed(view: BenchView, found: Found) -> Iterator[Finding]:
    for net in view.nets.nets:
        rails = [place for place in net.places if place[0] in "+-" and len(place) < 5]
        if not rails or view.is_fed(net) or view.is_grounded(net):
            continue
        if any(
            part.type.id == "battery" for leg in view.nets.part_legs(net) if (part := view.bench.parts.get(leg.ref))
        ):
            continue
        legs = view.nets.part_legs(net)
        served = list(dict.fromkeys(leg.ref for leg in legs))
        if not served:
            continue
        source = "the supply" if rails[0][0] == "+" else "ground"
        # What hangs behind a dead rail is dead too: a light over its resistor, for one.
        behind = [ref for ref in view.parts_behind(net) if ref not in served]
        yield found(
            f"Rail {rails[0]} feeds {', '.join(served)}, but no wire links it to {source}.",
            f"Link {rails[0]} to {_link_target(view, rails[0][0])}.",
            parts=[*served, *behind],
            places=rails[:1],
            nets=[net.name],
        )


def _link_target(view: BenchView, sign: str) -> str:
    pin = "GND" if sign == "-" else ("5V" if view.bench.board and view.bench.board.rail_volts == 5 else "3V3")
    twin = next(
        (
            str(p)
            for w in view.bench.wires
            for p in w.ends
            if isinstance(p, Rail) and p.sign == sign and _is_live(view, p)
        ),
        None,
    )
    return f"the other rail {twin} or to {pin}" if twin else f"{view.bench.board_ref}.{pin}"


def _is_live(view: BenchView, rail: Rail) -> bool:
    net = view.nets.at(rail)
    return net is not None and (view.is_fed(net) or view.is_grounded(net))
