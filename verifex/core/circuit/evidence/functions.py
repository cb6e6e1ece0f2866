"""What a bench does, by electrical function: what reads what, what drives what, what is fed from where.

The same description of the pair's bench and of the exercise's own makes the comparison "as handed in / as the
exercise intends": two benches agree where their functions do, wherever the parts sit.
"""

from collections.abc import Iterator
from dataclasses import dataclass

from verifex.core.circuit.bench import Part
from verifex.core.circuit.connections.paths import Link
from verifex.core.circuit.evidence.lights import lights
from verifex.core.circuit.nets import Net
from verifex.core.circuit.places import Hole, LegOf, Place, Rail
from verifex.core.circuit.view import BenchView
from verifex.core.exercise.circuit import Function
from verifex.core.parts import LegRole, PinKind
from verifex.core.quantity import in_words

SWITCHED_VOLTS = 0.8  # a load is switched when its volts differ by this between states
SWITCHED_AMPS = 1e-4
SUPPLY_SLACK_VOLTS = 0.05  # what a window's edge may be missed by

ABLE = {
    "analogue-input": ("a pin that can measure", "an analogue input"),
    "digital-input": ("a pin that reads high and low", "a digital pin"),
    "two-wire": ("the two-wire bus", "the board's two-wire pins"),
    "spi": ("the SPI bus", "the board's SPI pins"),
}


@dataclass(frozen=True, slots=True)
class FunctionState:
    """One function the exercise asks for, and whether the bench has it. `built` is None when its part is not there."""

    kind: str
    asked: str
    part: Part | None
    built: bool | None
    seen: str = ""
    remedy: str = ""


def functions_of(view: BenchView) -> Iterator[FunctionState]:
    """Each function of the exercise on this bench; none without an exercise or a board."""
    if view.exercise is None or view.bench.board is None:
        return
    for function in view.exercise.functions:
        part = view.matching(function.ref)
        asked = f"{function.leg or function.part}: {function.reaches.replace('-', ' ')}"
        if part is None:
            yield FunctionState(function.reaches, asked, None, None)
        else:
            yield _state(view, function, part, asked)


def _state(view: BenchView, function: Function, part: Part, asked: str) -> FunctionState:
    kind, leg = function.reaches, function.leg_name
    match kind:
        case "digital-output" | "pwm-output":
            built = is_switched(view, part, leg)
            what = f"{part.ref} ({part.type.title})" if leg is None else f"{part.ref}.{leg}"
            seen = f"{what} is not switched by any pin."
            remedy = "Lead one of its ends to a digital pin, so that the program can switch it."
        case "own-ground":
            built = has_own_ground(view, part)
            seen = f"The ground of {part.ref} comes back on a wire that others use too."
            remedy = f"Lead a wire of its own from {view.place(part, leg or part.type.ground_leg or '')} to a GND pin."
        case _:
            leg = leg or _speaking_leg(part)
            net = view.net(part, leg) if leg else None
            pins = pins_reading(view, net) if net else []
            built = any(_is_able(view, pin, kind, part) for pin in pins)
            able, target = ABLE[kind]
            seen = f"The {leg} leg of {part.ref} does not reach {able}."
            remedy = f"Lead {view.place(part, leg) if leg else part.ref} to {target}."
    return FunctionState(kind, asked, part, built, seen, remedy)


def _speaking_leg(part: Part) -> str | None:
    if part.type.model == "pot":
        return "wiper"
    legs = part.type.legs_with(
        LegRole.ANALOGUE_OUT, LegRole.DIGITAL_OUT, LegRole.OPEN_OUT, LegRole.TWO_WAY, LegRole.INPUT
    )
    return legs[0] if legs else part.ends[0]


def _is_able(view: BenchView, pin: PinKind, kind: str, part: Part) -> bool:
    board = view.bench.board
    assert board is not None
    match kind:
        case "analogue-input":
            return pin.analogue_in or pin.analogue_radio_off
        case "digital-input":
            return pin.digital_in
        case _:
            return board.bus_can_move or pin.bus in {leg.bus for leg in part.type.legs.values()}


def pins_reading(view: BenchView, net: Net) -> list[PinKind]:
    """Signal pins on a net, or behind the two ends of a divider or a switch from it."""
    if pins := view.nets.signal_pins(net):
        return list(pins)
    reached = view.paths.reach(net, (Link.OHMS, Link.CELL, Link.CONTACT))
    return [
        pin
        for i in reached
        if not view.nets.is_rail(view.nets.nets[i])
        for pin in view.nets.signal_pins(view.nets.nets[i])
    ]


def is_switched(view: BenchView, part: Part, leg: str | None = None) -> bool:
    """Whether a pin changes what the part gets: its volts or its current differ between states of the pins."""
    if leg is not None or part.type.model == "module":
        net = view.net(part, leg or part.type.works_by or part.type.supply_leg or "")
        return net is not None and bool({p.name for p in pins_reading(view, net)} & set(view.outputs))
    states = [state for state in view.points if not state.state.moved]
    volts = [view.across(state, part, *part.ends) or 0.0 for state in states]
    amps = [view.amps(state, part) for state in states]
    if part.type.model == "led-three":
        amps = [max(abs(view.amps(s, part, c)) for c in ("red", "green", "blue")) for s in states]
        return bool(amps) and max(amps) - min(amps) > SWITCHED_AMPS
    if part.type.load and part.type.load.amps < SWITCHED_AMPS:
        return bool(volts) and max(volts) - min(volts) > SWITCHED_VOLTS
    return bool(amps) and max(amps) - min(amps) > SWITCHED_AMPS


def has_own_ground(view: BenchView, part: Part) -> bool:
    """Whether the part's ground leg goes to a GND pin by itself: nothing else on the strip that it stands in, no rail in between."""
    leg = part.type.ground_leg
    if leg is None:
        return True
    place, bench = part.legs.get(leg), view.bench
    own = LegOf(part.ref, leg)
    if isinstance(place, LegOf) and place.ref == bench.board_ref:
        return True
    if isinstance(place, Rail):
        return False

    def is_here(end: Place) -> bool:
        return end == own or (
            isinstance(end, Hole) and isinstance(place, Hole) and (end.row, end.half) == (place.row, place.half)
        )

    others = [
        end
        for other in bench.parts.values()
        for name, end in other.legs.items()
        if (other.ref, name) != (part.ref, leg)
    ]
    if any(is_here(end) for end in others):
        return False
    led_to = [far for wire in bench.wires for near, far in (wire.ends, wire.ends[::-1]) if is_here(near)]
    return bool(led_to) and bench.board is not None and all(bench.pin(far) == bench.board.ground for far in led_to)


@dataclass(frozen=True, slots=True)
class Doing:
    """One thing a part does on a bench. Benches agree where `key` is the same and it is `sound`: of the right sign and
    inside the part's own limits. `words` say how it is done here."""

    ref: str
    aspect: str
    key: str
    words: str
    sound: bool = True


def doings(view: BenchView) -> list[Doing]:
    """What every part of a bench does, in the order of the hand-in."""
    found: list[Doing] = []
    for part in view.bench.parts.values():
        found += _doings_of(view, part)
    return found


def _doings_of(view: BenchView, part: Part) -> Iterator[Doing]:
    kind = part.type
    if kind.supply_leg and kind.ground_leg:
        volts = [v for s in view.points if (v := view.across(s, part, kind.supply_leg, kind.ground_leg)) is not None]
        # Fed backwards is reported by the sign, and never taken for fed.
        most = max(volts, key=abs, default=0.0)
        net = view.net(part, kind.supply_leg)
        source = net.name if net else "nowhere"
        low, high = (kind.supply.low_volts, kind.supply.high_volts) if kind.supply else (0.0, float("inf"))
        sound = most > 0 and low - SUPPLY_SLACK_VOLTS <= most <= high + SUPPLY_SLACK_VOLTS
        yield Doing(part.ref, "fed", f"{most:.1f} V", f"{most:.2f} V from {source}", sound)
    for leg in kind.legs_with(
        LegRole.ANALOGUE_OUT, LegRole.DIGITAL_OUT, LegRole.OPEN_OUT, LegRole.TWO_WAY, LegRole.INPUT
    ):
        net = view.net(part, leg)
        pins = pins_reading(view, net) if net else []
        if kind.leg(leg).optional and not pins:
            continue
        what = "driven by" if kind.role(leg) is LegRole.INPUT else "read by"
        able = sorted({_ability(pin, kind.leg(leg).bus) for pin in pins})
        yield Doing(
            part.ref, f"{leg} {what}", ", ".join(able) or "no pin", ", ".join(pin.name for pin in pins) or "no pin"
        )
    if kind.model in ("led", "led-three", "load", "relay"):
        yield from _driven(view, part)
    if kind.model in ("switch", "light-cell", "pot"):
        legs = ["wiper"] if kind.model == "pot" else list(part.ends)
        pins = [pin for leg in legs if (net := view.net(part, leg)) for pin in view.nets.signal_pins(net)]
        able = sorted({_ability(pin, None) for pin in pins})
        yield Doing(part.ref, "read by", ", ".join(able) or "no pin", ", ".join(pin.name for pin in pins) or "no pin")


def _ability(pin: PinKind, bus: str | None) -> str:
    if bus and pin.bus == bus:
        return f"the {bus} pin"
    return "an analogue pin" if pin.analogue_in else "a digital pin"


def _driven(view: BenchView, part: Part) -> Iterator[Doing]:
    pins = [
        pin.name for pin, net in view.wired_pins() if pin.name in view.outputs and part.ref in view.parts_behind(net)
    ]
    amps = max((abs(view.amps(s, part)) for s in view.points), default=0.0)
    if part.type.model == "led-three":
        amps = max((abs(view.amps(s, part, c)) for s in view.points for c in ("red", "green", "blue")), default=0.0)
    switched = is_switched(view, part)
    how = (
        f"{', '.join(pins) or 'no pin'}, {in_words(amps, 'A', 2)} when on"
        if amps > 1e-6 or not switched
        else ", ".join(pins)
    )
    yield Doing(part.ref, "switched", "by a pin" if switched else "never", how, amps <= _most_amps(view, part))


def _most_amps(view: BenchView, part: Part) -> float:
    """What a light may carry at the most; other loads are judged by the rules on currents alone."""
    found = [light.absolute_amps for light in view.memoised(lights) if light.part.ref == part.ref]
    return min(found, default=float("inf"))


@dataclass(frozen=True, slots=True)
class Comparison:
    """One function on both benches. `agrees` says whether they do the same, however it is wired."""

    ref: str
    aspect: str
    handed_in: str
    intended: str
    agrees: bool

    def as_json(self) -> dict[str, object]:
        return {
            "ref": self.ref,
            "aspect": self.aspect,
            "handed_in": self.handed_in,
            "intended": self.intended,
            "agrees": self.agrees,
        }


def compare_functions(built: BenchView, intended: BenchView) -> list[Comparison]:
    """The pair's bench against the exercise's own, function by function; parts are matched by their role."""
    roles_built = {part.ref: role for role, part in built.roles.items()}
    roles_meant = {part.ref: role for role, part in intended.roles.items()}
    here = {(roles_built.get(d.ref, d.ref), d.aspect): d for d in doings(built)}
    rows = []
    for meant in doings(intended):
        role = roles_meant.get(meant.ref, meant.ref)
        mine = here.pop((role, meant.aspect), None)
        rows.append(
            Comparison(
                role,
                meant.aspect,
                mine.words if mine else "not there",
                meant.words,
                mine is not None and _same(mine, meant),
            )
        )
    rows += [Comparison(ref, aspect, extra.words, "not asked", True) for (ref, aspect), extra in here.items()]
    return rows


def _same(mine: Doing, meant: Doing) -> bool:
    if mine.aspect == "fed":
        # A pair may feed a module otherwise, as long as that is inside the module's own window.
        return mine.sound
    return mine.key == meant.key and mine.sound
