"""`verifex wiring check`, `solve`, `spice`, `windows`, `compare` and `csv`."""

import math
from argparse import Namespace

from verifex.core.circuit import Conditions, Programmed, check_wiring, operating_point
from verifex.core.circuit.bench import Bench
from verifex.core.circuit.connections.shorts import shorted_nets
from verifex.core.circuit.evidence.functions import compare_functions
from verifex.core.circuit.evidence.windows import resistor_jobs
from verifex.core.circuit.nets import Nets
from verifex.core.circuit.operating import OperatingPoint
from verifex.core.circuit.solver import NoSensibleAnswer, spice_netlist
from verifex.core.circuit.text.csv_table import bench_to_csv, csv_to_bench
from verifex.core.circuit.text.parse import parse_bench
from verifex.core.circuit.view import BenchView
from verifex.core.cli.files import bench_text, exercise_of, no_operating_point, shelf_of, text_of, usable
from verifex.core.cli.output import exit_code, print_findings, print_json
from verifex.core.cli.unusable import CannotUse
from verifex.core.parts import OUTPUT_ROLES, LegRole
from verifex.core.quantity import in_words, parse_quantity
from verifex.core.twin import check_on_bench, programmed


def bench_of(arguments: Namespace) -> Bench:
    bench = parse_bench(bench_text(arguments.file), shelf_of(arguments.parts))
    usable(bench)
    return bench


def check_file(arguments: Namespace) -> int:
    text, part_types = bench_text(arguments.file), shelf_of(arguments.parts)
    exercise = exercise_of(arguments.exercise)
    program: Programmed | None = None
    if arguments.program:
        view = BenchView(parse_bench(text, part_types), exercise=exercise)
        program = programmed(check_on_bench(text_of(arguments.program), view, exercise))
    report = check_wiring(text, exercise=exercise, program=program, rail_volts=arguments.rail, part_types=part_types)
    usable(report.bench)
    nets = report.nets_json()
    if arguments.set or arguments.at:
        point = _point(report.bench, report.view.nets, arguments, "measured")
        for net, row in zip(report.view.nets.nets, nets, strict=True):
            row["volts"] = round(point.volts[net.id], 4)
    if arguments.json:
        print_json({"nets": nets, "findings": [f.as_json() for f in report.findings]})
    else:
        print_findings(report.findings)
        for row in nets:
            volts, places = row["volts"], row["places"]
            if isinstance(volts, float) and isinstance(places, list):
                print(f"{row['name']!s:14} {volts:6.3f} V   {' '.join(places)}")
            else:
                print(f"{row['name']}")
    return exit_code(report.findings)


def _point(bench: Bench, nets: Nets, arguments: Namespace, values: str) -> OperatingPoint:
    driven, held = _driven(bench, arguments.set, arguments.rail)
    conditions = Conditions(
        driven=driven,
        held=held,
        stimulus=_stimulus(bench, arguments.at),
        values="nominal" if values == "nominal" else "measured",
        rail_volts=arguments.rail,
    )
    try:
        return operating_point(nets, conditions)
    except NoSensibleAnswer as wrong:
        raise no_operating_point(arguments.file, wrong) from None


def _notes(nets: Nets, point: OperatingPoint) -> list[str]:
    """What makes the numbers of an absurd circuit mean little."""
    notes = [
        f"{net.name} joins a supply to ground or to another supply; its currents mean nothing."
        for net in shorted_nets(nets)
    ]
    notes += [f"{ref} oscillates: it switches itself off and on." for ref in sorted(point.oscillating)]
    return notes


def solve_file(arguments: Namespace) -> int:
    bench = bench_of(arguments)
    nets = Nets(bench)
    point = _point(bench, nets, arguments, arguments.values)
    parts = [
        {
            "ref": part.ref,
            "type": part.type.id,
            "amps": {
                leg: point.amps[(part.ref, leg)] for leg in part.type.leg_names() if (part.ref, leg) in point.amps
            },
            "watts": point.watts_in(part.ref),
        }
        for part in bench.parts.values()
    ]
    notes = _notes(nets, point)
    if arguments.json:
        print_json(
            {
                "nets": [{"name": n.name, "places": list(n.places), "volts": point.volts[n.id]} for n in nets.nets],
                "parts": parts,
                "pins": dict(sorted(point.pin_amps.items())),
                "notes": notes,
            }
        )
        return 0
    for net in nets.nets:
        print(f"{net.name:14} {point.volts[net.id]:8.4f} V")
    for part in bench.parts.values():
        legs = [leg for leg in part.type.leg_names() if (part.ref, leg) in point.amps]
        flows = ", ".join(f"{leg} {in_words(point.amps[(part.ref, leg)], 'A')}" for leg in legs)
        print(f"{part.ref:14} {flows}   {in_words(point.watts_in(part.ref), 'W')}")
    for note in notes:
        print(note)
    return 0


def spice_file(arguments: Namespace) -> int:
    bench = bench_of(arguments)
    nets = Nets(bench)
    point = _point(bench, nets, arguments, arguments.values)
    text = spice_netlist(
        point.circuit, f"bench {bench.name or arguments.file}", {net.id: net.name for net in nets.nets}
    )
    if arguments.json:
        print_json({"netlist": text, "nodes": {net.name: _node(point, net.id) for net in nets.nets}})
    else:
        print(text, end="")
    return 0


def _node(point: OperatingPoint, net_id: int) -> str:
    return "0" if net_id == point.circuit.ground else f"n{net_id + 1}"


def show_windows(arguments: Namespace) -> int:
    view = BenchView(bench_of(arguments), rail_volts=arguments.rail)
    jobs = resistor_jobs(view)
    if arguments.json:
        print_json([job.as_json() for job in jobs])
        return 0
    for job in jobs:
        window = job.window
        said = (
            f"{in_words(window.low_ohms, 'Ω')} to {in_words(window.high_ohms, 'Ω')}" if window else "no window follows"
        )
        ohms = in_words(job.ohms, "Ω") if job.ohms else "no value"
        reads = f", reads {in_words(job.in_circuit_ohms, 'Ω')} in the circuit" if job.in_circuit_ohms else ""
        print(f"{job.ref:6} {job.job:14} {job.about:6} {ohms:>9}   {said}; {in_words(job.watts, 'W', 2)}{reads}")
    return 0


def compare_files(arguments: Namespace) -> int:
    exercise = exercise_of(arguments.exercise)
    built = BenchView(bench_of(arguments), exercise=exercise, rail_volts=arguments.rail)
    other = parse_bench(bench_text(arguments.intended), shelf_of(arguments.parts))
    usable(other)
    rows = compare_functions(built, BenchView(other, exercise=exercise))
    if arguments.json:
        print_json([row.as_json() for row in rows])
    else:
        for row in rows:
            sign = "same   " if row.agrees else "DIFFERS"
            print(f"{sign}  {row.ref:5} {row.aspect:14} {row.handed_in}   (intended: {row.intended})")
    return 0 if all(row.agrees for row in rows) else 1


def convert_csv(arguments: Namespace) -> int:
    text = text_of(arguments.file)
    print(csv_to_bench(text) if arguments.file.lower().endswith(".csv") else bench_to_csv(text), end="")
    return 0


def _driven(
    bench: Bench, pairs: list[str], rail_volts: float | None
) -> tuple[dict[str, float], dict[tuple[str, str], float | None]]:
    """`--set` as volts of pins, and as levels of module legs (None for the leg's own high level)."""
    driven: dict[str, float] = {}
    held: dict[tuple[str, str], float | None] = {}
    for text in pairs:
        place, _, value = text.partition("=")
        ref, _, name = place.partition(".")
        try:
            volts = None if value == "high" else 0.0 if value == "low" else parse_quantity(value, "volt")
        except ValueError as wrong:
            raise CannotUse(f"--set:1:1: {wrong}") from None
        if ref in bench.parts:
            kind = bench.parts[ref].type
            if name not in kind.legs or kind.role(name) not in (*OUTPUT_ROLES, LegRole.TWO_WAY):
                raise CannotUse(f"--set:1:1: '{place}' is no leg that gives a level; U3.echo=high was expected")
            held[(ref, name)] = volts
            continue
        pin = bench.board.pin(name) if bench.board and ref == bench.board_ref else None
        if pin is None or not pin.is_signal or bench.board is None:
            raise CannotUse(f"--set:1:1: '{place}' is no pin that can drive; B1.D13=high was expected")
        high = bench.board.rail_volts if rail_volts is None else rail_volts
        driven[pin.name] = high if volts is None else volts
    return driven, held


def _stimulus(bench: Bench, pairs: list[str]) -> dict[tuple[str, str], float]:
    """`--at` as values by part and quantity."""
    stimulus: dict[tuple[str, str], float] = {}
    for text in pairs:
        place, _, value = text.partition("=")
        ref, _, quantity = place.partition(".")
        try:
            number = float(value)
        except ValueError:
            number = math.nan
        if not math.isfinite(number) or not quantity:
            raise CannotUse(f"--at:1:1: '{text}' is no stimulus; U1.celsius=25 was expected")
        if ref not in bench.parts:
            raise CannotUse(f"--at:1:1: there is no part {ref} on this bench; {', '.join(bench.parts)} are")
        known = bench.parts[ref].type.quantities
        if quantity not in known:
            said = f"{', '.join(known)} was expected" if known else "nothing does"
            raise CannotUse(f"--at:1:1: {ref} does not answer to '{quantity}'; {said}")
        stimulus[(ref, quantity)] = number
    return stimulus
