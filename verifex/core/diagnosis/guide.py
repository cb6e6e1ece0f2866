"""The next act at the bench: what tells most, a second, of what is still likely; and how results move the ranking."""

from collections.abc import Mapping
from dataclasses import dataclass, replace

from verifex.core.diagnosis.acts import Act, acts_for, best_acts, log_odds, posterior
from verifex.core.diagnosis.explain import Diagnosis
from verifex.core.diagnosis.rank import Candidate, regrouped

MOST_WEIGHED = 24  # candidates that acts are weighed for, the likeliest ones
LEAST_SHARE = 0.002
MOST_ACTS = 3


def likely(diagnosis: Diagnosis) -> list[tuple[int, Candidate]]:
    """The candidates that are still worth an act, with a number each."""
    ranked = [one for group in diagnosis.ranking.groups for one in group.candidates]
    ranked.sort(key=lambda one: -one.share)
    return list(enumerate([one for one in ranked if one.share > LEAST_SHARE][:MOST_WEIGHED]))


@dataclass(frozen=True, slots=True)
class Guided:
    """The diagnosis after the acts that were `done`, the acts that now tell most (`next`, the best first), and the
    `candidates` that the acts' outcomes count by."""

    diagnosis: Diagnosis
    done: tuple[Act, ...]
    next: tuple[Act, ...]
    candidates: tuple[Candidate, ...]


def with_results(diagnosis: Diagnosis, results: Mapping[str, float]) -> Guided:
    """What results of acts (by slug: a meter's number, or the number of the choice) make of a diagnosis."""
    candidates = likely(diagnosis)
    acts = acts_for(diagnosis.case, diagnosis.fault_bench, candidates)
    done = [act for act in acts if act.slug in results]
    before = {index: one.share for index, one in candidates}
    shares = posterior(before, [log_odds(act, results[act.slug]) for act in done]) if done else before
    if done:
        known = sum(before.values())
        scale = known + diagnosis.ranking.nothing or 1.0
        ranked = [replace(one, share=shares[index] * known / scale) for index, one in candidates]
        diagnosis = replace(diagnosis, ranking=regrouped(diagnosis.ranking, ranked))
    following = best_acts([act for act in acts if act.slug not in results], shares)[:MOST_ACTS]
    return Guided(diagnosis, tuple(done), tuple(following), tuple(one for _, one in candidates))
