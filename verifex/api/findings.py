"""A finding as the API shows it: to staff, and as a hint to a pair."""

from typing import Any

from verifex.api.shape import Shape
from verifex.core.assess.rule_books import title_of


class WhereOut(Shape):
    parts: list[str] = []
    places: list[str] = []
    nets: list[str] = []
    line: int | None = None
    column: int | None = None


class FindingOut(Shape):
    """A finding as staff see it."""

    rule: str
    severity: str
    seen: str
    why: str
    remedy: str
    hint: str
    criterion: str
    where: WhereOut
    value: float | None = None
    limit: float | None = None
    unit: str | None = None
    also: list[str] = []  # what else would be told, and follows from this


class HintOut(Shape):
    """A finding as a pair sees it: where to look, not what to change; not even the rule's name, which may tell."""

    severity: str
    hint: str
    parts: list[str]
    line: int | None = None
    column: int | None = None


def finding_out(finding: dict[str, Any]) -> dict[str, Any]:
    """A stored finding with what it explains in words: the titles of those rules, and their parts."""
    also = []
    for name in finding.get("explains") or []:
        slug, _, part = name.partition(" ")
        title = title_of(slug)
        also.append(f"{title} ({part})" if part else title)
    return {**finding, "also": also}


def hint_of(finding: dict[str, Any]) -> dict[str, Any]:
    """What a pair may be shown of a stored finding."""
    where = finding.get("where", {})
    return {
        "severity": finding["severity"],
        "hint": finding["hint"],
        "parts": where.get("parts", []),
        "line": where.get("line"),
        "column": where.get("column"),
    }
