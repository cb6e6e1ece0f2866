"""Ranks every fault of a case by how well it explains the whole log."""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass, replace
from math import exp, log

from verifex.core.diagnosis.case import BenchCase
from verifex.core.diagnosis.faults import faults_of
from verifex.core.diagnosis.faults.priors import NOTHING
from verifex.core.diagnosis.likelihood import log_likelihood
from verifex.core.diagnosis.model import Fault, Prediction, PrintedReading, Spot
from verifex.core.diagnosis.observe import ObservedReading
from verifex.core.diagnosis.raw import FaultBench
from verifex.core.diagnosis.simulate import predict

TOLD_APART = 0.2  # of the likelier one's share: from here an act has distinguished two faults
ALIKE_GRAINS = 1.5  # predictions nearer than this at every step cannot be distinguished by any log


@dataclass(frozen=True, slots=True)
class Candidate:
    """A fault with what its bench prints, its score (logarithm of prior times likelihood) and its share of all."""

    fault: Fault
    case: BenchCase
    prediction: Prediction
    score: float
    share: float = 0.0


@dataclass(frozen=True, slots=True)
class Group:
    """Faults that no log tells apart, the likeliest first."""

    candidates: tuple[Candidate, ...]
    share: float

    @property
    def first(self) -> Candidate:
        return self.candidates[0]

    @property
    def prediction(self) -> Prediction:
        return self.first.prediction


@dataclass(frozen=True, slots=True)
class Ranking:
    """Groups by their share, the likeliest first; `nothing` is the share of none of them."""

    groups: tuple[Group, ...]
    nothing: float
    sound: Prediction


def candidates(case: BenchCase, fault_bench: FaultBench) -> list[Candidate]:
    """Every fault that changes what this bench prints, with its prediction; the score is that of its prior."""
    sound = predict(case, fault_bench)
    found: list[Candidate] = []
    known: dict[object, int] = {}
    for fault in faults_of(case):
        changed = fault.apply(case)
        view = fault_bench.view(changed)
        if view is not None and changed.bench is not None and view.shorted:
            continue  # no log comes from a bench whose supply is shorted
        prediction = predict(changed, fault_bench)
        if is_alike(prediction, sound):
            continue
        key = (fault.slug, fault.where, fault_bench.signature(changed)) if changed.bench is not None else object()
        if key in known:  # another way to the same circuit: named with the first one
            first = found[known[key]]
            found[known[key]] = replace(first, score=_added(first.score, log(fault.prior)))
            continue
        known[key] = len(found)
        found.append(Candidate(fault, changed, prediction, log(fault.prior)))
    return found


def _added(one: float, other: float) -> float:
    return max(one, other) + log(1 + exp(-abs(one - other)))


def rank(
    found: Sequence[Candidate],
    seen: Mapping[Spot, ObservedReading],
    sound: Prediction,
    nothing: float,
    more: Mapping[int, float] | None = None,
) -> Ranking:
    """`nothing` is the logarithm of the likelihood of a log that no fault explains; `more` adds to scores by index."""
    grain = _grains(sound)
    scored = []
    for index, one in enumerate(found):
        score = one.score + log_likelihood(seen, one.prediction, grain) + (more or {}).get(index, 0.0)
        scored.append(replace(one, score=score))
    none = log(NOTHING) + nothing
    top = max([one.score for one in scored] + [none])
    total = sum(exp(one.score - top) for one in scored) + exp(none - top)
    shared = [replace(one, share=exp(one.score - top) / total) for one in scored]
    shared.sort(key=lambda one: -one.share)
    return Ranking(tuple(_grouped(shared)), exp(none - top) / total, sound)


def regrouped(ranking: Ranking, candidates: Sequence[Candidate]) -> Ranking:
    """The ranking with other shares. What an act has distinguished is no tie any more, so faults of very different share do not
    stand in one group."""
    ranked = sorted(candidates, key=lambda one: -one.share)
    groups: list[list[Candidate]] = []
    for one in ranked:
        alike = next(
            (g for g in groups if is_alike(g[0].prediction, one.prediction) and one.share > TOLD_APART * g[0].share),
            None,
        )
        (alike.append(one) if alike is not None else groups.append([one]))
    made = [Group(tuple(g), sum(one.share for one in g)) for g in groups]
    return Ranking(tuple(sorted(made, key=lambda group: -group.share)), ranking.nothing, ranking.sound)


def _grouped(ranked: Sequence[Candidate]) -> list[Group]:
    groups: list[list[Candidate]] = []
    for one in ranked:
        if one.share < 1e-4 and len(groups) > 6:
            break
        alike = next((g for g in groups if is_alike(g[0].prediction, one.prediction)), None)
        (alike.append(one) if alike is not None else groups.append([one]))
    made = [Group(tuple(g), sum(one.share for one in g)) for g in groups]
    return sorted(made, key=lambda group: -group.share)


def is_alike(one: Prediction, other: Prediction) -> bool:
    """Whether no log tells two predictions apart."""
    return all(spot in other and _same(said, other[spot]) for spot, said in one.items())


def _same(one: PrintedReading, other: PrintedReading) -> bool:
    if one.text != other.text:
        return False
    if one.value is None or other.value is None:
        return one.value is other.value
    if one.outside != other.outside:
        return False
    if one.noise is not other.noise or one.there != other.there or abs(one.rises - other.rises) > 0.05:
        return False
    blurred = {
        name for name in {*one.effects, *other.effects} if name.split()[0] in ("an", "contact", "warming", "corroding")
    }
    if any(
        abs(one.effects.get(n, 0.0) - other.effects.get(n, 0.0)) > ALIKE_GRAINS * max(one.grain, other.grain)
        for n in blurred
    ):
        return False
    return abs(one.value - other.value) <= ALIKE_GRAINS * max(one.grain, other.grain)


def _grains(sound: Prediction) -> dict[int, float]:
    found: dict[int, float] = {}
    for (_, position), said in sound.items():
        found[position] = max(found.get(position, 0.0), said.grain)
    return found
