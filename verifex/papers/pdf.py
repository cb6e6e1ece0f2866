"""Papers as PDF: laid out in a worker process, put together here."""

import io
from collections.abc import Iterable

from django.conf import settings
from django.template.loader import render_to_string
from pypdf import PdfWriter

from verifex.papers.layout import NoTextLayout
from verifex.papers.layout import pdf_of as lay_out
from verifex.papers.refusals import PageTooLarge, PdfLibrariesMissing
from verifex.work.pool import PAPER, OverLimit, compute


def pdf_of(html: str) -> bytes:
    """One page or more as PDF. Refused where it cannot be made, with the reason; raises OverLimit where the machine could
    not do it now."""
    try:
        pdf: bytes = compute(
            lay_out, html, render_to_string("papers/paper.css"), str(settings.WEB_DIST / "assets"), limit=PAPER
        )
    except NoTextLayout:
        raise PdfLibrariesMissing() from None
    except OverLimit as over:
        if over.reason == "failed":
            raise  # the machine, not the page: it is tried again
        raise PageTooLarge() from None
    return pdf


def one_pdf(documents: Iterable[bytes]) -> bytes:
    """Several documents as one file, in order; what they share, such as fonts, is kept once."""
    merged: bytes = compute(merge, list(documents), limit=PAPER)
    return merged


def merge(documents: list[bytes]) -> bytes:
    """The same in this process."""
    writer = PdfWriter()
    for document in documents:
        writer.append(io.BytesIO(document))
    writer.compress_identical_objects()
    out = io.BytesIO()
    writer.write(out)
    return out.getvalue()
