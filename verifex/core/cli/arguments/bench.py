"""`verifex expected`, `threshold`, `readings check`, `mark`."""

from argparse import ArgumentParser
from typing import Any

from verifex.core.cli.arguments.on_call import imported_on_call


def add_commands(commands: Any) -> None:
    expected = commands.add_parser("expected", help="what a bench should read")
    expected.add_argument("exercise")
    expected.add_argument("--wiring")
    expected.add_argument("--board", help="the reference bench on this board, where no wiring is given")
    expected.add_argument("--variant", help="how the sensor is fed, where no wiring is given")
    takes_bench_values(expected)
    expected.add_argument("--json", action="store_true")
    expected.set_defaults(act=imported_on_call("expected", "show_expected"))
    threshold = commands.add_parser("threshold", help="a threshold from readings of the two states")
    threshold.add_argument("--off", nargs="+", type=float, required=True, metavar="COUNT")
    threshold.add_argument("--on", nargs="+", type=float, required=True, metavar="COUNT")
    threshold.add_argument("--json", action="store_true")
    threshold.set_defaults(act=imported_on_call("expected", "show_threshold"))
    readings = commands.add_parser("readings", help="judge a log").add_subparsers(dest="what", required=True)
    check = readings.add_parser("check")
    check.add_argument("file")
    check.add_argument("--exercise", required=True)
    check.add_argument("--wiring")
    check.add_argument("--program")
    check.add_argument("--others", metavar="FOLDER", help="other pairs' logs, to look for the same readings")
    takes_bench_values(check)
    check.add_argument("--json", action="store_true")
    check.set_defaults(act=imported_on_call("judging", "check_log"))
    mark = commands.add_parser("mark", help="propose a mark for a folder with wiring.bench, program.cpp, log.txt")
    mark.add_argument("folder")
    mark.add_argument("--exercise", required=True)
    takes_bench_values(mark)
    mark.add_argument("--json", action="store_true")
    mark.set_defaults(act=imported_on_call("judging", "mark_folder"))


def takes_bench_values(parser: ArgumentParser) -> None:
    """Options for what was measured on the bench and what the hatch handed out."""
    parser.add_argument("--measured", nargs="*", metavar="vref=4.87", help="also internal, aref, R1=9.87k, U1.r10=11k")
    parser.add_argument(
        "--step", action="append", metavar='"Room air=22.4"', help="the value really measured at a step"
    )
    parser.add_argument("--given", nargs="*", metavar="R1=390", help="resistors the hatch gave instead of the recipe's")
    parser.add_argument(
        "--legs", nargs="*", metavar="thermo-offset=ground-out-supply", help="leg orders of the batch handed out"
    )
