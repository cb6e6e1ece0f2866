"""Which column of a class list is what: proposed from the headers, else from what is in the cells."""

import re
from dataclasses import dataclass
from typing import Literal

from verifex.people.refusals import ColumnChosenTwice, ColumnsOfAnotherFile, NameColumnMissing
from verifex.people.user_names import plain
from verifex.tables.read import Rows

Meaning = Literal["first", "last", "name", "number", "group", "section"]
MEANINGS: tuple[Meaning, ...] = ("first", "last", "name", "number", "group", "section")
HEADER_WITHIN = 12  # rows; above the header schools print their name, the term, the date

#: Header words; matched on letters only, so `First Name:` and `FIRST_NAME` are one.
_SPELLINGS: dict[Meaning, str] = {
    "first": """first firstname firstnames given givenname givennames forename forenames preferredname vorname prenom nombre
        voornaam""",
    "last": "last lastname surname family familyname nachname familienname nom nomdefamille apellido apellidos achternaam",
    "name": """name fullname displayname student students studentname participant learner pupil lastnamefirstname
        namefirstlast""",
    "number": """id sid no nr number idnumber studentid studentno studentnumber matriculation matriculationnumber regno
        registrationnumber candidatenumber rollno rollnumber""",
    "group": "group groups team pair labgroup tutorgroup gruppe groupe",
    "section": "section sectionname class classcode classgroup course set stream klasse",
}
#: Longer wordings, the first that fits: `Student Name (Last, First)`, `Name of student`, `Given names in full`.
_WORDINGS: tuple[tuple[str, Meaning], ...] = (
    (r"(last|surname|family).*(first|given)|(first|given).*(last|surname|family)", "name"),
    (r"firstname|givenname|forename|vorname", "first"),
    (r"lastname|surname|familyname|nachname", "last"),
    (r"^name|(student|pupil|learner|full).*name", "name"),
    (r"(student|pupil|roll|regist|matric|candidate).*(number|no|id)$", "number"),
)
_WORDS = {meaning: frozenset(text.split()) for meaning, text in _SPELLINGS.items()}


@dataclass(frozen=True, slots=True)
class Columns:
    """Where the list begins (`first_row`, counted from 0, below the header) and which column is what (counted from 0)."""

    first_row: int
    meanings: dict[Meaning, int]

    def checked(self, rows: Rows) -> "Columns":
        """Raises Refused where names cannot be found, or a column is none."""
        width = len(rows[0]) if rows else 0
        if not 0 <= self.first_row <= len(rows) or any(not 0 <= place < width for place in self.meanings.values()):
            raise ColumnsOfAnotherFile()
        if len(set(self.meanings.values())) < len(self.meanings):
            raise ColumnChosenTwice()
        if "name" not in self.meanings and "last" not in self.meanings and "first" not in self.meanings:
            raise NameColumnMissing()
        return self


def propose_columns(rows: Rows) -> Columns:
    """The best guess: a header among the first rows, else the shapes of the cells."""
    scored = [
        (sum(_meaning(cell) is not None for cell in row), -place) for place, row in enumerate(rows[:HEADER_WITHIN])
    ]
    hits, place = max(scored, default=(0, 0))
    header = -place
    if hits and (hits > 1 or _is_name_header(rows[header])):
        meanings: dict[Meaning, int] = {}
        for column, cell in enumerate(rows[header]):
            meaning = _meaning(cell)
            if meaning and meaning not in meanings:
                meanings[meaning] = column
        if "first" in meanings and "last" in meanings:
            meanings.pop("name", None)
        elif "name" in meanings and "first" in meanings:
            meanings["last"] = meanings.pop("name")  # `Name, First name`
        if {"first", "last", "name"} & set(meanings):
            number = _by_shape(rows[header + 1 :]).get("number") if "number" not in meanings else None
            if number is not None and number not in meanings.values():
                meanings["number"] = number
            return Columns(header + 1, meanings)
    return Columns(_first_list_row(rows), _by_shape(rows))


def _meaning(cell: str) -> Meaning | None:
    """What a header says: one of the words, else a longer wording with such a word in it."""
    letters = re.sub(r"\d", "", plain(cell))
    word = next((meaning for meaning in MEANINGS if letters in _WORDS[meaning]), None)
    return word or next((meaning for pattern, meaning in _WORDINGS if re.search(pattern, letters)), None)


def _is_name_header(row: list[str]) -> bool:
    return any(_meaning(cell) in ("name", "first", "last") for cell in row)


def _first_list_row(rows: Rows) -> int:
    """Below titles: the first row that is as full as most are."""
    fullness = [sum(bool(cell) for cell in row) for row in rows]
    usual = max(set(fullness), key=fullness.count)
    return next((place for place, count in enumerate(fullness) if count >= usual), 0)


def _by_shape(rows: Rows) -> dict[Meaning, int]:
    """Columns of words are names: one of them whole names, two of them first and last; one of digits is the number."""
    body = rows[_first_list_row(rows) :] if rows else []
    words, digits = [], []
    for column in range(len(rows[0]) if rows else 0):
        cells = [row[column] for row in body if row[column]]
        if not cells:
            continue
        if sum(bool(re.fullmatch(r"[^\d@]{2,}", cell)) for cell in cells) > 0.8 * len(cells):
            words.append((column, sum(" " in cell or "," in cell for cell in cells) / len(cells)))
        elif len(set(cells)) == len(cells) and sum(map(_is_number, cells)) > 0.8 * len(cells):
            digits.append(column)
    found: dict[Meaning, int] = {"number": digits[0]} if digits else {}
    whole = next((column for column, share in words if share > 0.6), None)
    if whole is not None:
        found["name"] = whole
    elif len(words) > 1:
        found["first"], found["last"] = words[0][0], words[1][0]
    elif words:
        found["name"] = words[0][0]
    return found


def _is_number(cell: str) -> bool:
    """Whether a cell may be a student number: digits in it, more than a place in a list has, and no address."""
    return len(cell) > 3 and "@" not in cell and any(c.isdigit() for c in cell)
