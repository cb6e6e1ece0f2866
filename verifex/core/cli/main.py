"""The commands, and the one place where an unusable input becomes a line on stderr."""

import argparse
import sys
from collections.abc import Mapping, Sequence
from importlib import import_module
from typing import NoReturn

from verifex.core.cli.unusable import CannotUse
from verifex.core.problems import UnusableInput

OK, FOUND, UNUSABLE = 0, 1, 2
#: The module with each command's arguments, and its help. A module is imported only for its own commands.
COMMANDS = {
    "parts": ("arguments.parts", "the catalogue: legs, limits, models, sources"),
    "rules": ("arguments.parts", "every rule, as the page docs/rules.md shows them"),
    "exercise": ("arguments.parts", "check an exercise file, or print its schema"),
    "wiring": ("arguments.wiring", "check or solve a bench"),
    "resistor": ("resistors", "bands, preferred values, bench sums"),
    "sum": ("resistors", "bench sums about readings"),
    "program": ("arguments.program", "check or run a program"),
    "twin": ("arguments.program", "run a program on its bench"),
    "expected": ("arguments.bench", "what a bench should read"),
    "threshold": ("arguments.bench", "a threshold from readings of the two states"),
    "readings": ("arguments.bench", "judge a log"),
    "mark": ("arguments.bench", "propose a mark for a folder with wiring.bench, program.cpp, log.txt"),
}


class _Parser(argparse.ArgumentParser):
    """Says what is wrong with the call in one line, as with a file."""

    def error(self, message: str) -> NoReturn:
        print(f"verifex: {message}; 'verifex --help' lists the commands", file=sys.stderr)
        raise SystemExit(UNUSABLE)


def main(argv: Sequence[str] | None = None, more: Mapping[str, tuple[str, str]] | None = None) -> int:
    """Run one command. Exit code 0: nothing worse than Check; 1: Stop or Fix findings; 2: unusable input.

    `more` are commands besides the core's own: by name the module that adds them, and their help.
    """
    known = {
        **{name: (f"verifex.core.cli.{module}", about) for name, (module, about) in COMMANDS.items()},
        **(more or {}),
    }
    parser = _Parser(
        prog="verifex",
        description="Checks a bench, predicts its readings, runs its program, proposes its mark.",
    )
    commands = parser.add_subparsers(dest="command", required=True, parser_class=_Parser)
    called = next((word for word in (sys.argv[1:] if argv is None else argv) if not word.startswith("-")), "")
    if called in known:
        import_module(known[called][0]).add_commands(commands)
    else:
        for name, (_, about) in known.items():
            commands.add_parser(name, help=about)
    arguments = parser.parse_args(argv)
    try:
        result: int = arguments.act(arguments)
        return result
    except CannotUse as wrong:
        print(wrong, file=sys.stderr)
    except UnusableInput as wrong:
        for problem in wrong.problems:
            print(f"{getattr(arguments, 'file', 'input')}:{problem}", file=sys.stderr)
    except BrokenPipeError:
        return OK
    return UNUSABLE
