"""How modules and loads are fed: reversed, missing, outside the window, without a shared ground."""

from collections.abc import Iterator

from verifex.core.circuit.bench import Part
from verifex.core.circuit.places import LegOf, Place
from verifex.core.circuit.remedies import Exchange, Join, Move
from verifex.core.circuit.rules.book import CONFUSED_LEVELS, DEAD_LOADS, LOST_SIGNALS, NOT_FED, WIRING
from verifex.core.circuit.view import BenchView
from verifex.core.findings import Finding, Remedy, Severity
from verifex.core.parts import SIGNAL_ROLES
from verifex.core.rulebook import FindingFactory

REVERSED_VOLTS = -0.3
SLACK = 0.005  # of a window's edge: what a supply of exactly that value may miss it by

BEHIND_A_BAD_SUPPLY = (
    *NOT_FED, *LOST_SIGNALS, *CONFUSED_LEVELS, *DEAD_LOADS,
    "output-tied-to-supply", "output-tied-to-ground", "no-common-ground", "function-not-built", "input-held", "wire-colour",
    "contrast-trimmer-missing", "water-strip-fed", "pin-over-current", "ground-shared", "regulator-headroom",
)  # fmt: skip


def supply_legs(part: Part) -> tuple[str, str]:
    """The supply and ground legs of a module."""
    assert part.type.supply_leg and part.type.ground_leg
    return part.type.supply_leg, part.type.ground_leg


def is_clear(view: BenchView) -> bool:
    return bool(view.points) and not view.shorted


@WIRING.rule(
    "leg-order-differs",
    Severity.STOP,
    title="Leg order differs from the batch handed out",
    why="Makers print the legs of the same module in different orders; the batch's printing decides, not the paper.",
    hint="Read the printing on your own module, leg by leg, and show it to the instructor.",
    criterion="safety",
    source="the hatch's record of the batch",
)
def leg_order_differs(view: BenchView, finding: FindingFactory) -> Iterator[Finding]:
    for part in view.bench.parts.values():
        batch, said = view.bench.batch_orders.get(part.ref), part.settings.get("order")
        if batch and said and said != batch:
            yield finding(
                f"The hand-in says {part.ref} is printed {said.replace('-', ', ')}; the hatch recorded {batch.replace('-', ', ')}.",
                "Read the part itself. Then mend the hand-in, or have the hatch correct its record.",
                parts=[part.ref],
                line=part.line,
            )


@WIRING.rule(
    "supply-reversed",
    Severity.STOP,
    title="Supply legs reversed",
    why="Fed backwards it heats within a second, is spoilt, and may burn a finger.",
    hint="Which leg is which? Compare the printing, or the flat side, with the leads at this part.",
    criterion="safety",
    source="typical of the family: no reverse protection",
    explains=BEHIND_A_BAD_SUPPLY,
)
def supply_reversed(view: BenchView, finding: FindingFactory) -> Iterator[Finding]:
    if not is_clear(view):
        return
    for part in view.module_parts():
        supply, ground = supply_legs(part)
        nets = view.net(part, supply), view.net(part, ground)
        if nets[0] is None or nets[1] is None:
            continue
        if not view.is_fed(nets[1], {part.ref}) or not view.is_grounded(nets[0], {part.ref}):
            continue
        volts = [v for state in view.points if (v := view.across(state, part, supply, ground)) is not None]
        if min(volts) >= REVERSED_VOLTS or max(volts) > -REVERSED_VOLTS:
            continue
        at = view.points[0].point.volts
        places = [view.place(part, supply), view.place(part, ground)]
        yield finding(
            f"The supply leg of {part.ref} ({places[0]}) sits at {at[nets[0].id]:.2f} V and its ground leg ({places[1]}) at {at[nets[1].id]:.2f} V.",
            [Remedy(f"Exchange the leads at {places[0]} and {places[1]}.", (Exchange(part.ref, supply, ground),))],
            parts=[part.ref],
            places=places,
            nets=[nets[0].name, nets[1].name],
            line=part.line,
            value=min(volts),
            limit=0.0,
            unit="V",
            affects=_served_by(view, part),
        )


def _served_by(view: BenchView, part: Part) -> list[str]:
    """Parts a module or regulator talks to or feeds: what it says is not to be believed while it is badly fed."""
    refs: list[str] = []
    for leg in part.type.legs_with(*SIGNAL_ROLES) + (["out"] if part.type.model == "regulator" else []):
        net = view.net(part, leg)
        if net:
            refs += view.parts_behind(net)
    return list(dict.fromkeys(refs))


def _joined(view: BenchView, part: Part, leg: str, wrong_first: bool) -> bool:
    net = view.net(part, leg)
    if net is None:
        return False
    check = view.is_grounded if wrong_first else view.is_fed
    return check(net, {part.ref})


def _feeding(view: BenchView) -> Iterator[tuple[Part, bool, bool, bool]]:
    """(module, supply leg is fed, ground leg returns, both the wrong way round)."""
    for part in view.module_parts():
        supply, ground = supply_legs(part)
        fed, grounded = _joined(view, part, supply, False), _joined(view, part, ground, True)
        reversed_ = _joined(view, part, supply, True) and _joined(view, part, ground, False)
        yield part, fed, grounded, reversed_ and not (fed and grounded)


def _leading(
    view: BenchView, part: Part, leg: str, other: str, ways: list[Place], *, must_move: bool = False
) -> list[Remedy]:
    """A leg to the supply or the ground: by a wire more, exchanged with the other leg, or taken off where it is.

    A leg that `must_move` hangs on something that no supply may be joined to.
    """
    own = f"{part.ref}.{leg}"
    where = view.place(part, leg) if view.net(part, leg) else own
    what = "the ground" if leg == part.type.ground_leg else "the supply"
    at = part.legs.get(leg, LegOf(part.ref, leg))
    if not ways:
        return [Remedy(f"Lead {where} to {what}.")]
    exchange = Remedy(f"Exchange the leads of {own} and {part.ref}.{other}.", (Exchange(part.ref, leg, other),))
    moves = [
        Remedy(f"Take {own} off where it is ({where}), and lead it to {to}.", (Move(part.ref, leg, to),)) for to in ways
    ]
    if must_move:
        return [*moves, exchange]
    first, *others = ways
    return [
        Remedy(f"Lead {where} to {what}.", (Join(at, first),)),
        exchange,
        *(Remedy(f"Lead {where} to {what} at {to}.", (Join(at, to),)) for to in others),
        *moves,
    ]


def _leg_words(view: BenchView, part: Part, leg: str) -> str:
    return view.place(part, leg) if view.net(part, leg) else "nowhere"


@WIRING.rule(
    "supply-missing",
    Severity.FIX,
    title="No supply",
    why="Without supply the module gives nothing, and the input reads whatever leaks in.",
    hint="How does this part get its supply?",
    criterion="wiring",
    source="the module's supply leg",
    explains=(*LOST_SIGNALS, *DEAD_LOADS, *CONFUSED_LEVELS, "supply-under", "function-not-built", "water-strip-fed",
              "contrast-trimmer-missing", "no-common-ground", "ground-shared"),
)  # fmt: skip
def supply_missing(view: BenchView, finding: FindingFactory) -> Iterator[Finding]:
    for part, fed, grounded, turned in view.memoised(_feeding):
        if fed or turned:
            continue
        supply, ground = supply_legs(part)
        place = _leg_words(view, part, supply)
        net = view.net(part, supply)
        intake = net is not None and any(pin.intake for pin in view.nets.board_pins(net))
        if not grounded:
            seen = (
                f"Neither the {supply} leg of {part.ref} ({place}) nor its {ground} leg "
                f"({_leg_words(view, part, ground)}) is joined to the supply or to ground."
            )
        elif intake:
            seen = f"The {supply} leg of {part.ref} ({place}) hangs on VIN, which gives no dependable supply on USB."
        else:
            seen = f"The {supply} leg of {part.ref} ({place}) is joined to no supply."
        yield finding(
            seen,
            _leading(view, part, supply, ground, view.supply_places, must_move=intake),
            parts=[part.ref],
            places=[place] if place != "nowhere" else [],
            nets=[net.name] if net else [],
            line=part.line,
            affects=_served_by(view, part),
        )


@WIRING.rule(
    "ground-missing",
    Severity.FIX,
    title="No ground",
    why="Without ground no current returns, so the module gives nothing that can be trusted.",
    hint="Every circuit comes back to where it started: where does this one return?",
    criterion="wiring",
    source="the module's ground leg",
    explains=(
        *LOST_SIGNALS,
        *DEAD_LOADS,
        *CONFUSED_LEVELS,
        "supply-under",
        "no-common-ground",
        "function-not-built",
        "ground-shared",
    ),
)
def ground_missing(view: BenchView, finding: FindingFactory) -> Iterator[Finding]:
    for part, fed, grounded, turned in view.memoised(_feeding):
        if grounded or turned or not fed:
            continue
        supply, ground = supply_legs(part)
        place, net = _leg_words(view, part, ground), view.net(part, ground)
        yield finding(
            f"The {ground} leg of {part.ref} ({place}) is joined to no ground.",
            _leading(view, part, ground, supply, view.ground_places),
            parts=[part.ref],
            places=[place] if place != "nowhere" else [],
            nets=[net.name] if net else [],
            line=part.line,
            affects=_served_by(view, part),
        )


def fed_windows(view: BenchView) -> Iterator[tuple[Part, float, float, float]]:
    """(part, most volts it gets in any state, window low, window high) of modules and loads that are fed."""
    if not is_clear(view):
        return
    for part, fed, grounded, _ in view.memoised(_feeding):
        if part.type.supply and fed and grounded:
            supply, ground = supply_legs(part)
            volts = max(v for state in view.points if (v := view.across(state, part, supply, ground)) is not None)
            yield part, volts, part.type.supply.low_volts, part.type.supply.high_volts
    for part in view.bench.parts_of("load", "relay"):
        load = part.type.load
        ends = part.ends
        seen = [abs(v) for state in view.points if (v := view.across(state, part, *ends)) is not None]
        if load and seen:
            rated = part.quantity("volts", "volt")
            high = load.high_volts * rated / load.at_volts if rated else load.high_volts
            yield part, max(seen), 0.0, high


@WIRING.rule(
    "supply-over",
    Severity.STOP,
    title="Supply over the maximum",
    why="Above its maximum the part may be spoilt at once.",
    hint="Which supply does this part want, and which one does it get?",
    criterion="safety",
    source="the part's supply window",
    explains=("level-over", "level-at-module", "level-margin", "resistor-over-watts", "pin-over-current", "supply-inexact",
              "bus-elsewhere", "transistor-over-current"),
)  # fmt: skip
def supply_over(view: BenchView, finding: FindingFactory) -> Iterator[Finding]:
    for part, volts, low, high in view.memoised(fed_windows):
        if volts > high * (1 + SLACK):
            made_for = f"{low:g} to {high:g} V" if low else f"{high:g} V at most"
            yield finding(
                f"{part.ref} gets {volts:.2f} V; it is made for {made_for}.",
                "Feed it from a lower supply.",
                parts=[part.ref],
                line=part.line,
                value=volts,
                limit=high,
                unit="V",
                affects=_served_by(view, part),
            )


@WIRING.rule(
    "supply-under",
    Severity.FIX,
    title="Supply under the minimum",
    why="Below its minimum the module may give a value, but not the right one.",
    hint="Which supply does this part want, and which one does it get?",
    criterion="wiring",
    source="the module's supply window",
    explains=("level-too-low", "level-margin", "supply-inexact", "load-never-works", "bus-elsewhere"),
)
def supply_under(view: BenchView, finding: FindingFactory) -> Iterator[Finding]:
    for part, volts, low, _ in view.memoised(fed_windows):
        if part.type.model == "regulator" or volts < REVERSED_VOLTS or volts >= low * (1 - SLACK):
            continue
        yield finding(
            f"{part.ref} gets {volts:.2f} V; it needs at least {low:g} V.{_because_of_regulator(view, part)}",
            "Feed it from a supply inside its window.",
            parts=[part.ref],
            line=part.line,
            value=volts,
            limit=low,
            unit="V",
            affects=_served_by(view, part),
        )


def _because_of_regulator(view: BenchView, part: Part) -> str:
    net = view.net(part, supply_legs(part)[0])
    for leg in view.nets.part_legs(net) if net else []:
        feeder = view.bench.parts[leg.ref]
        if feeder.type.model == "regulator" and leg.leg == "out":
            into = view.across(view.points[0], feeder, "in", "ground")
            return f" {feeder.ref} has {into:.1f} V to work from, too little to give its own." if into else ""
    return ""


@WIRING.rule(
    "supply-inexact",
    Severity.CHECK,
    title="Supply outside what the reading needs",
    why="This module measures in proportion to its supply; off its nominal supply the reading is not to be trusted.",
    hint="How exactly is this module fed? Measure it at the module.",
    criterion="readings",
    source="typical of the family: 5 V ± 0.1 V",
)
def supply_inexact(view: BenchView, finding: FindingFactory) -> Iterator[Finding]:
    for part, volts, low, high in view.memoised(fed_windows):
        window = part.type.supply
        if window is None or window.exact_within_volts is None or not low <= volts <= high:
            continue
        middle = (low + high) / 2
        if abs(volts - middle) > window.exact_within_volts * 1.001:
            yield finding(
                f"{part.ref} gets {volts:.2f} V; its reading is trustworthy at {middle:g} ± {window.exact_within_volts:g} V.",
                "Feed it from a better supply, or enter the measured one so that the sheet follows.",
                parts=[part.ref],
                line=part.line,
                value=volts,
                limit=middle,
                unit="V",
            )
