"""The circuit heart against the clock: a crowded bench, one operating point, and ngspice on the same netlist."""

import shutil
import subprocess
from pathlib import Path
from statistics import median, quantiles
from tempfile import TemporaryDirectory
from time import perf_counter

from verifex.core.circuit import check_wiring
from verifex.core.circuit.solver import Circuit, Junction, Resistance, Source, Transistor, solve, spice_netlist

CROWDED = Path(__file__).with_name("forty-parts.bench").read_text("utf-8")
POINTS = 2000
SPICE_POINTS = 500


def ladder(supply_volts: float) -> Circuit:
    """25 nodes: four lights with resistors from a supply, four more behind two transistors that two lines drive."""
    circuit = Circuit(1, 0)
    supply, drive = circuit.new_node(), circuit.new_node()
    circuit.sources = [
        Source("supply", supply, 0, supply_volts, 0.5),
        Source("drive", drive, 0, 0.9 * supply_volts, 25),
    ]

    def light(name: str, top: int, bottom: int, ohms: float) -> None:
        middle, inner = circuit.new_node(), circuit.new_node()
        circuit.resistances += [Resistance(f"R{name}", top, middle, ohms), Resistance(f"r{name}", middle, inner, 8.0)]
        circuit.junctions.append(Junction(name, inner, bottom, 1.27e-16, 0.06))

    for n in range(4):
        light(f"D{n}", supply, 0, 330.0 + 50 * n)
    for n in range(2):
        base, collector = circuit.new_node(), circuit.new_node()
        circuit.resistances.append(Resistance(f"RB{n}", drive, base, 4700.0))
        circuit.transistors.append(Transistor(f"Q{n}", collector, base, 0, 1e-14, 200, 4, 0.024))
        light(f"DQ{n}a", supply, collector, 470.0)
        light(f"DQ{n}b", supply, collector, 680.0)
    circuit.resistances += [
        Resistance("load", supply, circuit.new_node(), 100.0),
        Resistance("rest", circuit.nodes - 1, 0, 1e3),
    ]
    circuit.resistances.append(Resistance("tail", circuit.nodes - 1, 0, 2e3))
    return circuit


def crowded_bench() -> str:
    report = check_wiring(CROWDED)
    view = report.view
    return f"{len(report.bench.parts)} parts, {view.operating_points} operating points, {len(report.findings)} findings"


def one_point() -> None:
    """A warm operating point: begun from that of a slightly different supply, as one state of a bench from another."""
    circuits = [ladder(5.0), ladder(4.8)]
    near = [solve(circuit).volts for circuit in circuits]
    took = []
    for n in range(POINTS):
        begun = perf_counter()
        solve(circuits[n % 2], near[1 - n % 2])
        took.append((perf_counter() - begun) * 1e3)
    nodes = circuits[0].nodes
    print(
        f"{f'operating point, {nodes} nodes':26} {min(took):7.3f} ms best  {median(took):7.3f} ms median  {quantiles(took, n=20)[-1]:7.3f} ms 95 %"
    )
    spice = _with_ngspice(circuits)
    if spice is None:
        print("ngspice is missing here, so there is no yardstick.")
        return
    start, each = spice
    print(
        f"{'the same by ngspice':26} {each:7.3f} ms each, after {start:.1f} ms to start and read; ours is {median(took) / each:.1f} times that"
    )


def _with_ngspice(circuits: list[Circuit]) -> tuple[float, float] | None:
    """(ms to start, read and solve once, ms a further point) of the same two circuits in turn."""
    program = shutil.which("ngspice")
    if program is None:
        return None
    text = spice_netlist(circuits[0], "ladder")
    with TemporaryDirectory() as folder:

        def run(points: int) -> float:
            loop = [f"repeat {points // 2}", "alter v1 = 4.8", "op", "alter v1 = 5.0", "op", "end"]
            control = ["* both", ".control", f"source {folder}/ladder.cir", *loop, "quit", ".endc", ".end", ""]
            Path(folder, "ladder.cir").write_text(text)
            Path(folder, "run.cir").write_text("\n".join(control))
            begun = perf_counter()
            subprocess.run([program, "-b", f"{folder}/run.cir"], capture_output=True, check=False)
            return (perf_counter() - begun) * 1e3

        run(2)
        few, many = min(run(2) for _ in range(3)), min(run(SPICE_POINTS) for _ in range(3))
    return few, (many - few) / (SPICE_POINTS - 2)
