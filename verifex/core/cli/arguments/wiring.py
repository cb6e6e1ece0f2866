"""`verifex wiring check`, `solve`, `spice`, `windows`, `compare` and `csv`."""

from argparse import ArgumentParser
from typing import Any

from verifex.core.cli.arguments.on_call import imported_on_call


def add_commands(commands: Any) -> None:
    wiring = commands.add_parser("wiring", help="check or solve a bench").add_subparsers(dest="what", required=True)
    check = wiring.add_parser("check", help="findings on a bench")
    _takes_bench(check)
    check.add_argument("--exercise")
    check.add_argument("--program")
    check.add_argument("--set", action="append", default=[], metavar="B1.D13=high", help="solve this state too")
    check.add_argument("--at", action="append", default=[], metavar="U1.celsius=25")
    check.set_defaults(act=imported_on_call("wiring", "check_file"))
    for name, act, words in (
        ("solve", imported_on_call("wiring", "solve_file"), "volts and currents in one state"),
        ("spice", imported_on_call("wiring", "spice_file"), "the same circuit as a SPICE netlist"),
    ):
        solve = wiring.add_parser(name, help=words)
        _takes_bench(solve)
        solve.add_argument("--set", action="append", default=[], metavar="B1.D13=high")
        solve.add_argument("--at", action="append", default=[], metavar="U1.celsius=25")
        solve.add_argument("--values", choices=["nominal", "measured"], default="measured")
        solve.set_defaults(act=act)
    windows = wiring.add_parser("windows", help="each resistor's job, its window and what it reads in the circuit")
    _takes_bench(windows)
    windows.set_defaults(act=imported_on_call("wiring", "show_windows"))
    compare = wiring.add_parser("compare", help="two benches by what they do, not hole for hole")
    _takes_bench(compare)
    compare.add_argument("intended")
    compare.add_argument("--exercise")
    compare.set_defaults(act=imported_on_call("wiring", "compare_files"))
    csv = wiring.add_parser("csv", help="a bench as a table, or a table as a bench")
    csv.add_argument("file")
    csv.set_defaults(act=imported_on_call("wiring", "convert_csv"))


def _takes_bench(parser: ArgumentParser) -> None:
    parser.add_argument("file")
    parser.add_argument("--rail", type=float, metavar="4.87")
    parser.add_argument("--parts", metavar="FILE", help="a data file of parts besides the shipped ones")
    parser.add_argument("--json", action="store_true")
