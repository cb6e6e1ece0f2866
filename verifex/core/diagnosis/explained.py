"""A ranking in words: what fits, by what evidence, and what speaks against it."""

from collections.abc import Sequence
from dataclasses import dataclass
from typing import Any

from verifex.core.diagnosis.explain import Diagnosis
from verifex.core.diagnosis.model import Fault, Noise, PrintedReading, Spot
from verifex.core.diagnosis.rank import Group

FITS_BEST, ALSO_FITS = 0.6, 0.1  # shares from which a fault is reported to fit best, or to fit as well
LEAST_TOLD = 0.02
MOST_TOLD = 4
UNEXPLAINED = 0.5  # the share of "nothing in the list" from which it is put first


@dataclass(frozen=True, slots=True)
class Explanation:
    """A fault as it is shown. `printed` is what it would print, by step and reading."""

    fault: str
    title: str
    likelihood: str
    share: float
    look_at: str
    where: str = ""
    evidence: str = ""
    against: str = ""
    ties: tuple[Fault, ...] = ()
    printed: tuple[dict[str, Any], ...] = ()
    parts: tuple[str, ...] = ()
    places: tuple[str, ...] = ()

    def as_json(self) -> dict[str, Any]:
        return {
            "fault": self.fault,
            "title": self.title,
            "likelihood": self.likelihood,
            "share": round(self.share, 3),
            "look_at": self.look_at,
            "where": self.where,
            "evidence": self.evidence,
            "against": self.against,
            "ties": [{"fault": plain_slug(t.slug), "title": t.title, "look_at": t.look_at} for t in self.ties],
            "printed": list(self.printed),
            "parts": list(self.parts),
            "places": list(self.places),
        }


def plain_slug(slug: str) -> str:
    """The fault without which of its kinds it is."""
    return "+".join(one.partition(":")[0] for one in slug.split("+"))


def explanations(diagnosis: Diagnosis) -> list[Explanation]:
    """The few likeliest explanations, the likeliest first; that nothing explains the log stands first where it is so."""
    ranking = diagnosis.ranking
    groups = [group for group in ranking.groups if group.share > LEAST_TOLD][:MOST_TOLD]
    found = [_explanation(diagnosis, group, _other(groups, group)) for group in groups]
    if ranking.nothing > UNEXPLAINED or not found:
        found.insert(0, _nothing(diagnosis, ranking.nothing))
    return found


def in_words(share: float) -> str:
    if share >= FITS_BEST:
        return "fits best"
    return "also fits" if share >= ALSO_FITS else "unlikely"


def _nothing(diagnosis: Diagnosis, share: float) -> Explanation:
    return Explanation(
        "none",
        "Nothing in the list explains this",
        "fits best",
        share,
        "Measure the voltage at the input and work forward from there.",
        evidence="No single fault prints what this log shows.",
    )


def _other(groups: Sequence[Group], group: Group) -> Group | None:
    return next((other for other in groups if other is not group), None)


def _explanation(diagnosis: Diagnosis, group: Group, other: Group | None) -> Explanation:
    fault = group.first.fault
    return Explanation(
        plain_slug(fault.slug),
        fault.title,
        in_words(group.share),
        group.share,
        fault.look_at,
        fault.where.value,
        _evidence(diagnosis, group, other),
        _against(diagnosis, group),
        tuple(one.fault for one in group.candidates[1:]),
        tuple(_printed(diagnosis, group)),
        fault.parts,
        fault.places,
    )


def _printed(diagnosis: Diagnosis, group: Group) -> list[dict[str, Any]]:
    steps, readings = diagnosis.case.exercise.steps, diagnosis.case.exercise.readings
    return [
        {
            "step": steps[index].name,
            "reading": position,
            "name": readings[position].name,
            "value": None if said.value is None else round(said.value, 3),
            "text": said.text,
            "wanders": said.noise is not Noise.QUIET,
        }
        for (index, position), said in sorted(group.prediction.items())
    ]


def _evidence(diagnosis: Diagnosis, group: Group, other: Group | None) -> str:
    said = _how_it_fits(diagnosis, group)
    if other is not None and (apart := _apart(diagnosis, group, other)):
        said += f" {apart}"
    return said


def _how_it_fits(diagnosis: Diagnosis, group: Group) -> str:
    spots = [spot for spot in diagnosis.seen if spot in group.prediction]
    numeric = [s for s in spots if diagnosis.seen[s].count and group.prediction[s].value is not None]
    if any(group.prediction[s].noise is Noise.WANDERING for s in spots):
        return "The readings wander through the range, whatever is done."
    if any(group.prediction[s].noise is Noise.CHATTER for s in spots):
        return "The readings jump between two levels."
    if ids := [s for s in spots if diagnosis.seen[s].text is not None]:
        right = [s for s in ids if diagnosis.seen[s].text == group.prediction[s].text]
        return f"It prints what was read at {_steps_text(diagnosis, right)}." if right else ""
    if all(group.prediction[s].value is None for s in spots):
        return "No answer comes: a value that stands for none is printed, or none at all."
    fits = [s for s in numeric if _off(diagnosis, group, s) <= group.prediction[s].half + group.prediction[s].grain]
    if not numeric:
        return "What is told in words agrees at " + _steps_text(diagnosis, spots) + "."
    largest = max((_off(diagnosis, group, s) for s in fits), default=0.0)
    unit = _unit(diagnosis, numeric[0])
    if not fits:
        return ""
    return f"It prints what was read at {_steps_text(diagnosis, fits)}, within {largest:.3g} {unit}".rstrip() + "."


def _off(diagnosis: Diagnosis, group: Group, spot: Spot) -> float:
    return abs(diagnosis.seen[spot].centre - (group.prediction[spot].value or 0.0))


def _steps_text(diagnosis: Diagnosis, spots: Sequence[Spot]) -> str:
    steps = list(dict.fromkeys(index for index, _ in spots))
    total = len({index for index, _ in diagnosis.seen})
    names = [f"“{diagnosis.case.exercise.steps[index].name}”" for index in steps]
    if len(steps) == total and total > 1:
        return "both steps" if total == 2 else f"all {total} steps"
    return " and ".join(names) or "no step"


def _unit(diagnosis: Diagnosis, spot: Spot) -> str:
    key = diagnosis.case.keys[spot[1]]
    return diagnosis.case.sheet.chains[key].formula.unit.symbol


def _apart(diagnosis: Diagnosis, group: Group, other: Group) -> str:
    """What the next explanation would print instead, where the two differ most."""
    best: tuple[float, Spot, PrintedReading] | None = None
    for spot in diagnosis.seen:
        one, two = group.prediction.get(spot), other.prediction.get(spot)
        if one is None or two is None or one.value is None:
            continue
        gap = 1e9 if two.value is None else abs(one.value - two.value) / max(two.half, two.grain, 1e-9)
        if best is None or gap > best[0]:
            best = (gap, spot, two)
    if best is None or best[0] < 1:
        return ""
    gap, spot, two = best
    title = other.first.fault.title
    would = (
        "prints no number" if two.value is None else f"would print {two.value:.4g} {_unit(diagnosis, spot)}".rstrip()
    )
    if two.noise is not Noise.QUIET:
        would = "would make the readings wander"
    return f"“{title}” {would} at “{diagnosis.case.exercise.steps[spot[0]].name}”."


def _against(diagnosis: Diagnosis, group: Group) -> str:
    worst: tuple[float, Spot] | None = None
    for spot, seen in diagnosis.seen.items():
        said = group.prediction.get(spot)
        if said is None or said.value is None or not seen.count or said.noise is not Noise.QUIET:
            continue
        over = _off(diagnosis, group, spot) / max(said.half + said.grain, 1e-9)
        if over > 1 and (worst is None or over > worst[0]):
            worst = (over, spot)
    if worst is None:
        return ""
    spot = worst[1]
    said = group.prediction[spot]
    unit = _unit(diagnosis, spot)
    name = diagnosis.case.exercise.steps[spot[0]].name
    return (
        f"At “{name}” it would print {said.value:.4g} {unit}, and {diagnosis.seen[spot].centre:.4g} was read.".replace(
            " ,", ","
        )
    )
