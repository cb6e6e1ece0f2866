"""Faults as a table; only written: a fault is opened and closed by somebody who looks at it."""

from collections.abc import Iterable

from verifex.people.access import courses_of
from verifex.people.models import User
from verifex.people.times import local
from verifex.stores.exchange.table import Table
from verifex.stores.present.faults import faults_json
from verifex.tables.write import Cells

MINUTE = "%Y-%m-%d %H:%M"
HEAD = ("Kit", "Place", "Module", "What", "State", "Which time", "Opened", "By", "Closed", "Closed by", "Note")


def _rows(actor: User) -> Iterable[Cells]:
    courses = courses_of(actor)
    if not courses:
        return
    for row in faults_json(courses):
        # Kits are the courses' together: by the clock of the first one.
        opened, closed = (f"{local(at, courses[0]):{MINUTE}}" if at else "" for at in (row.opened_at, row.closed_at))
        yield (
            row.kit, row.ref, row.module, row.what, row.state, row.times,
            opened, row.opened_by, closed, row.closed_by, row.note,
        )  # fmt: skip


FAULTS = Table("faults", "Faults", HEAD, _rows)
