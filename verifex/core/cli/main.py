"""The commands, and the one place where an unusable input becomes a line on stderr."""

import argparse
import sys
from collections.abc import Sequence

from verifex.core.cli import bench, parts, program, resistors, wiring
from verifex.core.cli.files import CannotUse
from verifex.core.problems import UnusableInput

OK, FOUND, UNUSABLE = 0, 1, 2


class _Parser(argparse.ArgumentParser):
    """Says what is wrong with the call in one line, as with a file."""

    def error(self, message: str) -> None:  # type: ignore[override]
        print(f"verifex: {message}; 'verifex --help' lists the commands", file=sys.stderr)
        raise SystemExit(UNUSABLE)


def main(argv: Sequence[str] | None = None) -> int:
    """Run one command. Exit code 0: nothing worse than Check; 1: Stop or Fix findings; 2: unusable input."""
    parser = _Parser(
        prog="verifex",
        description="Checks a bench, predicts its readings, runs its program, proposes its mark.",
    )
    commands = parser.add_subparsers(dest="command", required=True, parser_class=_Parser)
    for module in (parts, wiring, resistors, program, bench):
        module.add_commands(commands)
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
