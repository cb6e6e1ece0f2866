"""Giving marks, closing the marking and reopening it: the only writers of marks."""

from decimal import Decimal, InvalidOperation

from django.db import transaction

from verifex.acts import clock
from verifex.core.assess.judged_with import catalogue_digest
from verifex.core.rulebook import RULES_VERSION
from verifex.dockets.act import begin, enter, finish
from verifex.dockets.judging import ask_for_judgement, is_settled
from verifex.dockets.models import Docket, Judgement, Station
from verifex.dockets.refusals import ReopeningNeedsReason
from verifex.dockets.stations import set_state
from verifex.dockets.transitions import DocketAct
from verifex.exercises.services import criteria_of
from verifex.marks.evidence import Shown, shown
from verifex.marks.models import ClosedMark, GivenMark, StudentMark
from verifex.marks.refusals import (
    AdjustmentNeedsReason,
    AdjustmentNotANumber,
    AdjustmentNotPlausible,
    ChangedMarkNeedsReason,
    CriteriaUndecided,
    HandInStillJudged,
    MarkNotANumber,
    MarkNotInSteps,
    MarkOutOfRange,
    SecondLookUndecided,
    StudentNotInPair,
    UnknownCriterion,
)
from verifex.marks.sheet import MarkSheet, plain, sheet_of
from verifex.people.membership import during
from verifex.people.models import User
from verifex.work import queue

MOST_ADJUSTMENT = 100
AWAY = "absent from the session"


@transaction.atomic
def give_mark(
    actor: User, docket_id: int, criterion: str, marks: str | None, reason: str, *, based_on: int | None
) -> None:
    """Set an instructor's mark with its reason; `marks` None takes it back, so that the proposal counts again."""
    docket = begin(docket_id, based_on)
    enter(actor, docket, DocketAct.MARK, Station.MARK)
    entry = next((c for c in criteria_of(docket.scheme) if c.name == criterion), None)
    if entry is None:
        raise UnknownCriterion(criterion)
    if marks is None:
        docket.given.filter(criterion=criterion).delete()
        finish(docket, actor, f"took back the mark for {criterion}")
        return
    try:
        value = Decimal(marks.replace(",", "."))
    except InvalidOperation:
        raise MarkNotANumber(marks) from None
    if not value.is_finite() or not 0 <= value <= entry.of:
        raise MarkOutOfRange(entry.title, entry.of, marks)
    if value % docket.scheme.step:
        raise MarkNotInSteps(plain(docket.scheme.step), marks)
    if not reason.strip():
        raise ChangedMarkNeedsReason()
    row = next(r for r in _sheet(docket).rows if r.name == criterion)
    values = {"marks": value, "reason": reason.strip(), "by": actor, "proposed": row.proposed or ""}
    GivenMark.objects.update_or_create(docket=docket, criterion=criterion, defaults=values)
    finish(docket, actor, f"gave {plain(value)} for {criterion}", reason=reason.strip())


def _sheet(docket: Docket, *, final: bool = False) -> MarkSheet:
    given = {mark.criterion: mark for mark in docket.given.select_related("by")}
    return sheet_of(_shown(docket), given, final=final)


def _shown(docket: Docket) -> Shown:
    return shown([docket])[docket.pk]


@transaction.atomic
def close_marking(actor: User, docket_id: int, *, based_on: int | None, second_look: str = "") -> ClosedMark:
    """Close the marking: a snapshot is made that nothing later changes, and the pair may see its mark.

    Raises Refused while a criterion that nobody judged has no mark, and where the log is worth a second look until
    `second_look` says what was decided about it.
    """
    docket = begin(docket_id, based_on)
    enter(actor, docket, DocketAct.CLOSE, Station.MARK)
    if not is_settled(docket):
        raise HandInStillJudged()
    one = _shown(docket)
    given = {mark.criterion: mark for mark in docket.given.select_related("by")}
    sheet = sheet_of(one, given, final=True)
    if sheet.to_decide:
        raise CriteriaUndecided(tuple(sheet.to_decide))
    if one.second_look and not second_look.strip():
        raise SecondLookUndecided()
    held = during(docket.opened_at, docket.session.ends_at)
    members = list(docket.pair.members.filter(held).select_related("user"))
    absent = set(docket.session.absences.values_list("user_id", flat=True))
    for member in members:
        away = {"absent": True, "reason": AWAY} if member.user_id in absent else {}
        StudentMark.objects.get_or_create(docket=docket, user=member.user, defaults=away)
    own = {row.user_id: row for row in docket.student_marks.all()}
    closed = ClosedMark.objects.create(
        docket=docket,
        scheme=docket.scheme,
        rules_version=RULES_VERSION,
        catalogue=catalogue_digest(),
        criteria=[row.model_dump() for row in sheet.rows],
        total=sheet.total,
        of=sheet.of,
        judged_with=_judged_with(one),
        students=[student_row(m.user, own[m.user_id], sheet.total) for m in members],
        second_look=second_look.strip() if one.second_look else "",
        by=actor,
    )
    set_state(docket, Station.MARK, "passed")
    finish(docket, actor, f"closed the marking with {plain(sheet.total)} of {plain(sheet.of)}")
    return closed


def _judged_with(one: Shown) -> dict[str, object]:
    """By kind, what the judgement of the last attempt was judged with."""
    ids = [j.pk for kind in ("wiring", "program", "readings", "prediction") if (j := one.newest(kind))]
    return dict(Judgement.objects.filter(pk__in=ids).values_list("kind", "judged_with"))


def reopen_marking(actor: User, docket_id: int, *, based_on: int | None, reason: str) -> None:
    """Open a closed marking again. What was closed is kept with the reason; what changed meanwhile is judged."""
    with transaction.atomic():
        docket = begin(docket_id, based_on)
        entry = enter(actor, docket, DocketAct.REOPEN, Station.MARK)
        if not reason.strip():
            raise ReopeningNeedsReason()
        docket.closed_marks.filter(reopened_at__isnull=True).update(
            reopened_at=clock.now(), reopened_by=actor, reopened_because=reason.strip()
        )
        set_state(docket, Station.MARK, entry.after or "asks")
        ask_for_judgement(docket)
        finish(docket, actor, "reopened the marking", reason=reason.strip())
    queue.run_pending()


@transaction.atomic
def set_student(
    actor: User, docket_id: int, user_id: int, *, absent: bool, adjustment: str, reason: str, based_on: int | None
) -> None:
    """A student's own mark: absent gets none; an adjustment needs its reason."""
    docket = begin(docket_id, based_on)
    enter(actor, docket, DocketAct.MARK, Station.MARK)
    if not docket.pair.members.filter(user_id=user_id).exists():
        raise StudentNotInPair()
    try:
        change = Decimal((adjustment or "0").replace(",", "."))
    except InvalidOperation:
        raise AdjustmentNotANumber(adjustment) from None
    if not change.is_finite() or abs(change) > MOST_ADJUSTMENT:
        raise AdjustmentNotPlausible(adjustment)
    if (change or absent) and not reason.strip():
        raise AdjustmentNeedsReason()
    StudentMark.objects.update_or_create(
        docket=docket, user_id=user_id, defaults={"absent": absent, "adjustment": change, "reason": reason.strip()}
    )
    finish(docket, actor, "changed a student's mark", student=user_id)


def student_row(user: User, row: StudentMark | None, total: Decimal, *, away: bool = False) -> dict[str, object]:
    """One student's line under a docket's total; `away` is who was absent from the session and has no line yet."""
    adjustment, absent = (row.adjustment, row.absent) if row else (Decimal(0), away)
    return {
        "id": user.pk,
        "name": user.get_full_name(),
        "absent": absent,
        "adjustment": plain(adjustment),
        "reason": row.reason if row else AWAY if away else "",
        "total": "" if absent else plain(max(Decimal(0), total + adjustment)),
    }
