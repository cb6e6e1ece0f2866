"""Whole exercises as practitioners of the field give them, in layouts, hands, libraries and units the demo does not use.

Each has its sound hand-in, which no Stop and no Fix may be told of, and faulty ones made from it by an edit, each with what
must be told.
"""

from dataclasses import dataclass, field
from functools import cached_property
from typing import Literal

from verifex.core.assess import Case, ProgramRecord, ReadingsRecord, WiringRecord, assess_station
from verifex.core.exercise import Exercise, read_exercise

Station = Literal["wiring", "program", "log"]
CRITERIA = """
criteria:
  - {name: wiring, title: Wiring, of: 10}
  - {name: program, title: Program, of: 10}
  - {name: readings, title: Readings, of: 10}
"""


@dataclass(frozen=True)
class Fault:
    """One edit of a sound hand-in (each old text once for its new one), and the rules of which one must be told.

    For a log `told` are verdicts of the whole: 'out', 'incomplete', 'not-judged'.
    """

    title: str
    station: Station
    edits: dict[str, str]
    told: tuple[str, ...]


@dataclass(frozen=True)
class Wild:
    """An exercise with its sound hand-in and its faulty ones. The marks' criteria are added to the exercise's text. What is
    not handed in is empty."""

    title: str
    exercise: str
    wiring: str
    program: str
    log: str
    faults: tuple[Fault, ...] = field(default=())

    @cached_property
    def file(self) -> Exercise:
        return read_exercise(self.exercise + CRITERIA)

    def texts(self) -> dict[str, str]:
        texts = {"wiring": self.wiring, "program": self.program, "log": self.log}
        return {station: text for station, text in texts.items() if text}

    def with_fault(self, fault: Fault) -> dict[str, str]:
        texts = self.texts()
        for old, new in fault.edits.items():
            assert texts[fault.station].count(old) == 1, (self.title, fault.title, old)
            texts[fault.station] = texts[fault.station].replace(old, new)
        return texts


@dataclass(frozen=True)
class Verdict:
    """What is told of a hand-in: rules by station with their severity, and the verdict on the log."""

    rules: dict[str, dict[str, str]]
    not_run: str
    readings: str
    steps: tuple[tuple[str, str, float | None], ...]
    notes: tuple[str, ...]

    @property
    def serious(self) -> list[str]:
        found = [
            f"{station}: {rule}"
            for station, all_ in self.rules.items()
            for rule, s in all_.items()
            if s in ("stop", "fix")
        ]
        return found + [
            f"step {name}: {verdict} at {centre}" for name, verdict, centre in self.steps if verdict == "out"
        ]

    def tells(self, fault: Fault) -> bool:
        if fault.station == "log":
            return self.readings in fault.told
        return any(rule in all_ for all_ in self.rules.values() for rule in fault.told)


def judge(exercise: Exercise, texts: dict[str, str]) -> Verdict:
    """Every station of a hand-in, as the site and the command line judge it."""
    case = Case(exercise, wiring=texts.get("wiring"), program=texts.get("program"), log=texts.get("log"))
    records = {station: assess_station(case, station) for station in texts if station != "log"}
    readings = assess_station(case, "readings") if "log" in texts else ReadingsRecord()
    program = records.get("program")
    assert isinstance(readings, ReadingsRecord)
    rules = {
        station: {found.rule: str(found.severity) for found in record.findings}
        for station, record in records.items()
        if isinstance(record, WiringRecord | ProgramRecord)
    }
    not_run = program.not_run if isinstance(program, ProgramRecord) else ""
    steps = tuple((step.name, step.verdict, step.centre) for step in readings.steps)
    return Verdict(rules, not_run, readings.verdict, steps, readings.notes)
