"""Faults as a table; only written: a fault is opened and closed by somebody who looks at it."""

from collections.abc import Iterable

from django.utils import timezone

from verifex.people.access import courses_of
from verifex.people.models import User
from verifex.stores.exchange.table import Table
from verifex.stores.present.faults import faults_json
from verifex.tables.write import Cells

HEAD = ("Kit", "Place", "Module", "What", "State", "Which time", "Opened", "By", "Closed", "Closed by", "Note")


def _rows(actor: User) -> Iterable[Cells]:
    for row in faults_json(courses_of(actor)):
        closed = f"{timezone.localtime(row['closed_at']):%Y-%m-%d %H:%M}" if row["closed_at"] else ""
        yield (
            row["kit"], row["ref"], row["module"], row["what"], row["state"], row["times"],
            f"{timezone.localtime(row['opened_at']):%Y-%m-%d %H:%M}", row["opened_by"], closed, row["closed_by"], row["note"],
        )  # fmt: skip


FAULTS = Table("faults", "Faults", HEAD, _rows)
