"""Currents against the limits of pins, of all pins together, and of supply pins; heat in resistors."""

from collections.abc import Callable, Iterator
from functools import partial

from verifex.core.circuit.bench import Part
from verifex.core.circuit.rules.book import WIRING
from verifex.core.circuit.rules.shorts import way_of_the_current
from verifex.core.circuit.values import rated_watts
from verifex.core.circuit.view import NEAR_A_LIMIT, BenchView, StatePoint
from verifex.core.findings import Finding, Severity
from verifex.core.quantity import in_words
from verifex.core.rulebook import FindingFactory

SLACK = 1.02  # what rounding of a limit and of our figures may make


def worst_state(view: BenchView, amps: Callable[[StatePoint], float]) -> tuple[float, StatePoint] | None:
    """The greatest of a current over all states, with its state."""
    return max(((amps(state), state) for state in view.points), key=lambda pair: pair[0], default=None)


def _driven_amps(pin: str, state: StatePoint) -> float:
    return abs(state.point.pin_amps.get(pin, 0.0)) if pin in state.conditions.driven else 0.0


def _given_amps(pin: str, state: StatePoint) -> float:
    return state.point.pin_amps.get(pin, 0.0)


def _through(part: Part, state: StatePoint) -> float:
    flows = (state.point.amps.get((part.ref, leg), 0.0) for leg in part.type.legs)
    return max(map(abs, flows), default=0.0)


@WIRING.rule(
    "pin-over-current",
    Severity.STOP,
    title="Too much current from a pin",
    why="A pin over its absolute limit is spoilt, and often the whole board with it.",
    hint="How much may one pin of your board give?",
    criterion="safety",
    source="the board's pin limits",
    explains=("all-pins-over-current", "resistor-over-watts"),
)
def pin_over_current(view: BenchView, finding: FindingFactory) -> Iterator[Finding]:
    board = view.bench.board
    if board is None or view.shorted:
        return
    for pin in view.outputs:
        worst = worst_state(view, partial(_driven_amps, pin))
        if worst is None:
            continue
        amps, state = worst
        flow = state.point.pin_amps.get(pin, 0.0)
        absolute = board.most_pin_amps(sinking=flow < 0)
        at_corner = False
        if NEAR_A_LIMIT * absolute < amps <= absolute:
            at_worst = abs(view.worst_case(state).point.pin_amps.get(pin, 0.0))
            at_corner = at_worst > absolute
        if amps <= board.pin_usual_amps * SLACK and not at_corner:
            continue
        stop = amps > absolute
        limit = absolute if stop or at_corner else board.pin_usual_amps
        what = "sinks" if flow < 0 else "gives"
        words = "its absolute limit" if limit == absolute else "recommended at most"
        corner = " at a tolerance corner" if at_corner and not stop else ""
        yield finding(
            f"{pin} {what} {in_words(at_worst if corner else amps, 'A', 3)} with {view.when(state, pin)}{corner}; {in_words(limit, 'A', 2)} is {words}.",
            "Draw less from this pin: a larger resistor, or a transistor for the load.",
            parts=way_of_the_current(view, state, amps),
            places=[view.pin_place(pin)],
            value=amps,
            limit=limit,
            unit="A",
            severity=Severity.STOP if stop else Severity.CHECK,
        )


def _all_pins(view: BenchView, state: StatePoint) -> float:
    """What the signal pins give, or what they sink, together: the larger of the two."""
    flows = [amps for pin, amps in state.point.pin_amps.items() if pin in state.conditions.driven]
    return max(sum(a for a in flows if a > 0), -sum(a for a in flows if a < 0))


@WIRING.rule(
    "all-pins-over-current",
    Severity.STOP,
    title="Too much current from all pins together",
    why="All pins share the chip's own supply leads; over their limit the chip is spoilt though no single pin is over its own.",
    hint="Add up what all pins give when everything is on.",
    criterion="safety",
    source="the board's limit over all pins",
)
def all_pins_over_current(view: BenchView, finding: FindingFactory) -> Iterator[Finding]:
    board = view.bench.board
    if board is None or view.shorted:
        return
    worst = worst_state(view, lambda state: _all_pins(view, state))
    if worst is None:
        return
    amps, state = worst
    limit, at_corner = board.all_pins_amps, False
    if NEAR_A_LIMIT * limit < amps <= limit * SLACK:
        at_worst = _all_pins(view, view.worst_case(state))
        at_corner = at_worst > limit * SLACK
        amps = at_worst if at_corner else amps
    if amps > limit * SLACK:
        pins = [
            pin for pin, flow in state.point.pin_amps.items() if pin in state.conditions.driven and abs(flow) > 1e-4
        ]
        yield finding(
            f"{len(pins)} pins carry {in_words(amps, 'A', 3)} together with {state.name}"
            f"{' at a tolerance corner' if at_corner else ''}; {in_words(limit, 'A', 3)} is the limit over all.",
            "Use larger resistors, or feed some of the loads over transistors.",
            parts=list(
                dict.fromkeys(ref for pin in pins if (net := view.nets.of_pin(pin)) for ref in view.parts_behind(net))
            ),
            places=[view.pin_place(pin) for pin in pins],
            value=amps,
            limit=limit,
            unit="A",
            severity=Severity.CHECK if at_corner else Severity.STOP,
        )


@WIRING.rule(
    "supply-pin-over-current",
    Severity.STOP,
    title="Too much current from a supply pin",
    why="The board's regulator, or the computer's port behind it, heats and gives way; everything on the bench resets or is spoilt.",
    hint="Add up what everything on this supply draws.",
    criterion="safety",
    source="the board's supply limits",
    explains=("resistor-over-watts", "supply-under"),
)
def supply_pin_over_current(view: BenchView, finding: FindingFactory) -> Iterator[Finding]:
    board = view.bench.board
    if board is None or view.shorted:
        return
    for pin, limit in board.supply_limit_amps.items():
        worst = worst_state(view, partial(_given_amps, pin))
        if worst is None:
            continue
        amps, state = worst
        at_corner = False
        if NEAR_A_LIMIT * limit < amps <= limit * SLACK:
            at_worst = view.worst_case(state).point.pin_amps.get(pin, 0.0)
            at_corner = at_worst > limit * SLACK
            amps = at_worst if at_corner else amps
        if amps <= limit * SLACK:
            continue
        yield finding(
            f"{pin} gives {in_words(amps, 'A', 3)} with {state.name}{' at a tolerance corner' if at_corner else ''}; {in_words(limit, 'A', 3)} is its limit.",
            "Feed the heavier parts from a supply of their own, with a common ground.",
            parts=_drawing(view, state, amps),
            places=[view.pin_place(pin)],
            value=amps,
            limit=limit,
            unit="A",
            severity=Severity.CHECK if at_corner else Severity.STOP,
        )


def _drawing(view: BenchView, state: StatePoint, amps: float) -> list[str]:
    """Parts that take a tenth or more of a supply's current, the largest first."""
    share: dict[str, float] = {}
    for (ref, _), flow in state.point.amps.items():
        share[ref] = max(share.get(ref, 0.0), abs(flow))
    drawing = [ref for ref, flow in sorted(share.items(), key=lambda pair: -pair[1]) if flow > 0.1 * amps]
    return [ref for ref in drawing if view.bench.parts[ref].type.model != "battery"]


@WIRING.rule(
    "resistor-over-watts",
    Severity.CHECK,
    title="A resistor above its rated power",
    why="It gets hot enough to burn a finger, drifts, and fails in time.",
    hint="Work out the heat in this resistor: I²·R.",
    criterion="resistors",
    source="P = I²·R against the rating, ¼ W unless it says otherwise",
)
def resistor_over_watts(view: BenchView, finding: FindingFactory) -> Iterator[Finding]:
    if view.shorted:
        return
    for part in view.bench.parts_of("resistor", "pot"):
        rated = rated_watts(part)
        worst = worst_state(view, partial(_through, part))
        if rated is None or worst is None:
            continue
        heat = worst[1].point.watts_in(part.ref)
        if heat <= rated * SLACK:
            continue
        yield finding(
            f"{part.ref} turns {in_words(heat, 'W', 2)} into heat with {view.when(worst[1], part)}; it is rated {in_words(rated, 'W', 2)}.",
            "Take a larger value or a resistor of a higher rating.",
            parts=[part.ref],
            line=part.line,
            value=heat,
            limit=rated,
            unit="W",
        )
