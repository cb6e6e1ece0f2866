"""What a docket gives the core to judge: its exercise, its hand-ins, what was measured and handed out."""

from collections.abc import Iterable
from dataclasses import dataclass, field
from datetime import datetime
from functools import cached_property, lru_cache
from typing import Any, NamedTuple

from verifex.core.assess import Case, JudgedWith, judged_with_digests
from verifex.core.circuit import HandedOut
from verifex.core.exercise import Exercise as ExerciseFile
from verifex.core.expected import Measured
from verifex.core.hand_ins import HandIn
from verifex.core.readings.honesty import OtherLog
from verifex.dockets.act import find
from verifex.dockets.models import Attempt, Docket, Judgement
from verifex.exercises.services import with_constants
from verifex.stores.models import KitIssue
from verifex.stores.services.given import handed_out

MOST_OTHERS = 60
MOST_KEPT = 300


class DocketKey(NamedTuple):
    """A docket at a revision: every change of what a docket gives the core is a new revision."""

    id: int
    revision: int
    opened_at: datetime


@dataclass
class DocketInputs:
    """One docket's inputs; texts are read only when a case is made of them."""

    docket: Docket
    attempts: dict[str, Attempt] = field(default_factory=dict)  # the last of each kind, its text deferred
    earlier_wiring: Attempt | None = None

    def __post_init__(self) -> None:
        for attempt in self.docket.attempts.defer("text").order_by("number"):
            if attempt.kind == HandIn.WIRING:
                self.earlier_wiring = self.attempts.get(HandIn.WIRING)
            self.attempts[attempt.kind] = attempt

    @cached_property
    def exercise(self) -> ExerciseFile:
        version = self.docket.version
        return with_constants(version.file, version.exercise_id)

    @cached_property
    def kit_issue(self) -> KitIssue | None:
        return kit_issue_of(self.docket)

    @cached_property
    def measured(self) -> Measured:
        # The last one of a name counts.
        return Measured.named({m.name: m.value for m in self.docket.measurements.all()})

    @cached_property
    def handed_out(self) -> HandedOut:
        return handed_out(self.kit_issue, self.docket.session.section.course)

    def case(self, kinds: Iterable[str] = tuple(HandIn), *, others: Iterable[OtherLog] = ()) -> Case:
        """The case with the texts of these kinds."""
        texts = {HandIn(kind).facts.name: self.attempts[kind].text for kind in kinds if kind in self.attempts}
        earlier = self.earlier_wiring.text if self.earlier_wiring and HandIn.WIRING in kinds else None
        return self._bare(earlier_wiring=earlier, others=tuple(others), **texts)

    def judged_with(self, station: str) -> JudgedWith:
        """What a judgement of `station` would be judged with now; no text is read for it."""
        digests = {HandIn(kind).facts.name: attempt.digest for kind, attempt in self.attempts.items()}
        if self.earlier_wiring:
            digests["earlier_wiring"] = self.earlier_wiring.digest
        return judged_with_digests(self._bare(), station, digests)

    def _bare(self, **texts: Any) -> Case:
        return Case(self.exercise, measured=self.measured, handed_out=self.handed_out, **texts)

    def other_logs(self) -> list[OtherLog]:
        """What was kept of the last logs of other pairs with the same exercise version, by the attempt's id."""
        newest: dict[int, Judgement] = {}
        judgements = (
            Judgement.objects.filter(kind=HandIn.READINGS, docket__version=self.docket.version_id)
            .exclude(docket=self.docket.pk)
            .only("docket", "attempt", "record", "details")
            .order_by("-id")
        )
        for judgement in judgements[: 2 * MOST_OTHERS]:
            newest.setdefault(judgement.docket_id, judgement)
        return [
            OtherLog(str(j.attempt_id), frozenset(j.details.get("runs", ())), j.record.get("read", 0))
            for j in list(newest.values())[:MOST_OTHERS]
        ]


@lru_cache(maxsize=MOST_KEPT)
def case_without_texts(key: DocketKey) -> Case:
    """What a docket gives the core besides its hand-ins. Kept, since whoever types asks for it at every pause."""
    return DocketInputs(find(key.id)).case(())


def kit_issue_of(docket: Docket) -> KitIssue | None:
    """The kit the pair has now for this exercise, else the last one it had in this session."""
    mine = KitIssue.objects.filter(pair=docket.pair_id, session=docket.session_id)
    issues = mine.filter(exercise=docket.version.exercise_id).select_related("kit")
    held = list(issues.prefetch_related("substitutions").order_by("issued_at"))
    return next((issue for issue in held if issue.returned_at is None), held[-1] if held else None)
