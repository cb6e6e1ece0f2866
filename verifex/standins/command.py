"""`verifex standin board | meter | badges`."""

import sys
from argparse import Namespace
from typing import Any

from verifex.core.assess import Case
from verifex.core.circuit.solver import NoSensibleAnswer
from verifex.core.circuit.text.parse import parse_bench
from verifex.core.cli.files import exercise_of, no_operating_point, text_of
from verifex.core.cli.unusable import CannotUse
from verifex.core.quantity import in_words, parse_quantity
from verifex.standins.badges import type_codes
from verifex.standins.board import bench_faults, printed, stream, with_marks
from verifex.standins.meter import Multimeter
from verifex.standins.serial_port import SerialPort


def add_commands(commands: Any) -> None:
    standin = commands.add_parser("standin", help="a simulated board, meter or badge reader").add_subparsers(
        dest="what", required=True
    )
    board = standin.add_parser("board", help="a serial port on which a bench prints what its twin prints")
    board.add_argument("file", metavar="program")
    board.add_argument("--exercise", required=True)
    board.add_argument("--wiring", help="the exercise's own bench where none is given")
    board.add_argument(
        "--fault", default="", help="a fault of the bench, such as lead-missing; --fault list shows them"
    )
    board.add_argument("--named", default="", help="words of the fault's title, where there are several")
    board.add_argument("--baud", type=int, default=9600)
    board.add_argument("--read-at", type=int, help="the rate of the other side, where it is a wrong one")
    board.add_argument("--speed", type=float, default=1.0, help="times as fast as real; 0: at once")
    board.add_argument("--marks", action="store_true", help="with a mark before each step")
    board.add_argument("--print", action="store_true", help="to the screen, without a port")
    board.set_defaults(act=run_board)
    meter = standin.add_parser("meter", help="two probes on a bench: volts, ohms, or amps in a lead")
    meter.add_argument("what_is_read", choices=("volts", "ohms", "amps"))
    meter.add_argument("file", metavar="wiring")
    meter.add_argument("red", help="a place (e8, +L, U1.out, B1.A0); for amps the number of the wire, from 1")
    meter.add_argument("black", nargs="?", default="B1.GND")
    meter.add_argument("--set", action="append", default=[], metavar="D13=5", help="a pin that is driven")
    meter.add_argument("--sample", type=int, default=1, help="which meter of many: where in its limits it lies")
    meter.set_defaults(act=run_meter)
    badges = standin.add_parser("badges", help="codes as a badge reader types them")
    badges.add_argument("codes", nargs="+")
    badges.add_argument("--between", type=float, default=0.3, metavar="SECONDS")
    badges.set_defaults(act=run_badges)


def run_board(arguments: Namespace) -> int:
    exercise = exercise_of(arguments.exercise)
    assert exercise is not None
    wiring = text_of(arguments.wiring) if arguments.wiring else exercise.reference_wiring()
    case = Case(exercise, wiring=wiring, program=text_of(arguments.file))
    if arguments.fault == "list":
        print(*(f"{fault.slug:18} {fault.title}" for fault in bench_faults(case)), sep="\n")
        return 0
    try:
        lines = printed(case, arguments.fault, named=arguments.named)
    except ValueError as wrong:
        raise CannotUse(f"{arguments.file}:1:1: {wrong}") from None
    if arguments.marks:
        lines = with_marks(lines, exercise)
    if arguments.print:
        print(*(text for _, text in lines), sep="\n")
        return 0
    port = SerialPort.opened()
    print(port.path, flush=True)
    try:
        for text in stream(port, lines, speed=arguments.speed, baud=arguments.baud, read_at=arguments.read_at):
            print(text, file=sys.stderr)
        input("Enter closes the port. ") if sys.stdin.isatty() else None
    except KeyboardInterrupt:
        pass
    finally:
        port.close()
    return 0


def run_meter(arguments: Namespace) -> int:
    bench = parse_bench(text_of(arguments.file))
    meter = Multimeter(bench, arguments.sample)
    driven = {pin: parse_quantity(volts, "volt") for pin, _, volts in (one.partition("=") for one in arguments.set)}
    try:
        if arguments.what_is_read == "volts":
            print(f"{meter.volts(arguments.red, arguments.black, driven=driven):.2f} V")
        elif arguments.what_is_read == "ohms":
            ohms = meter.ohms(arguments.red, arguments.black)
            print("open" if ohms == float("inf") else in_words(ohms, "Ω"))
        else:
            print(f"{1000 * meter.amps(int(arguments.red) - 1, driven=driven):.2f} mA")
    except NoSensibleAnswer as wrong:
        raise no_operating_point(arguments.file, wrong) from None
    except (ValueError, IndexError) as wrong:
        raise CannotUse(f"{arguments.file}:1:1: {wrong}") from None
    return 0


def run_badges(arguments: Namespace) -> int:
    type_codes(arguments.codes, seconds_between=arguments.between)
    return 0
