"""Refusals of sums: each reason a type with its facts, and the sentence it is answered with."""

from verifex.acts.refusals import Refused


class UnknownSum(Refused):
    name: str
    names: tuple[str, ...]
    sentence = "There is no sum called “{name}”; one of {names}."


class SumNotWorkedOut(Refused):
    reason: str
    sentence = "{reason}."
