"""The whole program check: text in, findings out, and a program ready to run."""

from collections.abc import Mapping
from dataclasses import dataclass

from verifex.core.exercise import Exercise
from verifex.core.findings import Finding
from verifex.core.parts import Board
from verifex.core.problems import Problem, UnusableInput
from verifex.core.program.compiler import Compiled, compile_program
from verifex.core.program.cpp import read_cpp, syntax_problems
from verifex.core.program.machine import Budget, Machine, RunResult, Surroundings
from verifex.core.program.rules import PROGRAM
from verifex.core.program.rules.view import PinUse, ProgramView
from verifex.core.program.script import ScriptedPins
from verifex.core.program.tree import Program

LIMIT_BYTES = 64 * 1024
DRY_SECONDS = 3.0
DRY_BUDGET = Budget(steps=300_000, output_bytes=50_000)


@dataclass(frozen=True, slots=True)
class ProgramReport:
    """Findings on a program, and the program itself to run."""

    source: str
    board: Board
    findings: list[Finding]
    tree: Program
    compiled: Compiled
    compiles: bool
    runs: list[RunResult]

    @property
    def runnable(self) -> bool:
        """Whether it can be run: it compiles, and nothing in it is unread."""
        return self.compiles and not self.tree.unread and self.compiled.loop is not None

    def run(
        self,
        surroundings: Surroundings,
        seconds: float,
        *,
        serial_blocks: bool = False,
        budget: Budget | None = None,
    ) -> RunResult:
        """Run on `surroundings` for `seconds` of virtual time. Raises ValueError when it is not runnable."""
        compiled = self.compiled
        if not (compiled.start and compiled.setup and compiled.loop and compiled.snapshot) or not self.runnable:
            raise ValueError("this program cannot be run")
        machine = Machine(self.board, surroundings, seconds, budget=budget, serial_blocks=serial_blocks)
        return machine.run(compiled.start, compiled.setup, compiled.loop, compiled.snapshot)


def check_program(
    source: str,
    board: Board,
    *,
    wired: Mapping[str, PinUse] | None = None,
    exercise: Exercise | None = None,
    reference: str | None = None,
) -> ProgramReport:
    """Check a program of the C++ dialect.

    `wired` says what hangs on each pin, `reference` which reference the bench's variant wants. Raises
    UnusableInput for a text over 64 kB; anything else becomes a finding.
    """
    if len(source.encode("utf-8", "replace")) > LIMIT_BYTES:
        raise UnusableInput([Problem(1, 1, "the program is larger than 64 kB, the limit for one hand-in")])
    if "\0" in source:
        line = source[: source.index("\0")].count("\n") + 1
        raise UnusableInput([Problem(line, 1, "this is no program text; a file of another kind was probably chosen")])
    problems = syntax_problems(source) if source.strip() else [Problem(1, 1, "the program is empty")]
    tree = Program() if problems else read_cpp(source, board.int_bits)
    compiled = Compiled() if problems or tree.unread else compile_program(tree, board)
    if tree.unread:
        # What was left out may declare names, so only a whole program is judged for them.
        compiled = Compiled()
    view = ProgramView(source, board, problems, tree, compiled, [], wired, exercise, reference)
    report = ProgramReport(source, board, [], tree, compiled, view.compiles, [])
    if report.runnable:
        view.runs = _dry_runs(report)
    return ProgramReport(source, board, PROGRAM.run(view), tree, compiled, view.compiles, view.runs)


def _dry_runs(report: ProgramReport) -> list[RunResult]:
    """Three seconds with every analogue pin held at the bottom, the middle and the top of the converter."""
    runs = []
    pins = [name for name in report.board.pin_names() if (pin := report.board.pin(name)) and pin.analogue_in]
    for share in (0.0, 0.4995, 0.9999):
        volts = share * report.board.rail_volts
        pinned = ScriptedPins({pin: ([0.0], [volts]) for pin in pins})
        runs.append(report.run(pinned, DRY_SECONDS, budget=DRY_BUDGET))
        if runs[-1].ended in ("steps", "output", "depth"):
            break
    return runs
