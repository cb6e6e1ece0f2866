"""Marks of a docket and of a class. Reading them writes nothing."""

from typing import Any

from django.http import Http404, HttpRequest, HttpResponse
from ninja import Router

from verifex.acts.events import newest, session_scope
from verifex.api.http import Id, not_modified_or
from verifex.core.rulebook import RULES_VERSION
from verifex.dockets.access import docket_for_staff, done
from verifex.dockets.models import Docket
from verifex.dockets.schemas.acts import DoneOut, StationIn
from verifex.dockets.schemas.pair import MarkLineOut
from verifex.marks import services
from verifex.marks.book import marked
from verifex.marks.csv_out import marks_csv
from verifex.marks.models import ClosedMark
from verifex.marks.present import class_sheet_of, closed_before
from verifex.marks.schemas import (
    ClassSheetOut,
    CloseIn,
    DocketMarksOut,
    GiveIn,
    MyMarksOut,
    SecondLookOut,
    StudentIn,
    StudentOut,
)
from verifex.marks.sheet import plain
from verifex.people.access import is_member, reader
from verifex.plan.access import session_for_staff
from verifex.plan.models import Session

"""Marks of a docket and of a class. Reading them writes nothing."""


router = Router(tags=["marks"])


@router.get("/dockets/{docket_id}/marks", response=DocketMarksOut)
def docket_marks(request: HttpRequest, docket_id: Id) -> DocketMarksOut:
    """Proposed from today's evidence until it is closed; then as it was closed. What an instructor gave stays."""
    docket = docket_for_staff(request, docket_id)
    one = marked([docket])[0]
    return DocketMarksOut(
        revision=docket.revision,
        scheme=docket.scheme.number,
        step=plain(docket.scheme.step),
        rules_version=one.closed.rules_version if one.closed else RULES_VERSION,
        criteria=one.sheet.rows,
        total=plain(one.sheet.total),
        of=plain(one.sheet.of),
        so_far=one.sheet.so_far,
        closed=one.closed is not None,
        closed_at=one.closed.at if one.closed else None,
        second_look=one.second_look,
        to_look_at=[SecondLookOut.model_validate(finding) for finding in one.to_look_at],
        decided=one.closed.second_look if one.closed else "",
        students=[StudentOut.model_validate(row) for row in one.students],
        earlier=[closed_before(c) for c in docket.closed_marks.filter(reopened_at__isnull=False)],
    )


@router.post("/dockets/{docket_id}/marks", response=DoneOut)
def give(request: HttpRequest, docket_id: Id, data: GiveIn) -> dict[str, int]:
    services.give_mark(reader(request), docket_id, data.criterion, data.marks, data.reason, based_on=data.based_on)
    return done(docket_id)


@router.post("/dockets/{docket_id}/students", response=DoneOut)
def student(request: HttpRequest, docket_id: Id, data: StudentIn) -> dict[str, int]:
    services.set_student(
        reader(request),
        docket_id,
        data.user,
        absent=data.absent,
        adjustment=data.adjustment,
        reason=data.reason,
        based_on=data.based_on,
    )
    return done(docket_id)


@router.post("/dockets/{docket_id}/close-marking", response=DoneOut)
def close(request: HttpRequest, docket_id: Id, data: CloseIn) -> dict[str, int]:
    services.close_marking(reader(request), docket_id, based_on=data.based_on, second_look=data.second_look)
    return done(docket_id)


@router.post("/dockets/{docket_id}/reopen-marking", response=DoneOut)
def reopen(request: HttpRequest, docket_id: Id, data: StationIn) -> dict[str, int]:
    """Open a closed marking again, with the reason; what was closed is kept beside what comes."""
    services.reopen_marking(reader(request), docket_id, based_on=data.based_on, reason=data.reason)
    return done(docket_id)


def _class(request: HttpRequest, session_id: int) -> Session:
    return session_for_staff(reader(request), session_id)


def _dockets(session: Session) -> list[Docket]:
    related = ("pair", "session__section", "version__exercise", "scheme")
    return list(Docket.objects.filter(session=session).select_related(*related))


@router.get("/sessions/{session_id}/marks", response=ClassSheetOut)
def class_sheet(request: HttpRequest, session_id: Id) -> Any:
    session = _class(request, session_id)
    version = newest([session_scope(session.pk), "stores"])
    return not_modified_or(request, ["marks", session.pk, version], lambda: class_sheet_of(marked(_dockets(session))))


@router.get("/sessions/{session_id}/marks.csv", include_in_schema=False)
def class_csv(request: HttpRequest, session_id: Id) -> HttpResponse:
    rows = marked(_dockets(_class(request, session_id)))
    response = HttpResponse(marks_csv(rows), content_type="text/csv; charset=utf-8")
    response["Content-Disposition"] = 'attachment; filename="marks.csv"'
    return response


@router.get("/my/dockets/{docket_id}/marks", response=MyMarksOut)
def my_marks(request: HttpRequest, docket_id: Id) -> MyMarksOut:
    """A pair's own marks, once marking is closed, as it was closed."""
    docket = Docket.objects.filter(pk=docket_id).select_related("pair").first()
    if docket is None or not is_member(reader(request), docket.pair):
        raise Http404
    closed = ClosedMark.objects.filter(docket=docket, reopened_at__isnull=True).first()
    if closed is None:
        raise Http404
    own = next((row for row in closed.students if row["id"] == reader(request).pk), None)
    lines = [MarkLineOut.model_validate(row) for row in closed.criteria]
    total = plain(closed.total)
    return MyMarksOut(total=total, of=plain(closed.of), mine=own["total"] if own else total, lines=lines)
