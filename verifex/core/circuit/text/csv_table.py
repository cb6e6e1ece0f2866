"""A bench as a table and back: CSV with the columns kind, ref, type, leg, place, setting.

A part has a row a leg (`leg` empty where it is given by position), a wire a row with both places, and a comment
or an empty line a row of its own, so that order and comments survive both ways. Settings, a wire's colour and a
comment at the end of a line stand in `setting` of the statement's first row.
"""

import csv
import io
import re
from collections.abc import Sequence

from verifex.core.circuit.text.notation import STATEMENTS
from verifex.core.parts import catalogue
from verifex.core.problems import Problem, UnusableInput

COLUMNS = ("kind", "ref", "type", "leg", "place", "setting")
COMMENT = "#"
_COMMENT = re.compile(r"(?:^|(?<=\s))#.*$")


def bench_to_csv(text: str) -> str:
    """The table of a bench's text. Words are kept as they stand; spaces between them are not."""
    out = io.StringIO()
    writer = csv.writer(out, lineterminator="\n")
    writer.writerow(COLUMNS)
    for line in text.splitlines():
        writer.writerows(_rows_of(line))
    return out.getvalue()


def _rows_of(line: str) -> Sequence[tuple[str, ...]]:
    match = _COMMENT.search(line)
    comment = match.group().strip() if match else ""
    words = (line[: match.start()] if match else line).split()
    if not words:
        return [(COMMENT if comment else "", "", "", "", "", comment)]
    kind, *rest = words
    tail = f" {comment}" if comment else ""
    if kind == "part" and len(rest) >= 2:
        return _part_rows(rest, comment)
    if kind == "wire":
        return [(kind, "", "", "", " ".join(rest[:2]), (" ".join(rest[2:]) + tail).strip())]
    if kind == "board":
        return [
            (
                kind,
                rest[0] if rest else "",
                rest[1] if len(rest) > 1 else "",
                "",
                "",
                (" ".join(rest[2:]) + tail).strip(),
            )
        ]
    if kind in ("base", "bench"):
        return [(kind, "", rest[0] if rest else "", "", "", (" ".join(rest[1:]) + tail).strip())]
    return [(kind, "", "", "", " ".join(rest), tail.strip())]


def _part_rows(words: list[str], comment: str) -> Sequence[tuple[str, ...]]:
    ref, kind, *rest = words
    known = catalogue().parts.get(kind)
    legs = set(known.leg_names()) if known else set()
    placed: list[tuple[str, str]] = []
    settings: list[str] = []
    for word in rest:
        key, sign, value = word.partition("=")
        if not sign:
            placed.append(("", word))
        elif key in legs:
            placed.append((key, value))
        else:
            settings.append(word)
    said = " ".join([*settings, *([comment] if comment else [])])
    first, *others = placed or [("", "")]
    return [("part", ref, kind, *first, said)] + [("part", ref, kind, *leg, "") for leg in others]


def csv_to_bench(text: str) -> str:
    """The bench that a table describes, its statements in order; rows of one part that follow each other are one.

    Raises UnusableInput when the first row does not name the columns, or a row cannot be read.
    """
    reader = csv.reader(io.StringIO(text, newline=""))
    try:
        rows = list(reader)
    except csv.Error as wrong:
        raise UnusableInput([Problem(max(1, reader.line_num), 1, f"this is no row of a table: {wrong}")]) from None
    head = [cell.strip().lower().lstrip("\ufeff") for cell in rows[0]] if rows else []
    if head[: len(COLUMNS)] != list(COLUMNS):
        raise UnusableInput([Problem(1, 1, f"the first row must read {','.join(COLUMNS)}")])
    lines: list[str] = []
    problems: list[Problem] = []
    open_part: tuple[str, str] | None = None
    for number, row in enumerate(rows[1:], start=2):
        cells = [" ".join(cell.split()) for cell in (*row, *[""] * len(COLUMNS))][: len(COLUMNS)]
        kind, ref, part_type, leg, place, setting = cells
        if len(row) > len(COLUMNS) and any(cell.strip() for cell in row[len(COLUMNS) :]):
            problems.append(Problem(number, 1, f"a row has {len(COLUMNS)} cells; this one has {len(row)}"))
            continue
        words, comment = _split_setting(setting)
        if kind == "part" and open_part == (ref, part_type) and ref:
            lines[-1] = _joined(lines[-1], _leg_word(leg, place), words, comment)
            continue
        open_part = (ref, part_type) if kind == "part" else None
        if kind == "part":
            lines.append(_joined(f"part {ref} {part_type}".strip(), _leg_word(leg, place), words, comment))
        elif kind in ("", COMMENT):
            lines.append(setting if setting.startswith("#") or not setting else f"# {setting}")
        elif kind in STATEMENTS:
            lines.append(_joined(" ".join(w for w in (kind, ref, part_type) if w), place, words, comment))
        else:
            problems.append(Problem(number, 1, f"'{kind}' is no kind; {', '.join(STATEMENTS)} or # was expected"))
    if problems:
        raise UnusableInput(problems)
    return "\n".join(lines) + "\n"


def _split_setting(setting: str) -> tuple[str, str]:
    match = _COMMENT.search(setting)
    return (setting[: match.start()].strip(), match.group().strip()) if match else (setting, "")


def _leg_word(leg: str, place: str) -> str:
    return f"{leg}={place}" if leg else place


def _joined(line: str, place: str, words: str, comment: str) -> str:
    """A statement with one more place, settings and comment; what stood at the end of the line stays there."""
    match = _COMMENT.search(line)
    kept = match.group().strip() if match else ""
    body = (line[: match.start()] if match else line).split()
    # Settings stand behind the legs: a leg that comes later goes before them.
    settings = [w for w in body[1:] if "=" in w and not _is_leg(body, w)]
    legs = [w for w in body if w not in settings]
    return " ".join(
        [*legs, *([place] if place else []), *settings, *words.split(), *([kept or comment] if kept or comment else [])]
    )


def _is_leg(body: list[str], word: str) -> bool:
    known = catalogue().parts.get(body[2]) if len(body) > 2 and body[0] == "part" else None
    return known is not None and word.split("=", 1)[0] in known.leg_names()
