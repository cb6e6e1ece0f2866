"""Proposed marks: each criterion from its own evidence, one deduction a cause, follow-through applied."""

from collections.abc import Callable, Iterable
from dataclasses import dataclass
from decimal import Decimal
from fractions import Fraction

from verifex.core.exercise import MARK_STEP as STEP
from verifex.core.exercise import Criterion
from verifex.core.findings import Finding, Severity, judgements
from verifex.core.marking.evidence import Evidence
from verifex.core.marking.ledger import Ledger

#: What a finding takes off its criterion: as a share of the criterion for a Stop or Fix, in marks below.
DEDUCTION_SHARE = {Severity.STOP: Fraction(1, 2), Severity.FIX: Fraction(1, 4)}
DEDUCTION_MARKS = {Severity.CHECK: Fraction(1, 2), Severity.NOTE: Fraction(0)}
#: A Stop or Fix that a person found before power, and one the pair mended itself, cost this share of the deduction.
SENT_BACK_SHARE = Fraction(1, 2)
MENDED_SHARE = Fraction(1, 4)
OVERRULE_MARKS = Fraction(1, 2)


@dataclass(frozen=True, slots=True)
class CriterionMark:
    """A criterion with its proposed mark and the evidence for it, in sentences. `proposed` is None while there is nothing
    to mark yet, and where nobody judged it: then a person has `to_decide` before the marking is closed."""

    name: str
    title: str
    of: Decimal
    proposed: Decimal | None
    evidence: tuple[str, ...]
    to_decide: bool = False

    def as_json(self) -> dict[str, object]:
        return {
            "name": self.name,
            "title": self.title,
            "of": str(self.of),
            "proposed": None if self.proposed is None else str(self.proposed),
            "evidence": list(self.evidence),
            "to_decide": self.to_decide,
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


#: Criteria that the checks know something about; what a scheme asks besides is for a person to mark.
JUDGED = frozenset({"care", "prediction", "program", "readings", "resistors", "safety", "wiring"})
NOT_JUDGED = ("unjudged", "exempt")  # verdicts of steps and predictions that nobody could judge


def propose(criteria: Iterable[Criterion], evidence: Evidence, *, step: Decimal = STEP) -> Proposal:
    """Marks in multiples of `step` for each criterion, at most all it is worth and at least nothing.

    Findings feed the criterion their rule names; what the scheme lacks is left out. A criterion that nobody judged has no
    proposal.
    """
    marks = []
    for criterion in criteria:
        ledger = Ledger(criterion.of, step)
        special = {"readings": _readings, "care": _care, "prediction": _prediction, "program": _program}
        if criterion.name not in JUDGED:
            ledger.leave_to_a_person("No check looks at this; mark it yourself.")
        else:
            special.get(criterion.name, _wiring(criterion.name))(ledger, evidence)
        if ledger.is_empty:
            ledger.note("Nothing to take off.")
        marks.append(
            CriterionMark(
                criterion.name,
                criterion.title,
                criterion.of,
                ledger.proposed,
                ledger.sentences(),
                to_decide=ledger.to_decide,
            )
        )
    return Proposal(tuple(marks))


def _cost(ledger: Ledger, severity: Severity) -> Fraction:
    if severity in DEDUCTION_SHARE:
        return max(Fraction(ledger.step), Fraction(ledger.of) * DEDUCTION_SHARE[severity])
    return DEDUCTION_MARKS[severity]


class _Charges:
    """Deductions for findings of one criterion, one for each cause."""

    def __init__(self, name: str, ledger: Ledger) -> None:
        self.name, self.ledger = name, ledger
        self.causes: set[tuple[str, tuple[str, ...]]] = set()

    def charge(self, findings: Iterable[Finding], share: Fraction, lead: str) -> None:
        for found in judgements(findings):
            if found.criterion != self.name or _cause(found) in self.causes:
                continue
            cost = _cost(self.ledger, found.severity) * share
            if not lead:
                self.ledger.take(cost, found.seen)
            elif found.severity in (Severity.STOP, Severity.FIX):
                self.ledger.take(cost, f"{lead}: {_lowered(found.seen)}")
            self.causes.add(_cause(found))


def _program(ledger: Ledger, evidence: Evidence) -> None:
    if not evidence.program_handed_in:
        ledger.lacks("No program was handed in.", final=evidence.final)
        return
    _leave_unchecked(ledger, evidence.program)
    if evidence.program_not_judged and not ledger.to_decide:
        ledger.leave_to_a_person(f"Its run was not judged: {_lowered(evidence.program_not_judged)}")
    _Charges("program", ledger).charge(evidence.program, Fraction(1), "")
    if evidence.hints_cost:
        ledger.take(evidence.hints_cost, f"{evidence.hints_opened} steps of hints were opened")


def _wiring(name: str) -> Callable[[Ledger, Evidence], None]:
    """A criterion that the wiring's findings feed."""

    def from_wiring(ledger: Ledger, evidence: Evidence) -> None:
        if not evidence.wiring_handed_in:
            ledger.lacks("No wiring was handed in.", final=evidence.final)
            return
        charges = _Charges(name, ledger)
        if _leave_unchecked(ledger, evidence.wiring):
            return
        charges.charge(evidence.wiring, Fraction(1), "")
        if name == "resistors":
            for title, there in evidence.resistors.items():
                if not there:
                    ledger.take(Fraction(ledger.of) / len(evidence.resistors), f"Not on the bench: {title}.")
        charges.charge(evidence.sent_back, SENT_BACK_SHARE, "Found by the instructor before power")
        charges.charge(evidence.mended, MENDED_SHARE, "Found and mended by the pair before power")
        if name == "safety":
            if evidence.overruled:
                ledger.take(OVERRULE_MARKS, "Power was cleared by overruling a Stop.")
            elif evidence.cleared and not charges.causes:
                ledger.note("Cleared for power with no Stop open.")

    return from_wiring


def _leave_unchecked(ledger: Ledger, findings: Iterable[Finding]) -> bool:
    """Leave the criterion to a person where we could not check something of it; whether that is so."""
    unchecked = [found for found in findings if found.unchecked]
    for found in unchecked:
        ledger.leave_to_a_person(f"{found.seen} That costs nothing; judge it by eye.")
    return bool(unchecked)


def _lowered(sentence: str) -> str:
    """A sentence to go on behind a colon; names of parts and pins keep their capitals."""
    first = sentence.split(" ", 1)[0]
    return sentence if first.upper() == first or any(c.isdigit() for c in first) else sentence[0].lower() + sentence[1:]


def _cause(found: Finding) -> tuple[str, tuple[str, ...]]:
    return found.rule, found.where.parts


def _care(ledger: Ledger, evidence: Evidence) -> None:
    for fault in evidence.kit_faults:
        ledger.take(Fraction(1), fault)
    for found in judgements(evidence.wiring):
        if found.criterion == "care":
            ledger.note(found.seen)
    if not evidence.kit_faults:
        ledger.note("No fault of the kit is recorded.")


def _prediction(ledger: Ledger, evidence: Evidence) -> None:
    """A prediction earns its part when it lies in the limits of the pair's own sheet; half of it for having been made."""
    if evidence.prediction_unchecked:
        ledger.leave_to_a_person("The prediction could not be checked; judge it by eye.")
        return
    if not evidence.predictions:
        measured = evidence.final or evidence.readings_handed_in
        ledger.lacks("Nothing was predicted before measuring.", final=measured)
        return
    judged = [name for name, verdict in evidence.predictions.items() if verdict not in NOT_JUDGED]
    for name, verdict in evidence.predictions.items():
        if verdict in NOT_JUDGED:
            ledger.note(f"{name}: predicted; what the sensor got there was not measured, so it is not judged.")
        elif verdict == "out":
            each = Fraction(ledger.of) / len(judged)
            ledger.take(each / 2, f"{name}: predicted beforehand, but outside this bench's limits")
        else:
            ledger.note(f"{name}: predicted in limits.")
    if not judged:
        ledger.leave_to_a_person("None of it could be judged; judge it by eye.")


def _readings(ledger: Ledger, evidence: Evidence) -> None:
    """Each step earns its part when it is right for what the pair built, even where the exercise wanted another value."""
    if not (evidence.readings_handed_in or evidence.steps):
        ledger.lacks("No readings were handed in.", final=evidence.final)
        return
    judged = [name for name, verdict in evidence.steps.items() if verdict not in NOT_JUDGED]
    if not evidence.steps:
        ledger.leave_to_a_person("The log could not be compared with a sheet; judge it by eye.")
        return
    if not judged:
        ledger.leave_to_a_person("No step of this log could be judged; judge it by eye.")
    for name, verdict in evidence.steps.items():
        each = Fraction(ledger.of) / max(1, len(judged))
        intended = evidence.intended.get(name, verdict)
        if verdict in ("likely", "in-limits"):
            through = intended == "out"
            ledger.note(
                f"{name}: right for what was built, though not what the exercise intends (follow-through)."
                if through
                else f"{name}: in limits."
            )
        elif verdict == "exempt":
            ledger.note(f"{name}: at a flat end of the converter, where no reading is judged.")
        elif verdict in NOT_JUDGED:
            ledger.note(f"{name}: not judged.")
        elif verdict == "missing":
            ledger.take(each, f"{name}: no readings.")
        elif name in evidence.follows_program:
            ledger.take(each / 4, f"{name}: out of limits, but just what the program handed in prints (follow-through)")
        else:
            ledger.take(each * 3 / 4, f"{name}: measured and recorded, but out of this bench's limits")
