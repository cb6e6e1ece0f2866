"""`verifex parts`, `verifex rules`, `verifex exercise …`."""

from argparse import ArgumentParser
from typing import Any

from verifex.core.cli.arguments.on_call import imported_on_call


def add_commands(commands: Any) -> None:
    parts = commands.add_parser("parts", help="the catalogue: legs, limits, models, sources")
    parts.add_argument("id", nargs="?")
    _finish(parts, imported_on_call("parts", "show_parts"))

    rules = commands.add_parser("rules", help="every rule, as the page docs/rules.md shows them")
    _finish(rules, imported_on_call("parts", "show_rules"))

    exercise = commands.add_parser("exercise", help="check an exercise file, or print its schema").add_subparsers(
        dest="what", required=True
    )
    check = exercise.add_parser("check")
    check.add_argument("file")
    _finish(check, imported_on_call("exercise", "check_exercise"))
    _finish(exercise.add_parser("schema"), imported_on_call("exercise", "show_schema"))


def _finish(parser: ArgumentParser, act: Any) -> None:
    parser.add_argument("--json", action="store_true")
    parser.set_defaults(act=act)
