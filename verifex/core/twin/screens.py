"""Whether the display a program's library is made for is the one on the bench: its pins in their order."""

from dataclasses import dataclass

from verifex.core.circuit.bench import Part
from verifex.core.circuit.connections.paths import Link
from verifex.core.circuit.view import BenchView
from verifex.core.program import RunResult
from verifex.core.program.boards import pin_numbers
from verifex.core.program.tree import At

#: The legs of a display without a bus in the order in which libraries take their pins, by how many pins they are given.
PIN_ORDER = {
    6: ("rs", "enable", "d4", "d5", "d6", "d7"),
    7: ("rs", "rw", "enable", "d4", "d5", "d6", "d7"),
    10: ("rs", "enable", "d0", "d1", "d2", "d3", "d4", "d5", "d6", "d7"),
    11: ("rs", "rw", "enable", "d0", "d1", "d2", "d3", "d4", "d5", "d6", "d7"),
}


@dataclass(frozen=True, slots=True)
class ScreenElsewhere:
    """A display whose pins a library is given otherwise than they are wired."""

    ref: str
    told: str
    right: str
    at: At


def screens_elsewhere(view: BenchView, result: RunResult) -> list[ScreenElsewhere]:
    """The displays that nothing reaches; what they were sent is taken out of the run, as the bench would not show it."""
    displays = [part for part in view.module_parts() if part.type.is_display]
    if len(displays) != 1 or len(result.screens) != 1:
        return []  # which of several is which is not known
    part = displays[0]
    (numbers, at) = next(iter(result.screens.values()))
    found = None if part.type.address else _pins(view, part, numbers, at)
    if found is None:
        return []
    result.displays = []
    return [found]


def _pins(view: BenchView, part: Part, numbers: tuple[int, ...], at: At) -> ScreenElsewhere | None:
    board, legs = view.bench.board, PIN_ORDER.get(len(numbers))
    if board is None or legs is None:
        return None
    names = pin_numbers(board)
    wired = {leg: _pins_of(view, part, leg) for leg in legs}
    wrong = [
        (leg, names.get(number, str(number)), wired[leg])
        for leg, number in zip(legs, numbers, strict=True)
        if wired[leg] and names.get(number) not in wired[leg]
    ]
    if not wrong:
        return None
    told = ", ".join(f"{pin} for {leg}" for leg, pin, _ in wrong)
    return ScreenElsewhere(part.ref, told, ", ".join(f"{leg} on {pins[0]}" for leg, _, pins in wrong), at)


def _pins_of(view: BenchView, part: Part, leg: str) -> list[str]:
    own = view.net(part, leg)
    reached = view.paths.reach(own, (Link.OHMS,)) if own else ()
    return [pin.name for net in view.nets.nets if net.id in reached for pin in view.nets.signal_pins(net)]
