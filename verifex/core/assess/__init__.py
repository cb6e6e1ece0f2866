"""The one orchestration of the checks: a `Case` goes in, a typed record of each station comes out.

The command line, the site and the tests all go through here, so they cannot judge differently.

    >>> from pathlib import Path
    >>> from verifex.core.exercise import read_exercise
    >>> exercise = read_exercise(Path("demo/exercises/brood-box-heat-watch/exercise.yaml").read_text("utf-8"))
    >>> wiring = Path("demo/hand-ins/no-resistor.bench").read_text("utf-8")
    >>> record = assess_station(Case(exercise, wiring=wiring), "wiring")
    >>> [(finding.rule, str(finding.severity)) for finding in record.findings]
    [('led-no-series-resistor', 'stop')]
"""

from collections.abc import Callable

from verifex.core.assess.case import Case
from verifex.core.assess.evidence import evidence_of
from verifex.core.assess.judged_with import JudgedWith, digest_of, judged_with, judged_with_digests
from verifex.core.assess.overrun import overrun_record
from verifex.core.assess.prediction import assess_prediction
from verifex.core.assess.program import assess_program
from verifex.core.assess.readings import assess_readings
from verifex.core.assess.records import (
    Assessment,
    FindingRecord,
    PredictionRecord,
    ProgramRecord,
    ReadingsRecord,
    SheetsRecord,
    StationRecord,
    WiringRecord,
)
from verifex.core.assess.sheets import assess_sheets
from verifex.core.assess.summary import Summary, summary_of
from verifex.core.assess.upgrade import read_record
from verifex.core.assess.wiring import assess_wiring
from verifex.core.assess.workbench import Workbench

STATIONS: dict[str, Callable[[Workbench], StationRecord | None]] = {
    "sheets": assess_sheets,
    "wiring": assess_wiring,
    "program": assess_program,
    "readings": assess_readings,
    "prediction": assess_prediction,
}


def assess_station(case: Case, station: str) -> StationRecord | None:
    """The record of one station (a key of `STATIONS`); None where nothing is handed in. Raises UnusableInput."""
    return STATIONS[station](Workbench(case))


def assess(case: Case) -> Assessment:
    """Every station of a case, what they share computed once. Raises UnusableInput for a text that cannot be judged."""
    bench = Workbench(case)
    return Assessment.model_validate({name: station(bench) for name, station in STATIONS.items()})


__all__ = [
    "STATIONS",
    "Assessment",
    "Case",
    "FindingRecord",
    "JudgedWith",
    "PredictionRecord",
    "ProgramRecord",
    "ReadingsRecord",
    "SheetsRecord",
    "StationRecord",
    "Summary",
    "WiringRecord",
    "Workbench",
    "assess",
    "assess_station",
    "digest_of",
    "evidence_of",
    "judged_with",
    "judged_with_digests",
    "overrun_record",
    "read_record",
    "summary_of",
]
