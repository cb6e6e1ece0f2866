"""The same program from another hand: other names, another layout, other comments, code that is left lying about."""

import ast
import keyword
import re
from collections.abc import Callable
from random import Random

from verifex.core.parts import catalogue
from verifex.core.program import tree as t
from verifex.core.program.boards import constants
from verifex.core.program.cpp import read_cpp

Style = Callable[[list[str]], str]
STYLES: dict[str, Style] = {
    "camel": lambda words: words[0] + "".join(w.capitalize() for w in words[1:]),
    "snake": lambda words: "_".join(words),
    "run together": lambda words: "".join(words),
    "shouted": lambda words: "_".join(words).upper(),
    "cut short": lambda words: "".join(w[:3] for w in words),
    "with my": lambda words: "my" + "".join(w.capitalize() for w in words),
    "one letter": lambda words: words[0][0],
}
NOTES = (
    "TODO ask", "works now!!", "dont touch", "bench 4", "this part is from the sheet", "not sure why", "Ω und µ",
    "if (x > 3) { digitalWrite(13, HIGH); }", "old: delay(200);", "----------------", "it's \"ok\"", "value = 5 / 1024",
)  # fmt: skip
SPARE_CPP = (
    "\nint spare(int a) {\n  return a + 1;\n}\n",
    "\n/*\nint old = 0;\nvoid oldLoop() { old++; }\n*/\n",
    "\nvoid nothing() { }\n",
)
SPARE_PYTHON = ("\ndef spare(a):\n    return a + 1\n\n", '\n"""\nold = 0\n"""\n')
RESERVED = frozenset(
    [*keyword.kwlist, "int", "long", "short", "char", "byte", "word", "float", "double", "bool", "do", "switch", "case", "default", "this"]
)  # fmt: skip
INDENTS = ("  ", "    ", "\t", " ", "   ")

_TOKEN = re.compile(
    r"//[^\n]*|/\*.*?\*/|\"(?:\\.|[^\"\\\n])*\"|'(?:\\.|[^'\\\n])*'|\#include[^\n]*|[A-Za-z_]\w*|.", re.S
)
_PYTHON_TOKEN = re.compile(r"\#[^\n]*|f?\"(?:\\.|[^\"\\\n])*\"|f?'(?:\\.|[^'\\\n])*'|[A-Za-z_]\w*|.", re.S)


def is_python(sound: str) -> bool:
    return "void setup" not in sound


def own_names(sound: str) -> set[str]:
    """Names that the program itself makes, and that no other part of it knows by that word."""
    after_a_dot = set(re.findall(r"(?:\.|->)\s*([A-Za-z_]\w*)", sound))
    if is_python(sound):
        tree = ast.parse(sound)
        made = {n.id for n in ast.walk(tree) if isinstance(n, ast.Name) and isinstance(n.ctx, ast.Store)}
        imported = {
            a.asname or a.name for n in ast.walk(tree) if isinstance(n, ast.Import | ast.ImportFrom) for a in n.names
        }
        keywords = {k.arg for n in ast.walk(tree) if isinstance(n, ast.Call) for k in n.keywords}
        in_texts = {
            w for n in ast.walk(tree) if isinstance(n, ast.JoinedStr) for w in re.findall(r"\w+", ast.unparse(n))
        }
        return made - imported - keywords - in_texts - after_a_dot
    tree_ = read_cpp(sound)
    nodes = t.walk_program(tree_)
    made = {n.name for n in nodes if isinstance(n, t.Declare)} | {
        p.name for f in tree_.functions.values() for p in f.params
    }
    made |= {f.name for f in tree_.functions.values() if "::" not in f.name} - {"setup", "loop"}
    made |= set(re.findall(r"#define\s+(\w+)", sound))
    return {name for name in made if name} - after_a_dot - {"this"}


def renamed(text: str, sound: str, rng: Random) -> str:
    """The program with its own names written in another style. A name that is cut too short gets a number."""
    style = STYLES[rng.choice(sorted(STYLES))]
    words_of = {
        name: [w.lower() for w in re.findall(r"[A-Z]+(?![a-z])|[A-Z]?[a-z]+|\d+", name)] or [name]
        for name in own_names(sound)
    }
    words = set(re.findall(r"[A-Za-z_]\w*", text)) | set(constants(catalogue().boards["mcu-5v"]))
    new: dict[str, str] = {}
    for name in sorted(words_of):
        wanted = style(words_of[name])
        while (
            wanted in words or wanted in new.values() or not re.fullmatch(r"[A-Za-z_]\w*", wanted) or wanted in RESERVED
        ):
            wanted += str(rng.randrange(2, 9))
        new[name] = wanted
    token = _PYTHON_TOKEN if is_python(sound) else _TOKEN
    return "".join(new.get(piece, piece) for piece in token.findall(text))


def laid_out(text: str, sound: str, rng: Random) -> str:
    """Other indents, braces on other lines, more or fewer empty lines."""
    unit = rng.choice(INDENTS)
    if is_python(sound):
        inner = [len(line) - len(line.lstrip()) for line in text.split("\n")]
        step = min((n for n in inner if n), default=4)
        if any(n % step for n in inner):
            return text  # what is moved in wrongly would come right by chance
        moved = [unit * (n // step) + " " * (n % step) for n in inner]
        return "\n".join(front + line.lstrip() for front, line in zip(moved, text.split("\n"), strict=True))
    if rng.random() < 0.4:
        text = re.sub(r"\)[ \t]*\{[ \t]*\n", ")\n{\n", text)
    elif rng.random() < 0.5:
        text = re.sub(r"\)[ \t]*\n[ \t]*\{[ \t]*\n", ") {\n", text)
    out, depth = [], 0
    for line in text.split("\n"):
        said = line.strip()
        outer = depth - said.startswith("}")
        out.append(unit * max(0, outer) + said if rng.random() < 0.95 else said)
        depth += said.count("{") - said.count("}")
        if said and rng.random() < 0.05:
            out.append("")
    return "\n".join(out)


def commented(text: str, sound: str, rng: Random) -> str:
    """Comments of its own, some with code in them."""
    mark = "#" if is_python(sound) else "//"
    out, inside = [], False
    for line in text.split("\n"):
        inside = inside or "/*" in line or '"""' in line
        free = not inside and not line.rstrip().endswith(("\\", "(", ","))
        if free and line.strip() and rng.random() < 0.15:
            indent = line[: len(line) - len(line.lstrip())]
            out.append(f"{indent}{mark} {rng.choice(NOTES)}")
        out.append(
            line + f" {mark} {rng.choice(NOTES)}"
            if free and line.rstrip().endswith((";", ")")) and rng.random() < 0.1
            else line
        )
        inside = inside and "*/" not in line
    return "\n".join(out)


def left_lying(text: str, sound: str, rng: Random) -> str:
    """Something that nothing uses, at the end or in front."""
    if is_python(sound):
        return rng.choice(SPARE_PYTHON) + text if rng.random() < 0.5 and "__future__" not in text else text
    return text + rng.choice(SPARE_CPP)


def by_another_hand(text: str, sound: str, seed: int) -> str:
    """`text`, which is `sound` with or without a slip, as another pair would have written it."""
    rng = Random(seed)
    for change in (renamed, laid_out, commented, left_lying):
        if rng.random() < 0.75:
            text = change(text, sound, rng)
    return text
