"""Refusals of marks: each reason a type with its facts, and the sentence it is answered with."""

from decimal import Decimal

from verifex.acts.refusals import Refused


class UnknownCriterion(Refused):
    criterion: str
    sentence = "The scheme has no criterion called “{criterion:.40}”."


class MarkOutOfRange(Refused):
    title: str
    most: Decimal
    marks: str
    sentence = "{title} is worth 0 to {most}; {marks:.20} is outside that."


class MarkNotInSteps(Refused):
    step: str
    marks: str
    sentence = "Marks go in steps of {step}; {marks:.20} is none of them."


class ChangedMarkNeedsReason(Refused):
    sentence = "A changed mark needs its reason."


class HandInStillJudged(Refused):
    sentence = "Something of this docket is still being judged. It takes a moment; then close it."


class CriteriaUndecided(Refused):
    criteria: tuple[str, ...]
    sentence = "Nobody has judged {criteria: and } yet; give your own mark for it, then close."


class SecondLookUndecided(Refused):
    sentence = "The log is worth a second look. Say what you decided about it, then close the marking."


class StudentNotInPair(Refused):
    sentence = "This student is not in the pair."


class AdjustmentNotPlausible(Refused):
    adjustment: str
    sentence = "“{adjustment:.20}” is no plausible adjustment."


class AdjustmentNeedsReason(Refused):
    sentence = "Say why this student's mark differs."


class MarkNotANumber(Refused):
    marks: str
    sentence = "“{marks:.20}” is no mark; a number such as 3.5 was expected."


class AdjustmentNotANumber(Refused):
    adjustment: str
    sentence = "“{adjustment:.20}” is no number of marks."
