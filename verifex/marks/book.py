"""The marks of a class: every docket of a session with its sheet and its students, in a fixed number of queries."""

from collections import defaultdict
from dataclasses import dataclass
from decimal import Decimal
from typing import Any

from verifex.core.assess import FindingRecord
from verifex.dockets.models import Docket
from verifex.marks.evidence import shown
from verifex.marks.models import ClosedMark, GivenMark, StudentMark
from verifex.marks.services import student_row
from verifex.marks.sheet import MarkSheet, sheet_as_closed, sheet_of
from verifex.people.models import PairMember
from verifex.plan.models import Absence, Seat


@dataclass(frozen=True, slots=True)
class Marked:
    """One docket of a class; `closed` is its snapshot, from which then everything comes."""

    docket: Docket
    bench: int | None
    sheet: MarkSheet
    students: list[dict[str, Any]]
    closed: ClosedMark | None
    second_look: bool
    to_look_at: list[FindingRecord]


def marked(dockets: list[Docket]) -> list[Marked]:
    """In the order of the benches."""
    ids = [docket.pk for docket in dockets]
    sessions = {docket.session_id for docket in dockets}
    seats = {(s, p): b for s, p, b in Seat.objects.filter(session__in=sessions).values_list("session", "pair", "bench")}
    closed = {c.docket_id: c for c in ClosedMark.objects.filter(docket__in=ids, reopened_at__isnull=True)}
    given: dict[int, dict[str, GivenMark]] = defaultdict(dict)
    for mark in GivenMark.objects.filter(docket__in=ids).select_related("by"):
        given[mark.docket_id][mark.criterion] = mark
    own: dict[tuple[int, int], StudentMark] = {
        (row.docket_id, row.user_id): row for row in StudentMark.objects.filter(docket__in=ids)
    }
    members: dict[int, list[PairMember]] = defaultdict(list)
    pairs = {docket.pair_id for docket in dockets}
    for member in PairMember.objects.filter(pair__in=pairs).select_related("user").order_by("id"):
        members[member.pair_id].append(member)
    away = set(Absence.objects.filter(session__in=sessions).values_list("session_id", "user_id"))
    open_ = shown(dockets)
    found = []
    for docket in dockets:
        snapshot = closed.get(docket.pk)
        one = open_[docket.pk]
        sheet = sheet_as_closed(snapshot) if snapshot else sheet_of(one, given[docket.pk], final=False)
        total = Decimal(sheet.total)
        students = (
            list(snapshot.students)
            if snapshot
            else [
                student_row(
                    m.user,
                    own.get((docket.pk, m.user_id)),
                    total,
                    away=(docket.session_id, m.user_id) in away,
                )
                for m in members[docket.pair_id]
                if _took_part(m, docket)
            ]
        )
        bench = seats.get((docket.session_id, docket.pair_id))
        found.append(Marked(docket, bench, sheet, students, snapshot, one.second_look, one.to_look_at))
    return sorted(found, key=lambda m: (m.bench or 0, m.docket.pk))


def _took_part(member: PairMember, docket: Docket) -> bool:
    """Whether someone was in the pair while it worked on the docket, and not only before or after."""
    ended = member.until is not None and member.until <= docket.opened_at
    return not ended and member.since < docket.session.ends_at
