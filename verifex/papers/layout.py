"""HTML to PDF. Runs in a worker process; knows nothing of the site, and fetches nothing but the fonts it is shown."""

import atexit
from functools import cache
from pathlib import Path
from typing import Any

FONTS = {"Commissioner Variable": "commissioner", "JetBrains Mono Variable": "jetbrains-mono"}
#: The files of a font, each a family of its own: as one family the spaces beside an Ω are drawn as letters of another file. Ω µ Δ are
#: Greek to a font.
ALPHABETS = {"latin": "", "greek": " Greek", "latin-ext": " Extended"}


class NoTextLayout(Exception):
    """The machine lacks the libraries that lay text out."""


def pdf_of(html: str, style: str, fonts_folder: str) -> bytes:
    """One document as PDF, styled by `style`, with the fonts in `fonts_folder`. Raises NoTextLayout."""
    css, fonts = _style(style, fonts_folder)
    from weasyprint import HTML

    document = HTML(string=html, url_fetcher=_only_from(fonts_folder))
    return bytes(document.write_pdf(stylesheets=[css], font_config=fonts))


@cache
def _style(style: str, fonts_folder: str) -> tuple[Any, Any]:
    """The style sheet and the font configuration, made once a process."""
    try:
        from weasyprint import CSS
    except OSError:
        raise NoTextLayout from None
    from weasyprint.text.fonts import FontConfiguration

    fonts = FontConfiguration()
    faces = []
    for family, stem in FONTS.items():
        for alphabet, name in ALPHABETS.items():
            for file in Path(fonts_folder).glob(f"{stem}-{alphabet}-wght-normal-*.woff2"):
                faces.append(f"@font-face{{font-family:'{family}{name}';src:url('{file.as_uri()}')}}")
    for family in FONTS:
        style = style.replace(f"'{family}'", ", ".join(f"'{family}{name}'" for name in ALPHABETS.values()))
    text = "\n".join(faces) + style
    return CSS(string=text, font_config=fonts, url_fetcher=_only_from(fonts_folder)), fonts


# The font configuration must go before the library it belongs to.
atexit.register(_style.cache_clear)


@cache
def _only_from(folder: str) -> Any:
    """A fetcher that reads the shipped fonts and nothing else."""
    from weasyprint.urls import URLFetcher

    class OnlyFrom(URLFetcher):  # type: ignore[misc]
        def fetch(self, url: str, headers: Any = None) -> Any:
            if not url.startswith(Path(folder).as_uri()):
                raise ValueError("papers fetch nothing but the shipped fonts")
            return super().fetch(url, headers)

    return OnlyFrom(fail_on_errors=True)
