"""Refusals of live readings: each reason a type with its facts, and the sentence it is answered with."""

from verifex.acts.refusals import Refused


class LiveCodeExpired(Refused):
    sentence = "This code for live readings has expired. Ask for a new one at the readings station."


class NobodyListens(Refused):
    sentence = "Nobody listens to this board now."


class UnknownPlanStep(Refused):
    step: str
    sentence = "“{step:.60}” is no step of the plan."


class LiveLogTooLarge(Refused):
    sentence = "This log is larger than 1 MB. Stop, hand in what is there, and begin anew."
