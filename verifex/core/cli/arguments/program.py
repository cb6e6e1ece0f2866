"""`verifex program check`, `run`, `flow` and `verifex twin run`."""

from typing import Any

from verifex.core.cli.arguments.on_call import imported_on_call


def add_commands(commands: Any) -> None:
    program = commands.add_parser("program", help="check or run a program").add_subparsers(dest="what", required=True)
    check = program.add_parser("check")
    check.add_argument("file")
    check.add_argument("--board")
    check.add_argument("--wiring")
    check.add_argument("--exercise")
    check.add_argument("--json", action="store_true")
    check.set_defaults(act=imported_on_call("program", "check_file"))
    run = program.add_parser("run")
    run.add_argument("file")
    run.add_argument("--board")
    run.add_argument("--pins")
    run.add_argument("--seconds", type=float, required=True)
    run.add_argument("--json", action="store_true")
    run.set_defaults(act=imported_on_call("program", "run_file"))
    flow = program.add_parser("flow", help="the flow chart of a program, as SVG or DOT")
    flow.add_argument("file")
    flow.add_argument("--form", choices=("svg", "dot", "json"), default="svg")
    flow.add_argument("--board")
    flow.set_defaults(act=imported_on_call("program", "show_flow"), json=False)
    twin = commands.add_parser("twin", help="run a program on its bench").add_subparsers(dest="what", required=True)
    on_bench = twin.add_parser("run")
    on_bench.add_argument("wiring")
    on_bench.add_argument("file", metavar="program")
    on_bench.add_argument("--exercise", help="run its plan, for as long as that takes, and say what is found")
    on_bench.add_argument("--stimulus")
    on_bench.add_argument("--seconds", type=float, help="needed without an exercise")
    on_bench.add_argument("--cold", action="store_true", help="just switched on: modules warm up first")
    on_bench.add_argument("--json", action="store_true")
    on_bench.set_defaults(act=imported_on_call("program", "run_on_bench"))
