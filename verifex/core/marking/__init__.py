"""Criteria, evidence, proposed marks: the engine proposes, a person decides."""

from verifex.core.marking.evidence import Evidence
from verifex.core.marking.propose import CriterionMark, Proposal, propose

__all__ = ["CriterionMark", "Evidence", "Proposal", "propose"]
