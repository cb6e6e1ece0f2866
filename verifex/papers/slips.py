"""Log-in slips: eight on a page, to be cut, each with a student's first password."""

from collections.abc import Sequence

from verifex.papers.page import page_html
from verifex.papers.pdf import pdf_of
from verifex.people.models import Section
from verifex.people.services.first_passwords import FirstLogIn


def log_in_slips(section: Section, slips: Sequence[FirstLogIn], address: str) -> bytes:
    """The slips as PDF."""
    return pdf_of(slips_html(section, slips, address))


def slips_html(section: Section, slips: Sequence[FirstLogIn], address: str) -> str:
    return page_html("slips", section.course, {"section": section, "slips": slips, "address": address})
