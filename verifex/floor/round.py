"""The Round: who needs a visit next, in order, each with the reason in one sentence."""

from dataclasses import dataclass
from datetime import datetime
from typing import Any

from verifex.core.findings import Severity
from verifex.dockets.bench import DocketBench, last_judgement
from verifex.dockets.models import Docket, Kind, State, Station, StationState
from verifex.dockets.stations import current, states
from verifex.exercises.views import readings_json
from verifex.marks.services import marks_of, total_of


@dataclass(frozen=True, slots=True)
class Standing:
    """Where a docket stands: its station, what a card says of it, and how urgent a visit is."""

    row: StationState | None
    line: str
    reason: str
    severity: str | None
    seen: str
    last_value: str
    open_findings: dict[str, int]

    @property
    def asks(self) -> bool:
        return self.row is not None and self.row.state == State.ASKS

    def urgency(self, now: datetime) -> tuple[int, float]:
        """For sorting: open Stops first, then the longest wait."""
        waited = (now - self.row.since).total_seconds() if self.row else 0.0
        return (0 if self.severity == Severity.STOP else 1, -waited)


def standing(docket: Docket) -> Standing:
    """The docket in a few words, worked out from its last hand-ins."""
    row = current(states(docket))
    bench = DocketBench(docket)
    station = row.station if row else Station.KIT
    attempt = (
        bench.last({Station.POWER: Kind.WIRING}.get(Station(station), station))
        if station not in (Station.KIT, Station.MARK)
        else None
    )
    judgement = last_judgement(attempt)
    findings = judgement.findings if judgement else []
    counts = {s.value: sum(f["severity"] == s for f in findings) for s in Severity}
    worst = next((s.value for s in Severity if counts[s.value]), None)
    first = findings[0]["seen"] if findings else ""
    line, reason = _words(
        docket, station, row, attempt.number if attempt else 0, findings, judgement.result if judgement else {}
    )
    return Standing(row, line, reason, worst, first, _last_value(bench), counts)


def _words(
    docket: Docket,
    station: str,
    row: StationState | None,
    attempt: int,
    findings: list[dict[str, Any]],
    result: dict[str, Any],
) -> tuple[str, str]:
    """(what the card says, why to go there)."""
    state = row.state if row else None
    serious = [f for f in findings if f["severity"] in ("stop", "fix")]
    many = f"{len(serious)} to mend" if serious else "no Stop or Fix"
    if state == State.SENT_BACK:
        return f"sent back, mending attempt {attempt}", ""
    if state == State.VOIDED:
        return "clearance voided", ""
    match station:
        case Station.KIT:
            return "no kit yet", ""
        case Station.WIRING:
            return (
                (f"attempt {attempt} handed in · {many}", f"Wiring, attempt {attempt}: {many}.")
                if state == State.ASKS
                else ("entering the wiring", "")
            )
        case Station.POWER:
            return (
                (f"asks for power · {many}", f"Asks for power; {many}.")
                if state == State.ASKS
                else ("wiring passed, before power", "")
            )
        case Station.PROGRAM:
            if state == State.ASKS:
                said = "does not compile" if not result.get("compiles", True) else many
                return f"program handed in · {said}", f"Program, attempt {attempt}: {said}."
            return "writing the program", ""
        case Station.READINGS:
            if state == State.ASKS:
                return _readings_words(result)
            return "taking readings", ""
    if state == State.PASSED:
        total, most = total_of(marks_of(docket, docket.proposals.order_by("-id").first()))
        return f"marked, {total} of {most}", ""
    if state == State.ASKS:
        total, most = total_of(marks_of(docket))
        return f"ready to mark · {total} of {most} proposed", f"Ready to mark: {total} of {most} proposed."
    return "readings first", ""


def _readings_words(result: dict[str, Any]) -> tuple[str, str]:
    verdict = result.get("verdict")
    if verdict == "in-limits":
        return "readings in limits", "Readings handed in, all steps in limits."
    if verdict == "incomplete":
        return "readings incomplete", "Readings handed in; a step is missing."
    best = next((d for d in result.get("diagnosis", []) if d["likelihood"] == "fits best"), None)
    return (
        "readings out of limits",
        f"Readings out of limits. {best['title']}, most likely." if best else "Readings out of limits.",
    )


def _last_value(bench: DocketBench) -> str:
    """The last centre of the pair's readings, else its measured supply: something to recognise the bench by."""
    judgement = last_judgement(bench.last(Kind.READINGS))
    steps = [s for s in judgement.result["steps"] if s["centre"] is not None] if judgement else []
    if steps:
        unit = readings_json(bench.file)[0]["unit"]
        return f"{steps[-1]['name']}: {steps[-1]['centre']:g} {unit}".strip()
    rail = bench.measured().rail_volts
    return f"supply {rail:g} V" if rail is not None else ""
