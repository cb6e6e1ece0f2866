"""`verifex wiring check` and `verifex wiring solve`."""

from argparse import Namespace
from typing import Any

from verifex.core.circuit import Conditions, check_wiring, operating_point
from verifex.core.circuit.bench import Bench, read_bench
from verifex.core.circuit.nets import Nets
from verifex.core.circuit.solver import NoSensibleAnswer
from verifex.core.circuit.view import BenchView
from verifex.core.cli.files import CannotUse, exercise_of, exit_code, print_findings, print_json, text_of
from verifex.core.problems import UnusableInput
from verifex.core.quantity import in_words, parse_quantity
from verifex.core.twin import check_on_bench


def add_commands(commands: Any) -> None:
    wiring = commands.add_parser("wiring", help="check or solve a bench").add_subparsers(dest="what", required=True)
    check = wiring.add_parser("check", help="findings on a bench")
    check.add_argument("file")
    check.add_argument("--exercise")
    check.add_argument("--program")
    check.add_argument("--rail", type=float)
    check.add_argument("--json", action="store_true")
    check.set_defaults(act=check_file)
    solve = wiring.add_parser("solve", help="volts and currents in one state")
    solve.add_argument("file")
    solve.add_argument("--set", action="append", default=[], metavar="B1.D13=high")
    solve.add_argument("--at", action="append", default=[], metavar="U1.celsius=25")
    solve.add_argument("--values", choices=["nominal", "measured"], default="measured")
    solve.add_argument("--rail", type=float)
    solve.add_argument("--json", action="store_true")
    solve.set_defaults(act=solve_file)


def usable(bench: Bench) -> None:
    """Raises UnusableInput when lines of the bench are no statement."""
    if bench.problems:
        raise UnusableInput(bench.problems)


def check_file(arguments: Namespace) -> int:
    text = text_of(arguments.file)
    exercise = exercise_of(arguments.exercise)
    outputs = None
    if arguments.program:
        view = BenchView(read_bench(text), exercise=exercise)
        program = check_on_bench(text_of(arguments.program), view, exercise)
        outputs = sorted({pin for run in program.runs for pin, use in run.pins.items() if use.mode == "output"})
    report = check_wiring(text, exercise=exercise, outputs=outputs, rail_volts=arguments.rail)
    usable(report.bench)
    if arguments.json:
        print_json({"nets": report.nets_json(), "findings": [f.as_json() for f in report.findings]})
    else:
        print_findings(report.findings)
        for net in report.nets_json():
            volts = net["volts"]
            print(
                f"{net['name']!s:14} {volts:6.3f} V   {' '.join(net['places'])}"
                if isinstance(volts, float) and isinstance(net["places"], list)
                else f"{net['name']}"
            )
    return exit_code(report.findings)


def solve_file(arguments: Namespace) -> int:
    bench = read_bench(text_of(arguments.file))
    usable(bench)
    nets = Nets(bench)
    conditions = Conditions(
        driven=_driven(bench, arguments.set),
        stimulus=_stimulus(arguments.at),
        values=arguments.values,
        rail_volts=arguments.rail,
    )
    try:
        point = operating_point(nets, conditions)
    except NoSensibleAnswer as wrong:
        raise CannotUse(f"{arguments.file}:1:1: {wrong}") from None
    parts = [
        {
            "ref": part.ref,
            "type": part.type.id,
            "amps": {leg: point.amps[(part.ref, leg)] for leg in part.type.legs if (part.ref, leg) in point.amps},
            "watts": point.watts.get(part.ref, 0.0),
        }
        for part in bench.parts.values()
    ]
    result = {
        "nets": [{"name": n.name, "places": list(n.places), "volts": point.volts[n.id]} for n in nets.nets],
        "parts": parts,
    }
    if arguments.json:
        print_json(result)
        return 0
    for net in nets.nets:
        print(f"{net.name:14} {point.volts[net.id]:8.4f} V")
    for part in bench.parts.values():
        flows = ", ".join(
            f"{leg} {in_words(point.amps[(part.ref, leg)], 'A')}"
            for leg in part.type.legs
            if (part.ref, leg) in point.amps
        )
        print(f"{part.ref:14} {flows}   {in_words(point.watts.get(part.ref, 0.0), 'W')}")
    return 0


def _driven(bench: Bench, pairs: list[str]) -> dict[str, float]:
    driven: dict[str, float] = {}
    for text in pairs:
        place, _, value = text.partition("=")
        ref, _, name = place.partition(".")
        pin = bench.board.pin(name) if bench.board and ref == bench.board_ref else None
        if pin is None or not pin.is_signal or bench.board is None:
            raise CannotUse(f"--set:1:1: '{place}' is no pin that can drive; B1.D13=high was expected")
        levels = {"high": bench.board.rail_volts, "low": 0.0}
        try:
            driven[pin.name] = levels[value] if value in levels else parse_quantity(value, "volt")
        except ValueError as wrong:
            raise CannotUse(f"--set:1:1: {wrong}") from None
    return driven


def _stimulus(pairs: list[str]) -> dict[tuple[str, str], float]:
    stimulus: dict[tuple[str, str], float] = {}
    for text in pairs:
        place, _, value = text.partition("=")
        ref, _, quantity = place.partition(".")
        try:
            stimulus[(ref, quantity)] = float(value)
        except ValueError:
            raise CannotUse(f"--at:1:1: '{text}' is no stimulus; U1.celsius=25 was expected") from None
    return stimulus
