"""What can be done at a bench to tell faults apart, and what each fault would show there.

Every act has an outcome for each candidate, worked out by changing the bench as the candidate says: a number that a meter
reads, or one of a few answers. An act is worth the information it is expected to give (the fall of the entropy of what is
still likely; C. Shannon, Bell Syst. Tech. J. 27, 1948) for each second it takes.
"""

from collections.abc import Callable, Iterator, Mapping, Sequence
from dataclasses import dataclass, field, replace
from itertools import pairwise
from math import exp, log

from verifex.core.circuit.bench import Part
from verifex.core.circuit.operating import ohms_between
from verifex.core.diagnosis.case import BenchCase
from verifex.core.diagnosis.model import Noise, Where
from verifex.core.diagnosis.rank import Candidate
from verifex.core.diagnosis.raw import SPEAKING, Rig
from verifex.core.quantity import in_words

OPEN_OHMS = 5e6  # from here a meter shows that nothing is connected
METER_SHARE, METER_VOLTS, METER_OHMS = (
    0.02,
    0.05,
    2.0,
)  # what a handheld meter, its leads and the parts' tolerance leave open
OHMS_SHARE = 0.1
WRONG_ANSWER = 0.04  # how often a person answers otherwise than it is
UNSTEADY = "unsteady"  # a number that wanders, or that nothing is known of
SECONDS = {
    "look": 10, "leads": 40, "marking": 15, "volts": 20, "ohms": 25, "formula": 20, "stimulus": 30, "wiggle": 20, "wait": 120, "turn": 20, "swap": 60,
}  # fmt: skip
BETWEEN_SECONDS = 15  # to turn to it, and to say what was found
VOLT_RANGES, OHM_RANGES = (2.0, 20.0), (200.0, 2e3, 20e3, 200e3, 2e6)
LEAST_GAIN = 0.02  # bits
AS_IT_SHOULD, OTHERWISE = 0, 1

Outcome = float | str
Likely = Sequence[tuple[int, Candidate]]  # the likely candidates, each with a number
Shows = Callable[[Candidate], bool]


@dataclass(frozen=True, slots=True)
class Act:
    """One thing to do. With a `unit` it gives a number, else one of `choices`. `outcomes` are by the candidate's index: a
    number, the number of a choice, or `UNSTEADY`. `sound` is what it gives on a bench as it should be."""

    slug: str
    kind: str
    text: str
    unit: str
    choices: tuple[str, ...]
    outcomes: Mapping[int, Outcome]
    sound: Outcome
    range: str = ""
    places: tuple[str, ...] = ()
    gain: float = field(default=0.0, compare=False)

    def said(self, outcome: Outcome) -> str:
        """An outcome in words."""
        if isinstance(outcome, str):
            return "wanders, or nothing is known of it"
        if not self.unit:
            return self.choices[int(outcome)]
        if self.unit == "Ω":
            return "no connection" if outcome >= OPEN_OHMS else in_words(outcome, "Ω") if outcome >= 1 else "below 1 Ω"
        return f"{outcome:.2f} V"

    @property
    def seconds(self) -> int:
        return BETWEEN_SECONDS + SECONDS[self.kind]


def acts_for(case: BenchCase, rig: Rig, likely: Likely) -> list[Act]:
    """Everything that could be done, with what each of the likely candidates (with its index) would show."""
    made: list[Act] = []
    for make in (_volts, _ohms, _looks, _markings, _formulas, _stimuli, _wiggles, _waits, _turns, _swaps):
        made += make(case, rig, likely)
    return made


def best_acts(acts: Sequence[Act], shares: Mapping[int, float], rest: float = 0.0) -> list[Act]:
    """The acts that tell most a second, the best first; what tells nothing is left out. `rest` is the share of what is in no
    candidate: every outcome is as likely there."""
    weighed = [replace(act, gain=information(act, shares)) for act in acts]
    useful = [act for act in weighed if act.gain > LEAST_GAIN]
    return sorted(useful, key=lambda act: -act.gain / act.seconds)


def information(act: Act, shares: Mapping[int, float]) -> float:
    """Bits that an act is expected to give: the entropy of its outcomes, less what its own errors make of it."""
    total = sum(shares.get(index, 0.0) for index in act.outcomes) or 1.0
    by_outcome: dict[object, float] = {}
    for index, outcome in act.outcomes.items():
        key = _bin(act, outcome)
        by_outcome[key] = by_outcome.get(key, 0.0) + shares.get(index, 0.0) / total
    return -sum(p * log(p, 2) for p in by_outcome.values() if p > 0)


def _bin(act: Act, outcome: Outcome) -> object:
    """Outcomes a meter cannot tell apart go together."""
    if not act.unit or isinstance(outcome, str):
        return outcome
    known = sorted({o for o in act.outcomes.values() if not isinstance(o, str)})
    group = 0
    for low, high in pairwise(known):
        if high <= outcome and high - low > _half(act, low) + _half(act, high):
            group += 1
    return group


def _half(act: Act, value: float) -> float:
    """What a meter leaves open at a value."""
    return OHMS_SHARE * value + METER_OHMS if act.unit == "Ω" else METER_SHARE * abs(value) + METER_VOLTS


def log_odds(act: Act, result: float) -> dict[int, float]:
    """By candidate the logarithm of how likely the result is under it."""
    found = {}
    for index, outcome in act.outcomes.items():
        if not act.unit:
            right = outcome == result
            found[index] = log(1 - WRONG_ANSWER) if right else log(WRONG_ANSWER)
        elif isinstance(outcome, str):
            found[index] = log(0.1)
        else:
            off = (min(result, OPEN_OHMS) - outcome) / (_half(act, outcome) / 1.5)
            found[index] = max(log(WRONG_ANSWER / 2), -0.5 * off * off)
    return found


# -- with a meter --------------------------------------------------------------------------------


def _legs(case: BenchCase, rig: Rig) -> Iterator[tuple[Part, str, str]]:
    """The sensor's legs that carry something: (part, leg, what it is called)."""
    for key in case.keys:
        view = case.view
        part = view.matching(key[0]) if view else None
        if view is None or part is None:
            continue
        legs = [*([part.type.supply_leg] if part.type.supply_leg else []), *part.type.legs_with(*SPEAKING)]
        legs += [part.type.ground_leg] if part.type.ground_leg else []
        for leg in legs or list(part.legs):
            if leg in part.legs:
                yield part, leg, f"the {leg} leg of {part.ref} ({part.legs[leg]})"


def _volts(case: BenchCase, rig: Rig, likely: Likely) -> Iterator[Act]:
    if case.view is None or not case.sheet.steps:
        return
    step = case.sheet.steps[0].name
    spots: list[tuple[str, str, str, Callable[[BenchCase], Outcome]]] = []
    for part, leg, said in _legs(case, rig):
        spots.append((f"{part.ref}.{leg}", said, str(part.legs[leg]), _at_leg(rig, part.ref, leg)))
    for pin in dict.fromkeys(rig.pins.values()):
        spots.append((pin, f"the pin {pin} of the board", f"{case.view.bench.board_ref}.{pin}", _at_pin(rig, pin)))
    for name, said, place, measured in spots:
        outcomes = {index: _of_meter(one, measured, case) for index, one in likely}
        sound = measured(case)
        yield Act(
            f"volts:{name}", "volts", f"Power on, as in “{step}”: volts from {said} to GND", "V", (), outcomes, sound,
            _range([*outcomes.values(), sound], VOLT_RANGES, "V"), (place,),
        )  # fmt: skip


def _of_meter(one: Candidate, measured: Callable[[BenchCase], Outcome], sound: BenchCase) -> Outcome:
    """What the meter reads where the fault is in the circuit; else what it reads on the sound bench."""
    unknown = one.case.states & {"blind"} or one.case.shaky
    if one.fault.where in (Where.PROGRAM, Where.LOG) or one.case.states & {"mute"}:
        return measured(sound)
    return UNSTEADY if unknown else measured(one.case)


def _at_leg(rig: Rig, ref: str, leg: str) -> Callable[[BenchCase], Outcome]:
    def measured(case: BenchCase) -> Outcome:
        view = rig.view(case)
        net = view.nets.of_leg(ref, leg) if view else None
        volts = rig.volts_on(case, net.id if net else None)
        return UNSTEADY if volts is None else volts

    return measured


def _at_pin(rig: Rig, pin: str) -> Callable[[BenchCase], Outcome]:
    def measured(case: BenchCase) -> Outcome:
        view = rig.view(case)
        net = view.nets.of_pin(pin) if view else None
        volts = rig.volts_on(case, net.id if net else None)
        return UNSTEADY if volts is None else volts

    return measured


def _ohms(case: BenchCase, rig: Rig, likely: Likely) -> Iterator[Act]:
    """Power off: each of the sensor's legs to where it should go, and each resistor from end to end."""
    if case.view is None:
        return
    view, board = case.view, case.view.bench.board_ref
    ends: list[tuple[tuple[str, str], tuple[str, str], str]] = []
    for part, leg, said in _legs(case, rig):
        net = view.net(part, leg)
        pins = view.nets.board_pins(net) if net else []
        for pin in pins[:1]:
            ends.append(((part.ref, leg), (board, pin.name), f"from {said} to {pin.name}"))
    for part in view.bench.parts_of("resistor"):
        one, other = part.ends
        if one in part.legs and other in part.legs:
            ends.append(
                ((part.ref, one), (part.ref, other), f"across {part.ref} ({part.legs[one]} to {part.legs[other]})")
            )
    for one_end, other_end, said in ends:
        measured = _between(rig, one_end, other_end)
        outcomes = {index: _of_meter(one, measured, case) for index, one in likely}
        outcomes = {
            index: (sound if outcome == UNSTEADY else outcome)
            for index, outcome in outcomes.items()
            for sound in [measured(case)]
        }
        sound = measured(case)
        yield Act(
            f"ohms:{'.'.join(one_end)}~{'.'.join(other_end)}", "ohms", f"Power off, lead to the computer out: ohms {said}", "Ω", (),
            outcomes, sound, _range([*outcomes.values(), sound], OHM_RANGES, "Ω"),
        )  # fmt: skip


def _between(rig: Rig, one: tuple[str, str], other: tuple[str, str]) -> Callable[[BenchCase], Outcome]:
    def measured(case: BenchCase) -> Outcome:
        view = rig.view(case)
        ends = [view.nets.of_leg(*end) if view else None for end in (one, other)]
        if view is None or ends[0] is None or ends[1] is None:
            return OPEN_OHMS
        ohms = ohms_between(view.nets, ends[0].id, ends[1].id)
        changed = next((value for ref, value in case.ohms.items() if ref == one[0] == other[0]), None)
        return min(OPEN_OHMS, changed if changed is not None else OPEN_OHMS if ohms is None else ohms)

    return measured


def _range(outcomes: Sequence[Outcome], ranges: Sequence[float], unit: str) -> str:
    """The smallest range that holds every number."""
    most = max((abs(o) for o in outcomes if not isinstance(o, str) and o < OPEN_OHMS), default=0.0)
    return in_words(next((r for r in ranges if r >= most), ranges[-1]), unit)


# -- with the eye and the hand -------------------------------------------------------------------

LOOKED = ("as handed in", "otherwise")


def _kind(one: Candidate) -> str:
    return one.fault.slug.partition(":")[0]


def _looks(case: BenchCase, rig: Rig, likely: Likely) -> Iterator[Act]:
    """Follow one lead, look at the legs of one part, or at all of them in turn."""
    subjects = {one.fault.subject: one.fault for _, one in likely if one.fault.subject}
    for subject, fault in subjects.items():
        yield _asked(f"look:{subject}", "look", fault.look_at, LOOKED, likely, _about(subject), fault.places)
    if len(subjects) > 2:
        names = list(subjects)
        outcomes: dict[int, Outcome] = {
            i: 1 + names.index(one.fault.subject) if one.fault.subject else AS_IT_SHOULD for i, one in likely
        }
        text = "Look at the leads and legs one after the other: which is not where the hand-in says?"
        yield Act("leads", "leads", text, "", ("all as handed in", *names), outcomes, AS_IT_SHOULD)


def _about(subject: str) -> Shows:
    return lambda one: one.fault.subject == subject


def _markings(case: BenchCase, rig: Rig, likely: Likely) -> Iterator[Act]:
    for ref in sorted({p for _, one in likely if _kind(one) in MARKED for p in one.fault.parts}):
        what = "bands" if ref.startswith("R") else "marking"
        text = f"Read the {what} of {ref}: is it what the recipe says?"
        yield _asked(
            f"marking:{ref}", "marking", text, ("as the recipe says", "another"), likely, _of_part(ref, MARKED)
        )


def _of_part(ref: str, kinds: Sequence[str]) -> Shows:
    return lambda one: ref in one.fault.parts and _kind(one) in kinds


MARKED = ("another-kind", "look-alike-part", "resistor-decade")


def _formulas(case: BenchCase, rig: Rig, likely: Likely) -> Iterator[Act]:
    """Look for one thing in the program."""
    asked = {one.fault.slug: one.fault.look_at for _, one in likely if one.fault.where is Where.PROGRAM}
    for slug, look_at in asked.items():
        text = f"In the program: {look_at[:1].lower()}{look_at[1:]}"
        yield _asked(
            f"formula:{slug}",
            "formula",
            text,
            ("it is as the exercise asks", "that is what is wrong"),
            likely,
            _is_fault(slug),
        )


def _is_fault(slug: str) -> Shows:
    return lambda one: one.fault.slug == slug


def _stimuli(case: BenchCase, rig: Rig, likely: Likely) -> Iterator[Act]:
    if len(case.sheet.steps) < 2:
        return
    one_step, other = case.sheet.steps[0].name, case.sheet.steps[-1].name
    yield _asked(
        "stimulus", "stimulus", f"Go from “{one_step}” to “{other}” once more and watch the reading", ("it follows", "it stands still, or wanders"), likely,
        _is_blind,
    )  # fmt: skip


def _is_blind(one: Candidate) -> bool:
    said = [s for s in one.prediction.values() if s.value is not None]
    if one.case.order:
        return False
    if not said or any(s.noise is Noise.WANDERING for s in said) or one.case.states & {"blind", "mute"}:
        return True
    values = [s.value or 0.0 for s in said]
    return len(values) > 1 and max(values) - min(values) <= 2 * max(s.grain for s in said)


def _wiggles(case: BenchCase, rig: Rig, likely: Likely) -> Iterator[Act]:
    if any(one.case.shaky for _, one in likely):
        yield _asked(
            "wiggle", "wiggle", "Wiggle each lead of the module in turn while it reads", ("the reading stays", "it jumps"), likely,
            lambda one: bool(one.case.shaky),
        )  # fmt: skip


def _waits(case: BenchCase, rig: Rig, likely: Likely) -> Iterator[Act]:
    if any("cold" in one.case.states for _, one in likely):
        yield _asked(
            "wait", "wait", "Leave it on for two minutes and read again", ("it reads the same", "it has come down"), likely,
            lambda one: "cold" in one.case.states,
        )  # fmt: skip


def _turns(case: BenchCase, rig: Rig, likely: Likely) -> Iterator[Act]:
    for ref in sorted({p for _, one in likely if _kind(one) == "trimmer" for p in one.fault.parts}):
        text = f"Turn the trimmer of {ref} gently to and fro while something stands in front of it"
        yield _asked(
            f"turn:{ref}",
            "turn",
            text,
            ("the reading stays as it is", "it changes"),
            likely,
            _of_part(ref, ("trimmer",)),
        )


def _swaps(case: BenchCase, rig: Rig, likely: Likely) -> Iterator[Act]:
    for ref in dict.fromkeys(key[0] for key in case.keys):
        text = f"Power off; put another {ref} of the same kind in its place, and read one step"
        answers = ("it reads the same", "it reads as it should")
        yield _asked(f"swap:{ref}", "swap", text, answers, likely, _of_part(ref, SWAPPED))


SWAPPED = ("another-kind", "look-alike-part", "corroding", "not-answering")


def _asked(
    slug: str,
    kind: str,
    text: str,
    choices: tuple[str, str],
    likely: Likely,
    shows: Callable[[Candidate], bool],
    places: tuple[str, ...] = (),
) -> Act:
    """An act with two answers: a candidate `shows` the second one."""
    outcomes: dict[int, Outcome] = {i: OTHERWISE if shows(one) else AS_IT_SHOULD for i, one in likely}
    return Act(slug, kind, text, "", choices, outcomes, AS_IT_SHOULD, "", places)


def posterior(shares: Mapping[int, float], odds: Sequence[Mapping[int, float]]) -> dict[int, float]:
    """Shares after results, by candidate."""
    scored = {i: log(max(share, 1e-12)) + sum(one.get(i, 0.0) for one in odds) for i, share in shares.items()}
    top = max(scored.values(), default=0.0)
    total = sum(exp(score - top) for score in scored.values()) or 1.0
    return {i: exp(score - top) / total for i, score in scored.items()}
