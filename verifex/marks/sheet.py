"""The mark sheet of a docket: what was proposed, what was given and why, what counts, and what it adds up to."""

from collections.abc import Mapping
from dataclasses import dataclass
from decimal import Decimal

from verifex.marks.evidence import Shown, proposal_of
from verifex.marks.models import ClosedMark, GivenMark
from verifex.marks.schemas import MarkRowOut


@dataclass(frozen=True, slots=True)
class MarkSheet:
    """Rows as the API shows them. `so_far` says that some of it is not marked yet, and the total counts the rest."""

    rows: list[MarkRowOut]
    total: Decimal
    of: Decimal
    so_far: bool

    @property
    def to_decide(self) -> list[str]:
        """Titles of the criteria that nobody judged, and for which no person gave a mark yet."""
        return [row.title for row in self.rows if row.to_decide and row.counts is None]


def sheet_of(one: Shown, given: Mapping[str, GivenMark], *, final: bool) -> MarkSheet:
    """From what the docket shows now and what an instructor gave."""
    rows = []
    for criterion in proposal_of(one, final=final).criteria:
        mark = given.get(criterion.name)
        counts = mark.marks if mark else criterion.proposed
        rows.append(
            MarkRowOut(
                name=criterion.name,
                title=criterion.title,
                of=str(criterion.of),
                proposed=None if criterion.proposed is None else str(criterion.proposed),
                evidence=list(criterion.evidence),
                given=plain(mark.marks) if mark else None,
                reason=mark.reason if mark else "",
                by=mark.by.get_full_name() if mark and mark.by else "",
                counts=None if counts is None else plain(counts),
                to_decide=criterion.to_decide,
            )
        )
    return _summed(rows)


def sheet_as_closed(closed: ClosedMark) -> MarkSheet:
    """The snapshot, as it was."""
    return MarkSheet([MarkRowOut.model_validate(row) for row in closed.criteria], closed.total, closed.of, so_far=False)


def _summed(rows: list[MarkRowOut]) -> MarkSheet:
    total = sum((Decimal(row.counts) for row in rows if row.counts is not None), Decimal(0))
    of = sum((Decimal(row.of) for row in rows), Decimal(0))
    return MarkSheet(rows, total, of, so_far=any(row.counts is None for row in rows))


def plain(marks: Decimal) -> str:
    """A decimal without trailing zeros: 4.50 is 4.5."""
    return f"{marks.normalize():f}" if marks else "0"
