"""What is reported of a hand-in whose check we could not finish: not checked yet. It is no judgement and costs nothing."""

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
from verifex.core.hand_ins import HAND_INS, HandIn

SLUG = "not-checked-yet"
RECORDS: dict[str, type[StationRecord]] = {
    "wiring": WiringRecord,
    "program": ProgramRecord,
    "readings": ReadingsRecord,
    "prediction": PredictionRecord,
    "sheets": SheetsRecord,
}
SEEN = {
    "time": "This {name} is not checked yet: its check needed more processor time than it had.",
    "memory": "This {name} is not checked yet: its check needed more memory than it had.",
    "failed": "This {name} is not checked yet: its check broke off, through an error of ours.",
}


def overrun_record(kind: str, reason: str) -> StationRecord:
    """The record of a station whose check was ended for `reason`: 'time', 'memory' or 'failed' (through no limit)."""
    # The sheets are made from the wiring.
    about = HAND_INS[HandIn.WIRING if kind == "sheets" else HandIn(kind)]
    name = about.name
    finding = FindingRecord(
        rule=SLUG,
        severity=Severity.CHECK,
        seen=SEEN[reason].format(name=name),
        why="That says nothing about what was handed in. It is checked again by itself when the machine is less busy.",
        remedy="Wait, have it checked again now, or judge it by eye.",
        hint=f"This {name} is not checked yet; it is checked again by itself. As far as we know nothing is wrong with it.",
        criterion=about.criterion,
        where=WhereRecord(line=1, column=1) if kind == "program" else WhereRecord(),
        unchecked=True,
    )
    return RECORDS[kind](findings=(finding,), overrun=reason)
