"""Small edits by chance, as fingers and copying make them, judged by us and by a real compiler."""

import re
from dataclasses import dataclass
from functools import cache
from random import Random

from tests.compiled.real import refused_line
from tests.corpus.programs.faults import REFUSALS
from tests.corpus.programs.verdicts import PROGRAMS, board_of, named
from verifex.core.parts import catalogue
from verifex.core.program import check_program

#: A library of a part is known to its maker's compiler only, and the real compiler here is that of the small boards.
_OWN_LIBRARY = re.compile(r"#include\s+(?!<(?:Wire|SPI|EEPROM)\.h>)")
_PIECE = re.compile(r"//[^\n]*|/\*.*?\*/|\"[^\"\n]*\"|[A-Za-z_]\w*|\d+|[^\s\w]", re.DOTALL)
LINKER = ("missing-function", "memory-full")  # what the compiler itself does not say


def is_compiled(program: str, text: str) -> bool:
    return program.endswith(".cpp") and board_of(program) == "mcu-5v" and not _OWN_LIBRARY.search(text)


@cache
def compiled_programs() -> list[tuple[str, str]]:
    texts = [(named(path), path.read_text("utf-8")) for path in PROGRAMS]
    return [(name, text) for name, text in texts if is_compiled(name, text)]


def edited(seed: int) -> tuple[str, str]:
    """A program of the corpus with one piece left out, doubled, exchanged, misspelt, in the other case or in quotes."""
    rng = Random(seed)
    name, text = rng.choice(compiled_programs())
    pieces = [m for m in _PIECE.finditer(text) if not m.group().startswith(("//", "/*"))]
    piece = rng.choice(pieces)
    said, start, end = piece.group(), piece.start(), piece.end()
    ways = ["", f"{said} {said}"]
    if said[0].isalpha():
        ways += [said[0].swapcase() + said[1:], said[:1] + said[2:] if len(said) > 3 else said]
    if said.isdigit():
        ways.append(f'"{said}"')
    other = rng.choice(pieces)
    if other.start() > start and rng.random() < 0.2:
        return name, text[:start] + other.group() + text[end : other.start()] + said + text[other.end() :]
    return name, text[:start] + rng.choice(ways) + text[end:]


@dataclass(slots=True)
class Agreement:
    """How many edits both take or both refuse; which only we refuse, which only the compiler does (with nothing of it ours
    to add), and how many of the refused ones we name on the compiler's line, the one of code before, or earlier."""

    both: int = 0
    not_supported: int = 0
    only_we: list[int] | None = None
    only_it: list[int] | None = None

    def take(self, seed: int) -> None:
        self.only_we, self.only_it = self.only_we or [], self.only_it or []
        _, text = edited(seed)
        real, report = refused_line(text), check_program(text, catalogue().boards["mcu-5v"])
        refused = [f for f in report.findings if f.rule in REFUSALS and f.rule not in LINKER]
        if (real is not None) == bool(refused):
            self.both += 1
        elif real is None:
            self.only_we.append(seed)
        elif any(f.rule == "not-supported-yet" for f in report.findings):
            self.not_supported += 1
        else:
            self.only_it.append(seed)


def agreement(seeds: range) -> Agreement:
    found = Agreement()
    for seed in seeds:
        found.take(seed)
    return found
