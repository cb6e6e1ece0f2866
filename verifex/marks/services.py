"""Proposing marks, giving them, and closing the Mark station."""

from decimal import Decimal, InvalidOperation
from typing import Any

from django.db import transaction

from verifex.core.findings import Finding, Severity, Where
from verifex.core.marking import Evidence, propose
from verifex.core.rulebook import RULES_VERSION
from verifex.dockets.bench import DocketBench, last_judgement
from verifex.dockets.models import Attempt, Docket, Judgement, Kind, State, Station
from verifex.dockets.services.act import begin, finish
from verifex.dockets.stations import set_state, state_of
from verifex.exercises.services import criteria_of
from verifex.marks.models import GivenMark, Proposal, StudentMark
from verifex.people.access import Refused, require_instructor
from verifex.people.models import User


def finding_of(data: dict[str, Any]) -> Finding:
    """A stored finding as the core's type again."""
    where = data.get("where", {})
    known = {key: data[key] for key in ("rule", "seen", "why", "remedy", "hint", "criterion")}
    return Finding(
        **known,
        severity=Severity(data["severity"]),
        where=Where(
            tuple(where.get("parts", ())),
            tuple(where.get("places", ())),
            tuple(where.get("nets", ())),
            where.get("line"),
            where.get("column"),
        ),
        value=data.get("value"),
        limit=data.get("limit"),
        unit=data.get("unit"),
    )


def evidence_of(docket: Docket) -> Evidence:
    """All that a docket shows for its marks."""
    bench = DocketBench(docket)
    clearance = bench.standing_clearance() or docket.clearances.order_by("-id").first()
    final = clearance.wiring if clearance else bench.last(Kind.WIRING)
    readings = last_judgement(bench.last(Kind.READINGS))
    program = bench.last(Kind.PROGRAM)
    sent_back, mended = _earlier(docket, final)
    issue = bench.kit_issue()
    return Evidence(
        wiring=_findings(last_judgement(final)),
        sent_back=sent_back,
        mended=mended,
        wiring_handed_in=final is not None,
        cleared=clearance is not None,
        overruled=bool(clearance and clearance.overruled),
        program=_findings(last_judgement(program)),
        program_handed_in=program is not None,
        steps={s["name"]: s["verdict"] for s in readings.result["steps"]} if readings else {},
        intended=readings.result.get("intended", {}) if readings else {},
        follows_program=frozenset(readings.result.get("follows_program", [])) if readings else frozenset(),
        predictions=_predictions(bench),
        kit_faults=tuple(issue.faults) if issue else (),
    )


def _predictions(bench: DocketBench) -> dict[str, str]:
    judgement = last_judgement(bench.last(Kind.PREDICTION))
    if judgement is None:
        return {}
    several = len(bench.file.readings) > 1
    return {
        f"{row['step']}, {row['reading']}" if several else row["step"]: row["verdict"]
        for row in judgement.result["predictions"]
    }


def _findings(judgement: Judgement | None) -> tuple[Finding, ...]:
    return tuple(finding_of(data) for data in judgement.findings) if judgement else ()


def _earlier(docket: Docket, final: Attempt | None) -> tuple[tuple[Finding, ...], tuple[Finding, ...]]:
    """Findings of earlier wirings: those a person sent back with, and those the pair mended itself."""
    returned = set(
        docket.decisions.filter(what="sent back", station=Station.WIRING).values_list("attempt_id", flat=True)
    )
    sent_back: list[Finding] = []
    mended: list[Finding] = []
    for attempt in docket.attempts.filter(kind=Kind.WIRING).order_by("number"):
        if final is not None and attempt.number < final.number:
            (sent_back if attempt.pk in returned else mended).extend(_findings(last_judgement(attempt)))
    return tuple(sent_back), tuple(mended)


def make_proposal(docket: Docket) -> Proposal:
    """Propose anew and keep it; marks a person gave stay as they are."""
    proposal = propose(criteria_of(docket.scheme), evidence_of(docket))
    last = docket.proposals.order_by("-id").first()
    criteria = [c.as_json() for c in proposal.criteria]
    if (
        last
        and last.criteria == criteria
        and last.rules_version == RULES_VERSION
        and last.scheme_id == docket.scheme_id
    ):
        return last
    return Proposal.objects.create(docket=docket, scheme=docket.scheme, rules_version=RULES_VERSION, criteria=criteria)


def marks_of(docket: Docket, proposal: Proposal | None = None) -> list[dict[str, Any]]:
    """Each criterion with what was proposed, what was given and why, and what counts."""
    proposal = proposal or make_proposal(docket)
    given = {mark.criterion: mark for mark in docket.given.all()}
    rows = []
    for criterion in proposal.criteria:
        mark = given.get(criterion["name"])
        counts = mark.marks if mark else Decimal(criterion["proposed"])
        rows.append(
            {
                **criterion,
                "given": _plain(mark.marks) if mark else None,
                "reason": mark.reason if mark else "",
                "by": mark.by.get_full_name() if mark and mark.by else "",
                "counts": _plain(counts),
            }
        )
    return rows


def total_of(rows: list[dict[str, Any]]) -> tuple[str, str]:
    """(marks that count, marks there are), as decimals in text."""
    return _plain(sum((Decimal(r["counts"]) for r in rows), Decimal(0))), _plain(
        sum((Decimal(r["of"]) for r in rows), Decimal(0))
    )


def _plain(marks: Decimal) -> str:
    return f"{marks.normalize():f}"


@transaction.atomic
def give_mark(
    actor: User, docket_id: int, criterion: str, marks: str | None, reason: str, *, based_on: int | None
) -> None:
    """Set an instructor's mark with its reason; `marks` None takes it back, so that the proposal counts again."""
    docket = begin(docket_id, based_on)
    require_instructor(actor, docket.session.section)
    entry = next((c for c in criteria_of(docket.scheme) if c.name == criterion), None)
    if entry is None:
        raise Refused(f"The scheme has no criterion called “{criterion}”.")
    if marks is None:
        docket.given.filter(criterion=criterion).delete()
        finish(docket, actor, f"took back the mark for {criterion}")
        return
    try:
        value = Decimal(marks.replace(",", "."))
    except InvalidOperation:
        raise Refused(f"“{marks}” is no mark; a number such as 3.5 was expected.") from None
    if not value.is_finite() or not 0 <= value <= entry.of:
        raise Refused(f"{entry.title} is worth 0 to {entry.of}; {marks} is outside that.")
    if not reason.strip():
        raise Refused("A changed mark needs its reason.")
    GivenMark.objects.update_or_create(
        docket=docket, criterion=criterion, defaults={"marks": value, "reason": reason.strip(), "by": actor}
    )
    finish(docket, actor, f"gave {value} for {criterion}", reason=reason.strip())


@transaction.atomic
def close_marking(actor: User, docket_id: int, *, based_on: int | None) -> None:
    """Pass the Mark station: the pair may see its mark, and each member gets the docket's."""
    docket = begin(docket_id, based_on)
    require_instructor(actor, docket.session.section)
    if state_of(docket, Station.MARK) is None:
        raise Refused("There is nothing to mark yet.")
    make_proposal(docket)
    set_state(docket, Station.MARK, State.PASSED)
    for member in docket.pair.members.filter(until__isnull=True):
        StudentMark.objects.get_or_create(docket=docket, user=member.user)
    finish(docket, actor, "marked")


@transaction.atomic
def set_student(
    actor: User, docket_id: int, user_id: int, *, absent: bool, adjustment: str, reason: str, based_on: int | None
) -> None:
    """A student's own mark: absent gets none; an adjustment needs its reason."""
    docket = begin(docket_id, based_on)
    require_instructor(actor, docket.session.section)
    if not docket.pair.members.filter(user_id=user_id).exists():
        raise Refused("This student is not in the pair.")
    try:
        change = Decimal(adjustment or "0")
    except InvalidOperation:
        raise Refused(f"“{adjustment}” is no number of marks.") from None
    if not change.is_finite() or abs(change) > 100:
        raise Refused(f"“{adjustment}” is no plausible adjustment.")
    if (change or absent) and not reason.strip():
        raise Refused("Say why this student's mark differs.")
    StudentMark.objects.update_or_create(
        docket=docket, user_id=user_id, defaults={"absent": absent, "adjustment": change, "reason": reason.strip()}
    )
    finish(docket, actor, "changed a student's mark", student=user_id)


def student_total(row: StudentMark, total: str) -> str:
    return "" if row.absent else _plain(max(Decimal(0), Decimal(total) + row.adjustment))
