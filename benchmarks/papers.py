"""The papers of a large class against the clock: 48 answer keys as one file, in the demo's own database."""

from time import perf_counter

from tests.own_database import own_database

PAIRS = 48


def class_papers() -> None:
    """Lays out the demo's dockets over and over until a class of 48 has its pages."""
    with own_database():
        from tests.samples import DEMO
        from verifex.demo.loader import load
        from verifex.dockets.act import find
        from verifex.dockets.models import Docket
        from verifex.papers.pdf import one_pdf, pdf_of
        from verifex.papers.sheets import sheet_html

        load(DEMO)
        dockets = [find(pk) for pk in Docket.objects.values_list("pk", flat=True)]
        start = perf_counter()
        pages = [pdf_of(sheet_html(dockets[n % len(dockets)], answers=True)) for n in range(PAIRS)]
        size = len(one_pdf(pages))
        seconds = perf_counter() - start
    print(f"{f'{PAIRS} sheets as one PDF':24} {seconds:8.1f} s, the library's start included   ({size / 1000:.0f} kB)")
