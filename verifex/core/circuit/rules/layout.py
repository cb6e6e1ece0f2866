"""What is wrong with where legs are put, before any current is thought of."""

from collections.abc import Iterator

from verifex.core.circuit.bench import Part
from verifex.core.circuit.places import Hole, Place
from verifex.core.circuit.rules.book import OPEN_CIRCUIT, WIRING
from verifex.core.circuit.view import BenchView
from verifex.core.findings import Finding, Severity
from verifex.core.parts import LegRole
from verifex.core.rulebook import FindingFactory


@WIRING.rule(
    "legs-in-one-row",
    Severity.FIX,
    title="Legs of one part in one row",
    why="The five holes of a row are one piece of metal, so the part is bridged and does nothing.",
    hint="Look at which holes of the board are joined underneath.",
    criterion="wiring",
    source="the base: rows of five joined holes",
    explains=("dangling-lead", "light-reversed", "transistor-legs-swapped", "pin-over-current",
              "led-no-series-resistor", "light-over-current", "bus-swapped", "outputs-tied-together",
              "supply-reversed", "base-without-resistor", "coil-diode-reversed", "transistor-ratio", *OPEN_CIRCUIT),
)  # fmt: skip
def legs_in_one_row(view: BenchView, finding: FindingFactory) -> Iterator[Finding]:
    lonely = view.loose_ends
    for part in view.bench.parts.values():
        for legs in _joined_legs(view, part):
            places = [view.place(part, leg) for leg in legs]
            row = _common_row([part.legs[leg] for leg in legs if leg in part.legs])
            if row is None and any(part.type.role(leg) is not LegRole.PLAIN for leg in legs):
                continue  # legs of a module joined by wires: the rules on supplies and outputs say it better
            if row is None and part.type.model in ("pot", "transistor", "relay"):
                continue  # a knob as a plain resistance, a transistor as a diode: joined on purpose
            where = f"all in {row}" if row else "joined by wires"
            together = " and ".join(legs) if len(legs) == 2 else ", ".join(legs)
            # What is alone in a row nearby tells where the bridged leg should have gone.
            holes = [place for place in (part.legs.get(leg) for leg in legs) if isinstance(place, Hole)]
            near = [end for end in lonely if end.leg is None or end.leg.ref != part.ref] if row else []
            likely = min(near, key=lambda end: end.rows_from(holes[0]), default=None)
            apart = f"Put the legs of {part.ref} in different rows" + (
                f", one of them in {likely.strip} beside {likely}." if likely else "."
            )
            yield finding(
                f"The legs {together} of {part.ref} ({', '.join(places)}) are {where}.",
                apart if row else "Take away the wire that joins them.",
                parts=[part.ref],
                places=[*places, *([str(likely.place)] if likely else [])],
                line=part.line,
                affects=_behind(view, part),
            )


def _joined_legs(view: BenchView, part: Part) -> list[list[str]]:
    """Groups of legs of a part that lie on one net though they are not one piece of metal inside."""
    by_net: dict[int, list[str]] = {}
    for leg in [*part.type.legs, *part.type.other_names]:
        net = view.net(part, leg)
        if net is not None:
            by_net.setdefault(net.id, []).append(leg)
    groups = []
    for legs in by_net.values():
        metal = {leg for pair in part.type.joined for leg in pair if set(pair) <= set(legs)}
        inside = [set(pair) for pair in part.type.joined if set(pair) <= set(legs)]
        if len(legs) < 2 or (metal >= set(legs) and len(inside) == 1):
            continue
        if all(part.type.leg(leg).optional or part.type.leg(leg).strap for leg in legs):
            continue
        # Ground, a strapped input and the like may share a rail: only legs that must differ count.
        if part.type.model in ("module", "regulator") and not _must_differ(part, legs):
            continue
        groups.append(legs)
    return groups


def _must_differ(part: Part, legs: list[str]) -> bool:
    """Whether a module's legs on one net are more than a line tied to a rail: two in one row are."""
    return _common_row([part.legs[leg] for leg in legs if leg in part.legs]) is not None


def _common_row(places: list[Place]) -> str | None:
    rows = {(p.row, p.half) for p in places if isinstance(p, Hole)}
    if len(rows) == 1 and len(places) > 1 and all(isinstance(p, Hole) for p in places):
        row, half = rows.pop()
        return f"row {row} {half}"
    return None


def _behind(view: BenchView, part: Part) -> list[str]:
    refs: list[str] = []
    for leg in part.type.leg_names():
        net = view.net(part, leg)
        if net and (view.nets.supplies(net) or view.nets.is_ground(net)):
            return list(view.bench.parts)  # bridged on a rail: whatever it should have served lacks it
        if net and not view.nets.supplies(net) and not view.nets.is_ground(net):
            refs += view.parts_behind(net)
    return list(dict.fromkeys(refs))


@WIRING.rule(
    "button-turned",
    Severity.FIX,
    title="A button rotated by 90°",
    why="Two of its four legs are always joined; wired across those, it is pressed for ever.",
    hint="Which legs of this button are joined inside, even when nobody presses it?",
    criterion="wiring",
    source="four-legged buttons: 1 with 2 and 3 with 4 are one piece of metal",
    explains=(
        "pin-on-supply",
        "floating-input",
        "output-tied-to-supply",
        "wire-colour",
        "dangling-lead",
        "function-not-built",
    ),
)
def button_turned(view: BenchView, finding: FindingFactory) -> Iterator[Finding]:
    for part in view.bench.parts.values():
        if not part.type.joined:
            continue
        sides = [[leg for leg in pair if view.net(part, leg) is not None] for pair in part.type.joined]
        outside = [_strips_in_use(view, part, legs) for legs in sides]
        # One side is wired twice (each of its legs to something of its own), the other not at all.
        for used, unused, legs in ((outside[0], outside[1], sides[0]), (outside[1], outside[0], sides[1])):
            if len(used) > 1 and not unused:
                places = [view.place(part, leg) for leg in legs]
                yield finding(
                    f"{part.ref} is wired across its legs {' and '.join(legs)} ({', '.join(places)}), which are joined inside.",
                    f"Turn {part.ref} by a quarter, or lead one of the wires to its other side.",
                    parts=[part.ref],
                    places=places,
                    line=part.line,
                )


def _strips_in_use(view: BenchView, part: Part, legs: list[str]) -> list[str]:
    """Legs of one side whose own strip (or the leg itself) something else is led to."""
    used = []
    for leg in legs:
        place = part.legs.get(leg)
        here = [end for wire in view.bench.wires for end in wire.ends if str(end) in (f"{part.ref}.{leg}", str(place))]
        if isinstance(place, Hole):
            here += [
                end
                for wire in view.bench.wires
                for end in wire.ends
                if isinstance(end, Hole) and (end.row, end.half) == (place.row, place.half) and end != place
            ]
            here += [
                other
                for o in view.bench.parts.values()
                for other in o.legs.values()
                if o.ref != part.ref and isinstance(other, Hole) and (other.row, other.half) == (place.row, place.half)
            ]
        elif place is not None:
            here.append(place)  # straight in a rail or on a pin
        if here:
            used.append(leg)
    return used
