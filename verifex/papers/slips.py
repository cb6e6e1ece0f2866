"""Log-in slips: eight on a page, to be cut, each with a student's first password."""

from collections.abc import Sequence

from django.template.loader import render_to_string

from verifex.papers.pdf import pdf_of
from verifex.people.models import Section
from verifex.people.services.first_passwords import FirstLogIn


def log_in_slips(section: Section, slips: Sequence[FirstLogIn], address: str) -> bytes:
    """The slips as PDF."""
    return pdf_of(slips_html(section, slips, address))


def slips_html(section: Section, slips: Sequence[FirstLogIn], address: str) -> str:
    return render_to_string("papers/slips.html", {"section": section, "slips": slips, "address": address})
