"""Faults of the wiring: every single mistake near the hand-in, made from it, not listed."""

from collections.abc import Iterator
from dataclasses import replace
from itertools import combinations
from operator import methodcaller

from verifex.core.circuit.bench import Bench, Part, Wire
from verifex.core.circuit.places import BASES, Hole, LegOf, Place
from verifex.core.diagnosis.case import BenchCase
from verifex.core.diagnosis.faults.priors import PRIORS
from verifex.core.diagnosis.model import Fault, Where


def wiring_faults(case: BenchCase) -> Iterator[Fault]:
    bench = case.view.bench if case.view else None
    if bench is None:
        return
    yield from _leads(bench)
    yield from _legs(bench)
    yield from _exchanged(bench)
    yield from _pins(bench)


def _fault(
    slug: str, title: str, look: tuple[str, str], bench: Bench, parts: tuple[str, ...], places: tuple[str, ...]
) -> Fault:
    """`look` says what to do to see it, and what is then looked at: faults of one lead or part have the same."""
    look_at, subject = look
    return Fault(
        slug, title, look_at, Where.WIRING, PRIORS[slug], methodcaller("on_bench", bench), parts, places, subject
    )


def named(wire: Wire) -> str:
    colour = f"{wire.colour} " if wire.colour else ""
    return f"the {colour}lead {wire.ends[0]}–{wire.ends[1]}"


def _follow(wire: Wire) -> tuple[str, str]:
    said = named(wire)
    return f"Follow {said} from end to end and press it in: does it sit in {wire.ends[0]} and in {wire.ends[1]}?", said


def _compare(part: Part) -> tuple[str, str]:
    legs = ", ".join(f"{leg} in {place}" for leg, place in part.legs.items())
    return f"Look at the legs of {part.ref}: {legs}?", f"the legs of {part.ref}"


def _leads(bench: Bench) -> Iterator[Fault]:
    """Each lead one row off at each end, and each lead missing."""
    for index, wire in enumerate(bench.wires):
        said = named(wire)
        ends = tuple(str(end) for end in wire.ends)
        for end in (0, 1):
            for moved in _rows_beside(bench, wire.ends[end]):
                changed = (moved, wire.ends[1]) if end == 0 else (wire.ends[0], moved)
                yield _fault(
                    "row-off", f"{said[0].upper()}{said[1:]} sits one row off, in {moved}",
                    _follow(wire),
                    _with_wire(bench, index, replace(wire, ends=changed)), (), (str(wire.ends[end]), str(moved)),
                )  # fmt: skip
        yield _fault(
            "lead-missing", f"{said[0].upper()}{said[1:]} makes no contact", _follow(wire),
            _with_wire(bench, index, None), (), ends,
        )  # fmt: skip


def _rows_beside(bench: Bench, place: Place) -> Iterator[Hole]:
    if not isinstance(place, Hole):
        return
    for row in (place.row - 1, place.row + 1):
        if 1 <= row <= BASES[bench.base]:
            yield Hole(place.letter, row)


def _with_wire(bench: Bench, index: int, wire: Wire | None) -> Bench:
    wires = [*bench.wires[:index], *([wire] if wire else []), *bench.wires[index + 1 :]]
    return replace(bench, wires=wires)


def _legs(bench: Bench) -> Iterator[Fault]:
    """Each part one row off as a whole; each leg of a part that bends one row off by itself."""
    for part in bench.parts.values():
        holes = {leg: place for leg, place in part.legs.items() if isinstance(place, Hole)}
        if not holes:
            continue
        for by in (-1, 1):
            moved = {leg: Hole(place.letter, place.row + by) for leg, place in holes.items()}
            if all(1 <= hole.row <= BASES[bench.base] for hole in moved.values()):
                where = ", ".join(str(hole) for hole in moved.values())
                yield _fault(
                    "row-off", f"{part.title[:1].upper()}{part.title[1:]} sits one row off, in {where}", _compare(part),
                    _with_part(bench, part, {**part.legs, **moved}), (part.ref,), tuple(map(str, holes.values())),
                )  # fmt: skip
        if len(part.type.legs) == 2:
            for leg, place in holes.items():
                for hole in _rows_beside(bench, place):
                    yield _fault(
                        "row-off", f"One leg of {part.title} sits one row off, in {hole}", _compare(part),
                        _with_part(bench, part, {**part.legs, leg: hole}), (part.ref,), (str(place), str(hole)),
                    )  # fmt: skip


def _exchanged(bench: Bench) -> Iterator[Fault]:
    """Each pair of legs of a part exchanged; a part whose two ends are alike stays as it is."""
    for part in bench.parts.values():
        if part.type.symmetric:
            continue
        for one, other in combinations(part.legs, 2):
            legs = {**part.legs, one: part.legs[other], other: part.legs[one]}
            yield _fault(
                "leads-exchanged", f"{one[:1].upper()}{one[1:]} and {other} of {part.title} are exchanged",
                _compare(part),
                _with_part(bench, part, legs), (part.ref,), (str(part.legs[one]), str(part.legs[other])),
            )  # fmt: skip


def _pins(bench: Bench) -> Iterator[Fault]:
    """Each lead of a signal pin in the pin beside it; each supply lead in the board's other supply."""
    board = bench.board
    if board is None:
        return
    order = [*board.pins.digital, *board.pins.input_only, *board.pins.analogue_only]
    for index, wire in enumerate(bench.wires):
        for end, place in enumerate(wire.ends):
            pin = board.pin(bench.pin(place) or "") if bench.pin(place) else None
            if pin is None:
                continue
            others = [name for name in board.supplies if name != pin.name and pin.supply_volts is not None]
            if pin.is_signal and pin.name in order:
                at = order.index(pin.name)
                others = order[max(0, at - 1) : at] + order[at + 1 : at + 2]
            for name in others:
                there = LegOf(bench.board_ref, name)
                changed = (there, wire.ends[1]) if end == 0 else (wire.ends[0], there)
                slug = "another-pin" if pin.is_signal else "supply-pin"
                yield _fault(
                    slug, f"{named(wire).replace('the', 'The', 1)} goes to {name}, not to {pin.name}",
                    _follow(wire),
                    _with_wire(bench, index, replace(wire, ends=changed)), (), (str(place),),
                )  # fmt: skip


def _with_part(bench: Bench, part: Part, legs: dict[str, Place]) -> Bench:
    return replace(bench, parts={**bench.parts, part.ref: replace(part, legs=legs)})
