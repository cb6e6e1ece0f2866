"""Levels: too high for a pin, too low to be read, and how much margin is left."""

from collections.abc import Iterator

from verifex.core.circuit.bench import Part
from verifex.core.circuit.connections.paths import Link
from verifex.core.circuit.nets import Net
from verifex.core.circuit.rules.book import WIRING
from verifex.core.circuit.rules.supply import supply_legs
from verifex.core.circuit.view import BenchView, StatePoint
from verifex.core.findings import Finding, Severity
from verifex.core.parts import LegRole, PinKind
from verifex.core.rulebook import FindingFactory

BELOW_GROUND_VOLTS = -0.5
MODULE_SLACK_VOLTS = 0.4  # a protection diode's drop over the module's own supply
THIN_MARGIN_VOLTS = 0.6


def _undriven_volts(view: BenchView, pin: PinKind, net: Net) -> Iterator[tuple[float, StatePoint]]:
    """Volts on a pin's net in every state in which the pin itself does not drive, with the state."""
    for state in view.points:
        if pin.name not in state.conditions.driven:
            yield view.volts(state, net), state


def _givers(view: BenchView, net: Net) -> list[str]:
    """Parts on the net, and those behind its resistors: where a level comes from."""
    refs = [leg.ref for leg in view.nets.part_legs(net)]
    reached = view.paths.reach(net, (Link.OHMS, Link.LIGHT, Link.DIODE))
    for net_id in reached:
        other = view.nets.nets[net_id]
        if not view.nets.is_rail(other):
            refs += [leg.ref for leg in view.nets.part_legs(other)]
    return list(dict.fromkeys(refs))


@WIRING.rule(
    "level-over",
    Severity.STOP,
    title="A voltage too high for a pin",
    why="Above its limit the pin is spoilt, and often the whole board with it.",
    hint="Which voltage does your board's pin stand, and which one can this part give?",
    criterion="safety",
    source="the board's absolute input level",
    explains=("level-margin", "level-at-module", "pin-on-supply"),
)
def level_over(view: BenchView, finding: FindingFactory) -> Iterator[Finding]:
    board = view.bench.board
    if board is None or view.shorted:
        return
    for pin, net in view.wired_pins():
        if view.nets.is_source(net) and not _foreign_source(view, net):
            continue  # straight on one of the board's own supplies: judged below by its volts
        seen = list(_undriven_volts(view, pin, net))
        high = max(seen, key=lambda pair: pair[0], default=None)
        low = min(seen, key=lambda pair: pair[0], default=None)
        if high and high[0] > board.input_most_volts * 1.001:
            yield _over(view, finding, pin, net, high[0], view.when(high[1], pin.name), board.input_most_volts)
        elif low and low[0] < BELOW_GROUND_VOLTS and _is_anchored(view, net):
            yield _over(view, finding, pin, net, low[0], view.when(low[1], pin.name), BELOW_GROUND_VOLTS)
    for pin, net in view.wired_pins():
        volts = max((supply.supply_volts or 0.0 for supply in view.nets.supplies(net)), default=0.0)
        if volts > board.input_most_volts:
            yield _over(view, finding, pin, net, volts, "power on", board.input_most_volts)


def _foreign_source(view: BenchView, net: Net) -> bool:
    return not view.nets.supplies(net)


def _is_anchored(view: BenchView, net: Net) -> bool:
    """Whether the net hangs together with the board's ground, so that its volts mean something."""
    ground = view.nets.ground_id
    return ground is not None and ground in view.paths.island(net)


def _over(
    view: BenchView, finding: FindingFactory, pin: PinKind, net: Net, volts: float, state: str, limit: float
) -> Finding:
    givers = _givers(view, net)
    return finding(
        f"{pin.name} gets {volts:.2f} V ({state}); it stands {limit:g} V.",
        "Feed the part from the board's own level, or divide its signal with two resistors (10 kΩ over 20 kΩ brings 5 V to 3.3 V).",
        parts=givers,
        places=[view.pin_place(pin.name)],
        nets=[net.name],
        line=view.bench.parts[givers[0]].line if givers else None,
        value=volts,
        limit=limit,
        unit="V",
    )


@WIRING.rule(
    "level-at-module",
    Severity.CHECK,
    title="A signal above a module's own supply",
    why="Its inputs usually stand it for a while; the datasheet of the batch decides.",
    hint="Which level do the inputs of this module stand, and which one do they get?",
    criterion="wiring",
    source="typical of the family: inputs stand their own supply",
)
def level_at_module(view: BenchView, finding: FindingFactory) -> Iterator[Finding]:
    if view.shorted:
        return
    for part in view.bench.parts.values():
        if part.type.model != "module":
            continue
        supply, ground = supply_legs(part)
        worst: tuple[float, float, str] | None = None
        legs = []
        for leg in part.type.legs_with(LegRole.INPUT, LegRole.TWO_WAY):
            net = view.net(part, leg)
            if net is None:
                continue
            for state in view.points:
                own = view.across(state, part, supply, ground)
                base = view.net(part, ground)
                if own is None or base is None or own < 1.0:
                    continue
                volts = view.volts(state, net) - view.volts(state, base)
                if volts > own + MODULE_SLACK_VOLTS:
                    legs.append(leg)
                    if worst is None or volts - own > worst[0] - worst[1]:
                        worst = (volts, own, view.when(state, part))
        if worst:
            names = list(dict.fromkeys(legs))
            yield finding(
                f"{', '.join(names)} of {part.ref} get{'s' if len(names) == 1 else ''} {worst[0]:.1f} V ({worst[2]}); its own supply is {worst[1]:.1f} V.",
                "Divide the signals, or see in the batch's datasheet that its inputs stand this level.",
                parts=[part.ref],
                places=[view.place(part, leg) for leg in names],
                line=part.line,
                value=worst[0],
                limit=worst[1],
                unit="V",
            )


def _levels(view: BenchView) -> Iterator[tuple[Part, str, PinKind, Net, float]]:
    """(module, leg, pin, its net, highest level there) of every digital output that reaches a pin of the board."""
    if view.shorted or view.bench.board is None:
        return
    for part in view.bench.parts.values():
        if part.type.model != "module":
            continue
        supply, ground = supply_legs(part)
        fed = [v for state in view.points if (v := view.across(state, part, supply, ground)) is not None]
        window = part.type.supply
        if not fed or (window and not 0.8 * window.low_volts <= max(fed) <= 1.05 * window.absolute_volts):
            continue
        for leg in part.type.legs_with(LegRole.DIGITAL_OUT, LegRole.OPEN_OUT, LegRole.TWO_WAY):
            start = view.net(part, leg)
            if start is None or view.nets.is_rail(start):
                continue
            for pin, net in _read_at(view, start):
                volts = [v for v, _ in _undriven_volts(view, pin, net)]
                if volts:
                    yield part, leg, pin, net, max(volts)


def _read_at(view: BenchView, start: Net) -> Iterator[tuple[PinKind, Net]]:
    """Pins on a net or behind resistors from it, which read what it says."""
    reached = view.paths.reach(start, (Link.OHMS,))
    for net_id in reached:
        net = view.nets.nets[net_id]
        if view.nets.is_rail(net):
            continue
        for pin in view.nets.signal_pins(net):
            if pin.digital_in and pin.name not in view.outputs:
                yield pin, net


@WIRING.rule(
    "level-too-low",
    Severity.FIX,
    title="A high level that is not read as high",
    why="Below its threshold the pin reads low, or changes its mind with every breath.",
    hint="From which voltage on does your board read high, and which one arrives?",
    criterion="resistors",
    source="the board's input levels",
    explains=("level-margin", "function-not-built", "value-outside-window"),
)
def level_too_low(view: BenchView, finding: FindingFactory) -> Iterator[Finding]:
    board = view.bench.board
    for part, leg, pin, net, volts in view.memoised(_levels):
        assert board is not None
        if _floats(view, part, leg, net) or volts >= board.input_high_volts * 0.995:
            continue
        yield finding(
            f"The {leg} leg of {part.ref} brings {volts:.2f} V to {pin.name} at most; it reads high from {board.input_high_volts:.2f} V on.",
            "Divide it less, or feed the module from a higher supply that it and the pin stand.",
            parts=list(dict.fromkeys([part.ref, *_givers(view, net)])),
            places=[view.pin_place(pin.name)],
            nets=[net.name],
            line=part.line,
            value=volts,
            limit=board.input_high_volts,
            unit="V",
        )


def _floats(view: BenchView, part: Part, leg: str, net: Net) -> bool:
    """Whether nothing brings the line up: another rule's matter."""
    if part.type.role(leg) is LegRole.DIGITAL_OUT:
        return False
    figures = part.type.leg(leg)
    if part.type.role(leg) is LegRole.TWO_WAY and figures.bus is None:
        return False
    fitted = figures.pull_up_ohms and part.settings.get("pullup") != "none"
    return not fitted and not view.is_fed(net)


@WIRING.rule(
    "level-margin",
    Severity.NOTE,
    title="A high level with little margin",
    why="A 3.3 V level is read as high by a 5 V board, but with little to spare when the supply is high.",
    hint="From which voltage on does your board read high, and which one arrives?",
    criterion="wiring",
    source="input high from 0.6·Vcc",
)
def level_margin(view: BenchView, finding: FindingFactory) -> Iterator[Finding]:
    board = view.bench.board
    thin: dict[str, list[tuple[float, str, PinKind, float]]] = {}
    for part, leg, pin, _, volts in view.memoised(_levels):
        assert board is not None
        margin = volts - board.input_high_volts
        if 0 <= margin < THIN_MARGIN_VOLTS and board.rail_volts > 4 and volts < 0.8 * board.rail_volts:
            thin.setdefault(part.ref, []).append((margin, leg, pin, volts))
    for ref, lines in thin.items():
        margin, _, _, volts = min(lines, key=lambda line: line[0])
        legs = " and ".join(leg for _, leg, _, _ in lines)
        pins = " and ".join(pin.name for _, _, pin, _ in lines)
        yield finding(
            f"{ref} brings {volts:.2f} V to {pins} ({legs}); that is {margin:.2f} V over what reads as high.",
            "Nothing to change; look here first if it is read wrongly.",
            parts=[ref],
            places=[view.pin_place(pin.name) for _, _, pin, _ in lines],
            line=view.bench.parts[ref].line,
            value=margin,
            limit=THIN_MARGIN_VOLTS,
            unit="V",
        )
