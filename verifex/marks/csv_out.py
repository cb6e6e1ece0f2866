"""Marks as CSV, safe to open in a spreadsheet."""

import csv
import io

from verifex.marks.book import Marked
from verifex.marks.sheet import plain
from verifex.tables.cells import safe


def marks_csv(rows: list[Marked]) -> str:
    """A row a student: name, pair, exercise, version, scheme, each criterion, total, of, state."""
    out = io.StringIO()
    writer = csv.writer(out, lineterminator="\r\n")
    titles = list(dict.fromkeys(row.title for marked in rows for row in marked.sheet.rows))
    writer.writerow(["Student", "Pair", "Exercise", "Version", "Scheme", *map(safe, titles), "Total", "Of", "State"])
    for marked in rows:
        docket, by_title = marked.docket, {row.title: row.counts or "" for row in marked.sheet.rows}
        for student in marked.students:
            cells = [student["name"], docket.pair.name, docket.version.exercise.title, str(docket.version.number)]
            cells += [str(docket.scheme.number), *(by_title.get(title, "") for title in titles)]
            state = "absent" if student["absent"] else "closed" if marked.closed else "proposed"
            writer.writerow([safe(cell) for cell in [*cells, student["total"], plain(marked.sheet.of), state]])
    return out.getvalue()
