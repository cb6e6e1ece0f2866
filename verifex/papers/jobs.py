"""Papers of a whole class, as long work."""

from typing import Any

from verifex.dockets.act import find
from verifex.dockets.models import Docket
from verifex.dockets.present.parts import bench_number
from verifex.papers.pdf import one_pdf, pdf_of
from verifex.papers.sheets import sheet_html
from verifex.work.run import Made, Progress, job


@job("class-sheets")
def class_sheets(detail: dict[str, Any]) -> Progress:
    """One page a docket of a session, by bench: answer keys, or sheets for predictions."""
    dockets = [find(pk) for pk in Docket.objects.filter(session=detail["session"]).values_list("pk", flat=True)]
    in_order = sorted(dockets, key=lambda d: (bench_number(d) or 0, d.pk))
    pages = []
    yield 0, len(in_order)
    for number, docket in enumerate(in_order, start=1):
        pages.append(pdf_of(sheet_html(docket, answers=detail["answers"])))
        yield number, len(in_order)
    kind = "answer-keys" if detail["answers"] else "predictions"
    return Made(f"{kind}-session-{detail['session']}.pdf", one_pdf(pages), "application/pdf")
