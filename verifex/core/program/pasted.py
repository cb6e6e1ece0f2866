"""Letters that a word processor or a web page puts in place of those of a program: named, and put right to read on."""

import re

from verifex.core.problems import Problem

MOST = 8
#: What is written → (what is intended, its name).
LETTERS = {
    "“": ('"', "a curly quote"), "”": ('"', "a curly quote"), "„": ('"', "a curly quote"), "‘": ("'", "a curly quote"),
    "’": ("'", "a curly quote"),
    "–": ("-", "a long dash"), "—": ("-", "a long dash"), "−": ("-", "a long minus"), "\u00a0": (" ", "a space that does not break"),
    "\u200b": (" ", "a space without width"), "；": (";", "a wide `;`"), "，": (",", "a wide `,`"),
    "（": ("(", "a wide bracket"), "）": (")", "a wide bracket"),
}  # fmt: skip
_TEXTS = r"\"(?:\\.|[^\"\\\n])*\"|'(?:\\.|[^'\\\n])*'"
#: Comments and texts, in which anything may stand.
_SKIPPED = {
    "cpp": re.compile(rf"//[^\n]*|/\*.*?\*/|{_TEXTS}", re.DOTALL),
    "python": re.compile(rf"\#[^\n]*|\"\"\".*?\"\"\"|'''.*?'''|{_TEXTS}", re.DOTALL),
}


def as_typed(source: str, dialect: str) -> tuple[list[Problem], str]:
    """One problem a line for such letters outside comments and texts, and the source with all of them as they are typed."""
    skipped = [match.span() for match in _SKIPPED[dialect].finditer(source)]
    problems: dict[int, Problem] = {}
    letters = list(source)
    for at, letter in enumerate(source):
        if letter not in LETTERS or any(first <= at < last for first, last in skipped):
            continue
        meant, name = LETTERS[letter]
        letters[at] = meant
        line = source.count("\n", 0, at) + 1
        shown = "a plain space" if meant == " " else f"`{meant}`"
        said = f"line {line} has {name} where {shown} is meant; it came in by pasting"
        problems.setdefault(line, Problem(line, at - source.rfind("\n", 0, at), said))
    return list(problems.values())[:MOST], "".join(letters)
