"""Papers of a whole class, as long work."""

from typing import Any

from verifex.dockets.models import Docket
from verifex.dockets.views import bench_number, find_docket
from verifex.papers.pdf import one_pdf, pages_of
from verifex.papers.sheets import sheet_html
from verifex.work.run import Made, Progress, job


@job("class-sheets")
def class_sheets(detail: dict[str, Any]) -> Progress:
    """One page a docket of a session, by bench: answer keys, or sheets for predictions."""
    dockets = list(Docket.objects.filter(session=detail["session"]).values_list("pk", flat=True))
    in_order = sorted((find_docket(pk) for pk in dockets), key=lambda d: (bench_number(d) or 0, d.pk))
    pages = []
    yield 0, len(in_order)
    for number, docket in enumerate(in_order, start=1):
        pages.append(pages_of(sheet_html(docket, answers=detail["answers"])))
        yield number, len(in_order)
    kind = "answer-keys" if detail["answers"] else "predictions"
    return Made(f"{kind}-session-{detail['session']}.pdf", one_pdf(pages))
