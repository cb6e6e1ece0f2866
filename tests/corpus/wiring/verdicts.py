"""Whether a check says what it should: the one place where that is decided, for the tests and for the report."""

from collections.abc import Sequence
from dataclasses import dataclass

from verifex.core.circuit import check_wiring
from verifex.core.findings import Finding, Severity, has_errors


@dataclass(frozen=True, slots=True)
class Verdict:
    """`hit` is the finding that names the fault, if there is one; `besides` other Stop and Fix findings."""

    hit: Finding | None
    named: bool
    besides: list[Finding]
    findings: list[Finding]


def judge(text: str, rules: Sequence[str], severity: str, parts: Sequence[str]) -> Verdict:
    """Check a faulty bench. A fault is found by one of `rules`, and named when that finding names one of `parts`."""
    findings = check_wiring(text).findings
    hits = [f for f in findings if f.rule in rules and _is_as_bad(f, severity)]
    named = [f for f in hits if not parts or set(parts) & set(f.where.parts)]
    hit = next(iter(named or hits), None)
    besides = [f for f in findings if f not in hits and has_errors([f])]
    return Verdict(hit, bool(named), besides, findings)


def _is_as_bad(finding: Finding, severity: str) -> bool:
    """A Fix that a danger follows from is reported as a Stop: that is right too."""
    if severity in ("", "any") or finding.severity.value == severity:
        return True
    return severity == "fix" and finding.severity is Severity.STOP and bool(finding.explains)


def false_alarms(text: str) -> list[Finding]:
    """Stop and Fix findings on a bench that is sound."""
    return [f for f in check_wiring(text).findings if has_errors([f])]
