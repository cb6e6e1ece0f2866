"""The solver against an independent one: every bench of the corpus, exported and solved by ngspice."""

import re
import shutil
import subprocess
from collections.abc import Iterator
from pathlib import Path
from tempfile import TemporaryDirectory
from unittest import TestCase, skipUnless

from tests.corpus.wiring.benches import faulty_benches, sound_benches
from verifex.core.circuit.nets import Nets
from verifex.core.circuit.operating import OperatingPoint
from verifex.core.circuit.solver import spice_netlist
from verifex.core.circuit.states import ALL_HIGH, ALL_LOW, EVERYTHING_ON
from verifex.core.circuit.text.parse import parse_bench
from verifex.core.circuit.view import BenchView

NGSPICE = shutil.which("ngspice")
WITHIN_SHARE, WITHIN_VOLTS, WITHIN_AMPS = 0.005, 1e-3, 1e-6
BATCH = 40  # netlists an ngspice process solves one after the other


def agree(ours: float, theirs: float, absolute: float) -> bool:
    return abs(ours - theirs) <= max(absolute, WITHIN_SHARE * abs(theirs))


def points_of(text: str) -> Iterator[tuple[str, Nets, OperatingPoint]]:
    view = BenchView(parse_bench(text))
    for state in view.points:
        if state.name in (ALL_LOW, ALL_HIGH, EVERYTHING_ON) or len(view.points) == 1:
            yield state.name, view.nets, state.point


@skipUnless(NGSPICE, "ngspice is missing; Debian has it in the package ngspice")
class SpiceTest(TestCase):
    def test_operating_points_agree_on_the_corpus(self):
        """At least 60 circuits, in the states with everything off and everything on: node volts and source currents."""
        jobs = []
        for bench in [*sound_benches(), *faulty_benches()]:
            for state, _, point in points_of(bench.text):
                jobs.append((f"{bench.name}, {state}", point))
        self.assertGreaterEqual(len({name.split(",")[0] for name, _ in jobs}), 60)
        compared = given_up = 0
        with TemporaryDirectory() as folder:
            for start in range(0, len(jobs), BATCH):
                batch = jobs[start : start + BATCH]
                for (name, point), answer in zip(
                    batch, solve_with_ngspice(Path(folder), [p for _, p in batch]), strict=True
                ):
                    # On an island that hangs on a junction alone ngspice finds no point; ours is left unjudged there.
                    given_up += not answer
                    compared += self.compare(name, point, answer) if answer else 0
        self.assertGreater(compared, 5000)
        self.assertLessEqual(given_up, 0.01 * len(jobs))

    def compare(self, name: str, point: OperatingPoint, answer: dict[str, float]) -> int:
        circuit = point.circuit
        for number in range(circuit.nodes):
            if number == circuit.ground:
                continue
            ours, theirs = float(point.solution[number]), answer.get(f"n{number + 1}", 0.0)  # a net without elements
            self.assertTrue(
                agree(ours, theirs, WITHIN_VOLTS), f"{name}: node {number + 1}: {ours} V, ngspice {theirs} V"
            )
        for index, source in enumerate(circuit.sources, 1):
            volts = point.solution[source.plus] - point.solution[source.minus]
            ours = (source.volts - float(volts)) / max(source.ohms, 1e-3)
            theirs = -answer[f"v{index}#branch"]
            # A stiff source's current is the difference of two nearly equal voltages over a milliohm.
            self.assertTrue(agree(ours, theirs, 5e-6), f"{name}: {source.name}: {ours} A, ngspice {theirs} A")
        return circuit.nodes + len(circuit.sources)


def solve_with_ngspice(folder: Path, points: list[OperatingPoint]) -> list[dict[str, float]]:
    """Node volts and branch currents of each circuit, by ngspice's own names."""
    lines = ["* many circuits, one after the other", ".control", "set numdgt=9"]
    for index, point in enumerate(points):
        file = folder / f"{index}.cir"
        file.write_text(spice_netlist(point.circuit, "bench"))
        lines += [f"source {file}", "op", f"echo CIRCUIT {index}", "print all", "remcirc"]
    lines += ["quit", ".endc", ".end", ""]
    control = folder / "all.cir"
    control.write_text("\n".join(lines))
    done = subprocess.run([str(NGSPICE), "-b", str(control)], capture_output=True, text=True, check=False, timeout=300)
    answers: list[dict[str, float]] = []
    for line in done.stdout.splitlines():
        if line.startswith("CIRCUIT "):
            answers.append({})
        elif answers and (match := re.match(r"(\S+) = (\S+)$", line.strip())):
            answers[-1][match.group(1)] = float(match.group(2))
    return answers
