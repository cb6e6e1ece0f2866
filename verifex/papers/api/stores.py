"""Papers of the stores: labels, the inspection list, what the coming sessions need."""

from typing import Annotated, Literal

from django.http import HttpRequest, HttpResponse
from ninja import Query, Router

from verifex.api.http import Id
from verifex.api.shape import Shape
from verifex.papers.label_sheets import SHEETS
from verifex.papers.labels import labels_of, labels_pdf
from verifex.papers.pdf import pdf_of
from verifex.papers.plan import plan_html, plan_of
from verifex.papers.refusals import UnknownSheet
from verifex.papers.stores import coming_pdf, inspection_pdf
from verifex.people.access import reader, sections_of
from verifex.plan.access import session_for_staff
from verifex.stores.access import require_store_staff

router = Router(tags=["papers"])


class LabelSheetOut(Shape):
    id: str
    title: str
    count: int


@router.get("/stores/label-sheets", response=list[LabelSheetOut])
def list_label_sheets(request: HttpRequest) -> list[LabelSheetOut]:
    """The sizes of sheets that labels can be printed on."""
    require_store_staff(reader(request))
    return [LabelSheetOut(id=sheet.id, title=sheet.title, count=sheet.count) for sheet in SHEETS.values()]


@router.get("/stores/labels.pdf")
def labels(
    request: HttpRequest,
    kind: Literal["kits", "modules", "drawers", "badges"] = "kits",
    sheet: Annotated[str, Query(max_length=20)] = "a4-24",
    first: int = 1,
    tags: Annotated[str, Query(max_length=8000)] = "",
) -> HttpResponse:
    """Labels of kits, modules, drawers or badges; `tags` with commas between them, or all. `first` is the first free label."""
    require_store_staff(reader(request))
    if sheet not in SHEETS:
        raise UnknownSheet(sheet)
    found = labels_of(reader(request), kind, tags.split(",") if tags else [])
    return _pdf(labels_pdf(found, SHEETS[sheet], first=first), f"labels-{kind}.pdf")


@router.get("/sessions/{session_id}/inspection.pdf")
def inspection(request: HttpRequest, session_id: Id) -> HttpResponse:
    """The inspection list of every kit that was out in a session."""
    return _pdf(inspection_pdf(session_for_staff(reader(request), session_id)), f"inspection-{session_id}.pdf")


@router.get("/sessions/{session_id}/picking.pdf")
def picking(request: HttpRequest, session_id: Id) -> HttpResponse:
    """Who sits where with which exercise in a session, and which kits to pick for it."""
    session = session_for_staff(reader(request), session_id)
    return _pdf(pdf_of(plan_html(session, plan_of(session))), f"picking-{session_id}.pdf")


@router.get("/stores/coming.pdf")
def coming_sessions(request: HttpRequest) -> HttpResponse:
    """What the coming sessions need, and what to order by when."""
    require_store_staff(reader(request))
    sections = sections_of(reader(request))
    return _pdf(coming_pdf(sections[0].course, sections), "coming-sessions.pdf")


def _pdf(content: bytes, name: str) -> HttpResponse:
    answer = HttpResponse(content, content_type="application/pdf")
    answer["Content-Disposition"] = f'inline; filename="{name}"'
    return answer
