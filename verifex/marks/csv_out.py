"""Marks as CSV, safe to open in a spreadsheet."""

import csv
import io

from verifex.dockets.models import Docket, State, Station
from verifex.dockets.stations import state_of
from verifex.marks.services import marks_of, student_total, total_of


def safe(cell: str) -> str:
    """A cell that a spreadsheet cannot take for a formula."""
    return f"'{cell}" if cell[:1] in ("=", "+", "-", "@", "\t", "\r") and not _is_number(cell) else cell


def _is_number(cell: str) -> bool:
    try:
        float(cell)
    except ValueError:
        return False
    return True


def marks_csv(dockets: list[Docket]) -> str:
    """A row a student: name, pair, exercise, version, scheme, each criterion, total, of, state."""
    out = io.StringIO()
    writer = csv.writer(out, lineterminator="\r\n")
    titles = list(dict.fromkeys(c["title"] for docket in dockets for c in docket.scheme.criteria))
    writer.writerow(["Student", "Pair", "Exercise", "Version", "Scheme", *map(safe, titles), "Total", "Of", "State"])
    for docket in dockets:
        rows = marks_of(docket)
        total, most = total_of(rows)
        by_title = {row["title"]: row["counts"] for row in rows}
        marked = state_of(docket, Station.MARK) == State.PASSED
        own = {row.user_id: row for row in docket.student_marks.all()}
        for member in docket.pair.members.filter(until__isnull=True).select_related("user"):
            mark = own.get(member.user_id)
            final = student_total(mark, total) if mark else total
            cells = [
                member.user.get_full_name(),
                docket.pair.name,
                docket.version.exercise.title,
                str(docket.version.number),
            ]
            cells += [str(docket.scheme.number), *(by_title.get(title, "") for title in titles), final, most]
            state = "absent" if mark and mark.absent else "marked" if marked else "proposed"
            writer.writerow([safe(cell) for cell in [*cells, state]])
    return out.getvalue()
