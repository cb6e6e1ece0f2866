"""The one Finding type: what a rule noticed, how bad it is, and the evidence for it."""

from collections.abc import Iterable
from dataclasses import dataclass, field
from enum import StrEnum
from typing import Any


class Severity(StrEnum):
    """How much a finding matters; the order is the order of urgency."""

    STOP = "stop"  # could hurt a person, a part or the board: power stays off
    FIX = "fix"  # it will not do the exercise
    CHECK = "check"  # marginal, or needs eyes
    NOTE = "note"  # habit, style, good practice

    @property
    def rank(self) -> int:
        return list(Severity).index(self)


@dataclass(frozen=True, slots=True)
class Where:
    """The evidence of a finding: parts, places and nets by name; line and column count from 1."""

    parts: tuple[str, ...] = ()
    places: tuple[str, ...] = ()
    nets: tuple[str, ...] = ()
    line: int | None = None
    column: int | None = None

    def as_json(self) -> dict[str, Any]:
        pairs = {
            "parts": list(self.parts),
            "places": list(self.places),
            "nets": list(self.nets),
            "line": self.line,
            "column": self.column,
        }
        return {key: value for key, value in pairs.items() if value not in (None, [])}


@dataclass(frozen=True, slots=True)
class Remedy:
    """What mends a finding: in words, and as changes of what was handed in, so that it can be tried before it is given.

    Without `changes` it is advice that leaves a choice to the pair.
    """

    words: str
    changes: tuple[Any, ...] = ()


@dataclass(frozen=True, slots=True)
class Finding:
    """One thing a rule noticed. `seen`, `why`, `remedy` are for the instructor, `hint` for the pair.

    `value` and `limit` are in `unit` (SI). `criterion` is the marking criterion the finding feeds. `explains` names
    what else would have been found and follows from this one, as `rule part`; `affects` are parts whose trouble
    follows from it, kept for telling that.
    """

    rule: str
    severity: Severity
    seen: str
    why: str
    remedy: str
    hint: str
    criterion: str
    where: Where = field(default_factory=Where)
    value: float | None = None
    limit: float | None = None
    unit: str | None = None
    explains: tuple[str, ...] = ()
    affects: tuple[str, ...] = ()
    moment_ms: float | None = None  # when it was seen in the run on the twin
    unchecked: bool = False  # what we could not check: no judgement, costs nothing, leaves the criterion to a person
    remedies: tuple[
        Remedy, ...
    ] = ()  # that can be tried, the likeliest first; `remedy` has the words of the one that is given

    def as_json(self) -> dict[str, Any]:
        out: dict[str, Any] = {
            "rule": self.rule,
            "severity": self.severity.value,
            "where": self.where.as_json(),
            "seen": self.seen,
            "why": self.why,
            "remedy": self.remedy,
            "hint": self.hint,
            "value": self.value,
            "limit": self.limit,
            "unit": self.unit,
            "criterion": self.criterion,
            "explains": list(self.explains) or None,
            "moment_ms": self.moment_ms,
            "unchecked": self.unchecked or None,
        }
        return {key: value for key, value in out.items() if value is not None}


def most_urgent_first(findings: list[Finding]) -> list[Finding]:
    """The findings by severity, then by line; the order within equals is kept."""
    return sorted(findings, key=lambda found: (found.severity.rank, found.where.line or 0))


def has_errors(findings: list[Finding]) -> bool:
    """Whether any finding is worse than a Check (the command line's exit code 1)."""
    return any(found.severity in (Severity.STOP, Severity.FIX) for found in findings)


def judgements(findings: Iterable[Finding]) -> list[Finding]:
    """The findings that say something about the hand-in, without those that say what we could not check."""
    return [found for found in findings if not found.unchecked]
