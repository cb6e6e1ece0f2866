"""Reading judgements: the newest of each kind, of one docket or of many with one query, as typed records."""

from collections.abc import Iterable, Iterator

from django.db.models import Max

from verifex.core.assess import SheetsRecord, Summary, WiringRecord, read_record
from verifex.core.assess.records import WalkRecord
from verifex.core.hand_ins import HandIn
from verifex.dockets.models import BenchSheets, Docket, Judgement


def newest(docket: Docket, kind: str) -> Judgement | None:
    """The newest judgement of what was last handed in of a kind."""
    return Judgement.objects.filter(docket=docket, kind=kind).select_related("attempt").order_by("-id").first()


def summaries_of(dockets: Iterable[int]) -> Iterator[tuple[int, str, int, Summary]]:
    """(docket, kind, attempt's number, summary) of the newest judgement of each kind: one query for all.

    A judgement from before summaries were kept is read whole for its own.
    """
    ids = Judgement.objects.filter(docket__in=list(dockets)).order_by().values("docket", "kind")
    rows = Judgement.objects.filter(pk__in=ids.annotate(last=Max("id")).values("last")).order_by()
    for pk, docket, kind, number, kept in rows.values_list("pk", "docket_id", "kind", "attempt__number", "summary"):
        yield docket, kind, number, Summary.model_validate(kept) if kept else Judgement.objects.get(pk=pk).summed


def walk_of(docket: Docket) -> WalkRecord | None:
    """The meter walk of the wiring that was judged last."""
    judgement = newest(docket, HandIn.WIRING)
    return judgement.typed(WiringRecord).walk if judgement else None


def sheets_of(docket: Docket) -> SheetsRecord | None:
    """The expected sheets of the docket's bench; None until they are worked out."""
    try:
        record = read_record(docket.sheets.record)
    except BenchSheets.DoesNotExist:
        return None
    return record if isinstance(record, SheetsRecord) else None
