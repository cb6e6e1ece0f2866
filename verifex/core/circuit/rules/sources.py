"""What feeds and steadies: batteries and their ground, regulators, capacitors."""

from collections.abc import Iterator

from verifex.core.circuit.bench import Part
from verifex.core.circuit.places import LegOf
from verifex.core.circuit.remedies import Exchange, Join
from verifex.core.circuit.rules.book import CONFUSED_LEVELS, DEAD_LOADS, LOST_SIGNALS, WIRING
from verifex.core.circuit.rules.supply import BEHIND_A_BAD_SUPPLY, SLACK, fed_windows, is_clear
from verifex.core.circuit.view import BenchView
from verifex.core.findings import Finding, Remedy, Severity
from verifex.core.rulebook import FindingFactory


@WIRING.rule(
    "battery-reversed",
    Severity.STOP,
    title="A battery the wrong way round",
    why="Everything behind it is fed backwards.",
    hint="Which end of the battery is plus, and where does it go?",
    criterion="safety",
    source="the sign of the battery against the rest of the bench",
    explains=("supply-reversed", "level-over", "capacitor-reversed", *BEHIND_A_BAD_SUPPLY),
)
def battery_reversed(view: BenchView, finding: FindingFactory) -> Iterator[Finding]:
    """A battery whose plus lies on the board's ground, so that its minus is below it."""
    if not view.points:
        return
    for battery in view.bench.parts_of("battery"):
        plus, minus = view.net(battery, "plus"), view.net(battery, "minus")
        if plus is None or minus is None or not view.nets.is_ground(plus) or view.nets.is_ground(minus):
            continue
        served = view.parts_behind(minus)
        if len(served) > 1:
            yield finding(
                f"The plus of {battery.ref} is joined to the board's ground; its minus feeds {', '.join(r for r in served if r != battery.ref)}.",
                [Remedy(f"Turn {battery.ref}.", (Exchange(battery.ref, "plus", "minus"),))],
                parts=[battery.ref],
                places=[view.place(battery, "plus"), view.place(battery, "minus")],
                line=battery.line,
                affects=served,
            )


@WIRING.rule(
    "board-fed-from-outside",
    Severity.CHECK,
    title="The board is fed at its own supply pin",
    why="There it has no protection: with the computer's lead in as well, two supplies push against each other, and the "
    "computer's port may be spoilt.",
    hint="What feeds the board: this supply, or the computer's lead? Only one of them may be in.",
    criterion="safety",
    source="how boards of this family are fed",
)
def board_fed_from_outside(view: BenchView, finding: FindingFactory) -> Iterator[Finding]:
    for part in view.bench.parts_of("regulator"):
        net = view.net(part, "out")
        pins = [view.pin_place(pin.name) for pin in view.nets.supplies(net)] if net and net not in view.shorted else []
        if pins:
            yield finding(
                f"{part.ref} feeds the board at {pins[0]}, with the computer's lead out.",
                "Keep that lead out; to load a program, take the regulator's lead off first.",
                parts=[part.ref],
                places=[view.place(part, "out")],
                line=part.line,
            )


@WIRING.rule(
    "board-intake-volts",
    Severity.FIX,
    title="The board is fed with too much, or too little",
    why="Behind this pin sits the board's own regulator: it needs some 2 V more than it gives, and turns what is too much into heat.",
    hint="Which voltages may go into this pin, and which does your supply give?",
    criterion="safety",
    source="typical of the family: 7 to 12 V, 20 V at the very most",
    explains=("supply-missing", *BEHIND_A_BAD_SUPPLY),
)
def board_intake_volts(view: BenchView, finding: FindingFactory) -> Iterator[Finding]:
    board = view.bench.board
    if board is None or board.intake_volts is None:
        return
    low, high = board.intake_volts
    for battery in view.bench.parts_of("battery"):
        plus, minus = view.net(battery, "plus"), view.net(battery, "minus")
        volts = battery.quantity("volts", "volt")
        if volts is None or plus is None or minus is None or not view.nets.is_ground(minus):
            continue
        pins = [pin.name for pin in view.nets.board_pins(plus) if pin.intake]
        if not pins or low <= volts <= high:
            continue
        burns = volts > board.intake_most_volts
        limit = low if volts < low else board.intake_most_volts if burns else high
        said = (
            f"at least {low:g} V are needed"
            if volts < low
            else f"{limit:g} V is {'its limit' if burns else 'the usual most'}"
        )
        yield finding(
            f"{battery.ref} puts {volts:g} V on {pins[0]} of the board; {said}.",
            f"Feed it with {low:g} to {high:g} V, or through the computer's lead.",
            parts=[battery.ref],
            places=[view.place(battery, "plus"), view.pin_place(pins[0])],
            line=battery.line,
            value=volts,
            limit=limit,
            unit="V",
            severity=Severity.STOP if burns else Severity.FIX if volts < low else Severity.CHECK,
        )


@WIRING.rule(
    "no-common-ground",
    Severity.FIX,
    title="No common ground",
    why="A signal is a voltage between two wires; without a shared ground the board measures, and drives, against nothing.",
    hint="The board measures from its own ground. Is that the ground of this part too?",
    criterion="wiring",
    source="what a signal is",
    explains=(*DEAD_LOADS, *CONFUSED_LEVELS, *LOST_SIGNALS, "function-not-built", "supply-missing", "ground-missing"),
)
def no_common_ground(view: BenchView, finding: FindingFactory) -> Iterator[Finding]:
    if view.bench.board is None:
        return
    reported: set[int] = set()
    for battery in view.bench.parts_of("battery"):
        minus = view.net(battery, "minus")
        if minus is None or minus.id in reported:
            continue
        island = view.paths.island(minus)
        reported |= island
        ground = view.nets.ground_id
        touching = [view.nets.nets[i] for i in sorted(island) if view.nets.board_pins(view.nets.nets[i])]
        if not touching or (ground is not None and ground in island):
            continue
        refs = list(dict.fromkeys(leg.ref for i in sorted(island) for leg in view.nets.part_legs(view.nets.nets[i])))
        pins = [view.pin_place(pin.name) for net in touching for pin in view.nets.board_pins(net)]
        yield finding(
            f"{battery.ref} and the board exchange a signal at {pins[0]}, but the board's ground is not joined to the battery's minus.",
            [
                Remedy(
                    f"Join {view.pin_place('GND')} to {view.place(battery, 'minus')}.",
                    (Join(view.ground_places[0], battery.legs.get("minus", LegOf(battery.ref, "minus"))),),
                )
            ],
            parts=refs,
            places=[view.place(battery, "minus"), pins[0]],
            nets=[minus.name],
            line=battery.line,
        )


@WIRING.rule(
    "regulator-headroom",
    Severity.CHECK,
    title="A regulator with too little headroom",
    why="A linear regulator needs about 2 V more than it gives; below that its output sags with its input.",
    hint="How much higher than its output must the input of a regulator be?",
    criterion="wiring",
    source="typical of the family: 2 V of drop",
)
def regulator_headroom(view: BenchView, finding: FindingFactory) -> Iterator[Finding]:
    for part, volts, low, _ in view.memoised(fed_windows):
        if part.type.model == "regulator" and 0 < volts < low * (1 - SLACK):
            yield finding(
                f"{part.ref} gets {volts:.2f} V; for its full output it needs {low:g} V.",
                "Feed it from a higher supply.",
                parts=[part.ref],
                line=part.line,
                value=volts,
                limit=low,
                unit="V",
            )


@WIRING.rule(
    "regulator-hot",
    Severity.CHECK,
    title="A regulator that gets hot",
    why="All volts it takes off turn into heat: above about a watt it wants a heat sink, and burns a finger.",
    hint="Work out the heat: volts it takes off times the current through it.",
    criterion="safety",
    source="heat = (Vin − Vout)·I",
)
def regulator_hot(view: BenchView, finding: FindingFactory) -> Iterator[Finding]:
    if not is_clear(view):
        return
    for part in view.bench.parts_of("regulator"):
        figures = part.type.regulator
        heat = max((state.point.watts_in(part.ref) for state in view.points), default=0.0)
        if figures and heat > figures.usual_watts:
            yield finding(
                f"{part.ref} turns {heat:.1f} W into heat.",
                "Take a lower input voltage or less load; do not touch it while it is on.",
                parts=[part.ref],
                line=part.line,
                value=heat,
                limit=figures.usual_watts,
                unit="W",
            )


@WIRING.rule(
    "capacitor-reversed",
    Severity.STOP,
    title="A polarised capacitor the wrong way round",
    why="Reversed it heats and may burst.",
    hint="A polarised capacitor has a mark on one side. Which side must it face?",
    criterion="safety",
    source="typical of the family",
)
def capacitor_reversed(view: BenchView, finding: FindingFactory) -> Iterator[Finding]:
    if not is_clear(view):
        return
    for part in view.bench.parts_of("capacitor"):
        if "plus" not in part.legs and "minus" not in part.legs:
            continue
        if not all(_is_held(view, part, leg) for leg in part.ends):
            continue  # an end that nothing holds has no volts worth a word
        volts = [v for state in view.points if (v := view.across(state, part, *part.ends)) is not None]
        if volts and min(volts) < -0.5:
            places = [view.place(part, leg) for leg in part.ends]
            yield finding(
                f"The plus of {part.ref} ({places[0]}) lies {-min(volts):.1f} V below its minus ({places[1]}).",
                [Remedy(f"Turn {part.ref}: plus to {places[1]}.", (Exchange(part.ref, *part.ends),))],
                parts=[part.ref],
                places=places,
                line=part.line,
                value=min(volts),
                limit=0.0,
                unit="V",
            )


def _is_held(view: BenchView, part: Part, leg: str) -> bool:
    net = view.net(part, leg)
    return net is not None and (view.is_fed(net) or view.is_grounded(net))


@WIRING.rule(
    "capacitor-over-volts",
    Severity.STOP,
    title="A capacitor above its rated voltage",
    why="Above its printed voltage it may burst.",
    hint="Which voltage is printed on this capacitor?",
    criterion="safety",
    source="the voltage printed on it",
)
def capacitor_over_volts(view: BenchView, finding: FindingFactory) -> Iterator[Finding]:
    if not is_clear(view):
        return
    for part in view.bench.parts_of("capacitor"):
        rated = part.quantity("volts", "volt")
        volts = [abs(v) for state in view.points if (v := view.across(state, part, *part.ends)) is not None]
        if rated and volts and max(volts) > rated * (1 + SLACK):
            yield finding(
                f"{part.ref} is made for {rated:g} V and gets {max(volts):.1f} V.",
                "Take one for a higher voltage.",
                parts=[part.ref],
                line=part.line,
                value=max(volts),
                limit=rated,
                unit="V",
            )
