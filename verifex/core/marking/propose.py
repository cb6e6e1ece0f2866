"""Proposed marks: each criterion from its own evidence, one deduction a cause, follow-through applied."""

from collections.abc import Iterable
from dataclasses import dataclass, field
from decimal import ROUND_HALF_UP, Decimal

from verifex.core.exercise import Criterion
from verifex.core.findings import Finding, Severity
from verifex.core.marking.evidence import Evidence

HALF = Decimal("0.5")

#: What a finding takes off its criterion: as a share of the criterion for a Stop or Fix, in marks below.
DEDUCTION_SHARE = {Severity.STOP: Decimal("0.5"), Severity.FIX: Decimal("0.25")}
DEDUCTION_MARKS = {Severity.CHECK: Decimal("0.5"), Severity.NOTE: Decimal("0")}
#: A Stop or Fix that a person found before power, and one the pair mended itself, cost this share of the deduction.
SENT_BACK_SHARE = Decimal("0.5")
MENDED_SHARE = Decimal("0.25")


@dataclass(frozen=True, slots=True)
class CriterionMark:
    """A criterion with its proposed mark and the evidence for it, in sentences. `proposed` is None while there is nothing
    to mark yet."""

    name: str
    title: str
    of: Decimal
    proposed: Decimal | None
    evidence: tuple[str, ...]

    def as_json(self) -> dict[str, object]:
        return {
            "name": self.name,
            "title": self.title,
            "of": str(self.of),
            "proposed": None if self.proposed is None else str(self.proposed),
            "evidence": list(self.evidence),
        }


@dataclass(frozen=True, slots=True)
class Proposal:
    """All criteria of a docket."""

    criteria: tuple[CriterionMark, ...]

    @property
    def total(self) -> Decimal:
        return sum((c.proposed for c in self.criteria if c.proposed is not None), Decimal(0))

    @property
    def of(self) -> Decimal:
        return sum((c.of for c in self.criteria), Decimal(0))

    def as_json(self) -> dict[str, object]:
        return {
            "criteria": [c.as_json() for c in self.criteria],
            "total": str(self.total),
            "of": str(self.of),
            "feedback": self.feedback(),
        }

    def feedback(self) -> str:
        """The feedback sheet as plain text, a criterion a paragraph."""
        lines = [f"{self.total} of {self.of}"]
        for c in self.criteria:
            lines.append(f"{c.title}: {'–' if c.proposed is None else c.proposed} of {c.of}")
            lines += [f"  {sentence}" for sentence in c.evidence]
        return "\n".join(lines)


@dataclass(slots=True)
class _Ledger:
    """Deductions from one criterion, with their sentences."""

    of: Decimal
    left: Decimal
    evidence: list[str] = field(default_factory=list)
    is_open: bool = False  # nothing to mark yet

    def lacks(self, sentence: str, *, final: bool) -> None:
        """What is not handed in: it costs the whole criterion in the end, and nothing before."""
        if final:
            self.take(self.of, sentence)
        else:
            self.is_open = True
            self.evidence.append("Nothing to mark yet.")

    def take(self, marks: Decimal, sentence: str) -> None:
        self.left = max(Decimal(0), self.left - marks)
        self.evidence.append(f"{sentence.rstrip('.')} (−{_short(marks)})." if marks else sentence)


def _short(marks: Decimal) -> str:
    return f"{marks.normalize():f}"


def _halves(marks: Decimal) -> Decimal:
    """To the nearest half mark, halves upward."""
    return (marks * 2).quantize(Decimal(1), rounding=ROUND_HALF_UP) / 2


def propose(criteria: Iterable[Criterion], evidence: Evidence) -> Proposal:
    """Marks in halves for each criterion. Findings feed the criterion their rule names; what the scheme lacks is left out."""
    marks = []
    for criterion in criteria:
        ledger = _Ledger(criterion.of, criterion.of)
        special = {"readings": _readings, "care": _care, "prediction": _prediction}.get(criterion.name)
        if special:
            special(ledger, evidence)
        else:
            _from_findings(criterion.name, ledger, evidence)
        if not ledger.evidence:
            ledger.evidence.append("Nothing to take off.")
        marks.append(
            CriterionMark(
                criterion.name,
                criterion.title,
                criterion.of,
                None if ledger.is_open else _halves(ledger.left),
                tuple(ledger.evidence),
            )
        )
    return Proposal(tuple(marks))


def _cost(ledger: _Ledger, severity: Severity) -> Decimal:
    if severity in DEDUCTION_SHARE:
        return max(HALF, _halves(ledger.of * DEDUCTION_SHARE[severity]))
    return DEDUCTION_MARKS[severity]


def _from_findings(name: str, ledger: _Ledger, evidence: Evidence) -> None:
    if name == "program" and not evidence.program_handed_in:
        ledger.lacks("No program was handed in.", final=evidence.final)
        return
    if name != "program" and not evidence.wiring_handed_in:
        ledger.lacks("No wiring was handed in.", final=evidence.final)
        return
    told: set[tuple[str, tuple[str, ...]]] = set()

    def charge(findings: Iterable[Finding], share: Decimal, lead: str) -> None:
        for found in findings:
            if found.criterion != name or _cause(found) in told:
                continue
            cost = _cost(ledger, found.severity) * share
            if not lead:
                ledger.take(cost, found.seen)
            elif found.severity in (Severity.STOP, Severity.FIX):
                ledger.take(_halves(cost), f"{lead}: {_lowered(found.seen)}")
            told.add(_cause(found))

    if name == "program":
        charge(evidence.program, Decimal(1), "")
        if evidence.hints_cost:
            ledger.take(evidence.hints_cost, f"{evidence.hints_opened} steps of hints were opened")
        return
    charge(evidence.wiring, Decimal(1), "")
    if name == "resistors":
        for title, there in evidence.resistors.items():
            if not there:
                ledger.take(_halves(ledger.of / len(evidence.resistors)), f"Not on the bench: {title}.")
    charge(evidence.sent_back, SENT_BACK_SHARE, "Found by the instructor before power")
    charge(evidence.mended, MENDED_SHARE, "Found and mended by the pair before power")
    if name == "safety":
        if evidence.overruled:
            ledger.take(HALF, "Power was cleared by overruling a Stop.")
        elif evidence.cleared and not told:
            ledger.evidence.append("Cleared for power with no Stop open.")


def _lowered(sentence: str) -> str:
    """A sentence to go on behind a colon; names of parts and pins keep their capitals."""
    first = sentence.split(" ", 1)[0]
    return sentence if first.upper() == first or any(c.isdigit() for c in first) else sentence[0].lower() + sentence[1:]


def _cause(found: Finding) -> tuple[str, tuple[str, ...]]:
    return found.rule, found.where.parts


def _care(ledger: _Ledger, evidence: Evidence) -> None:
    for fault in evidence.kit_faults:
        ledger.take(Decimal(1), fault)
    for found in evidence.wiring:
        if found.criterion == "care":
            ledger.evidence.append(found.seen)
    if not evidence.kit_faults:
        ledger.evidence.append("No fault of the kit is recorded.")


def _prediction(ledger: _Ledger, evidence: Evidence) -> None:
    """A prediction earns its part when it lies in the limits of the pair's own sheet; half of it for having been made."""
    if not evidence.predictions:
        measured = evidence.final or evidence.readings_handed_in
        ledger.lacks("Nothing was predicted before measuring.", final=measured)
        return
    each = ledger.of / len(evidence.predictions)
    for name, verdict in evidence.predictions.items():
        if verdict == "unjudged":
            ledger.evidence.append(
                f"{name}: predicted; what the sensor got there was not measured, so it is not judged."
            )
        elif verdict == "out":
            ledger.take(each / 2, f"{name}: predicted beforehand, but outside this bench's limits")
        else:
            ledger.evidence.append(f"{name}: predicted in limits.")


def _readings(ledger: _Ledger, evidence: Evidence) -> None:
    """Each step earns its part when it is right for what the pair built, even where the exercise wanted another value."""
    if not (evidence.readings_handed_in or evidence.steps):
        ledger.lacks("No readings were handed in.", final=evidence.final)
        return
    if not evidence.steps:
        ledger.evidence.append("The log could not be compared with a sheet; judge it by eye.")
        return
    each = ledger.of / len(evidence.steps)
    for name, verdict in evidence.steps.items():
        intended = evidence.intended.get(name, verdict)
        if verdict in ("likely", "in-limits"):
            through = intended == "out"
            ledger.evidence.append(
                f"{name}: right for what was built, though not what the exercise intends (follow-through)."
                if through
                else f"{name}: in limits."
            )
        elif verdict == "exempt":
            ledger.evidence.append(f"{name}: at a flat end of the converter, where no reading is judged.")
        elif verdict == "missing":
            ledger.take(each, f"{name}: no readings.")
        elif name in evidence.follows_program:
            ledger.take(each / 4, f"{name}: out of limits, but just what the program handed in prints (follow-through)")
        else:
            ledger.take(each * 3 / 4, f"{name}: measured and recorded, but out of this bench's limits")
