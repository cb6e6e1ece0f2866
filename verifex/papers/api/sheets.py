"""Papers to hand out: one page a pair, or the whole class as one file."""

from typing import Any

from django.http import HttpRequest, HttpResponse
from ninja import Router

from verifex.api.http import Id
from verifex.api.shape import Shape
from verifex.dockets.access import docket_for_staff, own_docket
from verifex.dockets.models import Docket
from verifex.dockets.present.parts import bench_number
from verifex.papers.pdf import pdf_of
from verifex.papers.refusals import NoDocketToPrint
from verifex.papers.sheets import sheet_html
from verifex.people.access import reader
from verifex.plan.access import session_for_staff
from verifex.work.long_work import start
from verifex.work.schemas import WorkOut, work_json

router = Router(tags=["papers"])


class PapersIn(Shape):
    answers: bool = True


def _answer(docket: Docket, *, answers: bool) -> HttpResponse:
    kind = "sheet" if answers else "prediction"
    response = HttpResponse(pdf_of(sheet_html(docket, answers=answers)), content_type="application/pdf")
    response["Content-Disposition"] = f'inline; filename="{kind}-bench-{bench_number(docket)}.pdf"'
    return response


@router.get("/dockets/{docket_id}/sheet.pdf")
def sheet_paper(request: HttpRequest, docket_id: Id, answers: bool = True) -> HttpResponse:
    """The answer key of one pair's own bench, or its page for predictions."""
    return _answer(docket_for_staff(request, docket_id), answers=answers)


@router.get("/my/dockets/{docket_id}/prediction.pdf")
def prediction_paper(request: HttpRequest, docket_id: Id) -> HttpResponse:
    """A pair's own page to predict on, without answers."""
    return _answer(own_docket(request, docket_id), answers=False)


@router.post("/sessions/{session_id}/papers", response=WorkOut)
def class_papers(request: HttpRequest, session_id: Id, data: PapersIn) -> dict[str, Any]:
    """Begin the papers of a whole session; the answer says how far they are."""
    session = session_for_staff(reader(request), session_id)
    if not session.dockets.exists():
        raise NoDocketToPrint()
    return work_json(start("class-sheets", reader(request), {"session": session_id, "answers": data.answers}))
