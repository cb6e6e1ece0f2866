"""The meter walk: a few quick measurements before power that together show the most of the single mistakes this very bench may
have, although its hand-in is right: what a pair believes it built is not what stands on the desk.

Every single wiring mistake is made from the hand-in, and each measurement is worked out on the bench with each of them. The
walk takes the measurement that shows most of what is not shown yet, again and again (greedy set cover: within 1 − 1/e of
the best choice of as many; G. Nemhauser et al., Math. Programming 14, 1978). A mistake that does harm counts for more, and
only where it shows with the power off.
"""

from collections.abc import Callable, Iterator, Sequence
from dataclasses import dataclass

from verifex.core.circuit.nets import Net
from verifex.core.circuit.operating import ohms_between
from verifex.core.circuit.places import read_place
from verifex.core.circuit.rules import WIRING
from verifex.core.circuit.view import BenchView
from verifex.core.diagnosis.acts.act import METER_VOLTS, OHM_RANGES, OHMS_SHARE, OPEN_OHMS, VOLT_RANGES
from verifex.core.diagnosis.case import BenchCase
from verifex.core.diagnosis.faults.wiring import wiring_faults
from verifex.core.diagnosis.model import Fault
from verifex.core.diagnosis.raw import FaultBench
from verifex.core.findings import Severity
from verifex.core.quantity import in_words

FEWEST, MOST = 3, 6
HARM_WEIGHS = 4.0  # a mistake that may spoil something, against one that only reads wrong
CONTACT_OHMS = 5.0  # leads, meter and contacts together stay below
SHORT_OHMS = 20.0  # less than this between supply and ground is a short, whatever hangs on it
MOST_POINTS, LEAST_CIRCUITS = 1200, 40  # operating points that are solved for it, and circuits at the least
LEAST_WORTH = 0.02  # of all mistakes: a measurement that shows fewer more is left out


@dataclass(frozen=True, slots=True)
class WalkStep:
    """One measurement: what it should read, from `low` to `high` in `unit` (None for an end that is open). Ohms are measured with
    the power off and the lead to the computer out."""

    slug: str
    text: str
    unit: str
    low: float | None
    expected: float | None
    high: float | None
    range: str
    catches: int  # mistakes that it shows and those before it do not

    def fits(self, value: float) -> bool:
        return (self.low is None or value >= self.low) and (self.high is None or value <= self.high)

    @property
    def should(self) -> str:
        """In words what it should read."""
        if self.unit == "Ω":
            if self.high is None:
                return f"above {in_words(self.low or 0.0, 'Ω')}"
            if self.high <= CONTACT_OHMS:
                return f"below {self.high:g} Ω"
            return f"{in_words(self.low or 0.0, 'Ω')} to {in_words(self.high, 'Ω')}"
        return f"{self.low:.2f} to {self.high:.2f} V"


@dataclass(frozen=True, slots=True)
class MeterWalk:
    """The measurements in their order, and how many of the single mistakes they show: of those that do harm, and of all."""

    steps: tuple[WalkStep, ...]
    shown: int
    mistakes: int
    harm_shown: int
    harmful: int


@dataclass(frozen=True, slots=True)
class _Mistake:
    view: BenchView
    ways: int  # how many single mistakes lead to this circuit
    harms: bool


@dataclass(frozen=True, slots=True)
class _Reading:
    """A measurement that could be made: its value on a bench (None: nothing to be read there)."""

    slug: str
    text: str
    unit: str
    value: Callable[[BenchView], float | None]
    is_supply: bool = False


def meter_walk(case: BenchCase) -> MeterWalk | None:
    """The walk for the bench of a case; None where it has none, or no mistake changes anything."""
    view = case.view
    if view is None or view.bench.board is None:
        return None
    fault_bench = FaultBench(case)
    mistakes = list(_mistakes(case, fault_bench, view))
    if not mistakes:
        return None
    choices = []
    for reading in readings_of(view):
        sound = reading.value(view)
        step = _step(reading, sound)
        if step is None:
            continue
        shows = {
            index for index, mistake in enumerate(mistakes)
            if (reading.unit == "Ω" or not mistake.harms) and not _looks_right(step, reading.value(mistake.view))
        }  # fmt: skip
        choices.append((step, shows))
    return _greedy(choices, mistakes)


def _mistakes(case: BenchCase, fault_bench: FaultBench, sound: BenchView) -> Iterator[_Mistake]:
    """Each circuit that a single mistake makes of this one, once."""
    before = {finding.rule for finding in WIRING.run(sound) if finding.severity is Severity.STOP}
    own = frozenset(frozenset(map(str, net.legs)) for net in sound.nets.nets if len(net.legs) > 1)
    seen: dict[object, _Mistake] = {}
    most = max(LEAST_CIRCUITS, MOST_POINTS // max(1, len(sound.points)))
    for fault in sorted(wiring_faults(case), key=lambda fault: not _at_a_rail(sound, fault)):
        changed = fault.apply(case)
        signature = fault_bench.signature(changed)
        view = fault_bench.view(changed)
        if view is None or (isinstance(signature, tuple) and signature[0] == own):
            continue
        if signature in seen:
            known = seen[signature]
            seen[signature] = _Mistake(known.view, known.ways + 1, known.harms)
            continue
        if len(seen) >= most:
            continue
        stops = {finding.rule for finding in WIRING.run(view) if finding.severity is Severity.STOP}
        seen[signature] = _Mistake(view, 1, bool(stops - before))
    yield from seen.values()


def _at_a_rail(view: BenchView, fault: Fault) -> bool:
    """Whether a mistake is at a supply or at ground: on a large bench those are looked at first, and first of all."""
    nets = [view.nets.at(read_place(place)) for place in fault.places]
    return any(net is not None and view.nets.is_rail(net) for net in nets)


def _greedy(choices: Sequence[tuple[WalkStep, set[int]]], mistakes: Sequence[_Mistake]) -> MeterWalk:
    weight = [m.ways * (HARM_WEIGHS if m.harms else 1.0) for m in mistakes]
    total = sum(m.ways for m in mistakes)
    left = set(range(len(mistakes)))
    taken: list[tuple[WalkStep, int]] = []
    rest = list(choices)
    while rest and len(taken) < MOST:
        step, shows = max(rest, key=lambda choice: sum(weight[i] for i in choice[1] & left))
        new = shows & left
        if len(taken) >= FEWEST and sum(weight[i] for i in new) < LEAST_WORTH * sum(weight):
            break
        rest = [choice for choice in rest if choice[0].slug != step.slug]
        if not new:
            break
        left -= new
        taken.append((step, sum(mistakes[i].ways for i in new)))
    order = sorted(taken, key=lambda one: one[0].unit != "Ω")  # ohms first: the power comes on only then
    steps = tuple(WalkStep(s.slug, s.text, s.unit, s.low, s.expected, s.high, s.range, catches) for s, catches in order)
    shown = [m for i, m in enumerate(mistakes) if i not in left]
    return MeterWalk(
        steps,
        sum(m.ways for m in shown),
        total,
        sum(m.ways for m in shown if m.harms),
        sum(m.ways for m in mistakes if m.harms),
    )


# -- what can be measured ------------------------------------------------------------------------


def readings_of(view: BenchView) -> Iterator[_Reading]:
    """What could be measured on a bench with a board."""
    board = view.bench.board
    assert board is not None
    ref, ground = view.bench.board_ref, board.ground
    for pin in board.supplies:
        if view.nets.of_pin(pin) and view.nets.of_pin(ground):
            yield _Reading(
                f"ohms:{pin}~{ground}", f"From {pin} to {ground}", "Ω",
                _ohms((ref, pin), (ref, ground)), is_supply=True,
            )  # fmt: skip
    for part in view.bench.parts.values():
        for leg, place in part.legs.items():
            net = view.net(part, leg)
            anchor = _anchor(view, net, part.ref) if net else None
            if anchor is not None:
                yield _Reading(
                    f"ohms:{part.ref}.{leg}~{anchor[0]}.{anchor[1]}",
                    f"From {leg_of(part.ref, leg)} ({place}) to {_named(view, anchor)}", "Ω",
                    _one_metal((part.ref, leg), anchor),
                )  # fmt: skip
    for part in view.bench.parts_of("resistor"):
        one, other = part.ends
        if one in part.legs and other in part.legs:
            yield _Reading(
                f"ohms:{part.ref}", f"Across {part.ref} ({part.legs[one]} to {part.legs[other]})", "Ω",
                _ohms((part.ref, one), (part.ref, other)),
            )  # fmt: skip
    for part in view.module_parts():
        supply = part.type.supply_leg
        if supply and supply in part.legs:
            yield _Reading(
                f"volts:{part.ref}.{supply}", f"From the {supply} leg of {part.ref} ({part.legs[supply]}) to {ground}", "V",
                _volts((part.ref, supply)),
            )  # fmt: skip


def _anchor(view: BenchView, net: Net, ref: str) -> tuple[str, str] | None:
    """What a leg should be one metal with: the board's pin, else another part's leg."""
    board = view.bench.board_ref
    for leg in net.legs:
        if leg.ref == board:
            return leg.ref, leg.leg
    return next(((leg.ref, leg.leg) for leg in net.legs if leg.ref != ref), None)


def _named(view: BenchView, end: tuple[str, str]) -> str:
    if end[0] == view.bench.board_ref:
        return end[1]
    part = view.bench.parts[end[0]]
    return f"{leg_of(*end)} ({part.legs[end[1]]})" if end[1] in part.legs else f"{end[0]}.{end[1]}"


def leg_of(ref: str, leg: str) -> str:
    """A part's leg as a person says it."""
    return f"leg {leg} of {ref}" if leg.isdigit() else f"the {leg} leg of {ref}"


def _ohms(one: tuple[str, str], other: tuple[str, str]) -> Callable[[BenchView], float | None]:
    def value(view: BenchView) -> float | None:
        ends = [view.nets.of_leg(*end) for end in (one, other)]
        if ends[0] is None or ends[1] is None:
            return OPEN_OHMS
        ohms = ohms_between(view.nets, ends[0].id, ends[1].id)
        return OPEN_OHMS if ohms is None else min(ohms, OPEN_OHMS)

    return value


def _one_metal(one: tuple[str, str], other: tuple[str, str]) -> Callable[[BenchView], float | None]:
    """0 Ω where two ends are one piece of metal, else open: all that a look for contact wants to know, and no circuit is solved."""

    def value(view: BenchView) -> float | None:
        ends = [view.nets.of_leg(*end) for end in (one, other)]
        joined = ends[0] is not None and ends[1] is not None and ends[0].id == ends[1].id
        return 0.0 if joined else OPEN_OHMS

    return value


def _volts(leg: tuple[str, str]) -> Callable[[BenchView], float | None]:
    def value(view: BenchView) -> float | None:
        if view.shorted or view.undriven is None:
            return None
        net = view.nets.of_leg(*leg)
        return 0.0 if net is None or net.id in view.undriven.point.floating else view.volts(view.undriven, net)

    return value


def _step(reading: _Reading, sound: float | None) -> WalkStep | None:
    """What the measurement should read on this bench; None for what a meter cannot show well there."""
    if sound is None:
        return None
    if reading.unit == "V":
        half = 0.04 * sound + METER_VOLTS
        return _made(reading, sound - half, sound, sound + half, VOLT_RANGES)
    if reading.is_supply:  # what a meter reads across chips is any value; only a short tells
        return _made(reading, SHORT_OHMS, None, None, OHM_RANGES)
    if sound < 1.0:
        return _made(reading, 0.0, sound, CONTACT_OHMS, OHM_RANGES)
    if reading.slug.count("~") or sound >= OPEN_OHMS:
        return None
    half = OHMS_SHARE * sound + 2.0
    return _made(reading, sound - half, sound, sound + half, OHM_RANGES)


def _made(
    reading: _Reading, low: float | None, expected: float | None, high: float | None, ranges: tuple[float, ...]
) -> WalkStep:
    most = high if high is not None else low or 0.0
    chosen = next((r for r in ranges if r >= most), ranges[-1])
    return WalkStep(reading.slug, reading.text, reading.unit, low, expected, high, in_words(chosen, reading.unit), 0)


def _looks_right(step: WalkStep, value: float | None) -> bool:
    return value is not None and step.fits(value)
