"""What is said of a hand-in whose check came to a limit: a finding like any other, and never an error page."""

from verifex.core.assess.records import (
    FindingRecord,
    PredictionRecord,
    ProgramRecord,
    ReadingsRecord,
    SheetsRecord,
    StationRecord,
    WhereRecord,
    WiringRecord,
)
from verifex.core.findings import Severity

SLUG = "check-over-its-limit"
RECORDS: dict[str, type[StationRecord]] = {
    "wiring": WiringRecord,
    "program": ProgramRecord,
    "readings": ReadingsRecord,
    "prediction": PredictionRecord,
    "sheets": SheetsRecord,
}
NAMES = {"wiring": "wiring", "program": "program", "readings": "log", "prediction": "prediction", "sheets": "wiring"}
SEEN = {
    "time": "Checking this {name} took longer than a check may.",
    "memory": "Checking this {name} needed more memory than a check may use.",
    "failed": "The check of this {name} broke off.",
}
REMEDIES = {
    "wiring": "Shorten it: leave out statements that are not on the bench.",
    "program": "Shorten it, or make its loops end sooner; then hand it in again.",
    "readings": "Shorten the log to the steps of the plan; then hand it in again.",
    "prediction": "Hand it in again.",
    "sheets": "Shorten the wiring.",
}


def overrun_record(kind: str, reason: str) -> StationRecord:
    """The record of a station whose check was ended for `reason`: 'time', 'memory' or 'failed' (through no limit)."""
    name = NAMES[kind]
    finding = FindingRecord(
        rule=SLUG,
        severity=Severity.FIX if reason != "failed" else Severity.CHECK,
        seen=SEEN[reason].format(name=name),
        why="A check has a fixed time and memory, so that no hand-in keeps the others waiting; this one is not judged.",
        remedy=REMEDIES[kind] if reason != "failed" else "Judge it by eye, or hand it in again.",
        hint=f"This {name} is too long or too busy to be checked. {REMEDIES[kind]}"
        if reason != "failed"
        else "This could not be checked; your instructor looks at it.",
        criterion="program" if kind == "program" else "readings" if kind == "readings" else "wiring",
        where=WhereRecord(line=1, column=1) if kind == "program" else WhereRecord(),
    )
    return RECORDS[kind](findings=(finding,), overrun=reason)
