"""HTML to PDF, with the fonts that the interface ships; nothing is fetched from anywhere."""

import atexit
from collections.abc import Iterable
from functools import cache
from typing import Any

from django.conf import settings
from django.template.loader import render_to_string

from verifex.people.access import Refused

FONTS = {"Commissioner Variable": "commissioner", "JetBrains Mono Variable": "jetbrains-mono"}
ALPHABETS = ("latin", "greek", "latin-ext")  # Ω µ Δ are Greek to a font


@cache
def _kit() -> tuple[Any, Any]:
    """The style sheet and the font configuration, made once a process. Raises Refused where text layout is missing."""
    try:
        from weasyprint import CSS
    except OSError:
        raise Refused(
            "This machine cannot make papers yet: Debian's packages libpango-1.0-0 and libpangoft2-1.0-0 are missing."
        ) from None
    from weasyprint.text.fonts import FontConfiguration

    fonts = FontConfiguration()
    faces = []
    for family, stem in FONTS.items():
        for alphabet in ALPHABETS:
            for file in (settings.WEB_DIST / "assets").glob(f"{stem}-{alphabet}-wght-normal-*.woff2"):
                faces.append(f"@font-face{{font-family:'{family}';src:url('{file.as_uri()}')}}")
    text = "\n".join(faces) + render_to_string("papers/paper.css")
    return CSS(string=text, font_config=fonts, url_fetcher=_own_files_only()), fonts


# The font configuration must go before the library it belongs to.
atexit.register(_kit.cache_clear)


@cache
def _own_files_only() -> Any:
    """A fetcher that reads the shipped fonts and nothing else."""
    from weasyprint.urls import URLFetcher

    class OwnFilesOnly(URLFetcher):  # type: ignore[misc]
        def fetch(self, url: str, headers: Any = None) -> Any:
            if not url.startswith((settings.WEB_DIST / "assets").as_uri()):
                raise ValueError("papers fetch nothing but the shipped fonts")
            return super().fetch(url, headers)

    return OwnFilesOnly(fail_on_errors=True)


def pages_of(html: str) -> Any:
    """One document, laid out."""
    style, fonts = _kit()
    from weasyprint import HTML

    return HTML(string=html, url_fetcher=_own_files_only()).render(stylesheets=[style], font_config=fonts)


def pdf_of(html: str) -> bytes:
    return bytes(pages_of(html).write_pdf())


def one_pdf(documents: Iterable[Any]) -> bytes:
    """Several laid-out documents as one file, in order."""
    all_: list[Any] = list(documents)
    return bytes(all_[0].copy([page for document in all_ for page in document.pages]).write_pdf())
