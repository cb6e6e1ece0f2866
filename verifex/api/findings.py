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
    moment_ms: float | None = None  # when it was seen in the run on the twin
    also: list[str] = []  # what else would be reported, and follows from this


class HintOut(Shape):
    """A finding as a pair sees it: where to look, not what to change; not even the rule's name, which may tell."""

    severity: str
    hint: str
    parts: list[str]
    line: int | None = None
    column: int | None = None


class SteppedHintOut(HintOut):
    """A finding on a program as its pair sees it: `step` 1 where to look, 2 the idea (`hint`), 3 `nearly` the answer. `shows`
    says that the line can be looked at in the run."""

    key: str
    step: int
    nearly: str
    more_lines: list[int]
    shows: bool


#: Shown in place of a severity: we could not check something, which is no judgement.
UNCHECKED = "unchecked"


def shown_severity(finding: dict[str, Any]) -> str:
    return UNCHECKED if finding.get("unchecked") else str(finding["severity"])


def finding_out(finding: dict[str, Any]) -> dict[str, Any]:
    """A stored finding with what it explains in words: the titles of those rules, and their parts."""
    also = []
    for name in finding.get("explains") or []:
        slug, _, part = name.partition(" ")
        title = title_of(slug)
        also.append(f"{title} ({part})" if part else title)
    return {**finding, "severity": shown_severity(finding), "also": also}


#: Rules whose findings say that a bench is not finished, rather than that something on it is wrong.
UNFINISHED = ("part-missing", "dangling-lead")


def to_come(findings: list[dict[str, Any]]) -> list[str]:
    """What a bench still lacks while parts of it are missing: reported as that, and not as mistakes."""
    if not any(finding["rule"] == "part-missing" for finding in findings):
        return []
    return [finding["seen"] for finding in findings if finding["rule"] in UNFINISHED]


def hints_of(findings: list[dict[str, Any]]) -> list[dict[str, Any]]:
    """What a pair may be shown of findings: the same question about several parts is asked once, about all of them."""
    unfinished = bool(to_come(findings))
    hints: dict[tuple[str, str], dict[str, Any]] = {}
    for finding in findings:
        if unfinished and finding["rule"] in UNFINISHED:
            continue
        hint = hint_of(finding)
        first = hints.setdefault((hint["severity"], hint["hint"]), hint)
        if first is not hint:
            first["parts"] = list(dict.fromkeys([*first["parts"], *hint["parts"]]))
    return list(hints.values())


def hint_of(finding: dict[str, Any]) -> dict[str, Any]:
    """What a pair may be shown of a stored finding."""
    where = finding.get("where", {})
    return {
        "severity": shown_severity(finding),
        "hint": finding["hint"],
        "parts": where.get("parts", []),
        "line": where.get("line"),
        "column": where.get("column"),
    }
