"""What dockets show for their marks: of one, or of a whole class with a fixed number of queries."""

from collections import defaultdict
from collections.abc import Iterable, Mapping
from dataclasses import dataclass, field

from django.db.models import Count, Max, Q

from verifex.core.assess import (
    Assessment,
    FindingRecord,
    PredictionRecord,
    ProgramRecord,
    ReadingsRecord,
    SheetsRecord,
    WiringRecord,
    evidence_of,
)
from verifex.core.hand_ins import HandIn
from verifex.core.marking import Proposal, propose
from verifex.dockets.models import (
    Act,
    Clearance,
    Decision,
    Docket,
    Judgement,
    OpenedHint,
    SharedReadings,
    Station,
)
from verifex.exercises.services import criteria_of
from verifex.stores.models import KitIssue


@dataclass
class Shown:
    """All that is kept of one docket and counts for its marks."""

    docket: Docket
    judgements: dict[int, Judgement] = field(default_factory=dict)  # the newest of each attempt
    sent_back: set[int] = field(default_factory=set)  # attempts a person sent back
    clearances: list[Clearance] = field(default_factory=list)
    issue: KitIssue | None = None
    shares_readings: bool = False  # another bench has the same readings
    hints_opened: int = 0

    def newest(self, kind: str) -> Judgement | None:
        mine = [j for j in self.judgements.values() if j.kind == kind]
        return max(mine, key=lambda j: j.attempt.number, default=None)

    @property
    def to_look_at(self) -> list[FindingRecord]:
        """What of the log is worth a second look; no pair ever sees it."""
        judged = self.newest(HandIn.READINGS)
        record = judged.typed(ReadingsRecord) if judged else None
        return [found for found in record.findings if not found.unchecked] if record else []

    @property
    def second_look(self) -> bool:
        return self.shares_readings or bool(self.to_look_at)

    @property
    def clearance(self) -> Clearance | None:
        standing = [c for c in self.clearances if c.voided_at is None]
        return standing[0] if standing else (self.clearances[-1] if self.clearances else None)

    @property
    def final_wiring(self) -> Judgement | None:
        """The wiring as it stood when power was cleared, else the last one."""
        cleared = self.judgements.get(self.clearance.wiring_id) if self.clearance else None
        return cleared or self.newest(HandIn.WIRING)


def shown(dockets: Iterable[Docket]) -> dict[int, Shown]:
    """What every docket shows, by its id."""
    found = {docket.pk: Shown(docket) for docket in dockets}
    ids = list(found)
    newest = Judgement.objects.filter(docket__in=ids).values("attempt").annotate(last=Max("id")).values("last")
    kept = Judgement.objects.filter(pk__in=newest).select_related("attempt")
    for judgement in kept.defer("details", "judged_with", "attempt__text"):
        found[judgement.docket_id].judgements[judgement.attempt_id] = judgement
    returned = Decision.objects.filter(
        docket__in=ids, act=Act.SEND_BACK, station=Station.WIRING, undone_at__isnull=True
    )
    for docket_id, attempt_id in returned.values_list("docket_id", "attempt_id"):
        found[docket_id].sent_back.add(attempt_id)
    for clearance in Clearance.objects.filter(docket__in=ids).order_by("id"):
        found[clearance.docket_id].clearances.append(clearance)
    opened = OpenedHint.objects.filter(docket__in=ids).order_by().values("docket").annotate(count=Count("id"))
    for docket_id, count in opened.values_list("docket", "count"):
        found[docket_id].hints_opened = count
    _issues(found)
    shared = SharedReadings.objects.filter(Q(one__docket__in=ids) | Q(other__docket__in=ids))
    for one, other in shared.values_list("one__docket", "other__docket"):
        for docket_id in (one, other):
            if docket_id in found:
                found[docket_id].shares_readings = True
    return found


def _issues(found: Mapping[int, Shown]) -> None:
    """The kit that each pair has now for the docket's exercise, else the last one it had in its session."""
    sessions = {one.docket.session_id for one in found.values()}
    held: dict[tuple[int, int, int | None], list[KitIssue]] = defaultdict(list)
    for issue in KitIssue.objects.filter(session__in=sessions).order_by("issued_at"):
        held[(issue.pair_id, issue.session_id, issue.exercise_id)].append(issue)
    for one in found.values():
        mine = held[(one.docket.pair_id, one.docket.session_id, one.docket.version.exercise_id)]
        one.issue = next((i for i in mine if i.returned_at is None), mine[-1] if mine else None)


def proposal_of(one: Shown, *, final: bool) -> Proposal:
    """Marks proposed from what a docket shows now. What is missing counts as nothing only once it is `final`."""
    exercise, clearance, wiring = one.docket.version.file, one.clearance, one.final_wiring
    program, readings, prediction = (one.newest(k) for k in (HandIn.PROGRAM, HandIn.READINGS, HandIn.PREDICTION))
    assessment = Assessment(
        sheets=SheetsRecord(),
        wiring=wiring.typed(WiringRecord) if wiring else None,
        program=program.typed(ProgramRecord) if program else None,
        readings=readings.typed(ReadingsRecord) if readings else None,
        prediction=prediction.typed(PredictionRecord) if prediction else None,
    )
    sent_back, mended = _earlier(one)
    evidence = evidence_of(
        exercise,
        assessment,
        final=final,
        sent_back=sent_back,
        mended=mended,
        cleared=clearance is not None,
        overruled=bool(clearance and clearance.overruled),
        kit_faults=tuple(one.issue.faults) if one.issue else (),
        hints_opened=one.hints_opened,
    )
    return propose(criteria_of(one.docket.scheme), evidence, step=one.docket.scheme.step)


def _earlier(one: Shown) -> tuple[list[FindingRecord], list[FindingRecord]]:
    """Findings of earlier wirings: those a person sent back with, and those the pair mended itself."""
    final = one.final_wiring
    sent_back: list[FindingRecord] = []
    mended: list[FindingRecord] = []
    for judgement in sorted(one.judgements.values(), key=lambda j: j.attempt.number):
        if final and judgement.kind == HandIn.WIRING and judgement.attempt.number < final.attempt.number:
            into = sent_back if judgement.attempt_id in one.sent_back else mended
            into += [f for f in judgement.typed(WiringRecord).findings if not f.unchecked]
    return sent_back, mended
