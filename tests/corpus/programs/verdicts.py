"""A program of the corpus checked and run on the twin of its exercise's own bench."""

from dataclasses import dataclass
from functools import cache
from pathlib import Path

from tests.corpus.programs.faults import SOUND, Fault
from tests.samples import DEMO
from verifex.core.circuit import check_wiring
from verifex.core.circuit.view import BenchView
from verifex.core.exercise import Exercise, read_exercise
from verifex.core.expected import Sheet, expected_sheet
from verifex.core.findings import Finding, Severity
from verifex.core.program.rules import PROGRAM
from verifex.core.twin import check_behaviour, check_on_bench, plan_stimulus, run_twin

REFERENCES = sorted((DEMO / "exercises").glob("*/reference.*"))
PROGRAMS = [*sorted(SOUND.glob("*/*.*")), *REFERENCES]


def named(path: Path) -> str:
    """`exercise/file` of a program."""
    return f"{path.parent.name}/{path.name}"


@cache
def _exercise(name: str) -> Exercise:
    return read_exercise((DEMO / "exercises" / name / "exercise.yaml").read_text("utf-8"))


def board_of(program: str) -> str:
    """The board a program is for: by its language, and by `wireless` in its name."""
    exercise, file = program.split("/")
    boards = _exercise(exercise).boards
    if file.startswith("wireless"):
        return "mcu-3v3-wireless"
    if file.endswith(".py"):
        return "sbc-3v3" if "sbc-3v3" in boards else "mcu-3v3-wireless"
    return boards[0]


@cache
def _bench(exercise: str, board: str) -> tuple[BenchView, Sheet]:
    wiring = _exercise(exercise).reference_wiring(board)
    view = check_wiring(wiring, exercise=_exercise(exercise)).view
    return view, expected_sheet(_exercise(exercise), wiring)


@dataclass(frozen=True, slots=True)
class Verdict:
    """All findings, of the text and of the run; whether it compiles, and whether every step did what is asked."""

    findings: list[Finding]
    compiles: bool
    did_all: bool

    @property
    def serious(self) -> list[Finding]:
        """Stops and Fixes, and what is not read yet: a sound program has none."""
        return [
            f for f in self.findings if f.severity in (Severity.STOP, Severity.FIX) or f.rule == "not-supported-yet"
        ]

    def names(self, fault: Fault) -> bool:
        return any(f.rule in fault.rules for f in self.findings)

    def besides(self, fault: Fault) -> list[Finding]:
        """Other Stops and Fixes than the one that names the slip."""
        return [f for f in self.serious if f.rule not in fault.rules]


def judge(program: str, text: str) -> Verdict:
    """`program` is `exercise/file`, `text` what it says here."""
    name = program.split("/")[0]
    exercise = _exercise(name)
    view, sheet = _bench(name, board_of(program))
    report = check_on_bench(text, view, exercise)
    if not report.runnable:
        return Verdict(report.findings, report.compiles, False)
    plan = plan_stimulus(exercise)
    trace = run_twin(view, report, plan, plan.seconds)
    behaviour = check_behaviour(view, exercise, plan, trace, sheet)
    findings = PROGRAM.with_consequences(report.findings, behaviour.findings)
    return Verdict(findings, True, all(o.agrees for o in behaviour.outcomes if o.window.kind == "step"))
