"""Marks of a docket and of a class. Reading them writes nothing."""

from datetime import datetime
from typing import Annotated, Any

from django.http import Http404, HttpRequest, HttpResponse
from ninja import Router
from pydantic import Field

from verifex.acts.events import newest, session_scope
from verifex.api.fields import Counter, Reason, Short
from verifex.api.http import Id, not_modified_or
from verifex.api.shape import Shape
from verifex.core.rulebook import RULES_VERSION
from verifex.dockets.access import docket_for_staff, done
from verifex.dockets.models import Docket
from verifex.dockets.schemas.acts import DoneOut, StationIn
from verifex.dockets.schemas.pair import MarkLineOut
from verifex.marks import services
from verifex.marks.book import Marked, marked
from verifex.marks.csv_out import marks_csv
from verifex.marks.models import ClosedMark
from verifex.marks.sheet import plain
from verifex.people.access import is_member, reader
from verifex.plan.access import session_for_staff
from verifex.plan.models import Session

router = Router(tags=["marks"])


class MarkRowOut(Shape):
    """A criterion; `proposed` and `counts` are None while there is nothing to mark yet, and where nobody judged it: then
    `to_decide` says that a person has to."""

    name: str
    title: str
    of: str
    proposed: str | None
    evidence: list[str]
    given: str | None
    reason: str
    by: str
    counts: str | None
    to_decide: bool = False


class SecondLookOut(Shape):
    """Something of the log that is worth a second look, for staff only."""

    rule: str
    seen: str
    why: str
    remedy: str


class StudentOut(Shape):
    id: int
    name: str
    absent: bool
    adjustment: str
    reason: str
    total: str


class ClosedBeforeOut(Shape):
    """A marking that was closed and reopened."""

    at: datetime
    by: str
    total: str
    of: str
    reopened_at: datetime
    reopened_by: str
    because: str


class DocketMarksOut(Shape):
    """`so_far`: part of it is not marked yet. `second_look`: the log is worth one, for `to_look_at`; closing asks what was
    decided about it, and `decided` says that of a closed one. `step` is what marks are multiples of."""

    revision: int
    scheme: int
    step: str
    rules_version: str
    criteria: list[MarkRowOut]
    total: str
    of: str
    so_far: bool
    closed: bool
    closed_at: datetime | None
    second_look: bool
    to_look_at: list[SecondLookOut]
    decided: str
    students: list[StudentOut]
    earlier: list[ClosedBeforeOut]


class GiveIn(Shape):
    criterion: Short
    marks: Annotated[str, Field(max_length=20)] | None
    reason: Reason = ""
    based_on: Counter | None = None


class CloseIn(Shape):
    """`second_look` is what was decided about a log that is worth one."""

    second_look: Reason = ""
    based_on: Counter | None = None


class StudentIn(Shape):
    user: Annotated[int, Field(ge=0, le=2**63 - 1)]
    absent: bool = False
    adjustment: Annotated[str, Field(max_length=20)] = "0"
    reason: Reason = ""
    based_on: Counter | None = None


class ClassRowOut(Shape):
    docket: int
    bench: int | None
    pair: str
    exercise: str
    criteria: dict[str, str]
    changed: list[str]
    total: str
    of: str
    so_far: bool
    closed: bool
    second_look: bool


class ClassSheetOut(Shape):
    """`of` is empty where exercises of the session give different marks for a criterion of that title."""

    titles: list[str]
    of: list[str]
    exercises: int
    rows: list[ClassRowOut]


class MyMarksOut(Shape):
    total: str
    of: str
    mine: str
    lines: list[MarkLineOut]


@router.get("/dockets/{docket_id}/marks", response=DocketMarksOut)
def docket_marks(request: HttpRequest, docket_id: Id) -> dict[str, Any]:
    """Proposed from today's evidence until it is closed; then as it was closed. What an instructor gave stays."""
    docket = docket_for_staff(request, docket_id)
    one = marked([docket])[0]
    return {
        "revision": docket.revision,
        "scheme": docket.scheme.number,
        "step": plain(docket.scheme.step),
        "rules_version": one.closed.rules_version if one.closed else RULES_VERSION,
        "criteria": one.sheet.rows,
        "total": plain(one.sheet.total),
        "of": plain(one.sheet.of),
        "so_far": one.sheet.so_far,
        "closed": one.closed is not None,
        "closed_at": one.closed.at if one.closed else None,
        "second_look": one.second_look,
        "to_look_at": [f.model_dump(include=set(SecondLookOut.model_fields)) for f in one.to_look_at],
        "decided": one.closed.second_look if one.closed else "",
        "students": one.students,
        "earlier": [_closed_before(c) for c in docket.closed_marks.filter(reopened_at__isnull=False)],
    }


def _closed_before(closed: ClosedMark) -> dict[str, Any]:
    return {
        "at": closed.at,
        "by": closed.by.get_full_name() if closed.by else "",
        "total": plain(closed.total),
        "of": plain(closed.of),
        "reopened_at": closed.reopened_at,
        "reopened_by": closed.reopened_by.get_full_name() if closed.reopened_by else "",
        "because": closed.reopened_because,
    }


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
    return not_modified_or(request, ["marks", session.pk, version], lambda: _class_json(marked(_dockets(session))))


def _class_json(rows: list[Marked]) -> dict[str, Any]:
    criteria: dict[str, set[str]] = {}
    for one in rows:
        for row in one.sheet.rows:
            criteria.setdefault(row["title"], set()).add(row["of"])
    return {
        "titles": list(criteria),
        "of": [of.pop() if len(of) == 1 else "" for of in criteria.values()],
        "exercises": len({one.docket.version.exercise_id for one in rows}),
        "rows": [
            {
                "docket": one.docket.pk,
                "bench": one.bench,
                "pair": one.docket.pair.name,
                "exercise": one.docket.version.exercise.title,
                "criteria": {row["title"]: row["counts"] or "–" for row in one.sheet.rows},
                "changed": [row["title"] for row in one.sheet.rows if row["given"] is not None],
                "total": plain(one.sheet.total),
                "of": plain(one.sheet.of),
                "so_far": one.sheet.so_far,
                "closed": one.closed is not None,
                "second_look": one.second_look,
            }
            for one in rows
        ],
    }


@router.get("/sessions/{session_id}/marks.csv", include_in_schema=False)
def class_csv(request: HttpRequest, session_id: Id) -> HttpResponse:
    rows = marked(_dockets(_class(request, session_id)))
    response = HttpResponse(marks_csv(rows), content_type="text/csv; charset=utf-8")
    response["Content-Disposition"] = 'attachment; filename="marks.csv"'
    return response


@router.get("/my/dockets/{docket_id}/marks", response=MyMarksOut)
def my_marks(request: HttpRequest, docket_id: Id) -> dict[str, Any]:
    """A pair's own marks, once marking is closed, as it was closed."""
    docket = Docket.objects.filter(pk=docket_id).select_related("pair").first()
    if docket is None or not is_member(reader(request), docket.pair):
        raise Http404
    closed = ClosedMark.objects.filter(docket=docket, reopened_at__isnull=True).first()
    if closed is None:
        raise Http404
    own = next((row for row in closed.students if row["id"] == reader(request).pk), None)
    lines = [{key: row[key] for key in ("title", "of", "counts", "evidence", "reason")} for row in closed.criteria]
    total = plain(closed.total)
    return {"total": total, "of": plain(closed.of), "mine": own["total"] if own else total, "lines": lines}
