"""Lights and loads on pins: reversed, without a resistor, too much current, too little."""

from collections.abc import Iterator

from verifex.core.circuit.bench import Part
from verifex.core.circuit.rules.book import WIRING
from verifex.core.circuit.view import BenchView, StatePoint
from verifex.core.findings import Finding, Severity
from verifex.core.quantity import in_words
from verifex.core.rulebook import Found

LEAST_SERIES_OHMS = 10.0


def _amps(state: StatePoint, part: Part) -> float:
    return state.point.amps.get((part.ref, part.type.legs[0]), 0.0)


def _brightest(view: BenchView, part: Part) -> tuple[float, StatePoint] | None:
    """The greatest forward current through the part over all states, with its state."""
    return max(((_amps(state, part), state) for state in view.points), key=lambda pair: pair[0], default=None)


def has_series_resistor(view: BenchView, part: Part) -> bool:
    return series_resistor(view, part) is not None


def series_resistor(view: BenchView, part: Part) -> Part | None:
    """The resistor that carries the light's current in its brightest state (Kirchhoff: in series).

    For a light that never lights, a resistor on one of its nets is taken for it.
    """
    bright = _brightest(view, part)
    if bright is None or bright[0] < 1e-5:
        beside = (
            p
            for leg in part.legs
            if (net := view.net(part, leg)) and not view.nets.is_ground(net)
            for other in view.nets.part_legs(net)
            if (p := view.bench.parts.get(other.ref)) and p.type.model == "resistor"
        )
        return next(beside, None)
    amps, state = bright
    for other in view.bench.parts_of("resistor"):
        through = abs(_amps(state, other))
        drop = abs(view.across(state, other, *other.type.legs) or 0.0)
        if abs(through - amps) < 0.1 * amps and drop > through * LEAST_SERIES_OHMS:
            return other
    return None


def _with_resistor(view: BenchView, part: Part) -> list[str]:
    resistor = series_resistor(view, part)
    return [part.ref, resistor.ref] if resistor else [part.ref]


def _two_ended(view: BenchView, *models: str) -> list[Part]:
    """Lights or loads that can be judged: the board is known and nothing is shorted."""
    return [] if view.shorted else view.bench.parts_of(*models)


def _pins_of(view: BenchView, part: Part, state: StatePoint) -> list[str]:
    """Pins that carry this part's current in the state."""
    amps = _amps(state, part)
    return [pin for pin, flow in state.point.pin_amps.items() if amps > 1e-4 and abs(abs(flow) - amps) < 0.2 * amps]


@WIRING.rule(
    "light-reversed",
    Severity.FIX,
    title="Light the wrong way round",
    why="A light-emitting diode conducts one way only; this way it never lights.",
    hint="The two legs of this light differ in length. What does that tell you?",
    criterion="wiring",
    source="diode: current flows from anode to cathode only",
    explains=("light-never-lit", "function-not-built", "light-too-dim"),
)
def light_reversed(view: BenchView, found: Found) -> Iterator[Finding]:
    for part in _two_ended(view, "led"):
        bright = _brightest(view, part)
        if bright is None or bright[0] > 1e-4:
            continue
        turned = max((abs(_amps(s, part)) for s in view.solved(frozenset({part.ref}))), default=0.0)
        if turned > 3e-4:
            places = [view.place(part, leg) for leg in part.type.legs]
            yield found(
                f"{part.ref} is the wrong way round: no current in any state, {in_words(turned, 'A')} if it were turned.",
                f"Turn {part.ref}: anode (long leg) to {places[1]}, cathode to {places[0]}.",
                parts=[part.ref],
                places=places,
                line=part.line,
            )


@WIRING.rule(
    "sounder-reversed",
    Severity.FIX,
    title="Sounder the wrong way round",
    why="An active sounder works one way only; this way it stays silent.",
    hint="This part has a plus. Where is it?",
    criterion="wiring",
    source="typical of the family",
    explains=("sounder-never-sounds", "function-not-built"),
)
def sounder_reversed(view: BenchView, found: Found) -> Iterator[Finding]:
    for part in _two_ended(view, "load"):
        volts = [v for s in view.points if (v := view.across(s, part, *part.type.legs)) is not None]
        if volts and min(volts) < -1.5 and max(volts) < 1.0:
            places = [view.place(part, leg) for leg in part.type.legs]
            yield found(
                f"{part.ref} gets its plus at {places[1]}, where its minus leg is.",
                f"Turn {part.ref}, or exchange its leads.",
                parts=[part.ref],
                places=places,
                line=part.line,
            )


@WIRING.rule(
    "light-without-resistor",
    Severity.CHECK,
    title="Light without a series resistor",
    why="Only the pin's own resistance limits the current; light and pin work at or beyond their limits.",
    hint="What decides how much current flows through this light?",
    criterion="safety",
    source="typical of the family: 30 mA absolute for the light; the board's pin limit",
    explains=("light-over-current", "pin-over-current", "part-missing"),
)
def light_without_resistor(view: BenchView, found: Found) -> Iterator[Finding]:
    for part in _two_ended(view, "led"):
        bright = _brightest(view, part)
        figures = part.type.diode
        if bright is None or figures is None or bright[0] < 1e-3 or has_series_resistor(view, part):
            continue
        amps, state = bright
        limit = min(figures.absolute_amps, view.bench.board.pin_absolute_amps if view.bench.board else 1.0)
        too_much = amps > limit
        yield found(
            f"No resistor is in series with {part.ref}; {in_words(amps, 'A', 2)} flow with {state.name}"
            + (f", {in_words(limit, 'A', 2)} is the limit." if too_much else "."),
            f"Put a resistor in series with {part.ref}: {_advice(view, part)}.",
            parts=[part.ref],
            places=[view.place(part, leg) for leg in part.type.legs],
            line=part.line,
            value=amps,
            limit=limit,
            unit="A",
            severity=Severity.STOP if too_much else Severity.CHECK,
        )


def _advice(view: BenchView, part: Part) -> str:
    """A preferred value that gives about 10 mA from this supply."""
    from verifex.core.resistors.sums import led_series

    board, figures = view.bench.board, part.type.diode
    assert board is not None and figures is not None
    forward = figures.forward_volts.get(part.settings.get("colour", ""), next(iter(figures.forward_volts.values())))[1]
    try:
        return f"{led_series(board.rail_volts, forward, 0.01).preferred_ohms:g} Ω gives about 10 mA"
    except ValueError:
        return "this colour needs a higher supply"


@WIRING.rule(
    "light-over-current",
    Severity.STOP,
    title="Too much current through a light",
    why="Above its limit the light ages in minutes or dies at once.",
    hint="Work out the current through this light from its resistor.",
    criterion="safety",
    source="typical of the family: 20 mA usual, 30 mA absolute",
    explains=("pin-over-current", "value-outside-window"),
)
def light_over_current(view: BenchView, found: Found) -> Iterator[Finding]:
    for part in _two_ended(view, "led"):
        bright, figures = _brightest(view, part), part.type.diode
        if bright is None or figures is None or bright[0] <= figures.usual_amps * 1.02:
            continue
        amps, state = bright
        stop = amps > figures.absolute_amps
        limit = figures.absolute_amps if stop else figures.usual_amps
        yield found(
            f"{in_words(amps, 'A', 3)} flow through {part.ref} with {state.name}; "
            f"{in_words(limit, 'A', 2)} is {'its limit' if stop else 'the usual most'}.",
            f"Use a larger series resistor: {_advice(view, part)}.",
            parts=_with_resistor(view, part),
            line=part.line,
            value=amps,
            limit=limit,
            unit="A",
            severity=Severity.STOP if stop else Severity.CHECK,
        )


@WIRING.rule(
    "pin-over-current",
    Severity.STOP,
    title="Too much current from a pin",
    why="A pin over its absolute limit is spoilt, and often the whole board with it.",
    hint="How much may one pin of your board give?",
    criterion="safety",
    source="the board's pin limits",
)
def pin_over_current(view: BenchView, found: Found) -> Iterator[Finding]:
    board = view.bench.board
    if board is None or view.shorted:
        return
    worst: dict[str, tuple[float, StatePoint]] = {}
    for state in view.points:
        for pin, amps in state.point.pin_amps.items():
            if pin in state.conditions.driven and abs(amps) > worst.get(pin, (0.0, state))[0]:
                worst[pin] = (abs(amps), state)
    for pin, (amps, state) in worst.items():
        if amps <= board.pin_usual_amps * 1.02:
            continue
        stop = amps > board.pin_absolute_amps
        limit = board.pin_absolute_amps if stop else board.pin_usual_amps
        carried = [p.ref for p in view.bench.parts_of("led", "load", "resistor") if pin in _pins_of(view, p, state)]
        yield found(
            f"{pin} gives {in_words(amps, 'A', 3)} with {state.name}; {in_words(limit, 'A', 2)} is "
            f"{'its absolute limit' if stop else 'recommended at most'}.",
            "Draw less from this pin: a larger resistor, or a transistor for the load.",
            parts=carried,
            places=[f"{view.bench.board_ref}.{pin}"],
            value=amps,
            limit=limit,
            unit="A",
            severity=Severity.STOP if stop else Severity.CHECK,
        )


@WIRING.rule(
    "light-too-dim",
    Severity.CHECK,
    title="Light too dim to see",
    why="Under about 1 mA the light is hardly seen in a lit room.",
    hint="Work out the current through this light. Can it be seen?",
    criterion="resistors",
    source="typical of the family: visible from about 1 mA",
    explains=("value-outside-window",),
)
def light_too_dim(view: BenchView, found: Found) -> Iterator[Finding]:
    for part in _two_ended(view, "led"):
        bright, figures = _brightest(view, part), part.type.diode
        if bright and figures and 1e-5 < bright[0] < figures.visible_amps:
            yield found(
                f"At most {in_words(bright[0], 'A', 2)} flow through {part.ref}; it is seen from about {in_words(figures.visible_amps, 'A')}.",
                f"Use a smaller series resistor: {_advice(view, part)}.",
                parts=_with_resistor(view, part),
                line=part.line,
                value=bright[0],
                limit=figures.visible_amps,
                unit="A",
            )


def _never_works(view: BenchView, found: Found, model: str) -> Iterator[Finding]:
    for part in _two_ended(view, model):
        bright = _brightest(view, part)
        if bright is not None and bright[0] <= 1e-5:
            yield found(
                f"No current flows through {part.ref} in any state of the pins.",
                f"Follow the circuit of {part.ref} from the pin to ground; one link is missing.",
                parts=[part.ref],
                places=[view.place(part, leg) for leg in part.legs],
                line=part.line,
            )


@WIRING.rule(
    "light-never-lit",
    Severity.FIX,
    title="A light that never lights",
    why="Its circuit is not closed, so the program cannot show anything with it.",
    hint="Follow the circuit of this light with a finger, from the pin and back to ground.",
    criterion="wiring",
    source="solved circuit",
    explains=("function-not-built",),
)
def light_never_lit(view: BenchView, found: Found) -> Iterator[Finding]:
    yield from _never_works(view, found, "led")


@WIRING.rule(
    "sounder-never-sounds",
    Severity.FIX,
    title="A sounder that never sounds",
    why="Its circuit is not closed, so the program cannot sound it.",
    hint="Follow the circuit of this sounder with a finger, from the pin and back to ground.",
    criterion="wiring",
    source="solved circuit",
    explains=("function-not-built",),
)
def sounder_never_sounds(view: BenchView, found: Found) -> Iterator[Finding]:
    yield from _never_works(view, found, "load")
