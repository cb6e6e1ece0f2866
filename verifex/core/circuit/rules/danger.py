"""Voltages that have no place on a student's bench. No one can overrule these."""

from collections.abc import Iterator

from verifex.core.circuit.rules.book import OVER_CURRENTS, WIRING
from verifex.core.circuit.view import BenchView
from verifex.core.findings import Finding, Severity
from verifex.core.quantity import read_volts
from verifex.core.rulebook import FindingFactory

MOST_DC_VOLTS = 60.0
MOST_AC_VOLTS = 30.0


@WIRING.rule(
    "dangerous-voltage",
    Severity.STOP,
    title="A dangerous voltage",
    why="Above 30 V AC or 60 V DC a touch can kill. Mains is never on a student's bench; local electrical codes and licensed practice rule.",
    hint="This voltage has no place on a student's bench. Keep away from it and call the instructor now.",
    criterion="safety",
    source="extra-low voltage limits: 30 V AC rms, 60 V DC",
    explains=("supply-over", "level-over", "load-never-works", "resistor-over-watts", "capacitor-over-volts",
              "short-in-one-position", "board-intake-volts", *OVER_CURRENTS),
)  # fmt: skip
def dangerous_voltage(view: BenchView, finding: FindingFactory) -> Iterator[Finding]:
    told = False
    for part in view.bench.parts.values():
        said = read_volts(part.settings.get("volts", ""))
        if said is None:
            continue
        volts, alternating = said
        limit = MOST_AC_VOLTS if alternating else MOST_DC_VOLTS
        if abs(volts) > limit:
            told = True
            yield finding(
                f"{part.ref} ({part.type.title}) is given as {volts:g} V {'AC' if alternating else 'DC'}.",
                "Take it off the bench. A load is shown with a low-voltage lamp instead.",
                parts=[part.ref],
                places=[view.place(part, leg) for leg in part.legs],
                line=part.line,
                value=abs(volts),
                limit=limit,
                unit="V",
                affects=list(view.bench.parts),
            )
    if told:
        return
    for state in view.points:
        for battery in view.bench.parts_of("battery"):
            island = view.paths.island(net) if (net := view.net(battery, "plus")) else set()
            volts_in = [state.point.volts[net_id] for net_id in island]
            if volts_in and max(volts_in) - min(volts_in) > MOST_DC_VOLTS:
                yield finding(
                    f"Batteries in series: {max(volts_in) - min(volts_in):.0f} V stand between two places of this bench.",
                    "Take one of the batteries out.",
                    parts=[p.ref for p in view.bench.parts_of("battery")],
                    line=battery.line,
                    value=max(volts_in) - min(volts_in),
                    limit=MOST_DC_VOLTS,
                    unit="V",
                    affects=list(view.bench.parts),
                )
                return
