"""What the board reads: floating inputs, dividers without a partner, sources too weak for the converter."""

from collections.abc import Iterator

from verifex.core.circuit.bench import Part
from verifex.core.circuit.connections.paths import Link
from verifex.core.circuit.nets import Net
from verifex.core.circuit.operating import source_ohms
from verifex.core.circuit.remedies import Add
from verifex.core.circuit.rules.book import WIRING
from verifex.core.circuit.rules.pins import analogue_sources
from verifex.core.circuit.view import BenchView
from verifex.core.findings import Finding, Remedy, Severity
from verifex.core.parts import LegRole
from verifex.core.quantity import in_words
from verifex.core.rulebook import FindingFactory

HOLDING = (Link.OHMS, Link.CELL, Link.DIODE, Link.LIGHT, Link.LOAD)
LEAST_SWING_SHARE = 0.03
WEAK_OHMS, TOO_WEAK_OHMS = 10e3, 100e3
OPEN_OHMS = 1e8  # nothing gives a value there at all


def _speakers(view: BenchView, net: Net) -> Iterator[tuple[str, Net]]:
    """(ref, net on its other side) of switches, contacts and open outputs that pull a net one way only."""
    for edge in view.paths.edges_at(net, Link.CONTACT):
        yield edge.ref, view.nets.nets[edge.other]
    for leg in view.nets.part_legs(net):
        part = view.bench.parts[leg.ref]
        if part.type.role(leg.leg) is LegRole.OPEN_OUT and part.type.ground_leg:
            fitted = part.type.leg(leg.leg).pull_up_ohms and part.settings.get("pullup") != "none"
            ground = view.net(part, part.type.ground_leg)
            if ground is not None and not fitted:
                yield leg.ref, ground


def _is_held(view: BenchView, net: Net, without: str) -> bool:
    """Whether something besides the switch itself gives the net a level."""
    rails = view.paths.leads_to(net, view.nets.is_rail, HOLDING, {without})
    if rails is not None:
        return True
    board = view.bench.board
    if board and any(pin.name in board.fitted_pull_ups for pin in view.nets.signal_pins(net)):
        return True
    for leg in view.nets.part_legs(net):
        part = view.bench.parts[leg.ref]
        if part.ref == without or leg.leg not in part.type.legs:
            continue
        role, figures = part.type.role(leg.leg), part.type.leg(leg.leg)
        fitted = bool(figures.pull_up_ohms) and part.settings.get("pullup") != "none"
        if role in (LegRole.ANALOGUE_OUT, LegRole.DIGITAL_OUT) or fitted:
            return True
    return False


OWN_PLACES = 2  # of a net with one leg alone: the leg, and the hole it is in


@WIRING.rule(
    "floating-input",
    Severity.CHECK,
    title="An input that floats while its switch is open",
    why="Nothing gives the pin a level then: it reads whatever is in the air, a hand coming near will do.",
    hint="What does the pin read while nobody presses? What gives it that level?",
    criterion="wiring",
    source="an open input has no level",
    explains=("function-not-built",),
)
def floating_input(view: BenchView, finding: FindingFactory) -> Iterator[Finding]:
    board = view.bench.board
    if board is None or view.shorted:
        return
    reported: set[str] = set()
    for pin, net in view.wired_pins():
        if pin.name in view.outputs or view.nets.is_rail(net):
            continue
        for ref, far in _speakers(view, net):
            if ref in reported or _is_held(view, net, ref):
                continue
            to_ground = view.is_grounded(far, {ref}) and not view.nets.is_source(far)
            if not to_ground and not view.is_fed(far, {ref}):
                continue  # the switch leads nowhere: reported by the rule on openings
            reported.add(ref)
            yield from _float(view, finding, pin.name, net, ref, to_ground)


def _float(
    view: BenchView, finding: FindingFactory, pin: str, net: Net, ref: str, to_ground: bool
) -> Iterator[Finding]:
    board, program = view.bench.board, view.program
    assert board is not None
    inner = "pull-up" if to_ground else "pull-down"
    has_inner = to_ground or board.has_pull_down
    if program is not None and pin in program.pulled_up and to_ground:
        return
    if program is None:
        remedy = (
            f"See that the program turns on the {inner} inside the pin, or put 10 kΩ from {pin} to {'the supply' if to_ground else 'ground'}."
            if has_inner
            else f"Put 10 kΩ from {pin} to ground; this board has no pull-down inside."
        )
        # No program can help where the pin has nothing of the kind inside.
        severity = Severity.CHECK if has_inner else Severity.FIX
    else:
        wrong_way = pin in program.pulled_up
        remedy = f"Put 10 kΩ from {pin} to {'the supply' if to_ground else 'ground'}" + (
            ", or turn on the pull-up inside the pin."
            if to_ground
            else "; its own pull-up holds it high either way."
            if wrong_way
            else "."
        )
        severity = Severity.FIX
    way = "ground" if to_ground else "the supply"
    yield finding(
        f"{ref} joins {pin} to {way} when it closes; while it is open nothing gives {pin} a level.",
        remedy,
        parts=[ref],
        places=[view.pin_place(pin)],
        nets=[net.name],
        line=view.bench.parts[ref].line,
        severity=severity,
    )


@WIRING.rule(
    "divider-partner-missing",
    Severity.FIX,
    title="A light cell without its partner",
    why="Alone it gives the pin the same level in light and dark; only against a fixed resistor does its change become volts.",
    hint="A light cell is half a divider. Where is the other half?",
    criterion="wiring",
    source="divider: V = supply·R2/(R1 + R2)",
    explains=(
        "output-on-digital-pin",
        "function-not-built",
        "source-too-weak",
        "value-outside-window",
        "converter-shared-with-radio",
        "floating-input",
    ),
)
def divider_partner_missing(view: BenchView, finding: FindingFactory) -> Iterator[Finding]:
    board = view.bench.board
    if board is None or view.shorted or not view.points:
        return
    for part in view.bench.parts_of("light-cell"):
        for leg, far_leg in (part.ends, part.ends[::-1]):
            net, far = view.net(part, leg), view.net(part, far_leg)
            if net is None or view.nets.is_rail(net):
                continue
            reached = view.paths.reach(net, (Link.OHMS,))
            pins = [p for i in reached for p in view.nets.signal_pins(view.nets.nets[i]) if p.name not in view.outputs]
            if not pins:
                continue
            at_pin = view.nets.of_pin(pins[0].name)
            assert at_pin is not None
            seen = [view.volts(s, at_pin) for s in view.points]
            if max(seen) - min(seen) >= LEAST_SWING_SHARE * board.rail_volts:
                continue
            edges = view.paths.edges_at(net, Link.OHMS)
            partners = [edge.ref for edge in edges]
            same_side = far is not None and all(edge.other == far.id for edge in edges)
            yield finding(
                f"{pins[0].name} sees the same {seen[0]:.2f} V whether {part.ref} is bright or dark"
                + _why_alone(partners, same_side),
                [_partner(view, part, leg, far)],
                parts=[part.ref, *partners],
                places=[view.place(part, leg)],
                nets=[net.name],
                line=part.line,
            )


def _partner(view: BenchView, part: Part, leg: str, far: Net | None) -> Remedy:
    """The second resistor of a divider; tried where the cell goes to a rail."""
    words = (
        f"Put a fixed resistor of about 10 kΩ from {view.place(part, leg)} to the rail that {part.ref} does not go to."
    )
    ways = [] if far is None else view.ground_places if view.nets.is_source(far) else view.supply_places
    at = part.legs.get(leg)
    return Remedy(words, (Add("resistor", at, ways[0], (("value", "10k"),)),) if at and ways else ())


def _why_alone(partners: list[str], same_side: bool) -> str:
    if not partners:
        return "; there is no second resistor."
    return (
        f"; {partners[0]} goes to the same side."
        if same_side
        else f"; {partners[0]} is too far from the cell's own ohms."
    )


def _plain_dividers(view: BenchView) -> Iterator[tuple[str, str, Net]]:
    """(ref, what it is in words, net) where two resistors between a supply and ground meet at a pin that can measure."""
    for pin, net in view.wired_pins():
        if not pin.analogue_in or pin.name in view.outputs or view.nets.is_rail(net):
            continue
        ends = {edge.ref: view.nets.nets[edge.other] for edge in view.paths.edges_at(net, Link.OHMS)}
        upper = [ref for ref, far in ends.items() if view.nets.is_source(far)]
        lower = [ref for ref, far in ends.items() if view.nets.is_return(far)]
        if upper and lower:
            yield upper[0], f"The divider of {upper[0]} and {lower[0]}", net


@WIRING.rule(
    "source-too-weak",
    Severity.CHECK,
    title="A source too weak for the converter",
    why="The converter charges a small capacitor at every reading; through so much resistance it does not fill in time, and readings creep.",
    hint="How many ohms lie between the supply and the pin that measures?",
    criterion="resistors",
    source="the converter wants 10 kΩ or less",
    explains=("value-outside-window",),
)
def source_too_weak(view: BenchView, finding: FindingFactory) -> Iterator[Finding]:
    if view.shorted or view.bench.board is None:
        return
    # At rest a knob stands in the middle, where it gives its value through most ohms, and a cell in room light.
    rest = view.points[0].point if view.points else None
    sources = {net.id: (ref, what, net) for ref, what, net in _plain_dividers(view)}
    sources |= {net.id: (ref, what, net) for ref, what, net in reversed(list(analogue_sources(view)))}
    read = [i for i, s in sources.items() if any(pin.analogue_in for pin in view.nets.signal_pins(s[2]))]
    for net_id, ohms in source_ohms(rest, [i for i in read if i not in rest.floating]).items() if rest else ():
        ref, what, net = sources[net_id]
        if ohms <= WEAK_OHMS * 1.02 or ohms > OPEN_OHMS:
            continue
        too_weak = ohms > TOO_WEAK_OHMS
        partners = [edge.ref for edge in view.paths.edges_at(net, Link.OHMS)]
        yield finding(
            f"{what} gives its value through {in_words(ohms, 'Ω', 2)}; the converter wants {in_words(WEAK_OHMS, 'Ω')} or less.",
            "Take smaller resistors, or wait a moment and read twice.",
            parts=list(dict.fromkeys([ref, *partners])),
            nets=[net.name],
            line=view.bench.parts[ref].line,
            value=ohms,
            limit=WEAK_OHMS,
            unit="ohm",
            severity=Severity.CHECK if too_weak else Severity.NOTE,
        )


@WIRING.rule(
    "knob-ends-joined",
    Severity.FIX,
    title="A knob with both of its ends at one level",
    why="The wiper divides what lies between the ends; with the same level at both it gives that level wherever it is turned.",
    hint="What does each end of this knob have to be joined to, so that turning it changes anything?",
    criterion="wiring",
    source="a knob as a divider",
    explains=("function-not-built",),
)
def knob_ends_joined(view: BenchView, finding: FindingFactory) -> Iterator[Finding]:
    for part in view.bench.parts_of("pot"):
        ends = [view.net(part, leg) for leg in ("end1", "end2")]
        wiper = view.net(part, "wiper")
        if None in ends or wiper is None or ends[0] is not ends[1] or wiper is ends[0]:
            continue
        assert ends[0] is not None
        if view.nets.is_rail(ends[0]) and any(pin.analogue_in for pin in view.nets.signal_pins(wiper)):
            yield finding(
                f"Both ends of {part.ref} are at {'ground' if view.nets.is_return(ends[0]) else ends[0].name}.",
                "Lead one end to the supply and the other to ground.",
                parts=[part.ref],
                places=[view.place(part, "end1"), view.place(part, "end2")],
                line=part.line,
            )


@WIRING.rule(
    "knob-end-open",
    Severity.FIX,
    title="A knob of which one end is open",
    why="The wiper divides what lies between the ends; with one of them open the pin gets the other end's level, wherever the knob is turned.",
    hint="Between which two levels does this knob divide?",
    criterion="wiring",
    source="a knob as a divider",
    explains=("function-not-built", "floating-input", "dangling-lead", "part-missing"),
)
def knob_end_open(view: BenchView, finding: FindingFactory) -> Iterator[Finding]:
    for part in view.bench.parts_of("pot"):
        wiper = view.net(part, "wiper")
        nets = {leg: view.net(part, leg) for leg in ("end1", "end2")}
        if wiper is None or not any(pin.analogue_in for pin in view.nets.signal_pins(wiper)):
            continue
        is_open = [leg for leg, net in nets.items() if net is None or len(net.places) <= OWN_PLACES]
        other = next((net for leg, net in nets.items() if leg not in is_open), None)
        if len(is_open) == 1 and other is not None and view.nets.is_rail(other):
            wanted = "the supply" if view.nets.is_return(other) else "ground"
            yield finding(
                f"The {is_open[0]} leg of {part.ref} is joined to nothing; its other end is at {other.name}.",
                f"Lead it to {wanted}.",
                parts=[part.ref],
                places=[view.place(part, is_open[0])],
                line=part.line,
            )
