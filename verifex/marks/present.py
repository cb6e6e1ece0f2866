"""Marks as the screens show them: of a docket, of a class, and what was closed before."""

from verifex.marks.book import Marked
from verifex.marks.models import ClosedMark
from verifex.marks.schemas import (
    ClassRowOut,
    ClassSheetOut,
    ClosedBeforeOut,
)
from verifex.marks.sheet import plain


def closed_before(closed: ClosedMark) -> ClosedBeforeOut:
    assert closed.reopened_at  # only what was reopened is shown so
    return ClosedBeforeOut(
        at=closed.at,
        by=closed.by.get_full_name() if closed.by else "",
        total=plain(closed.total),
        of=plain(closed.of),
        reopened_at=closed.reopened_at,
        reopened_by=closed.reopened_by.get_full_name() if closed.reopened_by else "",
        because=closed.reopened_because,
    )


def class_sheet_of(rows: list[Marked]) -> ClassSheetOut:
    criteria: dict[str, set[str]] = {}
    for one in rows:
        for row in one.sheet.rows:
            criteria.setdefault(row.title, set()).add(row.of)
    return ClassSheetOut(
        titles=list(criteria),
        of=[of.pop() if len(of) == 1 else "" for of in criteria.values()],
        exercises=len({one.docket.version.exercise_id for one in rows}),
        rows=[
            ClassRowOut(
                docket=one.docket.pk,
                bench=one.bench,
                pair=one.docket.pair.name,
                exercise=one.docket.version.exercise.title,
                criteria={row.title: row.counts or "–" for row in one.sheet.rows},
                changed=[row.title for row in one.sheet.rows if row.given is not None],
                total=plain(one.sheet.total),
                of=plain(one.sheet.of),
                so_far=one.sheet.so_far,
                closed=one.closed is not None,
                second_look=one.second_look,
            )
            for one in rows
        ],
    )
