"""The whole wiring check: text in, findings and nets out."""

from collections.abc import Mapping
from dataclasses import dataclass

from verifex.core.circuit.bench import Bench, read_bench
from verifex.core.circuit.rules import WIRING
from verifex.core.circuit.view import BenchView
from verifex.core.exercise import Exercise
from verifex.core.findings import Finding


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
    outputs: list[str] | None = None,
    batch_orders: Mapping[str, str] | None = None,
    rail_volts: float | None = None,
    issued_ohms: Mapping[str, float] | None = None,
) -> WiringReport:
    """Check a bench given in bench notation.

    `outputs` are pins a program drives, `batch_orders` leg orders by part id as handed out, `rail_volts` the
    measured supply, `issued_ohms` substituted resistors by the exercise's reference. Lines that are no
    statement are in `report.bench.problems`; the rest is judged all the same. Raises UnusableInput only for a
    text over the size limit.
    """
    bench = read_bench(text, batch_orders=batch_orders)
    view = BenchView(
        bench,
        exercise=exercise,
        outputs=outputs,
        batch_orders=batch_orders,
        rail_volts=rail_volts,
        issued_ohms=issued_ohms,
    )
    return WiringReport(bench, view, WIRING.run(view))
