"""Refusals of tables that are imported into the stores."""

from verifex.acts.refusals import Refused


class UnknownTable(Refused):
    name: str
    sentence = "There is no table of {name:.20}."


class NotAFigure(Refused):
    entry: str
    sentence = "Figures: “{entry:.30}” is no figure; write volts_at_zero=0.4."


class UnknownModuleTag(Refused):
    tag: str
    sentence = "No module has the tag “{tag:.20}”."


class WattsNotPositive(Refused):
    sentence = "Watts and tolerance are above 0."


class ValueNotReadable(Refused):
    reason: str
    sentence = "Value: {reason}."


class PresentNotYesOrNo(Refused):
    sentence = "There: yes or no."


class UnknownExercise(Refused):
    name: str
    sentence = "No exercise of your courses is called “{name:.60}”."


class UnknownBatch(Refused):
    batch: str
    sentence = "There is no batch {batch:.40}; import the batches first."


class HeadersNotYesOrNo(Refused):
    sentence = "Headers: yes, no or nothing."


class ModuleIsOtherPart(Refused):
    tag: str
    part: str
    sentence = "{tag} is another part: {part}."


class TableOnlyWritten(Refused):
    table: str
    sentence = "{table} are only written, not read."


class TooManyTableRows(Refused):
    rows: int
    most: int
    sentence = "{rows} rows are too many at once: nobody could scan meanwhile. Import up to {most} at a time."


class ColumnsMissing(Refused):
    missing: tuple[str, ...]
    table: str
    head: tuple[str, ...]
    sentence = "The first row names the columns; {missing} is missing. A table of {table} has: {head}."


class NotAWholeNumber(Refused):
    column: str
    text: str
    sentence = "{column}: “{text:.20}” is no whole number from 0 on."


class ColumnNotANumber(Refused):
    column: str
    text: str
    sentence = "{column}: “{text:.20}” is no number."


class NotADay(Refused):
    column: str
    text: str
    sentence = "{column}: “{text:.20}” is no day; write it as 2026-11-29."
