"""The stores: kits and their readiness."""

from typing import Any

from django.http import HttpRequest
from ninja import Router

from verifex.acts.refusals import NotAllowed
from verifex.core.quantity import in_words
from verifex.people.access import courses_of, reader, sections_of
from verifex.stores.models import Kit, KitIssue, StockResistor
from verifex.stores.schemas import KitRowOut, StockResistorOut
from verifex.stores.services import Readiness, Recipe, readiness, recipes

router = Router(tags=["stores"])


@router.get("/stock/resistors", response=list[StockResistorOut])
def list_resistors(request: HttpRequest) -> list[dict[str, Any]]:
    """The resistors in the drawers, by value."""
    if not sections_of(reader(request)):
        raise NotAllowed("Only staff may see the stores.")
    return [
        {
            "ohms": row.ohms,
            "said": in_words(row.ohms, "Ω"),
            "tolerance_percent": row.tolerance_percent,
            "rated_watts": row.rated_watts,
            "count": row.count,
            "drawer": row.drawer,
        }
        for row in StockResistor.objects.all()
    ]


@router.get("/kits", response=list[KitRowOut])
def list_kits(request: HttpRequest) -> list[dict[str, Any]]:
    """Every kit with its state, why it cannot go out, and who has it."""
    if not sections_of(reader(request)):
        raise NotAllowed("Only staff may see the stores.")
    kits = Kit.objects.filter(exercise__course__in=courses_of(reader(request))).select_related("exercise")
    kits = kits.prefetch_related("parts", "issues__pair", "issues__session", "issues__substitutions")
    order = ["ready", "incomplete", "repair", "out"]
    own = {section.pk for section in sections_of(reader(request))}
    asked = recipes(kit.exercise_id for kit in kits)
    rows = [_row(kit, own, asked.get(kit.exercise_id, ())) for kit in kits]
    return sorted(rows, key=lambda row: (order.index(row["state"]), row["tag"]))


def _row(kit: Kit, own_sections: set[int], recipe: Recipe) -> dict[str, Any]:
    """Who has a kit is told only to the staff of that section."""
    held = next((i for i in kit.issues.all() if i.returned_at is None), None)
    told = held is None or held.session.section_id in own_sections
    ready = readiness(kit, may_name_holder=told, recipe=recipe)
    issue = held if told else None
    return _row_json(kit, ready, issue)


def _row_json(kit: Kit, ready: Readiness, issue: KitIssue | None) -> dict[str, Any]:
    return {
        "id": kit.pk,
        "tag": kit.tag,
        "exercise": kit.exercise.title,
        "state": ready.state,
        "reason": ready.reason,
        "holder": issue.pair.name if issue else "",
        "issue_id": issue.pk if issue else None,
        "docket_pair": issue.pair_id if issue else None,
        "parts": [{"ref": p.ref, "part": p.part, "title": p.title, "present": p.present} for p in kit.parts.all()],
        "leg_orders": kit.leg_orders,
        "substitutions": [f"{s.ref}: {s.ohms:g} Ω, {s.reason}" for s in issue.substitutions.all()] if issue else [],
    }
