"""The stores: kits and their readiness."""

from collections import Counter
from collections.abc import Mapping
from datetime import timedelta
from typing import Any

from django.http import HttpRequest, HttpResponse
from ninja import Router

from verifex.acts import clock
from verifex.acts.refusals import NotAllowed
from verifex.api.http import Id
from verifex.exercises.models import Exercise
from verifex.people.access import courses_of, reader, sections_of
from verifex.people.models import Section
from verifex.plan.models import Session
from verifex.stores.coming import HEAD, cells, coming, swap_text
from verifex.stores.models import Kit, KitIssue, PartTest
from verifex.stores.readiness import Readiness, Recipe, places_for, readiness, recipes, whole_kits
from verifex.stores.schemas.kits import (
    ComingOut,
    FillOut,
    KitPartOut,
    KitRowOut,
    KitTestAnsweredOut,
    KitTestAnswerIn,
    KitTestOut,
)
from verifex.stores.services.part_tests import answer_test
from verifex.tables.write import as_csv

router = Router(tags=["stores"])
NEAR = timedelta(hours=20)


@router.get("/stores/coming", response=list[ComingOut])
def list_coming(request: HttpRequest) -> list[ComingOut]:
    """The coming sessions of the reader's sections, with what is ready for them and what is not."""
    return [
        ComingOut(
            session=row.session.pk,
            starts_at=row.session.starts_at,
            section=row.session.section.name,
            exercise=row.exercise.title,
            pairs=row.pairs,
            ready=row.ready,
            to_test=list(row.to_test),
            swap=[f"{tag}: {swap_text(taken)}" for tag, taken in row.completed.items()],
            fill=[FillOut(tag=tag, what=list(lacks)) for tag, lacks in row.filled.items()],
            missing=[f"{count} × {part}" for part, count in row.missing.items()],
            short=row.short,
        )
        for row in coming(_own_sections(request))
    ]


@router.get("/stores/coming.csv", include_in_schema=False)
def coming_as_csv(request: HttpRequest) -> HttpResponse:
    """The same as a table."""
    answer = HttpResponse(
        as_csv(HEAD, map(cells, coming(_own_sections(request)))), content_type="text/csv; charset=utf-8"
    )
    answer["Content-Disposition"] = 'attachment; filename="coming-sessions.csv"'
    return answer


def _own_sections(request: HttpRequest) -> list[Section]:
    sections = sections_of(reader(request))
    if not sections:
        raise NotAllowed("Only staff may see the stores.")
    return list(sections)


@router.get("/kits", response=list[KitRowOut])
def list_kits(request: HttpRequest) -> list[dict[str, Any]]:
    """Every kit with its state, why it cannot go out, and who has it."""
    if not sections_of(reader(request)):
        raise NotAllowed("Only staff may see the stores.")
    kits = whole_kits().filter(exercise__course__in=courses_of(reader(request)))
    order = ["ready", "to-test", "incomplete", "repair", "out"]
    own = {section.pk for section in sections_of(reader(request))}
    titles = dict(Exercise.objects.filter(course__in=courses_of(reader(request))).values_list("pk", "title"))
    asked = recipes(titles)
    planned = _planned_today(own)
    rows = [{**_row(kit, own, asked, titles), "planned": kit.exercise_id in planned} for kit in kits]
    return sorted(rows, key=lambda row: (order.index(row["state"]), row["tag"]))


def _planned_today(section_ids: set[int]) -> set[int]:
    """Exercises of the sessions that run now or begin within a day."""
    now = clock.now()
    sessions = Session.objects.filter(section__in=section_ids, ends_at__gt=now - NEAR, starts_at__lt=now + NEAR)
    return set(sessions.values_list("planned__exercise", flat=True)) - {None}


def _row(kit: Kit, own_sections: set[int], asked: Mapping[int, Recipe], titles: Mapping[int, str]) -> dict[str, Any]:
    """Who has a kit is shown only to the staff of that section."""
    held = next((i for i in kit.issues.all() if i.returned_at is None), None)
    told = held is None or held.session.section_id in own_sections
    ready = readiness(kit, may_name_holder=told, recipe=asked.get(kit.exercise_id, ()))
    also = [
        titles[pk]
        for pk, recipe in asked.items()
        if pk != kit.exercise_id and recipe and places_for(kit, recipe) is not None
    ]
    return {**_row_json(kit, ready, held if told else None), "serves": also}


def _tests(kit: Kit) -> list[KitTestOut]:
    """What has to be tested, with how often that part was broken before."""
    tests = list(kit.tests.all())
    broken = Counter(test.ref for test in tests if test.outcome == PartTest.Outcome.BROKEN)
    return [
        KitTestOut(id=test.pk, ref=test.ref, title=test.title, because=test.because, how=test.how, well=test.well, broken_before=broken[test.ref])
        for test in tests
        if test.outcome == PartTest.Outcome.OPEN
    ]  # fmt: skip


@router.post("/kits/tests/{test_id}", response=KitTestAnsweredOut)
def answer_kit_test(request: HttpRequest, test_id: Id, data: KitTestAnswerIn) -> dict[str, str]:
    """What a test of a part came to: it is well, or it is broken and missing from its kit."""
    test = answer_test(reader(request), test_id, is_well=data.is_well, note=data.note)
    said = "is well" if data.is_well else "is broken; the kit lacks it now"
    return {"message": f"{test.title} of {test.kit.tag} {said}."}


def _row_json(kit: Kit, ready: Readiness, issue: KitIssue | None) -> dict[str, Any]:
    return {
        "id": kit.pk,
        "tag": kit.tag,
        "exercise": kit.exercise.title,
        "state": ready.state,
        "reason": ready.reason,
        "why": ready.why,
        "holder": issue.pair.name if issue else "",
        "issue_id": issue.pk if issue else None,
        "docket_pair": issue.pair_id if issue else None,
        "parts": [
            KitPartOut(
                ref=p.ref, part=p.part, title=p.title, present=p.present, module=p.module.tag if p.module else ""
            )
            for p in kit.parts.all()
        ],
        "leg_orders": kit.leg_orders,
        "tests": _tests(kit),
        "substitutions": [f"{s.ref}: {s.ohms:g} Ω, {s.reason}" for s in issue.substitutions.all()] if issue else [],
    }
