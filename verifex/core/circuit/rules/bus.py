"""The two-wire bus, SPI, and single data wires: swapped, elsewhere, clashing, without a pull-up that works."""

from collections.abc import Iterator, Sequence

from verifex.core.circuit.bench import Part
from verifex.core.circuit.connections.paths import Link
from verifex.core.circuit.nets import Net
from verifex.core.circuit.operating import source_ohms
from verifex.core.circuit.places import LegOf
from verifex.core.circuit.remedies import Add, Change, Exchange, Move, Replace, Shift
from verifex.core.circuit.rules.book import WIRING
from verifex.core.circuit.values import resistor_ohms
from verifex.core.circuit.view import BenchView
from verifex.core.findings import Finding, Remedy, Severity
from verifex.core.parts import PinKind
from verifex.core.quantity import in_words
from verifex.core.resistors.windows import SLOT_SECONDS, line_farads, rise_seconds
from verifex.core.rulebook import FindingFactory

TWO_WIRE = ("sda", "scl")
SPI = ("sck", "miso", "mosi")
WORDS = {"sda": "data", "scl": "clock", "sck": "sck", "miso": "miso", "mosi": "mosi"}

SINK_OHMS = 100.0  # what a module pulls its line down with
LOW_SHARE = 0.3
USUAL_OHMS = (2200.0, 10000.0)


def _bus_legs(view: BenchView, lines: tuple[str, ...]) -> Iterator[tuple[Part, dict[str, str]]]:
    """Modules with legs for these lines: line → leg."""
    for part in view.bench.parts.values():
        legs = {leg.bus: name for name, leg in part.type.legs.items() if leg.bus in lines}
        if legs:
            yield part, {str(line): name for line, name in legs.items()}


def _pins_of(view: BenchView, part: Part, leg: str) -> list[PinKind]:
    net = view.net(part, leg)
    if net is None:
        return []
    if pins := view.nets.signal_pins(net):
        return pins
    reached = view.paths.reach(net, (Link.OHMS,))
    rails = (n for n in (view.nets.nets[i] for i in reached) if not view.nets.is_source(n))
    return [pin for other in rails for pin in view.nets.signal_pins(other)]


def _lines_reached(view: BenchView, part: Part, legs: dict[str, str]) -> dict[str, list[PinKind]]:
    """Line → signal pins its leg reaches; lines that reach none are left out."""
    reached = {line: _pins_of(view, part, leg) for line, leg in legs.items()}
    return {line: pins for line, pins in reached.items() if pins}


#: A line that rests above this share of the supply is pulled up; a resistance beyond this is none.
PULLED_UP_SHARE, MOST_PULL_UP_OHMS = 0.8, 1e6


@WIRING.rule(
    "bus-swapped",
    Severity.FIX,
    title="Bus lines exchanged",
    why="The module listens on one line and speaks on the other; exchanged, it never answers.",
    hint="Compare the names on the module with the names of the pins, one line at a time.",
    criterion="wiring",
    source="the board's bus pins",
    explains=("bus-elsewhere", "bus-moved", "function-not-built", "output-unconnected", "input-unconnected"),
)
def bus_swapped(view: BenchView, finding: FindingFactory) -> Iterator[Finding]:
    board = view.bench.board
    if board is None:
        return
    for lines in (TWO_WIRE, SPI):
        for part, legs in _bus_legs(view, lines):
            reached = _lines_reached(view, part, legs)
            wrong = {
                line: next((other for other in lines if other != line and board.pins.bus.get(other) in names), None)
                for line, pins in reached.items()
                if board.pins.bus.get(line) not in (names := {pin.name for pin in pins})
            }
            swapped = [line for line, other in wrong.items() if other]
            if len(swapped) < 2 and not (swapped and lines == TWO_WIRE):
                continue
            said = " and ".join(f"{legs[line]} to {reached[line][0].name}" for line in swapped)
            meant = ", ".join(f"{legs[line]} to {board.pins.bus[line]}" for line in swapped)
            changes: tuple[Change, ...] = tuple(
                Move(part.ref, legs[line], LegOf(view.bench.board_ref, board.pins.bus[line])) for line in swapped
            )
            if len(swapped) == 2:
                changes = (Exchange(part.ref, legs[swapped[0]], legs[swapped[1]]),)
            yield finding(
                f"{part.ref} has {said}: {' and '.join(WORDS[line] for line in swapped)} are exchanged.",
                [Remedy(f"Lead {meant}.", changes)],
                parts=[part.ref],
                places=[view.place(part, legs[line]) for line in swapped],
                line=part.line,
            )


def _elsewhere(view: BenchView) -> Iterator[tuple[Part, str, str, PinKind]]:
    """(module, line, leg, pin) where a bus line goes to another pin than the bus's own."""
    board = view.bench.board
    if board is None:
        return
    for lines in (TWO_WIRE, SPI):
        for part, legs in _bus_legs(view, lines):
            for line, pins in _lines_reached(view, part, legs).items():
                if board.pins.bus.get(line) not in {pin.name for pin in pins}:
                    yield part, line, legs[line], pins[0]


@WIRING.rule(
    "bus-elsewhere",
    Severity.FIX,
    title="A bus line on another pin",
    why="On this board the bus is fixed to its own pins; on any other the module never answers.",
    hint="Which pins of your board carry this bus?",
    criterion="wiring",
    source="the board's bus pins",
    explains=("function-not-built",),
)
def bus_elsewhere(view: BenchView, finding: FindingFactory) -> Iterator[Finding]:
    board = view.bench.board
    if board is None or board.bus_can_move:
        return
    for part, line, leg, pin in _elsewhere(view):
        yield finding(
            f"The {leg} leg of {part.ref} goes to {pin.name}; this board's {line} line is {board.pins.bus[line]}.",
            [
                Remedy(
                    f"Move the lead to {board.pins.bus[line]}.",
                    (Shift(LegOf(view.bench.board_ref, pin.name), LegOf(view.bench.board_ref, board.pins.bus[line])),),
                )
            ],
            parts=[part.ref],
            places=[view.pin_place(pin.name), view.place(part, leg)],
            line=part.line,
        )


@WIRING.rule(
    "bus-moved",
    Severity.CHECK,
    title="A bus moved to other pins",
    why="This board can do it, but only when the program names the pins it was moved to.",
    hint="Which pins does your program name for this bus?",
    criterion="wiring",
    source="the board's bus pins",
)
def bus_moved(view: BenchView, finding: FindingFactory) -> Iterator[Finding]:
    board = view.bench.board
    if board is None or not board.bus_can_move:
        return
    moved: dict[str, list[tuple[str, str, PinKind]]] = {}
    for part, line, leg, pin in _elsewhere(view):
        moved.setdefault(part.ref, []).append((line, leg, pin))
    for ref, lines in moved.items():
        usual = ", ".join(board.pins.bus[line] for line, _, _ in lines)
        yield finding(
            f"{ref} has {', '.join(f'{leg} on {pin.name}' for _, leg, pin in lines)}; the usual pins are {usual}.",
            "Use the usual pins, or see that the program names these.",
            parts=[ref],
            places=[view.pin_place(pin.name) for _, _, pin in lines],
            line=view.bench.parts[ref].line,
        )


@WIRING.rule(
    "address-clash",
    Severity.CHECK,
    title="Two modules with one address",
    why="Both answer at once, and neither can be understood.",
    hint="Every module on this bus needs an address of its own. Do these two differ?",
    criterion="wiring",
    source="the two-wire bus",
)
def address_clash(view: BenchView, finding: FindingFactory) -> Iterator[Finding]:
    seen: dict[tuple[int, int], Part] = {}
    for part, legs in _bus_legs(view, ("sda",)):
        net = view.net(part, legs["sda"])
        said = part.settings.get("address") or part.type.address
        if net is None or said is None:
            continue
        try:
            key = (net.id, int(said, 0))
        except ValueError:
            continue
        if key in seen:
            yield finding(
                f"{seen[key].ref} and {part.ref} both answer at {key[1]:#04x}.",
                "Move the address jumper of one of them, or give address=… where they differ already.",
                parts=[seen[key].ref, part.ref],
                nets=[net.name],
                line=part.line,
            )
        else:
            seen[key] = part


def _data_lines(view: BenchView) -> Iterator[tuple[Net, list[Part]]]:
    """Single data wires that reach the board, with the modules on each."""
    lines: dict[int, list[Part]] = {}
    for part in view.bench.parts.values():
        for name, leg in part.type.legs.items():
            net = view.net(part, name)
            if leg.bus == "one-wire" and net is not None and _reaches_a_pin(view, net):
                lines.setdefault(net.id, []).append(part)
    for net_id, parts in lines.items():
        yield view.nets.nets[net_id], parts


def _reaches_a_pin(view: BenchView, net: Net) -> bool:
    """Whether a line comes to a pin of the board, be it through a resistor."""
    if view.nets.signal_pins(net) or view.nets.is_rail(net):
        return bool(view.nets.signal_pins(net))
    near = [view.nets.nets[edge.other] for edge in view.paths.edges_at(net, Link.OHMS)]
    return any(view.nets.signal_pins(other) for other in near if not view.nets.is_rail(other))


def _pulled_up_by_way_of_others(view: BenchView, net: Net) -> float:
    """The ohms to the supply through several resistors one behind the other, as the solver sees them; inf where nothing pulls."""
    board = view.bench.board
    if board is None or not view.points:
        return float("inf")
    point = view.points[0].point
    if net.id in point.floating or point.volts[net.id] < PULLED_UP_SHARE * board.rail_volts:
        return float("inf")
    ohms = source_ohms(point, [net.id])[net.id]
    return ohms if ohms < MOST_PULL_UP_OHMS else float("inf")


def _pull_ups(view: BenchView, net: Net) -> tuple[list[Part], float]:
    """Resistors from a line to a supply, and the ohms they make together with fitted ones (inf without any)."""
    resistors = [
        view.bench.parts[edge.ref]
        for edge in view.paths.edges_at(net, Link.OHMS)
        if view.nets.is_source(view.nets.nets[edge.other]) and view.bench.parts[edge.ref].type.model == "resistor"
    ]
    siemens = sum(1 / ohms for part in resistors if (ohms := resistor_ohms(part, "measured")))
    for leg in view.nets.part_legs(net):
        part = view.bench.parts[leg.ref]
        fitted = part.type.leg(leg.leg).pull_up_ohms if leg.leg in part.type.legs else None
        if fitted and part.settings.get("pullup") != "none":
            siemens += 1 / fitted
    board = view.bench.board
    for pin in view.nets.signal_pins(net):
        if board and pin.name in board.fitted_pull_ups:
            siemens += 1 / board.fitted_pull_ups[pin.name]
    return resistors, 1 / siemens if siemens else _pulled_up_by_way_of_others(view, net)


def _lead_metres(parts: list[Part]) -> float:
    return sum(part.quantity("lead", "metre") or 1.0 for part in parts if "lead" in part.type.settings)


def _pulling_up(view: BenchView, part: Part, net: Net) -> list[Remedy]:
    """A pull-up put in, where both of its ends are on the bench."""
    words = f"Put 4.7 kΩ between the data leg of {part.ref} and its supply."
    leg = next((leg.leg for leg in view.nets.part_legs(net) if leg.ref == part.ref), "")
    ends = [part.legs.get(one) for one in (leg, part.type.supply_leg or "")]
    if ends[0] is None or ends[1] is None:
        return [Remedy(words)]
    return [Remedy(words, (Add("resistor", ends[0], ends[1], (("value", "4.7k"),)),))]


def _with_pull_up(resistors: Sequence[Part], words: str) -> list[Remedy]:
    """Another value for the pull-up, where there is one to exchange."""
    return [Remedy(words, (Replace(resistors[0].ref, "value", "4.7k"),) if len(resistors) == 1 else ())]


@WIRING.rule(
    "data-without-pull-up",
    Severity.FIX,
    title="A data wire without its pull-up",
    why="Everyone on this wire can only pull it down; without a resistor to the supply it never comes up.",
    hint="What brings this wire up again when nobody pulls it down?",
    criterion="wiring",
    source="typical of the family: 4.7 kΩ from data to supply",
    explains=("level-too-low", "function-not-built", "value-outside-window", "floating-input", "part-missing"),
)
def data_without_pull_up(view: BenchView, finding: FindingFactory) -> Iterator[Finding]:
    if view.shorted:
        return
    for net, parts in _data_lines(view):
        resistors, ohms = _pull_ups(view, net)
        if view.nets.is_rail(net):
            continue
        names = ", ".join(part.ref for part in parts)
        if ohms == float("inf"):
            near = [edge.ref for edge in view.paths.edges_at(net, Link.OHMS)]
            yield finding(
                f"The data wire of {names} has no resistor to the supply"
                + (f"; {near[0]} goes elsewhere." if near else "."),
                _pulling_up(view, parts[0], net),
                parts=[part.ref for part in parts] + near,
                nets=[net.name],
                line=parts[0].line,
            )
            continue
        seconds, metres = rise_seconds(ohms, line_farads(_lead_metres(parts))), _lead_metres(parts)
        if seconds > SLOT_SECONDS:
            yield finding(
                f"With {in_words(ohms, 'Ω')} and {metres:g} m of lead the data wire of {names} takes {in_words(seconds, 's', 2)} to come up; "
                f"it is looked at after {in_words(SLOT_SECONDS, 's', 2)}.",
                _with_pull_up(resistors, "Take a smaller pull-up, such as 4.7 kΩ or 2.2 kΩ, or a shorter lead."),
                parts=[part.ref for part in parts] + [part.ref for part in resistors],
                nets=[net.name],
                line=resistors[0].line if resistors else parts[0].line,
                value=seconds,
                limit=SLOT_SECONDS,
                unit="s",
                why="The wire is looked at before it has come up, so ones are read as zeros.",
            )
        elif SINK_OHMS / (SINK_OHMS + ohms) > LOW_SHARE:
            yield finding(
                f"{in_words(ohms, 'Ω')} pull the data wire of {names} up so hard that no module can pull it down.",
                _with_pull_up(resistors, "Take 4.7 kΩ."),
                parts=[part.ref for part in parts] + [part.ref for part in resistors],
                nets=[net.name],
                line=resistors[0].line if resistors else parts[0].line,
                value=ohms,
                limit=SINK_OHMS * (1 / LOW_SHARE - 1),
                unit="ohm",
                why="A module that speaks has to bring the wire under the low level; against this resistor it cannot.",
            )


@WIRING.rule(
    "pull-up-outside-window",
    Severity.CHECK,
    title="A pull-up outside the usual window",
    why="It works here and now, but with little to spare: a longer lead or another module may stop it.",
    hint="Which value is usual for this resistor?",
    criterion="resistors",
    source="typical of the family: 2.2 to 10 kΩ",
    explains=("value-outside-window",),
)
def pull_up_outside_window(view: BenchView, finding: FindingFactory) -> Iterator[Finding]:
    if view.shorted:
        return
    for net, parts in _data_lines(view):
        resistors, ohms = _pull_ups(view, net)
        works = (
            rise_seconds(ohms, line_farads(_lead_metres(parts))) <= SLOT_SECONDS
            and SINK_OHMS / (SINK_OHMS + ohms) <= LOW_SHARE
        )
        low, high = USUAL_OHMS
        if resistors and works and not low * 0.9 <= ohms <= high * 1.1:
            yield finding(
                f"The pull-up of {parts[0].ref}'s data wire is {in_words(ohms, 'Ω')}; {in_words(low, 'Ω')} to {in_words(high, 'Ω')} is usual.",
                "Take 4.7 kΩ if there is one.",
                parts=[part.ref for part in resistors] + [part.ref for part in parts],
                nets=[net.name],
                line=resistors[0].line,
                value=ohms,
                limit=low if ohms < low else high,
                unit="ohm",
            )
