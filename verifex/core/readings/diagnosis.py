"""Which single fault explains readings that are out? Each fault is one line in the dictionary."""

from collections.abc import Callable, Sequence
from dataclasses import dataclass, replace
from math import exp
from typing import Any, Protocol

from verifex.core.expected import ExpectedStep, Sheet
from verifex.core.parts import LinearOutput


class Centred(Protocol):
    """A judged step, as far as a diagnosis needs it."""

    @property
    def name(self) -> str: ...

    @property
    def centre(self) -> float | None: ...


@dataclass(frozen=True, slots=True)
class Explanation:
    """A fault with its likelihood in words and as a share, and what to look at on the bench."""

    fault: str
    title: str
    likelihood: str
    share: float
    look_at: str

    def as_json(self) -> dict[str, Any]:
        return {
            "fault": self.fault,
            "title": self.title,
            "likelihood": self.likelihood,
            "share": round(self.share, 3),
            "look_at": self.look_at,
        }


@dataclass(frozen=True, slots=True)
class Fault:
    """One fault: what the centre of a step would then be (printed unit), from the expected step and the sensor's output."""

    slug: str
    title: str
    look_at: str
    would_print: Callable[[ExpectedStep, LinearOutput], float]


def _scaled(share: float) -> Callable[[ExpectedStep, LinearOutput], float]:
    """What is printed when the formula puts in `share` of the right reference."""
    return lambda step, out: out.value((step.value.nominal * out.volts_per_unit + out.volts_at_zero) * share)


FAULTS = (
    Fault(
        "offset-forgotten",
        "The offset of the thermometer is not taken off",
        "Look for “- 0.5” in the formula; then read the marking on the thermometer.",
        lambda s, o: s.value.nominal + o.volts_at_zero / o.volts_per_unit,
    ),
    Fault(
        "fahrenheit",
        "Printed in °F",
        "Look for × 1.8 and + 32 in the formula.",
        lambda s, o: s.value.nominal * 1.8 + 32.0,
    ),
    Fault(
        "count-printed",
        "The raw count is printed",
        "Is the count turned into volts and degrees before it is printed?",
        lambda s, o: float(s.count[1]),
    ),
    Fault(
        "volts-printed",
        "Volts are printed",
        "Is the last line of the formula there: volts into degrees?",
        lambda s, o: s.volts.nominal,
    ),
    Fault(
        "millivolts-printed",
        "Millivolts are printed",
        "Is the last line of the formula there: volts into degrees?",
        lambda s, o: 1000 * s.volts.nominal,
    ),
    Fault(
        "slope-tenfold",
        "The slope is ten times too large",
        "Check the slope in the formula: how many millivolts a degree?",
        lambda s, o: s.value.nominal / 10.0,
    ),
    Fault(
        "reference-3v3",
        "3.3 V assumed where the reference is 5 V",
        "Which voltage stands in the formula? Measure the supply.",
        _scaled(3.3 / 5.0),
    ),
    Fault(
        "reference-internal",
        "1.1 V assumed where the reference is 5 V",
        "Is analogReference(INTERNAL) set, and before the first reading?",
        _scaled(1.1 / 5.0),
    ),
    Fault(
        "reference-rail",
        "5 V assumed where the reference is 1.1 V",
        "Does the formula use 1.1 where analogReference(INTERNAL) is set?",
        _scaled(5.0 / 1.1),
    ),
    Fault(
        "input-at-ground",
        "The input reads 0",
        "Is the signal lead on the ground row, or one row off?",
        lambda s, o: o.value(0.0),
    ),
    Fault(
        "type-without-offset",
        "A thermometer without offset is fitted",
        "Read the marking; does it say what the recipe says?",
        lambda s, o: s.value.nominal - o.volts_at_zero / o.volts_per_unit,
    ),
)

#: What the program check calls the same fault, where it can find it in the text or in the run.
PROGRAM_RULES = {
    "offset-forgotten": ("offset-not-taken-off",),
    "fahrenheit": ("printed-in-fahrenheit",),
    "reference-internal": ("reference-not-set",),
    "reference-rail": ("reference-not-set",),
}


def program_rules_of(fault: str) -> tuple[str, ...]:
    """The rules of the program check that find this very fault; empty for one that no program shows."""
    return PROGRAM_RULES.get(fault, ())


MOST = 4
LEAST_GRAIN = 0.5


def explain(steps: Sequence[Centred], sheet: Sheet) -> list[Explanation]:
    """The faults that explain the steps best, most likely first.

    The misfit of a fault is the mean square of (seen − would print) over the step's half width; likelihoods
    are exp(−misfit/2) over all faults and 'nothing in the list', whose misfit is fixed at 9 (three half widths).
    """
    if sheet.output is None:
        return []
    misfits: list[tuple[float, Fault]] = []
    for fault in FAULTS:
        squares = []
        for step in steps:
            expected = sheet.step(step.name)
            if expected is None or step.centre is None:
                continue
            grain = max(LEAST_GRAIN, (expected.value.high - expected.value.low) / 4)
            squares.append(((step.centre - fault.would_print(expected, sheet.output)) / grain) ** 2)
        if squares:
            misfits.append((sum(squares) / len(squares), fault))
    if not misfits:
        return []
    weights = [(exp(-min(misfit, 700) / 2), fault) for misfit, fault in misfits]
    nothing = exp(-9 / 2)
    total = sum(weight for weight, _ in weights) + nothing
    ranked = sorted(weights, key=lambda pair: -pair[0])[:MOST]
    found = [
        Explanation(fault.slug, fault.title, _in_words(weight / total), weight / total, fault.look_at)
        for weight, fault in ranked
        if weight / total > 0.02
    ]
    if nothing / total > 0.5:
        found.insert(
            0,
            Explanation(
                "none",
                "Nothing in the list fits",
                "fits best",
                nothing / total,
                "Measure the voltage at the input and work forward from there.",
            ),
        )
    if _is_blind(steps, sheet):
        # No formula makes a reading stand still: this is put before what only comes near, behind what fits exactly.
        fits = bool(found) and found[0].fault != "none" and found[0].likelihood == "fits best"
        found.insert(int(fits), replace(LOOK_ALIKE, likelihood="also fits") if fits else LOOK_ALIKE)
    return found


LOOK_ALIKE = Explanation(
    "look-alike-part",
    "A part that looks like the thermometer is in its place: a small transistor comes in the same package",
    "fits best",
    0.5,
    "Read the marking on the part itself; it was not read when the kit was handed out.",
)
BLIND_SHARE = 0.15  # of what the steps should differ by
CLEAR_GRAINS = 3.0  # of a step's half width, by which the steps have to differ for anything to be said


def _is_blind(steps: Sequence[Centred], sheet: Sheet) -> bool:
    """Whether the readings stand still while what is measured moves clearly."""
    pairs = [(step.centre, sheet.step(step.name)) for step in steps]
    known = [(centre, expected.value) for centre, expected in pairs if centre is not None and expected is not None]
    if len(known) < 2:
        return False
    meant = [value.nominal for _, value in known]
    seen = [centre for centre, _ in known]
    wide = max((value.high - value.low) / 2 for _, value in known)
    moved = max(meant) - min(meant)
    return moved > CLEAR_GRAINS * wide and max(seen) - min(seen) < BLIND_SHARE * moved


def _in_words(share: float) -> str:
    if share >= 0.6:
        return "fits best"
    return "also fits" if share >= 0.1 else "unlikely"
