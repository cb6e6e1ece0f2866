"""Lights: reversed, without a resistor, too much current, too little, never lit."""

from collections.abc import Iterator

from verifex.core.circuit.connections.paths import Link
from verifex.core.circuit.evidence.lights import DARK_AMPS, LEAST_SERIES_OHMS, Light, brightest, lights, series_resistor
from verifex.core.circuit.remedies import Change, Exchange, InSeries, Replace
from verifex.core.circuit.rules.book import WIRING
from verifex.core.circuit.values import resistor_ohms
from verifex.core.circuit.view import BenchView, StatePoint
from verifex.core.findings import Finding, Remedy, Severity
from verifex.core.quantity import in_words, quantity_or_none
from verifex.core.resistors.bands import misread_by
from verifex.core.resistors.formulas import led_series
from verifex.core.rulebook import FindingFactory

LIT_AMPS = 1e-4


def _with_resistor(view: BenchView, light: Light) -> list[str]:
    resistor = series_resistor(view, light)
    return [light.part.ref, resistor.ref] if resistor else [light.part.ref]


def _places(view: BenchView, light: Light) -> list[str]:
    return [view.place(light.part, leg) for leg in (light.anode, light.cathode)]


def _supply_volts(view: BenchView, light: Light) -> float:
    """What drives the light's circuit, by its current where a resistor limits that; else the board's supply."""
    board = view.bench.board
    bright, resistor = brightest(view, light), series_resistor(view, light)
    if bright is not None and bright[0] > DARK_AMPS and resistor is not None:
        ohms = resistor_ohms(resistor, "measured") if resistor.type.model == "resistor" else None
        if ohms is not None:
            return light.figures.forward(light.colour) + bright[0] * ohms
    if board:
        return board.rail_volts
    return max((p.quantity("volts", "volt") or 9.0 for p in view.bench.parts_of("battery")), default=5.0)


def _usual_amps(view: BenchView) -> float:
    """About 10 mA, or what the pins may give."""
    board = view.bench.board
    return min(0.01, board.pin_usual_amps) if board else 0.01


def _series_ohms(view: BenchView, light: Light) -> float | None:
    """A preferred value that gives the usual current from this supply; None where the light needs a higher one."""
    try:
        forward = light.figures.forward(light.colour)
        return led_series(_supply_volts(view, light), forward, _usual_amps(view)).preferred_ohms
    except ValueError:
        return None


def _advice(view: BenchView, light: Light) -> str:
    ohms = _series_ohms(view, light)
    if ohms is None:
        return "this colour needs a higher supply"
    return f"{in_words(ohms, 'Ω')} gives about {in_words(_usual_amps(view), 'A', 2)}"


def _misread(view: BenchView, light: Light) -> str:
    """Whether the light's resistor is the exercise's with one band misread; empty where not."""
    resistor = series_resistor(view, light)
    ohms = resistor_ohms(resistor, "measured") if resistor is not None and resistor.type.model == "resistor" else None
    if resistor is None or not ohms or view.exercise is None:
        return ""
    meant = {job.ref: job.nominal_ohms for job in view.exercise.resistor_jobs}
    for recipe in view.exercise.recipe:
        value = quantity_or_none(str(recipe.settings.get("value", "")), "ohm")
        meant.setdefault(recipe.ref, value or 0.0)
        play = view.matching(recipe.ref)
        if play is not None and play.ref == resistor.ref and meant[recipe.ref]:
            return misread_by(ohms, meant[recipe.ref])
    return ""


def _another_value(view: BenchView, light: Light, size: str) -> Remedy:
    """Another series resistor: tried where there is one to exchange."""
    resistor, ohms = series_resistor(view, light), _series_ohms(view, light)
    tried = (Replace(resistor.ref, "value", f"{ohms:g}"),) if resistor is not None and ohms is not None else ()
    return Remedy(f"Use a {size} series resistor: {_advice(view, light)}.", tried)


def _with_series(view: BenchView, light: Light, words: str, *before: Change) -> Remedy:
    """A series resistor put in, perhaps with another change before."""
    ohms = _series_ohms(view, light)
    return Remedy(words, (*before, InSeries(light.part.ref, light.anode, ohms)) if ohms is not None else ())


@WIRING.rule(
    "light-reversed",
    Severity.FIX,
    title="Light the wrong way round",
    why="A light-emitting diode conducts one way only; this way it never lights.",
    hint="The two legs of this light differ in length. What does that tell you?",
    criterion="wiring",
    source="diode: current flows from anode to cathode only",
    explains=("light-never-lit", "function-not-built", "light-too-dim", "transistor-never-on"),
)
def light_reversed(view: BenchView, finding: FindingFactory) -> Iterator[Finding]:
    reported: set[str] = set()
    for light in view.memoised(lights):
        bright = brightest(view, light)
        if bright is None or bright[0] > LIT_AMPS or light.part.ref in reported or light.part.type.model == "module":
            continue
        turned = max((_turned_amps(light, state) for state in view.solved(flipped=[light.part.ref])), default=0.0)
        if turned <= 3e-4:
            continue
        reported.add(light.part.ref)
        places = _places(view, light)
        if light.part.type.model == "led-three":
            kind = "anode" if light.part.type.id == "rgb-ca" else "cathode"
            seen = f"{light.part.ref} is wired as if its common leg were the other pole; it is its {kind}."
            remedies = [
                Remedy(
                    f"Lead the common leg to {'the supply' if kind == 'anode' else 'ground'}, the colours over their resistors to the pins."
                )
            ]
        else:
            seen = f"{light.part.ref} is the wrong way round: no current in any state, {in_words(turned, 'A', 2)} if it were turned."
            words = f"Turn {light.part.ref}: anode (long leg) to {places[1]}, cathode to {places[0]}"
            turn = Exchange(light.part.ref, light.anode, light.cathode)
            remedies = [
                Remedy(f"{words}.", (turn,)),
                _with_series(
                    view, light, f"{words}; and put a resistor in series with it: {_advice(view, light)}.", turn
                ),
            ]
        yield finding(seen, remedies, parts=[light.part.ref], places=places, line=light.part.line)


def _turned_amps(light: Light, state: StatePoint) -> float:
    """Forward current with the part turned round."""
    if light.part.type.model == "led-three":
        return abs(state.point.amps.get((light.part.ref, light.leg), 0.0))
    return light.amps(state)


@WIRING.rule(
    "led-no-series-resistor",
    Severity.CHECK,
    title="Light without a series resistor",
    why="Only the pin's own resistance limits the current; light and pin work at or beyond their limits.",
    hint="What decides how much current flows through this light?",
    criterion="safety",
    source="typical of the family: 30 mA absolute for the light; the board's pin limit",
    explains=("light-over-current", "pin-over-current", "part-missing", "supply-pin-over-current", "all-pins-over-current",
              "transistor-not-saturated", "transistor-ratio", "transistor-over-current"),
)  # fmt: skip
def light_without_resistor(view: BenchView, finding: FindingFactory) -> Iterator[Finding]:
    for light in view.memoised(lights):
        bright = brightest(view, light)
        if bright is None or bright[0] < 1e-3 or series_resistor(view, light) is not None:
            continue
        if light.part.built_in_ohms > LEAST_SERIES_OHMS:
            continue
        amps, state = bright
        board = view.bench.board
        on_pin = any(p in state.conditions.driven for p in _pins_of(view, state, amps))
        limit = min(light.absolute_amps, board.pin_absolute_amps) if board and on_pin else light.absolute_amps
        too_much = amps > limit
        yield finding(
            f"No resistor is in series with {light.name}; {in_words(amps, 'A', 2)} flow with {view.when(state, light.part)}"
            + (f", {in_words(limit, 'A', 2)} is the limit." if too_much else "."),
            [_with_series(view, light, f"Put a resistor in series with {light.name}: {_advice(view, light)}.")],
            parts=[light.part.ref],
            places=_places(view, light),
            line=light.part.line,
            value=amps,
            limit=limit,
            unit="A",
            severity=Severity.STOP if too_much else Severity.CHECK,
            affects=_chain(view, light),
        )


def _chain(view: BenchView, light: Light) -> list[str]:
    """What hangs on the light's own nets: a transistor that carries its current, say."""
    refs = []
    for leg in (light.anode, light.cathode):
        net = view.net(light.part, leg)
        if net and not view.nets.supplies(net) and not view.nets.is_ground(net):
            refs += [other.ref for other in view.nets.part_legs(net)]
    return refs


def _pins_of(view: BenchView, state: StatePoint, amps: float) -> list[str]:
    """Pins that carry about this current in the state."""
    return [pin for pin, flow in state.point.pin_amps.items() if abs(abs(flow) - amps) < 0.2 * amps]


@WIRING.rule(
    "light-over-current",
    Severity.STOP,
    title="Too much current through a light",
    why="Above its limit the light ages in minutes or dies at once.",
    hint="Work out the current through this light from its resistor.",
    criterion="safety",
    source="typical of the family: 20 mA usual, 30 mA absolute",
    explains=("pin-over-current", "value-outside-window", "resistor-over-watts"),
)
def light_over_current(view: BenchView, finding: FindingFactory) -> Iterator[Finding]:
    alike: dict[tuple[int, float, bool], list[tuple[Light, float, StatePoint]]] = {}
    for light in view.memoised(lights):
        bright = brightest(view, light)
        if bright is None or bright[0] <= light.figures.usual_amps * 1.02:
            continue
        stop = bright[0] > light.absolute_amps
        limit = light.absolute_amps if stop else light.figures.usual_amps
        alike.setdefault((round(bright[0] * 1e3), limit, stop), []).append((light, *bright))
    for (_, limit, stop), same in alike.items():
        # Several lights with one mistake are one finding.
        light, amps, state = same[0]
        names = light.name if len(same) == 1 else f"each of {_listed([one.name for one, _, _ in same])}"
        when = view.when(state, light.part) if len(same) == 1 else "it on"
        remedy = _another_value(view, light, "larger")
        if len(same) > 1:
            remedy = Remedy(
                remedy.words, tuple(c for one, _, _ in same for c in _another_value(view, one, "larger").changes)
            )
        yield finding(
            f"{in_words(amps, 'A', 3)} flow through {names} with {when}; "
            f"{in_words(limit, 'A', 2)} is {'its limit' if stop else 'the usual most'}.",
            [remedy],
            parts=[ref for one, _, _ in same for ref in _with_resistor(view, one)],
            places=[place for one, _, _ in same for place in _places(view, one)],
            line=light.part.line,
            value=amps,
            limit=limit,
            unit="A",
            severity=Severity.STOP if stop else Severity.CHECK,
        )


def _listed(names: list[str]) -> str:
    return names[0] if len(names) == 1 else f"{', '.join(names[:-1])} and {names[-1]}"


@WIRING.rule(
    "light-too-dim",
    Severity.CHECK,
    title="Light too dim to see",
    why="Under about 1 mA the light is hardly seen in a lit room.",
    hint="Work out the current through this light. Can it be seen?",
    criterion="resistors",
    source="typical of the family: visible from about 1 mA",
    explains=("value-outside-window", "function-not-built"),
)
def light_too_dim(view: BenchView, finding: FindingFactory) -> Iterator[Finding]:
    for light in view.memoised(lights):
        bright = brightest(view, light)
        if bright and DARK_AMPS < bright[0] < light.figures.visible_amps * 0.98:
            yield finding(
                f"At most {in_words(bright[0], 'A', 2)} flow through {light.name}; it is seen from about {in_words(light.figures.visible_amps, 'A')}."
                + _misread(view, light),
                [_another_value(view, light, "smaller")],
                parts=_with_resistor(view, light),
                places=_places(view, light),
                line=light.part.line,
                value=bright[0],
                limit=light.figures.visible_amps,
                unit="A",
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
def light_never_lit(view: BenchView, finding: FindingFactory) -> Iterator[Finding]:
    reported: set[str] = set()
    for light in view.memoised(lights):
        bright = brightest(view, light)
        if bright is None or bright[0] > DARK_AMPS or light.part.ref in reported:
            continue
        reported.add(light.part.ref)
        yield finding(
            f"No current flows through {light.name} in any state of the pins.",
            f"Follow the circuit of {light.part.ref} from the pin to ground; one link is missing.",
            parts=[light.part.ref],
            places=_places(view, light),
            line=light.part.line,
        )


@WIRING.rule(
    "resistor-in-common-leg",
    Severity.CHECK,
    title="One resistor for three colours",
    why="In the common leg the colours share its current: each is dimmer the more of them are on, and the mix shifts.",
    hint="How does the brightness of one colour change when the others come on?",
    criterion="resistors",
    source="one resistor a colour, never one in the common leg",
    explains=("light-over-current", "led-no-series-resistor"),
)
def resistor_in_common_leg(view: BenchView, finding: FindingFactory) -> Iterator[Finding]:
    if view.shorted:
        return
    for part in view.bench.parts_of("led-three"):
        common = view.net(part, "common")
        shared = view.paths.edges_at(common, Link.OHMS) if common else []
        own = [
            colour
            for colour in ("red", "green", "blue")
            if (net := view.net(part, colour)) and view.paths.edges_at(net, Link.OHMS)
        ]
        if shared and len(own) < 2:
            yield finding(
                f"{part.ref} has one resistor, {shared[0].ref}, in its common leg.",
                "Give each colour a resistor of its own, and lead the common leg straight to its rail.",
                parts=[part.ref, shared[0].ref],
                places=[view.place(part, "common")],
                line=part.line,
            )
