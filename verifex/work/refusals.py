"""Refusals of long work and its files: each reason a type with its facts, and the sentence it is answered with."""

from verifex.acts.refusals import Refused


class FileIncomplete(Refused):
    sentence = "This file did not arrive whole; choose it again."


class FirstPasswordsFetched(Refused):
    sentence = "This file held first passwords and was fetched already. Print it again if it is lost."


class WorkNotFinished(Refused):
    sentence = "It is not finished yet."


class FileNotReadableWithinLimits(Refused):
    sentence = (
        "This file cannot be read within the limits of a file: it is damaged, or much larger inside than it looks. Save only what is needed as a new "
        "file, and choose that."
    )
