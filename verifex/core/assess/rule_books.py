"""Every rule book, and the title of a rule by its slug."""

from typing import Any

from verifex.core.assess.overrun import SLUG as NOT_CHECKED_YET
from verifex.core.circuit.rules import WIRING
from verifex.core.program.rules import PROGRAM
from verifex.core.readings.honesty import HONESTY
from verifex.core.rulebook import RuleBook
from verifex.core.twin.behaviour_rules import BEHAVIOUR


def all_books() -> list[RuleBook[Any]]:
    return [WIRING, PROGRAM, BEHAVIOUR, HONESTY]


def title_of(slug: str) -> str:
    """What a rule is called; of one that is no more, its slug."""
    if slug == NOT_CHECKED_YET:
        return "Not checked yet"
    return next((book.rules[slug].title for book in all_books() if slug in book.rules), slug)
