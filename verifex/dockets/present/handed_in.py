"""The hand-ins of a docket with the newest judgement of each."""

from typing import Any

from django.db.models import Max
from django.db.models.functions import Substr

from verifex.api.findings import finding_out
from verifex.core.assess import FindingRecord
from verifex.dockets.models import (
    Attempt,
    Docket,
    Judgement,
)
from verifex.dockets.present.parts import name_of

MOST_SHOWN = 60_000  # letters of a log that a screen is sent; all of it is kept


class HandedIn:
    """The last attempt of each kind of a docket, with its newest judgement (None while it is being judged)."""

    def __init__(self, docket: Docket) -> None:
        self.docket = docket
        last = docket.attempts.order_by().values("kind").annotate(last=Max("pk")).values("last")
        attempts = Attempt.objects.filter(pk__in=last).select_related("by").defer("text")
        self.attempts: dict[str, Attempt] = {
            attempt.kind: attempt for attempt in attempts.annotate(beginning=Substr("text", 1, MOST_SHOWN))
        }
        newest = Judgement.objects.filter(docket=docket).order_by().values("attempt").annotate(last=Max("pk"))
        kept = Judgement.objects.filter(pk__in=newest.values("last"), attempt__in=last).defer("judged_with")
        self.judgements: dict[str, Judgement] = {judgement.kind: judgement for judgement in kept}

    def findings(self, kind: str) -> list[dict[str, Any]]:
        """The stored findings on a hand-in; none until it is judged."""
        judgement = self.judgements.get(kind)
        return list(judgement.record.get("findings", [])) if judgement else []

    def attempt(self, kind: str) -> dict[str, Any] | None:
        """What every hand-in has, for staff; None where there is none."""
        common, judgement = self.common(kind), self.judgements.get(kind)
        if common is None:
            return None
        findings = [as_finding(finding) for finding in self.findings(kind)]
        return {**common, "rules_version": judgement.rules_version if judgement else "", "findings": findings}

    def common(self, kind: str) -> dict[str, Any] | None:
        """What staff and pair see alike of a hand-in; None where there is none."""
        attempt = self.attempts.get(kind)
        if attempt is None:
            return None
        return {
            "number": attempt.number,
            "text": shown_text(attempt),
            "by": name_of(attempt.by),
            "at": attempt.at,
            "cut": attempt.size_bytes > MOST_SHOWN,
            "judged": kind in self.judgements,
        }


def shown_text(attempt: Attempt) -> str:
    """The text as handed in; of a very long log its beginning, and a line that says so."""
    beginning: str = vars(attempt)["beginning"]  # annotated by HandedIn
    if attempt.size_bytes <= MOST_SHOWN:
        return beginning
    return f"{beginning}\n… {attempt.size_bytes // 1024} kB in all; the rest is kept and was judged.\n"


def as_finding(data: dict[str, Any]) -> dict[str, Any]:
    return finding_out(FindingRecord.model_validate(data).finding().as_json())
