"""How a rule is written: one small function with its slug, severity and words beside it."""

from collections.abc import Callable, Iterable, Sequence
from dataclasses import dataclass, replace
from typing import Generic, Protocol, TypeVar

from verifex.core.findings import Finding, Remedy, Severity, Where, most_urgent_first

View = TypeVar("View")

#: Grows whenever a rule's verdict may change; every stored judgement names the version that made it.
RULES_VERSION = "2026.30"


@dataclass(frozen=True, slots=True)
class Rule(Generic[View]):
    """A rule of the job: what it is called, how bad it is, what it says and where that comes from.

    `explains` names rules whose findings on the same part, place or line are consequences of this one; `unchecked` marks a
    rule that reports what we could not check.
    """

    slug: str
    severity: Severity
    title: str
    why: str
    hint: str
    criterion: str
    source: str
    explains: tuple[str, ...]
    unchecked: bool
    check: Callable[[View, "FindingFactory"], Iterable[Finding]]


@dataclass(frozen=True, slots=True)
class FindingFactory:
    """Words one finding of a rule; what is not given is taken from the rule."""

    slug: str
    severity: Severity
    why: str
    hint: str
    criterion: str
    unchecked: bool = False

    def __call__(
        self,
        seen: str,
        remedy: "str | Sequence[Remedy]",
        *,
        parts: Sequence[str] = (),
        places: Sequence[str] = (),
        nets: Sequence[str] = (),
        line: int | None = None,
        column: int | None = None,
        at: "Placed | None" = None,
        value: float | None = None,
        limit: float | None = None,
        unit: str | None = None,
        severity: Severity | None = None,
        why: str | None = None,
        hint: str | None = None,
        affects: Sequence[str] = (),
        moment_ms: float | None = None,
    ) -> Finding:
        """A finding of this rule, at a line and column or `at` something that has them. `affects` are parts whose own
        findings follow from this one. `remedy` is advice, or remedies that can be tried, the likeliest first."""
        if at is not None:
            line, column = at.line, at.column
        remedies = () if isinstance(remedy, str) else tuple(remedy)
        return Finding(
            rule=self.slug,
            severity=severity or self.severity,
            seen=seen,
            why=why or self.why,
            remedy=remedy if isinstance(remedy, str) else remedies[0].words,
            remedies=remedies,
            hint=hint or self.hint,
            criterion=self.criterion,
            where=Where(tuple(parts), tuple(places), tuple(nets), line, column),
            value=value,
            limit=limit,
            unit=unit,
            affects=tuple(affects),
            moment_ms=moment_ms,
            unchecked=self.unchecked,
        )


#: What the twin shows when the sums of a program are wrong: explained by the rule that found the sum.
RUN_CONSEQUENCES = (
    "product-before-difference",
    "slope-ten-times-too-large",
    "slope-ten-times-too-small",
    "alarm-inverted",
    "alarm-never-on",
    "alarm-stays-on",
    "alarm-at-wrong-value",
    "printed-value-out",
    "flickers-at-threshold",
    "output-in-another-state",
    "output-does-not-follow",
)


class Placed(Protocol):
    """Something with a place in a text."""

    @property
    def line(self) -> int: ...

    @property
    def column(self) -> int: ...


class RuleBook(Generic[View]):
    """An ordered set of rules over one kind of evidence."""

    def __init__(self, title: str) -> None:
        self.title = title
        self.rules: dict[str, Rule[View]] = {}

    def rule(
        self,
        slug: str,
        severity: Severity,
        *,
        title: str,
        why: str,
        hint: str,
        criterion: str,
        source: str,
        explains: Sequence[str] = (),
        unchecked: bool = False,
    ) -> Callable[[Callable[[View, FindingFactory], Iterable[Finding]]], Rule[View]]:
        """Enter the decorated function as a rule. Raises ValueError when the slug is taken."""

        def enter(check: Callable[[View, FindingFactory], Iterable[Finding]]) -> Rule[View]:
            if slug in self.rules:
                raise ValueError(f"two rules are called {slug}")
            rule = Rule(slug, severity, title, why, hint, criterion, source, tuple(explains), unchecked, check)
            self.rules[slug] = rule
            return rule

        return enter

    def run(self, view: View) -> list[Finding]:
        """All findings on `view`, most urgent first; consequences of another finding are left out."""
        return most_urgent_first(self.causes_only(self.found(view)))

    def found(self, view: View) -> list[Finding]:
        """Whatever a rule finds on `view`, also what follows from another finding, in the order of the rules."""
        findings: list[Finding] = []
        for rule in self.rules.values():
            found = FindingFactory(rule.slug, rule.severity, rule.why, rule.hint, rule.criterion, rule.unchecked)
            findings.extend(rule.check(view, found))
        return findings

    def with_consequences(self, causes: list[Finding], consequences: list[Finding]) -> list[Finding]:
        """The findings of this book, and those of another book's `consequences` that none of them explains, wherever it stands.

        What a consequence shows wrong is no mere risk any more: the likeliest cause that explains it, the most urgent and first in the
        text, becomes as urgent as the consequence is.
        """
        told, left = list(causes), []
        for found in consequences:
            index = next((i for i, one in enumerate(told) if self._may_explain(one, found)), None)
            if index is None:
                left.append(found)
                continue
            cause = told[index]
            name = " ".join([found.rule, *found.where.parts[:1]])
            worse = found.severity.rank < cause.severity.rank
            told[index] = replace(
                cause,
                severity=found.severity if worse else cause.severity,
                explains=tuple(dict.fromkeys([*cause.explains, name])),
                moment_ms=cause.moment_ms if cause.moment_ms is not None else found.moment_ms,
            )
        return most_urgent_first([*told, *left])

    def _may_explain(self, cause: Finding, consequence: Finding) -> bool:
        return cause.rule in self.rules and consequence.rule in self.rules[cause.rule].explains

    def causes_only(self, findings: list[Finding]) -> list[Finding]:
        """What nothing else explains, each with the names of what it explains.

        A cause that a danger follows from is itself a Stop, and says why. Of two that would explain each other,
        the earlier stands: rules are entered causes first.
        """
        causes: dict[int, list[int]] = {}
        for index, consequence in enumerate(findings):
            causes[index] = [i for i, cause in enumerate(findings) if self._explains(cause, consequence)]
        gone: set[int] = set()
        for index in sorted(causes, reverse=True):  # the last first: it is the likelier consequence
            if any(i not in gone for i in causes[index]):
                gone.add(index)
        kept = []
        for index, finding in enumerate(findings):
            if index in gone:
                continue
            followers = [findings[i] for i in gone if index in causes[i]]
            kept.append(_as_cause(finding, followers) if followers else finding)
        return kept

    def _explains(self, cause: Finding, consequence: Finding) -> bool:
        if cause is consequence or consequence.rule not in self.rules[cause.rule].explains:
            return False
        # A danger is never left out because something that may be right accounts for it.
        if consequence.severity is Severity.STOP and cause.severity in (Severity.CHECK, Severity.NOTE):
            return False
        if cause.where.line is not None and cause.where.line == consequence.where.line:
            return True
        one, other = cause.where, consequence.where
        touched = {*one.parts, *cause.affects}
        return bool(touched & set(other.parts) or set(one.places) & set(other.places))


def _as_cause(finding: Finding, followers: list[Finding]) -> Finding:
    """A finding with the names of what follows from it; it takes over the danger of a follower."""
    names = [" ".join([f.rule, *f.where.parts[:1]]) for f in followers]
    told = replace(finding, explains=tuple(dict.fromkeys(names)))
    danger = next((f for f in followers if f.severity is Severity.STOP), None)
    if danger is None or finding.severity is Severity.STOP:
        return told
    return replace(told, severity=Severity.STOP, why=f"{finding.why} As long as it is so: {danger.seen} {danger.why}")
