"""The whole wiring check: text in, findings and nets out."""

from dataclasses import dataclass

from verifex.core.circuit.bench import Bench
from verifex.core.circuit.handed_out import HandedOut, bench_as_given
from verifex.core.circuit.remedies import with_tried_remedies
from verifex.core.circuit.rules import WIRING
from verifex.core.circuit.view import BenchView, Programmed
from verifex.core.exercise import Exercise
from verifex.core.findings import Finding
from verifex.core.parts import Catalogue


@dataclass(frozen=True, slots=True)
class WiringReport:
    """Findings on one bench, the bench itself and the view they were made from."""

    bench: Bench
    view: BenchView
    findings: list[Finding]

    def nets_json(self) -> list[dict[str, object]]:
        """Each net with its occupied places and its volts in every state that was solved."""
        points = self.view.points
        return [
            {
                "name": net.name,
                "places": list(net.places),
                "volts": round(points[0].point.volts[net.id], 4) if points else None,
                "by_state": {state.name: round(state.point.volts[net.id], 4) for state in points},
            }
            for net in self.view.nets.nets
        ]


def check_wiring(
    text: str,
    *,
    exercise: Exercise | None = None,
    program: Programmed | None = None,
    rail_volts: float | None = None,
    handed_out: HandedOut | None = None,
    part_types: Catalogue | None = None,
) -> WiringReport:
    """Check a bench given in bench notation.

    `program` says which pins a program drives (without it that is inferred), `rail_volts` is the measured supply,
    `handed_out` what the hatch gave (its leg orders win over the hand-in's),
    `part_types` another catalogue than the shipped one. Lines that are no statement are in
    `report.bench.problems`; the rest is judged all the same. Raises UnusableInput only for a text over the size
    limit.
    """
    bench = bench_as_given(text, exercise, handed_out, part_types)
    view = BenchView(bench, exercise=exercise, program=program, handed_out=handed_out, rail_volts=rail_volts)
    return WiringReport(view.bench, view, with_tried_remedies(view, WIRING, WIRING.run(view)))
