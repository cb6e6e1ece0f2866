"""Refusals of papers: each reason a type with its facts, and the sentence it is answered with."""

from verifex.acts.refusals import Refused


class NoDocketToPrint(Refused):
    sentence = "No docket is open in this session yet, so there is no sheet to print."


class UnknownSheet(Refused):
    sheet: str
    sentence = "There is no sheet “{sheet}”."


class NoLabelsChosen(Refused):
    sentence = "There is nothing to print a label for."


class TooManyLabels(Refused):
    chosen: int
    most: int
    sentence = "{chosen} labels are too many at once; choose up to {most}."


class LabelPositionOutside(Refused):
    count: int
    sentence = "A sheet has the labels 1 to {count}."


class PdfLibrariesMissing(Refused):
    sentence = (
        "This machine cannot make papers yet: Debian's packages libpango-1.0-0 and libpangoft2-1.0-0 are missing."
    )


class PageTooLarge(Refused):
    sentence = "This page is larger than a page may be; nothing was made."


class PairSheetNotWorkedOut(Refused):
    pair: str
    sentence = "The sheet of {pair} could not be worked out; see the findings of its wiring."
