"""The first page of a session's papers: who sits where with which exercise, and what has to be picked for it."""

from collections import Counter
from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from typing import Any

from verifex.exercises.models import ExerciseVersion
from verifex.papers.page import page_html
from verifex.people.models import Pair, PairMember
from verifex.plan.models import Session
from verifex.plan.services.seats import pairs_here
from verifex.stores.readiness import readiness, recipes, whole_kits


@dataclass(frozen=True, slots=True)
class Plan:
    """Who does what in a session: pairs in the order of their benches, benches and exercises by pair, the version of each exercise."""

    pairs: Sequence[Pair]
    benches: Mapping[int, int]
    does: Mapping[int, int]
    versions: Mapping[int, ExerciseVersion]


def plan_of(session: Session) -> Plan:
    benches = dict(session.seats.values_list("pair_id", "bench"))
    released = ExerciseVersion.objects.filter(exercise__planned__session=session, released_at__isnull=False)
    return Plan(
        pairs=sorted(pairs_here(session), key=lambda pair: (benches.get(pair.pk, 1000), pair.badge)),
        benches=benches,
        does=dict(session.assignments.values_list("pair_id", "exercise_id")),
        versions={v.exercise_id: v for v in released.select_related("exercise").order_by("number")},
    )


def plan_html(session: Session, plan: Plan) -> str:
    """The page as HTML."""
    pairs, benches, does, versions = plan.pairs, plan.benches, plan.does, plan.versions
    names: dict[int, list[str]] = {}
    for member in PairMember.objects.filter(pair__in=pairs, until=None).select_related("user").order_by("id"):
        names.setdefault(member.pair_id, []).append(member.user.get_full_name())
    rows = [
        {
            "bench": benches.get(pair.pk, ""),
            "pair": ", ".join(names.get(pair.pk, [pair.name])),
            "badge": pair.badge,
            "exercise": versions[does[pair.pk]].exercise.title if does.get(pair.pk) in versions else "",
        }
        for pair in pairs
    ]
    picking = [_picking(version, list(does.values()).count(pk)) for pk, version in versions.items()]
    return page_html("plan", session.section.course, {"session": session, "rows": rows, "picking": picking})


def _picking(version: ExerciseVersion, pairs: int) -> dict[str, Any]:
    """Kits of an exercise that can go out, and what each holds."""
    kits = whole_kits().filter(exercise=version.exercise_id)
    recipe = recipes([version.exercise_id]).get(version.exercise_id, ())
    ready = [kit.tag for kit in kits if readiness(kit, recipe=recipe).state == "ready"]
    held = Counter(part.title or part.part for part in recipe)
    return {
        "exercise": version.exercise.title,
        "pairs": pairs,
        "tags": ready[: max(pairs, 1)] if pairs else ready,
        "short": max(0, pairs - len(ready)),
        "parts": [f"{count} × {title}" if count > 1 else title for title, count in held.items()],
        "cautions": version.file.cautions,
    }
