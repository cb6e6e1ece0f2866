"""Macros that are no expression, put in as text before the program is read: statements, `#x` and `a##b`.

Macros that stand for a value stay as they are: the reader puts those in itself and knows what each is called. What is put in
stays on its line, so that places in the text still hold.
"""

import re
from dataclasses import dataclass

MOST_DEEP, MOST_LETTERS = 8, 200_000
_DEFINITION = re.compile(r"^[ \t]*#[ \t]*define[ \t]+(\w+)(\([^)\n]*\))?((?:[^\n]*\\\n)*[^\n]*)$", re.MULTILINE)
_PIECE = re.compile(
    r"//[^\n]*|/\*.*?\*/|\"(?:\\.|[^\"\\\n])*\"|'(?:\\.|[^'\\\n])*'|^[ \t]*#(?:[^\n]*\\\n)*[^\n]*|\w+|\s+|.",
    re.DOTALL | re.MULTILINE,
)
_STATEMENT = re.compile(r"^(?:do|if|for|while|switch|return|\{)\b|[;{]")
_QUOTED = re.compile(r"\"(?:\\.|[^\"\\])*\"|'(?:\\.|[^'\\])*'")


@dataclass(frozen=True, slots=True)
class Macro:
    params: tuple[str, ...] | None  # None: it takes no brackets
    body: str


def with_statement_macros(source: str) -> str:
    """The text with those macros put in; unchanged where it has none, or where they come to too much text."""
    macros: dict[str, Macro] = {}
    for found in _DEFINITION.finditer(source):
        name, params, body = found.groups()
        body = re.sub(r"//.*$|/\*.*?\*/", " ", body.replace("\\\n", " "), flags=re.MULTILINE).strip()
        if _is_no_expression(body, bool(params)):
            names = tuple(p.strip() for p in params.strip("()").split(",") if p.strip()) if params else None
            macros[name] = Macro(names if params is None or names else (), body)
    if not macros or any(macro.params and "..." in macro.params for macro in macros.values()):
        return source
    blank = _DEFINITION.sub(lambda m: "\n" * m.group().count("\n") if m.group(1) in macros else m.group(), source)
    made = _put_in(blank, macros, 0)
    return made if made is not None and len(made) <= MOST_LETTERS else source


def _is_no_expression(body: str, takes_values: bool) -> bool:
    bare = _QUOTED.sub('""', body)
    if "#" in bare and takes_values:
        return True
    return bool(_STATEMENT.search(bare.rstrip("; ") if takes_values else bare))


def _put_in(text: str, macros: dict[str, Macro], deep: int) -> str | None:
    """The text with macros put in, and those in what was put in; None where one stands for itself."""
    if deep > MOST_DEEP:
        return None
    out: list[str] = []
    at = length = 0
    while at < len(text):
        piece = _PIECE.match(text, at)
        assert piece is not None
        word, at = piece.group(), piece.end()
        macro = macros.get(word)
        if macro is not None and macro.params is None:
            word = macro.body
        elif (
            macro is not None and (given := _values(text, at)) is not None and len(given[0]) == len(macro.params or ())
        ):
            values, end = given
            word = _filled(macro, values) + "\n" * text.count("\n", at, end)
            at = end
        else:
            macro = None
        if macro is not None:
            inner = _put_in(word, macros, deep + 1)
            if inner is None:
                return None
            word = inner
        length += len(word)
        if length > MOST_LETTERS:
            return None
        out.append(word)
    return "".join(out)


def _values(text: str, at: int) -> tuple[list[str], int] | None:
    """What stands in the brackets that begin at `at`, and where they end; None where none begin."""
    opened = re.compile(r"\s*\(").match(text, at)
    if opened is None:
        return None
    values, deep, at = [""], 0, opened.end()
    while at < len(text):
        piece = _PIECE.match(text, at)
        assert piece is not None
        word, at = piece.group(), piece.end()
        if word == ")" and deep == 0:
            found = [re.sub(r"\s+", " ", value).strip() for value in values]
            return ([] if found == [""] else found), at
        deep += (word in "([{") - (word in ")]}")
        if word == "," and deep == 0:
            values.append("")
        else:
            values[-1] += word
    return None


def _filled(macro: Macro, values: list[str]) -> str:
    """A macro's text with its values: `#x` is what was written, as a text; `a##b` one word."""
    given = dict(zip(macro.params or (), values, strict=True))
    out = []
    for piece in re.findall(r"\"(?:\\.|[^\"\\])*\"|'(?:\\.|[^'\\])*'|\s*##\s*|#\s*\w+|\w+|\s+|.", macro.body):
        if piece.strip() == "##":
            continue
        if piece.startswith("#"):
            name = piece[1:].strip()
            out.append('"' + given[name].replace("\\", "\\\\").replace('"', '\\"') + '"' if name in given else piece)
        else:
            out.append(given.get(piece, piece))
    return "".join(out)
