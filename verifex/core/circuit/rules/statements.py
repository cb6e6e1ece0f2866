"""Statements that cannot be as they are written, and the board that is not named."""

from collections.abc import Iterator

from verifex.core.circuit.bench import Impossible
from verifex.core.circuit.rules.book import OPEN_CIRCUIT, WIRING
from verifex.core.circuit.view import BenchView
from verifex.core.findings import Finding, Severity
from verifex.core.rulebook import FindingFactory


def _impossible(view: BenchView, finding: FindingFactory, rule: str) -> Iterator[Finding]:
    for wrong in view.bench.impossible:
        if wrong.rule != rule:
            continue
        # What was left out leaves something alone in a row elsewhere.
        loose = [end.leg.ref for end in view.loose_ends if end.leg]
        behind = [ref for place in wrong.other_ends if (net := view.nets.at(place)) for ref in view.parts_behind(net)]
        yield finding(
            wrong.seen,
            wrong.remedy,
            parts=wrong.parts,
            places=[*wrong.places, *(str(place) for place in wrong.other_ends)],
            line=wrong.line,
            column=wrong.column,
            affects=[*behind, *loose] if wrong.rule == "cannot-be" else behind,
            # The word alone gives nothing away, and without it a pair with a long line looks in vain.
            hint=_hint(wrong) if wrong.rule == "cannot-be" else "",
        )


def _hint(wrong: Impossible) -> str:
    words = " and ".join(f"“{place}”" for place in wrong.places)
    return f"Look at {words or 'this line'} again: that place, part or pin is not there, or is taken."


@WIRING.rule(
    "cannot-be",
    Severity.FIX,
    title="A part, place or pin that does not exist or is taken",
    why="The check leaves it out, so what it should do is not judged.",
    hint="Look at this line again: the place, part or pin in it is not there, or is taken.",
    criterion="wiring",
    source="the catalogue and the base",
    explains=("dangling-lead", "part-missing", "rail-never-fed", "legs-in-one-row", *OPEN_CIRCUIT),
)
def cannot_be(view: BenchView, finding: FindingFactory) -> Iterator[Finding]:
    yield from _impossible(view, finding, "cannot-be")


@WIRING.rule(
    "hole-used-twice",
    Severity.FIX,
    title="A hole used twice",
    why="A hole takes one lead; the second one is somewhere else on the real board, or sits badly.",
    hint="Two leads cannot share a hole: where does the second one really go?",
    criterion="wiring",
    source="the base",
)
def hole_used_twice(view: BenchView, finding: FindingFactory) -> Iterator[Finding]:
    yield from _impossible(view, finding, "hole-used-twice")


@WIRING.rule(
    "board-missing",
    Severity.FIX,
    title="No board is named",
    why="Without the board nothing is fed and no pin can be checked.",
    hint="The first line of a wiring usually names the board.",
    criterion="wiring",
    source="bench notation",
    explains=("rail-never-fed", "dangling-lead", "part-missing", *OPEN_CIRCUIT),
)
def board_missing(view: BenchView, finding: FindingFactory) -> Iterator[Finding]:
    bench = view.bench
    if bench.board is not None or not (bench.parts or bench.wires):
        return
    names_board = any(
        place.ref == bench.board_ref for wire in bench.wires for place in wire.ends if hasattr(place, "ref")
    )
    told = any(wrong.rule == "cannot-be" and bench.board_ref in str(wrong.places) for wrong in bench.impossible)
    # A bench fed by a battery alone needs no board.
    if (names_board or not bench.parts_of("battery")) and not told:
        yield finding(
            "No board is named in this wiring.",
            "Add a line such as 'board B1 mcu-5v'.",
            parts=list(bench.parts),
        )
