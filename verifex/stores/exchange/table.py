"""What every table of the stores has in common: its columns, and how rows are read back.

A preview does what the import would do, and takes it all back: so the import does exactly what the preview showed.
"""

from collections.abc import Callable, Iterable, Mapping, Sequence
from dataclasses import dataclass
from datetime import date, datetime
from decimal import Decimal
from hashlib import sha256
from math import isfinite
from typing import Literal

from django.db import transaction

from verifex.acts.refusals import NotAllowed, Refused, Stale
from verifex.people.models import User
from verifex.stores.access import require_store_staff
from verifex.stores.refusals.exchange import (
    ColumnNotANumber,
    ColumnsMissing,
    NotADay,
    NotAWholeNumber,
    TableOnlyWritten,
    TooManyTableRows,
)
from verifex.tables.read import Rows
from verifex.tables.write import Cells

MOST_ROWS = 600  # a preview and an import hold every other write back while they last
Kind = Literal["added", "changed", "same", "wrong"]
Done = tuple[Kind, str]
Row = Mapping[str, str]


@dataclass(frozen=True, slots=True)
class Table:
    """`head` are its columns, the first `asked` of which a file must have; `rows` writes it, `put` reads one row (Refused says what is
    wrong with it); a table without `put` is only written."""

    name: str
    title: str
    head: tuple[str, ...]
    rows: Callable[[User], Iterable[Cells]]
    put: Callable[[User, Row], Done] | None = None
    asked: int = 1


@dataclass(frozen=True, slots=True)
class Change:
    """What a row of a file comes to; `row` counts from 1 as spreadsheets do."""

    row: int
    kind: Kind
    about: str
    what: str


class _TakenBack(Exception):
    """Ends a preview."""


def preview(actor: User, table: Table, rows: Rows) -> tuple[list[Change], str]:
    """Each row's change and a digest of them all; nothing is stored. Raises Refused for a file that is no such table."""
    found: list[Change] = []
    try:
        with transaction.atomic():
            found = _put_all(actor, table, rows)
            raise _TakenBack
    except _TakenBack:
        pass
    return found, _digest(found)


def _digest(changes: Sequence[Change]) -> str:
    return sha256(repr(changes).encode()).hexdigest()[:24]


@transaction.atomic
def import_rows(actor: User, table: Table, rows: Rows, seen: str) -> list[Change]:
    """Do what the preview with the digest `seen` showed; rows that are wrong are left out. Raises Stale where the stores changed since."""
    done = _put_all(actor, table, rows)
    if _digest(done) != seen:
        raise Stale(["The stores have changed since this preview; look at it again."])  # and all of it is taken back
    return done


def _put_all(actor: User, table: Table, rows: Rows) -> list[Change]:
    require_store_staff(actor)
    if table.put is None:
        raise TableOnlyWritten(table.title)
    if len(rows) > MOST_ROWS + 1:
        raise TooManyTableRows(len(rows) - 1, MOST_ROWS)
    columns = _columns(table, rows)
    found = []
    for number, cells in enumerate(rows[1:], start=2):
        row = {name: cells[place].strip() for name, place in columns.items()}
        if not any(row.values()):
            continue
        about = next((row[name] for name in table.head if row.get(name)), "")
        try:
            with transaction.atomic():
                kind, what = table.put(actor, row)
        except (Refused, NotAllowed) as wrong:
            kind, what = "wrong", str(wrong)
        found.append(Change(number, kind, about[:60], what[:200]))
    return found


def _columns(table: Table, rows: Rows) -> dict[str, int]:
    named = {_plain(cell): place for place, cell in reversed(list(enumerate(rows[0])))}
    found = {name: named[_plain(name)] for name in table.head if _plain(name) in named}
    if missing := [name for name in table.head[: table.asked] if name not in found]:
        raise ColumnsMissing(tuple(missing), table.title.lower(), tuple(table.head))
    return found


def _plain(cell: str) -> str:
    return "".join(letter for letter in cell.casefold() if letter.isalnum())


def number(row: Row, name: str, usual: float | None = None) -> float:
    """The number in a cell, `usual` where it is empty. Raises Refused."""
    text = row.get(name, "").replace(" ", "")
    if not text and usual is not None:
        return usual
    try:
        value = float(text if "." in text else text.replace(",", "."))
        if not isfinite(value):
            raise ValueError
        return value
    except ValueError:
        raise ColumnNotANumber(name, row.get(name, "")) from None


def whole(row: Row, name: str, usual: int = 0) -> int:
    value = number(row, name, usual)
    if value != int(value) or value < 0:
        raise NotAWholeNumber(name, row[name])
    return int(value)


def day(row: Row, name: str) -> date | None:
    """A day as 2026-11-29, as a spreadsheet gives it too. Raises Refused."""
    text = row.get(name, "")
    if not text:
        return None
    try:
        return datetime.fromisoformat(text).date()
    except ValueError:
        raise NotADay(name, text) from None


def changes_text(changes: Sequence[tuple[str, object, object]]) -> str:
    """`drawer C3 → C4`, for what differs."""
    return ", ".join(
        f"{name.lower()} {_value_text(was)} → {_value_text(now)}"
        for name, was, now in changes
        if _value_text(was) != _value_text(now)
    )


def _value_text(value: object) -> str:
    if isinstance(value, float):
        return f"{value:g}"
    if isinstance(value, Decimal):
        return format(value.normalize(), "f")
    if isinstance(value, dict) and value:
        return "; ".join(f"{name}={_value_text(held)}" for name, held in value.items())
    return "none" if value in (None, "", {}) else str(value)
