"""Reading judgements: the newest of each kind, of one docket or of many with one query, as typed records."""

from collections.abc import Iterable

from django.db.models import Max

from verifex.core.assess import SheetsRecord, read_record
from verifex.dockets.models import BenchSheets, Docket, Judgement


def newest(docket: Docket, kind: str) -> Judgement | None:
    """The newest judgement of what was last handed in of a kind."""
    return Judgement.objects.filter(docket=docket, kind=kind).select_related("attempt").order_by("-id").first()


def newest_of(dockets: Iterable[int], *, only_summaries: bool) -> dict[int, dict[str, Judgement]]:
    """The newest judgement of each kind, by docket: one query for all. The details are left out, and where only
    summaries are asked for, the records as well."""
    ids = Judgement.objects.filter(docket__in=list(dockets)).values("docket", "kind").annotate(last=Max("id"))
    left_out = ["details", "judged_with", *(["record"] if only_summaries else [])]
    found: dict[int, dict[str, Judgement]] = {}
    rows = Judgement.objects.filter(pk__in=ids.values("last")).select_related("attempt")
    for judgement in rows.defer("attempt__text", *left_out):
        found.setdefault(judgement.docket_id, {})[judgement.kind] = judgement
    return found


def sheets_of(docket: Docket) -> SheetsRecord | None:
    """The expected sheets of the docket's bench; None until they are worked out."""
    try:
        record = read_record(docket.sheets.record)
    except BenchSheets.DoesNotExist:
        return None
    return record if isinstance(record, SheetsRecord) else None
