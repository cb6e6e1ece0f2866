"""Marks of a docket and of a class."""

from typing import Any

from django.http import Http404, HttpRequest, HttpResponse
from ninja import Router, Schema

from verifex.dockets.models import Docket, State, Station
from verifex.dockets.schemas import DoneOut, MarkLineOut, StationIn
from verifex.dockets.stations import state_of
from verifex.dockets.views import bench_number, find_docket
from verifex.marks import services
from verifex.marks.csv_out import marks_csv
from verifex.people.access import is_member, reader, require_staff
from verifex.plan.models import Session

router = Router(tags=["marks"])


class MarkRowOut(Schema):
    name: str
    title: str
    of: str
    proposed: str
    evidence: list[str]
    given: str | None
    reason: str
    by: str
    counts: str


class StudentOut(Schema):
    id: int
    name: str
    absent: bool
    adjustment: str
    reason: str
    total: str


class DocketMarksOut(Schema):
    revision: int
    scheme: int
    rules_version: str
    criteria: list[MarkRowOut]
    total: str
    of: str
    closed: bool
    students: list[StudentOut]


class GiveIn(Schema):
    criterion: str
    marks: str | None
    reason: str = ""
    based_on: int | None = None


class StudentIn(Schema):
    user: int
    absent: bool = False
    adjustment: str = "0"
    reason: str = ""
    based_on: int | None = None


class ClassRowOut(Schema):
    docket: int
    bench: int | None
    pair: str
    criteria: dict[str, str]
    changed: list[str]
    total: str
    of: str
    closed: bool


class ClassSheetOut(Schema):
    titles: list[str]
    of: list[str]
    rows: list[ClassRowOut]


class MyMarksOut(Schema):
    total: str
    of: str
    mine: str
    lines: list[MarkLineOut]


def _for_staff(request: HttpRequest, docket_id: int) -> Docket:
    docket = find_docket(docket_id)
    require_staff(reader(request), docket.session.section)
    return docket


def _marks(docket: Docket) -> dict[str, Any]:
    proposal = services.make_proposal(docket)
    rows = services.marks_of(docket, proposal)
    total, most = services.total_of(rows)
    own = {row.user_id: row for row in docket.student_marks.all()}
    students = []
    for member in docket.pair.members.filter(until__isnull=True).select_related("user"):
        row = own.get(member.user_id)
        students.append(
            {
                "id": member.user_id,
                "name": member.user.get_full_name(),
                "absent": bool(row and row.absent),
                "adjustment": str(row.adjustment) if row else "0",
                "reason": row.reason if row else "",
                "total": services.student_total(row, total) if row else total,
            }
        )
    return {
        "revision": docket.revision,
        "scheme": docket.scheme.number,
        "rules_version": proposal.rules_version,
        "criteria": rows,
        "total": total,
        "of": most,
        "closed": state_of(docket, Station.MARK) == State.PASSED,
        "students": students,
    }


@router.get("/dockets/{docket_id}/marks", response=DocketMarksOut)
def docket_marks(request: HttpRequest, docket_id: int) -> dict[str, Any]:
    """Proposed anew from today's evidence; what an instructor gave stays."""
    return _marks(_for_staff(request, docket_id))


@router.post("/dockets/{docket_id}/marks", response=DoneOut)
def give(request: HttpRequest, docket_id: int, data: GiveIn) -> dict[str, int]:
    services.give_mark(reader(request), docket_id, data.criterion, data.marks, data.reason, based_on=data.based_on)
    return {"revision": Docket.objects.get(pk=docket_id).revision}


@router.post("/dockets/{docket_id}/students", response=DoneOut)
def student(request: HttpRequest, docket_id: int, data: StudentIn) -> dict[str, int]:
    services.set_student(
        reader(request),
        docket_id,
        data.user,
        absent=data.absent,
        adjustment=data.adjustment,
        reason=data.reason,
        based_on=data.based_on,
    )
    return {"revision": Docket.objects.get(pk=docket_id).revision}


@router.post("/dockets/{docket_id}/close-marking", response=DoneOut)
def close(request: HttpRequest, docket_id: int, data: StationIn) -> dict[str, int]:
    services.close_marking(reader(request), docket_id, based_on=data.based_on)
    return {"revision": Docket.objects.get(pk=docket_id).revision}


def _class(request: HttpRequest, session_id: int) -> list[Docket]:
    session = Session.objects.select_related("section").get(pk=session_id)
    require_staff(reader(request), session.section)
    dockets = Docket.objects.filter(session=session).select_related(
        "pair", "session__section", "version__exercise", "scheme"
    )
    return sorted(dockets, key=lambda d: bench_number(d) or 0)


@router.get("/sessions/{session_id}/marks", response=ClassSheetOut)
def class_sheet(request: HttpRequest, session_id: int) -> dict[str, Any]:
    dockets = _class(request, session_id)
    criteria = {c["title"]: c["of"] for docket in dockets for c in docket.scheme.criteria}
    out = []
    for docket in dockets:
        rows = services.marks_of(docket)
        total, most = services.total_of(rows)
        out.append(
            {
                "docket": docket.pk,
                "bench": bench_number(docket),
                "pair": docket.pair.name,
                "criteria": {row["title"]: row["counts"] for row in rows},
                "changed": [row["title"] for row in rows if row["given"] is not None],
                "total": total,
                "of": most,
                "closed": state_of(docket, Station.MARK) == State.PASSED,
            }
        )
    return {"titles": list(criteria), "of": list(criteria.values()), "rows": out}


@router.get("/sessions/{session_id}/marks.csv", include_in_schema=False)
def class_csv(request: HttpRequest, session_id: int) -> HttpResponse:
    response = HttpResponse(marks_csv(_class(request, session_id)), content_type="text/csv; charset=utf-8")
    response["Content-Disposition"] = 'attachment; filename="marks.csv"'
    return response


@router.get("/my/dockets/{docket_id}/marks", response=MyMarksOut)
def my_marks(request: HttpRequest, docket_id: int) -> dict[str, Any]:
    """A pair's own marks, once marking is closed."""
    docket = Docket.objects.filter(pk=docket_id).select_related("pair").first()
    if docket is None or not is_member(reader(request), docket.pair) or state_of(docket, Station.MARK) != State.PASSED:
        raise Http404
    docket = find_docket(docket_id)
    rows = services.marks_of(docket, docket.proposals.order_by("-id").first())
    total, most = services.total_of(rows)
    own = docket.student_marks.filter(user=reader(request)).first()
    lines = [{key: row[key] for key in ("title", "of", "counts", "evidence", "reason")} for row in rows]
    return {"total": total, "of": most, "mine": services.student_total(own, total) if own else total, "lines": lines}
