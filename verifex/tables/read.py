"""The rows of a table from CSV, XLSX or ODS, or from cells pasted out of a spreadsheet."""

import csv
import io
from collections.abc import Sequence

from python_calamine import CalamineError, CalamineWorkbook

from verifex.tables.refusals import (
    CsvNotReadable,
    NotATable,
    RowFarBelow,
    SpreadsheetNotReadable,
    TableCellsEmpty,
    TableFileEmpty,
    TableFileTooLarge,
    TableTooManyRows,
)

LIMIT_BYTES = 1024 * 1024
MOST_ROWS, MOST_COLUMNS, MOST_LETTERS = 5000, 60, 200
Rows = list[list[str]]


def read_rows(data: bytes) -> Rows:
    """Rows of trimmed cells, empty ones at the ends left out. Raises Refused naming what is wrong with the file."""
    refuse_large(data)
    if not data.strip():
        raise TableFileEmpty()
    rows = _of_workbook(data) if data[:4] in (b"PK\x03\x04", b"\xd0\xcf\x11\xe0") else _of_text(data)
    _refuse_too_many(rows)
    rows = [[_cell(value) for value in row[:MOST_COLUMNS]] for row in rows[:MOST_ROWS]]
    while rows and not any(rows[-1]):
        rows.pop()
    if not any(any(row) for row in rows):
        raise TableCellsEmpty()
    width = max(len(row) for row in rows)
    return [[*row, *[""] * (width - len(row))] for row in rows]


def refuse_large(data: bytes) -> None:
    """Raises Refused for more than a table may have, before it is read."""
    if len(data) > LIMIT_BYTES:
        raise TableFileTooLarge(len(data) / 1024 / 1024)


def _refuse_too_many(rows: Sequence[Sequence[object]]) -> None:
    """Raises Refused for more rows than are taken; a stray cell far below is named, and counts as no thousand rows."""
    last = max((number for number, row in enumerate(rows, 1) if any(row)), default=0)
    if last <= MOST_ROWS:
        return
    filled = sum(any(row) for row in rows)
    if filled > MOST_ROWS:
        raise TableTooManyRows(filled, MOST_ROWS)
    raise RowFarBelow(last, filled - 1)


def _of_workbook(data: bytes) -> list[list[object]]:
    try:
        book = CalamineWorkbook.from_filelike(io.BytesIO(data))
        sheets = [_sheet(book, name) for name in book.sheet_names[:8]]
    except (CalamineError, ValueError, OSError) as wrong:
        raise SpreadsheetNotReadable() from wrong
    # The sheet with the most filled rows: others hold notes and covers.
    return max(sheets, key=lambda rows: sum(any(row) for row in rows), default=[])


def _sheet(book: CalamineWorkbook, name: str) -> list[list[object]]:
    return [list[object](row) for row in book.get_sheet_by_name(name).to_python(skip_empty_area=False)]


def _of_text(data: bytes) -> list[list[str]]:
    if b"\0" in data and not data.startswith((b"\xff\xfe", b"\xfe\xff")):
        raise NotATable()
    text = _decoded(data)
    try:
        return list(csv.reader(io.StringIO(text, newline=""), delimiter=_separator(text)))
    except csv.Error as wrong:
        raise CsvNotReadable(str(wrong)) from wrong


def _decoded(data: bytes) -> str:
    if data.startswith((b"\xff\xfe", b"\xfe\xff")):
        return data.decode("utf-16", "replace")
    try:
        return data.decode("utf-8-sig")
    except UnicodeDecodeError:
        return data.decode("cp1252", "replace")  # what spreadsheets of the last decades wrote


def _separator(text: str) -> str:
    """The separator that most of the first lines have the same number of."""
    lines = [line for line in text.splitlines()[:30] if line.strip()]

    def agreement(separator: str) -> tuple[int, int]:
        counts = [line.count(separator) for line in lines]
        usual = max(set(counts), key=lambda n: (counts.count(n), n), default=0)
        return (counts.count(usual) if usual else 0, usual)

    return max((";", "\t", ",", "|"), key=agreement)


def _cell(value: object) -> str:
    """A cell as text: whole numbers without `.0`, spaces of any kind as one."""
    if isinstance(value, float) and value.is_integer():
        value = int(value)
    return " ".join(str(value if value is not None else "").split())[:MOST_LETTERS]
