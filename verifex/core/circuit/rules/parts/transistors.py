"""The transistor as a switch: legs exchanged, no base resistor, not saturated, over its current."""

from collections.abc import Iterator

from verifex.core.circuit.bench import Part
from verifex.core.circuit.connections.paths import Link
from verifex.core.circuit.remedies import Exchange, InSeries
from verifex.core.circuit.rules.book import DEAD_LOADS, OVER_CURRENTS, WIRING
from verifex.core.circuit.view import BenchView, StatePoint
from verifex.core.findings import Finding, Remedy, Severity
from verifex.core.quantity import in_words
from verifex.core.rulebook import FindingFactory

SATURATED_VOLTS = 0.5  # collector to emitter of a closed switch
LEAST_BASE_AMPS = 2e-6
PAIRS = (("collector", "emitter"), ("base", "collector"), ("base", "emitter"))


def strongest(view: BenchView, part: Part) -> StatePoint | None:
    """The state in which most base current flows."""
    return max(view.points, key=lambda s: view.amps(s, part, "base"), default=None)


def _volts_ce(view: BenchView, state: StatePoint, part: Part) -> float:
    return view.across(state, part, "collector", "emitter") or 0.0


def _channel_amps(state: StatePoint, ref: str) -> float:
    """What a load in series would carry: the larger of the two end currents, less the base's."""
    flows = [state.point.amps.get((ref, leg), 0.0) for leg in ("collector", "base", "emitter")]
    return max(abs(flows[0]), abs(flows[2])) - abs(flows[1])


def _works(view: BenchView, state: StatePoint, part: Part) -> bool:
    """Whether it closes in this state, and its base current is one that something switches."""
    base = [view.amps(s, part, "base") for s in view.points]
    is_switched = min(base) < 0.5 * max(base)
    closes = -0.1 < _volts_ce(view, state, part) < SATURATED_VOLTS
    return is_switched and closes and view.amps(state, part, "base") > LEAST_BASE_AMPS


@WIRING.rule(
    "transistor-legs-swapped",
    Severity.FIX,
    title="A transistor with legs exchanged",
    why="It does not switch this way: makers order the legs differently, and the flat side tells nothing by itself.",
    hint="Which leg is which on your transistor? Look it up for its marking, not for the picture.",
    criterion="wiring",
    source="solved circuit, with each pair of legs exchanged to try",
    explains=("base-without-resistor", "heavy-load-on-pin", "coil-without-diode", "function-not-built", "led-no-series-resistor",
              "short-in-one-position", "output-unconnected", *OVER_CURRENTS, *DEAD_LOADS),
)  # fmt: skip
def transistor_legs_swapped(view: BenchView, finding: FindingFactory) -> Iterator[Finding]:
    if view.shorted:
        return
    for part in view.bench.parts_of("transistor"):
        now = strongest(view, part)
        if now is None or (_works(view, now, part) and _has_load(view, part)):
            continue
        better = _exchange_that_works(view, part)
        if better is None:
            continue
        one, other = better
        board = view.bench.board
        figures = part.type.transistor
        burns = (
            board is not None
            and figures is not None
            and (
                max(view.amps(s, part, "base") for s in view.points) > board.pin_absolute_amps
                or max(abs(view.amps(s, part, "collector")) for s in view.points) > figures.most_amps
            )
        )
        places = [view.place(part, one), view.place(part, other)]
        yield finding(
            f"{part.ref} does not switch as it is wired; with {one} and {other} exchanged it does.",
            [
                Remedy(
                    f"Exchange {one} ({places[0]}) and {other} ({places[1]}) of {part.ref}, after reading its marking.",
                    (Exchange(part.ref, one, other),),
                )
            ],
            parts=[part.ref],
            places=places,
            line=part.line,
            affects=_neighbours(view, part),
            severity=Severity.STOP if burns else Severity.FIX,
        )


def _has_load(view: BenchView, part: Part) -> bool:
    """Whether something lies between a supply and the collector: without it nothing can be switched."""
    net = view.net(part, "collector")
    return net is not None and not view.nets.is_source(net)


def _neighbours(view: BenchView, part: Part) -> list[str]:
    refs = []
    for leg in part.type.legs:
        net = view.net(part, leg)
        if net and not view.nets.is_rail(net):
            refs += view.parts_behind(net)
    return list(dict.fromkeys([part.ref, *refs]))


def _exchange_that_works(view: BenchView, part: Part) -> tuple[str, str] | None:
    """The pair of legs whose exchange makes a closed switch out of it, in some state of the pins."""
    for pair in PAIRS:
        swap = {pair[0]: pair[1], pair[1]: pair[0]}
        at = {leg: swap.get(leg, leg) for leg in part.type.legs}  # where each leg then lies
        nets = {leg: view.net(part, place) for leg, place in at.items()}
        collector, base, emitter = nets["collector"], nets["base"], nets["emitter"]
        if collector is None or base is None or emitter is None:
            continue
        # As a switch: emitter at a return, collector behind a load, base behind a resistor that a pin drives.
        if not view.nets.is_return(emitter):
            continue
        if view.nets.is_rail(collector) or view.nets.is_source(base):
            continue
        best = 0.0
        for state in view.solved(exchanged={part.ref: pair}):
            base_amps = state.point.amps.get((part.ref, "base"), 0.0)
            volts = view.volts(state, collector) - view.volts(state, emitter)
            if base_amps > 1e-5 and volts < SATURATED_VOLTS:
                best = max(best, state.point.amps.get((part.ref, "collector"), 0.0))
        now = max((_channel_amps(s, part.ref) for s in view.points), default=0.0)
        as_wired = max((view.amps(s, part, "collector") for s in view.points), default=0.0)
        if best > 5e-4 and best > 1.5 * as_wired and (pair != ("collector", "emitter") or best > 1.2 * now):
            return pair
    return None


@WIRING.rule(
    "base-without-resistor",
    Severity.STOP,
    title="A transistor's base without a resistor",
    why="Base to emitter is a diode: only the pin limits the current, and pin and transistor are over their limits.",
    hint="What limits the current into the base?",
    criterion="safety",
    source="solved circuit; the board's pin limits",
    explains=OVER_CURRENTS,
)
def base_without_resistor(view: BenchView, finding: FindingFactory) -> Iterator[Finding]:
    board = view.bench.board
    if view.shorted or board is None:
        return
    for part in view.bench.parts_of("transistor"):
        state = strongest(view, part)
        amps = view.amps(state, part, "base") if state else 0.0
        if state is None or amps <= board.pin_usual_amps:
            continue
        stop = amps > board.pin_absolute_amps
        yield finding(
            f"{in_words(amps, 'A', 2)} flow into the base of {part.ref} with {view.when(state, part)}.",
            [
                Remedy(
                    f"Put a resistor of about 1 kΩ between the pin and the base of {part.ref}.",
                    (InSeries(part.ref, "base", 1000.0),),
                )
            ],
            parts=[part.ref],
            places=[view.place(part, "base")],
            line=part.line,
            value=amps,
            limit=board.pin_absolute_amps if stop else board.pin_usual_amps,
            unit="A",
            severity=Severity.STOP if stop else Severity.CHECK,
            affects=_neighbours(view, part),
        )


@WIRING.rule(
    "transistor-never-on",
    Severity.FIX,
    title="A transistor that is never switched on",
    why="No current reaches its base in any state of the pins, so its load stays off.",
    hint="What brings current to the base of this transistor?",
    criterion="wiring",
    source="solved circuit",
    explains=("load-never-works", "light-never-lit", "sounder-never-sounds", "function-not-built", "light-too-dim"),
)
def transistor_never_on(view: BenchView, finding: FindingFactory) -> Iterator[Finding]:
    if view.shorted:
        return
    for part in view.bench.parts_of("transistor"):
        state = strongest(view, part)
        if state is not None and view.amps(state, part, "base") < LEAST_BASE_AMPS:
            yield finding(
                f"The base of {part.ref} ({view.place(part, 'base')}) gets no current in any state of the pins.",
                f"Lead the base of {part.ref} over a resistor to the pin that should switch it, its emitter to ground.",
                parts=[part.ref],
                places=[view.place(part, leg) for leg in ("base", "emitter")],
                line=part.line,
                affects=_neighbours(view, part),
            )


@WIRING.rule(
    "transistor-over-current",
    Severity.STOP,
    title="Too much current through a transistor",
    why="Above its limit the small transistor heats and fails, often as a short.",
    hint="How much current does this load draw, and how much may this transistor carry?",
    criterion="safety",
    source="typical of the family: 100 mA",
    explains=("transistor-not-saturated", "transistor-ratio", "supply-pin-over-current", "resistor-over-watts"),
)
def transistor_over_current(view: BenchView, finding: FindingFactory) -> Iterator[Finding]:
    if view.shorted:
        return
    for part in view.bench.parts_of("transistor"):
        figures = part.type.transistor
        worst = max(view.points, key=lambda s: view.amps(s, part, "collector"), default=None)
        if figures is None or worst is None:
            continue
        amps = view.amps(worst, part, "collector")
        if amps > figures.most_amps * 1.02:
            yield finding(
                f"{in_words(amps, 'A', 2)} flow through {part.ref} with {view.when(worst, part)}; {in_words(figures.most_amps, 'A', 2)} is its limit.",
                "Take a stronger transistor, or a load that draws less.",
                parts=[part.ref],
                line=part.line,
                value=amps,
                limit=figures.most_amps,
                unit="A",
                affects=_neighbours(view, part),
            )


def _ratios(view: BenchView) -> Iterator[tuple[Part, StatePoint, float, float]]:
    """(transistor, its strongest state, I_C/I_B, volts collector to emitter) of those that are switched on."""
    if view.shorted:
        return
    for part in view.bench.parts_of("transistor"):
        state = strongest(view, part)
        base = view.amps(state, part, "base") if state else 0.0
        collector = view.amps(state, part, "collector") if state else 0.0
        if state is not None and base >= LEAST_BASE_AMPS and collector > 1e-4:
            yield part, state, collector / base, _volts_ce(view, state, part)


@WIRING.rule(
    "transistor-not-saturated",
    Severity.FIX,
    title="A transistor that is not fully on",
    why="With so little base current it drops part of the supply itself and heats, and the load gets the rest.",
    hint="How much base current does this load need? Divide its current by twenty.",
    criterion="resistors",
    source="typical of the family: I_C over 50·I_B does not saturate",
    explains=("load-never-works", "light-too-dim", "sounder-never-sounds", "value-outside-window"),
)
def transistor_not_saturated(view: BenchView, finding: FindingFactory) -> Iterator[Finding]:
    for part, state, ratio, volts in view.memoised(_ratios):
        figures = part.type.transistor
        collector, emitter = view.net(part, "collector"), view.net(part, "emitter")
        if figures is None or collector is None or emitter is None:
            continue
        follows = view.nets.is_source(collector) and not view.nets.is_return(emitter)
        if follows or (ratio <= figures.ratio_most and volts < SATURATED_VOLTS):
            continue
        amps = view.amps(state, part, "collector")
        said = (
            f"{ratio:.0f} times its base current" if ratio > figures.ratio_most else f"and {volts:.1f} V stay across it"
        )
        yield finding(
            f"{part.ref} carries {in_words(amps, 'A', 2)}, {said}, with {view.when(state, part)}.",
            f"Take a smaller base resistor: a base current of about {in_words(max(amps, 1e-3) / figures.ratio_usual, 'A', 2)} or more.",
            parts=[part.ref, *_base_resistors(view, part)],
            places=[view.place(part, "base")],
            line=part.line,
            value=ratio,
            limit=figures.ratio_most,
            unit="",
            affects=_neighbours(view, part),
        )


def _base_resistors(view: BenchView, part: Part) -> list[str]:
    net = view.net(part, "base")
    return [edge.ref for edge in view.paths.edges_at(net, Link.OHMS)] if net else []


@WIRING.rule(
    "load-in-emitter",
    Severity.CHECK,
    title="The load is connected to the emitter",
    why="There the load gets about 0.8 V less than the pin gives, and never the full supply.",
    hint="On which side of the transistor does the load get its full voltage?",
    criterion="wiring",
    source="emitter follower: V_E = V_B − 0.7 V",
    explains=("load-never-works",),
)
def load_in_emitter(view: BenchView, finding: FindingFactory) -> Iterator[Finding]:
    for part, state, _, volts in view.memoised(_ratios):
        collector, emitter = view.net(part, "collector"), view.net(part, "emitter")
        if collector is None or emitter is None:
            continue
        if view.nets.is_source(collector) and not view.nets.is_return(emitter):
            yield finding(
                f"The load of {part.ref} hangs on its emitter; {volts:.1f} V stay across the transistor with {view.when(state, part)}.",
                "Put the load between the supply and the collector, the emitter to ground.",
                parts=[part.ref],
                places=[view.place(part, "emitter")],
                line=part.line,
                affects=view.parts_behind(emitter),
                severity=Severity.FIX if any(_starves(view, ref) for ref in view.parts_behind(emitter)) else None,
            )


def _starves(view: BenchView, ref: str) -> bool:
    """Whether a load never gets the volts it works from."""
    part = view.bench.parts[ref]
    if part.type.load is None:
        return False
    volts = [abs(v) for state in view.points if (v := view.across(state, part, *part.ends)) is not None]
    return max(volts, default=0.0) < part.type.load.works_from_volts


@WIRING.rule(
    "transistor-ratio",
    Severity.NOTE,
    title="A transistor that is only just fully on",
    why="It saturates well at a ratio of 10 to 20; above that a weak one of the batch may not.",
    hint="How many times its base current does this transistor carry?",
    criterion="resistors",
    source="typical of the family: 20 to 50 is marginal",
)
def transistor_ratio(view: BenchView, finding: FindingFactory) -> Iterator[Finding]:
    for part, state, ratio, volts in view.memoised(_ratios):
        figures = part.type.transistor
        if figures and figures.ratio_usual * 1.02 < ratio <= figures.ratio_most and volts < SATURATED_VOLTS:
            yield finding(
                f"{part.ref} carries {ratio:.0f} times its base current with {view.when(state, part)}.",
                "A smaller base resistor would leave more margin.",
                parts=[part.ref, *_base_resistors(view, part)],
                line=part.line,
                value=ratio,
                limit=figures.ratio_usual,
                unit="",
            )
