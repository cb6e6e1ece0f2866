"""What importing a class list would change: added, changed, left alone, doubtful. Compared by number, else by name."""

from collections import Counter
from collections.abc import Sequence
from dataclasses import dataclass, field
from typing import Literal

from verifex.acts.refusals import Refused
from verifex.people.class_list.columns import Columns
from verifex.people.user_names import plain, split_name
from verifex.tables.read import Rows

Kind = Literal["added", "changed", "same", "doubtful", "wrong", "missing"]


@dataclass(frozen=True, slots=True)
class Person:
    """Who is named, with what a school says of them."""

    first: str
    last: str
    number: str = ""
    group: str = ""
    section: str = ""

    @property
    def name(self) -> str:
        return f"{self.first} {self.last}".strip()


@dataclass(frozen=True, slots=True)
class Entry(Person):
    """A row of the file; `row` counts from 1 as spreadsheets do."""

    row: int = field(kw_only=True)


@dataclass(frozen=True, slots=True)
class Listed(Person):
    """Someone who is on a class list of the course now."""

    user_id: int = field(kw_only=True)


@dataclass(frozen=True, slots=True)
class Change:
    """What a row (or someone who is missing in the file) means. A doubtful one is only done when it is taken."""

    kind: Kind
    entry: Entry | None
    listed: Listed | None = None
    why: str = ""
    what: tuple[str, ...] = field(default=())  # the changes in words


def entries(rows: Rows, columns: Columns, section: str) -> list[Entry | Change]:
    """The rows as entries, empty ones left out; one that names nobody is a Change of kind `wrong`. Rows without a section
    of their own are for `section`."""
    columns.checked(rows)
    found: list[Entry | Change] = []
    for place, row in enumerate(rows[columns.first_row :], columns.first_row + 1):
        cells = {meaning: row[column] for meaning, column in columns.meanings.items()}
        first, last = cells.get("first", ""), cells.get("last", "")
        if not first and not last:
            try:
                first, last = split_name(cells.get("name", ""))
            except Refused:
                if any(cells.values()):
                    empty = Entry("", "", cells.get("number", ""), row=place)
                    found.append(Change("wrong", empty, why="no name in this row"))
                continue
        if not plain(first + last) and not any(c.isalpha() for c in first + last):
            found.append(Change("wrong", Entry(first, last, row=place), why=f"“{(first + last)[:40]}” is no name"))
            continue
        found.append(
            Entry(
                first[:150],
                last[:150],
                cells.get("number", "")[:40],
                cells.get("group", "")[:40],
                (cells.get("section", "") or section)[:60],
                row=place,
            )
        )
    return found


def compare(rows: Sequence[Entry | Change], listed: Sequence[Listed]) -> list[Change]:
    """Each row's change, then who is on the list of one of the file's sections and not in the file."""
    by_number = {person.number: person for person in listed if person.number}
    by_name: dict[str, list[Listed]] = {}
    for person in listed:
        by_name.setdefault(plain(person.name), []).append(person)
    people = [row for row in rows if isinstance(row, Entry)]
    names = Counter((plain(entry.name), entry.section) for entry in people)
    numbers = Counter(entry.number for entry in people if entry.number)
    met: set[int] = set()
    changes: list[Change] = []
    for row in rows:
        change = row if isinstance(row, Change) else _of(row, by_number, by_name, names, numbers)
        if change.listed:
            met.add(change.listed.user_id)
        changes.append(change)
    sections = {entry.section.casefold() for entry in people}
    missing = [p for p in listed if p.user_id not in met and p.section.casefold() in sections]
    return [*changes, *(Change("missing", None, person, "on the list, not in this file") for person in missing)]


def _of(
    entry: Entry,
    by_number: dict[str, Listed],
    by_name: dict[str, list[Listed]],
    names: Counter[tuple[str, str]],
    numbers: Counter[str],
) -> Change:
    if entry.number and numbers[entry.number] > 1:
        return Change("wrong", entry, why=f"the number {entry.number} stands in the file {numbers[entry.number]} times")
    known = by_number.get(entry.number) if entry.number else None
    if known is not None:
        if plain(known.name) != plain(entry.name):
            return Change(
                "doubtful",
                entry,
                known,
                "the number is known with another name",
                (f"{known.name} becomes {entry.name}",),
            )
        return _updated(entry, known)
    same = by_name.get(plain(entry.name), [])
    twice = names[(plain(entry.name), entry.section)] > 1
    if not same:
        return Change("doubtful", entry, why="this name stands in the file twice") if twice else Change("added", entry)
    here = [person for person in same if person.section.casefold() == entry.section.casefold()] or same
    if len(here) > 1 or twice:
        return Change("doubtful", entry, why="several people have this name; a student number would tell them apart")
    person = here[0]
    if entry.number and person.number:
        return Change("doubtful", entry, why=f"{person.name} is there already, with the number {person.number}")
    return _updated(entry, person)


def _updated(entry: Entry, known: Listed) -> Change:
    what = []
    if known.name != entry.name:
        what.append(f"{known.name} is written {entry.name}")
    if entry.number and entry.number != known.number:
        what.append(f"number {entry.number}")
    if entry.group and entry.group != known.group:
        what.append(f"group {entry.group}")
    if entry.section.casefold() != known.section.casefold():
        what.append(f"moves from {known.section} to {entry.section}")
    return Change("changed" if what else "same", entry, known, what=tuple(what))
