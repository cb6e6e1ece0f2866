"""Tables as CSV and as a spreadsheet."""

import csv
import io
from collections.abc import Iterable, Sequence

from openpyxl import Workbook
from openpyxl.styles import Font

from verifex.tables.cells import safe

Cells = Sequence[object]


def as_csv(head: Cells, rows: Iterable[Cells]) -> str:
    """With the line ends that spreadsheets write; cells that look like a formula are kept from being one."""
    out = io.StringIO()
    table = csv.writer(out, lineterminator="\r\n")
    for row in (head, *rows):
        table.writerow([safe(_text(cell)) for cell in row])
    return out.getvalue()


def as_xlsx(title: str, head: Cells, rows: Iterable[Cells]) -> bytes:
    """One sheet; numbers stay numbers, and no cell is a formula."""
    book = Workbook()
    sheet = book.active
    sheet.title = title[:31]
    sheet.append([_text(cell) for cell in head])
    for cell in sheet[1]:
        cell.font = Font(bold=True)
    for row in rows:
        sheet.append(
            [
                cell if isinstance(cell, int | float) and not isinstance(cell, bool) else safe(_text(cell))
                for cell in row
            ]
        )
    sheet.freeze_panes = "A2"
    for column, name in zip(sheet.columns, head, strict=False):
        longest = max((len(str(cell.value or "")) for cell in column), default=len(_text(name)))
        sheet.column_dimensions[column[0].column_letter].width = min(48, longest + 2)
    out = io.BytesIO()
    book.save(out)
    return out.getvalue()


def _text(cell: object) -> str:
    return "" if cell is None else str(cell)
