"""Refusals of files with a table: each reason a type with its facts, and the sentence it is answered with."""

from verifex.acts.refusals import Refused


class RowFarBelow(Refused):
    row: int
    others: int
    sentence = (
        "Row {row} has something in it, far below the {others} other filled rows. Delete what is there and save again."
    )


class TableFileEmpty(Refused):
    sentence = "This file is empty."


class TableCellsEmpty(Refused):
    sentence = "There is nothing in the cells of this file."


class TableFileTooLarge(Refused):
    mb: float
    sentence = "This file has {mb:.1f} MB; a table has at most 1 MB."


class TableTooManyRows(Refused):
    rows: int
    most: int
    sentence = "This file has {rows} filled rows; up to {most} are taken at once, so import it in parts."


class NotATable(Refused):
    sentence = "This is no table: CSV, XLSX or ODS was expected."


class SpreadsheetNotReadable(Refused):
    sentence = "This spreadsheet cannot be read; save it again as XLSX, ODS or CSV."


class CsvNotReadable(Refused):
    reason: str
    sentence = "This CSV file cannot be read: {reason}."
